import { sql, type Kysely } from 'kysely';

/**
 * What an empty installation needs: an administrator, people who are admitted and change their roles, links that let somebody in,
 * and aircraft that are described after they were entered. Nothing is changed in place: what was said last counts, and what was said
 * before stays.
 */
const TABLES = `
alter table membership drop constraint membership_roles_check;
alter table membership add constraint membership_roles_check check (roles <@ array['administrator','dispatcher','renter','student','instructor','mechanic','safety-officer']);

-- The roles that somebody has from then on; none ends the membership.
create table membership_change (
  club_id uuid not null, change_id uuid not null, person_id text not null,
  display_name text not null,
  roles text[] not null check (roles <@ array['administrator','dispatcher','renter','student','instructor','mechanic','safety-officer']),
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, change_id),
  foreign key (club_id, person_id) references membership
);
create index membership_change_person on membership_change (person_id, recorded_at desc);

-- Links that let somebody choose a password, once: only a hash of the secret is kept.
create table invitation (
  club_id uuid not null, invitation_id uuid not null, person_id text not null,
  kind text not null check (kind in ('join','new-password')), email text,
  secret_hash bytea not null, valid_until timestamptz not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null, recorded_by_name text not null,
  primary key (club_id, invitation_id),
  foreign key (club_id, person_id) references membership
);
create index invitation_person on invitation (club_id, person_id, recorded_at desc);
create table invitation_end (
  club_id uuid not null, invitation_id uuid not null,
  because text not null check (because in ('used','revoked')),
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, invitation_id),
  foreign key (club_id, invitation_id) references invitation
);

-- A certificate that was entered wrongly, or was handed back: from then on nobody signs by it here. What it signed stays.
create table certificate_end (
  club_id uuid not null, certificate_id uuid not null, why text not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, certificate_id),
  foreign key (club_id, certificate_id) references certificate
);

-- What the aircraft is: the latest counts.
create table aircraft_description (
  club_id uuid not null, description_id uuid not null, aircraft_id uuid not null,
  category text, first_flown_on date, approved_for jsonb, particulars jsonb not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, description_id),
  foreign key (club_id, aircraft_id) references aircraft
);
create index aircraft_description_aircraft on aircraft_description (club_id, aircraft_id, recorded_at desc);
`;

const NEW = ['membership_change', 'invitation', 'invitation_end', 'certificate_end', 'aircraft_description'];

export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db);
  await run('set local search_path = groval');
  await run(TABLES);
  for (const table of NEW) {
    await run(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy of_club on ${table} using (club_id = groval.current_club()) with check (club_id = groval.current_club());
      grant select, insert on ${table} to groval_app`);
  }
  await run(
    'create policy of_person on membership_change for select using (person_id = groval.current_person())',
  );
  // A club that was brought in by its archive has people and no account. While there is none at all, whoever has the one-time code may see which club that is.
  await run(`create policy of_owner on club for select to groval_owner using (true);
    create function club_without_accounts() returns table (club_id uuid, name text) language sql stable security definer set search_path = pg_catalog as
      $$ select c.club_id, c.name from groval.club c where not exists (select from auth."user") order by c.recorded_at limit 1 $$;
    grant execute on function club_without_accounts() to groval_app`);
  // One-time codes of an installation in which nobody has an account yet, by a hash of each.
  await run(
    'create table auth.founding_code (code_hash bytea primary key, made_at timestamptz not null); grant select, insert, delete on auth.founding_code to groval_app',
  );
}

export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
