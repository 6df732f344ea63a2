import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';

interface Shown {
  readonly title: string;
  readonly options: { readonly body: string; readonly tag: string; readonly data: { readonly path: string } };
}

/** A browser's worker, as far as ours uses it. */
const listeners = new Map<string, (event: never) => void>();
const shown: Shown[] = [];
const opened: string[] = [];
const worker = {
  addEventListener: (name: string, listener: (event: never) => void) => listeners.set(name, listener),
  skipWaiting: () => Promise.resolve(),
  location: { origin: 'https://groval.example' },
  registration: {
    showNotification: (title: string, options: Shown['options']) => {
      shown.push({ title, options });
      return Promise.resolve();
    },
  },
  clients: {
    openWindow: (url: string) => {
      opened.push(url);
      return Promise.resolve(null);
    },
  },
};
beforeAll(async () => {
  vi.stubGlobal('self', worker);
  await import('./notices');
});
afterAll(() => {
  vi.unstubAllGlobals();
});
beforeEach(() => {
  shown.length = 0;
  opened.length = 0;
});
const emit = (name: string, event: object) => {
  listeners.get(name)?.({ waitUntil: () => undefined, ...event } as never);
};
const push = (value: unknown) => {
  emit('push', { data: value === undefined ? null : { json: () => value } });
};
const tap = (path: unknown) => {
  emit('notificationclick', { notification: { close: () => undefined, data: { path } } });
};
const TOLD = {
  id: 'n1',
  title: 'N01TB: what you found',
  body: 'A dent',
  path: '/aircraft/N01TB',
  until: null,
};

describe('what a device shows', () => {
  it('is the notice, under its own name, so that one that comes twice is one', () => {
    push(TOLD);
    expect(shown).toMatchObject([
      {
        title: TOLD.title,
        options: { body: 'A dent', tag: 'n1', data: { path: '/aircraft/N01TB' } },
      },
    ]);
  });
  it.each([
    ['nothing', undefined],
    ['no text', { ...TOLD, title: 7 }],
    ['of no use any more', { ...TOLD, until: '2026-01-01T00:00:00Z' }],
  ])('of one that is %s, is only that there is one', (_, value) => {
    push(value);
    expect(shown.map(({ title }) => title)).toEqual(['Groval has a notice for you']);
  });
  it('of what cannot be read, too', () => {
    emit('push', {
      data: {
        json: () => {
          throw new SyntaxError('no JSON');
        },
      },
    });
    expect(shown.map(({ title }) => title)).toEqual(['Groval has a notice for you']);
  });
  it.each([
    ['/aircraft/N01TB', 'https://groval.example/aircraft/N01TB'],
    ['https://evil.example/', 'https://groval.example/notices'],
    ['//evil.example/', 'https://groval.example/notices'],
    [7, 'https://groval.example/notices'],
  ])('leads by a tap from %s to %s', (path, url) => {
    tap(path);
    expect(opened).toEqual([url]);
  });
});
