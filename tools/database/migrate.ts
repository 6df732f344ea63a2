// Runs the numbered migrations as the owner of the database.
import { promises as fs } from 'node:fs';
import { join, resolve, dirname } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { Kysely, Migrator, PostgresDialect, sql, type Migration, type MigrationProvider } from 'kysely';
import { Pool } from 'pg';
import { prepareJobs } from './prepare-jobs';
import { unpublishedTrouble } from '../../src/db/kernel/schema-version';

const FOLDER = resolve(dirname(fileURLToPath(import.meta.url)), '../../migrations');

const provider: MigrationProvider = {
  async getMigrations() {
    const names = (await fs.readdir(FOLDER)).filter((name) => /^\d{4}_.*\.ts$/.test(name)).sort();
    const loaded = await Promise.all(
      names.map(
        async (name) =>
          [
            name.replace(/\.ts$/, ''),
            (await import(pathToFileURL(join(FOLDER, name)).href)) as Migration,
          ] as const,
      ),
    );
    return Object.fromEntries(loaded);
  },
};

/** Names of the migrations that were run on a database; none on a new one. */
async function namesOfRun(db: Kysely<unknown>): Promise<readonly string[]> {
  const {
    rows: [there],
  } = await sql<{
    found: boolean;
  }>`select to_regclass('migrations.kysely_migration') is not null as found`.execute(db);
  if (there?.found !== true) return [];
  const { rows } = await sql<{ name: string }>`select name from migrations.kysely_migration`.execute(db);
  return rows.map(({ name }) => name);
}

/** Brings the database up to date. Answers the names of the migrations that were run. @param ownerUrl connection of groval_owner */
export async function migrate(ownerUrl: string): Promise<readonly string[]> {
  const db = new Kysely<unknown>({
    dialect: new PostgresDialect({ pool: new Pool({ connectionString: ownerUrl, max: 1 }) }),
  });
  try {
    const migrator = new Migrator({ db, provider, migrationTableSchema: 'migrations' });
    // Looked at first: what stands in the table and in no file would only be called corrupt.
    const trouble = unpublishedTrouble(await namesOfRun(db));
    if (trouble !== null) throw new Error(trouble);
    const { error, results } = await migrator.migrateToLatest();
    if (error !== undefined) throw error instanceof Error ? error : new Error(String(error));
    // The program looks whether the tables are those that it was written for.
    await sql`grant usage on schema migrations to groval_app`.execute(db);
    await sql`grant select on migrations.kysely_migration to groval_app`.execute(db);
    await prepareJobs(db);
    return (results ?? []).map(({ migrationName }) => migrationName);
  } finally {
    await db.destroy();
  }
}
