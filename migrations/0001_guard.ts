import type { Kysely } from 'kysely';
import { runIn } from './kit';

export { down } from './kit';

/**
 * Who is asking, and what holds ledger and records together: no row of a record is written without an entry of the ledger that counts it, and what
 * is taken away is missed. A trigger adds up the digests of the rows of each statement; the ledger's entry holds these sums inside its hashed body; at
 * the end of the transaction the two must agree. Heads of the chains are kept where the application's role can neither write nor delete. The schemas
 * themselves are made with the roles.
 */
const WHO = `
create function current_club() returns uuid language sql stable as $$ select nullif(current_setting('groval.club', true), '')::uuid $$;
create function current_person() returns text language sql stable as $$ select nullif(current_setting('groval.person', true), '') $$;
create function current_batch() returns uuid language sql stable as $$ select nullif(current_setting('groval.batch', true), '')::uuid $$;
`;

const GUARD = `-- Rows written in transactions that have not ended, and what their ledger entries count. Unlogged: what is not committed is not kept.
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

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(WHO);
  await run(GUARD);
  await run(
    'grant usage on schema groval to groval_app; grant execute on all functions in schema groval to groval_app',
  );
}
