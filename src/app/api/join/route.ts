import { answer, openJsonRoute } from '../answer';
import { lookAtLink } from '@/commands/club/people';
import { runtime } from '@/server/runtime';

/** Whose link this is. */
export const POST = openJsonRoute('POST /api/join', async ({ club, secret }) =>
  answer(await lookAtLink(runtime().ports, club, secret)),
);
