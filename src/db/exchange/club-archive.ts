import { sql, type RawBuilder } from 'kysely';
import type { ManyRows, Travelling } from '../kernel/bulk';
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

const nullable = (cell: RawBuilder<unknown>) => sql`nullif(${cell}, 'null'::jsonb)`;
const fromBase64 = (cell: RawBuilder<unknown>) => sql`decode(${cell}, 'base64')`;
const listOf = (type: string) => (cell: RawBuilder<unknown>) =>
  sql`case when ${cell} is null or jsonb_typeof(${cell}) = 'null' then null else array(select jsonb_array_elements_text(${cell}))::${sql.raw(type)}[] end`;

/** A column of the archive as it travels into the database. */
function travelling(column: string, kind: string): Travelling {
  const type = POSTGRES[kind] ?? 'text';
  if (kind === 'bytes') return { type, made: fromBase64 };
  if (kind === 'json') return { type, made: nullable };
  if (kind === 'texts') return { type, made: listOf(column === 'open_flights' ? 'uuid' : 'text') };
  return { type };
}

/** Rows of a table as the archive has them, for the club that they are of. */
export function archived(
  clubId: string,
  table: string,
  { columns }: TableShape,
  rows: readonly ArchiveRow[],
): ManyRows {
  const club: Travelling = { type: 'uuid', made: () => sql`${clubId}::uuid` };
  const own = Object.entries(columns).map(
    ([column, kind]) => [column, travelling(column, kind.replace('?', ''))] as const,
  );
  return { table, columns: { ...Object.fromEntries(own), club_id: club }, rows };
}
