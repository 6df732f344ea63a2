/** The device as it was given to the server, and by whom. */
interface OwnDevice {
  readonly deviceId: string;
  readonly personId: string;
}

const KEY = 'groval-device';
const SCOPE = '/notices';

/** The device on which somebody asked to be told in this browser; null where nobody did. */
export function ownDevice(): OwnDevice | null {
  try {
    const { deviceId, personId } = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Partial<OwnDevice>;
    return deviceId === undefined || personId === undefined ? null : { deviceId, personId };
  } catch {
    return null;
  }
}

/** Whether this browser can be told at all: it needs workers, a push service and a secure page. */
export const canBeTold = (): boolean =>
  'serviceWorker' in navigator && 'PushManager' in window && 'Notification' in window;

/**
 * Has the browser's push service take messages for this device. Where somebody else was told here until now, it is
 * by a subscription that nobody had before; one's own is kept, since another club may send to it too.
 * @param publicKey the server's, by which the push service knows it
 * @throws where the browser has no push service, or its person does not let it
 */
export async function subscribe(publicKey: string, personId: string): Promise<PushSubscriptionJSON> {
  if ((await Notification.requestPermission()) !== 'granted')
    throw new Error(
      'This browser does not let Groval show notices. Allow them in its settings for this page, and try again.',
    );
  const registration = await navigator.serviceWorker.register('/notices-worker.js', { scope: SCOPE });
  await ready(registration);
  const kept = await registration.pushManager.getSubscription();
  if (kept !== null && ownDevice()?.personId === personId) return kept.toJSON();
  await kept?.unsubscribe();
  const made = await registration.pushManager.subscribe({
    userVisibleOnly: true,
    applicationServerKey: publicKey,
  });
  return made.toJSON();
}

/** Waits until a worker runs: before that nobody can subscribe. */
async function ready({ active, installing, waiting }: ServiceWorkerRegistration): Promise<void> {
  const worker = active ?? installing ?? waiting;
  if (worker === null || worker.state === 'activated') return;
  await new Promise<void>((resolve) => {
    worker.addEventListener('statechange', () => {
      if (worker.state === 'activated' || worker.state === 'redundant') resolve();
    });
  });
}

/** Remembers whose device this browser is. */
export function rememberDevice(device: OwnDevice): void {
  localStorage.setItem(KEY, JSON.stringify(device));
}

/** Ends the browser's own subscription, which needs no signal. From then on nothing reaches it. */
export async function forgetSubscription(): Promise<void> {
  const registration = await navigator.serviceWorker.getRegistration(SCOPE);
  await (await registration?.pushManager.getSubscription())?.unsubscribe();
}

/** Forgets that anybody is told in this browser, and ends its subscription. */
export async function unsubscribe(): Promise<void> {
  if (ownDevice() === null) return;
  localStorage.removeItem(KEY);
  await forgetSubscription();
}

/** Somebody else is signed in here now: what is for the person before does not show on their screen. */
export function endForeignDevice(personId: string): void {
  const own = ownDevice();
  if (own !== null && own.personId !== personId) unsubscribe().catch(() => undefined);
}
