import { readdirSync, readFileSync } from 'node:fs';
import { Client } from 'pg';
import { afterAll, describe, expect, it } from 'vitest';
import { openDatabase, openPool } from '@/db/kernel/connection';
import { readSchema, SCHEMA, schemaTrouble } from '@/db/kernel/schema-version';
import { given } from '@/testing/database';
import { emptyDatabase } from '@/testing/empty-database';
import { migrate } from '../../tools/database/migrate';

describe('the version of the tables', () => {
  const db = openDatabase(openPool(given('DATABASE_URL'), 1));
  afterAll(() => db.destroy());

  it('is that of the newest migration, which the program knows', async () => {
    const newest = readdirSync('migrations')
      .filter((name) => /^\d{4}_.*\.ts$/.test(name))
      .sort()
      .at(-1);
    expect(newest).toBe(`${SCHEMA}.ts`);
    expect(await readSchema(db)).toBe(SCHEMA);
  });
  it('of a version that was never published is refused, and nothing is changed', async () => {
    const { close } = await emptyDatabase('groval_unpublished');
    const url = Object.assign(new URL(given('GROVAL_TEST_SUPERUSER_URL')), {
      pathname: '/groval_unpublished',
    });
    url.searchParams.set('options', '-c role=groval_owner');
    const client = new Client({ connectionString: url.toString() });
    await client.connect();
    try {
      await client.query(
        `update migrations.kysely_migration set name = '0001_ground' where name = '0001_guard'; delete from migrations.kysely_migration where name = '0019_flight_releases'`,
      );
      await expect(migrate(url.toString())).rejects.toThrow('npm run demo -- --reset');
      const { rows } = await client.query<{ name: string }>('select name from migrations.kysely_migration');
      expect(rows.map(({ name }) => name)).not.toContain('0019_flight_releases');
    } finally {
      await client.end();
      await close();
    }
  });
  it('every migration says whether older programs may run on what it leaves', () => {
    for (const name of readdirSync('migrations').filter((file) => /^\d{4}_.*\.ts$/.test(file)))
      expect([name, /older programs/i.test(readFileSync(`migrations/${name}`, 'utf8'))]).toEqual([
        name,
        true,
      ]);
  });
  it.each([
    ['0011_b', null],
    [
      '0010_a',
      'The database is older than this program (0010_a, wanted 0011_b). Make a backup, then run npm run migrate.',
    ],
    [
      null,
      'The database is older than this program (no tables, wanted 0011_b). Make a backup, then run npm run migrate.',
    ],
    [
      '0012_c',
      'The database is newer than this program (0012_c, known 0011_b). Start the newer program, or go back to a backup of the older database.',
    ],
    [
      '0011_temporary_registration',
      'This database was made by a version of Groval that was never published, and its records cannot be carried over. Nothing was changed. Begin with a new database; for the demo: npm run demo -- --reset',
    ],
  ])('%s beside 0011_b', (found, trouble) => {
    expect(schemaTrouble(found, '0011_b')).toBe(trouble);
  });
});
