import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { hours } from '@/core/quantities/hours';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { readHistory } from '@/db/kernel/ledger';
import { sheet } from '@/queries/flights/sheet';
import { bad, good, PASSWORD } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { checkDocuments } from '../documents/check-documents';
import { checkIn } from '../flights/check-in';
import { releaseAndLeave } from '@/testing/flight-release';
import { loadRecords, NO_RECORDS } from '../kernel/load-records';
import { strikeEntry } from '../maintenance/corrections';
import { correctReading } from '../meters/correct-reading';
import { addDial } from '../meters/dials';
import {
  record,
  hundred,
  row,
  folderNow,
  club,
  revision,
  inTx,
  due,
  round,
  paper,
  freshClub,
} from '@/testing/folder';
import { NOTHING_TO_REPORT } from '@/testing/entries';

beforeEach(freshClub);

describe('correcting', () => {
  it('a struck out inspection stays readable and stops counting; the one before counts again', async () => {
    const entryId = randomUUID();
    good(await record(hundred('4150.3'), { entryId }));
    club.ports.at = addSeconds(club.ports.at, 60);
    good(
      await strikeEntry(club.ports, club.actor('mechanic'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        kind: 'inspection',
        recordId: entryId,
        why: 'Belongs to N03TB',
        password: PASSWORD,
      }),
    );
    expect((await due('100-hour'))?.next).toBe('4208.7 h');
    expect((await folderNow()).logbook.find(({ id }) => id === entryId)).toMatchObject({
      title: '100-hour inspection',
      struck: { by: 'The mechanic', why: 'Belongs to N03TB' },
    });
    expect((await inTx((tx) => readHistory(tx, club.aircraftId, 1)))[0]).toMatchObject({
      act: 'strike',
      actorName: 'The mechanic',
    });
  });
  it('nothing is struck out twice, by a renter, or without the password', async () => {
    const reading = (await folderNow()).readings[0]?.id ?? '';
    const strike = async (change: object = {}, role: 'dispatcher' | 'renter' = 'dispatcher') =>
      strikeEntry(club.ports, club.actor(role), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        kind: 'reading',
        recordId: reading,
        why: 'Slip',
        password: PASSWORD,
        ...change,
      });
    expect(bad(await strike({}, 'renter'))).toMatchObject({ code: 'not-entitled' });
    expect(bad(await strike({ password: 'x' }))).toMatchObject({ problems: [{ path: 'password' }] });
    expect(bad(await strike({ recordId: randomUUID() }))).toMatchObject({ code: 'not-found' });
    good(await strike());
    expect(bad(await strike())).toMatchObject({ code: 'invalid' });
    // Without any reading left nothing is known of the hours, and unknown closes.
    expect((await row())?.verdict).toBe('Grounded');
  });
  it.each([
    ['was missing', { aboard: false, legible: null }],
    ['could not be read', { legible: false }],
    ['was there', {}],
  ])('what somebody saw last, that a document %s, is not struck out but re-checked', async (_, change) => {
    const seen = async (more: object, by: 'student' | 'dispatcher' = 'student') => {
      const documentCheckId = randomUUID();
      good(
        await checkDocuments(
          club.ports,
          club.actor(by),
          round([
            { ...paper('weight-and-balance'), datedOn: civilDate('2022-06-09'), documentCheckId, ...more },
          ]),
        ),
      );
      return documentCheckId;
    };
    const strike = async (recordId: string) =>
      strikeEntry(club.ports, club.actor('dispatcher'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        kind: 'document-check',
        recordId,
        why: 'Slip',
        password: PASSWORD,
      });
    const first = await seen(change);
    const verdict = (await row())?.verdict;
    expect(bad(await strike(first))).toMatchObject({ code: 'invalid', problems: [{ path: 'recordId' }] });
    expect((await row())?.verdict).toBe(verdict);
    club.ports.at = addSeconds(club.ports.at, 60);
    // A member does not make good what was missing: the dispatcher looks.
    await seen({}, 'dispatcher');
    good(await strike(first));
    expect((await row())?.verdict).toBe('Released');
  });

  const block = randomUUID();
  async function flown(shown: string): Promise<string> {
    const flightId = randomUUID();
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: block,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        name: 'Block meter',
        unit: 'h',
        bills: true,
        counts: [
          { meter: 'time-in-service', standsAt: '4150.3' },
          { meter: 'propeller', standsAt: '900' },
        ],
        shows: '4150.3',
        wrapsAt: null,
      }),
    );
    good(
      await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
        ...NO_RECORDS,
        readings: [
          {
            id: randomUUID(),
            meter: 'engine',
            value: hours('1000'),
            happenedAt: club.ports.now(),
            recordedAt: club.ports.now(),
          },
        ],
      }),
    );
    const starts = addSeconds(club.ports.now(), 60);
    await plannedFlight(club, {}, { flightId: flightId, starts });
    good(
      await releaseAndLeave(club.ports, club.actor('dispatcher'), {
        flightId,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readings: [{ dial: block, shown: '4150.3' }],
        accepted: [],
        fuelAboard: [],
        oilAboard: null,
        remarks: null,
      }),
    );
    club.ports.at = addSeconds(club.ports.at, 7200);
    good(
      await checkIn(club.ports, club.actor('dispatcher'), {
        flightId,
        aircraftId: club.aircraftId,
        at: { date: civilDate('2026-11-24'), clock: '11:00' },
        readings: [{ dial: block, shown }],
        accepted: [`more-than-elapsed/${block}/${shown}`],
        ...NOTHING_TO_REPORT,
      }),
    );
    return flightId;
  }
  it('a wrong reading is struck out and written again; everything that followed from it follows', async () => {
    await flown('4160.3');
    expect((await due('100-hour'))?.left).toBe('48.4 h');
    const wrong =
      (await folderNow()).readings.find(
        ({ shown, stands }) => shown === '4160.3' && stands.startsWith('time in service'),
      )?.id ?? '';
    good(
      await correctReading(club.ports, club.actor('dispatcher'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readingId: wrong,
        shown: '4151.3',
        evenSo: false,
        why: 'A digit mistaken',
        password: PASSWORD,
      }),
    );
    expect((await due('100-hour'))?.left).toBe('57.4 h');
    const { dials, readings } = await folderNow();
    expect(dials[0]).toMatchObject({
      shows: '4151.3 h',
      counts: [{ stands: '4151.3 h' }, { stands: '901.0 h' }],
    });
    expect(
      readings
        .filter(({ struck }) => struck !== null)
        .map(({ stands, struck }) => [stands, struck?.why])
        .sort(),
    ).toEqual([
      ['engine time 1010.0 h', 'A digit mistaken'],
      ['propeller time 910.0 h', 'A digit mistaken'],
      ['time in service 4160.3 h', 'A digit mistaken'],
    ]);
    expect(readings.filter(({ struck }) => struck === null).map(({ stands }) => stands)).toContain(
      'engine time 1001.0 h',
    );
    const day = await inTx((tx) =>
      sheet(tx, club.clubId, 'N02TB', civilDate('2026-11-24'), club.ports.now()),
    );
    expect(day?.flights[0]).toMatchObject({
      billed: '1.0 h',
      meters: [{ out: '4150.3', in: '4151.3', ran: '1.0 h', corrected: true }],
    });
  });
  it('a reading of a dial that counts towards two meters is corrected for both, also without a flight', async () => {
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: block,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        name: 'Block meter',
        unit: 'h',
        bills: true,
        counts: [
          { meter: 'time-in-service', standsAt: '4510.3' },
          { meter: 'propeller', standsAt: '900' },
        ],
        shows: '4510.3',
        wrapsAt: null,
      }),
    );
    const wrong =
      (await folderNow()).readings.find(({ stands }) => stands === 'propeller time 900.0 h')?.id ?? '';
    good(
      await correctReading(club.ports, club.actor('dispatcher'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readingId: wrong,
        shown: '4150.3',
        evenSo: false,
        why: 'Two digits swapped',
        password: PASSWORD,
      }),
    );
    expect((await folderNow()).dials[0]).toMatchObject({
      shows: '4150.3 h',
      counts: [{ stands: '4150.3 h' }, { stands: '540.0 h' }],
    });
  });
  it.each([
    ['no figure', 'x', 'shown'],
    ['nothing', '', 'shown'],
  ])('refuses %s', async (_, shown, path) => {
    await flown('4151.3');
    const reading = (await folderNow()).readings[0]?.id ?? '';
    expect(
      bad(
        await correctReading(club.ports, club.actor('dispatcher'), {
          strikeId: randomUUID(),
          aircraftId: club.aircraftId,
          seenRevision: await revision(),
          readingId: reading,
          shown,
          evenSo: false,
          why: 'Slip',
          password: PASSWORD,
        }),
      ),
    ).toMatchObject({ problems: [{ path }] });
  });
});
