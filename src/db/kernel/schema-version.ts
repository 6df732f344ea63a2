import { sql } from 'kysely';
import type { Database } from './connection';

/** The newest migration that this program was written for. A test holds it against the folder of migrations. */
export const SCHEMA = '0019_flight_releases';

/**
 * Migrations of versions that were never published. Their records cannot be carried over: the ledger holds them as they were written
 * then.
 */
const UNPUBLISHED = [
  '0001_ground',
  '0002_sign_in',
  '0003_records',
  '0004_counter',
  '0005_founding',
  '0006_meter_box',
  '0007_club_change',
  '0008_guard',
  '0009_findings_name_equipment',
  '0010_rigging_and_words',
  '0011_temporary_registration',
];

/** Why a database on which some migrations were run can be neither used nor brought up to date; null where nothing stands against it. */
export const unpublishedTrouble = (ran: readonly string[]): string | null =>
  ran.some((name) => UNPUBLISHED.includes(name))
    ? 'This database was made by a version of Groval that was never published, and its records cannot be carried over. Nothing was changed. Begin with a new database; for the demo: npm run demo -- --reset'
    : null;

/** What PostgreSQL says where there is no such schema or table, or nobody said yet that we may look. Source: PostgreSQL 15, appendix A. */
const NOT_THERE = ['3F000', '42P01', '42501'];

/**
 * The newest migration that was run on the database; null where none was, or only by a program from before this was looked at.
 * @throws whatever the database says where it does not answer
 */
export async function readSchema(db: Database): Promise<string | null> {
  try {
    const { rows } = await sql<{
      name: string;
    }>`select name from migrations.kysely_migration order by name desc limit 1`.execute(db);
    return rows[0]?.name ?? null;
  } catch (error) {
    const code = typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
    if (NOT_THERE.includes(code)) return null;
    throw error;
  }
}

/**
 * Why this program must not work on a database as it stands, with what to do; null where both are of one version. Names of migrations
 * begin with their number.
 */
export function schemaTrouble(found: string | null, known: string = SCHEMA): string | null {
  if (found === known) return null;
  const unpublished = unpublishedTrouble(found === null ? [] : [found]);
  if (unpublished !== null) return unpublished;
  if (found === null || found < known)
    return `The database is older than this program (${found ?? 'no tables'}, wanted ${known}). Make a backup, then run npm run migrate.`;
  return `The database is newer than this program (${found}, known ${known}). Start the newer program, or go back to a backup of the older database.`;
}
