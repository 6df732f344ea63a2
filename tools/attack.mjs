// npm run attack [-- --reduced] [--seed N] [--only PART]: hostile runs against a production server on loopback with a database of its
// own: every route by every role with hostile bodies, races, slow and greedy clients, kills with -9, phones that come back into signal.
// The seed is printed; the same seed sends the same.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureBuild } from './provision/build.mjs';
import { Cluster, freePort } from './provision/cluster.mjs';
import { applicationEnvironment, prepareDatabase } from './provision/database.mjs';
import { ensureDebianPackages } from './provision/debian.mjs';
import { takeLock } from './provision/lock.mjs';
import { ensureNpmPackages } from './provision/packages.mjs';
import { PROJECT, stateFolder } from './provision/places.mjs';
import { serve } from './provision/serve.mjs';
import { Explained, step } from './provision/steps.mjs';

const pause = (ms) =>
  new Promise((resolve) => {
    setTimeout(resolve, ms);
  });

/** Runs one part of the attack and answers its last line. @param meanwhile what is done once it has begun; the part is told when it is over */
function part(name, env, meanwhile = async () => {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(join(PROJECT, 'node_modules', '.bin', 'tsx'), ['attack/main.ts'], {
      cwd: PROJECT,
      stdio: ['pipe', 'pipe', 'inherit'],
      env: { ...process.env, ...env, GROVAL_ATTACK_PART: name },
    });
    child.stdin.on('error', () => {});
    let said = '';
    let killing = Promise.resolve();
    child.stdout.on('data', (text) => {
      const first = said === '';
      said += text;
      if (first) killing = meanwhile().finally(() => child.stdin.end());
    });
    child.once('error', reject);
    child.once('exit', () => {
      killing.then(() => {
        try {
          resolve(JSON.parse(said.trim().split('\n').at(-1) ?? ''));
        } catch {
          reject(new Explained(`the attack '${name}' ended without saying what came of it`));
        }
      }, reject);
    });
  });
}

const DATABASE = 'groval_attack';
/** The moment of everything that is attacked: the same data in every run. */
const NOW = '2026-11-28T14:00:00Z';

/** Makes the database that is attacked. @param {Cluster} cluster @param {string} folder */
export const prepareAttacked = (cluster, folder) =>
  prepareDatabase(cluster, {
    database: DATABASE,
    demo: true,
    log: join(folder, 'logs', 'prepare-attack.log'),
    env: { GROVAL_NOW: NOW },
  });

/**
 * Attacks a cluster that is started and has the database for it.
 * @param {{ cluster: Cluster, folder: string, reduced: boolean, seed: number, only?: string | null }} options `only` one part by its name
 * @returns {Promise<readonly { name: string, line: string, clean: boolean }[]>} what came of each part
 */
export async function attack({ cluster, folder, reduced, seed, only = null }) {
  const database = DATABASE;
  const port = await freePort();
  const start = () =>
    serve({
      host: '127.0.0.1',
      port,
      log: join(folder, 'logs', 'attacked-server.log'),
      env: {
        ...applicationEnvironment(cluster, database, `http://127.0.0.1:${port}`),
        GROVAL_NOW: NOW,
        GROVAL_DEMO_PASSWORD: 'tern-bay-demo',
        GROVAL_LOG_LEVEL: 'warn',
      },
    });
  let server = await start();
  const env = {
    GROVAL_ATTACK_BASE: server.url,
    GROVAL_ATTACK_SEED: String(seed),
    GROVAL_ATTACK_WHOLE: reduced ? '' : '1',
    GROVAL_SUPERUSER_URL: Object.assign(new URL(cluster.urls(database).superuser), {
      pathname: `/${database}`,
    }).toString(),
  };
  const results = [];
  const isWanted = (name) => only === null || only === name;
  try {
    for (const name of ['calls', 'slow'].filter(isWanted)) results.push({ name, ...(await part(name, env)) });
    const kills = async () => {
      for (let round = 0; round < (reduced ? 1 : 3); round += 1) {
        await pause(2000);
        server.child.kill('SIGKILL');
        await pause(300);
        server = await start();
        await pause(2000);
        // One backend of the database: PostgreSQL ends all the others with it and recovers.
        await cluster.killBackend();
        await pause(3000);
        if (!reduced) {
          await cluster.killServer();
          await pause(2000);
        }
      }
    };
    if (isWanted('kills')) results.push({ name: 'kills', ...(await part('writer', env, kills)) });
    // Fifty phones without signal come back at once; the server is killed twice with -9 meanwhile, and the database once.
    const whileSending = async () => {
      for (let round = 0; round < (reduced ? 1 : 2); round += 1) {
        await pause(reduced ? 500 : 4000);
        server.child.kill('SIGKILL');
        await pause(300);
        server = await start();
      }
      await pause(reduced ? 500 : 4000);
      await (reduced ? cluster.killBackend() : cluster.killServer());
    };
    if (isWanted('phones')) results.push({ name: 'phones', ...(await part('phones', env, whileSending)) });
  } finally {
    await server.stop();
  }
  return results;
}

async function main() {
  const { values } = parseArgs({
    options: {
      reduced: { type: 'boolean', default: false },
      only: { type: 'string' },
      seed: { type: 'string', default: String(Math.floor(Math.random() * 1e9)) },
    },
  });
  const folder = stateFolder('attack');
  const log = (name) => join(folder, 'logs', `${name}.log`);
  const giveBack = takeLock(folder, 'An attack');
  let cluster;
  const stop = () => {
    cluster?.stop();
    giveBack();
  };
  for (const [signal, code] of [
    ['SIGINT', 130],
    ['SIGTERM', 143],
  ])
    process.on(signal, () => {
      stop();
      process.exit(code);
    });
  try {
    process.stdout.write(`Groval attacked, seed ${values.seed}\n`);
    await step('Debian packages', () => ensureDebianPackages(['postgresql'], log('debian')));
    await step('npm packages', () => ensureNpmPackages(log('npm')));
    await step('application', () => ensureBuild(log('build')));
    cluster = new Cluster(folder);
    cluster.remove();
    await step('database', () => cluster.start());
    await step('demo data', () => prepareAttacked(cluster, folder));
    const results = await attack({
      cluster,
      folder,
      reduced: values.reduced,
      seed: Number(values.seed),
      only: values.only ?? null,
    });
    if (results.length === 0)
      throw new Explained(`no part is called ${values.only}: calls, slow, kills, phones`);
    for (const { name, line } of results) process.stdout.write(`${name}: ${line}\n`);
    process.exitCode = results.every(({ clean }) => clean) ? 0 : 1;
  } finally {
    stop();
  }
}

if (process.argv[1] === join(PROJECT, 'tools', 'attack.mjs'))
  await main().catch((error) => {
    process.stderr.write(`${error instanceof Explained ? error.message : error.stack}\n`);
    process.exit(1);
  });
