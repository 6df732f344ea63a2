import type { Given, JsonRoute, RouteName } from '@/contracts/kernel/routes';
import type { AnswerOf } from '@/queries/kernel/answers';
import { sameProgram } from './program';

/** A refusal that the server answered, with what to do. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly details: {
      readonly code?: string;
      readonly problems?: readonly { readonly path: string; readonly message: string }[];
      readonly revision?: number;
      readonly changes?: readonly unknown[];
    },
  ) {
    super(message);
  }
}

/** The server could not be reached at all. */
export class NoSignal extends Error {
  constructor() {
    super('No connection to Groval. What you typed is kept.');
  }
}

/** The server runs another program than the page: its answer may mean something else than the page would show. */
export class OtherProgram extends Error {
  constructor() {
    super('Groval was updated while this page was open. Load the page again to see what is true now.');
  }
}

/** Questions that are posted since they are long: they record nothing, and what they answer is shown. */
const QUESTIONS: ReadonlySet<RouteName> = new Set([
  'POST /api/flights/preview',
  'POST /api/entries/preview',
  'POST /api/club/trial',
  'POST /api/join',
] as const);

/** The names that stand in brackets in the address of a route. */
type Named<Address extends string> = Address extends `${string}[${infer Name}]${infer Rest}`
  ? Name | Named<Rest>
  : never;

/** What an address is completed with: each name of the route, and what is asked beyond it. */
export interface Asking<N extends RouteName> {
  readonly params?: Readonly<Record<Named<N>, string>>;
  readonly search?: Readonly<Record<string, string | null>>;
  readonly headers?: Readonly<Record<string, string>>;
  readonly body?: BodyInit;
}

/** The address of a route with its names filled in; what is null is left out of the search. */
export function addressOf<N extends RouteName>(name: N, { params, search = {} }: Asking<N> = {}): string {
  const path = name
    .slice(name.indexOf(' ') + 1)
    .replaceAll(/\[(\w+)\]/gu, (_, key: Named<N>) => encodeURIComponent(params?.[key] ?? ''));
  const asked = new URLSearchParams(
    Object.entries(search).filter((entry): entry is [string, string] => entry[1] !== null),
  ).toString();
  return asked === '' ? path : `${path}?${asked}`;
}

/**
 * Asks a route of ours. Its answer has the type that the route is made by, and an answer of another program than the page's is never
 * read. Throws Refusal, NoSignal or OtherProgram.
 */
export async function ask<N extends RouteName>(name: N, asking: Asking<N> = {}): Promise<AnswerOf<N>> {
  const method = name.slice(0, name.indexOf(' '));
  const { headers, body } = asking;
  let response: Response;
  try {
    response = await fetch(addressOf(name, asking), {
      credentials: 'same-origin',
      method,
      ...(headers === undefined ? {} : { headers }),
      ...(body === undefined ? {} : { body }),
    });
  } catch {
    throw new NoSignal();
  }
  const isSame = sameProgram(response.headers);
  const given: unknown = await response.json().catch(() => null);
  if (response.ok) {
    // What was sent is recorded, whatever program did it; what is shown must be of the page's own.
    if (!isSame && (method === 'GET' || QUESTIONS.has(name))) throw new OtherProgram();
    return given as AnswerOf<N>;
  }
  const error = (given as { error?: Refusal['details'] & { message?: string } } | null)?.error;
  throw new Refusal(
    response.status,
    error?.message ?? 'Groval could not do that just now. Try again.',
    error ?? {},
  );
}

/** Sends what a route takes, as JSON. */
export function send<N extends JsonRoute>(
  name: N,
  value: Given<N>,
  headers: Readonly<Record<string, string>> = {},
): Promise<AnswerOf<N>> {
  return ask(name, {
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(value),
  });
}
