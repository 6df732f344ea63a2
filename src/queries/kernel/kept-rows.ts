import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import type { ClubTransaction } from '@/db/kernel/connection';

/**
 * Rows of one aircraft's records that a page shows beside its facts, kept as long as keptFacts() gives the
 * same facts: every change of an aircraft's records
 * raises its revision, and then there are others. Rows are read after the version was, so that they are never older than it.
 * @param read what may be kept: nothing of a reader, of the clock or of the club's people; and no planned
 * flights, of which a move raises only the revision of
 * the aircraft that they go to
 */
export function keptRows<T>(
  read: (tx: ClubTransaction, aircraftId: string) => Promise<T>,
): (tx: ClubTransaction, stored: StoredAircraft) => Promise<T> {
  const known = new WeakMap<StoredAircraft, { readonly rows: T }>();
  return async (tx, stored) => {
    const found = known.get(stored);
    if (found !== undefined) return found.rows;
    const rows = await read(tx, stored.aircraftId);
    known.set(stored, { rows });
    return rows;
  };
}

/** Rows of several aircraft, those of each together and in their order. */
export function byAircraft<T extends { readonly aircraftId: string }>(
  rows: readonly T[],
): ReadonlyMap<string, readonly T[]> {
  const answer = new Map<string, T[]>();
  for (const row of rows) {
    const own = answer.get(row.aircraftId);
    if (own === undefined) answer.set(row.aircraftId, [row]);
    else own.push(row);
  }
  return answer;
}

/** The same for a fleet: those of which nothing is kept are read at once. @param read rows of one aircraft, or of all for null */
export function keptFleetRows<T extends { readonly aircraftId: string }>(
  read: (tx: ClubTransaction, aircraftId: string | null) => Promise<readonly T[]>,
): (tx: ClubTransaction, fleet: readonly StoredAircraft[]) => Promise<ReadonlyMap<string, readonly T[]>> {
  const known = new WeakMap<StoredAircraft, readonly T[]>();
  return async (tx, fleet) => {
    const missing = fleet.filter((stored) => !known.has(stored));
    const [first] = missing;
    if (first !== undefined) {
      const fresh = byAircraft(await read(tx, missing.length === 1 ? first.aircraftId : null));
      for (const stored of missing) known.set(stored, fresh.get(stored.aircraftId) ?? []);
    }
    return new Map(fleet.map((stored) => [stored.aircraftId, known.get(stored) ?? []]));
  };
}
