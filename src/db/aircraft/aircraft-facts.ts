import { sql } from 'kysely';
import type { Place } from '@/core/time/sun';
import type { ClubTransaction } from '../kernel/connection';
import { readFactRows, type Reach } from './fact-rows';
import { type StoredAircraft, factsFromRows, readableFacts } from './facts-from-rows';

/** The facts of the whole fleet, or of one aircraft. `presentOnly` as in readFactRows(): for decisions about the present only. */
export async function loadAircraft(
  tx: ClubTransaction,
  place: Place,
  aircraftId: string | null,
  presentOnly: boolean,
): Promise<readonly StoredAircraft[]> {
  return factsFromRows(await readFactRows(tx, aircraftId, presentOnly ? 'present' : 'whole'), place);
}

/** The same for screens and lists: an aircraft whose records cannot be read is closed, and hides no other. */
export async function loadReadable(
  tx: ClubTransaction,
  place: Place,
  aircraftId: string | null,
  reach: Reach,
): Promise<readonly StoredAircraft[]> {
  return readableFacts(await readFactRows(tx, aircraftId, reach), place);
}

/** One aircraft as it stands at present, with every reading there ever was of its meters; undefined where it is not there. */
export async function loadForMeters(
  tx: ClubTransaction,
  place: Place,
  aircraftId: string,
): Promise<StoredAircraft | undefined> {
  return factsFromRows(await readFactRows(tx, aircraftId, 'present', true), place)[0];
}

/**
 * Which version of every aircraft of the club, or of one, stands, by registration; and whether this transaction has written anything yet. A version is
 * the revision with the transaction that wrote it: a database that was restored may come to the same revision with other records.
 */
export async function readVersions(
  tx: ClubTransaction,
  aircraftId: string | null,
): Promise<{
  readonly versions: readonly { readonly aircraftId: string; readonly version: string }[];
  readonly wrote: boolean;
}> {
  const rows = await tx
    .selectFrom('aircraft')
    .select('aircraft_id')
    .select(sql<string>`revision || '/' || xmin`.as('version'))
    .select(sql<boolean>`pg_current_xact_id_if_assigned() is not null`.as('wrote'))
    .$if(aircraftId !== null, (query) => query.where('aircraft_id', '=', aircraftId))
    .orderBy('registration')
    .execute();
  return {
    versions: rows.map((row) => ({ aircraftId: row.aircraft_id, version: row.version })),
    wrote: rows.some((row) => row.wrote),
  };
}

/** Locks one aircraft for the rest of the transaction and answers its revision; undefined when the club has no such aircraft. */
export async function lockAircraft(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<{ readonly revision: number; readonly registration: string } | undefined> {
  return tx
    .selectFrom('aircraft')
    .select(['revision', 'registration'])
    .where('aircraft_id', '=', aircraftId)
    .forUpdate()
    .executeTakeFirst();
}

/** Locks several aircraft, always in the order of their ids, so that two who want the same ones never wait for each other. One that is not there is left out. */
export async function lockInOrder(
  tx: ClubTransaction,
  aircraftIds: readonly string[],
): Promise<ReadonlyMap<string, { readonly revision: number; readonly registration: string }>> {
  const locked = new Map<string, { readonly revision: number; readonly registration: string }>();
  for (const id of [...new Set(aircraftIds)].sort()) {
    const aircraft = await lockAircraft(tx, id);
    if (aircraft !== undefined) locked.set(id, aircraft);
  }
  return locked;
}

/** Raises an aircraft's revision by one and answers the new one. Only after lockAircraft(). */
export async function raiseRevision(tx: ClubTransaction, aircraftId: string): Promise<number> {
  const row = await tx
    .updateTable('aircraft')
    .set({ revision: sql`revision + 1` })
    .where('aircraft_id', '=', aircraftId)
    .returning('revision')
    .executeTakeFirstOrThrow();
  return row.revision;
}
