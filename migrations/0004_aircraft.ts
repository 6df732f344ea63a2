import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn, STAMPED, WRITTEN } from './kit';

export { down } from './kit';

const KINDS = [
  'stated',
  'equipment',
  'item',
  'ad',
  'deferral',
  'elt',
  'vor-check',
  'database',
  'fuel-stretch',
  'work',
  'permit',
  'release',
  'daily-inspection',
  'flight-out',
  'dispatch-restriction',
  'club-document',
  'tow-rope',
  'rigging',
  'measurement',
  'sample',
  'uplift',
  'estimate',
  'done',
  'compliance',
  'list-cleared',
  'known-mark',
  'unlogged',
  'attribution',
];

/** What an aircraft is, and its records of many kinds: they differ much from each other and are always read whole, aircraft by aircraft. */
const TABLES = `
create table aircraft (
  club_id uuid not null references club, aircraft_id uuid not null,
  registration text not null, type_name text not null,
  category text, first_flown_on date, approved_for jsonb, features text[], particulars jsonb,
  revision integer not null default 1, ${STAMPED},
  primary key (club_id, aircraft_id), unique (club_id, registration)
);

-- What the aircraft is from then on: the latest counts.
create table aircraft_description (
  club_id uuid not null, description_id uuid not null, aircraft_id uuid not null,
  category text, first_flown_on date, approved_for jsonb, particulars jsonb not null, ${WRITTEN},
  primary key (club_id, description_id), foreign key (club_id, aircraft_id) references aircraft
);
create index aircraft_description_aircraft on aircraft_description (club_id, aircraft_id, recorded_at desc);

-- Signatures as they were given, with the certificate as it was on record then.
create table signature (
  club_id uuid not null references club, signature_id uuid not null,
  person_id text, name text not null, certificate_kind text not null, certificate_number text not null,
  valid_from date not null, valid_until date, no_expiry boolean not null check (no_expiry = (valid_until is null)), ${STAMPED},
  primary key (club_id, signature_id)
);

create table aircraft_record (
  club_id uuid not null, record_id uuid not null, aircraft_id uuid not null,
  kind text not null ${oneOf('kind', KINDS)}, body jsonb not null, awaits_vouch boolean not null default false, ${WRITTEN},
  primary key (club_id, record_id), foreign key (club_id, aircraft_id) references aircraft
);
create index aircraft_record_aircraft on aircraft_record (club_id, aircraft_id, kind);

-- Photos of what was copied or seen: an entry of the logbook, a document.
create table record_photo (
  club_id uuid not null, photo_id uuid not null, aircraft_id uuid not null, record_id uuid not null,
  width integer not null, height integer not null, bytes bytea not null, sha256 bytea not null, ${WRITTEN},
  primary key (club_id, photo_id), foreign key (club_id, aircraft_id) references aircraft
);
create index record_photo_record on record_photo (club_id, record_id);
`;

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(TABLES);
  await keepByClub(run, {
    // The one thing that changes in place; every change of it has its ledger entry.
    aircraft: ['revision'],
    aircraft_description: [],
    signature: [],
    aircraft_record: [],
    // Their digest is a column of its own.
    record_photo: ['bytes'],
  });
  await run('grant update (revision) on aircraft to groval_app');
}
