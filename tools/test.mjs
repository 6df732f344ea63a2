// npm test: provisions what the tests need, runs all of them, and ends with one plain line.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { attack, prepareAttacked } from './attack.mjs';
import { ensureBuild } from './provision/build.mjs';
import { Cluster, freePort } from './provision/cluster.mjs';
import { applicationEnvironment, prepareDatabase } from './provision/database.mjs';
import { chromiumProgram, ensureDebianPackages } from './provision/debian.mjs';
import { takeLock } from './provision/lock.mjs';
import { ensureNpmPackages } from './provision/packages.mjs';
import { PROJECT, stateFolder } from './provision/places.mjs';
import { Explained, readJson, run, step } from './provision/steps.mjs';

const USAGE = `npm test [-- --only PART]   parts: static, core, rest, database, attack, browser`;
const PARTS = ['static', 'core', 'rest', 'database', 'attack', 'browser'];
/** The hostile run of every test is the same; npm run attack takes another seed each time. */
const SEED = 20_261_128;
/** The core is asked in a plain zone, and what hangs on dates in one that has daylight saving on the other half of the world. */
const ELSEWHERE = 'Australia/Sydney';

const folder = stateFolder('test');
const log = (name) => join(folder, 'logs', `${name}.log`);
const counts = { passed: 0, failed: 0 };

const bin = (name) => join(PROJECT, 'node_modules', '.bin', name);

/**
 * Something that is run and passes or fails: a check counts as one, a test runner as many as its report says.
 * A runner that dies without a report counts as one failure.
 * @typedef {{ about: string, command: string, args: string[], env?: Record<string, string>, report?: string, read?: (report: any) => { passed: number, failed: number } }} Job
 */

/** @param {string} about @param {string} command @param {string[]} args @param {Record<string, string>} env @returns {Job} */
const check = (about, command, args, env = {}) => ({ about, command, args, env });

/** Tests of Vitest. @returns {Job} */
function vitest(about, projects, env, files = []) {
  const report = reportOf(about);
  const named = projects.flatMap((project) => ['--project', project]);
  return {
    about,
    command: bin('vitest'),
    args: ['run', ...files, ...named, '--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
    env,
    report,
    read: (told) => ({ passed: told?.numPassedTests ?? 0, failed: told?.numFailedTests ?? 0 }),
  };
}

const fileName = (about) => about.replaceAll(/[ ,/]+/g, '-');
const reportOf = (about) => join(folder, `${fileName(about)}.json`);

/** Runs a job and counts what came of it. @param {Job} job @param {readonly string[]} before what its command is started by */
async function counted({ about, command, args, env, report, read }, before = []) {
  if (report !== undefined) rmSync(report, { force: true });
  const [program, ...words] = [...before, command, ...args];
  let trouble = null;
  try {
    await run(program, words, {
      cwd: PROJECT,
      log: log(fileName(about)),
      env: { ...process.env, ...env },
    });
  } catch (error) {
    trouble = error;
  }
  const told = read === undefined ? { passed: trouble === null ? 1 : 0, failed: 0 } : read(readJson(report));
  const failed = told.failed + (told.failed === 0 && (trouble !== null || told.passed === 0) ? 1 : 0);
  counts.passed += told.passed;
  counts.failed += failed;
  return { passed: told.passed, failed, trouble };
}

const tellTrouble = ({ message, output }) => {
  process.stderr.write(`${message}\n${(output ?? '').slice(-6000)}\n`);
};

/** Runs a job as a step of its own. @param {Job} job */
async function ran(job) {
  let came;
  await step(job.about, async () => {
    came = await counted(job);
    return job.read === undefined && came.failed === 0
      ? undefined
      : `${came.passed} passed, ${came.failed} failed`;
  });
  if (came.trouble !== null) tellTrouble(came.trouble);
}

/**
 * Starts jobs that know nothing of each other, two at a time and behind whatever else wants the machine: what waits for a
 * database, a timer or a browser leaves room for them. @param {readonly Job[]} jobs @returns what to wait for, and tell, at the end
 */
function beside(jobs) {
  const waiting = [...jobs];
  const troubles = [];
  const work = async () => {
    for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) {
      const { about } = next;
      const { trouble } = await counted(next, ['nice', '-n', '19']);
      if (trouble !== null)
        troubles.push(Object.assign(trouble, { message: `${about}: ${trouble.message}` }));
    }
  };
  const done = Promise.all([work(), work()]);
  return async () => {
    if (jobs.length === 0) return;
    await step('types, lint and structure', async () => {
      await done;
      return troubles.length === 0 ? `${jobs.length} beside` : `${troubles.length} of ${jobs.length} failed`;
    });
    for (const trouble of troubles) tellTrouble(trouble);
  };
}

