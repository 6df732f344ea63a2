// Screens in a browser that is only simulated, for tests of their own logic. For tests only.
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, configure, render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { afterEach, vi } from 'vitest';

configure({
  // No test here is one of speed.
  asyncUtilTimeout: 20_000,
  // What is waited for is missing many times before it comes: writing the whole page into each of those errors took half of the time.
  getElementError: (message) =>
    Object.assign(new Error(message ?? ''), { name: 'TestingLibraryElementError' }),
});

/** What the server answers: a status and a body for each address, or a function of what was sent. */
export type Answers = Readonly<
  Record<string, (body: unknown) => { readonly status: number; readonly body: unknown }>
>;

/** What was sent, in its order. */
export interface Sent {
  readonly path: string;
  readonly body: unknown;
}

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

/** Shows a part of a screen; whatever it sends is answered here, and an address that is not named is an error. */
export function show(element: ReactElement, answers: Answers = {}) {
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', (path: string, { body }: { readonly body?: string } = {}) => {
    const given: unknown = body === undefined ? null : JSON.parse(body);
    sent.push({ path, body: given });
    const answer = answers[path];
    if (answer === undefined) return Promise.reject(new Error(`nobody answers ${path}`));
    const { status, body: told } = answer(given);
    return Promise.resolve(
      new Response(JSON.stringify(told), { status, headers: { 'content-type': 'application/json' } }),
    );
  });
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const inside = (one: ReactElement) => <QueryClientProvider client={client}>{one}</QueryClientProvider>;
  const shown = render(inside(element));
  return {
    sent,
    person: userEvent.setup(),
    again: (other: ReactElement) => {
      shown.rerender(inside(other));
    },
  };
}
