// What a first visit costs: the Line in a real browser, and the JavaScript of the ramp against the bare page of the same shell.
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { type Browser, chromium } from '@playwright/test';
import { CHROMIUM_ARGUMENTS, quantile, type Figure } from './measure';

const VISITS = 5;
/** The Line of 500 aircraft, to its first row. */
const LARGE_LINE_MS = 600;
/** Desk pages, and what each may load at first, in kilobytes. */
const DESK = [
  ['Line', '/line'],
  ['Aircraft', '/aircraft/N02TB'],
  ['Dispatch', '/dispatch'],
  ['Flights', '/flights'],
  ['Import and export', '/import-export'],
  ['Club', '/club'],
  ['Aircraft data', '/aircraft-data/N02TB'],
] as const;
const DESK_KB = 250;
/** What a page fetches in advance comes within this time. */
const FETCHES_MS = 2000;

/** Kilobytes of compressed script that a built page asks for at once. */
function scriptsOf(page: string): number {
  const html = readFileSync(`.next/server/app/${page}.html`, 'utf8');
  const names = new Set(
    [...html.matchAll(/<script[^>]*\ssrc="\/_next\/([^"?]+)/g)]
      .filter(([tag]) => !tag.includes('noModule'))
      .map(([, name]) => name ?? ''),
  );
  return [...names].reduce((sum, name) => sum + gzipSync(readFileSync(`.next/${name}`)).length, 0) / 1024;
}

/** Kilobytes of compressed script that a page loads before anybody touches it, whatever it fetches in advance included. */
async function scriptsLoaded(browser: Browser, url: string, path: string): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.request.post(`${url}/api/demo`, {
    headers: { origin: url },
    data: { email: 'dispatcher@ternbay.example' },
  });
  const session = await context.newCDPSession(page);
  await session.send('Network.enable');
  const isScript = new Map<string, boolean>();
  let bytes = 0;
  session.on('Network.responseReceived', ({ requestId, response }) => {
    isScript.set(requestId, /\.js(\?|$)/.test(response.url));
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (isScript.get(requestId) === true) bytes += encodedDataLength;
  });
  await page.goto(`${url}${path}`);
  await page.getByRole('main').waitFor();
  // The stream of live events never ends, so the network is never idle.
  await page.waitForTimeout(FETCHES_MS);
  await context.close();
  return bytes / 1024;
}

/** Milliseconds from going to the Line, with an empty cache, to its first row. @param club where somebody works who belongs to several */
async function toFirstRow(browser: Browser, url: string, email: string, club?: string): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const headers = { origin: url };
  await page.request.post(`${url}/api/demo`, { headers, data: { email } });
  if (club !== undefined) await page.request.post(`${url}/api/me/club`, { headers, data: { clubId: club } });
  const started = performance.now();
  await page.goto(`${url}/line`);
  await page.getByRole('rowheader').first().waitFor();
  const took = performance.now() - started;
  await context.close();
  return took;
}

/** @param large a club of 500 aircraft, and who dispatches in it */
export async function benchPage(
  url: string,
  large: { readonly email: string; readonly clubId: string },
): Promise<readonly Figure[]> {
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: CHROMIUM_ARGUMENTS,
  });
  const times: number[] = [];
  const largeTimes: number[] = [];
  const scripts: [name: string, kilobytes: number][] = [];
  try {
    for (let visit = 0; visit < VISITS; visit += 1) {
      times.push(await toFirstRow(browser, url, 'dispatcher@ternbay.example'));
      largeTimes.push(await toFirstRow(browser, url, large.email, large.clubId));
    }
    for (const [name, path] of DESK) scripts.push([name, await scriptsLoaded(browser, url, path)]);
  } finally {
    await browser.close();
  }
  const largeLine = quantile(largeTimes, 0.5);
  const [ramp, bare] = [scriptsOf('ramp'), scriptsOf('_not-found')];
  return [
    {
      name: 'the Line in a browser, empty cache, to the first row',
      value: `${quantile(times, 0.5).toFixed(0)} ms`,
      note: `median of ${VISITS}`,
    },
    {
      name: 'the same with 500 aircraft',
      value: `${largeLine.toFixed(0)} ms`,
      note: `${(largeLine / quantile(times, 0.5)).toFixed(2)} times as long; wanted at most ${LARGE_LINE_MS} ms`,
      met: largeLine <= LARGE_LINE_MS,
    },
    {
      name: 'JavaScript of the ramp’s first load',
      value: `${ramp.toFixed(0)} kB`,
      note: `${(ramp / bare).toFixed(2)} times a bare page of the same shell (${bare.toFixed(0)} kB); wanted at most 1.4`,
      met: ramp <= 1.4 * bare,
    },
    ...scripts.map(([name, kilobytes]): Figure => ({
      name: `scripts of the first load: ${name}`,
      value: `${kilobytes.toFixed(0)} kB`,
      note: `wanted at most ${DESK_KB} kB`,
      met: kilobytes <= DESK_KB,
    })),
  ];
}
