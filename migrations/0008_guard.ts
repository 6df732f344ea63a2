import { sql, type Kysely } from 'kysely';

/**
 * The ledger and the records hold each other: no row of a record is written without an entry of the ledger that counts it, and what is
 * taken away is missed. Every row carries the batch (transaction) that wrote it. A trigger adds up the digests of the rows of each
 * statement; the ledger's entry holds these sums inside its hashed body; at the end of the transaction the two must agree. Heads of the
 * chains are kept where the application's role can neither write nor delete.
 *
 * Also: copies and what members say wait until somebody vouches for them; links to a second club; whose a planned flight is.
 * Older programs may not run on it: they write no batch.
 */

/** Tables whose rows are records, each with the columns that its digest leaves out and why. */
const COVERED = {
  club: [],
  membership: [],
  certificate: [],
  signature: [],
  document_sighting: [],
  inspection: [],
  dial: [],
  meter_reading: [],
  discrepancy: [],
  rectification: [],
  planned_flight: [],
  planned_flight_end: [],
  flight: [],
  flight_return: [],
  strike: [],
  aircraft_record: [],
  calendar_feed: [],
  calendar_feed_end: [],
  membership_change: [],
  club_change: [],
  invitation_end: [],
  certificate_end: [],
  aircraft_description: [],
  meter_box: [],
  meter_box_end: [],
  box_reading: [],
  vouch: [],
  // The one thing that changes in place.
  aircraft: ['revision'],
  // Their digest is a column of its own.
  photo: ['bytes'],
  record_photo: ['bytes'],
  // May be blanked when somebody asks for their data to be removed.
  invitation: ['email'],
} as const satisfies Readonly<Record<string, readonly string[]>>;

const REFUSE_OLD = `
do $$ begin
  if exists (select from groval.club) then
    raise exception 'This database was made by a version whose records the ledger does not count. Start with an empty database: export each club there and import it here, or start the demo with --reset.';
  end if;
end $$;
`;

