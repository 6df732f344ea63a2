import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn, STAMPED } from './kit';

export { down } from './kit';

const CLASSIFICATIONS = [
  'ground-until-mechanic',
  'service-before-flight',
  'tell-instructor',
  'deferral-path',
  'watch',
  'note',
];

/** Discrepancies with their photos and what was done about them. */
const TABLES = `
create table discrepancy (
  club_id uuid not null, discrepancy_id uuid not null, aircraft_id uuid not null,
  station text not null, side text, step text, as_listed boolean not null, what text not null, looks text,
  found_by text not null, found_by_name text not null,
  classification text not null ${oneOf('classification', CLASSIFICATIONS)}, closes_uses text[] not null,
  -- The instrument that it is about, and every one that it may be about, since one step of the walk-round looks at several.
  equipment text, equipment_kinds text[], known_mark text, watch jsonb, ${STAMPED},
  primary key (club_id, discrepancy_id), foreign key (club_id, aircraft_id) references aircraft
);
create index discrepancy_aircraft on discrepancy (club_id, aircraft_id, recorded_at desc);

create table rectification (
  club_id uuid not null, rectification_id uuid not null, discrepancy_id uuid not null,
  work text not null ${oneOf('work', ['repaired', 'no-fault-found', 'serviced', 'judged-acceptable'])},
  description text not null, completed_on date not null, signature_id uuid not null,
  -- Whether the core found nothing wrong with it when it was written: only then is the discrepancy closed.
  closes boolean not null,
  recorded_at timestamptz not null, recorded_by text not null, batch uuid not null default groval.current_batch(),
  primary key (club_id, rectification_id), unique (club_id, discrepancy_id),
  foreign key (club_id, discrepancy_id) references discrepancy, foreign key (club_id, signature_id) references signature
);

create table photo (
  club_id uuid not null, photo_id uuid not null, discrepancy_id uuid not null,
  width integer not null, height integer not null, bytes bytea not null, sha256 bytea not null, ${STAMPED},
  primary key (club_id, photo_id), foreign key (club_id, discrepancy_id) references discrepancy
);
create index photo_discrepancy on photo (club_id, discrepancy_id);
`;

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(TABLES);
  // The digest of a picture is a column of its own.
  await keepByClub(run, { discrepancy: [], rectification: [], photo: ['bytes'] });
}
