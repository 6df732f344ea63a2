// Shows what somebody is to be told on this device, though no page of ours is open. Keeps nothing.
const worker = self as unknown as ServiceWorkerGlobalScope;

/** What the server sends: see `openPusher`. */
interface Told {
  readonly id: string;
  readonly title: string;
  readonly body: string;
  readonly path: string;
  readonly until: string | null;
}

const isText = (value: unknown): value is string => typeof value === 'string';

function read(data: PushMessageData | null): Told | null {
  try {
    const { id, title, body, path, until } = (data?.json() ?? {}) as Partial<Record<keyof Told, unknown>>;
    if (!isText(id) || !isText(title) || !isText(body) || !isText(path)) return null;
    return { id, title, body, path, until: isText(until) ? until : null };
  } catch {
    return null;
  }
}

worker.addEventListener('install', () => {
  void worker.skipWaiting();
});

worker.addEventListener('push', (event) => {
  const told = read(event.data);
  // A browser ends the subscription of who shows nothing: what cannot be read, or comes too late, is said to be that.
  const isLate = told?.until != null && Date.parse(told.until) <= Date.now();
  const shown =
    told === null || isLate
      ? {
          title: 'Groval has a notice for you',
          body: 'Open Groval to read it.',
          path: '/notices',
          tag: 'notices',
        }
      : { ...told, tag: told.id };
  event.waitUntil(
    worker.registration.showNotification(shown.title, {
      body: shown.body,
      icon: '/icon.svg',
      // One that comes again takes the place of itself, without a sound.
      tag: shown.tag,
      data: { path: shown.path },
    }),
  );
});

worker.addEventListener('notificationclick', (event) => {
  event.notification.close();
  const { path } = event.notification.data as { readonly path: unknown };
  // Only a page of our own.
  const target = new URL(isText(path) ? path : '/notices', worker.location.origin);
  const { href } =
    target.origin === worker.location.origin ? target : new URL('/notices', worker.location.origin);
  event.waitUntil(worker.clients.openWindow(href));
});

export {};
