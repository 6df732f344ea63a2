import { ask } from './fetching';

/** Signs out and shows the first page. What is kept on the phone stays there for whoever wrote it. */
export async function leave(): Promise<void> {
  await ask('/api/auth/sign-out', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }).catch(() => null);
  window.location.assign('/sign-in');
}
