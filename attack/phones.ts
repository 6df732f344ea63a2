import { Client } from 'pg';
import sharp from 'sharp';
import { call, post, type Session } from './client';
import type { Random } from './random';
import type { Tally } from './tally';
import type { World } from './world';

/** One thing that a phone keeps until it was received: sent again until it is, and now and then once more after that. */
interface Queued {
  readonly what: 'walk-round' | 'finding' | 'photo' | 'answer';
  readonly id: string;
  readonly send: () => Promise<{ readonly status: number; readonly text: string }>;
}

/** A phone with what it has queued, and what the server has said that it received. */
export interface Phone {
  readonly walkroundId: string;
  readonly queue: readonly Queued[];
  readonly received: Set<string>;
  readonly trouble: string[];
}

const RETRY_MS = 250;
/** A phone that is not answered for so long is lost. */
const MOST_TRIES = 400;
/** How often something that was received is sent again, because its answer was lost on the way. */
const AGAIN = 0.15;

const pause = (ms: number) =>
  new Promise<void>((resolve) => {
    setTimeout(resolve, ms);
  });

/** A picture of its own for each number: the same one twice would not be noticed. */
const pictureOf = (number: number): Promise<Buffer> =>
  sharp({
    create: {
      width: 320,
      height: 240,
      channels: 3,
      background: { r: number % 256, g: (number >> 8) % 256, b: 90 },
    },
  })
    .jpeg({ quality: 70 })
    .toBuffer();

interface Step {
  readonly key: string;
  readonly code: string;
  readonly station: string;
  readonly side: string | null;
  readonly asks: { readonly kind: string };
}

/** What a phone did without signal: a walk-round, and so many steps of it at which something was found, each with a photo. */
async function phoneOf(
  base: string,
  who: Session,
  aircraft: World['aircraft'][number],
  records: number,
  random: Random,
): Promise<Phone> {
  const { text } = await call(
    base,
    who,
    { method: 'GET', path: `/api/walkround/${aircraft.registration}` },
    4_000_000,
  );
  const { plan } = JSON.parse(text) as { readonly plan: { readonly steps: readonly Step[] } };
  const steps = plan.steps.filter(({ asks }) => asks.kind === 'look').slice(0, records);
  if (steps.length < records) throw new Error(`${aircraft.registration} has only ${steps.length} such steps`);
  const walkroundId = random.uuid();
  const at = new Date().toISOString();
  const { id: aircraftId } = aircraft;
  const queue: Queued[] = [
    {
      what: 'walk-round',
      id: walkroundId,
      send: () =>
        post(base, who, '/api/walkround', {
          walkroundId,
          aircraftId,
          flightId: null,
          begunAt: at,
          sentAt: at,
        }),
    },
  ];
  for (const [number, { key, code, station, side }] of steps.entries()) {
    const [findingId, photoId, eventId] = [random.uuid(), random.uuid(), random.uuid()];
    const picture = await pictureOf(random.below(65_536));
    queue.push(
      {
        what: 'finding',
        id: findingId,
        send: () =>
          post(base, who, '/api/findings', {
            findingId,
            aircraftId,
            station,
            side,
            step: code,
            asListed: true,
            what: `Found without signal, ${number + 1}`,
            looks: 'not-right',
            foundAt: at,
          }),
      },
      {
        what: 'photo',
        id: photoId,
        send: () =>
          call(base, who, {
            method: 'PUT',
            path: `/api/findings/${findingId}/photos/${photoId}`,
            body: picture,
            headers: { 'content-type': 'image/jpeg' },
          }),
      },
      {
        what: 'answer',
        id: eventId,
        send: () =>
          post(base, who, '/api/walkround/events', {
            walkroundId,
            aircraftId,
            sentAt: new Date().toISOString(),
            events: [
              {
                eventId,
                number,
                kind: 'answer',
                key,
                answer: 'found',
                because: null,
                at,
                took: 5000,
                findingId,
                measured: null,
              },
            ],
          }),
      },
    );
  }
  return { walkroundId, queue, received: new Set(), trouble: [] };
}

