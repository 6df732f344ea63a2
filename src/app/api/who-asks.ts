import { type Asking, whoHas } from '@/db/club/accounts';
import type { Membership } from '@/db/club/clubs';
import { runtime } from '@/server/runtime';

/** Somebody who is signed in, with the clubs that they belong to. */
export interface Person {
  readonly personId: string;
  readonly email: string;
  readonly sessionId: string;
  readonly memberships: readonly Membership[];
  /** The club that they work in: the one that they chose, otherwise the one that they joined first. */
  readonly membership: Membership | null;
  readonly chosen: boolean;
}

/** What a phone names that sends something written in another club than the one that is chosen by now. */
const CLUB_HEADER = 'x-groval-club';

/** And by whom it was written: a phone may have changed hands since. */
const PERSON_HEADER = 'x-groval-person';

/** Who is signed in; null where nobody is, and where what is sent was written by somebody else: nothing is ever taken for another's. */
export async function whoAsks(request: Request): Promise<Person | null> {
  const { sessions, db } = runtime();
  const token = await sessions.tokenOf(request.headers);
  const found = token === null ? null : await whoHas(db, token);
  const writer = request.headers.get(PERSON_HEADER);
  if (found === null || (writer !== null && writer !== found.personId)) return null;
  return inTheirClub(found, request.headers.get(CLUB_HEADER));
}

function inTheirClub(
  { personId, email, sessionId, memberships, chosenClubId }: Asking,
  named: string | null,
): Person {
  const wanted =
    memberships.find(({ clubId }) => clubId === named)
    ?? memberships.find(({ clubId }) => clubId === chosenClubId);
  return {
    personId,
    email,
    sessionId,
    memberships,
    membership: wanted ?? memberships[0] ?? null,
    chosen: memberships.length < 2 || memberships.some(({ clubId }) => clubId === chosenClubId),
  };
}
