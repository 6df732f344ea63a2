// npm test: provisions what the tests need, runs all of them, and ends with one plain line.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { attack } from './attack.mjs';
import { ensureBuild } from './provision/build.mjs';
import { Cluster, freePort } from './provision/cluster.mjs';
import { applicationEnvironment, prepareDatabase } from './provision/database.mjs';
import { ensureDebianPackages } from './provision/debian.mjs';
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

/** One check without tests of its own: counts as one. */
async function check(name, command, args, env = {}) {
  try {
    await step(name, async () => {
      await run(command, args, {
        cwd: PROJECT,
        log: log(name.replaceAll(' ', '-')),
        env: { ...process.env, ...env },
      });
    });
    counts.passed += 1;
  } catch (error) {
    counts.failed += 1;
    process.stderr.write(`${error.message}\n`);
  }
}

/** Checks that know nothing of each other, two at a time: each of them uses one of a machine's cores. Each counts as one. */
async function together(name, checks) {
  const waiting = [...checks];
  const troubles = [];
  const work = async () => {
    for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) {
      const [about, command, args] = next;
      try {
        await run(bin(command), args, {
          cwd: PROJECT,
          log: log(about.replaceAll(' ', '-')),
          env: process.env,
        });
        counts.passed += 1;
      } catch (error) {
        counts.failed += 1;
        troubles.push(`${about}: ${error.message}`);
      }
    }
  };
  await step(name, async () => {
    await Promise.all([work(), work()]);
    return troubles.length === 0
      ? `${checks.length} checks`
      : `${troubles.length} of ${checks.length} failed`;
  });
  for (const trouble of troubles) process.stderr.write(`${trouble}\n`);
}

/** A test runner that leaves a report; a runner that dies without one counts as one failure. */
async function suite(name, command, args, env, read) {
  const report = join(folder, `${name.replaceAll(/[ /]/g, '-')}.json`);
  rmSync(report, { force: true });
  let trouble = null;
  await step(name, async () => {
    try {
      await run(command, args(report), {
        cwd: PROJECT,
        log: log(name.replaceAll(/[ /]/g, '-')),
        env: { ...process.env, ...env },
      });
    } catch (error) {
      trouble = error;
    }
    const { passed, failed } = read(readJson(report));
    counts.passed += passed;
    counts.failed += failed + (failed === 0 && (trouble !== null || passed === 0) ? 1 : 0);
    return `${passed} passed, ${failed} failed`;
  });
  if (trouble !== null) process.stderr.write(`${trouble.message}\n${(trouble.output ?? '').slice(-6000)}\n`);
}

const vitest = (name, projects, env, files = []) =>
  suite(
    name,
    bin('vitest'),
    (report) => [
      'run',
      ...files,
      ...projects.flatMap((project) => ['--project', project]),
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ],
    env,
    (report) => ({ passed: report?.numPassedTests ?? 0, failed: report?.numFailedTests ?? 0 }),
  );

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
    process.stdout.write('Groval tests\n');
    if (wanted('database') || wanted('attack') || wanted('browser'))
      await step('Debian packages', () =>
        ensureDebianPackages(wanted('browser') ? ['postgresql', 'chromium'] : ['postgresql'], log('debian')),
      );
    await step('npm packages', () => ensureNpmPackages(log('npm')));
    if (wanted('static')) {
      // The framework writes these types; without them a fresh checkout does not know its own asset imports.
      await step('route types', async () => {
        await run(bin('next'), ['typegen'], {
          cwd: PROJECT,
          log: log('typegen'),
          env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
        });
      });
      await together('types, lint and structure', [
        ['lint', 'eslint', ['.', '--max-warnings', '0']],
        ['types and lint that knows them', 'oxlint', ['--type-aware', '--type-check', '.']],
        ['types of the core alone', 'tsc', ['--noEmit', '-p', 'src/core/tsconfig.json']],
        ['formatting', 'prettier', ['--check', '--log-level', 'warn', '.']],
        ['dead code', 'knip', []],
        ['published schemas', 'tsx', ['tools/write-schemas.ts', '--check']],
      ]);
    }
    // Together, so that the longest files of the one run beside the many of the other.
    const computed = ['core', 'rest'].filter(wanted);
    if (computed.length > 0)
      await vitest(computed.length === 2 ? 'core, screens, server, tools' : computed[0], computed, {
        TZ: 'UTC',
      });
    // The answers hang on no clock of the machine: what knows of time, the sentences, the published rows and every example once more elsewhere.
    if (wanted('core'))
      await vitest(`answers and dates in ${ELSEWHERE}`, ['core', 'rest'], { TZ: ELSEWHERE }, [
        'src/core/time',
        'src/explain',
        'checks/published',
        'tools/cases/answers',
      ]);
    if (wanted('database') || wanted('attack') || wanted('browser')) {
      cluster = new Cluster(folder);
      cluster.remove();
      await step('database', () => cluster.start());
    }
    if (wanted('database')) {
      await step('tables', () =>
        prepareDatabase(cluster, { database: 'groval_test', demo: false, log: log('prepare-test') }),
      );
      const urls = cluster.urls('groval_test');
      await check('database types', process.execPath, ['tools/database-types.mjs', urls.owner, '--verify']);
      const superuser = Object.assign(new URL(urls.superuser), { pathname: '/groval_test' }).toString();
      await vitest('database and commands', ['database'], {
        TZ: 'UTC',
        ...applicationEnvironment(cluster, 'groval_test', 'http://127.0.0.1:3600'),
        GROVAL_TEST_SUPERUSER_URL: superuser,
      });
      await check('ledger whole after the tests', bin('tsx'), ['tools/verify-ledger.ts'], {
        GROVAL_SUPERUSER_URL: superuser,
      });
    }
    if (wanted('attack')) {
      await step('application', () => ensureBuild(log('build')));
      await step('attacked, reduced', async () => {
        const results = await attack({ cluster, folder, reduced: true, seed: SEED });
        for (const { name, line, clean } of results) {
          counts[clean ? 'passed' : 'failed'] += 1;
          if (!clean) process.stderr.write(`${name}: ${line}\n`);
        }
        return results.map(({ name, line }) => `${name}: ${line}`).join('; ');
      });
    }
    if (wanted('browser')) {
      await step('application', () => ensureBuild(log('build')));
      const port = await freePort();
      const env = {
        ...applicationEnvironment(cluster, 'groval_browser', `http://127.0.0.1:${port}`),
        GROVAL_TEST_PORT: String(port),
        GROVAL_LOG_LEVEL: 'warn',
        GROVAL_TEST_STATE: folder,
      };
      await step('demo data', () =>
        prepareDatabase(cluster, { database: 'groval_browser', demo: true, log: log('prepare-browser') }),
      );
      await step('empty installation', () =>
        prepareDatabase(cluster, { database: 'groval_empty', demo: false, log: log('prepare-empty') }),
      );
      env.GROVAL_TEST_EMPTY_URL = applicationEnvironment(cluster, 'groval_empty', '').DATABASE_URL;
      await suite(
        'browser',
        bin('playwright'),
        () => ['test', ...(process.env.GROVAL_TEST_FILTER ? [process.env.GROVAL_TEST_FILTER] : [])],
        { ...env, PLAYWRIGHT_JSON_OUTPUT_FILE: join(folder, 'browser.json') },
        (report) => ({
          passed: (report?.stats?.expected ?? 0) + (report?.stats?.flaky ?? 0),
          failed: report?.stats?.unexpected ?? 0,
        }),
      );
    }
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
