// npm run shots: takes one picture of each main view from demo data with a pinned clock, into docs/screenshots/.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO_PASSWORD } from './demo-password.mjs';
import { freePort } from './provision/cluster.mjs';
import { applicationEnvironment, prepareDatabase } from './provision/database.mjs';
import { chromiumProgram } from './provision/debian.mjs';
import { withInstallation } from './provision/installation.mjs';
import { PROJECT } from './provision/places.mjs';
import { serve } from './provision/serve.mjs';
import { step } from './provision/steps.mjs';

const NOW = '2026-11-24T13:42:00Z';
/** Answers the steps of a walk-round, all fine, until one is shown. */
const walkTo = (title) => async (page) => {
  for (;;) {
    const shown = await page.locator('h1').textContent();
    if (shown === title) return;
    if (/fuel gauge$/.test(shown)) {
      await page.getByRole('slider').click({ position: { x: 260, y: 30 } });
      await page.getByRole('button', { name: /^Keep/ }).click();
    } else {
      const fine = page.getByRole('button', { name: /^(Fine|Clean)/ });
      if ((await fine.count()) > 0) await fine.first().click();
      else {
        // A dip or the oil: a figure on its keys.
        for (const key of /^Dip/.test(shown) ? ['1', '3'] : ['6'])
          await page.getByRole('button', { name: key, exact: true }).click();
        await page.getByRole('button', { name: /^Keep/ }).click();
      }
    }
    await page.waitForFunction((before) => document.querySelector('h1')?.textContent !== before, shown);
  }
};

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const tap = (name) => (page) => page.getByRole('button', { name }).first().click();

const fill = (label, text) => (page) => page.getByLabel(label, { exact: true }).fill(text);

/** Each view: its file, who looks, at what size, where, and what they do first. */
const VIEWS = [
  { file: 'line', who: 'Mira Holt', size: DESK, path: '/line', acts: [tap('N07TB')] },
  {
    file: 'line-in-time',
    who: 'Mira Holt',
    size: DESK,
    path: '/line',
    acts: [
      (page) => page.getByRole('button', { name: 'N03TB', exact: true }).click(),
      (page) => page.keyboard.press('t'),
      (page) => page.getByRole('status').filter({ hasText: 'As it is planned' }).waitFor(),
      ...Array.from({ length: 6 }, () => (page) => page.keyboard.press('Shift+Period')),
      (page) => page.getByRole('status').filter({ hasText: 'As it is planned' }).waitFor(),
      (page) => page.getByRole('button', { name: 'What would let it go' }).click(),
      (page) => page.getByRole('region', { name: 'Another aircraft' }).waitFor(),
    ],
  },
  { file: 'wall', who: 'Mira Holt', size: { width: 1920, height: 1080 }, path: '/wall', acts: [] },
  {
    file: 'safety',
    who: 'Ines Marrow',
    size: { width: 1280, height: 1000 },
    path: '/safety',
    acts: [
      (page) => page.getByRole('heading', { name: 'Availability by aircraft' }).waitFor({ timeout: 60_000 }),
      (page) => page.getByText('the others are on the way').waitFor({ state: 'detached', timeout: 60_000 }),
    ],
  },
  { file: 'line-phone', who: 'Mira Holt', size: PHONE, path: '/line', acts: [] },
  { file: 'aircraft', who: 'Tomas Brandl', size: DESK, path: '/aircraft/N05TB', acts: [] },
  { file: 'chronic-defects', who: 'Sefa Lund', size: DESK, path: '/chronic', acts: [] },
  {
    file: 'entry',
    who: 'Tomas Brandl',
    size: DESK,
    path: '/aircraft/N02TB#maintenance',
    acts: [tap('Record maintenance'), fill('Time in service then', '4177.5')],
  },
  { file: 'dispatch', who: 'Mira Holt', size: DESK, path: '/dispatch', acts: [] },
  {
    file: 'check-out',
    who: 'Mira Holt',
    size: { width: 1280, height: 1200 },
    path: '/dispatch',
    acts: [
      (page) => page.getByRole('link', { name: /J\. Sol/ }).click(),
      fill('Tach shows', '4717.50'),
      fill('Hour meter shows', '4721.12'),
      fill('Fuel, left', '14'),
      fill('Fuel, right', '13.5'),
      fill('Oil, as read', '6'),
      (page) => page.getByRole('textbox', { name: 'Remarks' }).click(),
    ],
  },
  {
    file: 'flights',
    who: 'Mira Holt',
    size: DESK,
    path: '/flights',
    acts: [tap('Enter a flight'), fill('From', '1700'), fill('To', '1830'), fill('Hours in the air', '1.2')],
  },
  { file: 'new-findings', who: 'Tomas Brandl', size: DESK, path: '/triage', acts: [] },
  { file: 'sheet', who: 'Mira Holt', size: DESK, path: '/sheet/N07TB#day=2026-11-21', acts: [] },
  {
    file: 'release',
    who: 'Rosa Venn',
    size: DESK,
    path: '/aircraft/VH-TB0X1',
    acts: [tap('Sign the daily inspection')],
  },
  {
    file: 'documents',
    who: 'Pia Okoro',
    size: PHONE,
    path: '/document-check/N04TG',
    acts: [(page) => page.getByRole('radio', { name: 'Yes, readable and in view' }).click()],
  },
  {
    file: 'walk-mark',
    who: 'Pia Okoro',
    size: PHONE,
    path: '/ramp/N05TB',
    acts: [tap('Begin'), walkTo('Compare the known nick')],
  },
  {
    file: 'walk-dip',
    who: 'Rolf Dane',
    size: PHONE,
    path: '/ramp/N04TG',
    acts: [tap('Begin'), walkTo('Dip the left tank'), ...['9', 'Point', '5'].map(tap)],
  },
  // Last, since it enters an aircraft.
  { file: 'club', who: 'Agna Voss', size: DESK, path: '/club#rules', acts: [] },
  {
    file: 'aircraft-data',
    who: 'Agna Voss',
    size: DESK,
    path: '/club',
    acts: [
      tap('Enter an aircraft …'),
      fill('Registration, as painted', 'N08TG'),
      fill('Type', 'Quorin 160'),
      tap('Add'),
      (page) => page.waitForURL('**/aircraft-data/N08TG'),
    ],
  },
];

