import { sql } from 'kysely';
import { asCorrected } from '@/core/counter/corrected';
import type { Meter } from '@/core/records/meters/meters';
import type { FlightOut } from '@/core/records/flights/movement';
import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertMany } from '../kernel/bulk';
import { readingsOfCorrected } from '../meters/readings';
import { readStandings, type StoredStanding } from '../meters/standings';

/** What one dial showed, as it was entered, with what the meters that it counts towards stood at. */
export interface DialReading {
  readonly dial: string;
  readonly name: string;
  readonly shown: string;
  readonly values: readonly { readonly meter: Meter; readonly value: number }[];
  /** What was written before somebody corrected it; null or absent where nobody did. */
  readonly written?: string | null;
}

/** A flight that has left. */
export interface DepartedFlight {
  readonly id: string;
  readonly aircraftId: string;
  readonly personName: string;
  readonly purpose: string | null;
  readonly crew: string | null;
  readonly readings: readonly DialReading[];
  readonly fuelAboard: string | null;
  readonly oilAboard: string | null;
  readonly remarks: string | null;
  readonly leftAt: Instant;
  readonly recordedAt: Instant;
}

/** Its return. */
export interface FlightReturn {
  readonly readings: readonly DialReading[];
  readonly landings: number | null;
  readonly towLaunches: number | null;
  /** Seconds to be billed, and the dial or clock that they come from. */
  readonly billed: number | null;
  readonly billedFrom: string | null;
  readonly fuelAdded: string | null;
  readonly oilAdded: string | null;
  readonly remarks: string;
  readonly at: Instant;
  readonly recordedAt: Instant;
}

/** A flight with its return, null while it is out. */
export interface FlownFlight extends DepartedFlight {
  readonly recordedBy: string;
  readonly returned: (FlightReturn & { readonly recordedBy: string }) | null;
}

function departureRow(clubId: string, recordedBy: string, flight: DepartedFlight) {
  return {
    club_id: clubId,
    flight_id: flight.id,
    aircraft_id: flight.aircraftId,
    person_name: flight.personName,
    purpose: flight.purpose,
    crew: flight.crew,
    readings: JSON.stringify(flight.readings),
    fuel_aboard: flight.fuelAboard,
    oil_aboard: flight.oilAboard,
    remarks: flight.remarks,
    happened_at: new Date(flight.leftAt),
    recorded_at: new Date(flight.recordedAt),
    recorded_by: recordedBy,
  };
}

function returnRow(
  clubId: string,
  aircraftId: string,
  flightId: string,
  recordedBy: string,
  back: FlightReturn,
) {
  return {
    club_id: clubId,
    flight_id: flightId,
    aircraft_id: aircraftId,
    readings: JSON.stringify(back.readings),
    landings: back.landings,
    tow_launches: back.towLaunches,
    billed_s: back.billed,
    billed_from: back.billedFrom,
    fuel_added: back.fuelAdded,
    oil_added: back.oilAdded,
    remarks: back.remarks,
    happened_at: new Date(back.at),
    recorded_at: new Date(back.recordedAt),
    recorded_by: recordedBy,
  };
}

/** Writes a departure. */
export async function insertFlight(
  tx: ClubTransaction,
  clubId: string,
  recordedBy: string,
  flight: DepartedFlight,
): Promise<void> {
  await tx
    .insertInto('flight')
    .values(departureRow(clubId, recordedBy, flight))
    .execute();
}

/** Writes a return. */
export async function insertReturn(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  flightId: string,
  recordedBy: string,
  back: FlightReturn,
): Promise<void> {
  await tx
    .insertInto('flight_return')
    .values(returnRow(clubId, aircraftId, flightId, recordedBy, back))
    .execute();
}

const FLIGHT_COLUMNS = {
  club_id: 'uuid',
  flight_id: 'uuid',
  aircraft_id: 'uuid',
  person_name: 'text',
  purpose: 'text',
  crew: 'text',
  readings: 'jsonb',
  fuel_aboard: 'text',
  oil_aboard: 'text',
  remarks: 'text',
  happened_at: 'timestamptz',
  recorded_at: 'timestamptz',
  recorded_by: 'text',
};
const RETURN_COLUMNS = {
  club_id: 'uuid',
  flight_id: 'uuid',
  aircraft_id: 'uuid',
  readings: 'jsonb',
  landings: 'integer',
  tow_launches: 'integer',
  billed_s: 'integer',
  billed_from: 'text',
  fuel_added: 'text',
  oil_added: 'text',
  remarks: 'text',
  happened_at: 'timestamptz',
  recorded_at: 'timestamptz',
  recorded_by: 'text',
};

