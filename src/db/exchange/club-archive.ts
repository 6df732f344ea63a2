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

/** What is written into a column, read from the record `from` that the JSON text became. */
function taken(from: 'r' | 's', column: string, type: string): ReturnType<typeof sql> {
  const [kind, cell] = [type.replace('?', ''), sql.ref(`${from}.${column}`)];
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

/**
 * Makes ready to write the rows of one table, many with one statement: they travel as one JSON text, and what is the same in all of them as a record of its own.
 * Nothing is written before what is returned is called, so that it can be made while the database is still busy with other rows.
 */
export function prepareArchived(
  clubId: string,
  name: string,
  { columns }: TableShape,
  rows: readonly ArchiveRow[],
): (tx: ClubTransaction) => Promise<void> {
  const names = Object.keys(columns);
  const type = (column: string) => columns[column] ?? 'text';
  const shape = (some: readonly string[]) =>
    sql.raw(
      some.map((column) => `"${column}" ${POSTGRES[type(column).replace('?', '')] ?? 'text'}`).join(', '),
    );
  const only = (row: ArchiveRow, some: readonly string[]) =>
    Object.fromEntries(some.map((column) => [column, row[column] ?? null]));
  const statements: ReturnType<typeof sql>[] = [];
  for (let at = 0; at < rows.length; at += AT_ONCE) {
    const page = rows.slice(at, at + AT_ONCE);
    const same = sameInAll(names, page);
    const [shared, own] = [
      names.filter((column) => same.has(column)),
      names.filter((column) => !same.has(column)),
    ];
    const source = sql`json_to_recordset(${JSON.stringify(page.map((row) => only(row, own)))}::json) as r(${shape(own)})`;
    const all =
      shared.length === 0
        ? source
        : sql`${source}, json_to_record(${JSON.stringify(only(page[0] ?? {}, shared))}::json) as s(${shape(shared)})`;
    statements.push(
      sql`insert into ${sql.table(name)} (club_id, ${sql.join(names.map((column) => sql.ref(column)))}) select ${clubId}::uuid, ${sql.join(names.map((column) => taken(same.has(column) ? 's' : 'r', column, type(column))))} from ${all}`,
    );
  }
  return async (tx) => {
    for (const statement of statements) await statement.execute(tx);
  };
}

/** Writes the rows of one table. */
export const writeArchived = (
  tx: ClubTransaction,
  clubId: string,
  name: string,
  shape: TableShape,
  rows: readonly ArchiveRow[],
): Promise<void> => prepareArchived(clubId, name, shape, rows)(tx);
