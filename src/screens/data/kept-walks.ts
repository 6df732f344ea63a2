'use client';

import Dexie, { liveQuery, type EntityTable } from 'dexie';
import type { WalkroundEventInput } from '@/contracts/walkround/walkround';
import type { Given } from '@/contracts/kernel/routes';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import type { WalkPlan } from '@/core/walkround/plan';
import { kindOf, type PlanKind } from '@/core/walkround/plan-kinds';
import { NoSignal, Refusal, send } from './fetching';
import { ofPerson } from './of-person';

/** A walk-round as it is on the phone, with the plan that it is done by. */
export interface KeptWalk {
  readonly walkroundId: string;
  readonly personId: string;
  readonly personName: string;
  readonly clubId: string | null;
  readonly aircraftId: string;
  readonly registration: string;
  readonly flightId: string | null;
  readonly begunAt: string;
  readonly plan: WalkPlan;
  /** Who held the surfaces of a glider; absent for other lists. */
  readonly helper?: string | null;
  readonly sent: 0 | 1;
  /** When it was signed on the phone; null until then. */
  readonly signedAt: string | null;
  readonly signSent: 0 | 1;
  /** The last moment at which somebody touched the screen: being away longer than the school lets is an interruption. */
  readonly touchedAt: number;
  /** Why the server refused that it was begun, or signed; null while it did not. */
  readonly trouble: string | null;
}

/** Something that happened on it, until it was sent and after. */
export interface KeptEvent {
  readonly eventId: string;
  readonly walkroundId: string;
  readonly personId: string;
  readonly event: WalkroundEventInput;
  /** 0 waits, 1 has arrived, 2 was refused and waits for its writer. */
  readonly state: 0 | 1 | 2;
  readonly trouble: string | null;
}

/** Something announced, or recorded as done, until it was sent. */
export interface KeptNote {
  readonly noteId: string;
  readonly personId: string;
  readonly clubId: string | null;
  readonly note:
    | { readonly kind: 'announced'; readonly value: Given<'POST /api/walkround/announced'> }
    | { readonly kind: 'done'; readonly value: Given<'POST /api/walkround/announced/done'> }
    | { readonly kind: 'taken-apart'; readonly value: Given<'POST /api/walkround/taken-apart'> };
  readonly trouble: string | null;
}

/** What was last fetched of an aircraft, for when there is no signal. */
interface KeptView {
  readonly key: string;
  readonly at: number;
  readonly view: RampWalk;
}
/** A picture of a known mark, so that it can be compared without signal. */
interface KeptPicture {
  readonly photoId: string;
  readonly picture: Blob;
}
/** Who last used this phone: whose records are kept and sent. */
interface KeptPerson {
  readonly key: 'last';
  readonly personId: string;
  readonly name: string;
  readonly clubId: string | null;
}

const store = new Dexie('groval-walks') as Dexie & {
  walks: EntityTable<KeptWalk, 'walkroundId'>;
  events: EntityTable<KeptEvent, 'eventId'>;
  notes: EntityTable<KeptNote, 'noteId'>;
  views: EntityTable<KeptView, 'key'>;
  person: EntityTable<KeptPerson, 'key'>;
  pictures: EntityTable<KeptPicture, 'photoId'>;
};
store.version(1).stores({
  walks: 'walkroundId, personId, [personId+registration]',
  events: 'eventId, walkroundId, [walkroundId+state], [personId+state]',
  notes: 'noteId, personId',
  views: 'key',
  person: 'key',
});
store.version(2).stores({ pictures: 'photoId' });

const viewKey = (personId: string, registration: string) => `${personId}/${registration}`;

/** Keeps what a phone needs of an aircraft. */
export const keepView = (personId: string, view: RampWalk) =>
  store.views.put({ key: viewKey(personId, view.registration), at: Date.now(), view });
/** What was kept of an aircraft, and when; undefined where it was never opened here. */
export const keptView = (personId: string, registration: string) =>
  store.views.get(viewKey(personId, registration));
