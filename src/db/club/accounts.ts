import { sql } from 'kysely';
import type { Instant } from '@/core/time/instant';
import { type Membership, membershipsOf } from './clubs';
import type { ClubTransaction, Database } from '../kernel/connection';

// Accounts live in the schema of the library that signs people in; its tables are not ours, so they are named in full.

/** Whether anybody has an account here. Waits for anybody else who is about to make the first one. */
export async function anyAccount(tx: ClubTransaction): Promise<boolean> {
  await sql`select pg_advisory_xact_lock(hashtextextended('first-account', 0))`.execute(tx);
  return (await sql`select 1 from auth."user" limit 1`.execute(tx)).rows.length > 0;
}

/** The account of a person, or of an e-mail address. */
export async function findAccount(
  tx: ClubTransaction,
  by: { readonly personId: string } | { readonly email: string },
): Promise<{ readonly personId: string; readonly email: string } | undefined> {
  const where = 'personId' in by ? sql`id = ${by.personId}` : sql`email = ${by.email}`;
  return (
    await sql<{
      personId: string;
      email: string;
    }>`select id as "personId", email from auth."user" where ${where}`.execute(tx)
  ).rows[0];
}

/** Somebody with a session that still lasts. */
export interface Asking {
  readonly personId: string;
  readonly email: string;
  readonly sessionId: string;
  /** The clubs that they belong to, the one that they joined first at the front. */
  readonly memberships: readonly Membership[];
  /** The club that the session works in, where its person has chosen one. */
  readonly chosenClubId: string | null;
}

/**
 * Who has a session, in one question; null where there is none that still lasts.
 * @param token as the library keeps it, its signature already looked at
 */
export async function whoHas(db: Database, token: string): Promise<Asking | null> {
  const {
    rows: [row],
  } = await sql<{
    session_id: string;
    person_id: string;
    email: string;
    clubs: readonly Omit<Membership, 'personId'>[];
    chosen: string | null;
  }>`select * from groval.who_asks(${token})`.execute(db);
  if (row === undefined) return null;
  return {
    personId: row.person_id,
    email: row.email,
    sessionId: row.session_id,
    memberships: row.clubs
      // Without a role somebody belongs to the club no longer.
      .filter(({ roles }) => roles.length > 0)
      .map((one) => ({ ...one, personId: row.person_id })),
    chosenClubId: row.chosen,
  };
}

/** Which of some people have an account, with the address that they sign in by. */
export async function accountsOf(
  tx: ClubTransaction,
  people: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const { rows } = await sql<{
    id: string;
    email: string;
  }>`select id, email from auth."user" where id = any(${people})`.execute(tx);
  return new Map(rows.map(({ id, email }) => [id, email]));
}

/** Writes an account. @param hash of the password, by the library's own method @param clubId the club that makes it: only that one may ever make a link for a new password */
export async function insertAccount(
  tx: ClubTransaction,
  {
    personId,
    name,
    email,
    hash,
    clubId,
  }: {
    readonly personId: string;
    readonly name: string;
    readonly email: string;
    readonly hash: string;
    readonly clubId: string;
  },
): Promise<void> {
  await sql`insert into auth."user" (id, name, email, "emailVerified", "createdAt", "updatedAt") values (${personId}, ${name}, ${email}, true, clock_timestamp(), now())`.execute(
    tx,
  );
  await sql`insert into auth.account (id, "accountId", "providerId", "userId", password, "updatedAt") values (${personId}, ${personId}, 'credential', ${personId}, ${hash}, now())`.execute(
    tx,
  );
  await sql`insert into auth.account_origin (person_id, club_id) values (${personId}, ${clubId}::uuid)`.execute(
    tx,
  );
}

/** Sets another password and ends every session of that person. @param keep a session that goes on: that of somebody who changes their own */
export async function setPassword(
  tx: ClubTransaction,
  personId: string,
  hash: string,
  keep: string | null = null,
): Promise<void> {
  await sql`update auth.account set password = ${hash}, "updatedAt" = now() where "userId" = ${personId} and "providerId" = 'credential'`.execute(
    tx,
  );
  await sql`delete from auth.session where "userId" = ${personId} and id is distinct from ${keep}`.execute(
    tx,
  );
}

/**
 * Whether this club alone stands for an account: it made it, and the person belongs to no other club. Only then may its administrator make
 * a link for a new password; otherwise one club could take over what somebody signs by in another.
 */
export async function accountIsOurs(tx: ClubTransaction, clubId: string, personId: string): Promise<boolean> {
  const {
    rows: [origin],
  } = await sql<{
    club_id: string;
  }>`select club_id from auth.account_origin where person_id = ${personId}`.execute(tx);
  if (origin?.club_id !== clubId) return false;
  // The policies of these tables show a person's own memberships beside those of the club that this transaction is in.
  await sql`select set_config('groval.person', ${personId}, true)`.execute(tx);
  const memberships = await membershipsOf(tx, personId);
  await sql`select set_config('groval.person', '', true)`.execute(tx);
  return memberships.every((membership) => membership.clubId === clubId);
}

/** Which accounts of some people this club made: of those alone it shows the address. */
export async function accountsMadeBy(
  tx: ClubTransaction,
  clubId: string,
  people: readonly string[],
): Promise<ReadonlySet<string>> {
  const { rows } = await sql<{
    person_id: string;
  }>`select person_id from auth.account_origin where club_id = ${clubId}::uuid and person_id = any(${people})`.execute(
    tx,
  );
  return new Set(rows.map((row) => row.person_id));
}

/** Keeps which club a session works in. */
export async function chooseClub(tx: ClubTransaction, sessionId: string, clubId: string): Promise<void> {
  await sql`insert into auth.session_club (session_id, club_id) values (${sessionId}, ${clubId}::uuid) on conflict (session_id) do update set club_id = excluded.club_id`.execute(
    tx,
  );
}

/** Keeps the hash of a one-time code for founding. */
export async function keepFoundingCode(tx: ClubTransaction, hash: Uint8Array, at: Instant): Promise<void> {
  await sql`insert into auth.founding_code (code_hash, made_at) values (${Buffer.from(hash)}, ${new Date(at)}) on conflict do nothing`.execute(
    tx,
  );
}

/** Whether there is a code with this hash. */
export async function foundingCodeKnown(tx: ClubTransaction, hash: Uint8Array): Promise<boolean> {
  return (
    (await sql`select 1 from auth.founding_code where code_hash = ${Buffer.from(hash)}`.execute(tx)).rows
      .length > 0
  );
}

/** Forgets every code: the installation has its first account. */
export async function forgetFoundingCodes(tx: ClubTransaction): Promise<void> {
  await sql`delete from auth.founding_code`.execute(tx);
}

/** The club that was brought in before anybody had an account; null where there is none. */
export async function clubWithoutAccounts(
  tx: ClubTransaction,
): Promise<{ readonly clubId: string; readonly name: string } | null> {
  const { rows } = await sql<{
    clubId: string;
    name: string;
  }>`select club_id as "clubId", name from groval.club_without_accounts()`.execute(tx);
  return rows[0] ?? null;
}
