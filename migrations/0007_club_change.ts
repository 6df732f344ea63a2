import { sql, type Kysely } from 'kysely';

/** What a club said of its field and its rules after it was founded: each time the whole of it. The one with the highest number counts. */
const TABLES = `
create table club_change (
  club_id uuid not null references club, number integer not null check (number > 0), change_id uuid not null,
  name text not null, field_name text not null,
  latitude double precision not null check (latitude between -90 and 90), longitude double precision not null check (longitude between -180 and 180),
  time_zone text not null, packs jsonb not null, why text not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null, recorded_by_name text not null,
  primary key (club_id, number),
  unique (club_id, change_id)
);
`;

export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db);
  await run('set local search_path = groval');
  await run(TABLES);
  await run(`alter table club_change enable row level security; alter table club_change force row level security;
    create policy of_club on club_change using (club_id = groval.current_club()) with check (club_id = groval.current_club());
    grant select, insert on club_change to groval_app`);
}

export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
