// npm run shots: takes one picture of each main view from demo data with a pinned clock, into docs/screenshots/.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './provision/build.mjs';
import { Cluster, freePort } from './provision/cluster.mjs';
import { applicationEnvironment, prepareDatabase } from './provision/database.mjs';
import { ensureDebianPackages, chromiumProgram } from './provision/debian.mjs';
import { takeLock } from './provision/lock.mjs';
import { ensureNpmPackages } from './provision/packages.mjs';
import { PROJECT, stateFolder } from './provision/places.mjs';
import { serve } from './provision/serve.mjs';
import { Explained, step } from './provision/steps.mjs';
import { DEMO_PASSWORD } from './demo-password.mjs';

const NOW = '2026-11-24T13:42:00Z';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const tap = (name) => (page) => page.getByRole('button', { name }).first().click();

/** Each view: its file, who looks, at what size, where, and what they do first. */
const VIEWS = [
  { file: 'sign-in', who: null, size: DESK, path: '/sign-in', acts: [] },
  { file: 'line', who: 'Mira Holt', size: DESK, path: '/line', acts: [tap('N07TB')] },
  { file: 'line-dim', who: 'Mira Holt', size: DESK, path: '/line', acts: [tap('N05TB'), tap('Dim')] },
  { file: 'aircraft', who: 'Tomas Brandl', size: DESK, path: '/aircraft/N05TB', acts: [] },
  { file: 'aircraft-repair', who: 'Tomas Brandl', size: { width: 1280, height: 1000 }, path: '/aircraft/N05TB', acts: [tap('Record what was done')] },
  { file: 'ramp-aircraft', who: 'Rolf Dane', size: PHONE, path: '/ramp', acts: [] },
  { file: 'ramp-station', who: 'Rolf Dane', size: PHONE, path: '/ramp/N02TB', acts: [] },
  { file: 'ramp-what', who: 'Rolf Dane', size: PHONE, path: '/ramp/N02TB', acts: [tap('Propeller'), tap('Blade faces'), tap('New nick')] },
  { file: 'ramp-looks', who: 'Rolf Dane', size: PHONE, path: '/ramp/N02TB', acts: [tap('Propeller'), tap('Blade faces'), tap('New nick'), tap('Keep this')] },
];

async function main() {
  const folder = stateFolder('shots');
  const log = (name) => join(folder, 'logs', `${name}.log`);
  const closers = [takeLock(folder, 'Taking pictures')];
  const stop = async () => { for (const close of closers.splice(0).reverse()) await close(); };
  for (const [signal, code] of [['SIGINT', 130], ['SIGTERM', 143]]) process.on(signal, () => { void stop().then(() => process.exit(code)); });
  try {
    await step('Debian packages', () => ensureDebianPackages(['postgresql', 'chromium'], log('debian')));
    await step('npm packages', () => ensureNpmPackages(log('npm')));
    const cluster = new Cluster(folder);
    closers.push(() => cluster.stop());
    cluster.remove();
    await step('database', () => cluster.start());
    await step('application', () => ensureBuild(log('build')));
    await step('demo data', () => prepareDatabase(cluster, { database: 'groval', demo: true, log: log('prepare'), env: { GROVAL_NOW: NOW } }));
    const port = await freePort();
    const url = `http://127.0.0.1:${port}`;
    const server = await serve({ host: '127.0.0.1', port, log: log('server'), env: { ...applicationEnvironment(cluster, 'groval', url), GROVAL_NOW: NOW, GROVAL_DEMO_PASSWORD: DEMO_PASSWORD, GROVAL_LOG_LEVEL: 'warn' } });
    closers.push(server.stop);
    const { chromium } = await import('@playwright/test');
    const browser = await chromium.launch({ executablePath: chromiumProgram(), args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] });
    closers.push(() => browser.close());
    mkdirSync(join(PROJECT, 'docs', 'screenshots'), { recursive: true });
    for (const { file, who, size, path, acts } of VIEWS) {
      await step(file, async () => {
        const context = await browser.newContext({ viewport: size, hasTouch: size === PHONE, isMobile: size === PHONE, locale: 'en-GB' });
        const page = await context.newPage();
        await page.goto(`${url}/sign-in`);
        if (who !== null) {
          await page.getByRole('button', { name: who }).click();
          await page.waitForURL(/\/(line|ramp)$/);
          await page.goto(`${url}${path}`);
        }
        await page.getByRole('heading').first().waitFor();
        await page.waitForLoadState('load');
        for (const act of acts) { await act(page); await page.waitForTimeout(400); }
        await page.waitForTimeout(1200);
        await page.screenshot({ path: join(PROJECT, 'docs', 'screenshots', `${file}.png`) });
        await context.close();
      });
    }
  } finally { await stop(); }
}

await main().catch((error) => { process.stderr.write(`${error instanceof Explained ? error.message : error.stack}\n`); process.exit(1); });
