// Lighthouse scores of the production build, medians of several runs, beside a bare page of the same framework and theme in the same run.
// Started by npm run bench, which installs the packages of this folder: GROVAL_URL is the server with the demo in it, CHROMIUM the browser.
import { createServer, request as ask } from 'node:http';
import { chromium } from '@playwright/test';
import lighthouse, { desktopConfig } from 'lighthouse';
import { freePort } from '../provision/cluster.mjs';

const RUNS = 5;
/** Desk pages, which may score so many points less than the bare page. */
const DESK = [
  ['Line', '/line'],
  ['Aircraft', '/aircraft/N02TB'],
  ['Dispatch', '/dispatch'],
];
const POINTS_BELOW_BARE = 3;
/** The ramp, on a phone as Lighthouse imagines one. */
const RAMP = '/ramp';
const RAMP_POINTS = 90;
const RAMP_LARGEST_PAINT_MS = 2500;
const BARE = '/bare';

/**
 * The application with a page more: the one for addresses that lead nowhere, answered as if it were there. It is the shell alone.
 * @param {string} url
 */
async function withBarePage(url) {
  const { hostname, port, host } = new URL(url);
  const server = createServer((request, response) => {
    const isBare = request.url === BARE;
    const forward = ask(
      {
        hostname,
        port,
        method: request.method,
        path: isBare ? '/there-is-no-such-page' : request.url,
        headers: { ...request.headers, host },
      },
      (answer) => {
        response.writeHead(isBare ? 200 : (answer.statusCode ?? 502), answer.headers);
        answer.pipe(response);
      },
    );
    forward.on('error', () => response.destroy());
    response.on('close', () => forward.destroy());
    request.pipe(forward);
  });
  const free = await freePort();
  await new Promise((resolve) => {
    server.listen(free, '127.0.0.1', () => resolve(undefined));
  });
  return { server, through: `http://127.0.0.1:${free}` };
}

/** @param {string} url @param {string} email @returns {Promise<string>} the cookie of somebody of the demo */
async function signedIn(url, email) {
  const answer = await fetch(`${url}/api/demo`, {
    method: 'POST',
    headers: { origin: url, 'content-type': 'application/json' },
    body: JSON.stringify({ email }),
  });
  return answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ');
}

/** One run: scores of 100, and the largest paint in milliseconds. */
async function look(address, port, cookie, config) {
  const result = await lighthouse(
    address,
    {
      port,
      output: 'json',
      logLevel: 'error',
      disableStorageReset: true,
      onlyCategories: ['performance', 'accessibility', 'best-practices'],
      extraHeaders: { Cookie: cookie },
    },
    config,
  );
  if (result === undefined || result.lhr.runtimeError !== undefined)
    throw new Error(`${address}: ${result?.lhr.runtimeError?.message ?? 'nothing came'}`);
  const { categories, audits } = result.lhr;
  const score = (name) => Math.round((categories[name]?.score ?? 0) * 100);
  return {
    performance: score('performance'),
    accessibility: score('accessibility'),
    practices: score('best-practices'),
    largestPaint: audits['largest-contentful-paint']?.numericValue ?? Number.NaN,
  };
}

const url = process.env.GROVAL_URL ?? '';
const { server, through } = await withBarePage(url);
const port = await freePort();
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    `--remote-debugging-port=${port}`,
  ],
});
const seen = new Map();
try {
  const dispatcher = await signedIn(url, 'dispatcher@ternbay.example');
  const renter = await signedIn(url, 'renter@ternbay.example');
  const remember = (path, scores) => seen.set(path, [...(seen.get(path) ?? []), scores]);
  // In turn, so that whatever else the machine does hits all of them alike.
  for (let run = 0; run < RUNS; run += 1) {
    for (const path of [BARE, ...DESK.map(([, address]) => address)])
      remember(path, await look(`${through}${path}`, port, dispatcher, desktopConfig));
    remember(RAMP, await look(`${through}${RAMP}`, port, renter, undefined));
  }
} finally {
  await browser.close();
  server.closeAllConnections();
  server.close();
}

const median = (path, of) =>
  seen
    .get(path)
    .map((scores) => scores[of])
    .sort((a, b) => a - b)[(RUNS - 1) / 2];
const others = (path) =>
  `accessibility ${median(path, 'accessibility')}, best practices ${median(path, 'practices')}`;
const sound = (path) => median(path, 'accessibility') === 100 && median(path, 'practices') === 100;
const tell = (name, value, note, met) =>
  process.stdout.write(
    `  ${name.padEnd(62)} ${String(value).padStart(10)}   ${note}${met === undefined ? '' : met ? '   met' : '   NOT MET'}\n`,
  );
const bare = median(BARE, 'performance');
process.stdout.write('\nLighthouse, of 100\n');
tell('a bare page of the same shell', bare, `median of ${RUNS}, as all of them`);
for (const [name, path] of DESK) {
  const points = median(path, 'performance');
  const wanted = `wanted at most ${POINTS_BELOW_BARE} less than the bare page, and 100 of the others`;
  tell(name, points, `${others(path)}; ${wanted}`, points >= bare - POINTS_BELOW_BARE && sound(path));
}
const ramp = median(RAMP, 'performance');
tell(
  'Ramp on a phone',
  ramp,
  `${others(RAMP)}; wanted at least ${RAMP_POINTS}, and 100 of the others`,
  ramp >= RAMP_POINTS && sound(RAMP),
);
const largest = median(RAMP, 'largestPaint');
tell(
  'its largest paint',
  `${largest.toFixed(0)} ms`,
  `wanted at most ${RAMP_LARGEST_PAINT_MS} ms`,
  largest <= RAMP_LARGEST_PAINT_MS,
);
