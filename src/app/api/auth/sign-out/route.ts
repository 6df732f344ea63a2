import { openRoute } from '../../answer';
import { runtime } from '@/server/runtime';
import { readWithin } from '@/server/spool';

/** Signs out: the session ends. */
export const POST = openRoute('POST /api/auth/sign-out', async (request) => {
  const { accounts, env } = runtime();
  await readWithin(request, 1024);
  const headers = new Headers({
    'content-type': 'application/json',
    origin: request.headers.get('origin') ?? '',
    cookie: request.headers.get('cookie') ?? '',
  });
  return accounts.handler(
    new Request(new URL('/api/auth/sign-out', env.GROVAL_URL), { method: 'POST', headers, body: '{}' }),
  );
});
