import { knownAt, presentFor } from '@/core/records/facts';
import { METER_NAMES } from '@/core/records/meters/meters';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { loadForMeters } from '@/db/aircraft/aircraft-facts';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { lastReturned } from '@/db/flights/movements';
import { keepStanding, readStandings } from '@/db/meters/standings';

/** The flight that came back last of some: one that is written down late may have come back long ago. */
async function lastOf(tx: ClubTransaction, flights: readonly string[]): Promise<string | null> {
  if (flights.length < 2) return flights[0] ?? null;
  return lastReturned(tx, flights);
}

/** What moved: flights that left without coming back in the same breath, and those that came back, in order. */
export interface Moved {
  readonly out: readonly string[];
  readonly back: readonly string[];
}

/** Nobody left, and nobody came back. */
export const NOBODY: Moved = { out: [], back: [] };

/** After records that say what the meter showed were written, or flights: has the core look at all of them and keeps what it says, for the lists. */
export async function recordMeterStanding(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  revision: number,
  recordedAt: Instant,
  moved: Moved = NOBODY,
): Promise<void> {
  const [before] = await readStandings(tx, aircraftId);
  const { place, packs } = await readClub(tx, clubId);
  const stored = await loadForMeters(tx, place, aircraftId);
  if (stored === undefined) throw new Error(`aircraft ${aircraftId} is not there`);
  const { meters, readings } = knownAt(
    stored.facts,
    presentFor(stored.facts, recordedAt),
    authorityOf(packs),
  );
  // A meter that nobody ever read disagrees with nothing.
  const agrees = METER_NAMES.every(
    (meter) => meters[meter].state === 'known' || !readings.some((reading) => reading.meter === meter),
  );
  // Where nobody kept it before, all flights were read just now; else only those that are out, and the last.
  const open =
    before?.openFlights
    ?? stored.facts.flightsOut.filter(({ returned }) => returned === null).map(({ id }) => id);
  const openFlights = [...new Set([...open, ...moved.out])].filter((id) => !moved.back.includes(id));
  const last =
    before?.openFlights == null
      ? [...stored.facts.flightsOut]
          .sort((x, y) => (x.returned?.at ?? 0) - (y.returned?.at ?? 0))
          .filter(({ returned }) => returned !== null)
          .slice(-1)
          .map(({ id }) => id)
      : before.lastReturn === null
        ? []
        : [before.lastReturn];
  await keepStanding(
    tx,
    clubId,
    revision,
    { aircraftId, agrees, openFlights, lastReturn: await lastOf(tx, [...new Set([...moved.back, ...last])]) },
    recordedAt,
  );
}
