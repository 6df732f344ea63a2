import { sql, type Kysely } from 'kysely';

/**
 * Tables of ours. Every one leads with the club, so that it can be partitioned or distributed by it, and forces row-level
 * security by club. Records are evidence: the application may add and read, never change or remove. Every record has two
 * times: when it happened and when it was recorded.
 */
const TABLES = `
create table club (
  club_id uuid primary key,
  name text not null, field_name text not null,
  latitude double precision not null check (latitude between -90 and 90),
  longitude double precision not null check (longitude between -180 and 180),
  time_zone text not null,
  packs jsonb not null,
  happened_at timestamptz not null, recorded_at timestamptz not null
);

create table membership (
  club_id uuid not null references club,
  person_id text not null,
  display_name text not null,
  roles text[] not null check (roles <@ array['dispatcher','renter','student','instructor','mechanic','safety-officer']),
  happened_at timestamptz not null, recorded_at timestamptz not null,
  primary key (club_id, person_id)
);
create index membership_person on membership (person_id);

create table certificate (
  club_id uuid not null, certificate_id uuid not null, person_id text not null,
  kind text not null, number text not null,
  valid_from date not null, valid_until date, no_expiry boolean not null check (no_expiry = (valid_until is null)),
  happened_at timestamptz not null, recorded_at timestamptz not null,
  primary key (club_id, certificate_id),
  foreign key (club_id, person_id) references membership
);
create index certificate_person on certificate (club_id, person_id);

create table aircraft (
  club_id uuid not null references club, aircraft_id uuid not null,
  registration text not null, type_name text not null,
  category text, first_flown_on date, approved_for jsonb, features text[],
  revision integer not null default 1,
  happened_at timestamptz not null, recorded_at timestamptz not null,
  primary key (club_id, aircraft_id),
  unique (club_id, registration)
);

create table signature (
  club_id uuid not null references club, signature_id uuid not null,
  person_id text, name text not null,
  certificate_kind text not null, certificate_number text not null,
  valid_from date not null, valid_until date, no_expiry boolean not null check (no_expiry = (valid_until is null)),
  happened_at timestamptz not null, recorded_at timestamptz not null,
  primary key (club_id, signature_id)
);

create table document_sighting (
  club_id uuid not null, sighting_id uuid not null, aircraft_id uuid not null,
  kind text not null, kept_where text,
  aboard boolean, legible boolean, displayed boolean, registration_shown text,
  issued_on date, printed_expiry date, ended_on date, ended_because text, form text, tank_fitted boolean,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, sighting_id),
  foreign key (club_id, aircraft_id) references aircraft,
  check ((ended_on is null) = (ended_because is null))
);
create index document_sighting_latest on document_sighting (club_id, aircraft_id, kind, happened_at desc);
create index document_sighting_ended on document_sighting (club_id, aircraft_id) where ended_on is not null;

create table inspection (
  club_id uuid not null, inspection_id uuid not null, aircraft_id uuid not null,
  kind text not null, completed_on date not null,
  time_in_service_s integer check (time_in_service_s >= 0), time_in_service_entered text,
  outcome text, excess text,
  signature_id uuid, cleared_on date, cleared_signature_id uuid,
  recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, inspection_id),
  foreign key (club_id, aircraft_id) references aircraft,
  foreign key (club_id, signature_id) references signature,
  foreign key (club_id, cleared_signature_id) references signature,
  check ((cleared_on is null) = (cleared_signature_id is null))
);
create index inspection_aircraft on inspection (club_id, aircraft_id, completed_on desc);

create table meter_reading (
  club_id uuid not null, reading_id uuid not null, aircraft_id uuid not null,
  meter text not null, value_s integer not null check (value_s >= 0), entered text not null, entered_unit text not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, reading_id),
  foreign key (club_id, aircraft_id) references aircraft
);
create index meter_reading_aircraft on meter_reading (club_id, aircraft_id, happened_at desc);

-- What the core said of an aircraft's meter records when they last changed: where they agree, the newest reading is the highest
-- and a list needs no other. Where there is no row, or it says no, all readings are read.
create table meter_standing (
  club_id uuid not null, aircraft_id uuid not null, revision integer not null,
  agrees boolean not null,
  happened_at timestamptz not null, recorded_at timestamptz not null,
  primary key (club_id, aircraft_id, revision),
  foreign key (club_id, aircraft_id) references aircraft
);

create table discrepancy (
  club_id uuid not null, discrepancy_id uuid not null, aircraft_id uuid not null,
  station text not null, side text, step text, as_listed boolean not null, what text not null, looks text,
  found_by text not null, found_by_name text not null,
  classification text not null, closes_uses text[] not null,
  happened_at timestamptz not null, recorded_at timestamptz not null,
  primary key (club_id, discrepancy_id),
  foreign key (club_id, aircraft_id) references aircraft
);
create index discrepancy_aircraft on discrepancy (club_id, aircraft_id, recorded_at desc);

create table rectification (
  club_id uuid not null, rectification_id uuid not null, discrepancy_id uuid not null,
  work text not null, description text not null, completed_on date not null, signature_id uuid not null,
  -- Whether the core found nothing wrong with it when it was written: only then is the discrepancy closed.
  closes boolean not null,
  recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, rectification_id),
  unique (club_id, discrepancy_id),
  foreign key (club_id, discrepancy_id) references discrepancy,
  foreign key (club_id, signature_id) references signature
);

create table photo (
  club_id uuid not null, photo_id uuid not null, discrepancy_id uuid not null,
  width integer not null, height integer not null, bytes bytea not null, sha256 bytea not null,
  happened_at timestamptz not null, recorded_at timestamptz not null,
  primary key (club_id, photo_id),
  foreign key (club_id, discrepancy_id) references discrepancy
);
create index photo_discrepancy on photo (club_id, discrepancy_id);

create table planned_flight (
  club_id uuid not null, flight_id uuid not null, aircraft_id uuid not null,
  person_name text not null, starts timestamptz not null, ends timestamptz not null, airborne_s integer,
  purpose text, crew text, rules text, range text,
  transponder_airspace boolean, broadcast_airspace boolean, beyond_glide boolean, passengers boolean,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, flight_id),
  foreign key (club_id, aircraft_id) references aircraft,
  check (ends > starts)
);
create index planned_flight_day on planned_flight (club_id, starts);

create table ledger (
  club_id uuid not null references club,
  chain text not null, seq integer not null,
  aircraft_id uuid, revision integer,
  act text not null, actor text not null, actor_name text not null,
  recorded_at timestamptz not null,
  body text not null, previous bytea not null, hash bytea not null,
  primary key (club_id, chain, seq),
  foreign key (club_id, aircraft_id) references aircraft
);
create index ledger_aircraft on ledger (club_id, aircraft_id, seq desc);
`;

