// Lighthouse scores of the production build, medians of several runs, beside a bare page of the same framework and theme in the same run.
import { createServer, request as ask, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import lighthouse, { desktopConfig, type Config } from 'lighthouse';
import { freePort, launch } from './browser';
import { quantile, type Figure } from './measure';

const RUNS = 5;
/** Desk pages, which may score so many points less than the bare page. */
const DESK = [
  ['Line', '/line'],
  ['Aircraft', '/aircraft/N02TB'],
  ['Dispatch', '/dispatch'],
] as const;
const POINTS_BELOW_BARE = 3;
/** The ramp, on a phone as Lighthouse imagines one. */
const RAMP_POINTS = 90;
const RAMP_LARGEST_PAINT_MS = 2500;
const RAMP = '/ramp';
const BARE = '/bare';

/** What one run says; scores are of 100. */
interface Scores {
  readonly performance: number;
  readonly accessibility: number;
  readonly practices: number;
  readonly largestPaint: number;
}

/** The application with a page more: the one for addresses that lead nowhere, answered as if it were there. It is the shell alone. */
async function withBarePage(url: string): Promise<Server> {
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
  await new Promise<void>((resolve) => {
    server.listen(0, '127.0.0.1', resolve);
  });
  return server;
}

async function signedIn(url: string, email: string): Promise<string> {
  const answer = await fetch(`${url}/api/demo`, {
    method: 'POST',
    headers: { origin: url, 'content-type': 'application/json' },
    body: JSON.stringify({ email }),
  });
  return answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0] ?? '')
    .join('; ');
}

async function look(
  address: string,
  port: number,
  cookie: string,
  config: Config | undefined,
): Promise<Scores> {
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
  const score = (name: string) => Math.round((categories[name]?.score ?? 0) * 100);
  return {
    performance: score('performance'),
    accessibility: score('accessibility'),
    practices: score('best-practices'),
    largestPaint: audits['largest-contentful-paint']?.numericValue ?? Number.NaN,
  };
}

const median = (runs: readonly Scores[], of: keyof Scores): number =>
  quantile(
    runs.map((scores) => scores[of]),
    0.5,
  );

/** Lighthouse on desk pages and on the ramp. @param url of the production server, with the demo in it */
export async function benchLighthouse(url: string): Promise<readonly Figure[]> {
  const proxy = await withBarePage(url);
  const through = `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`;
  const port = await freePort();
  const browser = await launch(`--remote-debugging-port=${port}`);
  const [dispatcher, renter] = [
    await signedIn(url, 'dispatcher@ternbay.example'),
    await signedIn(url, 'renter@ternbay.example'),
  ];
  const seen = new Map<string, Scores[]>();
  const remember = (path: string, scores: Scores) => {
    seen.set(path, [...(seen.get(path) ?? []), scores]);
  };
  try {
    // In turn, so that whatever else the machine does hits all of them alike.
    for (let run = 0; run < RUNS; run += 1) {
      for (const path of [BARE, ...DESK.map(([, address]) => address)])
        remember(path, await look(`${through}${path}`, port, dispatcher, desktopConfig));
      remember(RAMP, await look(`${through}${RAMP}`, port, renter, undefined));
    }
  } finally {
    await browser.close();
    proxy.closeAllConnections();
    proxy.close();
  }
  const of = (path: string): readonly Scores[] => seen.get(path) ?? [];
  const bare = median(of(BARE), 'performance');
  const rest = (path: string) =>
    `accessibility ${median(of(path), 'accessibility')}, best practices ${median(of(path), 'practices')}`;
  const sound = (path: string) =>
    median(of(path), 'accessibility') === 100 && median(of(path), 'practices') === 100;
  const largest = median(of(RAMP), 'largestPaint');
  const ramp = median(of(RAMP), 'performance');
  return [
    { name: 'a bare page of the same shell', value: String(bare), note: `median of ${RUNS}, as all of them` },
    ...DESK.map(([name, path]): Figure => {
      const points = median(of(path), 'performance');
      return {
        name,
        value: String(points),
        note: `${rest(path)}; wanted at most ${POINTS_BELOW_BARE} less than the bare page, and 100 of the others`,
        met: points >= bare - POINTS_BELOW_BARE && sound(path),
      };
    }),
    {
      name: 'Ramp on a phone',
      value: String(ramp),
      note: `${rest(RAMP)}; wanted at least ${RAMP_POINTS}, and 100 of the others`,
      met: ramp >= RAMP_POINTS && sound(RAMP),
    },
    {
      name: 'its largest paint',
      value: `${largest.toFixed(0)} ms`,
      note: `wanted at most ${RAMP_LARGEST_PAINT_MS} ms`,
      met: largest <= RAMP_LARGEST_PAINT_MS,
    },
  ];
}
