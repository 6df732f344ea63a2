import { sql } from 'kysely';
import { asCorrected, billedNow } from '@/core/metering/corrected';
import type { PilotReport } from '@/core/records/flights/pilot-report';
import type { Instant } from '@/core/time/instant';
import { exactlyOneOf, storedInstant, storedReadings } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { readingsOfCorrected } from '../meters/readings';
import {
  hasSearched,
  momentColumn,
  orderWanted,
  plainColumn,
  type PageOf,
  type PageWanted,
  wordsColumn,
} from '../kernel/pages';
import { readStandings } from '../meters/standings';
import type { FlownFlight } from './flight-records';
import { readMovements } from './movements';

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
  'r.report',
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

const REPORTS = ['nothing-to-report', 'words', 'not-said'] as const;

/** A report as it is stored: its kind, and its words where it has any. */
function reportFrom(kind: string | null, words: string | null): PilotReport {
  const known = exactlyOneOf(REPORTS, kind ?? 'not-said', 'report');
  return known === 'words' ? { kind: known, words: words ?? '' } : { kind: known };
}

function flownOf(row: Awaited<ReturnType<ReturnType<typeof withReturns>['execute']>>[number]): FlownFlight {
  return {
    id: row.flight_id,
    aircraftId: row.aircraft_id,
    personName: row.person_name,
    purpose: row.purpose,
    crew: row.crew,
    readings: storedReadings(row.readings),
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
            readings: storedReadings(row.in_readings),
            landings: row.landings,
            towLaunches: row.tow_launches,
            billed: row.billed_s,
            billedFrom: row.billed_from,
            fuelAdded: row.fuel_added,
            oilAdded: row.oil_added,
            report: reportFrom(row.report, row.in_remarks),
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
    const out = asCorrected(flight.readings, flight.leftAt, recorded);
    if (returned === null) return { ...flight, readings: out };
    const back = asCorrected(returned.readings, returned.at, recorded);
    const billed = billedNow(out, back, returned.billedFrom, returned.billed);
    return { ...flight, readings: out, returned: { ...returned, readings: back, billed } };
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
            .where('f.flight_id', '=', sql<string>`any(${open}::uuid[])`)
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

/** A page of an aircraft's flights. @param zone the field's, in which people read the times @param purposes what each is called on the screen */
export async function flightsPage(
  tx: ClubTransaction,
  aircraftId: string,
  zone: string,
  purposes: Readonly<Record<string, string>>,
  wanted: PageWanted,
): Promise<PageOf<FlownFlight>> {
  const columns = {
    left: momentColumn('f.happened_at', zone),
    back: momentColumn('r.happened_at', zone),
    person: plainColumn('f.person_name'),
    purpose: wordsColumn('f.purpose', purposes),
    landings: plainColumn('r.landings'),
    billed: plainColumn('r.billed_s'),
    report: plainColumn('r.remarks'),
  };
  const found = withReturns(tx)
    .where('f.aircraft_id', '=', aircraftId)
    .where(hasSearched(columns, wanted.search));
  const { total } = await tx
    .selectFrom(found.as('found'))
    .select(({ fn }) => fn.countAll<string>().as('total'))
    .executeTakeFirstOrThrow();
  const rows = await found
    .orderBy(orderWanted(columns, wanted))
    .orderBy('f.flight_id')
    .limit(wanted.size)
    .offset(wanted.page * wanted.size)
    .execute();
  return { rows: await asTheyCount(tx, rows.map(flownOf)), total: Number(total) };
}

/** What was measured as an aircraft left last, and what was added after that flight. */
export interface LastMeasured {
  readonly aircraftId: string;
  readonly personName: string;
  readonly leftAt: Instant;
  readonly fuelAboard: string | null;
  readonly oilAboard: string | null;
  readonly fuelAdded: string | null;
  readonly oilAdded: string | null;
  readonly isBack: boolean;
}

/** Fuel and oil of each aircraft's last flight, one index look-up each; an aircraft that never left is left out. */
export async function lastMeasured(
  tx: ClubTransaction,
  aircraftId: string | null,
): Promise<readonly LastMeasured[]> {
  const rows = await tx
    .selectFrom('aircraft as a')
    .innerJoinLateral(
      (query) =>
        query
          .selectFrom('flight')
          .selectAll()
          .whereRef('flight.club_id', '=', 'a.club_id')
          .whereRef('flight.aircraft_id', '=', 'a.aircraft_id')
          .orderBy('flight.happened_at', 'desc')
          .orderBy('flight.flight_id')
          .limit(1)
          .as('f'),
      (join) => join.onTrue(),
    )
    .leftJoin('flight_return as r', (join) =>
      join.onRef('r.club_id', '=', 'f.club_id').onRef('r.flight_id', '=', 'f.flight_id'),
    )
    .select([
      'a.aircraft_id',
      'f.person_name',
      'f.happened_at',
      'f.fuel_aboard',
      'f.oil_aboard',
      'r.fuel_added',
      'r.oil_added',
      'r.happened_at as in_at',
    ])
    .$if(aircraftId !== null, (query) => query.where('a.aircraft_id', '=', aircraftId))
    .execute();
  return rows.map((row) => ({
    aircraftId: row.aircraft_id,
    personName: row.person_name,
    leftAt: storedInstant(row.happened_at),
    fuelAboard: row.fuel_aboard,
    oilAboard: row.oil_aboard,
    fuelAdded: row.fuel_added,
    oilAdded: row.oil_added,
    isBack: row.in_at !== null,
  }));
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

/** Flights that left, of some ids. */
export async function findFlights(
  tx: ClubTransaction,
  flightIds: readonly string[],
): Promise<readonly FlownFlight[]> {
  if (flightIds.length === 0) return [];
  const rows = await withReturns(tx)
    .where('f.flight_id', '=', sql<string>`any(${flightIds}::uuid[])`)
    .execute();
  return asTheyCount(tx, rows.map(flownOf));
}

/** One flight. */
export async function findFlight(tx: ClubTransaction, flightId: string): Promise<FlownFlight | undefined> {
  const row = await withReturns(tx).where('f.flight_id', '=', flightId).executeTakeFirst();
  return row === undefined ? undefined : (await asTheyCount(tx, [flownOf(row)]))[0];
}
