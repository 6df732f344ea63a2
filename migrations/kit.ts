import { sql, type Kysely } from 'kysely';

/** Runs statements in a schema. */
export type Run = (text: string) => Promise<unknown>;

/** Statements of a migration, in one schema for the rest of its transaction. */
export async function runIn(db: Kysely<unknown>, schema: 'groval' | 'auth' | 'guard'): Promise<Run> {
  await sql.raw(`set local search_path = ${schema}`).execute(db);
  return (text) => sql.raw(text).execute(db);
}

/** What a table has beside its columns. */
interface Kept {
  /** Columns that its digests leave out, each with its reason where the table is made; null where its rows are no records. */
  readonly leftOut: readonly string[] | null;
}

/**
 * What every table of a club's has: rows are seen by their club alone, the application may read and add and never change or remove, and each row is
 * counted in the ledger entry of the transaction that wrote it.
 */
export async function keepByClub(run: Run, tables: Readonly<Record<string, Kept['leftOut']>>): Promise<void> {
  for (const [table, leftOut] of Object.entries(tables)) {
    await run(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy of_club on ${table} using (club_id = groval.current_club()) with check (club_id = groval.current_club());
      grant select, insert on ${table} to groval_app`);
    if (leftOut !== null)
      await run(
        `create trigger count_rows after insert on ${table} referencing new table as added for each statement execute function guard.count_rows('{${leftOut.join(',')}}')`,
      );
  }
}

/** The rows of a table without those that were struck out, for every reader; who may see a row of the table sees it here. */
export const countedView = (view: string, table: string, id: string): string =>
  `create view ${view} with (security_invoker = true) as select t.* from ${table} t where not exists (select from strike x where x.club_id = t.club_id and x.record_id = t.${id}); grant select on ${view} to groval_app`;

/** When a record happened, when it was written and by whom, and the transaction that wrote it. A column that is added later stands after these and may be null, so that the digests of rows of before stay what they are. */
export const WRITTEN =
  'happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null, batch uuid not null default groval.current_batch()';

/** The same for what nobody wrote by hand. */
export const STAMPED =
  'happened_at timestamptz not null, recorded_at timestamptz not null, batch uuid not null default groval.current_batch()';

/** A column's check that it holds one of some words. */
export const oneOf = (column: string, words: readonly string[]): string =>
  `check (${column} in (${words.map((word) => `'${word}'`).join(',')}))`;

/** Records are evidence: no migration takes any back. */
export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
