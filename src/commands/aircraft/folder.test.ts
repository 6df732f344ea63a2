import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { DocumentCheckRound } from '@/contracts/documents/document-check';
import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import { meterReading } from '@/core/metering/reading';
import { hours } from '@/core/quantities/hours';
import { knownAt, presentFor } from '@/core/records/facts';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { readHistory } from '@/db/kernel/ledger';
import { folder } from '@/queries/aircraft/folder';
import { line } from '@/queries/aircraft/line';
import { documentCheckList } from '@/queries/documents/document-check';
import { sheet } from '@/queries/flights/sheet';
import { entryPreview } from '@/queries/maintenance/entry-preview';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { checkDocuments } from '../documents/check-documents';
import { vouch } from '../documents/vouch';
import { acceptMark } from '../findings/accept-mark';
import { reportFinding } from '../findings/report-finding';
import { checkIn } from '../flights/check-in';
import { checkOut } from '../flights/check-out';
import type { Actor } from '../kernel/command';
import { loadRecords, NO_RECORDS } from '../kernel/load-records';
import { clearList } from '../maintenance/clear-list';
import { strikeEntry } from '../maintenance/corrections';
import { recordEntry } from '../maintenance/record-entry';
import { correctReading } from '../meters/correct-reading';
import { addDial } from '../meters/dials';
import { attributeUnlogged } from '../meters/unlogged';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const row = async () => (await inTx((tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
const revision = async () => (await row())?.revision ?? 0;
const folderNow = async (role: Parameters<typeof club.actor>[0] = 'mechanic') => {
  const found = await inTx((tx) => folder(tx, club.actor(role), 'N02TB', club.ports.now()));
  if (found === null) throw new Error('there is no such folder');
  return found;
};
const due = async (name: string) => (await folderNow()).due.find((one) => one.name === name);

const hundred = (timeInService: string, change: object = {}): SignedEntry['draft'] =>
  ({
    of: 'inspection',
    kind: 'hundred-hour',
    completedOn: civilDate('2026-11-24'),
    timeInService: hours(timeInService),
    outcome: 'approved',
    excess: null,
    testedToFeet: null,
    ...change,
  }) as SignedEntry['draft'];
const own = (role: Parameters<typeof club.certificateOf>[0] = 'mechanic') => ({
  by: 'own-certificate' as const,
  certificateId: club.certificateOf(role),
});
const copied = {
  by: 'copied-from-logbook' as const,
  name: 'Ida Quell',
  kind: 'inspection-authorisation' as const,
  number: 'IA-0417',
  validFrom: civilDate('2025-04-01'),
  validUntil: civilDate('2027-03-31'),
};
const record = async (
  draft: SignedEntry['draft'],
  change: Partial<SignedEntry> = {},
  actor: Actor = club.actor('mechanic'),
) =>
  recordEntry(club.ports, actor, {
    entryId: randomUUID(),
    aircraftId: club.aircraftId,
    seenRevision: change.seenRevision ?? (await revision()),
    draft,
    description: 'Inspected as the programme says.',
    signer: own(),
    aboveMeter: false,
    password: PASSWORD,
    ...change,
  });
const preview = (draft: SignedEntry['draft']) =>
  inTx((tx) => entryPreview(tx, club.clubId, { aircraftId: club.aircraftId, draft }, club.ports.now()));

/** Two mechanics sign an entry at the same moment, both having seen the same revision. */
async function signTwiceAtOnce(seenRevision: number): Promise<void> {
  const entry = (signer: SignedEntry['signer']) => ({ seenRevision, signer });
  const second: Actor = { ...club.actor('instructor'), roles: ['mechanic'] };
  const answers = await Promise.all([
    record(hundred('4150.3'), entry(own())),
    record(hundred('4150.3'), entry({ ...copied, kind: 'mechanic-airframe-powerplant' }), second),
  ]);
  expect([
    seenRevision,
    answers.map((answer) => (answer.ok ? 'signed' : answer.refusal.code)).sort(),
  ]).toEqual([seenRevision, ['conflict', 'signed']]);
  const conflict = answers.flatMap((answer) => (answer.ok ? [] : [answer.refusal]))[0];
  expect(
    conflict?.code === 'conflict' ? [conflict.revision, conflict.changes.map(({ act }) => act)] : [],
  ).toEqual([seenRevision + 1, ['record-entry']]);
}

describe('recording an inspection', () => {
  it('shows the sum before it is signed, and that sum holds afterwards', async () => {
    expect((await preview(hundred('4150.3')))?.moved).toEqual([
      { name: '100-hour', before: '4208.7 h', after: '4250.3 h', sum: '4150.3 h + 100.0 h = 4250.3 h.' },
    ]);
    good(await record(hundred('4150.3')));
    expect(await due('100-hour')).toMatchObject({
      next: '4250.3 h',
      last: '4150.3 h',
      interval: 'every 100.0 h',
      left: '100.0 h',
      hoursLeft: 100,
    });
    expect((await folderNow()).logbook[0]).toMatchObject({
      title: '100-hour inspection',
      reading: '4150.3 h',
      description: 'Inspected as the programme says.',
      signed: 'The mechanic, A&P mechanic, AP-1',
      outcome: 'approved',
      struck: null,
    });
  });
  it('done late, what was flown over is taken off the next interval', async () => {
    good(
      await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
        ...NO_RECORDS,
        readings: [
          {
            id: randomUUID(),
            meter: 'time-in-service',
            value: hours('4215.2'),
            happenedAt: club.ports.now(),
            recordedAt: club.ports.now(),
          },
        ],
      }),
    );
    expect((await row())?.verdict).not.toBe('Released');
    const moved = (await preview(hundred('4215.2')))?.moved.find(({ name }) => name === '100-hour');
    expect(moved).toEqual({
      name: '100-hour',
      before: '4208.7 h',
      after: '4308.7 h',
      sum: 'Done at 4215.2 h, which was 6.5 h late: 4215.2 h + 100.0 h − 6.5 h = 4308.7 h.',
    });
    good(await record(hundred('4215.2')));
    expect((await due('100-hour'))?.next).toBe('4308.7 h');
    expect((await row())?.verdict).toBe('Released');
  });
  it('an annual holds to the end of its month and stands in for the 100-hour inspection; a mechanic’s own certificate does not sign it', async () => {
    const annual = hundred('4150.3', { kind: 'annual' });
    expect((await preview(annual))?.moved.map(({ name, after, sum }) => [name, after, sum])).toEqual([
      ['100-hour', '4250.3 h', '4150.3 h + 100.0 h = 4250.3 h. The annual inspection stands in for it.'],
      ['annual', '30 Nov 2027', '24 Nov 2026 and 12 calendar months, to the end of that month: 30 Nov 2027.'],
    ]);
    expect(bad(await record(annual))).toMatchObject({ code: 'invalid', problems: [{ path: 'signer' }] });
    const before = (await due('Annual'))?.next;
    good(await record(annual, { signer: copied }, club.actor('dispatcher')));
    // A copy says what somebody else signed: it opens nothing until somebody has compared it with the document.
    expect((await due('Annual'))?.next).toBe(before);
    expect((await folderNow()).logbook[0]).toMatchObject({ waits: true, vouchedBy: null });
    const waiting = (await folderNow()).logbook[0]?.id ?? '';
    const entry = async () => ({
      aircraftId: club.aircraftId,
      seenRevision: await revision(),
      records: [{ vouchId: randomUUID(), recordId: waiting }],
      note: 'Compared',
      password: PASSWORD,
    });
    for (const role of ['dispatcher', 'renter', 'instructor'] as const)
      expect(bad(await vouch(club.ports, club.actor(role), await entry())).code).toBe('not-entitled');
    expect(
      bad(await vouch(club.ports, club.actor('mechanic'), { ...(await entry()), password: 'not it' })).code,
    ).toBe('invalid');
    good(await vouch(club.ports, club.actor('mechanic'), await entry()));
    expect(bad(await vouch(club.ports, club.actor('administrator'), await entry())).code).toBe('invalid');
    expect((await folderNow()).logbook[0]).toMatchObject({ waits: false, vouchedBy: 'The mechanic' });
    expect((await due('Annual'))?.next).toBe('30 Nov 2027');
    expect((await folderNow()).logbook[0]?.signed).toBe('Ida Quell, IA, IA-0417');
  });
  it.each([
    ['without the reading that the record needs', { timeInService: null }, 'draft.timeInService'],
    ['of tomorrow', { completedOn: civilDate('2026-11-25') }, 'draft.completedOn'],
    [
      'before the certificate was valid',
      { completedOn: civilDate('2014-01-01'), timeInService: hours('100') },
      'signer',
    ],
  ])('refuses one %s', async (_, change, path) => {
    const refused = bad(await record(hundred('4150.3', change)));
    expect(refused).toMatchObject({ code: 'invalid' });
    expect(refused.code === 'invalid' ? refused.problems.map((one) => one.path) : []).toContain(path);
  });
  it('a slip beside the meter is asked or refused, and never carries the limit away', async () => {
    expect((await preview(hundred('4510.3')))?.aboveMeter).toBe(
      '4510.3 h is more than 4150.3 h, which is on record.',
    );
    expect(bad(await record(hundred('4510.3')))).toMatchObject({
      code: 'invalid',
      problems: [{ path: 'aboveMeter' }],
    });
    expect(bad(await record(hundred('4108.6', { completedOn: civilDate('2026-11-24') })))).toMatchObject({
      message: expect.stringContaining('contradicts') as string,
    });
    expect((await due('100-hour'))?.next).toBe('4208.7 h');
    good(await record(hundred('4151.0'), { aboveMeter: true }));
    expect((await due('100-hour'))?.next).toBe('4251.0 h');
  });
  it('hours of which only an entry tells are unlogged time: it is listed, and what no meter shows goes on with it; struck out, all of that goes', async () => {
    const reading = (meter: 'engine' | 'landings' | 'time-in-service', value: number) => ({
      ...meterReading(randomUUID(), meter, value, addSeconds(club.ports.now(), -3600), club.ports.now()),
    });
    good(
      await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
        ...NO_RECORDS,
        readings: [reading('engine', 3_600_000), reading('landings', 500)],
      }),
    );
    club.ports.at = addSeconds(club.ports.at, 60);
    const stands = async () => {
      const facts = (await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true)))[0]?.facts;
      const known = facts === undefined ? null : knownAt(facts, presentFor(facts, club.ports.now()), 'us');
      return [known?.accounted.engine, known?.accounted.landings, known?.meters.landings].map((one) =>
        one?.state === 'known' ? one.value : one?.state,
      );
    };
    expect(await stands()).toEqual([3_600_000, 500, 500]);
    const entryId = randomUUID();
    good(await record(hundred('4151.3'), { aboveMeter: true, entryId }));
    expect(await stands()).toEqual([3_603_600, 500, 530]);
    expect((await folderNow()).unlogged).toMatchObject([
      {
        name: 'time in service, as a signed entry has it',
        from: '4150.3 h',
        to: '4151.3 h',
        length: '1.0 h',
        asks: ['landings'],
        struck: null,
      },
    ]);
    club.ports.at = addSeconds(club.ports.at, 60);
    good(
      await strikeEntry(club.ports, club.actor('mechanic'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        kind: 'inspection',
        recordId: entryId,
        why: 'Other aircraft',
        password: PASSWORD,
      }),
    );
    expect(await stands()).toEqual([3_600_000, 500, 500]);
    expect((await folderNow()).unlogged).toMatchObject([{ asks: [], struck: { why: 'Other aircraft' } }]);
    expect(
      bad(
        await attributeUnlogged(club.ports, club.actor('dispatcher'), {
          attributionId: randomUUID(),
          aircraftId: club.aircraftId,
          unlogged: (await folderNow()).unlogged[0]?.id ?? '',
          to: 'R. Dane',
          note: null,
          landings: 1,
          towLaunches: null,
        }),
      ).code,
    ).toBe('not-found');
  });
  it.each([
    ['a renter', 'renter', 'not-entitled'],
    ['a dispatcher by a certificate of their own', 'dispatcher', 'not-entitled'],
    ['an instructor, whose certificate does not', 'instructor', 'invalid'],
  ] as const)('%s does not sign', async (_, role, code) => {
    expect(bad(await record(hundred('4150.3'), { signer: own(role) }, club.actor(role)))).toMatchObject({
      code,
    });
  });
  it('nor does somebody with another’s certificate, or the wrong password', async () => {
    expect(bad(await record(hundred('4150.3'), { signer: own('instructor') }))).toMatchObject({
      code: 'not-entitled',
    });
    expect(bad(await record(hundred('4150.3'), { password: 'x' }))).toMatchObject({
      problems: [{ path: 'password' }],
    });
  });
  it('an answer that got lost is given again', async () => {
    const entryId = randomUUID();
    const seenRevision = await revision();
    good(await record(hundred('4150.3'), { entryId, seenRevision }));
    expect(good(await record(hundred('4150.3'), { entryId, seenRevision }))).toEqual({
      entryId,
      revision: seenRevision + 1,
    });
    expect(
      (await inTx((tx) => readHistory(tx, club.aircraftId, 9))).filter(({ act }) => act === 'record-entry'),
    ).toHaveLength(1);
  });
  // Twenty on each of ten aircraft: what an aircraft has on record is read again at each.
  it('two sign at once, two hundred times: one succeeds, the other is shown what happened', async () => {
    for (let aircraft = 0; aircraft < 10; aircraft += 1) {
      club = await testClub();
      for (let round = 0; round < 20; round += 1) await signTwiceAtOnce(1 + round);
      expect((await folderNow()).revision).toBe(21);
    }
  }, 120_000);
});

