import { sql } from 'kysely';
import type { FlightOut } from '@/core/records/flights/movement';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import type { StoredStanding } from '../meters/standings';

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
