// npm run club: an installation for a club that means it, with its own database in a folder of its own, kept from day to day.
import { spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { homedir, userInfo } from 'node:os';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { Client } from 'pg';
import { ensureBuild } from './provision/build.mjs';
import { Cluster } from './provision/cluster.mjs';
import { applicationEnvironment, prepareDatabase } from './provision/database.mjs';
import { ensureDebianPackages } from './provision/debian.mjs';
import { takeLock } from './provision/lock.mjs';
import { ensureNpmPackages } from './provision/packages.mjs';
import { otherUsersMayReach, PROJECT, stateFolder } from './provision/places.mjs';
import { backupName, madeAt, toRemove } from './provision/rotation.mjs';
import { serve } from './provision/serve.mjs';
import { choosePort, ending, isLoopback, wantedPort } from './provision/starting.mjs';
import { Explained, step } from './provision/steps.mjs';
import { unitText } from './provision/unit.mjs';

const USAGE = `npm run club -- [--folder FOLDER] [--port N] [--host ADDRESS] [--unit]

Starts Groval for a club of your own on this machine, empty at first, and prints the address and the one-time code that founds the club.
Everything is kept in the folder; stop with Ctrl-C and start again as often as you like.
  --folder FOLDER  where the database, its passwords and the backups are (${join('~', '.local', 'share', 'groval')} without it; /var/lib/groval for root)
  --port N         listen on this port (3600 or the next free one without it)
  --host ADDRESS   listen on this address instead of 127.0.0.1
  --unit           print the unit for systemd that starts it with the machine, and end
GROVAL_URL=https://its-address in the environment is the address that people open, where a TLS proxy stands in front.

A backup is made each day into FOLDER/backups: the last 14 days and the first of each of the last 12 months are kept. Copy them elsewhere.
Before a newer version changes the tables, a backup is made that is never removed.`;

const DATABASE = 'groval';
const DAY_MS = 24 * 3600 * 1000;
/** How often it is looked whether a backup is due. */
const LOOK_MS = 10 * 60 * 1000;

const usualFolder = () =>
  process.getuid?.() === 0
    ? '/var/lib/groval'
    : join(process.env.XDG_DATA_HOME ?? join(homedir(), '.local', 'share'), 'groval');

function options() {
  let values;
  try {
    ({ values } = parseArgs({
      options: {
        folder: { type: 'string' },
        port: { type: 'string' },
        host: { type: 'string' },
        unit: { type: 'boolean' },
        help: { type: 'boolean', short: 'h' },
      },
    }));
  } catch (error) {
    throw new Explained(`${error.message}\n\n${USAGE}`);
  }
  if (values.help) return null;
  return {
    folder: resolve(values.folder ?? usualFolder()),
    port: wantedPort(values.port),
    host: values.host ?? '127.0.0.1',
    unit: values.unit ?? false,
  };
}

/** The folder, made where it is not there. Never one of the demo's or the tests', and never somebody else's. */
function ownFolder(folder) {
  const kept = [join(PROJECT, '.groval'), resolve(stateFolder('demo'), '..')];
  if (kept.some((base) => folder === base || folder.startsWith(`${base}/`)))
    throw new Explained(`${folder} is where this checkout keeps its demo. Choose a folder outside of it.`);
  const mark = join(folder, 'groval-club');
  if (existsSync(folder) && !existsSync(mark) && readdirSync(folder).length > 0)
    throw new Explained(
      `${folder} holds other files. Choose an empty folder, or one that does not exist yet.`,
    );
  mkdirSync(join(folder, 'logs'), { recursive: true, mode: 0o711 });
  mkdirSync(join(folder, 'backups'), { recursive: true, mode: 0o700 });
  if (process.getuid?.() === 0 && !otherUsersMayReach(folder))
    throw new Explained(
      `The database runs as the user postgres, who cannot enter ${folder}: a folder above it is closed to others. Choose another, such as /var/lib/groval, or start as the person whose folder it is.`,
    );
  writeFileSync(
    mark,
    'The database of a club. Removing this folder removes everything that the club recorded.\n',
  );
  return folder;
}

/** The newest migration that was run, or null on a new database. */
async function lastMigration(url) {
  const client = new Client({ connectionString: url });
  try {
    await client.connect();
    const {
      rows: [row],
    } = await client.query('select name from migrations.kysely_migration order by name desc limit 1');
    return row?.name ?? null;
  } catch (error) {
    // There is no such database, or nothing in it yet. Source: PostgreSQL 15, appendix A.
    if (['3D000', '42P01', '3F000'].includes(error.code)) return null;
    throw error;
  } finally {
    await client.end().catch(() => undefined);
  }
}

const newestMigration = () =>
  readdirSync(join(PROJECT, 'migrations'))
    .filter((name) => /^\d{4}_.*\.ts$/.test(name))
    .sort()
    .at(-1)
    ?.replace(/\.ts$/, '');

/** Writes everything to a new file. What is written halfway has another name. */
function backUp(url, file, log) {
  const half = `${file}.part`;
  for (const old of [half, `${half}.heads.json`]) rmSync(old, { force: true });
  const out = openSync(log, 'a');
  const done = spawnSync(process.execPath, [join(PROJECT, 'tools', 'backup.mjs'), half], {
    cwd: PROJECT,
    env: { ...process.env, GROVAL_SUPERUSER_URL: url },
    stdio: ['ignore', out, out],
  });
  if (done.status !== 0) throw new Explained(`The backup was not made; see ${log}`);
  renameSync(`${half}.heads.json`, `${file}.heads.json`);
  renameSync(half, file);
}

/** The day's backup where it is due, and the old ones away. Answers its name, or null where none was due. */
function dailyBackup(folder, url) {
  const backups = join(folder, 'backups');
  const last = Math.max(0, ...readdirSync(backups).map((name) => madeAt(name) ?? 0));
  const now = new Date();
  if (now.getTime() - last < DAY_MS) return null;
  const name = backupName(now);
  backUp(url, join(backups, name), join(folder, 'logs', 'backup.log'));
  for (const old of toRemove(readdirSync(backups)))
    for (const file of [old, `${old}.heads.json`]) rmSync(join(backups, file), { force: true });
  return name;
}

/** Whether anybody has an account: then the club is founded, and no code is printed. */
async function anyAccount(url) {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query('select 1 from auth."user" limit 1')).rows.length > 0;
  } finally {
    await client.end();
  }
}