/** A picture that this phone keeps; undefined where it does not. */
export const keptPicture = (photoId: string) => store.pictures.get(photoId).catch(() => undefined);
/** Keeps the pictures of an aircraft's known marks. One that cannot be fetched or kept is left for the next time: it holds nothing up. */
export async function keepPictures({ plan }: RampWalk): Promise<void> {
  const wanted = plan.steps.flatMap(({ marks = [] }) => marks.flatMap(({ photos }) => photos.slice(-1)));
  for (const photoId of wanted) {
    if ((await keptPicture(photoId)) !== undefined) continue;
    const answer = await fetch(`/api/photos/${photoId}`).catch(() => null);
    if (answer?.ok !== true) continue;
    const picture = await answer.blob().catch(() => null);
    if (picture !== null) await store.pictures.put({ photoId, picture }).catch(() => undefined);
  }
}
/** Remembers who uses this phone. */
export const keepPerson = (person: Omit<KeptPerson, 'key'>) => store.person.put({ key: 'last', ...person });
/** Who last used this phone; undefined once somebody signed out. */
export const keptPerson = () => store.person.get('last');
/** Forgets who used this phone; what they had not sent stays for them. */
export const forgetPerson = () => store.person.delete('last');

/** Keeps a walk-round as it stands. */
export const keepWalk = (walk: KeptWalk) => store.walks.put(walk);
/** The newest walk-round, or other list, of a person on an aircraft that is on this phone, signed or not. */
export async function newestWalk(
  personId: string,
  registration: string,
  kind: PlanKind,
): Promise<KeptWalk | undefined> {
  const walks = await store.walks.where({ personId, registration }).toArray();
  return walks
    .filter(({ plan }) => kindOf(plan) === kind)
    .sort((a, b) => b.begunAt.localeCompare(a.begunAt))[0];
}
/** Everything that happened on a walk-round, in its order. */
export async function eventsOf(walkroundId: string): Promise<readonly KeptEvent[]> {
  const events = await store.events.where({ walkroundId }).toArray();
  return events.sort((a, b) => a.event.number - b.event.number);
}
/** Keeps something that happened. Throws where the phone is full: then nothing goes on before it is kept. */
export const keepEvent = (event: KeptEvent) => store.events.put(event);
/** Keeps what was announced, or done of it. */
export const keepNote = (note: KeptNote) => store.notes.put(note);
/** What this phone's clock says: sent with what happened earlier, so that the server puts it right. */
const phoneNow = () => new Date().toISOString();

/** So many events go at once. */
const AT_ONCE = 50;

/** Whether something may arrive when it is sent again, as it is. */
const mayArriveLater = (error: unknown): boolean =>
  error instanceof NoSignal
  || (error instanceof Refusal && (error.status === 401 || error.status === 404 || error.status >= 500));

/** Sends what happened on one walk-round, in its order: that it was begun, its events, its signature. Stops at what has to wait. */
async function sendWalk(walk: KeptWalk): Promise<void> {
  const headers = ofPerson(walk);
  const { walkroundId, aircraftId } = walk;
  if (walk.sent === 0) {
    await send(
      'POST /api/walkround',
      {
        walkroundId,
        aircraftId,
        flightId: walk.flightId,
        kind: kindOf(walk.plan),
        begunAt: walk.begunAt,
        sentAt: phoneNow(),
      },
      headers,
    );
    await store.walks.update(walkroundId, { sent: 1, trouble: null });
  }
  for (;;) {
    const waiting = (await eventsOf(walkroundId)).filter(({ state }) => state === 0).slice(0, AT_ONCE);
    if (waiting.length === 0) break;
    try {
      await send(
        'POST /api/walkround/events',
        { walkroundId, aircraftId, events: waiting.map(({ event }) => event), sentAt: phoneNow() },
        headers,
      );
      for (const { eventId } of waiting) await store.events.update(eventId, { state: 1, trouble: null });
    } catch (error) {
      if (mayArriveLater(error)) throw error;
      await apart(walk, waiting, headers);
    }
  }
  if (walk.signedAt === null || walk.signSent === 1) return;
  if ((await eventsOf(walkroundId)).some(({ state }) => state === 2)) return;
  await send(
    'POST /api/walkround/end',
    { walkroundId, aircraftId, how: 'signed', helper: walk.helper, at: walk.signedAt, sentAt: phoneNow() },
    headers,
  );
  await store.walks.update(walkroundId, { signSent: 1, trouble: null });
}

/** One by one, where some of them were refused together: what is refused stays with its reason, and the others arrive. */
async function apart(
  { walkroundId, aircraftId }: KeptWalk,
  waiting: readonly KeptEvent[],
  headers: Readonly<Record<string, string>>,
): Promise<void> {
  for (const { eventId, event } of waiting) {
    try {
      await send(
        'POST /api/walkround/events',
        { walkroundId, aircraftId, events: [event], sentAt: phoneNow() },
        headers,
      );
      await store.events.update(eventId, { state: 1, trouble: null });
    } catch (error) {
      if (mayArriveLater(error)) throw error;
      await store.events.update(eventId, {
        state: 2,
        trouble: error instanceof Error ? error.message : 'It was not accepted.',
      });
    }
  }
}