const GUARD = `
-- The schema itself is made with the roles, like ours.
-- Rows written in transactions that have not ended, and what their ledger entries count. Unlogged: what is not committed is not kept.
create unlogged table guard.pending (
  xid xid8 not null default pg_current_xact_id(), club_id uuid not null, batch uuid not null, table_name text not null,
  rows bigint not null, s1 numeric not null, s2 numeric not null, s3 numeric not null, s4 numeric not null
);
create index pending_xid on guard.pending (xid);

-- The newest entry of every chain.
create table guard.head (club_id uuid not null, chain text not null, seq integer not null, hash bytea not null, primary key (club_id, chain));
alter table guard.head enable row level security; alter table guard.head force row level security;
create policy of_club on guard.head using (club_id = groval.current_club()) with check (club_id = groval.current_club());
grant usage on schema guard to groval_app;
grant select on guard.head to groval_app;

create function groval.current_batch() returns uuid language sql stable as $$ select nullif(current_setting('groval.batch', true), '')::uuid $$;

-- The digest of a row, by its table and all that it says but the columns left out. Nulls at its end are not part of it, so a nullable column that a
-- later version adds changes no digest of before. Text is half the work of JSON, which only the tables with columns left out need.
-- Stable, not immutable: only so the planner puts the expression in place of the call (four times as fast).
create function guard.row_digest(of_table text, whole anyelement, left_out text[]) returns bytea language sql stable parallel safe as
  $$ select sha256(convert_to(of_table || case when left_out = '{}' then rtrim(whole::text, ',)') else jsonb_strip_nulls(to_jsonb(whole) - left_out)::text end, 'UTF8')) $$;
-- A quarter of a digest as a number, so that digests of rows can be added in any order.
create function guard.part(digest bytea, quarter integer) returns bigint language sql stable parallel safe as
  $$ select ('x' || encode(substr(digest, quarter * 8 + 1, 8), 'hex'))::bit(64)::bigint $$;

-- "offset 0" keeps the planner from computing each digest four times. The settings are those that decide how a value is written as text.
create function guard.count_rows() returns trigger language plpgsql security definer
  set search_path = pg_catalog set timezone = 'UTC' set datestyle = 'ISO' set intervalstyle = 'postgres' set bytea_output = 'hex' set extra_float_digits = 1 as $$
begin
  insert into guard.pending (club_id, batch, table_name, rows, s1, s2, s3, s4)
    select d.club_id, d.batch, tg_table_name, count(*), sum(guard.part(d.digest, 0)), sum(guard.part(d.digest, 1)), sum(guard.part(d.digest, 2)), sum(guard.part(d.digest, 3))
    from (select a.club_id, a.batch, guard.row_digest(tg_table_name::text, a, tg_argv[0]::text[]) as digest from added a offset 0) d group by d.club_id, d.batch;
  return null;
end $$;

-- What this transaction has written and no entry of the ledger counts yet: {"flight": "2:s1:s2:s3:s4"}.
create function groval.uncounted() returns jsonb language sql security definer set search_path = pg_catalog as $$
  select coalesce(jsonb_object_agg(table_name, rows || ':' || s1 || ':' || s2 || ':' || s3 || ':' || s4), '{}') from (
    select table_name, sum(rows) as rows, sum(s1) as s1, sum(s2) as s2, sum(s3) as s3, sum(s4) as s4 from guard.pending
    where xid = pg_current_xact_id() and club_id = groval.current_club() and batch = groval.current_batch() group by table_name having sum(rows) <> 0) u
$$;

create function guard.settle() returns trigger language plpgsql security definer set search_path = pg_catalog as $$
declare open record;
begin
  select table_name, sum(rows) as rows into open from guard.pending where xid = pg_current_xact_id()
    group by club_id, batch, table_name having sum(rows) <> 0 or sum(s1) <> 0 or sum(s2) <> 0 or sum(s3) <> 0 or sum(s4) <> 0 limit 1;
  if found then
    raise exception 'rows of % were written that no entry of the ledger counts (% more than counted)', open.table_name, open.rows using errcode = 'GV001';
  end if;
  delete from guard.pending where xid = pg_current_xact_id();
  return null;
end $$;
create constraint trigger settle after insert on guard.pending deferrable initially deferred for each row execute function guard.settle();
`;

/** An entry continues its chain, hashes to its content, says in its columns what its body says, and counts the rows that it names. */
const LEDGER = `
alter table groval.ledger add column batch uuid not null default groval.current_batch();
alter table groval.ledger add constraint ledger_chain_check check (chain = coalesce('aircraft:' || aircraft_id::text, 'club'));
create or replace function groval.ledger_continues() returns trigger language plpgsql security definer set search_path = pg_catalog as $$
declare before record; said jsonb; one record; sums text[];
begin
  select seq, hash into before from guard.head where club_id = new.club_id and chain = new.chain for update;
  if new.seq <> coalesce(before.seq, 0) + 1 or new.previous <> coalesce(before.hash, '\\x'::bytea) then
    raise exception 'ledger entry % of % does not continue its chain', new.seq, new.chain using errcode = 'serialization_failure';
  end if;
  if new.hash <> sha256(new.previous || convert_to(new.body, 'UTF8')) then
    raise exception 'ledger entry % of % does not hash to its content', new.seq, new.chain using errcode = 'check_violation';
  end if;
  said := new.body::jsonb;
  if said->>'chain' is distinct from new.chain or (said->>'seq')::integer is distinct from new.seq or said->>'act' is distinct from new.act or said->>'actor' is distinct from new.actor
    or said->>'actorName' is distinct from new.actor_name or (said->>'revision')::integer is distinct from new.revision or (said->>'recordedAt')::timestamptz is distinct from new.recorded_at
    or said->>'batch' is distinct from new.batch::text then
    raise exception 'ledger entry % of % says something else in its columns than in its body', new.seq, new.chain using errcode = 'check_violation';
  end if;
  for one in select key, value from jsonb_each_text(coalesce(said->'rows', '{}')) loop
    sums := string_to_array(one.value, ':');
    insert into guard.pending (club_id, batch, table_name, rows, s1, s2, s3, s4) values (new.club_id, new.batch, one.key, -sums[1]::bigint, -sums[2]::numeric, -sums[3]::numeric, -sums[4]::numeric, -sums[5]::numeric);
  end loop;
  insert into guard.head (club_id, chain, seq, hash) values (new.club_id, new.chain, new.seq, new.hash)
    on conflict (club_id, chain) do update set seq = excluded.seq, hash = excluded.hash;
  return new;
end $$;
`;

