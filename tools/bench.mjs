// npm run bench: makes what the measurements need, times the start, and runs bench/main.ts as the production build would.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO_PASSWORD } from './demo-password.mjs';
import { ensureBuild } from './provision/build.mjs';
import { freePort } from './provision/cluster.mjs';
import { applicationEnvironment, prepareDatabase } from './provision/database.mjs';
import { chromiumProgram, ensureDebianPackages } from './provision/debian.mjs';
import { withInstallation } from './provision/installation.mjs';
import { ensureNpmPackages } from './provision/packages.mjs';
import { PROJECT } from './provision/places.mjs';
import { serve } from './provision/serve.mjs';
import { run, step } from './provision/steps.mjs';

const DEMO_DATA_S = 20;
const SECOND_START_S = 10;
const seconds = async (work) => {
  const started = performance.now();
  await work();
  return (performance.now() - started) / 1000;
};

await withInstallation('bench', 'A bench', async ({ cluster, log, closers }) => {
  const prepare = () => prepareDatabase(cluster, { database: 'groval', demo: true, log: log('prepare') });
  // Else the first start that is timed would build.
  await ensureBuild(log('build'));
  const made = await seconds(() => step('tables and demo data', prepare));

  // A second start, as npm run demo does it: everything is there already.
  cluster.stop();
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const again = await seconds(async () => {
    ensureDebianPackages(['postgresql'], log('debian'));
    await ensureNpmPackages(log('npm'));
    await cluster.start();
    await ensureBuild(log('build'));
    await prepare();
    rmSync(log('server'), { force: true });
    const server = await serve({
      host: '127.0.0.1',
      port,
      log: log('server'),
      env: {
        ...applicationEnvironment(cluster, 'groval', url),
        GROVAL_DEMO_PASSWORD: DEMO_PASSWORD,
        GROVAL_LOG_LEVEL: 'warn',
      },
    });
    closers.push(server.stop);
    await (await fetch(`${url}/line`)).text();
  });
  const verdict = (value, most) =>
    `${value.toFixed(1).padStart(8)} s   wanted at most ${most} s${value <= most ? '   met' : '   NOT MET'}`;
  process.stdout.write(
    `\nStart\n  ${'demo data, with the tables'.padEnd(62)} ${verdict(made, DEMO_DATA_S)}\n  ${'second start to the first page'.padEnd(62)} ${verdict(again, SECOND_START_S)}\n`,
  );

  // Built like the application: run from source, the helpers of the loader would be measured too.
  const { build } = await import('vite');
  await build({
    root: PROJECT,
    configFile: false,
    logLevel: 'error',
    resolve: { alias: { '@': join(PROJECT, 'src') } },
    build: {
      ssr: 'bench/main.ts',
      outDir: join(PROJECT, '.groval', 'bench-build'),
      minify: false,
      target: 'node20',
    },
  });
  const superuser = Object.assign(new URL(cluster.urls('groval').superuser), {
    pathname: '/groval',
  }).toString();
  await run(process.execPath, ['--expose-gc', join(PROJECT, '.groval', 'bench-build', 'main.js')], {
    cwd: PROJECT,
    log: log('bench'),
    echo: true,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      ...applicationEnvironment(cluster, 'groval', url),
      GROVAL_BENCH_SUPERUSER_URL: superuser,
      CHROMIUM: chromiumProgram(),
    },
  });
  // Large, and of no use to anything else: its packages have a folder of their own.
  const lighthouse = join(PROJECT, 'tools', 'lighthouse');
  await ensureNpmPackages(log('lighthouse-npm'), lighthouse);
  await run(process.execPath, [join(lighthouse, 'scores.mjs')], {
    cwd: PROJECT,
    log: log('lighthouse'),
    echo: true,
    env: { ...process.env, GROVAL_URL: url, CHROMIUM: chromiumProgram() },
  });
});
