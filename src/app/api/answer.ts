import type { z } from 'zod';
import { databaseCode, type Actor, type Outcome, type Ports, type Refusal } from '@/commands/kernel/command';
import { ACTS, may } from '@/contracts/kernel/permissions';
import { unkeepable } from '@/contracts/kernel/plain-text';
import { problemsOf } from '@/contracts/kernel/problem';
import { ROUTES, type JsonRoute, type Route, type RouteName, type Sent } from '@/contracts/kernel/routes';
import { withoutNumbers } from '@/explain/for-reader';
import { chosenClub } from '@/db/club/accounts';
import { asPerson, inClub } from '@/db/kernel/club-transaction';
import { membershipsOf, type Membership } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { TooBusy } from '@/server/bounded';
import { runtime, trusted } from '@/server/runtime';
import { readWithin, TooLarge, TooSlow } from '@/server/spool';

const STATUS: Readonly<Record<Refusal['code'], number>> = {
  'not-entitled': 403,
  'not-found': 404,
  invalid: 422,
  conflict: 409,
  'too-many-tries': 429,
  busy: 503,
};

/** A refusal as an HTTP answer: what is wrong, and what to do. */
export function refusal(given: Refusal): Response {
  const wait =
    given.code === 'too-many-tries' ? (given.retryAfterSeconds ?? 30) : given.code === 'busy' ? 2 : null;
  return Response.json(
    { error: given },
    { status: STATUS[given.code], ...(wait === null ? {} : { headers: { 'retry-after': String(wait) } }) },
  );
}

/** Answers what a command answered. */
export function answer<T>(outcome: Outcome<T>): Response {
  return outcome.ok ? Response.json(outcome.value) : refusal(outcome.refusal);
}

/** A plain problem with a sentence that says what to do. */
export function problem(status: number, message: string): Response {
  return Response.json({ error: { code: 'invalid', message, problems: [] } }, { status });
}

/** Somebody who is signed in, with the clubs that they belong to. */
export interface Person {
  readonly personId: string;
  readonly email: string;
  readonly sessionId: string;
  readonly memberships: readonly Membership[];
  /** The club that they work in: the one that they chose, otherwise the one that they joined first. */ readonly membership: Membership | null;
  readonly chosen: boolean;
}

/** What a phone names that sends something written in another club than the one that is chosen by now. */
const CLUB_HEADER = 'x-groval-club';

/** Who is signed in; null where nobody is. */
export async function whoAsks(request: Request): Promise<Person | null> {
  const { accounts, db } = runtime();
  const found = await accounts.api.getSession({ headers: request.headers });
  if (found === null) return null;
  const [personId, sessionId] = [found.user.id, found.session.id];
  const { memberships, clubId } = await asPerson(db, personId, async (tx) => {
    const own = await membershipsOf(tx, personId);
    return { memberships: own, clubId: own.length > 1 ? await chosenClub(tx, sessionId) : null };
  });
  const named = request.headers.get(CLUB_HEADER);
  const wanted =
    memberships.find((one) => one.clubId === named) ?? memberships.find((one) => one.clubId === clubId);
  return {
    personId,
    email: found.user.email,
    sessionId,
    memberships,
    membership: wanted ?? memberships[0] ?? null,
    chosen: memberships.length < 2 || memberships.some((one) => one.clubId === clubId),
  };
}

/** Errors of the database by their class: it is not there, is full, takes nothing just now. Source: PostgreSQL 15, appendix A. */
const NOT_JUST_NOW = ['08', '53', '57', '58', '25', '55', '40'];
/** What it says of a value that it cannot keep, whatever the forms let through. */
const CANNOT_KEEP = ['22'];
/** What Node says of a connection that cannot be made, and the pool of one that does not become free. */
const NO_CONNECTION = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOSPC'];

