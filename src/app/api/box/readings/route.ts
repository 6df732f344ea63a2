import { answer, problem } from '../../refusals';
import { openJsonRoute } from '../../answer';
import { takeBoxReadings } from '@/commands/meters/meter-boxes';
import { idSchema } from '@/contracts/kernel/scalars';
import { runtime } from '@/server/runtime';

/** The key of a recorder: its club, and the secret by which it is found; null where there is none of that form. */
function keyOf(request: Request): { readonly club: string; readonly secret: string } | null {
  const [, club, secret] =
    /^Bearer ([0-9a-f-]{36})\.([0-9a-f]{64})$/.exec(request.headers.get('authorization') ?? '') ?? [];
  const id = idSchema().safeParse(club);
  return id.success && secret !== undefined ? { club: id.data, secret } : null;
}

const withoutKey = () =>
  problem(
    401,
    'Send the key: Authorization: Bearer, a space, and the key as it was shown when the recorder was fitted.',
  );

/** A meter recorder has no session and no browser: its key says which it is, and it may send readings and nothing else. */
export const POST = openJsonRoute(
  'POST /api/box/readings',
  async (sent, request) => {
    const key = keyOf(request);
    return key === null
      ? withoutKey()
      : answer(await takeBoxReadings(runtime().ports, key.club, key.secret, sent));
  },
  (request) => (keyOf(request) === null ? withoutKey() : null),
);
