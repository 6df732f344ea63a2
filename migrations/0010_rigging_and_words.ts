import { sql, type Kysely } from 'kysely';

/** Kinds of records by the names of before. Their digests stand in the ledger, so that no migration can give them others. */
const BEFORE = ['locator', 'receiver-check', 'directive', 'tightening', 'club-paper'];

/**
 * That a glider was rigged, and who checked it, is a record like the others that are kept whole. Kinds of records have the trade's names: ELT, VOR
 * check, AD, dispatch restriction, club document. The formats of before were not published, and a database that holds such records is not carried over.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`set local search_path = groval`.execute(db);
  const { rows } = await sql<{
    old: boolean;
  }>`select exists (select from aircraft_record where kind = any(${BEFORE})) as old`.execute(db);
  if (rows[0]?.old === true)
    throw new Error(
      'This database holds records of a version of Groval that was never published. Nothing was changed. Begin with a new database; for the demo: npm run demo -- --reset',
    );
  await sql`alter table aircraft_record drop constraint aircraft_record_kind_check`.execute(db);
  await sql`alter table aircraft_record add constraint aircraft_record_kind_check check (kind in ('stated','equipment','item','ad','deferral','elt','vor-check','database','fuel-stretch','work','permit','release','daily-inspection','flight-out','dispatch-restriction','club-document','tow-rope','rigging','measurement','sample','uplift','estimate','done','compliance','list-cleared','known-mark','unlogged','attribution'))`.execute(
    db,
  );
}

export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
