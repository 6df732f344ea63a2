import { readdirSync } from 'node:fs';
import { afterAll, describe, expect, it } from 'vitest';
import { openDatabase, openPool } from '@/db/kernel/connection';
import { readSchema, SCHEMA, schemaTrouble } from '@/db/kernel/schema-version';
import { given } from '@/testing/database';

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
  ])('%s beside 0011_b', (found, trouble) => {
    expect(schemaTrouble(found, '0011_b')).toBe(trouble);
  });
});
