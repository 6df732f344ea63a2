import type { z } from 'zod';
import { unkeepable } from './plain-text';
import { problemsOf, type Problem } from './problem';
import { ROUTES, type JsonRoute, type Sent } from './routes';

/** What a route takes, read and checked; or what is missing or wrong, in words and field by field. */
export type CheckedSent<N extends JsonRoute> =
  | { readonly ok: true; readonly value: Sent<N> }
  | { readonly ok: false; readonly message: string; readonly problems: readonly Problem[] };

/** Checks what is sent to a route by the route's own schema: the page before it sends, the server before it believes. */
export function checkSent<N extends JsonRoute>(name: N, given: unknown): CheckedSent<N> {
  const bad = unkeepable(given);
  if (bad !== null)
    return {
      ok: false,
      message: 'A text has a character in it that is none. Type it again instead of pasting it.',
      problems: [{ path: bad, message: 'has a character that is none' }],
    };
  const checked = (ROUTES[name].body.schema as z.ZodType).safeParse(given);
  // The schema and the name come from one row of the table; TypeScript cannot follow that pairing.
  if (checked.success) return { ok: true, value: checked.data as Sent<N> };
  const problems = problemsOf(checked.error);
  return {
    ok: false,
    message: `Something is missing or wrong: ${problems.map(({ message }) => message).join('; ')}.`,
    problems,
  };
}
