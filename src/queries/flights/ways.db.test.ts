import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { restrict } from '@/commands/flights/dispatch-restriction';
import { loadFolder } from '@/commands/kernel/load-folder';
import { NO_RECORDS } from '@/commands/kernel/load-records';
import { addSeconds } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { cleanCase } from '@/testing/clean-case';
import { good, testClub } from '@/testing/database';
import { inClub } from '@/db/kernel/club-transaction';
import { plannedFlight } from '@/testing/planned-flight';
import { othersOf } from '../../../tools/cases/other-records';
import { waysFor } from './ways';

let club: Awaited<ReturnType<typeof testClub>>;

let other = '';
const HOUR = 3600;

/** A second aircraft of the same type, as good as the first. */
async function secondAircraft(): Promise<string> {
  const { facts } = cleanCase();
  const aircraftId = randomUUID();
  const own = <R extends { readonly id: string }>(record: R): R => ({ ...record, id: randomUUID() });
  good(
    await loadFolder(club.ports, club.actor('dispatcher'), {
      aircraftId,
      registration: 'N0ZTB',
      typeName: 'Quorin 160',
      category: facts.aircraft.category,
      firstFlownOn: facts.aircraft.firstFlownOn,
      approvedFor: facts.aircraft.approvedFor,
      features: null,
      particulars: facts.aircraft.particulars,
      ...NO_RECORDS,
      documents: facts.documents.map((document) => ({
        ...own(document),
        ...('registrationShown' in document ? { registrationShown: 'N0ZTB' } : {}),
        keptWhere: 'pouch',
      })),
      inspections: facts.inspections.map(own),
      readings: facts.readings.map(own),
      others: othersOf(facts, randomUUID),
    }),
  );
  return aircraftId;
}
const ways = (flightId: string) =>
  inClub(club.ports.db, club.clubId, (tx) => waysFor(tx, club.clubId, flightId, club.ports.now()));
/** Closes the first aircraft for today. */
const closeToday = async () =>
  good(
    await restrict(club.ports, club.actor('instructor'), {
      restrictionId: randomUUID(),
      aircraftId: club.aircraftId,
      why: 'rough running',
      closes: [],
      until: civilDateAt(club.ports.now(), club.place.zone),
    }),
  );

beforeEach(async () => {
  club = await testClub();
  other = await secondAircraft();
});

describe('what would let a flight go', () => {
  it('is nothing where it can, and no answer where it is not planned or has begun', async () => {
    const flight = await plannedFlight(club);
    expect(await ways(flight)).toMatchObject({ answer: 'yes', acts: [], others: [], times: [] });
    club.ports.at = addSeconds(club.ports.at, 2 * HOUR);
    expect(await ways(flight)).toBeNull();
    expect(await ways(randomUUID())).toBeNull();
  });

  it('is another aircraft of the same type, tomorrow, or an act', async () => {
    const flight = await plannedFlight(club);
    await closeToday();
    const found = await ways(flight);
    expect(found?.answer).toBe('no');
    expect(found?.others).toEqual([
      expect.objectContaining({
        aircraftId: other,
        registration: 'N0ZTB',
        isSameType: true,
        why: expect.stringContaining('same type, available for as much or more, free then') as string,
      }),
    ]);
    expect(found?.times.map(({ kind }) => kind)).toEqual(['later']);
    expect(found?.acts).toEqual([expect.stringContaining('Withdraw the dispatch restriction')]);
  });

  it('is no aircraft that is taken then', async () => {
    const flight = await plannedFlight(club);
    await closeToday();
    await plannedFlight(club, { aircraftId: other }, { starts: addSeconds(club.ports.now(), HOUR) });
    expect((await ways(flight))?.others).toEqual([]);
  });

  it('is no aircraft of another club', async () => {
    const flight = await plannedFlight(club);
    const theirs = await testClub();
    expect(
      await inClub(theirs.ports.db, theirs.clubId, (tx) =>
        waysFor(tx, theirs.clubId, flight, theirs.ports.now()),
      ),
    ).toBeNull();
  });
});
