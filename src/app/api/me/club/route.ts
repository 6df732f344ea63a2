import { personJsonRoute } from '../../answer';
import { problem } from '../../refusals';
import { chooseClub } from '@/db/club/accounts';
import { asPerson } from '@/db/kernel/club-transaction';
import { runtime } from '@/server/runtime';

/** Chooses which of their clubs this session works in. */
export const POST = personJsonRoute(
  'POST /api/me/club',
  async ({ personId, sessionId, memberships }, { clubId }) => {
    if (!memberships.some((membership) => membership.clubId === clubId))
      return problem(404, 'You do not belong to that club. Load the page again.');
    await asPerson(runtime().db, personId, (tx) => chooseClub(tx, sessionId, clubId));
    return Response.json({ clubId });
  },
);
