// What the tests of dispatch are made of. For tests only.
import { randomUUID } from 'node:crypto';
import type { CheckIn, CheckOut } from '@/contracts/flights/dispatch';
import { addSeconds } from '@/core/time/instant';
import { wallClock } from '@/core/time/zone';
import { inClub } from '@/db/kernel/club-transaction';
import { line } from '@/queries/aircraft/line';
import { good, testClub } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { addDial } from '@/commands/meters/dials';
import { checkIn } from '@/commands/flights/check-in';
import { releaseAndLeave } from '@/testing/flight-release';

export let club: Awaited<ReturnType<typeof testClub>>;
export const block = randomUUID();
export const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
export const row = async () => (await inTx((tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
export const revision = async () => (await row())?.revision ?? 0;
export const planned = (change: Parameters<typeof plannedFlight>[1] = {}, person = 'R. Dane') =>
  plannedFlight(club, { person, ...change });
export const leave = async (flightId: string, shown: string, change: Partial<CheckOut> = {}) =>
  releaseAndLeave(club.ports, club.actor('dispatcher'), {
    flightId,
    aircraftId: club.aircraftId,
    seenRevision: await revision(),
    readings: [{ dial: block, shown }],
    accepted: [],
    fuelAboard: [],
    oilAboard: null,
    remarks: null,
    ...change,
  });
export const comeBack = (flightId: string, shown: string, change: Partial<CheckIn> = {}) =>
  checkIn(club.ports, club.actor('dispatcher'), {
    flightId,
    aircraftId: club.aircraftId,
    at: wall(),
    readings: [{ dial: block, shown }],
    accepted: [],
    airborne: null,
    landings: 2,
    towLaunches: null,
    fuelAdded: null,
    oilAdded: null,
    remarks: 'nothing-to-report',
    defects: [],
    ...change,
  });
export const wall = (by = 0) => {
  const { date, hour, minute } = wallClock(addSeconds(club.ports.now(), by), club.place.zone);
  return { date, clock: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}` };
};
export const later = (seconds: number) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
export const timeInService = async () =>
  (await inTx(
    async (tx) =>
      (
        await tx
          .selectFrom('meter_reading')
          .select((select) => select.fn.max('value_s').as('most'))
          .where('aircraft_id', '=', club.aircraftId)
          .where('meter', '=', 'time-in-service')
          .executeTakeFirstOrThrow()
      ).most,
  )) as unknown as number;
export let start = 0;
export const text = (seconds: number) => (seconds / 3600).toFixed(2);
/** Puts a meter into the panel that shows the time in service, and that flights are billed by. */
export async function fitBlock(): Promise<void> {
  good(
    await addDial(club.ports, club.actor('mechanic'), {
      dialId: block,
      aircraftId: club.aircraftId,
      seenRevision: 1,
      name: 'Block meter',
      unit: 'h',
      bills: true,
      counts: [{ meter: 'time-in-service', standsAt: text(start) }],
      shows: text(start),
      wrapsAt: null,
    }),
  );
}
/** What each test begins with. */
export async function freshDesk(): Promise<void> {
  club = await testClub();
  start = await timeInService();
  await fitBlock();
}
/** Another club instead of the one that the test began with. */
export async function useClub(...given: Parameters<typeof testClub>): Promise<void> {
  club = await testClub(...given);
}
