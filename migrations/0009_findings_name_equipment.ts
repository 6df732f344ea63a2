import { sql, type Kysely } from 'kysely';

/**
 * A finding names every instrument that it may be about, since one step of the walk-round looks at several. The column stands last and
 * may be null, so that the digests of rows of before stay what they are.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`set local search_path = groval`.execute(db);
  await sql`alter table discrepancy add column equipment_kinds text[]`.execute(db);
}

export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
