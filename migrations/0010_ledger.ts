import type { Kysely } from 'kysely';
import { keepByClub, runIn } from './kit';

export { down } from './kit';

/**
 * The ledger: append-only and hash-chained, one chain for each aircraft and one for the rest of the club. `request` is the digest of what was sent, where
 * the same may be sent again because the answer got lost: it is taken once.
 */
const TABLES = `
create table ledger (
  club_id uuid not null references club, chain text not null check (chain = coalesce('aircraft:' || aircraft_id::text, 'club')), seq integer not null,
  aircraft_id uuid, revision integer,
  act text not null, actor text not null, actor_name text not null, request text,
  recorded_at timestamptz not null, body text not null, previous bytea not null, hash bytea not null,
  batch uuid not null default groval.current_batch(),
  primary key (club_id, chain, seq), foreign key (club_id, aircraft_id) references aircraft
);
create index ledger_aircraft on ledger (club_id, aircraft_id, seq desc);
create unique index ledger_request on ledger (club_id, chain, actor, request) where request is not null;
`;

/** An entry continues its chain, hashes to its content, says in its columns what its body says, and counts the rows that it names. */
const CONTINUES = `create function groval.ledger_continues() returns trigger language plpgsql security definer set search_path = pg_catalog as $$
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
    or said->>'batch' is distinct from new.batch::text or said->>'request' is distinct from new.request then
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
create trigger ledger_continues before insert on ledger for each row execute function ledger_continues();
`;

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(TABLES);
  await run(CONTINUES);
  await keepByClub(run, { ledger: null });
  await run('grant execute on all functions in schema groval to groval_app');
}
