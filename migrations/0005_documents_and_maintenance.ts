import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn, WRITTEN } from './kit';

export { down } from './kit';

const DOCUMENTS = [
  'airworthiness-certificate',
  'registration-certificate',
  'operating-limitations',
  'weight-and-balance',
  'radio-licence',
  'cabin-tank-form-337',
];
const INSPECTIONS = [
  'annual',
  'hundred-hour',
  'condition',
  'altimeter-static',
  'static-system',
  'transponder',
  'elt',
  'programme-left',
  'certificate-issue',
];

/** Document checks and inspections; `awaits_vouch` marks a copy from paper, or what a member saw, that counts once somebody entitled vouches for it. */
const TABLES = `
create table document_sighting (
  club_id uuid not null, sighting_id uuid not null, aircraft_id uuid not null,
  kind text not null ${oneOf('kind', DOCUMENTS)}, kept_where text,
  aboard boolean, legible boolean, displayed boolean, registration_shown text, number text,
  issued_on date, printed_expiry date, temporary boolean, ended_on date, ended_because text,
  form text, revision text, serial_shown text, placards boolean, dated_on date, tank_fitted boolean,
  awaits_vouch boolean not null default false, ${WRITTEN},
  primary key (club_id, sighting_id), foreign key (club_id, aircraft_id) references aircraft,
  check ((ended_on is null) = (ended_because is null))
);
create index document_sighting_latest on document_sighting (club_id, aircraft_id, kind, happened_at desc);
create index document_sighting_ended on document_sighting (club_id, aircraft_id) where ended_on is not null;

create table inspection (
  club_id uuid not null, inspection_id uuid not null, aircraft_id uuid not null,
  kind text not null ${oneOf('kind', INSPECTIONS)}, completed_on date not null, description text,
  time_in_service_s integer check (time_in_service_s >= 0), time_in_service_entered text,
  outcome text ${oneOf('outcome', ['approved', 'discrepancies-listed'])},
  excess text ${oneOf('excess', ['en-route-to-inspection', 'flown-on-uses-without-the-limit'])},
  tested_to_feet integer, signature_id uuid, cleared_on date, cleared_signature_id uuid,
  awaits_vouch boolean not null default false,
  recorded_at timestamptz not null, recorded_by text not null, batch uuid not null default groval.current_batch(),
  primary key (club_id, inspection_id), foreign key (club_id, aircraft_id) references aircraft,
  foreign key (club_id, signature_id) references signature, foreign key (club_id, cleared_signature_id) references signature,
  check ((cleared_on is null) = (cleared_signature_id is null))
);
create index inspection_aircraft on inspection (club_id, aircraft_id, completed_on desc);
`;

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(TABLES);
  await keepByClub(run, { document_sighting: [], inspection: [] });
}
