import type { Client } from 'pg';

/** How many rows of a table one transaction wrote, and the sums of their digests: `2:…:…:…:…`. */
export type Counts = ReadonlyMap<string, string>;

const keyOf = (club: string, batch: string, table: string): string => `${club} ${batch} ${table}`;

/** What the ledger says that every transaction wrote. */
export async function countedByLedger(client: Client): Promise<Counts> {
  const { rows } = await client.query<{ club_id: string; batch: string; name: string; sums: string }>(
    `select l.club_id, l.batch, r.key as name, array_to_string(array[sum(split_part(r.value, ':', 1)::numeric), sum(split_part(r.value, ':', 2)::numeric), sum(split_part(r.value, ':', 3)::numeric), sum(split_part(r.value, ':', 4)::numeric), sum(split_part(r.value, ':', 5)::numeric)], ':') as sums
     from groval.ledger l, jsonb_each_text(coalesce(l.body::jsonb->'rows', '{}')) r group by 1, 2, 3`,
  );
  return new Map(rows.map((row) => [keyOf(row.club_id, row.batch, row.name), row.sums]));
}

/** Tables that hold no records: the ledger itself, what is worked out from the records for lists, and what people were told of them. */
const NOT_COVERED = [
  'ledger',
  'meter_standing',
  'notice',
  'notice_read',
  'notice_setting',
  'notice_mail',
  'notice_mail_try',
  'notice_mail_end',
  'notice_look',
  'push_device',
  'push_device_end',
  'notice_push_try',
  'notice_push_end',
];

/**
 * Every table of records with the columns that its digests leave out, as the database's own triggers say. A table without its trigger is
 * in `bare`.
 */
async function coveredTables(
  client: Client,
): Promise<{ readonly tables: ReadonlyMap<string, string>; readonly bare: readonly string[] }> {
  const { rows } = await client.query<{ name: string; left_out: string | null }>(
    `select c.relname as name, (select convert_from(substring(t.tgargs from 1 for length(t.tgargs) - 1), 'UTF8') from pg_trigger t where t.tgrelid = c.oid and t.tgname = 'count_rows' and t.tgenabled = 'O') as left_out
     from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'groval' and c.relkind in ('r', 'p') order by 1`,
  );
  const records = rows.filter(({ name }) => !NOT_COVERED.includes(name));
  return {
    tables: new Map(records.map(({ name, left_out: left }) => [name, left ?? '{}'])),
    bare: records.filter(({ left_out: left }) => left === null).map(({ name }) => name),
  };
}

/** What is there: the rows of every covered table, added up in the same way. */
export async function countedInTables(client: Client): Promise<{
  readonly counts: Counts;
  readonly rows: ReadonlyMap<string, number>;
  readonly troubles: readonly string[];
}> {
  const counts = new Map<string, string>();
  const all = new Map<string, number>();
  // As where the rows were counted: these decide how a value is written as text.
  await client.query(
    `set timezone = 'UTC'; set datestyle = 'ISO'; set intervalstyle = 'postgres'; set bytea_output = 'hex'; set extra_float_digits = 1`,
  );
  const { tables, bare } = await coveredTables(client);
  for (const [table, left] of tables) {
    const { rows } = await client.query<{ club_id: string; batch: string; n: string; sums: string }>(
      `select d.club_id, d.batch, count(*) as n, array_to_string(array[count(*)::numeric, sum(guard.part(d.digest, 0)), sum(guard.part(d.digest, 1)), sum(guard.part(d.digest, 2)), sum(guard.part(d.digest, 3))], ':') as sums
       from (select t.club_id, t.batch, guard.row_digest($1, t, $2::text[]) as digest from groval.${table} t offset 0) d group by 1, 2`,
      [table, left],
    );
    all.set(
      table,
      rows.reduce((sum, { n }) => sum + Number(n), 0),
    );
    for (const row of rows) counts.set(keyOf(row.club_id, row.batch, table), row.sums);
  }
  return {
    counts,
    rows: all,
    troubles: bare.map(
      (table) => `${table}: rows of it are not counted any more; its trigger was removed or switched off`,
    ),
  };
}

/** Where records and ledger do not hold each other: rows that no entry counts, rows that are missing, and rows that were changed. */
export function compareCounts(ledger: Counts, tables: Counts): readonly string[] {
  const troubles: string[] = [];
  const number = (sums: string | undefined): number => Number(sums?.split(':')[0] ?? '0');
  for (const key of new Set([...ledger.keys(), ...tables.keys()])) {
    const [said, found] = [ledger.get(key), tables.get(key)];
    if (said === found) continue;
    const [club, batch, table] = key.split(' ');
    const [told, there] = [number(said), number(found)];
    const what =
      told === there
        ? `${there} ${there === 1 ? 'row was' : 'rows were'} written, and what they say now is something else: changed`
        : there > told
          ? `${there - told} of ${there} rows stand in no entry of the ledger`
          : `${told - there} of ${told} rows are missing`;
    troubles.push(`club ${club ?? ''}, ${table ?? ''}, batch ${batch ?? ''}: ${what}`);
  }
  return troubles.sort();
}

/** Pictures whose bytes are not those that were taken in. */
export async function changedPictures(client: Client): Promise<readonly string[]> {
  const troubles: string[] = [];
  for (const table of ['photo', 'record_photo']) {
    const { rows } = await client.query<{ club_id: string; photo_id: string }>(
      `select club_id, photo_id from groval.${table} where sha256(bytes) <> sha256`,
    );
    troubles.push(
      ...rows.map((row) => `club ${row.club_id}, ${table} ${row.photo_id}: the picture was changed`),
    );
  }
  return troubles;
}
