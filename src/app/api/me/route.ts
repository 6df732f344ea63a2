import { personRoute } from '../answer';
import { inClub } from '@/db/kernel/club-transaction';
import { readClub } from '@/db/club/clubs';
import { countUnread } from '@/db/notices/notices';
import type { Me } from '@/queries/kernel/answers';
import { runtime } from '@/server/runtime';

/** Who is signed in, in which club, and which others there are. */
export const GET = personRoute(
  'GET /api/me',
  async ({ personId, email, memberships, membership, chosen }) => {
    const { db } = runtime();
    const clubs = [];
    for (const { clubId } of memberships)
      clubs.push({ id: clubId, name: (await inClub(db, clubId, (tx) => readClub(tx, clubId))).name });
    return Response.json({
      name: membership?.name ?? email,
      roles: membership?.roles ?? [],
      personId,
      email,
      clubId: membership?.clubId ?? null,
      clubs,
      chosen,
      unread:
        membership === null ? 0 : await inClub(db, membership.clubId, (tx) => countUnread(tx, personId)),
    } satisfies Me);
  },
);
