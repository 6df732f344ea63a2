import { sql } from 'kysely';
import type { ClubTransaction } from '../kernel/connection';

/** A table to be read or written whole: the columns of its key, and each of its columns but the club with the kind of what it holds. */
export interface TableShape {
  readonly key: readonly string[];
  readonly columns: Readonly<Record<string, string>>;
}

type ArchiveRow = Readonly<Record<string, unknown>>;

/** So many rows are read or written at once. */
const AT_ONCE = 2000;

function written(value: unknown, kind: string): unknown {
  if (value === null) return null;
  switch (kind.replace('?', '')) {
    case 'time':
      return (value as Date).toISOString();
    case 'bytes':
      return Buffer.from(value as Uint8Array).toString('base64');
    case 'int':
      return Number(value);
    default:
      return value;
  }
}

/** The rows of one table in the order of its key, a page at a time. */
export async function* archivedRows(
  tx: ClubTransaction,
  name: string,
  { key, columns }: TableShape,
): AsyncGenerator<readonly ArchiveRow[]> {
  const order = sql.join(key.map((column) => sql.ref(column)));
  let after: readonly unknown[] | null = null;
  for (;;) {
    const where: ReturnType<typeof sql> = after === null ? sql`true` : sql`(${order}) > (${sql.join(after)})`;
    const { rows }: { rows: Record<string, unknown>[] } = await sql<
      Record<string, unknown>
    >`select * from ${sql.table(name)} where ${where} order by ${order} limit ${AT_ONCE}`.execute(tx);
    if (rows.length > 0)
      yield rows.map((row) =>
        Object.fromEntries(
          Object.entries(columns).map(([column, kind]) => [column, written(row[column] ?? null, kind)]),
        ),
      );
    const last = rows.at(-1);
    if (last === undefined || rows.length < AT_ONCE) return;
    after = key.map((column) => last[column]);
  }
}

const POSTGRES: Readonly<Record<string, string>> = {
  id: 'uuid',
  text: 'text',
  texts: 'jsonb',
  int: 'bigint',
  number: 'double precision',
  bool: 'boolean',
  date: 'date',
  time: 'timestamptz',
  json: 'jsonb',
  bytes: 'text',
};

const kindOf = (columns: TableShape['columns'], column: string): string =>
  (columns[column] ?? 'text').replace('?', '');
const typeOf = (kind: string) => sql.raw(POSTGRES[kind] ?? 'text');

/** A value as it travels to the database; JSON as its text. */
function sent(value: unknown, kind: string): unknown {
  if (value === null || value === undefined) return null;
  return kind === 'json' || kind === 'texts' ? JSON.stringify(value) : value;
}

/** What is written into a column, made of a cell that travelled. */
function taken(cell: ReturnType<typeof sql>, column: string, kind: string): ReturnType<typeof sql> {
  if (kind === 'bytes') return sql`decode(${cell}, 'base64')`;
  if (kind === 'texts')
    return sql`case when ${cell} is null or jsonb_typeof(${cell}) = 'null' then null else array(select jsonb_array_elements_text(${cell})) end${sql.raw(column === 'open_flights' ? '::uuid[]' : '')}`;
  return kind === 'json' ? sql`nullif(${cell}, 'null'::jsonb)` : cell;
}

/** The columns in which each of several rows holds the same: nobody has to write or read that more than once. */
function sameInAll(names: readonly string[], rows: readonly ArchiveRow[]): ReadonlySet<string> {
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

/** Rows of one table that are to be written. */
export interface Written {
  readonly name: string;
  readonly shape: TableShape;
  readonly rows: readonly ArchiveRow[];
}

/**
 * The statement that writes rows: a column travels as one array, and once where all rows hold the same. Rows as JSON took the database half as long again to
 * read.
 */
function insertion(clubId: string, { name, shape: { columns }, rows }: Written): ReturnType<typeof sql> {
  const names = Object.keys(columns);
  const same = sameInAll(names, rows);
  // One array at least says how many rows there are.
  const own = names.filter((column, at) => !same.has(column) || (at === 0 && same.size === names.length));
  const arrays = own.map((column) => {
    const kind = kindOf(columns, column);
    return sql`${rows.map((row) => sent(row[column], kind))}::${typeOf(kind)}[]`;
  });
  const cells = names.map((column) => {
    const kind = kindOf(columns, column);
    const cell = !own.includes(column)
      ? sql`${sent(rows[0]?.[column], kind)}::${typeOf(kind)}`
      : sql.ref(`r.${column}`);
    return taken(cell, column, kind);
  });
  const list = (some: readonly string[]) => sql.join(some.map((column) => sql.ref(column)));
  return sql`insert into ${sql.table(name)} (club_id, ${list(names)}) select ${clubId}::uuid, ${sql.join(cells)} from unnest(${sql.join(arrays)}) as r(${list(own)})`;
}

/**
 * Makes ready to write rows of several tables with one statement, which is checked as a whole: rows may refer to each other in any order. Nothing is written
 * before what is returned is called, so that it can be made while the database is still busy; and between two tables it does not wait for us.
 */
export function prepareArchived(
  clubId: string,
  tables: readonly Written[],
): (tx: ClubTransaction) => Promise<void> {
  const [last, ...others] = tables
    .filter(({ rows }) => rows.length > 0)
    .map((table) => insertion(clubId, table))
    .reverse();
  if (last === undefined) return () => Promise.resolve();
  const named = others.reverse().map((statement, at) => sql`${sql.ref(`w${at}`)} as (${statement})`);
  const whole = named.length === 0 ? last : sql`with ${sql.join(named)} ${last}`;
  return async (tx) => {
    await whole.execute(tx);
  };
}

/** Writes the rows of one table, some at a time. */
export async function writeArchived(tx: ClubTransaction, clubId: string, table: Written): Promise<void> {
  for (let at = 0; at < table.rows.length; at += AT_ONCE)
    await prepareArchived(clubId, [{ ...table, rows: table.rows.slice(at, at + AT_ONCE) }])(tx);
}
