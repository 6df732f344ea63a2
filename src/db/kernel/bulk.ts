import { sql, type RawBuilder } from 'kysely';
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

/** A column as it travels: its type in PostgreSQL, and what is made of a cell where that is not the cell itself. */
export interface Travelling {
  readonly type: string;
  readonly made?: (cell: RawBuilder<unknown>) => RawBuilder<unknown>;
}

type Row = Readonly<Record<string, unknown>>;

/** Rows of one table that are to be written, with every column of them. */
export interface ManyRows {
  readonly table: string;
  readonly columns: Readonly<Record<string, Travelling>>;
  readonly rows: readonly Row[];
}

/** So many rows travel at once. */
const AT_ONCE = 2000;

/** A value as it travels to the database; JSON as its text. */
function sent(value: unknown, { type }: Travelling): unknown {
  if (value === null || value === undefined) return null;
  return type === 'jsonb' ? JSON.stringify(value) : value;
}

/** The columns in which each of several rows holds the same: nobody has to write or read that more than once. */
function sameInAll(names: readonly string[], rows: readonly Row[]): ReadonlySet<string> {
  const [first, ...others] = rows;
  if (first === undefined || others.length === 0) return new Set();
  return new Set(
    names.filter((name) => {
      const value = first[name] ?? null;
      return (
        (value === null || typeof value !== 'object') && others.every((row) => (row[name] ?? null) === value)
      );
    }),
  );
}

/**
 * The statement that writes rows: a column travels as one array, and once where all rows hold the same. A parameter for every cell is much slower, and rows
 * as JSON took the database half as long again to read.
 */
function insertion({ table, columns, rows }: ManyRows): RawBuilder<unknown> {
  const names = Object.keys(columns);
  const same = sameInAll(names, rows);
  // One array at least says how many rows there are.
  const own = names.filter((name, at) => !same.has(name) || (at === 0 && same.size === names.length));
  const of = (name: string): Travelling => columns[name] ?? { type: 'text' };
  const arrays = own.map(
    (name) => sql`${rows.map((row) => sent(row[name], of(name)))}::${sql.raw(of(name).type)}[]`,
  );
  const cells = names.map((name) => {
    const cell = own.includes(name)
      ? sql.ref(`r.${name}`)
      : sql`${sent(rows[0]?.[name], of(name))}::${sql.raw(of(name).type)}`;
    return of(name).made?.(cell) ?? cell;
  });
  const list = (some: readonly string[]) => sql.join(some.map((name) => sql.ref(name)));
  return sql`insert into ${sql.table(table)} (${list(names)}) select ${sql.join(cells)} from unnest(${sql.join(arrays)}) as r(${list(own)})`;
}

/**
 * Makes ready to write rows of several tables with one statement, which is checked as a whole: rows may refer to each other in any order. Nothing is written
 * before what is returned is called, so that it can be made while the database is still busy; and between two tables it does not wait for us.
 */
export function prepareRows(tables: readonly ManyRows[]): (tx: ClubTransaction) => Promise<void> {
  const statements = tables.filter(({ rows }) => rows.length > 0).map(insertion);
  const last = statements.pop();
  if (last === undefined) return () => Promise.resolve();
  const others = statements.map((statement, at) => sql`${sql.ref(`w${at}`)} as (${statement})`);
  const whole = others.length === 0 ? last : sql`with ${sql.join(others)} ${last}`;
  return async (tx) => {
    await whole.execute(tx);
  };
}

/** Writes rows of one table, some at a time. */
export async function insertMany(tx: ClubTransaction, rows: ManyRows): Promise<void> {
  for (let at = 0; at < rows.rows.length; at += AT_ONCE)
    await prepareRows([{ ...rows, rows: rows.rows.slice(at, at + AT_ONCE) }])(tx);
}

/** Columns that are written as they travel, by their types. */
export const asTheyAre = (types: Readonly<Record<string, string>>): Readonly<Record<string, Travelling>> =>
  Object.fromEntries(Object.entries(types).map(([name, type]) => [name, { type }]));
