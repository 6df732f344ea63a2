import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn, WRITTEN } from './kit';

export { down } from './kit';

/**
 * Releases of an aircraft for one flight, each with what it was decided from and what was decided, word for word, and how it ended.
 * Older programs may still run: they check out without one, and end none, so each is looked at again whenever it is read.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(`create table flight_release (
    club_id uuid not null, release_id uuid not null, aircraft_id uuid not null, flight_id uuid not null,
    revision integer not null, signed_by text not null, given_to text not null, until timestamptz not null,
    engine text not null, card jsonb not null, terms jsonb not null, secret text not null,
    inputs text not null, inputs_hash text not null, decision text not null, decision_hash text not null,
    ${WRITTEN},
    primary key (club_id, release_id), foreign key (club_id, aircraft_id) references aircraft
  );
  create index flight_release_flight on flight_release (club_id, flight_id);
  create index flight_release_aircraft on flight_release (club_id, aircraft_id, recorded_at);
  create table flight_release_end (
    club_id uuid not null, release_id uuid not null,
    why text not null ${oneOf('why', ['void', 'withdrawn', 'replaced', 'cancelled', 'back'])}, words jsonb not null,
    ${WRITTEN},
    primary key (club_id, release_id), foreign key (club_id, release_id) references flight_release
  )`);
  await run(
    `alter table notice drop constraint notice_kind_check, add constraint notice_kind_check ${oneOf('kind', ['flight-not-available', 'flight-available', 'finding', 'release-void'])}`,
  );
  await keepByClub(run, { flight_release: [], flight_release_end: [] });
}