async function sendNote({ noteId, personId, clubId, note }: KeptNote): Promise<void> {
  try {
    const headers = ofPerson({ personId, clubId });
    if (note.kind === 'announced') await send('POST /api/walkround/announced', note.value, headers);
    else if (note.kind === 'done') await send('POST /api/walkround/announced/done', note.value, headers);
    else await send('POST /api/walkround/taken-apart', { ...note.value, sentAt: phoneNow() }, headers);
    await store.notes.delete(noteId);
  } catch (error) {
    if (mayArriveLater(error)) throw error;
    await store.notes.update(noteId, {
      trouble: error instanceof Error ? error.message : 'It was not accepted.',
    });
  }
}

/** Sends everything of a person that waits on this phone. What has to wait stays; the next round tries again. */
export async function sendWalks(personId: string): Promise<void> {
  for (const note of await store.notes.where({ personId }).toArray())
    if (note.trouble === null && note.note.kind !== 'done') await sendNote(note).catch(ignoreWaiting);
  for (const walk of (await store.walks.where({ personId }).toArray()).sort((a, b) =>
    a.begunAt.localeCompare(b.begunAt),
  ))
    await sendWalk(walk).catch((error: unknown) => refusedWalk(walk, error));
  for (const note of await store.notes.where({ personId }).toArray())
    if (note.trouble === null && note.note.kind === 'done') await sendNote(note).catch(ignoreWaiting);
}

/** What was refused is told to the person who walks round; what has to wait waits. */
async function refusedWalk({ walkroundId }: KeptWalk, error: unknown): Promise<void> {
  if (mayArriveLater(error)) return;
  if (!(error instanceof Refusal)) throw error;
  await store.walks.update(walkroundId, { trouble: error.message });
}

function ignoreWaiting(error: unknown): void {
  if (!mayArriveLater(error) && !(error instanceof Refusal)) throw error;
}

/** What waits on this phone, and what was refused. */
export interface Waiting {
  readonly waiting: number;
  readonly refused: readonly { readonly id: string; readonly message: string }[];
}

/** Watches what of a person waits on this phone. @returns a function that ends it */
export function watchWaiting(personId: string, tell: (waiting: Waiting) => void): () => void {
  const look = async (): Promise<Waiting> => {
    const events = await store.events.where({ personId, state: 0 }).count();
    const bad = await store.events.where({ personId, state: 2 }).toArray();
    const notes = await store.notes.where({ personId }).toArray();
    const walks = await store.walks.where({ personId }).toArray();
    return {
      waiting:
        events
        + notes.filter(({ trouble }) => trouble === null).length
        + walks.filter(({ sent, signedAt, signSent }) => sent === 0 || (signedAt !== null && signSent === 0))
          .length,
      refused: [
        ...bad.map(({ eventId, trouble }) => ({ id: eventId, message: trouble ?? '' })),
        ...walks.flatMap(({ walkroundId, trouble }) =>
          trouble == null ? [] : [{ id: walkroundId, message: trouble }],
        ),
        ...notes.flatMap(({ noteId, trouble }) =>
          trouble === null ? [] : [{ id: noteId, message: trouble }],
        ),
      ],
    };
  };
  const watch = liveQuery(look).subscribe({ next: tell });
  return () => {
    watch.unsubscribe();
  };
}

/** Watches how much of one walk-round has not arrived, its signature included. @returns a function that ends it */
export function watchWalk(walkroundId: string, tell: (left: number) => void): () => void {
  const look = async () => {
    const walk = await store.walks.get(walkroundId);
    const events = await store.events
      .where({ walkroundId })
      .filter(({ state }) => state !== 1)
      .count();
    return events + (walk?.sent === 1 ? 0 : 1) + (walk?.signSent === 1 ? 0 : 1);
  };
  const watch = liveQuery(look).subscribe({ next: tell });
  return () => {
    watch.unsubscribe();
  };
}

/** Gives up something that was refused, once its writer has read why. */
export async function giveUp(id: string): Promise<void> {
  await store.events.delete(id);
  await store.notes.delete(id);
  await store.walks.update(id, { trouble: null });
}
