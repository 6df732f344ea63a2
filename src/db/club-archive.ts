import { sql } from 'kysely';
import type { ClubTransaction } from './connection';

/** A table to be read or written whole: the columns of its key, and each of its columns but the club with the kind of what it holds. */
export interface TableShape { readonly key: readonly string[]; readonly columns: Readonly<Record<string, string>> }

type ArchiveRow = Readonly<Record<string, unknown>>;

/** So many rows are read or written at once. */
const AT_ONCE = 2000;

function written(value: unknown, kind: string): unknown {
  if (value === null) return null;
  switch (kind.replace('?', '')) {
    case 'time': return (value as Date).toISOString();
    case 'bytes': return Buffer.from(value as Uint8Array).toString('base64');
    case 'int': return Number(value);
    default: return value;
  }
}

/** The rows of one table in the order of its key, a page at a time. */
export async function* archivedRows(tx: ClubTransaction, name: string, { key, columns }: TableShape): AsyncGenerator<readonly ArchiveRow[]> {
  const order = sql.join(key.map((column) => sql.ref(column)));
  let after: readonly unknown[] | null = null;
  for (;;) {
    const where: ReturnType<typeof sql> = after === null ? sql`true` : sql`(${order}) > (${sql.join(after)})`;
    const { rows }: { rows: Record<string, unknown>[] } = await sql<Record<string, unknown>>`select * from ${sql.table(name)} where ${where} order by ${order} limit ${AT_ONCE}`.execute(tx);
    if (rows.length > 0) yield rows.map((row) => Object.fromEntries(Object.entries(columns).map(([column, kind]) => [column, written(row[column] ?? null, kind)])));
    const last = rows.at(-1);
    if (last === undefined || rows.length < AT_ONCE) return;
    after = key.map((column) => last[column]);
  }
}

const POSTGRES: Readonly<Record<string, string>> = { id: 'uuid', text: 'text', texts: 'jsonb', int: 'bigint', number: 'double precision', bool: 'boolean', date: 'date', time: 'timestamptz', json: 'jsonb', bytes: 'text' };

/** Writes the rows of one table, many with one statement: the rows travel as one JSON text. */
export async function writeArchived(tx: ClubTransaction, clubId: string, name: string, { columns }: TableShape, rows: readonly ArchiveRow[]): Promise<void> {
  const names = Object.keys(columns);
  const taken = names.map((column) => {
    const kind = (columns[column] ?? 'text').replace('?', '');
    if (kind === 'bytes') return sql`decode(${sql.ref(`r.${column}`)}, 'base64')`;
    if (kind === 'texts') return sql`case when ${sql.ref(`r.${column}`)} is null or jsonb_typeof(${sql.ref(`r.${column}`)}) = 'null' then null else array(select jsonb_array_elements_text(${sql.ref(`r.${column}`)})) end${sql.raw(column === 'open_flights' ? '::uuid[]' : '')}`;
    return kind === 'json' ? sql`nullif(${sql.ref(`r.${column}`)}, 'null'::jsonb)` : sql`${sql.ref(`r.${column}`)}`;
  });
  const shape = sql.raw(names.map((column) => `"${column}" ${POSTGRES[(columns[column] ?? 'text').replace('?', '')] ?? 'text'}`).join(', '));
  for (let at = 0; at < rows.length; at += AT_ONCE) {
    await sql`insert into ${sql.table(name)} (club_id, ${sql.join(names.map((column) => sql.ref(column)))}) select ${clubId}::uuid, ${sql.join(taken)} from json_to_recordset(${JSON.stringify(rows.slice(at, at + AT_ONCE))}::json) as r(${shape})`.execute(tx);
  }
}
