import type { Kysely } from 'kysely';
import { runIn } from './kit';

export { down } from './kit';

/**
 * Accounts. The first tables are those of the authentication library, as its own generator writes them for version 1.7.25 (a test compares); the others
 * are ours.
 */
const LIBRARY = `
create table "user" ("id" text not null primary key, "name" text not null, "email" text not null unique, "emailVerified" boolean not null, "image" text, "createdAt" timestamptz default CURRENT_TIMESTAMP not null, "updatedAt" timestamptz default CURRENT_TIMESTAMP not null);
create table "session" ("id" text not null primary key, "expiresAt" timestamptz not null, "token" text not null unique, "createdAt" timestamptz default CURRENT_TIMESTAMP not null, "updatedAt" timestamptz not null, "ipAddress" text, "userAgent" text, "userId" text not null references "user" ("id") on delete cascade);
create table "account" ("id" text not null primary key, "accountId" text not null, "providerId" text not null, "userId" text not null references "user" ("id") on delete cascade, "accessToken" text, "refreshToken" text, "idToken" text, "accessTokenExpiresAt" timestamptz, "refreshTokenExpiresAt" timestamptz, "scope" text, "password" text, "createdAt" timestamptz default CURRENT_TIMESTAMP not null, "updatedAt" timestamptz not null);
create table "verification" ("id" text not null primary key, "identifier" text not null, "value" text not null, "expiresAt" timestamptz not null, "createdAt" timestamptz default CURRENT_TIMESTAMP not null, "updatedAt" timestamptz default CURRENT_TIMESTAMP not null);
create table "rateLimit" ("id" text not null primary key, "key" text not null unique, "count" integer not null, "lastRequest" bigint not null);
create index "session_userId_idx" on "session" ("userId");
create index "account_userId_idx" on "account" ("userId");
create index "verification_identifier_idx" on "verification" ("identifier");
`;

const OURS = `
-- Which club made an account: only that one may make a link for a new password, and only while the person is in no other.
create table account_origin (person_id text primary key references "user" ("id") on delete cascade, club_id uuid not null);
-- Which of several clubs a session works in.
create table session_club (session_id text primary key references "session" ("id") on delete cascade, club_id uuid not null);
-- Tries of passwords, codes and links, as the limiter keeps them.
create table attempts (key varchar(255) primary key, points integer not null default 0, expire bigint);
-- One-time codes of an installation in which nobody has an account yet, by a hash of each.
create table founding_code (code_hash bytea primary key, made_at timestamptz not null);
-- Written by the health check: a database that answers and refuses writing is not well.
create table health_probe (one boolean primary key default true check (one), at timestamptz not null);
insert into health_probe (at) values (now());
`;

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'auth');
  await run(LIBRARY);
  await run(OURS);
  await run(
    'grant usage on schema auth to groval_app; grant select, insert, update, delete on all tables in schema auth to groval_app',
  );
  await run(
    'revoke insert, delete on health_probe from groval_app; revoke update on founding_code from groval_app',
  );
}
