import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn, STAMPED, WRITTEN } from './kit';

export { down } from './kit';

const ROLES = `array['administrator','dispatcher','renter','student','instructor','mechanic','safety-officer']`;
const CERTIFICATES = [
  'mechanic-airframe-powerplant',
  'inspection-authorisation',
  'repair-station',
  'flight-instructor',
  'pilot',
  'recreational-pilot',
  'sport-pilot',
  'student-pilot',
  'light-sport-repairman',
  'light-sport-inspector',
  'experimental-builder',
  'licensed-engineer',
  'airworthiness-authority',
];

/** Clubs, their people, and what lets people in. Nothing is changed in place: what was said last counts, and what was said before stays. */
const TABLES = `
create table club (
  club_id uuid primary key,
  name text not null, field_name text not null,
  latitude double precision not null check (latitude between -90 and 90), longitude double precision not null check (longitude between -180 and 180),
  time_zone text not null, packs jsonb not null, ${STAMPED}
);

-- What a club said of its field and its rules after it was founded: each time the whole of it. The one with the highest number counts.
create table club_change (
  club_id uuid not null references club, number integer not null check (number > 0), change_id uuid not null,
  name text not null, field_name text not null,
  latitude double precision not null check (latitude between -90 and 90), longitude double precision not null check (longitude between -180 and 180),
  time_zone text not null, packs jsonb not null, why text not null, recorded_by_name text not null, ${WRITTEN},
  primary key (club_id, number), unique (club_id, change_id)
);

-- Ids of people are compared as texts: one form of each.
create table membership (
  club_id uuid not null references club, person_id text not null check (person_id = lower(person_id)),
  display_name text not null, roles text[] not null check (roles <@ ${ROLES}), ${STAMPED},
  primary key (club_id, person_id)
);
create index membership_person on membership (person_id);

-- The roles that somebody has from then on; none ends the membership.
create table membership_change (
  club_id uuid not null, change_id uuid not null, person_id text not null,
  display_name text not null, roles text[] not null check (roles <@ ${ROLES}), ${WRITTEN},
  primary key (club_id, change_id), foreign key (club_id, person_id) references membership
);
create index membership_change_person on membership_change (person_id, recorded_at desc);

create table certificate (
  club_id uuid not null, certificate_id uuid not null, person_id text not null,
  kind text not null ${oneOf('kind', CERTIFICATES)}, number text not null,
  valid_from date not null, valid_until date, no_expiry boolean not null check (no_expiry = (valid_until is null)), ${STAMPED},
  primary key (club_id, certificate_id), foreign key (club_id, person_id) references membership
);
create index certificate_person on certificate (club_id, person_id);

-- A certificate that was entered wrongly, or was handed back: from then on nobody signs by it here. What it signed stays.
create table certificate_end (
  club_id uuid not null, certificate_id uuid not null, why text not null, ${WRITTEN},
  primary key (club_id, certificate_id), foreign key (club_id, certificate_id) references certificate
);

-- Links that let somebody choose a password, once: only a hash of the secret is kept. Somebody who has an account already joins a second club only by
-- accepting it themselves, signed in: until then they are no member.
create table invitation (
  club_id uuid not null, invitation_id uuid not null, person_id text,
  kind text not null ${oneOf('kind', ['join', 'new-password', 'second-club'])}, email text,
  secret_hash bytea not null, valid_until timestamptz not null, recorded_by_name text not null,
  display_name text, roles text[] check (roles <@ ${ROLES}), ${WRITTEN},
  primary key (club_id, invitation_id), foreign key (club_id, person_id) references membership,
  constraint invitation_names_somebody check ((kind = 'second-club') = (person_id is null) and (kind = 'second-club') = (display_name is not null) and (kind = 'second-club') = (roles is not null))
);
create index invitation_person on invitation (club_id, person_id, recorded_at desc);
create table invitation_end (
  club_id uuid not null, invitation_id uuid not null, because text not null ${oneOf('because', ['used', 'revoked'])}, ${WRITTEN},
  primary key (club_id, invitation_id), foreign key (club_id, invitation_id) references invitation
);

-- Secret addresses of the calendar of what is due: only a hash of the secret is kept. One that was revoked answers no more.
create table calendar_feed (
  club_id uuid not null references club, feed_id uuid not null, name text not null, secret_hash bytea not null, ${WRITTEN},
  primary key (club_id, feed_id)
);
create table calendar_feed_end (
  club_id uuid not null, feed_id uuid not null, ${WRITTEN},
  primary key (club_id, feed_id), foreign key (club_id, feed_id) references calendar_feed
);
`;

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(TABLES);
  await keepByClub(run, {
    club: [],
    club_change: [],
    membership: [],
    membership_change: [],
    certificate: [],
    certificate_end: [],
    // May be blanked when somebody asks for their data to be removed.
    invitation: ['email'],
    invitation_end: [],
    calendar_feed: [],
    calendar_feed_end: [],
  });
  // A person may see which clubs they belong to before one is chosen.
  await run(`create policy of_person on membership for select using (person_id = groval.current_person());
    create policy of_person on membership_change for select using (person_id = groval.current_person());
    create policy of_member on club for select using (exists (select from groval.membership m where m.club_id = club.club_id and m.person_id = groval.current_person()))`);
  // A club that was brought in by its archive has people and no account. While there is none at all, the
  // person who has the one-time code may see which club that is.
  await run(`create policy of_owner on club for select to groval_owner using (true);
    create function club_without_accounts() returns table (club_id uuid, name text) language sql stable security definer set search_path = pg_catalog as
      $$ select c.club_id, c.name from groval.club c where not exists (select from auth."user") order by c.recorded_at limit 1 $$;
    grant execute on function club_without_accounts() to groval_app`);
}
