import { ask, send } from './fetching';
import { forgetPerson } from './kept-walks';
import { ownDevice, unsubscribe } from './own-device';

/** Loads a page of ours again, so that nothing of the former person stays in memory. */
export function goTo(path: string): void {
  window.location.href = path;
}

/** The same as somebody who has just signed in: until the desk has said who that is, this phone takes nobody for the person before. */
export async function goAs(path: string): Promise<void> {
  await forgetPerson().catch(() => undefined);
  goTo(path);
}

/** Signs out and shows the first page. What is kept on the phone stays there for the person who wrote it. */
export async function leave(): Promise<void> {
  const device = ownDevice();
  if (device !== null) {
    await send('POST /api/notices/devices/end', { deviceId: device.deviceId }).catch(() => null);
    await unsubscribe().catch(() => undefined);
  }
  await ask('POST /api/auth/sign-out', {
    headers: { 'content-type': 'application/json' },
    body: '{}',
  }).catch(() => null);
  await goAs('/sign-in');
}
