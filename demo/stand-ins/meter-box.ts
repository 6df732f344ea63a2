// A stand-in for the boxes that ride along in aircraft: flies by itself and sends its readings over HTTP with its own key, sometimes
// late, twice or out of order, as the real thing does. npm run meter-box -- --url http://127.0.0.1:3600 --key KEY
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { idsFrom } from '../identity';
import { BOXED, boxSecret, SEED } from '../making';
import { randomFrom } from '../random';

const USAGE = `npm run meter-box -- --url ADDRESS (--key KEY … | --demo) [--state FILE] [--every SECONDS] [--speed FACTOR] [--seed N] [--for SECONDS]

Flies a box for each key, and sends what it counts to ADDRESS. --demo flies the demo club's own boxes. --state keeps its numbers over a restart.
--speed 60 counts a minute in a second. --for ends it by itself.`;

interface Reading {
  readonly sequence: number;
  readonly at: string;
  readonly totalSeconds: number;
}
/** A box: what it counted, the number that it gives next, and what was not yet taken. */
interface Box {
  readonly key: string;
  total: number;
  next: number;
  waiting: Reading[];
  last: Reading[];
}
interface Answer {
  readonly taken: readonly number[];
  readonly repeated: readonly number[];
  readonly refused: readonly { readonly sequence: number }[];
}

const say = (text: string) => {
  process.stdout.write(`${text}\n`);
};
const { values } = parseArgs({
  options: {
    url: { type: 'string' },
    key: { type: 'string', multiple: true },
    demo: { type: 'boolean' },
    state: { type: 'string' },
    every: { type: 'string' },
    speed: { type: 'string' },
    seed: { type: 'string' },
    for: { type: 'string' },
    help: { type: 'boolean', short: 'h' },
  },
});
const keys =
  values.demo === true
    ? BOXED.map((registration) => `${idsFrom(SEED)('club')}.${boxSecret(registration)}`)
    : (values.key ?? []);
if (values.help === true || values.url === undefined || keys.length === 0) {
  say(USAGE);
  process.exit(values.help === true ? 0 : 2);
}
const url = new URL('/api/box/readings', values.url);
const every = Number(values.every ?? '60');
const speed = Number(values.speed ?? '1');
const random = randomFrom(Number(values.seed ?? '7'));
/** The first flies forty minutes of every fifty, the others make one short flight of twelve minutes. */
const flies = (at: number, counted: number, elapsed: number): boolean =>
  at === 0 ? elapsed % 3000 < 2400 : counted < 720;

function known(): Record<string, Pick<Box, 'total' | 'next'>> {
  return values.state !== undefined && existsSync(values.state)
    ? (JSON.parse(readFileSync(values.state, 'utf8')) as Record<string, Pick<Box, 'total' | 'next'>>)
    : {};
}
/** A box by its key, without writing the key down. */
const name = (key: string): string => createHash('sha256').update(key).digest('hex').slice(0, 16);
const before = known();
const boxes = keys.map((key): Box => ({
  key,
  total: before[name(key)]?.total ?? 0,
  next: before[name(key)]?.next ?? 1,
  waiting: [],
  last: [],
}));
const keep = () => {
  if (values.state !== undefined)
    writeFileSync(
      values.state,
      JSON.stringify(Object.fromEntries(boxes.map(({ key, total, next }) => [name(key), { total, next }]))),
    );
};

/** The same in another order. */
const shuffled = (readings: readonly Reading[]): Reading[] =>
  readings
    .map((reading) => ({ reading, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ reading }) => reading);

async function sendAll(box: Box, who: string): Promise<void> {
  const again = random() < 0.35 ? box.last : [];
  // The newest first, and what waited longer in a later message.
  const sent = box.waiting.length > 1 && random() < 0.4 ? box.waiting.slice(-1) : box.waiting;
  const readings = random() < 0.4 ? shuffled([...sent, ...again]) : [...sent, ...again];
  if (readings.length === 0) return;
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${box.key}` },
      body: JSON.stringify({ readings }),
    });
    if (!response.ok) {
      say(`${who}: ${response.status} ${(await response.text()).slice(0, 200)}`);
      return;
    }
    const { taken, repeated, refused } = (await response.json()) as Answer;
    say(
      `${who}: sent ${readings.map(({ sequence }) => sequence).join(' ')}; taken ${taken.join(' ') || 'none'}${repeated.length === 0 ? '' : `, repeated ${repeated.join(' ')}`}${refused.length === 0 ? '' : `, refused ${refused.map(({ sequence }) => sequence).join(' ')}`}`,
    );
    box.last = sent;
    box.waiting = box.waiting.filter((one) => !sent.includes(one));
  } catch (error) {
    // No signal: it is kept, and sent later.
    say(`${who}: ${error instanceof Error ? error.message : 'not sent'}, kept`);
  }
}

const began = Date.now();
let last = began;
let turn = 0;
for (;;) {
  await new Promise((resolve) => {
    setTimeout(resolve, every * 1000);
  });
  const now = Date.now();
  const seconds = Math.round(((now - last) / 1000) * speed);
  last = now;
  turn += 1;
  for (const [at, box] of boxes.entries()) {
    const standing = !flies(at, box.total, ((now - began) / 1000) * speed);
    if (!standing) box.total += seconds;
    if (!standing || turn === 1) {
      box.waiting.push({ sequence: box.next, at: new Date(now).toISOString(), totalSeconds: box.total });
      box.next += 1;
    }
    // Now and then it is out of reach, and sends later.
    if (random() > 0.25) await sendAll(box, `box ${at + 1}`);
  }
  keep();
  if (values.for !== undefined && now - began > Number(values.for) * 1000) {
    for (const [at, box] of boxes.entries())
      for (let tries = 0; box.waiting.length > 0 && tries < 50; tries += 1)
        await sendAll(box, `box ${at + 1}`);
    break;
  }
}
