import { answer } from '../refusals';
import { openJsonRoute } from '../answer';
import { lookAtLink } from '@/commands/club/take-up-link';
import type { LinkView } from '@/queries/kernel/answers';
import { runtime } from '@/server/runtime';

/** Whose link this is. */
export const POST = openJsonRoute('POST /api/join', async ({ club, secret }) =>
  answer<LinkView>(await lookAtLink(runtime().ports, club, secret)),
);
