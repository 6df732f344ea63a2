import { chosenClub } from '@/db/club/accounts';
import { asPerson } from '@/db/kernel/club-transaction';
import { type Membership, membershipsOf } from '@/db/club/clubs';
import { runtime } from '@/server/runtime';

/** Somebody who is signed in, with the clubs that they belong to. */
export interface Person {
  readonly personId: string;
  readonly email: string;
  readonly sessionId: string;
  readonly memberships: readonly Membership[];
  /** The club that they work in: the one that they chose, otherwise the one that they joined first. */ readonly membership: Membership | null;
  readonly chosen: boolean;
}

/** What a phone names that sends something written in another club than the one that is chosen by now. */
const CLUB_HEADER = 'x-groval-club';

/** Who is signed in; null where nobody is. */
export async function whoAsks(request: Request): Promise<Person | null> {
  const { accounts, db } = runtime();
  const found = await accounts.api.getSession({ headers: request.headers });
  if (found === null) return null;
  const [personId, sessionId] = [found.user.id, found.session.id];
  const { memberships, clubId } = await asPerson(db, personId, async (tx) => {
    const own = await membershipsOf(tx, personId);
    return { memberships: own, clubId: own.length > 1 ? await chosenClub(tx, sessionId) : null };
  });
  const named = request.headers.get(CLUB_HEADER);
  const wanted =
    memberships.find((one) => one.clubId === named) ?? memberships.find((one) => one.clubId === clubId);
  return {
    personId,
    email: found.user.email,
    sessionId,
    memberships,
    membership: wanted ?? memberships[0] ?? null,
    chosen: memberships.length < 2 || memberships.some((one) => one.clubId === clubId),
  };
}
