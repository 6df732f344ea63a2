import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { enterPermitSchema } from '@/contracts/maintenance/permit';
import { decide } from '@/core/decision/decide';
import { hours } from '@/core/quantities/hours';
import { UNSAID, type PlannedFlight } from '@/core/records/flights/planned-flight';
import { addSeconds } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { enterPermit } from './enter-permit';

let club: Awaited<ReturnType<typeof testClub>>;
type Role = Parameters<typeof club.actor>[0];
const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const page = async () => {
  const shown = await inTx((tx) => aircraftPage(tx, club.actor('mechanic'), 'N02TB', club.ports.now()));
  if (shown === null) throw new Error('no page');
  return shown;
};
const enter = async (change: object = {}, role: Role = 'mechanic') =>
  enterPermit(
    club.ports,
    club.actor(role),
    enterPermitSchema.parse({
      permitId: randomUUID(),
      aircraftId: club.aircraftId,
      seenRevision: (await page()).revision,
      number: 'P-17',
      registrationShown: 'N02TB',
      validFrom: '2026-11-24',
      validUntil: '2026-11-26',
      untilTimeInService: null,
      aboard: true,
      conditions: 'To Cape Reach, by the shortest route',
      on: '2026-11-24',
      certificateId: club.certificateOf(role),
      password: PASSWORD,
      ...change,
    }),
  );
/** What a flight of a kind answers. */
const answer = async (change: Partial<PlannedFlight> = {}) => {
  const [stored] = await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true));
  if (stored === undefined) throw new Error('no aircraft');
  const now = club.ports.now();
  const flight: PlannedFlight = {
    id: randomUUID(),
    starts: addSeconds(now, 1800),
    ends: addSeconds(now, 5400),
    airborne: hours('0.8'),
    purpose: 'positioning-to-maintenance',
    crew: 'rated-pilot',
    rules: 'vfr',
    range: 'local',
    light: null,
    transponderAirspace: false,
    adsbAirspace: false,
    beyondGlideOverWater: false,
    passengers: false,
    ...UNSAID,
    ...change,
  };
  return decide(stored.facts, club.packs, flight, now).flight?.answer;
};

/** 14 CFR 21.197(a)(1) (from memory): a flight to where the aircraft is repaired, and nothing else. */
describe('a special flight permit', () => {
  beforeEach(async () => {
    // No annual is on record: grounded for everything.
    club = await testClub({ inspections: null });
  });
  it('opens the flight to the workshop and nothing else, from its first to its last day', async () => {
    expect(await answer()).toBe('no');
    good(await enter());
    expect(await answer()).toBe('yes');
    expect(await answer({ purpose: 'private-rental' })).toBe('no');
    expect(await answer({ passengers: true })).toBe('no');
    club.ports.at = addSeconds(club.ports.at, 4 * 86_400);
    expect(await answer()).toBe('no');
  });
  it.each([
    ['of another aircraft', { registrationShown: 'N03TB' }, 'registrationShown'],
    ['over before it begins', { validUntil: '2026-11-20' }, 'validUntil'],
    ['over already', { validFrom: '2026-11-01', validUntil: '2026-11-20' }, 'validUntil'],
    ['with a statement of a day to come', { on: '2026-11-30' }, 'on'],
  ])('%s is refused', async (_, change, path) => {
    const refused = bad(await enter(change));
    expect('problems' in refused ? refused.problems.map((one) => one.path) : []).toContain(path);
    expect(await answer()).toBe('no');
  });
  it('is signed by a mechanic, with their own certificate and password', async () => {
    expect(bad(await enter({}, 'instructor')).code).toBe('not-entitled');
    expect(bad(await enter({ certificateId: club.certificateOf('renter') })).code).toBe('not-entitled');
    expect(bad(await enter({ password: 'wrong' })).message).toContain('password');
  });
});