/** Phones that come back into signal, each with everything that it queued. */
export async function phonesWithoutSignal(
  base: string,
  people: readonly Session[],
  world: World,
  phones: number,
  records: number,
  random: Random,
): Promise<readonly Phone[]> {
  const made: Phone[] = [];
  for (let at = 0; at < phones; at += 1) {
    const aircraft = world.aircraft[at % world.aircraft.length];
    const who = people[at % people.length];
    if (aircraft === undefined || who === undefined) throw new Error('nobody, or nothing to walk round');
    made.push(await phoneOf(base, who, aircraft, records, random));
  }
  return made;
}

/** Sends what a phone has queued, in order, as a phone does: again until it is received, and sometimes once more. */
async function empty(phone: Phone, random: Random, tally: Tally): Promise<void> {
  for (const { what, id, send } of phone.queue) {
    let last = '';
    for (let turn = 0; turn < MOST_TRIES && !phone.received.has(id); turn += 1) {
      const { status, text } = await send();
      tally.calls += 1;
      last = `${status} ${text.slice(0, 160)}`;
      if (status === 200) {
        tally.accepted += 1;
        phone.received.add(id);
      } else {
        if (status === 0 || status === 503) tally.busy += 1;
        else tally.refused += 1;
        await pause(RETRY_MS);
      }
    }
    if (!phone.received.has(id)) phone.trouble.push(`${what} ${id} was never received, last: ${last}`);
    else if (random.chance(AGAIN)) await send();
  }
}

export async function emptyPhones(phones: readonly Phone[], random: Random, tally: Tally): Promise<void> {
  await Promise.all(phones.map((phone) => empty(phone, random, tally)));
}

const COUNTS = {
  'walk-round': 'select count(*) as n from groval.walkround where walkround_id = any($1::uuid[])',
  finding: 'select count(*) as n from groval.discrepancy where discrepancy_id = any($1::uuid[])',
  photo: 'select count(*) as n from groval.photo where photo_id = any($1::uuid[])',
  answer: 'select count(*) as n from groval.walkround_event where event_id = any($1::uuid[])',
} as const;
/** What was written of a walk-round beyond what its phone queued. */
const TOO_MANY = `select
  (select count(*) from groval.walkround_event where walkround_id = any($1::uuid[])) as answers,
  (select count(*) from groval.photo p
    join groval.walkround_event e on e.finding_id = p.discrepancy_id
    where e.walkround_id = any($1::uuid[])) as photos`;

/** Everything that was queued is there once, with its entry in the ledger; nothing else is. @returns a line of counts */
export async function checkPhones(
  superuserUrl: string,
  phones: readonly Phone[],
  tally: Tally,
): Promise<string> {
  const client = new Client({ connectionString: superuserUrl });
  await client.connect();
  try {
    const counts: string[] = [];
    for (const what of Object.keys(COUNTS) as (keyof typeof COUNTS)[]) {
      const ids = phones.flatMap(({ queue }) =>
        queue.filter((queued) => queued.what === what).map(({ id }) => id),
      );
      const there = Number((await client.query<{ n: string }>(COUNTS[what], [ids])).rows[0]?.n ?? '0');
      if (there < ids.length) tally.lost.push(`${ids.length - there} of ${ids.length}: ${what}`);
      counts.push(`${there} of ${ids.length} of kind ${what}`);
    }
    const walks = phones.map(({ walkroundId }) => walkroundId);
    const queued = phones.reduce((sum, { queue }) => sum + (queue.length - 1) / 3, 0);
    const { rows } = await client.query<{ answers: string; photos: string }>(TOO_MANY, [walks]);
    if (Number(rows[0]?.answers) > queued) tally.doubled.push(`${rows[0]?.answers} answers of ${queued}`);
    if (Number(rows[0]?.photos) > queued) tally.doubled.push(`${rows[0]?.photos} photos of ${queued}`);
    for (const { trouble } of phones) tally.lost.push(...trouble);
    return counts.join(', ');
  } finally {
    await client.end();
  }
}
