import type { Actor, Outcome, Ports } from '@/commands/kernel/command';
import { checkSent } from '@/contracts/kernel/check-sent';
import { ACTS, may } from '@/contracts/kernel/permissions';
import { type JsonRoute, ROUTES, type Route, type RouteName, type Sent } from '@/contracts/kernel/routes';
import { withoutNumbers } from '@/explain/for-reader';
import type { AnswerOf } from '@/queries/kernel/answers';
import { inClub } from '@/db/kernel/club-transaction';
import type { ClubTransaction } from '@/db/kernel/connection';
import { hurryNotices } from '@/server/jobs';
import { runtime, trusted } from '@/server/runtime';
import { readWithin } from '@/server/spool';
import { answer, problem, refusal } from './refusals';
import { trouble } from './trouble';
import { type Person, whoAsks } from './who-asks';

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
  const bytes = await readWithin(request, ROUTES[name].body.maxBytes);
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
  const checked = checkSent(name, given);
  return checked.ok
    ? checked
    : {
        ok: false,
        refusal: { code: 'invalid', message: checked.message, problems: checked.problems },
      };
}

/** A route for people who have no session, or need none. */
export function openRoute(name: RouteName, work: (request: Request, params: Params) => Promise<Response>) {
  return guarded(name, work);
}

/**
 * The same with the JSON that it takes.
 * @param before looks whether somebody has the key that the route asks for, before anything is read
 */
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
    const answered = await work({
      actor: { personId, name: membership.name, clubId: membership.clubId, roles: membership.roles },
      sessionId,
      request,
      params,
    });
    if (answered.ok && !name.startsWith('GET')) hurryNotices();
    return answered;
  });
}

/** A route that does one thing: who, what, and what came of it. */
export function commandRoute<N extends JsonRoute>(
  name: N,
  command: (ports: Ports, actor: Actor, value: Sent<N>) => Promise<Outcome<AnswerOf<N>>>,
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
export function queryRoute<N extends RouteName>(
  name: N,
  query: (question: Question) => Promise<AnswerOf<N> | Response | null>,
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
export function trialRoute<N extends JsonRoute>(
  name: N,
  query: (question: Question, value: Sent<N>) => Promise<AnswerOf<N> | null>,
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