function trouble(error: unknown, request: Request): Response {
  const { log } = runtime();
  const code = databaseCode(error);
  const { pathname } = new URL(request.url);
  if (error instanceof TooLarge)
    return problem(
      413,
      `That is more than may be sent here (${error.maxBytes >= 1024 * 1024 ? `${Math.floor(error.maxBytes / 1024 / 1024)} MB` : `${Math.floor(error.maxBytes / 1024)} kB`}). Send less.`,
    );
  if (error instanceof TooSlow)
    return problem(
      408,
      'That took too long to arrive, so nothing was done with it. Send it again over a better connection.',
    );
  if (CANNOT_KEEP.some((kind) => code.startsWith(kind) && code.length === 5)) {
    log.warn({ err: error, path: pathname }, 'a value could not be kept');
    return problem(
      422,
      'Something in this cannot be kept: a number that is too large, or a character that is none. Correct it and send it again.',
    );
  }
  const busy =
    error instanceof TooBusy
    || (code.length === 5 && NOT_JUST_NOW.some((kind) => code.startsWith(kind)))
    || NO_CONNECTION.includes(code)
    || (error instanceof Error
      && /timeout exceeded when trying to connect|Connection terminated|Client has encountered a connection error/.test(
        error.message,
      ));
  if (busy) {
    log.warn({ err: error, path: pathname }, 'a request could not be done just now');
    return Response.json(
      {
        error: {
          code: 'busy',
          message:
            'Groval cannot do that just now: its database does not take it, or too much is waiting. What you typed is kept; try again in a moment.',
        },
      },
      { status: 503, headers: { 'retry-after': '5' } },
    );
  }
  log.error({ err: error, path: pathname }, 'a request failed');
  return problem(500, 'Groval could not do that just now. What you typed is kept; try again.');
}

/** Addresses with a code that is none, or that stands for a character that no text of ours has. */
function isBadAddress(address: string): boolean {
  const { pathname, search } = new URL(address);
  try {
    return /\u0000/.test(decodeURIComponent(pathname) + decodeURIComponent(search.replaceAll('+', ' ')));
  } catch {
    return true;
  }
}

/** What stands in the address, such as a registration, decoded by the framework. */
type Params = Readonly<Record<string, string>>;
interface Context {
  readonly params: Promise<Params>;
}

const FROM_ELSEWHERE = 'This change did not come from Groval’s own pages. Open Groval again and repeat it.';

/** What every route has in common: a sound address, changes only from our own pages, trouble in words. */
function guarded(name: RouteName, work: (request: Request, params: Params) => Promise<Response>) {
  const route: Route = ROUTES[name];
  return async (request: Request, context?: Context): Promise<Response> => {
    try {
      if (isBadAddress(request.url))
        return problem(400, 'This address is not complete. Open Groval again and choose it there.');
      if (route.access !== 'key' && request.method !== 'GET' && !trusted(request.headers.get('origin')))
        return problem(403, FROM_ELSEWHERE);
      return await work(request, (await context?.params) ?? {});
    } catch (error) {
      return trouble(error, request);
    }
  };
}

/** Reads and checks the JSON that a route takes: no more of it than its table says. */
async function bodyOf<N extends JsonRoute>(name: N, request: Request): Promise<Outcome<Sent<N>>> {
  const { schema, maxBytes } = ROUTES[name].body;
  const bytes = await readWithin(request, maxBytes);
  let given: unknown;
  try {
    given = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return {
      ok: false,
      refusal: {
        code: 'invalid',
        message: 'The request could not be read. Reload the page and try again.',
        problems: [],
      },
    };
  }
  const bad = unkeepable(given);
  if (bad !== null)
    return {
      ok: false,
      refusal: {
        code: 'invalid',
        message: 'A text has a character in it that is none. Type it again instead of pasting it.',
        problems: [{ path: bad, message: 'has a character that is none' }],
      },
    };
  const checked = (schema as z.ZodType).safeParse(given);
  // The schema and the name come from one row of the table; TypeScript cannot follow that pairing.
  if (checked.success) return { ok: true, value: checked.data as Sent<N> };
  const problems = problemsOf(checked.error);
  return {
    ok: false,
    refusal: {
      code: 'invalid',
      message: `Something is missing or wrong: ${problems.map(({ message }) => message).join('; ')}.`,
      problems,
    },
  };
}

/** A route for people who have no session, or need none. */
export function openRoute(name: RouteName, work: (request: Request, params: Params) => Promise<Response>) {
  return guarded(name, work);
}

