import { sql } from 'kysely';
import type { ClubTransaction } from './connection';

/** What tells one record of a table from another, for people: columns with the types of PostgreSQL. */
export interface NaturalKey {
  readonly table: string;
  readonly columns: Readonly<Record<string, 'uuid' | 'text' | 'timestamptz' | 'date' | 'integer'>>;
}

/**
 * The natural keys of everything that an aircraft has in a table, as JSON writes their values. They are read once an aircraft, before anything is written: right
 * after many rows were written, the database has no statistics yet and compares page by page very slowly. Struck records count as there.
 */
export async function existingKeys(
  tx: ClubTransaction,
  { table, columns }: NaturalKey,
  aircraftId: string,
): Promise<readonly Readonly<Record<string, unknown>>[]> {
  const names = Object.keys(columns);
  const { rows } = await sql<
    Record<string, unknown>
  >`select ${sql.join(names.map((name) => sql.ref(name)))} from ${sql.table(table)} where aircraft_id = ${aircraftId}::uuid`.execute(
    tx,
  );
  return rows.map((row) =>
    Object.fromEntries(
      names.map((name) => {
        const value = row[name];
        return [name, value instanceof Date ? value.toISOString() : value];
      }),
    ),
  );
}

type Fleet = ReadonlyMap<string, { readonly aircraftId: string; readonly revision: number }>;

/** Every aircraft of the club by registration, locked for the rest of the transaction in one order. */
export const lockFleet = (tx: ClubTransaction): Promise<Fleet> => fleet(tx, true);

/** The same without a lock, for the person who only looks what would happen. */
export const readFleet = (tx: ClubTransaction): Promise<Fleet> => fleet(tx, false);

async function fleet(tx: ClubTransaction, locked: boolean): Promise<Fleet> {
  const rows = await tx
    .selectFrom('aircraft')
    .select(['aircraft_id', 'registration', 'revision'])
    .orderBy('aircraft_id')
    .$if(locked, (query) => query.forUpdate())
    .execute();
  return new Map(
    rows.map((row) => [row.registration, { aircraftId: row.aircraft_id, revision: row.revision }]),
  );
}

/**
 * Writes many rows with one statement: they travel as one JSON text, which is much quicker than a parameter for every cell.
 * @param columns every column of the rows with its type in PostgreSQL
 */
export async function insertMany(
  tx: ClubTransaction,
  table: string,
  columns: Readonly<Record<string, string>>,
  rows: readonly Readonly<Record<string, unknown>>[],
): Promise<void> {
  const names = sql.join(Object.keys(columns).map((name) => sql.ref(name)));
  const shape = sql.raw(
    Object.entries(columns)
      .map(([name, type]) => `"${name}" ${type}`)
      .join(', '),
  );
  for (let at = 0; at < rows.length; at += AT_ONCE) {
    await sql`insert into ${sql.table(table)} (${names}) select ${names} from json_to_recordset(${JSON.stringify(rows.slice(at, at + AT_ONCE))}::json) as r(${shape})`.execute(
      tx,
    );
  }
}

/** So many rows travel at once. */
const AT_ONCE = 2000;
