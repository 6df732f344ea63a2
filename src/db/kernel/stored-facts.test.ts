import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadRecords, NO_RECORDS } from '@/commands/kernel/load-records';
import { reportFinding } from '@/commands/findings/report-finding';
import { decide } from '@/core/decision/decide';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds, type Instant } from '@/core/time/instant';
import { cleanCase } from '@/testing/clean-case';
import { good, testClub } from '@/testing/database';
import { readingOnRecord } from '@/testing/planned-flight';
import { decisionDocument } from '@/explain/decision-document';
import { loadAircraft, loadForMeters } from '../aircraft/aircraft-facts';
import { inClub } from './club-transaction';
import { insertFlown } from '../flights/insert-flights';
import { appendToLedger } from './ledger';
import { keepStanding } from '../meters/standings';
import { goneAgain, superuser, twoClubs } from '@/testing/two-clubs';
import { newNick } from '@/testing/entries';

const NO_WAYS = { flight: null, wanted: null, release: null };
beforeAll(twoClubs);
afterAll(goneAgain);

describe('facts in the database', () => {
  it('give the very decision that the same case file gives', async () => {
    // A club of its own: a flight that another test left unread would count.
    const club = await testClub();
    const { facts, packs, asOf } = cleanCase();
    const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
      loadAircraft(tx, club.place, club.aircraftId, false),
    );
    if (stored === undefined) throw new Error('no aircraft');
    const told = (given: typeof facts) =>
      JSON.stringify(decisionDocument(decide(given, packs, null, asOf), facts.place.zone, NO_WAYS)).replace(
        /"records":\[[^\]]*\]/g,
        '"records":[]',
      );
    expect(told(stored.facts)).toBe(told(facts));
  });

  it('a list that reads only what matters now answers as one that reads everything', async () => {
    const club = await testClub();
    const both = async () => {
      const answers = [];
      for (const presentOnly of [true, false]) {
        const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
          loadAircraft(tx, club.place, club.aircraftId, presentOnly),
        );
        if (stored === undefined) throw new Error('no aircraft');
        answers.push({
          readings: stored.facts.readings.length,
          answer: decisionDocument(
            decide(stored.facts, club.packs, null, club.ports.now()),
            club.place.zone,
            NO_WAYS,
          ),
        });
      }
      return answers;
    };
    const read = async (value: string) => {
      club.ports.at = addSeconds(club.ports.at, 60);
      await readingOnRecord(club, value);
    };
    await read('4151');
    await read('4152');
    const [short, whole] = await both();
    expect([short?.readings, whole?.readings, short?.answer]).toEqual([1, 3, whole?.answer]);
    // The person who judges whether readings agree needs all of them.
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => loadForMeters(tx, club.place, club.aircraftId)))
        ?.facts.readings,
    ).toHaveLength(3);
    await read('4150');
    const [disputed, all] = await both();
    expect([disputed?.readings, disputed?.answer.verdict, disputed?.answer]).toEqual([
      4,
      'Grounded',
      all?.answer,
    ]);
    await read('4153');
    expect((await both())[0]?.answer.verdict).toBe('Grounded');
  });

  it('every flight whose meters nobody read counts, not only the last one', async () => {
    const club = await testClub();
    // As a list of flights brings them in: nobody read the meters at either end.
    const flown = async (first: Instant) => {
      const flights = [0, 1, 2].map((at) => ({
        id: randomUUID(),
        aircraftId: club.aircraftId,
        personName: 'R. Dane',
        purpose: null,
        crew: null,
        readings: [],
        fuelAboard: null,
        oilAboard: null,
        remarks: null,
        leftAt: addSeconds(first, at * 7200),
        recordedAt: club.ports.at,
        returned: {
          readings: [],
          landings: 1,
          towLaunches: null,
          billed: null,
          billedFrom: null,
          fuelAdded: null,
          oilAdded: null,
          report: { kind: 'nothing-to-report' as const },
          at: addSeconds(first, at * 7200 + 3600),
          recordedAt: club.ports.at,
        },
      }));
      await inClub(club.ports.db, club.clubId, async (tx) => {
        await insertFlown(tx, club.clubId, club.aircraftId, 'x', flights);
        await keepStanding(
          tx,
          club.clubId,
          2,
          {
            aircraftId: club.aircraftId,
            agrees: true,
            openFlights: [],
            lastReturn: flights.at(-1)?.id ?? null,
          },
          club.ports.at,
        );
        await appendToLedger(
          tx,
          {
            clubId: club.clubId,
            aircraftId: null,
            revision: null,
            act: 'load-records',
            actor: { personId: 'x', name: 'X' },
            recordedAt: club.ports.at,
            record: {},
          },
          club.ports.sha256,
        );
      });
    };
    const stands = async (presentOnly: boolean) => {
      const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
        loadAircraft(tx, club.place, club.aircraftId, presentOnly),
      );
      if (stored === undefined) throw new Error('no aircraft');
      return decide(stored.facts, club.packs, null, club.ports.now()).meters['time-in-service'] ?? 0;
    };
    const before = await stands(true);
    await flown(addSeconds(club.ports.at, -18_000));
    expect([(await stands(true)) - before, (await stands(false)) - before]).toEqual([3 * 3600, 3 * 3600]);
  });

  it('a registration that ended stays ended on the Line though its document was seen aboard once more', async () => {
    const club = await testClub();
    const { facts } = cleanCase();
    const paper = facts.documents.find((document) => document.kind === 'registration-certificate');
    if (paper?.kind !== 'registration-certificate') throw new Error('no registration');
    const sighted = (change: object) => ({
      ...paper,
      id: randomUUID(),
      keptWhere: null,
      recordedAt: club.ports.at,
      ...change,
    });
    const load = async (change: object) => {
      good(
        await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
          ...NO_RECORDS,
          documents: [sighted(change)],
        }),
      );
    };
    await load({
      happenedAt: addSeconds(club.ports.at, -7200),
      ended: { on: civilDate('2026-11-20'), because: 'ownership-transferred' },
    });
    await load({ happenedAt: addSeconds(club.ports.at, -3600) });
    for (const presentOnly of [true, false]) {
      const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
        loadAircraft(tx, club.place, club.aircraftId, presentOnly),
      );
      expect(
        stored === undefined
          ? null
          : decide(stored.facts, club.packs, null, club.ports.now()).constraints.map(
              ({ reason }) => reason.code,
            ),
      ).toEqual(['registration-ended']);
    }
  });

  it('a damaged value is an error, never a guess', async () => {
    const club = await testClub();
    const {
      rows: [was],
    } = await superuser.query<{ category: string }>(
      'select category from groval.aircraft where club_id = $1',
      [club.clubId],
    );
    await superuser.query(`update groval.aircraft set category = 'amphibian' where club_id = $1`, [
      club.clubId,
    ]);
    await expect(
      inClub(club.ports.db, club.clubId, (tx) => loadAircraft(tx, club.place, null, true)),
    ).rejects.toThrow('a stored category cannot be read: "amphibian"');
    await superuser.query('update groval.aircraft set category = $2 where club_id = $1', [
      club.clubId,
      was?.category,
    ]);
  });

  it('an entry that does not close its discrepancy leaves it open on the Line too', async () => {
    const club = await testClub();
    const findingId = randomUUID();
    good(await reportFinding(club.ports, club.actor('student'), { ...newNick(club), findingId }));
    const signatureId = randomUUID();
    const rectificationId = randomUUID();
    // Only somebody who switches the triggers off writes without the ledger; what they wrote is taken away again, so that it stays whole.
    await superuser.query(
      `set session_replication_role = replica; select set_config('groval.batch', gen_random_uuid()::text, false)`,
    );
    await superuser.query(
      `insert into groval.signature values ($1, $2, null, 'Nobody', 'pilot', 'P-1', '2015-01-01', null, true, now(), now())`,
      [club.clubId, signatureId],
    );
    await superuser.query(
      `insert into groval.rectification values ($1, $2, $3, 'repaired', 'Looks fine.', '2026-11-24', $4, false, now(), 'x')`,
      [club.clubId, rectificationId, findingId, signatureId],
    );
    const [line] = await inClub(club.ports.db, club.clubId, (tx) => loadAircraft(tx, club.place, null, true));
    await superuser.query('delete from groval.rectification where rectification_id = $1', [rectificationId]);
    await superuser.query('delete from groval.signature where signature_id = $1', [signatureId]);
    await superuser.query('reset session_replication_role');
    expect(line?.facts.discrepancies).toHaveLength(1);
  });
});
