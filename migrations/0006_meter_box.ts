import { sql, type Kysely } from 'kysely';

/**
 * Boxes that ride along and count by themselves. What they send is a witness: it can bring a limit nearer, and never takes one away.
 * A reading stands under the box's own number for it, so that the same one sent twice is one.
 */
const TABLES = `
create table meter_box (
  club_id uuid not null, box_id uuid not null, aircraft_id uuid not null,
  name text not null,
  -- Only a hash of its key is kept.
  key_hash bytea not null,
  -- What is added to its own running total to have the time in service, in seconds.
  offset_s integer not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, box_id),
  foreign key (club_id, aircraft_id) references aircraft
);
create index meter_box_aircraft on meter_box (club_id, aircraft_id);
create table meter_box_end (
  club_id uuid not null, box_id uuid not null, why text not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, box_id),
  foreign key (club_id, box_id) references meter_box
);
create table box_reading (
  club_id uuid not null, box_id uuid not null, sequence integer not null check (sequence > 0),
  aircraft_id uuid not null,
  -- Its own running total, in seconds, and the time in service that follows.
  total_s integer not null check (total_s >= 0), value_s integer not null,
  happened_at timestamptz not null, recorded_at timestamptz not null,
  primary key (club_id, box_id, sequence),
  foreign key (club_id, box_id) references meter_box
);
create index box_reading_aircraft on box_reading (club_id, aircraft_id, value_s desc);
`;

const NEW = ['meter_box', 'meter_box_end', 'box_reading'];

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
