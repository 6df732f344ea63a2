// The delay of a live update with many open screens: from sending a finding to its arrival on each of them.
import { randomUUID } from 'node:crypto';
import { get } from 'node:http';
import { DEMO_PASSWORD } from '../demo/people';
import { quantile, type Figure } from './measure';

/** One person has so many screens open at a time and no more; so there are as many people as it takes. */
const SCREENS_EACH = 8;
const VIEWERS = 25;
const SCREENS = SCREENS_EACH * VIEWERS;
const FINDINGS = 12;
const BUDGET_MS = 1000;

async function post(url: string, cookie: string, path: string, body: object): Promise<unknown> {
  const answer = await fetch(`${url}${path}`, {
    method: 'POST',
    headers: { cookie, origin: url, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`POST ${path} was answered ${answer.status}: ${await answer.text()}`);
  return answer.json();
}

/** Admits another person to the club, chooses the demo's password by the link, and signs in. */
async function viewer(url: string, administrator: string, at: number): Promise<string> {
  const email = `screen-${at}-${randomUUID().slice(0, 8)}@ternbay.example`;
  const { path } = (await post(url, administrator, '/api/people', {
    admissionId: randomUUID(),
    name: `Screen ${at}`,
    email,
    roles: ['dispatcher'],
  })) as { path: string };
  const [club, secret] = path.split('#')[1]?.split('.') ?? [];
  await post(url, '', '/api/join/take-up', { club, secret, password: DEMO_PASSWORD });
  return cookieOf(url, email);
}

async function cookieOf(url: string, email: string): Promise<string> {
  const answer = await fetch(`${url}/api/demo`, {
    method: 'POST',
    headers: { origin: url, 'content-type': 'application/json' },
    body: JSON.stringify({ email }),
  });
  const cookie = answer.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  if (!answer.ok || cookie === '') throw new Error(`signing in as ${email} did not work: ${answer.status}`);
  return cookie;
}

/** An open screen: tells of every changed revision that it hears. */
function screen(url: string, cookie: string, heard: (revision: number) => void): Promise<() => void> {
  return new Promise((resolve, reject) => {
    const request = get(`${url}/api/events`, { headers: { cookie }, agent: false }, (response) => {
      let text = '';
      response.setEncoding('utf8').on('data', (part: string) => {
        text += part;
        for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
          const data = /^event: change\ndata: (.*)$/m.exec(text.slice(0, end))?.[1];
          if (data !== undefined) heard((JSON.parse(data) as { revision: number }).revision);
          text = text.slice(end + 2);
        }
      });
      response.once('data', () => {
        resolve(() => {
          request.destroy();
        });
      });
    });
    request.once('error', reject);
  });
}

export async function benchLive(url: string): Promise<readonly Figure[]> {
  const [administrator, phone] = [
    await cookieOf(url, 'administrator@ternbay.example'),
    await cookieOf(url, 'student@ternbay.example'),
  ];
  const viewers: string[] = [];
  for (let at = 0; at < VIEWERS; at += 1) viewers.push(await viewer(url, administrator, at));
  const arrivals = new Map<number, number[]>();
  const screens = await Promise.all(
    viewers
      .flatMap((cookie) => Array.from({ length: SCREENS_EACH }, () => cookie))
      .map((cookie) =>
        screen(url, cookie, (revision) => {
          arrivals.set(revision, [...(arrivals.get(revision) ?? []), performance.now()]);
        }),
      ),
  );
  const delays: number[] = [];
  try {
    const ramp = (await (await fetch(`${url}/api/ramp/N08TB`, { headers: { cookie: phone } })).json()) as {
      aircraftId: string;
    };
    for (let at = 0; at < FINDINGS; at += 1) {
      const started = performance.now();
      const answer = await fetch(`${url}/api/findings`, {
        method: 'POST',
        headers: { cookie: phone, origin: url, 'content-type': 'application/json' },
        body: JSON.stringify({
          findingId: randomUUID(),
          aircraftId: ramp.aircraftId,
          station: 'propeller',
          side: null,
          step: 'K217',
          asListed: true,
          what: `Nick ${at}`,
          looks: 'not-right',
          foundAt: new Date().toISOString(),
        }),
      });
      if (!answer.ok) throw new Error(`a finding was refused: ${await answer.text()}`);
      const { revision } = (await answer.json()) as { revision: number };
      for (let waited = 0; (arrivals.get(revision)?.length ?? 0) < SCREENS && waited < 5000; waited += 10)
        await new Promise((resolve) => {
          setTimeout(resolve, 10);
        });
      const times = arrivals.get(revision) ?? [];
      if (times.length < SCREENS)
        throw new Error(`only ${times.length} of ${SCREENS} screens heard of revision ${revision}`);
      delays.push(...times.map((time) => time - started));
    }
  } finally {
    for (const close of screens) close();
  }
  const p95 = quantile(delays, 0.95);
  return [
    {
      name: `a live update on ${SCREENS} open screens`,
      value: `${p95.toFixed(0)} ms`,
      note: `95th percentile, median ${quantile(delays, 0.5).toFixed(0)} ms; wanted at most ${BUDGET_MS} ms`,
      met: p95 <= BUDGET_MS,
    },
  ];
}
