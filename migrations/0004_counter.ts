import { sql, type Kysely } from 'kysely';

/**
 * Flights as they were flown, the meters as they hang in the panel, corrections, and planned flights that were moved or cancelled.
 * As before nothing is changed in place: a return is a row of its own, a correction strikes the old entry and leaves it readable.
 */
const TABLES = `
create table dial (
  club_id uuid not null, dial_id uuid not null, aircraft_id uuid not null,
  name text not null, unit text not null check (unit in ('h','count')),
  -- What it counts towards, each with what is added to what it shows: [{"meter","offset"}], in seconds or counts.
  counts jsonb not null, bills boolean not null,
  -- Where it starts again from zero, in seconds or counts; null where it never does.
  wraps_at bigint check (wraps_at > 0),
  replaces uuid, why text,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, dial_id),
  unique (club_id, replaces),
  foreign key (club_id, aircraft_id) references aircraft,
  foreign key (club_id, replaces) references dial
);
create index dial_aircraft on dial (club_id, aircraft_id);

-- Which flights were out then, and which one came back last: a list of many aircraft looks for neither among years of flights.
alter table meter_standing add column open_flights uuid[], add column last_return uuid;
alter table inspection add column description text;
alter table document_sighting add column number text;
alter table meter_reading add column dial_id uuid, add column flight_id uuid;
create index meter_reading_meter on meter_reading (club_id, aircraft_id, meter, happened_at desc, value_s desc);

create table flight (
  club_id uuid not null, flight_id uuid not null, aircraft_id uuid not null,
  person_name text not null, purpose text, crew text,
  -- What the dials showed: [{"dial","shown","values":[{"meter","value"}]}].
  readings jsonb not null,
  fuel_aboard text, oil_aboard text, remarks text,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, flight_id),
  foreign key (club_id, aircraft_id) references aircraft
);
create index flight_aircraft on flight (club_id, aircraft_id, happened_at desc);

create table flight_return (
  club_id uuid not null, flight_id uuid not null, aircraft_id uuid not null,
  readings jsonb not null,
  landings integer check (landings >= 0), tow_launches integer check (tow_launches >= 0),
  billed_s integer, billed_from text,
  fuel_added text, oil_added text, remarks text not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, flight_id),
  foreign key (club_id, flight_id) references flight
);
create index flight_return_aircraft on flight_return (club_id, aircraft_id, happened_at desc);

create table strike (
  club_id uuid not null, strike_id uuid not null, aircraft_id uuid not null,
  record_id uuid not null, record_kind text not null, why text not null, replaced_by uuid,
  recorded_by_name text not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, strike_id),
  unique (club_id, record_id),
  foreign key (club_id, aircraft_id) references aircraft
);
create index strike_aircraft on strike (club_id, aircraft_id);

-- Secret addresses of the calendar of what is due: only a hash of the secret is kept. One that was revoked answers no more.
create table calendar_feed (
  club_id uuid not null references club, feed_id uuid not null,
  name text not null, secret_hash bytea not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, feed_id)
);
create table calendar_feed_end (
  club_id uuid not null, feed_id uuid not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, feed_id),
  foreign key (club_id, feed_id) references calendar_feed
);

alter table planned_flight add column replaces uuid;
create table planned_flight_end (
  club_id uuid not null, flight_id uuid not null, aircraft_id uuid not null,
  because text not null check (because in ('moved','cancelled')), why text,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, flight_id),
  foreign key (club_id, flight_id) references planned_flight
);

alter table aircraft_record drop constraint aircraft_record_kind_check;
alter table aircraft_record add constraint aircraft_record_kind_check check (kind in ('stated','equipment','item','directive','deferral','locator','receiver-check','database','fuel-stretch','work','permit','release','daily-inspection','flight-out','tightening','club-paper','tow-rope','measurement','sample','uplift','estimate','done','compliance','list-cleared','known-mark','unlogged','attribution'));
`;

const NEW = [
  'dial',
  'flight',
  'flight_return',
  'strike',
  'planned_flight_end',
  'calendar_feed',
  'calendar_feed_end',
];

export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db);
  await run('set local search_path = groval');
  await run(TABLES);
  for (const table of NEW) {
    await run(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy of_club on ${table} using (club_id = groval.current_club()) with check (club_id = groval.current_club());
      grant select, insert on ${table} to groval_app`);
  }
}

export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
