import type { Outcome, Refusal } from '@/commands/kernel/command';

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
