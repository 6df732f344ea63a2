import { sql } from 'kysely';
import type { Instant } from '@/core/time/instant';
import type { ClubTransaction } from './connection';

// Accounts live in the schema of the library that signs people in; its tables are not ours, so they are named in full.

/** Whether anybody has an account here. Waits for whoever else is about to make the first one. */
export async function anyAccount(tx: ClubTransaction): Promise<boolean> {
  await sql`select pg_advisory_xact_lock(hashtextextended('first-account', 0))`.execute(tx);
  return (await sql`select 1 from auth."user" limit 1`.execute(tx)).rows.length > 0;
}

/** The account of a person, or of an e-mail address. */
export async function findAccount(tx: ClubTransaction, by: { readonly personId: string } | { readonly email: string }): Promise<{ readonly personId: string; readonly email: string } | undefined> {
  const where = 'personId' in by ? sql`id = ${by.personId}` : sql`email = ${by.email}`;
  return (await sql<{ personId: string; email: string }>`select id as "personId", email from auth."user" where ${where}`.execute(tx)).rows[0];
}

/** Which of some people have an account, with the address that they sign in by. */
export async function accountsOf(tx: ClubTransaction, people: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const { rows } = await sql<{ id: string; email: string }>`select id, email from auth."user" where id = any(${people})`.execute(tx);
  return new Map(rows.map(({ id, email }) => [id, email]));
}

/** Writes an account. @param hash of the password, by the library's own method */
export async function insertAccount(tx: ClubTransaction, { personId, name, email, hash }: { readonly personId: string; readonly name: string; readonly email: string; readonly hash: string }): Promise<void> {
  await sql`insert into auth."user" (id, name, email, "emailVerified", "createdAt", "updatedAt") values (${personId}, ${name}, ${email}, true, clock_timestamp(), now())`.execute(tx);
  await sql`insert into auth.account (id, "accountId", "providerId", "userId", password, "updatedAt") values (${personId}, ${personId}, 'credential', ${personId}, ${hash}, now())`.execute(tx);
}

/** Sets another password and ends every session of that person. */
export async function setPassword(tx: ClubTransaction, personId: string, hash: string): Promise<void> {
  await sql`update auth.account set password = ${hash}, "updatedAt" = now() where "userId" = ${personId} and "providerId" = 'credential'`.execute(tx);
  await sql`delete from auth.session where "userId" = ${personId}`.execute(tx);
}

/** Keeps the hash of a one-time code for founding. */
export async function keepFoundingCode(tx: ClubTransaction, hash: Uint8Array, at: Instant): Promise<void> {
  await sql`insert into auth.founding_code (code_hash, made_at) values (${Buffer.from(hash)}, ${new Date(at)}) on conflict do nothing`.execute(tx);
}

/** Whether there is a code with this hash. */
export async function foundingCodeKnown(tx: ClubTransaction, hash: Uint8Array): Promise<boolean> {
  return (await sql`select 1 from auth.founding_code where code_hash = ${Buffer.from(hash)}`.execute(tx)).rows.length > 0;
}

/** Forgets every code: the installation has its first account. */
export async function forgetFoundingCodes(tx: ClubTransaction): Promise<void> {
  await sql`delete from auth.founding_code`.execute(tx);
}

/** The club that was brought in before anybody had an account; null where there is none. */
export async function clubWithoutAccounts(tx: ClubTransaction): Promise<{ readonly clubId: string; readonly name: string } | null> {
  const { rows } = await sql<{ clubId: string; name: string }>`select club_id as "clubId", name from groval.club_without_accounts()`.execute(tx);
  return rows[0] ?? null;
}
