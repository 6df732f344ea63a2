import { sql, type Kysely } from 'kysely';

/**
 * Records of the kinds that the wider rules ask for. They differ much from each other and are always read whole, aircraft by
 * aircraft, so that one table with the record as the core knows it serves them all; its kind says which it is.
 */
const TABLES = `
alter table aircraft add column particulars jsonb;
alter table document_sighting add column revision text, add column serial_shown text, add column placards boolean, add column dated_on date;
alter table inspection add column tested_to_feet integer;
alter table discrepancy add column equipment text, add column known_mark text, add column watch jsonb;
alter table planned_flight add column more jsonb;

create table aircraft_record (
  club_id uuid not null, record_id uuid not null, aircraft_id uuid not null,
  kind text not null check (kind in ('stated','equipment','item','directive','deferral','locator','receiver-check','database','fuel-stretch','work','permit','release','daily-inspection','flight-out','tightening','club-paper','tow-rope','measurement','sample','uplift','estimate')),
  body jsonb not null,
  happened_at timestamptz not null, recorded_at timestamptz not null, recorded_by text not null,
  primary key (club_id, record_id),
  foreign key (club_id, aircraft_id) references aircraft
);
create index aircraft_record_aircraft on aircraft_record (club_id, aircraft_id, kind);
`;

export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db);
  await run('set local search_path = groval');
  await run(TABLES);
  await run(`alter table aircraft_record enable row level security; alter table aircraft_record force row level security;
    create policy of_club on aircraft_record using (club_id = groval.current_club()) with check (club_id = groval.current_club());
    grant select, insert on aircraft_record to groval_app`);
}

export async function down(): Promise<void> {
  throw new Error('Records are not undone by a migration. Restore a backup instead.');
}
