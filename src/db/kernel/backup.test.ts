import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { line } from '@/queries/aircraft/line';
import { given, testClub } from '@/testing/database';
import { inClub } from './club-transaction';
import { openDatabase, openPool } from './connection';

const RESTORED = 'groval_restore_test';
const at = (url: string, database: string) =>
  Object.assign(new URL(url), { pathname: `/${database}` }).toString();
const run = (tool: 'backup' | 'restore', file: string, url: string) =>
  spawnSync(process.execPath, [`tools/${tool}.mjs`, file], {
    encoding: 'utf8',
    env: { ...process.env, GROVAL_SUPERUSER_URL: url },
  });
let superuser: Client;
beforeAll(async () => {
  superuser = new Client({ connectionString: given('GROVAL_TEST_SUPERUSER_URL') });
  await superuser.connect();
  await superuser.query(`drop database if exists ${RESTORED} with (force)`);
  await superuser.query(`create database ${RESTORED} owner groval_owner`);
});
afterAll(async () => {
  await superuser.query(`drop database if exists ${RESTORED} with (force)`);
  await superuser.end();
});

describe('backup and restore', () => {
  it('two commands bring everything back, with the same decisions and the application’s own rights', async () => {
    const club = await testClub();
    const now = club.ports.now();
    const answer = (db: typeof club.ports.db) =>
      inClub(db, club.clubId, async (tx) => JSON.stringify(await line(tx, club.clubId, now, true)));
    const file = join(mkdtempSync(join(tmpdir(), 'groval-backup-')), 'all.backup');
    expect(run('backup', file, given('GROVAL_TEST_SUPERUSER_URL'))).toMatchObject({
      status: 0,
      stdout: expect.stringContaining('Everything is in') as string,
    });
    const target = at(given('GROVAL_TEST_SUPERUSER_URL'), RESTORED);
    expect(run('restore', file, target)).toMatchObject({
      status: 0,
      stdout: expect.stringContaining('Everything is back') as string,
    });
    const db = openDatabase(openPool(at(given('DATABASE_URL'), RESTORED), 2));
    try {
      expect(await answer(db)).toBe(await answer(club.ports.db));
      await expect(inClub(db, club.clubId, (tx) => tx.deleteFrom('ledger').execute())).rejects.toThrow(
        'permission denied',
      );
      expect(await db.selectFrom('aircraft').selectAll().execute()).toEqual([]);
    } finally {
      await db.destroy();
    }
    // A second time it would overwrite: it does not.
    expect(run('restore', file, target)).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('holds a club already') as string,
    });
    expect(run('backup', file, given('GROVAL_TEST_SUPERUSER_URL'))).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('is there already') as string,
    });
  }, 60_000);
  it('says what is missing or cannot be read', () => {
    expect(run('backup', '', '').stderr).toContain('usage');
    expect(run('restore', '/nowhere.backup', 'postgres://x').stderr).toContain('is not there');
    const broken = join(mkdtempSync(join(tmpdir(), 'groval-backup-')), 'broken.backup');
    writeFileSync(broken, 'no backup');
    expect(run('backup', join(tmpdir(), `groval-${process.pid}.backup`), '').stderr).toContain(
      'GROVAL_SUPERUSER_URL is not set',
    );
  });
});
