import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn, WRITTEN } from './kit';

export { down } from './kit';

/** Flights as they are planned and as they were flown. A return is a row of its own, so that a flight that is out is one without the other. */
const TABLES = `
create table planned_flight (
  club_id uuid not null, flight_id uuid not null, aircraft_id uuid not null,
  -- Whose it is, where it is a member's.
  person_id text, person_name text not null,
  starts timestamptz not null, ends timestamptz not null, airborne_s integer,
  purpose text, crew text, rules text, range text,
  transponder_airspace boolean, broadcast_airspace boolean, beyond_glide boolean, passengers boolean,
  more jsonb, replaces uuid, ${WRITTEN},
  primary key (club_id, flight_id), foreign key (club_id, aircraft_id) references aircraft, check (ends > starts)
);
create index planned_flight_day on planned_flight (club_id, starts);
create table planned_flight_end (
  club_id uuid not null, flight_id uuid not null, aircraft_id uuid not null,
  because text not null ${oneOf('because', ['moved', 'cancelled'])}, why text, ${WRITTEN},
  primary key (club_id, flight_id), foreign key (club_id, flight_id) references planned_flight
);

create table flight (
  club_id uuid not null, flight_id uuid not null, aircraft_id uuid not null,
  person_name text not null, purpose text, crew text,
  -- What the dials showed, as it was written down then: [{"dial","name","shown","values":[{"meter","value"}]}]. Corrections are readings of their own.
  readings jsonb not null, fuel_aboard text, oil_aboard text, remarks text, ${WRITTEN},
  primary key (club_id, flight_id), foreign key (club_id, aircraft_id) references aircraft
);
create index flight_aircraft on flight (club_id, aircraft_id, happened_at desc);

create table flight_return (
  club_id uuid not null, flight_id uuid not null, aircraft_id uuid not null,
  readings jsonb not null,
  landings integer check (landings >= 0), tow_launches integer check (tow_launches >= 0),
  billed_s integer, billed_from text, fuel_added text, oil_added text,
  -- What the pilot reported: that there was nothing, something in words, or nobody said.
  report text not null ${oneOf('report', ['nothing-to-report', 'words', 'not-said'])}, remarks text check ((report = 'words') = (remarks is not null)), ${WRITTEN},
  primary key (club_id, flight_id), foreign key (club_id, flight_id) references flight
);
create index flight_return_aircraft on flight_return (club_id, aircraft_id, happened_at desc);
`;

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(TABLES);
  await keepByClub(run, { planned_flight: [], planned_flight_end: [], flight: [], flight_return: [] });
}
