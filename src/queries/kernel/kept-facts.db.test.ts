// What is kept between two looks at a fleet is never older than its records, and belongs to its club.
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { reportFinding } from '@/commands/findings/report-finding';
import { loadAircraft, raiseRevision } from '@/db/aircraft/aircraft-facts';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import { readClub } from '@/db/club/clubs';
import { inClub } from '@/db/kernel/club-transaction';
import type { ClubTransaction } from '@/db/kernel/connection';
import { good, testClub } from '@/testing/database';
import { keptFacts } from './kept-facts';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

const inTx = <T>(work: (tx: ClubTransaction) => Promise<T>, of = club) =>
  inClub(of.ports.db, of.clubId, work);
const kept = (what: 'present' | 'whole' = 'present', of = club) =>
  inTx(async (tx) => keptFacts(tx, await readClub(tx, of.clubId), null, what), of);
const read = (presentOnly: boolean) =>
  inTx(async (tx) => loadAircraft(tx, (await readClub(tx, club.clubId)).place, null, presentOnly));
/** Lists of records have no order of their own: equal is what holds the same. */
const sorted = (fleet: readonly StoredAircraft[]): unknown =>
  fleet.map(({ facts, ...rest }) => ({
    ...rest,
    facts: Object.fromEntries(
      Object.entries(facts).map(([name, value]) => [
        name,
        Array.isArray(value) ? value.map((one) => JSON.stringify(one)).toSorted() : value,
      ]),
    ),
  }));
const report = (what: string) =>
  reportFinding(club.ports, club.actor('student'), {
    findingId: randomUUID(),
    aircraftId: club.aircraftId,
    station: 'propeller',
    side: null,
    step: null,
    asListed: false,
    what,
    looks: 'not-right',
    foundAt: club.ports.now(),
  });

describe('facts that are kept between two looks', () => {
  it('are those of the records, the first time and every time after', async () => {
    expect(sorted(await kept())).toEqual(sorted(await read(true)));
    expect(sorted(await kept('whole'))).toEqual(sorted(await read(false)));
    const [before] = await kept();
    expect((await kept())[0]).toBe(before);
  });

  it('are read again once anything was recorded', async () => {
    const [before] = await kept();
    good(await report('A crack in the spinner'));
    const [after] = await kept();
    expect(after).not.toBe(before);
    expect(after?.facts.discrepancies.map(({ what }) => what)).toContain('A crack in the spinner');
    expect(sorted(await kept())).toEqual(sorted(await read(true)));
  });

  it('are never taken from a transaction that may yet undo what it wrote', async () => {
    await expect(
      inTx(async (tx) => {
        await raiseRevision(tx, club.aircraftId);
        return keptFacts(tx, await readClub(tx, club.clubId), null);
      }),
    ).rejects.toThrow('this one has written');
    expect(sorted(await kept())).toEqual(sorted(await read(true)));
  });

  it('are seen by their own club alone', async () => {
    await kept();
    const other = await testClub();
    expect((await kept('present', other)).map(({ aircraftId }) => aircraftId)).toEqual([other.aircraftId]);
    const foreign = await inTx(
      async (tx) => keptFacts(tx, await readClub(tx, other.clubId), club.aircraftId),
      other,
    );
    expect(foreign).toEqual([]);
  });

  it('are read again where the club moved its field', async () => {
    const [before] = await kept();
    const moved = await inTx(async (tx) => {
      const { place } = await readClub(tx, club.clubId);
      return keptFacts(tx, { place: { ...place, latitude: 44 } as typeof place }, null);
    });
    expect(moved[0]?.facts.place.latitude).toBe(44);
    expect((await kept())[0]?.facts.place).toEqual(before?.facts.place);
  });
});