/** The one-time code that the server prints a moment after it answers. */
async function printedCode(path) {
  for (let tries = 0; tries < 150; tries += 1) {
    const code = /enter this one-time code:\s+(\S+)/.exec(readFileSync(path, 'utf8'))?.[1];
    if (code !== undefined) return code;
    await new Promise((resolve) => {
      setTimeout(resolve, 100);
    });
  }
  throw new Explained(`The server printed no one-time code; its output is in ${path}`);
}

async function main() {
  const wish = options();
  if (wish === null) {
    process.stdout.write(`${USAGE}\n`);
    return;
  }
  if (wish.unit) {
    process.stdout.write(
      unitText({
        node: process.execPath,
        project: PROJECT,
        user: userInfo().username,
        folder: wish.folder,
        port: wish.port ?? 3600,
        url: process.env.GROVAL_URL ?? null,
      }),
    );
    return;
  }
  const port = await choosePort(wish.host, wish.port, 'npm run club --');
  const folder = ownFolder(wish.folder);
  const log = (name) => join(folder, 'logs', `${name}.log`);
  const { later, end, isEnding } = ending();
  later(takeLock(folder, 'This club'));
  try {
    process.stdout.write(`Groval, kept in ${folder}\n`);
    await step('Debian packages', () => ensureDebianPackages(['postgresql'], log('debian')));
    await step('npm packages', () => ensureNpmPackages(log('npm')));
    const cluster = new Cluster(folder);
    later(() => cluster.stop());
    await step('database', () => cluster.start());
    const superuser = cluster.urls(DATABASE).superuser.replace(/\/postgres$/, `/${DATABASE}`);
    await step('application', () => ensureBuild(log('build')));
    const before = await lastMigration(superuser);
    if (before !== null && before !== newestMigration())
      await step('backup before the tables change', () => {
        const name = `before-${newestMigration()}-${backupName(new Date())}`;
        backUp(superuser, join(folder, 'backups', name), log('backup'));
        return name;
      });
    await step('tables', () =>
      prepareDatabase(cluster, { database: DATABASE, demo: false, log: log('prepare') }),
    );
    await step('backup of the day', () => dailyBackup(folder, superuser) ?? 'made already');
    const open =
      process.env.GROVAL_URL
      ?? `http://${isLoopback(wish.host) && wish.host !== '::1' ? wish.host : '127.0.0.1'}:${port}`;
    await step('server', async () => {
      rmSync(log('server'), { force: true });
      const server = await serve({
        host: wish.host,
        port,
        log: log('server'),
        env: applicationEnvironment(cluster, DATABASE, open),
      });
      later(server.stop);
      server.child.once('exit', (code) => {
        if (isEnding()) return;
        process.stderr.write(`  The server ended by itself (${code}); its output is in ${log('server')}\n`);
        void end(1);
      });
    });
    const looking = setInterval(() => {
      try {
        const name = dailyBackup(folder, superuser);
        if (name !== null) process.stdout.write(`  backup ${name}\n`);
      } catch (error) {
        process.stderr.write(`  ${error.message}. It is tried again in ten minutes.\n`);
      }
    }, LOOK_MS);
    later(() => {
      clearInterval(looking);
    });
    const code = (await anyAccount(superuser)) ? null : await printedCode(log('server'));
    process.stdout.write(
      code === null
        ? `\nOpen ${open}   (Ctrl-C ends everything; what was recorded stays in ${folder})\n`
        : `\nNobody has an account here yet. Open ${open}/founding and enter this one-time code:\n\n    ${code}\n\n`,
    );
    if (!isLoopback(wish.host) && process.env.GROVAL_URL === undefined)
      process.stdout.write(
        'Nothing is encrypted here, so sign-in works only on this machine itself. For other machines put a TLS proxy in front and set GROVAL_URL.\n',
      );
  } catch (error) {
    process.stderr.write(`${error instanceof Explained ? error.message : error.stack}\n`);
    await end(1);
  }
}

await main().catch((error) => {
  process.stderr.write(`${error instanceof Explained ? error.message : error.stack}\n`);
  process.exit(1);
});