const STRUCTURE = [
  check('lint', bin('eslint'), ['.', '--max-warnings', '0']),
  // The core by its own settings, src/core/tsconfig.json: it knows neither a page nor the system.
  check('types and lint that knows them', bin('oxlint'), ['--type-aware', '--type-check', '.']),
  check('formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.']),
  check('dead code', bin('knip'), []),
  check('published schemas', bin('tsx'), ['tools/write-schemas.ts', '--check']),
];

/** What knows of dates, and so of zones. */
const AWAY = ['src/core/time', 'src/explain', 'checks/published', 'tools/cases/answers'];

async function commandsAndTables(cluster) {
  await step('tables', () =>
    prepareDatabase(cluster, { database: 'groval_test', demo: false, log: log('prepare-test') }),
  );
  const urls = cluster.urls('groval_test');
  await ran(check('database types', process.execPath, ['tools/database-types.mjs', urls.owner, '--verify']));
  const superuser = Object.assign(new URL(urls.superuser), { pathname: '/groval_test' }).toString();
  await ran(
    vitest('database and commands', ['database'], {
      TZ: 'UTC',
      ...applicationEnvironment(cluster, 'groval_test', 'http://127.0.0.1:3600'),
      GROVAL_TEST_SUPERUSER_URL: superuser,
    }),
  );
  await ran(
    check('ledger whole after the tests', bin('tsx'), ['tools/verify-ledger.ts'], {
      GROVAL_SUPERUSER_URL: superuser,
    }),
  );
}

/** The attack, reduced: counts its parts and answers what came of them. A part that dies counts as one failure. */
async function attacked(cluster) {
  try {
    const results = await attack({ cluster, folder: cluster.folder, reduced: true, seed: SEED });
    for (const { clean } of results) counts[clean ? 'passed' : 'failed'] += 1;
    const told = results.map(({ name, line }) => `${name}: ${line}`);
    const unclean = results.filter(({ clean }) => !clean).map(({ name, line }) => `${name}: ${line}`);
    return { told, trouble: unclean.length === 0 ? null : { message: unclean.join('\n') } };
  } catch (error) {
    counts.failed += 1;
    return { told: ['attack: did not end'], trouble: error };
  }
}

/** The browser tests: counts them and answers what came of them. */
async function seen(cluster) {
  const { passed, failed, trouble } = await counted(await browserTests(cluster));
  return { told: [`browser: ${passed} passed, ${failed} failed`], trouble };
}

/** What is run against a whole server, each with a server and a cluster of its own. */
async function againstServers(jobs) {
  if (jobs.length === 0) return;
  const outcomes = [];
  await step('attack and browser', async () => {
    // One after the other: beside the browser tests a part of the attack was ended once without a word.
    for (const job of jobs) outcomes.push(await job());
    return outcomes.flatMap(({ told }) => told).join('; ');
  });
  for (const { trouble } of outcomes) if (trouble !== null) tellTrouble(trouble);
}

/** Makes the databases that the attack and the browser tests need, at once: each is the work of one core. */
async function preparedDatabases(cluster, attackedCluster, wanted) {
  const makers = [
    ...(wanted('browser')
      ? [
          async () => {
            const made = await prepareDatabase(cluster, {
              database: 'groval_browser',
              demo: true,
              log: log('prepare-browser'),
            });
            await prepareDatabase(cluster, {
              database: 'groval_empty',
              demo: false,
              log: log('prepare-empty'),
            });
            return made;
          },
        ]
      : []),
    ...(wanted('attack') ? [() => prepareAttacked(attackedCluster, attackedCluster.folder)] : []),
  ];
  if (makers.length === 0) return;
  await step('demo data', async () => (await Promise.all(makers.map((make) => make()))).join('; '));
}

