import { DIMENSIONS } from '@/core/envelope/dimensions';
import { hoursFromSeconds } from '@/core/quantities/hours';
import { UNSAID, type FlightMore, type PlannedFlight } from '@/core/records/planned-flight';
import type { CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { civilDateAt, type ZoneId } from '@/core/time/zone';
import { oneOf, storedInstant } from './checked-values';
import type { ClubTransaction } from './connection';

/** A planned flight with whose and which aircraft's it is. */
export interface StoredFlight {
  readonly aircraftId: string;
  readonly personName: string;
  readonly flight: PlannedFlight;
}

/** Flights that touch the time from `from` to `to`, by start. */
export async function flightsBetween(tx: ClubTransaction, from: Instant, to: Instant, aircraftId: string | null): Promise<readonly StoredFlight[]> {
  const rows = await tx.selectFrom('planned_flight').selectAll().where('starts', '<', new Date(to)).where('ends', '>', new Date(from))
    .$if(aircraftId !== null, (query) => query.where('aircraft_id', '=', aircraftId)).orderBy('starts').execute();
  return rows.map((row) => ({
    aircraftId: row.aircraft_id, personName: row.person_name,
    flight: {
      id: row.flight_id, starts: storedInstant(row.starts), ends: storedInstant(row.ends), airborne: row.airborne_s === null ? null : hoursFromSeconds(row.airborne_s),
      purpose: oneOf(DIMENSIONS.purpose, row.purpose, 'purpose'), crew: oneOf(DIMENSIONS.crew, row.crew, 'crew'), rules: oneOf(DIMENSIONS.rules, row.rules, 'flight rules'),
      range: oneOf(DIMENSIONS.range, row.range, 'range'), light: null, transponderAirspace: row.transponder_airspace, broadcastAirspace: row.broadcast_airspace,
      beyondGlideOverWater: row.beyond_glide, passengers: row.passengers, ...UNSAID, ...(row.more as FlightMore | null),
    },
  }));
}

/** The latest day for which a flight is planned, on the field's clock; null without any. */
export async function latestPlannedDay(tx: ClubTransaction, zone: ZoneId): Promise<CivilDate | null> {
  const row = await tx.selectFrom('planned_flight').select((select) => select.fn.max('starts').as('latest')).executeTakeFirst();
  return row?.latest == null ? null : civilDateAt(storedInstant(row.latest), zone);
}
