import { sql, type Kysely } from 'kysely';

/**
 * A document check says whether what is aboard is the certificate of registration or the copy of an application for it, which holds for 90 days and
 * inside the country only. Absent states that it is the certificate. Older programs may still run.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`set local search_path = groval`.execute(db);
  await sql`alter table document_sighting add column temporary boolean`.execute(db);
}

export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
