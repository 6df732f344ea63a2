import type { Actor, Outcome, Refusal } from '@/commands/command';
import { problemsOf } from '@/contracts/problem';
import { asPerson } from '@/db/club-transaction';
import { membershipsOf } from '@/db/clubs';
import { runtime, trusted } from '@/server/runtime';
import type { z } from 'zod';

const MOST_CHARACTERS = 100_000;

const STATUS: Readonly<Record<Refusal['code'], number>> = { 'not-entitled': 403, 'not-found': 404, invalid: 422, conflict: 409, 'too-many-tries': 429 };

/** A refusal as an HTTP answer: what is wrong, and what to do. */
export function refusal(given: Refusal): Response {
  return Response.json({ error: given }, { status: STATUS[given.code] });
}

/** Answers what a command answered. */
export function answer<T>(outcome: Outcome<T>): Response {
  return outcome.ok ? Response.json(outcome.value) : refusal(outcome.refusal);
}

/** A plain problem with a sentence that says what to do. */
export function problem(status: number, message: string): Response {
  return Response.json({ error: { code: 'invalid', message, problems: [] } }, { status });
}

/** Who is asking: from the session cookie, with their first club. */
async function whoAsks(request: Request): Promise<Actor | 'signed-out' | 'without-club'> {
  const { accounts, db } = runtime();
  const session = await accounts.api.getSession({ headers: request.headers });
  if (session === null) return 'signed-out';
  const [membership] = await asPerson(db, session.user.id, (tx) => membershipsOf(tx, session.user.id));
  return membership === undefined ? 'without-club' : { personId: session.user.id, name: membership.name, clubId: membership.clubId, roles: membership.roles };
}

const elsewhere = (request: Request) => (request.method !== 'GET' && !trusted(request.headers.get('origin')) ? problem(403, 'This change did not come from Groval’s own pages. Open Groval again and repeat it.') : null);

async function orTrouble(request: Request, work: () => Promise<Response>): Promise<Response> {
  try {
    return elsewhere(request) ?? await work();
  } catch (error) {
    runtime().log.error({ err: error, path: new URL(request.url).pathname }, 'a request failed');
    return problem(500, 'Groval could not do that just now. What you typed is kept; try again.');
  }
}

/** Wraps a route for people who have no account yet. A change must come from our own pages all the same. */
export function openRoute(work: (request: Request) => Promise<Response>) {
  return (request: Request): Promise<Response> => orTrouble(request, () => work(request));
}

/**
 * Wraps a route: nobody gets in without a session, a change must come from our own pages, and a bug is logged and answered
 * without its details.
 */
export function route<Context>(work: (actor: Actor, request: Request, context: Context) => Promise<Response>) {
  return (request: Request, context: Context): Promise<Response> => orTrouble(request, async () => {
    const actor = await whoAsks(request);
    if (actor === 'signed-out') return problem(401, 'You are signed out. Sign in again; what you typed is kept.');
    if (actor === 'without-club') return problem(403, 'Your account belongs to no club any more, or not yet. Ask the club’s administrator.');
    return work(actor, request, context);
  });
}

/** Reads and checks a JSON body. */
export async function body<S extends z.ZodType>(request: Request, schema: S): Promise<Outcome<z.output<S>>> {
  const text = await request.text();
  if (text.length > MOST_CHARACTERS) return { ok: false, refusal: { code: 'invalid', message: 'That is too much text.', problems: [] } };
  let given: unknown;
  try {
    given = JSON.parse(text);
  } catch {
    return { ok: false, refusal: { code: 'invalid', message: 'The request could not be read. Reload the page and try again.', problems: [] } };
  }
  const checked = schema.safeParse(given);
  if (checked.success) return { ok: true, value: checked.data };
  const problems = problemsOf(checked.error);
  return { ok: false, refusal: { code: 'invalid', message: `Something is missing or wrong: ${problems.map(({ message }) => message).join('; ')}.`, problems } };
}
