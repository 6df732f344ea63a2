import { answer, openJsonRoute, problem } from '../../answer';
import { takeBoxReadings } from '@/commands/meter-boxes';
import { idSchema } from '@/contracts/scalars';
import { runtime } from '@/server/runtime';

/** A meter recorder has no session and no browser: its key says which it is, and it may send readings and nothing else. */
export const POST = openJsonRoute('POST /api/box/readings', async (sent, request) => {
  const key = /^Bearer ([0-9a-f-]{36})\.([0-9a-f]{64})$/.exec(request.headers.get('authorization') ?? '');
  const club = idSchema().safeParse(key?.[1]);
  if (key === null || !club.success) return problem(401, 'Send the key: Authorization: Bearer, a space, and the key as it was shown when the recorder was fitted.');
  return answer(await takeBoxReadings(runtime().ports, club.data, key[2] ?? '', sent));
});
