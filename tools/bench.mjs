// npm run bench: makes what the measurements need, times the start, and runs bench/main.ts as the production build would.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './provision/build.mjs';
import { Cluster, freePort } from './provision/cluster.mjs';
import { applicationEnvironment, prepareDatabase } from './provision/database.mjs';
import { ensureDebianPackages } from './provision/debian.mjs';
import { takeLock } from './provision/lock.mjs';
import { ensureNpmPackages } from './provision/packages.mjs';
import { PROJECT, stateFolder } from './provision/places.mjs';
import { serve } from './provision/serve.mjs';
import { Explained, run, step } from './provision/steps.mjs';

const DEMO_DATA_S = 20;
const SECOND_START_S = 10;
const folder = stateFolder('bench');
const log = (name) => join(folder, 'logs', `${name}.log`);
const seconds = async (work) => { const started = performance.now(); await work(); return (performance.now() - started) / 1000; };

async function main() {
  const closers = [takeLock(folder, 'A bench')];
  const stop = async () => { for (const close of closers.splice(0).reverse()) await close(); };
  for (const [signal, code] of [['SIGINT', 130], ['SIGTERM', 143]]) process.on(signal, () => { void stop().then(() => process.exit(code)); });
  try {
    process.stdout.write('Groval bench\n');
    await step('Debian packages', () => ensureDebianPackages(['postgresql', 'chromium'], log('debian')));
    await step('npm packages', () => ensureNpmPackages(log('npm')));
    const cluster = new Cluster(folder);
    closers.push(() => cluster.stop());
    cluster.remove();
    await step('database', () => cluster.start());
    await step('application', () => ensureBuild(log('build')));
    const made = await seconds(() => step('tables and demo data', () => prepareDatabase(cluster, { database: 'groval', demo: true, log: log('prepare') })));

    // A second start, as npm run demo does it: everything is there already.
    cluster.stop();
    const port = await freePort();
    const url = `http://127.0.0.1:${port}`;
    let server;
    const again = await seconds(async () => {
      ensureDebianPackages(['postgresql'], log('debian'));
      await ensureNpmPackages(log('npm'));
      await cluster.start();
      await ensureBuild(log('build'));
      await prepareDatabase(cluster, { database: 'groval', demo: true, log: log('prepare') });
      rmSync(log('server'), { force: true });
      const { DEMO_PASSWORD } = await import('./demo-password.mjs');
      server = await serve({ host: '127.0.0.1', port, log: log('server'), env: { ...applicationEnvironment(cluster, 'groval', url), GROVAL_DEMO_PASSWORD: DEMO_PASSWORD, GROVAL_LOG_LEVEL: 'warn' } });
      await (await fetch(`${url}/line`)).text();
    });
    closers.push(server.stop);
    const verdict = (value, most) => `${value.toFixed(1).padStart(7)} s   wanted at most ${most} s${value <= most ? '   met' : '   NOT MET'}`;
    process.stdout.write(`\nStart\n  ${'demo data, with the tables'.padEnd(62)} ${verdict(made, DEMO_DATA_S)}\n  ${'second start to the first page'.padEnd(62)} ${verdict(again, SECOND_START_S)}\n`);

    // Built like the application: run from source, the helpers of the loader would be measured too.
    const { build } = await import('vite');
    await build({ root: PROJECT, configFile: false, logLevel: 'error', resolve: { alias: { '@': join(PROJECT, 'src') } }, build: { ssr: 'bench/main.ts', outDir: join(PROJECT, '.groval', 'bench-build'), minify: false, target: 'node20' } });
    await run(process.execPath, [join(PROJECT, '.groval', 'bench-build', 'main.js')], { cwd: PROJECT, log: log('bench'), echo: true, env: { ...process.env, NODE_ENV: 'production', ...applicationEnvironment(cluster, 'groval', url), GROVAL_BENCH_SUPERUSER_URL: Object.assign(new URL(cluster.urls('groval').superuser), { pathname: '/groval' }).toString() } });
  } finally { await stop(); }
}

await main().catch((error) => { process.stderr.write(`${error instanceof Explained ? error.message : error.stack}\n`); process.exit(1); });
