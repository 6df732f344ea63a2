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

/** Asks a route of ours for JSON. Throws Refusal or NoSignal. */
export async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, { credentials: 'same-origin', ...init });
  } catch {
    throw new NoSignal();
  }
  const given: unknown = await response.json().catch(() => null);
  if (response.ok) return given as T;
  const error = (given as { error?: Refusal['details'] & { message?: string } } | null)?.error;
  throw new Refusal(
    response.status,
    error?.message ?? 'Groval could not do that just now. Try again.',
    error ?? {},
  );
}

/** Sends JSON. */
export function send<T>(
  path: string,
  value: unknown,
  headers: Readonly<Record<string, string>> = {},
): Promise<T> {
  return ask<T>(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(value),
  });
}