/** An entry must continue its chain, and its hash must be the hash of what stands before it and of itself. */
const LEDGER_GUARD = `
create function ledger_continues() returns trigger language plpgsql as $$
declare before record;
begin
  select seq, hash into before from groval.ledger where club_id = new.club_id and chain = new.chain order by seq desc limit 1;
  if new.seq <> coalesce(before.seq, 0) + 1 or new.previous <> coalesce(before.hash, '\\x'::bytea) then
    raise exception 'ledger entry % of % does not continue its chain', new.seq, new.chain using errcode = 'serialization_failure';
  end if;
  if new.hash <> sha256(new.previous || convert_to(new.body, 'UTF8')) then
    raise exception 'ledger entry % of % does not hash to its content', new.seq, new.chain using errcode = 'check_violation';
  end if;
  return new;
end $$;
create trigger ledger_continues before insert on ledger for each row execute function ledger_continues();
`;

const OURS = [
  'club',
  'membership',
  'certificate',
  'aircraft',
  'signature',
  'document_sighting',
  'inspection',
  'meter_reading',
  'meter_standing',
  'discrepancy',
  'rectification',
  'photo',
  'planned_flight',
  'ledger',
];

export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db);
  await run('set local search_path = groval');
  await run(
    `create function current_club() returns uuid language sql stable as $$ select nullif(current_setting('groval.club', true), '')::uuid $$`,
  );
  await run(
    `create function current_person() returns text language sql stable as $$ select nullif(current_setting('groval.person', true), '') $$`,
  );
  await run(TABLES);
  await run(LEDGER_GUARD);
  for (const table of OURS) {
    await run(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy of_club on ${table} using (club_id = groval.current_club()) with check (club_id = groval.current_club());
      grant select, insert on ${table} to groval_app`);
  }
  // A person may see which clubs they belong to before one is chosen.
  await run(`create policy of_person on membership for select using (person_id = groval.current_person());
    create policy of_member on club for select using (exists (select from groval.membership m where m.club_id = club.club_id and m.person_id = groval.current_person()))`);
  // The revision is the one thing of ours that changes in place; every change of it has its ledger entry.
  await run('grant update (revision) on aircraft to groval_app');
  await run(
    'grant usage on schema groval to groval_app; grant execute on all functions in schema groval to groval_app',
  );
}

export async function down(): Promise<void> {
  throw new Error('The records are evidence: this migration is not undone. Restore a backup instead.');
}
