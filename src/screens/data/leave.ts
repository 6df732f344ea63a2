import { ask } from './fetching';
import { forgetPerson } from './kept-walks';

/** Loads a page of ours again, so that nothing of the former person stays in memory. */
export function goTo(path: string): void {
  window.location.href = path;
}

/** Signs out and shows the first page. What is kept on the phone stays there for the person who wrote it. */
export async function leave(): Promise<void> {
  await forgetPerson().catch(() => undefined);
  await ask('POST /api/auth/sign-out', {
    headers: { 'content-type': 'application/json' },
    body: '{}',
  }).catch(() => null);
  goTo('/sign-in');
}