describe('an inspection that did not approve the aircraft', () => {
  const listed = async () => {
    const entryId = randomUUID();
    good(await record(hundred('4150.3', { outcome: 'discrepancies-listed' }), { entryId }));
    return entryId;
  };
  it('closes what needs it until its list is cleared, also on a later day', async () => {
    const inspection = await listed();
    expect((await row())?.verdict).not.toBe('Released');
    expect((await folderNow()).openLists).toMatchObject([{ id: inspection }]);
    club.ports.at = addSeconds(club.ports.at, 2 * 86_400);
    const clear = async (change: object = {}) =>
      clearList(club.ports, club.actor('mechanic'), {
        clearanceId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        inspection,
        on: civilDate('2026-11-26'),
        description: 'Both items corrected.',
        certificateId: club.certificateOf('mechanic'),
        password: PASSWORD,
        ...change,
      });
    expect(bad(await clear({ on: civilDate('2026-11-23') }))).toMatchObject({ problems: [{ path: 'on' }] });
    expect(bad(await clear({ on: civilDate('2026-11-27') }))).toMatchObject({ problems: [{ path: 'on' }] });
    good(await clear());
    expect((await row())?.verdict).toBe('Released');
    expect((await folderNow()).openLists).toEqual([]);
    expect(bad(await clear())).toMatchObject({ code: 'not-found' });
  });
  it('is not struck out by somebody who could not have said the opposite', async () => {
    const inspection = await listed();
    const strike = async (role: 'dispatcher' | 'mechanic') =>
      strikeEntry(club.ports, club.actor(role), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        kind: 'inspection',
        recordId: inspection,
        why: 'Other aircraft',
        password: PASSWORD,
      });
    expect(bad(await strike('dispatcher'))).toMatchObject({ code: 'not-entitled' });
    expect((await row())?.verdict).not.toBe('Released');
    good(await strike('mechanic'));
    expect((await row())?.verdict).toBe('Released');
  });
});

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
      await checkOut(club.ports, club.actor('dispatcher'), {
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
        airborne: null,
        landings: 1,
        towLaunches: null,
        fuelAdded: null,
        oilAdded: null,
        remarks: 'nothing-to-report',
        defects: [],
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

const paper = (
  kind: DocumentCheckRound['documentChecks'][number]['kind'],
): DocumentCheckRound['documentChecks'][number] => ({
  documentCheckId: randomUUID(),
  kind,
  keptWhere: 'pouch behind the left seat',
  number: null,
  aboard: true,
  legible: true,
  displayed: null,
  registrationShown: null,
  serialShown: null,
  issuedOn: null,
  printedExpiry: null,
  form: null,
  revision: null,
  placards: null,
  datedOn: null,
  tankFitted: null,
  temporary: null,
});
const round = (documentChecks: DocumentCheckRound['documentChecks']): DocumentCheckRound => ({
  aircraftId: club.aircraftId,
  seenAt: club.ports.now(),
  documentChecks,
});

describe('a document check round', () => {
  it('what is missing closes at once, and what a member finds again waits for somebody entitled', async () => {
    good(
      await checkDocuments(
        club.ports,
        club.actor('student'),
        round([{ ...paper('weight-and-balance'), aboard: false, legible: null }]),
      ),
    );
    expect(await row()).toMatchObject({ verdict: 'Grounded' });
    expect((await folderNow()).papers.find(({ kind }) => kind === 'weight-and-balance')).toMatchObject({
      state: 'missing',
      seen: expect.stringContaining('by The student') as string,
      keptWhere: 'pouch behind the left seat',
    });
    club.ports.at = addSeconds(club.ports.at, 60);
    const { waiting } = good(
      await checkDocuments(
        club.ports,
        club.actor('renter'),
        round([{ ...paper('weight-and-balance'), datedOn: civilDate('2022-06-09') }]),
      ),
    );
    expect([waiting.length, (await row())?.verdict]).toEqual([1, 'Grounded']);
    good(
      await vouch(club.ports, club.actor('dispatcher'), {
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        records: waiting.map((recordId) => ({ vouchId: randomUUID(), recordId })),
        note: null,
        password: PASSWORD,
      }),
    );
    expect((await row())?.verdict).toBe('Released');
  });
  it.each([
    [
      'registration of another aircraft',
      {
        ...paper('registration-certificate'),
        registrationShown: 'N03TB',
        issuedOn: civilDate('2024-05-14'),
        printedExpiry: civilDate('2031-05-31'),
      },
    ],
    [
      'manual for another serial number',
      {
        ...paper('operating-limitations'),
        form: 'flight-manual' as const,
        revision: '7',
        serialShown: 'TB-9999',
        placards: true,
      },
    ],
    [
      'certificate out of view',
      { ...paper('airworthiness-certificate'), registrationShown: 'N02TB', displayed: false },
    ],
    ['certificate that shows nothing readable', { ...paper('registration-certificate'), legible: false }],
  ])('a %s grounds it', async (_, seen) => {
    good(await checkDocuments(club.ports, club.actor('student'), round([seen])));
    expect((await row())?.verdict).toBe('Grounded');
  });
  // 14 CFR 47.31(c): from memory.
  it('a copy of the application for registration holds for 90 days and no longer, and a member’s word does not make a certificate of it', async () => {
    const copy = {
      ...paper('registration-certificate'),
      registrationShown: 'N02TB',
      issuedOn: civilDate('2026-11-20'),
      temporary: true,
    };
    good(await checkDocuments(club.ports, club.actor('dispatcher'), round([copy])));
    const documents = async () =>
      inTx((tx) => documentCheckList(tx, 'N02TB')).then((list) =>
        list?.papers.find(({ kind }) => kind === 'registration-certificate'),
      );
    expect([
      (await row())?.verdict,
      (await documents())?.lastWords,
      (await documents())?.last.temporary,
    ]).toEqual(['Restricted', 'copy of the application, of 20 Nov 2026', true]);
    club.ports.at = addSeconds(club.ports.at, 60);
    const { waiting } = good(
      await checkDocuments(
        club.ports,
        club.actor('renter'),
        round([
          {
            ...copy,
            documentCheckId: randomUUID(),
            temporary: false,
            printedExpiry: civilDate('2033-11-30'),
          },
        ]),
      ),
    );
    expect([waiting.length, (await row())?.verdict]).toEqual([1, 'Grounded']);
  });
  it('sent twice is recorded once, and somebody without a role records nothing', async () => {
    const entry = round([{ ...paper('radio-licence') }]);
    expect(good(await checkDocuments(club.ports, club.actor('student'), entry)).revision).toBe(2);
    expect(good(await checkDocuments(club.ports, club.actor('student'), entry)).revision).toBe(2);
    expect(
      bad(
        await checkDocuments(
          club.ports,
          { ...club.actor('student'), roles: [] },
          round([paper('radio-licence')]),
        ),
      ),
    ).toMatchObject({ code: 'not-entitled' });
  });
  it('asks for every kind of document, with what it said last time', async () => {
    const list = await inTx((tx) => documentCheckList(tx, 'N02TB'));
    expect(list?.papers).toHaveLength(6);
    expect(list).toMatchObject({
      serialNumber: 'TB-0217',
      papers: [
        {},
        { lastWords: 'issued 14 May 2024, expires 31 May 2031' },
        { lastWords: 'revision 7' },
        { lastWords: 'dated 9 Jun 2022' },
        {},
        {},
      ],
    });
  });
});

describe('a known mark', () => {
  const accept = async (role: 'mechanic' | 'instructor' | 'renter', change: object = {}) =>
    acceptMark(club.ports, club.actor(role), {
      markId: randomUUID(),
      aircraftId: club.aircraftId,
      seenRevision: await revision(),
      what: 'Blended nick, 4 mm, front edge',
      station: 'propeller',
      side: null,
      x: 500,
      y: 62,
      certificateId: club.certificateOf(role),
      password: PASSWORD,
      ...change,
    });
  it('is accepted by the person who may judge, shown in its place, and struck out like any entry', async () => {
    const { markId } = good(await accept('mechanic'));
    club.ports.at = addSeconds(club.ports.at, 60);
    good(await accept('instructor', { what: 'Old ding', station: 'wing', side: 'left', x: 200, y: 260 }));
    expect((await folderNow()).marks).toMatchObject([
      {
        what: 'Blended nick, 4 mm, front edge',
        x: 500,
        acceptedBy: 'The mechanic',
        acceptedOn: '2026-11-24',
      },
      { what: 'Old ding' },
    ]);
    expect((await row())?.verdict).toBe('Released');
    good(
      await strikeEntry(club.ports, club.actor('mechanic'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        kind: 'known-mark',
        recordId: markId,
        why: 'New blade',
        password: PASSWORD,
      }),
    );
    expect((await folderNow()).marks.map(({ what }) => what)).toEqual(['Old ding']);
  });
  it('closes no finding', async () => {
    good(
      await reportFinding(club.ports, club.actor('student'), {
        findingId: randomUUID(),
        aircraftId: club.aircraftId,
        station: 'propeller',
        side: null,
        step: 'K217',
        asListed: true,
        what: 'Nick',
        looks: 'not-right',
        foundAt: club.ports.now(),
      }),
    );
    good(await accept('mechanic'));
    expect((await row())?.verdict).toBe('Grounded');
  });
  it('is not accepted by a renter, without the password, or by another’s certificate', async () => {
    expect([
      bad(await accept('renter')).code,
      bad(await accept('mechanic', { password: 'x' })).code,
      bad(await accept('mechanic', { certificateId: club.certificateOf('instructor') })).code,
    ]).toEqual(['not-entitled', 'invalid', 'not-entitled']);
  });
});