/** Writes flights of the past with their returns. */
export async function insertFlown(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  flights: readonly (DepartedFlight & { readonly returned: FlightReturn | null })[],
): Promise<void> {
  if (flights.length === 0) return;
  await insertMany(
    tx,
    'flight',
    FLIGHT_COLUMNS,
    flights.map((flight) => ({
      ...departureRow(clubId, recordedBy, { ...flight, aircraftId }),
      readings: flight.readings,
    })),
  );
  await insertMany(
    tx,
    'flight_return',
    RETURN_COLUMNS,
    flights.flatMap(({ id, returned }) =>
      returned === null
        ? []
        : [{ ...returnRow(clubId, aircraftId, id, recordedBy, returned), readings: returned.readings }],
    ),
  );
}

const COLUMNS = [
  'f.flight_id',
  'f.aircraft_id',
  'f.person_name',
  'f.purpose',
  'f.crew',
  'f.readings',
  'f.fuel_aboard',
  'f.oil_aboard',
  'f.remarks',
  'f.happened_at',
  'f.recorded_at',
  'f.recorded_by',
  'r.readings as in_readings',
  'r.landings',
  'r.tow_launches',
  'r.billed_s',
  'r.billed_from',
  'r.fuel_added',
  'r.oil_added',
  'r.remarks as in_remarks',
  'r.happened_at as in_at',
  'r.recorded_at as in_recorded_at',
  'r.recorded_by as in_recorded_by',
] as const;

const withReturns = (tx: ClubTransaction) =>
  tx
    .selectFrom('flight as f')
    .leftJoin('flight_return as r', (join) =>
      join.onRef('r.club_id', '=', 'f.club_id').onRef('r.flight_id', '=', 'f.flight_id'),
    )
    .select(COLUMNS);

function flownOf(row: Awaited<ReturnType<ReturnType<typeof withReturns>['execute']>>[number]): FlownFlight {
  return {
    id: row.flight_id,
    aircraftId: row.aircraft_id,
    personName: row.person_name,
    purpose: row.purpose,
    crew: row.crew,
    readings: row.readings as unknown as readonly DialReading[],
    fuelAboard: row.fuel_aboard,
    oilAboard: row.oil_aboard,
    remarks: row.remarks,
    leftAt: storedInstant(row.happened_at),
    recordedAt: storedInstant(row.recorded_at),
    recordedBy: row.recorded_by,
    returned:
      row.in_at === null || row.in_recorded_at === null
        ? null
        : {
            readings: row.in_readings as unknown as readonly DialReading[],
            landings: row.landings,
            towLaunches: row.tow_launches,
            billed: row.billed_s,
            billedFrom: row.billed_from,
            fuelAdded: row.fuel_added,
            oilAdded: row.oil_added,
            remarks: row.in_remarks ?? '',
            at: storedInstant(row.in_at),
            recordedAt: storedInstant(row.in_recorded_at),
            recordedBy: row.in_recorded_by ?? '',
          },
  };
}

/** The flights with their readings as they count now: what was written with them stays in the row, and corrections are readings of their own. */
async function asTheyCount(
  tx: ClubTransaction,
  flights: readonly FlownFlight[],
): Promise<readonly FlownFlight[]> {
  const corrected = await readingsOfCorrected(tx, flights);
  return flights.map((flight) => {
    const recorded = corrected.get(flight.id);
    if (recorded === undefined) return flight;
    const { returned } = flight;
    return {
      ...flight,
      readings: asCorrected(flight.readings, flight.leftAt, recorded),
      returned:
        returned === null
          ? null
          : { ...returned, readings: asCorrected(returned.readings, returned.at, recorded) },
    };
  });
}

/** Flights that have not come back, oldest first. */
export async function openFlights(
  tx: ClubTransaction,
  aircraftId: string | null,
): Promise<readonly FlownFlight[]> {
  const open = (await readMovements(tx, aircraftId, await readStandings(tx, aircraftId)))
    .filter((row) => row.in_at === null)
    .map((row) => row.flight_id);
  return open.length === 0
    ? []
    : asTheyCount(
        tx,
        (
          await withReturns(tx)
            .where('f.flight_id', 'in', open)
            .orderBy('f.happened_at')
            .orderBy('f.flight_id')
            .execute()
        ).map(flownOf),
      );
}

/** The newest flights of an aircraft, newest first. */
export async function latestFlights(
  tx: ClubTransaction,
  aircraftId: string,
  most: number,
): Promise<readonly FlownFlight[]> {
  const rows = await withReturns(tx)
    .where('f.aircraft_id', '=', aircraftId)
    .orderBy('f.happened_at', 'desc')
    .orderBy('f.flight_id')
    .limit(most)
    .execute();
  return asTheyCount(tx, rows.map(flownOf));
}

