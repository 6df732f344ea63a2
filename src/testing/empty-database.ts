// A migrated database with nothing in it, beside the one that the tests share. For tests only.
import { Client } from 'pg';
import { openDatabase, openPool, type Database } from '@/db/kernel/connection';
import { migrate } from '../../tools/database/migrate';
import { given } from './database';

const at = (url: string, database: string) =>
  Object.assign(new URL(url), { pathname: `/${database}` }).toString();

/** Makes it under this name, and answers a connection of the application's own role with what ends it. */
export async function emptyDatabase(
  name: string,
): Promise<{ readonly db: Database; readonly close: () => Promise<void> }> {
  const superuser = new Client({ connectionString: given('GROVAL_TEST_SUPERUSER_URL') });
  await superuser.connect();
  await superuser.query(`drop database if exists ${name} with (force)`);
  await superuser.query(`create database ${name} owner groval_owner`);
  const url = at(given('GROVAL_TEST_SUPERUSER_URL'), name);
  const inside = new Client({ connectionString: url });
  await inside.connect();
  // What making the roles prepares: schemas of the owner.
  await inside.query('revoke all on schema public from public');
  for (const schema of ['groval', 'auth', 'guard', 'migrations'])
    await inside.query(`create schema ${schema} authorization groval_owner`);
  await inside.end();
  const owner = new URL(url);
  owner.searchParams.set('options', '-c role=groval_owner');
  await migrate(owner.toString());
  const db = openDatabase(openPool(at(given('DATABASE_URL'), name), 4));
  const close = async () => {
    await db.destroy();
    // A connection that was closed here may still be ending over there; cut off, it would raise an error in nobody's hands.
    for (
      let turn = 0;
      turn < 100
      && (await superuser.query('select 1 from pg_stat_activity where datname = $1', [name])).rowCount !== 0;
      turn += 1
    )
      await new Promise((resolve) => {
        setTimeout(resolve, 50);
      });
    await superuser.query(`drop database ${name} with (force)`);
    await superuser.end();
  };
  return { db, close };
}
