import { sql } from 'kysely';
import { DIMENSIONS } from '@/core/envelope/dimensions';
import { hoursFromSeconds } from '@/core/quantities/hours';
import { UNSAID, type FlightMore, type PlannedFlight } from '@/core/records/flights/planned-flight';
import type { CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import type { Place } from '@/core/time/sun';
import { civilDateAt, type ZoneId } from '@/core/time/zone';
import { oneOf, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';
import { reader } from '../kernel/stored-fields';

/** A planned flight with whose and which aircraft's it is. */
export interface StoredFlight {
  readonly aircraftId: string;
  readonly personName: string;
  /** The member whose flight it is, where it is a member's. */
  readonly personId: string | null;
  /** Who planned it. */
  readonly plannedBy: string;
  /** True once it has left: nothing is decided about it any more. */
  readonly left: boolean;
  readonly flight: PlannedFlight;
}

/** Planned flights that stand: those that were moved or cancelled are left out. */
const standing = (tx: ClubTransaction) =>
  tx
    .selectFrom('planned_flight as p')
    .leftJoin('flight as f', (join) =>
      join.onRef('f.club_id', '=', 'p.club_id').onRef('f.flight_id', '=', 'p.flight_id'),
    )
    .leftJoin('planned_flight_end as e', (join) =>
      join.onRef('e.club_id', '=', 'p.club_id').onRef('e.flight_id', '=', 'p.flight_id'),
    )
    .where('e.flight_id', 'is', null)
    .selectAll('p')
    .select('f.flight_id as left_id');

/** What a flight says beyond the uses that it needs; a flight that says nothing more has nothing there. */
const storedMore = reader<FlightMore>(
  {
    places: 'list',
    persons: 'figure?',
    load: 'figure?',
    landings: 'figure?',
    towLaunches: 'figure?',
    toAlternate: 'figure?',
    fuelPlanned: 'figure?',
    reliesOnVor: 'yes-no?',
    reliesOnDatabase: 'yes-no?',
    altitudeFeet: 'figure?',
    authorisedWithout: 'list',
    exceptedAirspace: 'yes-no?',
    trainingWithin50Miles: 'yes-no?',
  },
  UNSAID,
);

function storedFlight(
  row: Awaited<ReturnType<ReturnType<typeof standing>['execute']>>[number],
): StoredFlight {
  return {
    aircraftId: row.aircraft_id,
    personName: row.person_name,
    personId: row.person_id,
    plannedBy: row.recorded_by,
    left: row.left_id !== null,
    flight: {
      id: row.flight_id,
      starts: storedInstant(row.starts),
      ends: storedInstant(row.ends),
      airborne: row.airborne_s === null ? null : hoursFromSeconds(row.airborne_s),
      purpose: oneOf(DIMENSIONS.purpose, row.purpose, 'purpose'),
      crew: oneOf(DIMENSIONS.crew, row.crew, 'crew'),
      rules: oneOf(DIMENSIONS.rules, row.rules, 'flight rules'),
      range: oneOf(DIMENSIONS.range, row.range, 'range'),
      light: null,
      transponderAirspace: row.transponder_airspace,
      adsbAirspace: row.broadcast_airspace,
      beyondGlideOverWater: row.beyond_glide,
      passengers: row.passengers,
      ...storedMore(row.more, `flight ${row.flight_id}`),
    },
  };
}

/** Flights that touch the time from `from` to `to`, by start. @param of one aircraft, some, or null for all */
export async function flightsBetween(
  tx: ClubTransaction,
  from: Instant,
  to: Instant,
  of: string | readonly string[] | null,
): Promise<readonly StoredFlight[]> {
  return (
    await standing(tx)
      .where('p.starts', '<', new Date(to))
      .where('p.ends', '>', new Date(from))
      .$if(of !== null, (query) => query.where('p.aircraft_id', '=', anyOf(of ?? [])))
      .orderBy('p.starts')
      .execute()
  ).map(storedFlight);
}

const anyOf = (of: string | readonly string[]) =>
  sql<string>`any(${typeof of === 'string' ? [of] : of}::uuid[])`;

/**
 * Flights that touch the time from `from` to `to` as they were known at `at`: planned by then, and neither moved nor cancelled
 * nor recorded as having left before it.
 */
export async function flightsKnownAt(
  tx: ClubTransaction,
  from: Instant,
  to: Instant,
  at: Instant,
  of: readonly string[],
): Promise<readonly StoredFlight[]> {
  const moment = new Date(at);
  return (
    await tx
      .selectFrom('planned_flight as p')
      .leftJoin('flight as f', (join) =>
        join
          .onRef('f.club_id', '=', 'p.club_id')
          .onRef('f.flight_id', '=', 'p.flight_id')
          .on('f.recorded_at', '<=', moment),
      )
      .leftJoin('planned_flight_end as e', (join) =>
        join
          .onRef('e.club_id', '=', 'p.club_id')
          .onRef('e.flight_id', '=', 'p.flight_id')
          .on('e.recorded_at', '<=', moment),
      )
      .where('e.flight_id', 'is', null)
      .where('p.recorded_at', '<=', moment)
      .where('p.aircraft_id', '=', anyOf(of))
      .where('p.starts', '<', new Date(to))
      .where('p.ends', '>', new Date(from))
      .selectAll('p')
      .select('f.flight_id as left_id')
      .orderBy('p.starts')
      .execute()
  ).map(storedFlight);
}

/** Planned flights that stand, of some ids. */
export async function findPlanneds(
  tx: ClubTransaction,
  flightIds: readonly string[],
): Promise<readonly StoredFlight[]> {
  if (flightIds.length === 0) return [];
  return (
    await standing(tx)
      .where('p.flight_id', '=', sql<string>`any(${flightIds}::uuid[])`)
      .execute()
  ).map(storedFlight);
}

/** One planned flight that stands. */
export async function findPlanned(tx: ClubTransaction, flightId: string): Promise<StoredFlight | undefined> {
  const row = await standing(tx).where('p.flight_id', '=', flightId).executeTakeFirst();
  return row === undefined ? undefined : storedFlight(row);
}

/** Takes a planned flight away because it was moved or cancelled; it stays readable. Answers false where that had been done already. */
export async function endPlannedOnce(
  tx: ClubTransaction,
  clubId: string,
  end: {
    readonly flightId: string;
    readonly aircraftId: string;
    readonly because: 'moved' | 'cancelled';
    readonly why: string | null;
    readonly at: Instant;
    readonly by: string;
  },
): Promise<Once> {
  return insertOnce(
    tx,
    'planned_flight_end',
    {
      club_id: clubId,
      flight_id: end.flightId,
      aircraft_id: end.aircraftId,
      because: end.because,
      why: end.why,
      happened_at: new Date(end.at),
      recorded_at: new Date(end.at),
      recorded_by: end.by,
    },
    ['club_id', 'flight_id'],
  );
}

/** The latest day for which a flight is planned, on the field's clock; null without any. */
export async function latestPlannedDay(tx: ClubTransaction, zone: ZoneId): Promise<CivilDate | null> {
  const row = await tx
    .selectFrom('planned_flight')
    .select((select) => select.fn.max('starts').as('latest'))
    .executeTakeFirst();
  return row?.latest == null ? null : civilDateAt(storedInstant(row.latest), zone);
}

/** So many places are offered. */
const MOST_PLACES = 100;

/** Places that planned flights touched beside the club's own field, by name, each as it was entered last. */
export async function placesPlanned(tx: ClubTransaction): Promise<readonly Place[]> {
  const { rows } = await sql<{
    place: Place;
  }>`select distinct on (p.place->>'name') p.place from planned_flight f, jsonb_array_elements(f.more->'places') as p(place) where f.more->'places' <> '[]'::jsonb order by p.place->>'name', f.recorded_at desc limit ${MOST_PLACES}`.execute(
    tx,
  );
  return rows.map(({ place }) => place);
}