await withInstallation('shots', 'Taking pictures', async ({ cluster, log, closers }) => {
  await step('demo data', () =>
    prepareDatabase(cluster, {
      database: 'groval',
      demo: true,
      log: log('prepare'),
      env: { GROVAL_NOW: NOW },
    }),
  );
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const server = await serve({
    host: '127.0.0.1',
    port,
    log: log('server'),
    env: {
      ...applicationEnvironment(cluster, 'groval', url),
      GROVAL_NOW: NOW,
      GROVAL_DEMO_PASSWORD: DEMO_PASSWORD,
      GROVAL_LOG_LEVEL: 'warn',
    },
  });
  closers.push(server.stop);
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch({
    executablePath: chromiumProgram(),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  closers.push(() => browser.close());
  mkdirSync(join(PROJECT, 'docs', 'screenshots'), { recursive: true });
  for (const { file, who, size, path, acts } of VIEWS) {
    await step(file, async () => {
      const context = await browser.newContext({
        viewport: size,
        hasTouch: size === PHONE,
        isMobile: size === PHONE,
        locale: 'en-GB',
      });
      const page = await context.newPage();
      await page.goto(`${url}/sign-in`);
      if (who !== null) {
        await page.getByRole('button', { name: who }).click();
        await page.waitForURL(/\/(line|ramp)$/);
        await page.goto(`${url}${path}`);
      }
      await page.getByRole('heading').first().waitFor();
      await page.waitForLoadState('load');
      for (const act of acts) {
        await act(page);
        await page.waitForTimeout(400);
      }
      await page.waitForTimeout(1200);
      await page.screenshot({ path: join(PROJECT, 'docs', 'screenshots', `${file}.png`) });
      await context.close();
    });
  }
});