/** The browser tests, against databases that are there. @returns {Promise<Job>} */
async function browserTests(cluster) {
  const port = await freePort();
  const filter = process.env.GROVAL_TEST_FILTER;
  const report = reportOf('browser');
  return {
    about: 'browser',
    command: bin('playwright'),
    args: ['test', ...(filter ? [filter] : [])],
    env: {
      ...applicationEnvironment(cluster, 'groval_browser', `http://127.0.0.1:${port}`),
      CHROMIUM: chromiumProgram(),
      GROVAL_TEST_PORT: String(port),
      GROVAL_LOG_LEVEL: 'warn',
      GROVAL_TEST_STATE: folder,
      GROVAL_TEST_EMPTY_URL: applicationEnvironment(cluster, 'groval_empty', '').DATABASE_URL,
      PLAYWRIGHT_JSON_OUTPUT_FILE: report,
    },
    report,
    read: (told) => ({
      passed: (told?.stats?.expected ?? 0) + (told?.stats?.flaky ?? 0),
      failed: told?.stats?.unexpected ?? 0,
    }),
  };
}

async function main() {
  let only;
  try {
    ({
      values: { only },
    } = parseArgs({ options: { only: { type: 'string' } } }));
  } catch (error) {
    throw new Explained(`${error.message}\n${USAGE}`);
  }
  if (only !== undefined && !PARTS.includes(only))
    throw new Explained(`--only ${only}: expected one of ${PARTS.join(', ')}`);
  const wanted = (part) => only === undefined || only === part;

  const giveBack = takeLock(folder, 'A test run');
  let cluster;
  let attackedCluster;
  const stop = () => {
    cluster?.stop();
    attackedCluster?.stop();
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
    process.stdout.write('Groval tests\n');
    if (wanted('database') || wanted('attack') || wanted('browser'))
      await step('Debian packages', () =>
        ensureDebianPackages(
          wanted('browser') ? ['postgresql', 'chromium-headless-shell'] : ['postgresql'],
          log('debian'),
        ),
      );
    await step('npm packages', () => ensureNpmPackages(log('npm')));
    // The framework writes these types; without them a fresh checkout does not know its own asset imports.
    if (wanted('static'))
      await step('route types', async () => {
        const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
        await run(bin('next'), ['typegen'], { cwd: PROJECT, log: log('typegen'), env });
      });
    if (wanted('database') || wanted('browser')) {
      cluster = new Cluster(folder);
      cluster.remove();
      await step('database', () => cluster.start());
    }
    // The attack ends connections, and once the whole cluster: it has its own.
    if (wanted('attack')) {
      attackedCluster = new Cluster(stateFolder('test-attacked'));
      attackedCluster.remove();
      await step('database to attack', () => attackedCluster.start());
    }
    // Alone: it works on every core, and the route types that it writes again are read below.
    if (wanted('attack') || wanted('browser')) await step('application', () => ensureBuild(log('build')));
    // In front, since they work on every core and their time limits know no waiting; together, so that the longest files of the one run beside the
    // many of the other.
    // Screens belong to the rest: they have a project of their own for their simulated browser.
    const computed = ['core', 'rest']
      .filter(wanted)
      .flatMap((part) => (part === 'rest' ? ['rest', 'screens'] : [part]));
    if (computed.length > 0) await ran(vitest(computed.join(' and '), computed, { TZ: 'UTC' }));
    const joined = beside([
      ...(wanted('static') ? STRUCTURE : []),
      // The answers hang on no clock of the machine: what knows of time, the sentences, the published rows and every example once more elsewhere.
      ...(wanted('core')
        ? [vitest(`answers in ${ELSEWHERE}`, ['core', 'rest'], { TZ: ELSEWHERE }, AWAY)]
        : []),
    ]);
    if (wanted('database')) await commandsAndTables(cluster);
    await preparedDatabases(cluster, attackedCluster, wanted);
    await againstServers([
      ...(wanted('attack') ? [() => attacked(attackedCluster)] : []),
      ...(wanted('browser') ? [() => seen(cluster)] : []),
    ]);
    await joined();
  } finally {
    stop();
  }
  process.stdout.write(`\n${counts.passed} passed, ${counts.failed} failed\n`);
  process.exitCode = counts.failed > 0 || counts.passed === 0 ? 1 : 0;
}

await main().catch((error) => {
  process.stderr.write(`${error instanceof Explained ? error.message : error.stack}\n`);
  process.stdout.write(`\n${counts.passed} passed, ${counts.failed + 1} failed\n`);
  process.exit(1);
});