/** An aircraft's flights that left between two moments, in order. */
export async function flightsLeft(
  tx: ClubTransaction,
  aircraftId: string,
  from: Instant,
  to: Instant,
): Promise<readonly FlownFlight[]> {
  const rows = await withReturns(tx)
    .where('f.aircraft_id', '=', aircraftId)
    .where('f.happened_at', '>=', new Date(from))
    .where('f.happened_at', '<', new Date(to))
    .orderBy('f.happened_at')
    .orderBy('f.flight_id')
    .execute();
  return asTheyCount(tx, rows.map(flownOf));
}

/** A page of the flights of the club that came back, in the order of their ids. @param after the id that the page before ended with */
export async function returnedAfter(
  tx: ClubTransaction,
  after: string | null,
  most: number,
): Promise<readonly FlownFlight[]> {
  const rows = await withReturns(tx)
    .where('r.flight_id', 'is not', null)
    .$if(after !== null, (query) => query.where('f.flight_id', '>', after))
    .orderBy('f.flight_id')
    .limit(most)
    .execute();
  return asTheyCount(tx, rows.map(flownOf));
}

/** One flight. */
export async function findFlight(tx: ClubTransaction, flightId: string): Promise<FlownFlight | undefined> {
  const row = await withReturns(tx).where('f.flight_id', '=', flightId).executeTakeFirst();
  return row === undefined ? undefined : (await asTheyCount(tx, [flownOf(row)]))[0];
}

const LEFT = ['f.aircraft_id', 'f.flight_id', 'f.person_name', 'f.happened_at', 'f.recorded_at'] as const;

/**
 * What a decision needs of the flights: all of them, or about the present those that are out and the last that came back. Flights and
 * returns are read each by its own index and put together here: right after many were brought in, the database joins them badly.
 */
export async function readMovements(
  tx: ClubTransaction,
  aircraftId: string | null,
  standings: readonly StoredStanding[] | null,
): Promise<readonly MovementRow[]> {
  const known = standings?.filter(({ openFlights }) => openFlights !== null) ?? [];
  const ids = known.flatMap(({ openFlights, lastReturn }) => [
    ...(openFlights ?? []),
    ...(lastReturn === null ? [] : [lastReturn]),
  ]);
  const whole =
    standings?.filter(({ openFlights }) => openFlights === null).map((one) => one.aircraftId) ?? [];
  const some = async (column: 'flight_id' | 'aircraft_id', of: readonly string[]) =>
    of.length === 0
      ? { left: [], back: [] }
      : {
          left: await tx.selectFrom('flight as f').select(LEFT).where(`f.${column}`, 'in', of).execute(),
          back: await tx
            .selectFrom('flight_return as r')
            .select(['r.flight_id', 'r.happened_at', 'r.recorded_at'])
            .where(`r.${column}`, 'in', of)
            .execute(),
        };
  const every = async () => ({
    left: await tx
      .selectFrom('flight as f')
      .select(LEFT)
      .$if(aircraftId !== null, (query) => query.where('f.aircraft_id', '=', aircraftId))
      .execute(),
    back: await tx
      .selectFrom('flight_return as r')
      .select(['r.flight_id', 'r.happened_at', 'r.recorded_at'])
      .$if(aircraftId !== null, (query) => query.where('r.aircraft_id', '=', aircraftId))
      .execute(),
  });
  const parts =
    standings === null ? [await every()] : [await some('flight_id', ids), await some('aircraft_id', whole)];
  const returns = new Map(parts.flatMap(({ back }) => back).map((row) => [row.flight_id, row]));
  return parts
    .flatMap(({ left }) => left)
    .map((row) => ({
      ...row,
      in_at: returns.get(row.flight_id)?.happened_at ?? null,
      in_recorded_at: returns.get(row.flight_id)?.recorded_at ?? null,
    }));
}

interface MovementRow {
  readonly aircraft_id: string;
  readonly flight_id: string;
  readonly person_name: string;
  readonly happened_at: Date;
  readonly recorded_at: Date;
  readonly in_at: Date | null;
  readonly in_recorded_at: Date | null;
}

/** A movement as the core knows it. */
export function movementOf(row: MovementRow): FlightOut {
  return {
    id: row.flight_id,
    happenedAt: storedInstant(row.happened_at),
    recordedAt: storedInstant(row.recorded_at),
    by: row.person_name,
    returned:
      row.in_at === null || row.in_recorded_at === null
        ? null
        : { at: storedInstant(row.in_at), recordedAt: storedInstant(row.in_recorded_at) },
  };
}

/** Which of some flights came back last; null where none has. */
export async function lastReturned(tx: ClubTransaction, flights: readonly string[]): Promise<string | null> {
  const row = await tx
    .selectFrom('flight_return')
    .select('flight_id')
    .where('flight_id', '=', sql<string>`any(${flights}::uuid[])`)
    .orderBy('happened_at', 'desc')
    .limit(1)
    .executeTakeFirst();
  return row?.flight_id ?? null;
}
