import { queryRoute } from '../../../../answer';
import { idSchema } from '@/contracts/kernel/scalars';
import { replayedRelease } from '@/queries/releases/replayed';
import { runtime } from '@/server/runtime';

/** A release decided again, to see whether it would be decided the same today. */
export const GET = queryRoute(
  'GET /api/dispatch/release/[release]/replay',
  async ({ tx, params }) => {
    const id = idSchema().safeParse(params['release']);
    const { sha256 } = runtime().ports;
    return id.success
      ? replayedRelease(tx, id.data, (text) => Buffer.from(sha256(Buffer.from(text, 'utf8'))).toString('hex'))
      : null;
  },
  'The club has no such release. Open it from the dispatch page.',
);
