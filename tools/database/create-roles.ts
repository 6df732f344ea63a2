// Makes the migration owner, the application's role, the database and its schemas. Run as a superuser, safe to repeat.
import { Client } from 'pg';

/** Schemas: ours, the authentication library's, the migrations' own, and the job queue's. */
const SCHEMAS = ['groval', 'auth', 'guard', 'migrations', 'jobs'] as const;

export interface RoleWords {
  readonly owner: string;
  readonly app: string;
}

/**
 * @param superuserUrl connection of a superuser, to the database `postgres`
 * @param database name of the database to make
 * @param words passwords of the two roles
 */
export async function createRoles(superuserUrl: string, database: string, words: RoleWords): Promise<void> {
  if (!/^[a-z][a-z0-9_]{0,40}$/.test(database))
    throw new Error(
      `'${database}' is no name for a database: expected lower-case letters, digits and underscores`,
    );
  const admin = new Client({ connectionString: superuserUrl });
  await admin.connect();
  try {
    // Roles belong to the whole server: two databases that are made at once wait for each other here. The lock ends with the connection.
    await admin.query(`select pg_advisory_lock(hashtextextended('groval roles', 0))`);
    for (const [role, word] of [
      ['groval_owner', words.owner],
      ['groval_app', words.app],
    ] as const) {
      const { rowCount } = await admin.query('select from pg_roles where rolname = $1', [role]);
      await admin.query(
        `${rowCount === 0 ? 'create' : 'alter'} role ${role} login nosuperuser nobypassrls nocreatedb nocreaterole noinherit password ${admin.escapeLiteral(word)}`,
      );
    }
    const { rowCount } = await admin.query('select from pg_database where datname = $1', [database]);
    if (rowCount === 0) await admin.query(`create database ${database} owner groval_owner`);
    await admin.query(
      `revoke all on database ${database} from public; grant connect on database ${database} to groval_app`,
    );
  } finally {
    await admin.end();
  }
  const inside = new Client({
    connectionString: Object.assign(new URL(superuserUrl), { pathname: `/${database}` }).toString(),
  });
  await inside.connect();
  try {
    await inside.query('revoke all on schema public from public');
    for (const schema of SCHEMAS)
      await inside.query(`create schema if not exists ${schema} authorization groval_owner`);
  } finally {
    await inside.end();
  }
}