/** The same with the JSON that it takes. @param before looks whether somebody has the key that the route asks for, before anything is read */
export function openJsonRoute<N extends JsonRoute>(
  name: N,
  work: (value: Sent<N>, request: Request) => Promise<Response>,
  before: (request: Request) => Response | null = () => null,
) {
  return guarded(name, async (request) => {
    const refused = before(request);
    if (refused !== null) return refused;
    const sent = await bodyOf(name, request);
    return sent.ok ? work(sent.value, request) : refusal(sent.refusal);
  });
}

const SIGNED_OUT = 'You are signed out. Sign in again; what you typed is kept.';

/** A route for the person who is signed in, a member of a club or not. */
export function personRoute(name: RouteName, work: (person: Person, request: Request) => Promise<Response>) {
  return guarded(name, async (request) => {
    const person = await whoAsks(request);
    return person === null ? problem(401, SIGNED_OUT) : work(person, request);
  });
}

/** The same with the JSON that it takes. */
export function personJsonRoute<N extends JsonRoute>(
  name: N,
  work: (person: Person, value: Sent<N>) => Promise<Response>,
) {
  return personRoute(name, async (person, request) => {
    const sent = await bodyOf(name, request);
    return sent.ok ? work(person, sent.value) : refusal(sent.refusal);
  });
}

/** What a route of a member works with. */
export interface Asked {
  readonly actor: Actor;
  readonly sessionId: string;
  readonly request: Request;
  readonly params: Params;
}

/** A route for members. Whether they may is asked before anything that they sent is read. */
export function memberRoute(name: RouteName, work: (asked: Asked) => Promise<Response>) {
  const { acts }: Route = ROUTES[name];
  return guarded(name, async (request, params) => {
    const person = await whoAsks(request);
    if (person === null) return problem(401, SIGNED_OUT);
    const { membership, personId, sessionId } = person;
    if (membership === null)
      return problem(
        403,
        'Your account belongs to no club any more, or not yet. Ask the club’s administrator.',
      );
    const [first] = acts;
    if (first !== undefined && !acts.some((act) => may(membership.roles, act)))
      return refusal({ code: 'not-entitled', message: ACTS[first].denied });
    return work({
      actor: { personId, name: membership.name, clubId: membership.clubId, roles: membership.roles },
      sessionId,
      request,
      params,
    });
  });
}

/** A route that does one thing: who, what, and what came of it. */
export function commandRoute<N extends JsonRoute, T>(
  name: N,
  command: (ports: Ports, actor: Actor, value: Sent<N>) => Promise<Outcome<T>>,
) {
  return memberRoute(name, async ({ actor, request }) => {
    const sent = await bodyOf(name, request);
    if (!sent.ok) return refusal(sent.refusal);
    const outcome = await command(runtime().ports, actor, sent.value);
    if (outcome.ok || outcome.refusal.code !== 'conflict' || may(actor.roles, 'see-certificates'))
      return answer(outcome);
    return refusal({
      ...outcome.refusal,
      changes: outcome.refusal.changes.map((change) => ({
        ...change,
        record: withoutNumbers(change.record),
      })),
    });
  });
}

/** What a question is asked with. */
export interface Question {
  readonly tx: ClubTransaction;
  readonly actor: Actor;
  readonly now: ReturnType<Ports['now']>;
  readonly params: Params;
  readonly request: Request;
}

/** A route that answers one question; null where what it asks about is not there. */
export function queryRoute<T>(
  name: RouteName,
  query: (question: Question) => Promise<T | Response | null>,
  missing = 'There is no such thing here. Load the page again.',
) {
  return memberRoute(name, async ({ actor, request, params }) => {
    const { db, ports } = runtime();
    const found = await inClub(db, actor.clubId, (tx) =>
      query({ tx, actor, now: ports.now(), params, request }),
    );
    return found === null ? problem(404, missing) : found instanceof Response ? found : Response.json(found);
  });
}

/** A route that asks about something that was typed. */
export function trialRoute<N extends JsonRoute, T>(
  name: N,
  query: (question: Question, value: Sent<N>) => Promise<T | null>,
  missing: string,
) {
  return memberRoute(name, async ({ actor, request, params }) => {
    const sent = await bodyOf(name, request);
    if (!sent.ok) return refusal(sent.refusal);
    const { db, ports } = runtime();
    const found = await inClub(db, actor.clubId, (tx) =>
      query({ tx, actor, now: ports.now(), params, request }, sent.value),
    );
    return found === null ? problem(404, missing) : Response.json(found);
  });
}
