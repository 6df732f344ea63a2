import { sql, type Kysely } from 'kysely';

/** That a glider was rigged, and who checked it, is a record like the others that are kept whole. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`set local search_path = groval`.execute(db);
  await sql`alter table aircraft_record drop constraint aircraft_record_kind_check`.execute(db);
  await sql`alter table aircraft_record add constraint aircraft_record_kind_check check (kind in ('stated','equipment','item','directive','deferral','locator','receiver-check','database','fuel-stretch','work','permit','release','daily-inspection','flight-out','tightening','club-paper','tow-rope','rigging','measurement','sample','uplift','estimate','done','compliance','list-cleared','known-mark','unlogged','attribution'))`.execute(db);
}

export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
