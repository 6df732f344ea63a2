import { sql } from 'kysely';
import { READING_BASES, type ReadingRow } from '@/core/metering/changes';
import { METER_NAMES, type Meter } from '@/core/records/meters/meters';
import type { Instant } from '@/core/time/instant';
import { exactlyOneOf, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import {
  hasSearched,
  momentColumn,
  orderWanted,
  plainColumn,
  type PageOf,
  type PageWanted,
} from '../kernel/pages';

/** A reading as it is stored. */
export interface StoredReading extends ReadingRow {
  readonly aircraftId: string;
}

const readings = (tx: ClubTransaction) =>
  tx
    .selectFrom('meter_reading as m')
    .leftJoin('strike as x', (join) =>
      join.onRef('x.club_id', '=', 'm.club_id').onRef('x.record_id', '=', 'm.reading_id'),
    )
    .select([
      'm.reading_id',
      'm.aircraft_id',
      'm.meter',
      'm.value_s',
      'm.entered',
      'm.basis',
      'm.dial_id',
      'm.flight_id',
      'm.happened_at',
      'm.recorded_at',
      'x.strike_id',
    ]);

function readingOf(row: Awaited<ReturnType<ReturnType<typeof readings>['execute']>>[number]): StoredReading {
  return {
    id: row.reading_id,
    aircraftId: row.aircraft_id,
    meter: exactlyOneOf(METER_NAMES, row.meter, 'meter'),
    value: row.value_s,
    entered: row.entered,
    basis: exactlyOneOf(READING_BASES, row.basis, 'basis'),
    dialId: row.dial_id,
    flightId: row.flight_id,
    happenedAt: storedInstant(row.happened_at),
    recordedAt: storedInstant(row.recorded_at),
    struck: row.strike_id !== null,
  };
}

/** One reading. */
export async function findReading(
  tx: ClubTransaction,
  readingId: string,
): Promise<StoredReading | undefined> {
  const row = await readings(tx).where('m.reading_id', '=', readingId).executeTakeFirst();
  return row === undefined ? undefined : readingOf(row);
}

/** A flight of which readings may have been corrected. */
export interface ReadFlight {
  readonly id: string;
  readonly aircraftId: string;
  readonly leftAt: Instant;
  readonly returned: { readonly at: Instant } | null;
}

/**
 * The readings of those of some flights of which any was struck out, struck out ones among them. Few are, so those that were not
 * are not read; and an aircraft's readings are found by its moments.
 */
export async function readingsOfCorrected(
  tx: ClubTransaction,
  flights: readonly ReadFlight[],
): Promise<ReadonlyMap<string, readonly StoredReading[]>> {
  if (flights.length === 0) return new Map();
  const rows = await tx
    .selectFrom('strike as x')
    .innerJoin('meter_reading as m', (join) =>
      join.onRef('m.club_id', '=', 'x.club_id').onRef('m.reading_id', '=', 'x.record_id'),
    )
    .select('m.flight_id')
    .distinct()
    .where(
      'x.aircraft_id',
      '=',
      sql<string>`any(${[...new Set(flights.map(({ aircraftId }) => aircraftId))]}::uuid[])`,
    )
    .where('m.flight_id', 'is not', null)
    .execute();
  const corrected = new Set(rows.map((row) => row.flight_id));
  const found = new Map<string, readonly StoredReading[]>();
  for (const { id, aircraftId, leftAt, returned } of flights) {
    if (!corrected.has(id)) continue;
    const moments = [leftAt, ...(returned === null ? [] : [returned.at])].map((at) => new Date(at));
    const own = await readings(tx)
      .where('m.aircraft_id', '=', aircraftId)
      .where('m.flight_id', '=', id)
      .where('m.happened_at', 'in', moments)
      .execute();
    found.set(id, own.map(readingOf));
  }
  return found;
}

/** The newest readings of an aircraft, newest first, struck out ones among them. */
export async function latestReadings(
  tx: ClubTransaction,
  aircraftId: string,
  most: number,
): Promise<readonly StoredReading[]> {
  return (
    await readings(tx)
      .where('m.aircraft_id', '=', aircraftId)
      .orderBy('m.happened_at', 'desc')
      .orderBy('m.recorded_at', 'desc')
      .orderBy('m.reading_id')
      .limit(most)
      .execute()
  ).map(readingOf);
}

/** A page of an aircraft's readings, struck out ones among them. @param zone the field's, in which people read the times */
export async function readingsPage(
  tx: ClubTransaction,
  aircraftId: string,
  zone: string,
  wanted: PageWanted,
): Promise<PageOf<StoredReading & { readonly whose: string | null }>> {
  const columns = {
    when: momentColumn('m.happened_at', zone),
    meter: plainColumn('m.meter'),
    shown: plainColumn('m.entered'),
    stands: plainColumn('m.value_s'),
    whose: plainColumn('f.person_name'),
  };
  const found = readings(tx)
    .leftJoin('flight as f', (join) =>
      join.onRef('f.club_id', '=', 'm.club_id').onRef('f.flight_id', '=', 'm.flight_id'),
    )
    .select('f.person_name')
    .where('m.aircraft_id', '=', aircraftId)
    .where(hasSearched(columns, wanted.search));
  const { total } = await tx
    .selectFrom(found.as('found'))
    .select(({ fn }) => fn.countAll<string>().as('total'))
    .executeTakeFirstOrThrow();
  const rows = await found
    .orderBy(orderWanted(columns, wanted))
    .orderBy('m.reading_id')
    .limit(wanted.size)
    .offset(wanted.page * wanted.size)
    .execute();
  return {
    rows: rows.map((row) => ({ ...readingOf(row), whose: row.person_name })),
    total: Number(total),
  };
}

/** Every reading of an aircraft, struck out ones among them, in the order of the clock. */
export async function everyReading(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<readonly StoredReading[]> {
  return (
    await readings(tx)
      .where('m.aircraft_id', '=', aircraftId)
      .orderBy('m.happened_at')
      .orderBy('m.reading_id')
      .execute()
  ).map(readingOf);
}

/** What a dial was read at towards one meter, in the order of the clock, without what was struck out. */
export async function dialReadings(
  tx: ClubTransaction,
  dialId: string,
  meter: Meter,
): Promise<readonly StoredReading[]> {
  return (
    await readings(tx)
      .where('m.dial_id', '=', dialId)
      .where('m.meter', '=', meter)
      .where('x.strike_id', 'is', null)
      .orderBy('m.happened_at')
      .orderBy('m.reading_id')
      .execute()
  ).map(readingOf);
}

/** Readings that were calculated after a correction or from a list, without what was struck out. */
export async function calculatedReadings(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<readonly StoredReading[]> {
  return (
    await readings(tx)
      .where('m.aircraft_id', '=', aircraftId)
      .where('m.basis', '=', 'calculated')
      .where('x.strike_id', 'is', null)
      .execute()
  ).map(readingOf);
}
