import type { Instant } from '@/core/time/instant';
import type { ClubTransaction } from '../kernel/connection';

/** What was said of an aircraft when its records last changed. */
export interface StoredStanding {
  readonly aircraftId: string;
  /** Whether its meter records agree: then the newest reading of each meter is the highest. */
  readonly agrees: boolean;
  /** Flights that are out, and the one that came back last; null where nobody kept it, and then all flights are looked at. */
  readonly openFlights: readonly string[] | null;
  readonly lastReturn: string | null;
}

/** What is said of every aircraft; one without any has nothing said of it. */
export async function readStandings(
  tx: ClubTransaction,
  aircraftId: string | null,
): Promise<readonly StoredStanding[]> {
  const rows = await tx
    .selectFrom('aircraft as a')
    .leftJoin('meter_standing as s', (join) =>
      join.onRef('s.club_id', '=', 'a.club_id').onRef('s.aircraft_id', '=', 'a.aircraft_id'),
    )
    .select(['a.aircraft_id', 's.agrees', 's.open_flights', 's.last_return'])
    .$if(aircraftId !== null, (query) => query.where('a.aircraft_id', '=', aircraftId))
    .execute();
  return rows.map((row) => ({
    aircraftId: row.aircraft_id,
    agrees: row.agrees ?? false,
    openFlights: row.open_flights,
    lastReturn: row.last_return,
  }));
}

/** Writes what is said of an aircraft as of a revision, in place of what was said before. */
export async function keepStanding(
  tx: ClubTransaction,
  clubId: string,
  revision: number,
  standing: StoredStanding,
  recordedAt: Instant,
): Promise<void> {
  const at = new Date(recordedAt);
  const said = {
    revision,
    agrees: standing.agrees,
    open_flights: standing.openFlights === null ? null : [...standing.openFlights],
    last_return: standing.lastReturn,
    happened_at: at,
    recorded_at: at,
  };
  await tx
    .insertInto('meter_standing')
    .values({ club_id: clubId, aircraft_id: standing.aircraftId, ...said })
    .onConflict((conflict) => conflict.columns(['club_id', 'aircraft_id']).doUpdateSet(said))
    .execute();
}
