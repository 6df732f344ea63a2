import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, STILL } from './groval';
import { freePort } from './servers';

/** Where the database's user may go, too, when the tests run as root. */
const above = mkdtempSync('/var/tmp/groval-club-');
chmodSync(above, 0o711);
const folder = join(above, 'kept');
let running: ChildProcess | null = null;

/** Starts the installation and answers what it printed once it is open. */
async function start(port: number): Promise<string> {
  const child = spawn(process.execPath, ['tools/club.mjs', '--folder', folder, '--port', String(port)], {
    env: { ...process.env, GROVAL_URL: undefined, GROVAL_NOW: undefined, DATABASE_URL: undefined },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  running = child;
  let printed = '';
  return new Promise((resolve, reject) => {
    const take = (chunk: Buffer) => {
      printed += chunk.toString();
      if (/\nOpen http|one-time code:\s+\S+\n/.test(printed)) resolve(printed);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.once('exit', () => {
      reject(new Error(printed));
    });
  });
}
const stop = (): Promise<void> =>
  new Promise((resolve) => {
    const child = running;
    running = null;
    if (child === null || child.exitCode !== null) {
      resolve();
      return;
    }
    child.once('exit', () => {
      resolve();
    });
    child.kill('SIGTERM');
  });

test.afterAll(async () => {
  await stop();
  rmSync(above, { recursive: true, force: true });
});

test('a club’s own installation: founded by the code, kept over a stop, backed up each day', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const port = await freePort();
  const printed = await start(port);
  const [, code = ''] = /one-time code:\s+(\S+)/.exec(printed) ?? [];
  const backups = () => readdirSync(join(folder, 'backups')).filter((name) => name.endsWith('.backup'));
  expect(backups()).toHaveLength(1);
  const page = await (await browser.newContext(STILL)).newPage();
  await page.goto(`http://127.0.0.1:${port}/founding`);
  await page.getByLabel('One-time code').fill(code);
  await expect(page.getByRole('heading', { name: 'A new club' })).toBeVisible();
  const founded = await page.request.post(`http://127.0.0.1:${port}/api/founding`, {
    headers: { origin: `http://127.0.0.1:${port}` },
    data: {
      code,
      name: 'Ada Quill',
      email: 'ada@example.org',
      password: 'a-password-of-mine',
      club: {
        name: 'Gull Point Flyers',
        field: 'Gull Point',
        latitude: 44.53,
        longitude: -64.02,
        zone: 'America/Halifax',
        authority: {
          id: 'us-part91',
          parameters: { trainingUnder: 'part-61', lessons: 'lessons-are-for-hire' },
        },
        policy: null,
        estimates: [],
      },
    },
  });
  expect([await founded.text(), founded.status()]).toEqual([expect.stringContaining('clubId'), 200]);
  await stop();

  // What was recorded is there again, the code is not, and the backup of the day is made already.
  const again = await start(port);
  expect(again).not.toContain('one-time code');
  expect(again).toContain('made already');
  expect(backups()).toHaveLength(1);
  expect(existsSync(join(folder, 'backups', `${backups()[0] ?? ''}.heads.json`))).toBe(true);
  const signedIn = await page.request.post(`http://127.0.0.1:${port}/api/auth/sign-in/email`, {
    headers: { origin: `http://127.0.0.1:${port}` },
    data: { email: 'ada@example.org', password: 'a-password-of-mine' },
  });
  expect(signedIn.status()).toBe(200);
  await page.goto(`http://127.0.0.1:${port}/club`);
  await expect(page.getByRole('heading', { name: 'Gull Point Flyers' })).toBeVisible();
  await page.context().close();
});