const TABLES = `
-- What somebody says of a record that waits: a copy from paper, or what a member saw of a document. From then on it counts.
create table vouch (
  club_id uuid not null, vouch_id uuid not null, aircraft_id uuid not null,
  record_id uuid not null, record_kind text not null check (record_kind in ('inspection','document_sighting','aircraft_record')), note text,
  recorded_by_name text not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, vouch_id),
  unique (club_id, record_id),
  foreign key (club_id, aircraft_id) references aircraft
);
create index vouch_aircraft on vouch (club_id, aircraft_id);
alter table inspection add column awaits_vouch boolean not null default false;
alter table document_sighting add column awaits_vouch boolean not null default false;
alter table aircraft_record add column awaits_vouch boolean not null default false;

-- Photos of what was copied or seen: an entry of the logbook, a document.
create table record_photo (
  club_id uuid not null, photo_id uuid not null, aircraft_id uuid not null, record_id uuid not null,
  width integer not null, height integer not null, bytes bytea not null, sha256 bytea not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, photo_id),
  foreign key (club_id, aircraft_id) references aircraft
);
create index record_photo_record on record_photo (club_id, record_id);

-- Whose a planned flight is, where it is a member's.
alter table planned_flight add column person_id text;

-- Somebody who has an account already joins a second club only by accepting it themselves, signed in: until then they are no member.
alter table invitation alter column person_id drop not null;
alter table invitation drop constraint invitation_kind_check;
alter table invitation add constraint invitation_kind_check check (kind in ('join','new-password','second-club'));
alter table invitation add column display_name text, add column roles text[] check (roles <@ array['administrator','dispatcher','renter','student','instructor','mechanic','safety-officer']);
alter table invitation add constraint invitation_names_somebody check ((kind = 'second-club') = (person_id is null) and (kind = 'second-club') = (display_name is not null) and (kind = 'second-club') = (roles is not null));

-- Ids of people are compared as texts: one form of each.
alter table membership add constraint membership_person_id_check check (person_id = lower(person_id));
`;

const ACCOUNTS = `
-- Which club made an account: only that one may make a link for a new password, and only while the person is in no other.
create table auth.account_origin (person_id text primary key references auth."user" ("id") on delete cascade, club_id uuid not null);
-- Which of several clubs a session works in.
create table auth.session_club (session_id text primary key references auth."session" ("id") on delete cascade, club_id uuid not null);
-- Tries of passwords, codes and links, as the limiter keeps them.
drop table auth.sign_in_attempt;
create table auth.attempts (key varchar(255) primary key, points integer not null default 0, expire bigint);
-- Written by the health check: a database that answers and refuses writing is not well.
create table auth.health_probe (one boolean primary key default true check (one), at timestamptz not null);
insert into auth.health_probe (at) values (now());
grant select, insert, update, delete on auth.account_origin, auth.session_club, auth.attempts to groval_app;
grant select, update on auth.health_probe to groval_app;
`;

export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db);
  await run('set local search_path = groval');
  await run(REFUSE_OLD);
  await run(GUARD);
  await run(TABLES);
  for (const table of ['vouch', 'record_photo']) {
    await run(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy of_club on ${table} using (club_id = groval.current_club()) with check (club_id = groval.current_club());
      grant select, insert on ${table} to groval_app`);
  }
  for (const [table, left] of Object.entries(COVERED)) {
    await run(`alter table ${table} add column batch uuid not null default groval.current_batch();
      create trigger count_rows after insert on ${table} referencing new table as added for each statement execute function guard.count_rows('{${left.join(',')}}')`);
  }
  await run(LEDGER);
  await run(ACCOUNTS);
  await run('grant execute on all functions in schema groval to groval_app');
}

export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
