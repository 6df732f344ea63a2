import { sql, type Kysely } from 'kysely';
import PgBoss from 'pg-boss';
import { JOBS_SCHEMA, QUEUES } from '../../src/server/queues';

/**
 * Makes the job queue's own tables and our queues where they are not there. They hold nothing that is not
 * known elsewhere: no backup takes them along, and a restored database gets new ones. Safe to repeat.
 */
export async function prepareJobs(db: Kysely<unknown>): Promise<void> {
  const {
    rows: [found],
  } = await sql<{ there: boolean }>`select to_regclass(${`${JOBS_SCHEMA}.job`}) is not null as there`.execute(
    db,
  );
  if (found?.there !== true) await sql.raw(PgBoss.getConstructionPlans(JOBS_SCHEMA)).execute(db);
  for (const [name, options] of Object.entries(QUEUES)) {
    const { rows } = await sql`select from ${sql.table(`${JOBS_SCHEMA}.queue`)} where name = ${name}`.execute(
      db,
    );
    if (rows.length === 0)
      await sql`select ${sql.raw(JOBS_SCHEMA)}.create_queue(${name}, ${JSON.stringify(options)}::json)`.execute(
        db,
      );
  }
  await sql
    .raw(
      `grant usage on schema ${JOBS_SCHEMA} to groval_app;
       grant select, insert, update, delete on all tables in schema ${JOBS_SCHEMA} to groval_app;
       grant usage on all sequences in schema ${JOBS_SCHEMA} to groval_app`,
    )
    .execute(db);
}
