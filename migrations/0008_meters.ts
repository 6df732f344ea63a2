import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn, STAMPED, WRITTEN } from './kit';

export { down } from './kit';

const METERS = ['time-in-service', 'engine', 'propeller', 'block', 'landings', 'cycles', 'tow-launches'];

/** What hangs in the panel, what it was read at, and boxes that count by themselves. */
const TABLES = `
create table dial (
  club_id uuid not null, dial_id uuid not null, aircraft_id uuid not null,
  name text not null, unit text not null ${oneOf('unit', ['h', 'count'])},
  -- What it counts towards, each with what is added to what it shows: [{"meter","offset"}], in seconds or counts.
  counts jsonb not null, bills boolean not null,
  -- Where it starts again from zero, in seconds or counts; null where it never does.
  wraps_at bigint check (wraps_at > 0),
  replaces uuid, why text, ${WRITTEN},
  primary key (club_id, dial_id), unique (club_id, replaces),
  foreign key (club_id, aircraft_id) references aircraft, foreign key (club_id, replaces) references dial
);
create index dial_aircraft on dial (club_id, aircraft_id);

create table meter_reading (
  club_id uuid not null, reading_id uuid not null, aircraft_id uuid not null,
  meter text not null ${oneOf('meter', METERS)},
  value_s integer not null check (value_s >= 0), entered text not null, entered_unit text not null ${oneOf('entered_unit', ['h', 'count'])},
  -- Somebody read it; or no dial shows it, and it ran on with a flight or with another dial; or it was calculated after a correction or from a list.
  basis text not null ${oneOf('basis', ['read', 'ran-on', 'calculated'])},
  dial_id uuid, flight_id uuid, ${WRITTEN},
  primary key (club_id, reading_id), foreign key (club_id, aircraft_id) references aircraft,
  foreign key (club_id, dial_id) references dial, foreign key (club_id, flight_id) references flight
);
create index meter_reading_aircraft on meter_reading (club_id, aircraft_id, happened_at desc);
create index meter_reading_meter on meter_reading (club_id, aircraft_id, meter, happened_at desc, value_s desc);

-- What the core said of an aircraft's meter records when they last changed, and which flights are out and came back last: where they agree, the newest
-- reading is the highest and a list needs no other. Where there is no row, or it says no, all are read. No record, and kept anew each time.
create table meter_standing (
  club_id uuid not null, aircraft_id uuid not null, revision integer not null,
  agrees boolean not null, open_flights uuid[], last_return uuid,
  happened_at timestamptz not null, recorded_at timestamptz not null,
  primary key (club_id, aircraft_id), foreign key (club_id, aircraft_id) references aircraft
);

-- What a box sends is a witness: it can bring a limit nearer, and never takes one away.
create table meter_box (
  club_id uuid not null, box_id uuid not null, aircraft_id uuid not null, name text not null,
  -- Only a hash of its key is kept.
  key_hash bytea not null,
  -- What is added to its own running total to have the time in service, in seconds.
  offset_s integer not null, ${WRITTEN},
  primary key (club_id, box_id), foreign key (club_id, aircraft_id) references aircraft
);
create index meter_box_aircraft on meter_box (club_id, aircraft_id);
create table meter_box_end (
  club_id uuid not null, box_id uuid not null, why text not null, ${WRITTEN},
  primary key (club_id, box_id), foreign key (club_id, box_id) references meter_box
);
-- A reading stands under the box's own number for it, so that the same one sent twice is one.
create table box_reading (
  club_id uuid not null, box_id uuid not null, sequence integer not null check (sequence > 0), aircraft_id uuid not null,
  -- Its own running total, in seconds, and the time in service that follows.
  total_s integer not null check (total_s >= 0), value_s integer not null, ${STAMPED},
  primary key (club_id, box_id, sequence), foreign key (club_id, box_id) references meter_box
);
create index box_reading_aircraft on box_reading (club_id, aircraft_id, value_s desc);
`;

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(TABLES);
  await keepByClub(run, {
    dial: [],
    meter_reading: [],
    meter_standing: null,
    meter_box: [],
    meter_box_end: [],
    box_reading: [],
  });
  await run(
    'grant update (revision, agrees, open_flights, last_return, happened_at, recorded_at) on meter_standing to groval_app',
  );
}
