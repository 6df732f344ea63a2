// The folder of an aircraft with three years behind it, against the bare queries that it needs.
import { sql } from 'kysely';
import type { Instant } from '../src/core/time/instant';
import { readFactRows } from '../src/db/aircraft/fact-rows';
import {
  certificatesOf,
  findByRegistration,
  documentsOf,
  readDiscrepancies,
} from '../src/db/aircraft/aircraft-documents';
import { inClub } from '../src/db/kernel/club-transaction';
import { readClub } from '../src/db/club/clubs';
import type { ClubTransaction, Database } from '../src/db/kernel/connection';
import { readDials } from '../src/db/meters/dials';
import { flownByMonth } from '../src/db/meters/flown-by-month';
import { latestFlights } from '../src/db/flights/flights';
import { readHistory } from '../src/db/kernel/ledger';
import { logbookOf } from '../src/db/maintenance/logbook';
import { othersOfKind } from '../src/db/aircraft/other-records';
import { latestReadings } from '../src/db/meters/readings';
import { readStrikes } from '../src/db/aircraft/strikes';
import { countRows } from './large-club';
import { aircraftPage } from '../src/queries/aircraft/aircraft-page';
import { folder } from '../src/queries/aircraft/folder';
import { quantile, type Figure } from './measure';

const ROUNDS = 15;
const REGISTRATION = 'N0001';
const FLIGHTS = 4000;
const FINDINGS = 1500;
const INSPECTIONS = 300;

/** Gives one aircraft of the large club 4,000 flights with their readings, 1,500 findings, all but two of them closed, and 300 inspections. */
export async function ageOneAircraft(db: Database, clubId: string, now: Instant): Promise<void> {
  const at = new Date(now);
  await inClub(db, clubId, async (tx) => {
    const one = sql`(select aircraft_id from aircraft where registration = ${REGISTRATION})`;
    const readings = (value: ReturnType<typeof sql>) =>
      sql`jsonb_build_array(jsonb_build_object('dial', ${clubId}::text, 'name', 'Air-switch meter', 'shown', '1.0', 'values', jsonb_build_array(jsonb_build_object('meter', 'time-in-service', 'value', ${value}))))`;
    await sql`insert into dial (club_id, dial_id, aircraft_id, name, unit, counts, bills, wraps_at, replaces, why, happened_at, recorded_at, recorded_by) select ${clubId}, ${clubId}, ${one}, 'Air-switch meter', 'h', '[{"meter":"time-in-service","offset":0}]'::jsonb, true, null, null, null, ${at}::timestamptz - interval '1100 days', ${at}, 'bench'`.execute(
      tx,
    );
    await sql`insert into flight (club_id, flight_id, aircraft_id, person_name, purpose, crew, readings, fuel_aboard, oil_aboard, remarks, happened_at, recorded_at, recorded_by) select ${clubId}, gen_random_uuid(), ${one}, 'J. Sol', 'private-rental', 'rated-pilot', ${readings(sql`36 * (400000 - 8 * n)`)}, null, null, null, ${at}::timestamptz - make_interval(hours => n * 6 + 2), ${at}::timestamptz - make_interval(hours => n * 6 + 2), 'bench' from generate_series(1, ${FLIGHTS}::int) n`.execute(
      tx,
    );
    await sql`insert into flight_return (club_id, flight_id, aircraft_id, readings, landings, tow_launches, billed_s, billed_from, fuel_added, oil_added, report, happened_at, recorded_at, recorded_by) select ${clubId}, flight_id, aircraft_id, readings, 2, null, 2880, 'Air-switch meter', null, null, 'nothing-to-report', happened_at + interval '1 hour', recorded_at + interval '1 hour', 'bench' from flight where aircraft_id = ${one}`.execute(
      tx,
    );
    await sql`insert into discrepancy (club_id, discrepancy_id, aircraft_id, station, step, as_listed, what, looks, found_by, found_by_name, classification, closes_uses, happened_at, recorded_at)
      select ${clubId}, gen_random_uuid(), ${one}, 'propeller', 'K217', true, 'New nick', 'not-right', 'bench', 'Pia Okoro', 'note', array[]::text[], ${at}::timestamptz - make_interval(hours => n * 17 + 3000), ${at}::timestamptz - make_interval(hours => n * 17 + 3000) from generate_series(1, ${FINDINGS}::int) n`.execute(
      tx,
    );
    await sql`insert into rectification select ${clubId}, gen_random_uuid(), discrepancy_id, 'repaired', 'Blended.', happened_at::date, ${clubId}, true, happened_at, 'bench' from discrepancy d where aircraft_id = ${one} and not exists (select from rectification r where r.discrepancy_id = d.discrepancy_id) and classification = 'note'`.execute(
      tx,
    );
    await sql`insert into inspection (club_id, inspection_id, aircraft_id, kind, completed_on, time_in_service_s, time_in_service_entered, outcome, signature_id, recorded_at, recorded_by)
      select ${clubId}, gen_random_uuid(), ${one}, 'elt', (${at}::timestamptz - make_interval(days => n * 3 + 60))::date, null, null, 'approved', ${clubId}, ${at}::timestamptz - make_interval(days => n * 3 + 59), 'bench' from generate_series(1, ${INSPECTIONS}::int) n`.execute(
      tx,
    );
    await countRows(tx, clubId, now);
  });
}

/** The queries of the page and the folder, their rows only. */
async function bareQueries(tx: ClubTransaction, clubId: string, now: Instant): Promise<void> {
  const found = await findByRegistration(tx, REGISTRATION);
  const id = found?.aircraft_id ?? '';
  const { place } = await readClub(tx, clubId);
  // The page.
  await readFactRows(tx, id, 'whole');
  await readDiscrepancies(tx, id, 100);
  await certificatesOf(tx, 'bench');
  await documentsOf(tx, id);
  await readHistory(tx, id, 100);
  // The folder.
  await findByRegistration(tx, REGISTRATION);
  await readClub(tx, clubId);
  await readFactRows(tx, id, 'present');
  await readStrikes(tx, id);
  await readDials(tx, id);
  await latestFlights(tx, id, 40);
  for (const kind of ['attribution', 'unlogged', 'known-mark', 'item', 'ad', 'done', 'compliance'] as const)
    await othersOfKind(tx, id, kind);
  await certificatesOf(tx, 'bench');
  await documentsOf(tx, id);
  await latestReadings(tx, id, 40);
  await logbookOf(tx, id, 40);
  await flownByMonth(tx, id, place.zone, now, 12);
}

export async function benchFolder(db: Database, clubId: string, now: Instant): Promise<readonly Figure[]> {
  const reader = { clubId, personId: 'bench', name: 'The bench', roles: ['mechanic'] };
  const times = { whole: [] as number[], bare: [] as number[] };
  let characters = 0;
  for (let round = -3; round < ROUNDS; round += 1) {
    const whole = await inClub(db, clubId, async (tx) => {
      const started = performance.now();
      characters = JSON.stringify([
        await aircraftPage(tx, reader, REGISTRATION, now),
        await folder(tx, reader, REGISTRATION, now),
      ]).length;
      return performance.now() - started;
    });
    const bare = await inClub(db, clubId, async (tx) => {
      const started = performance.now();
      await bareQueries(tx, clubId, now);
      return performance.now() - started;
    });
    if (round >= 0) {
      times.whole.push(whole);
      times.bare.push(bare);
    }
  }
  const [whole, bare] = [quantile(times.whole, 0.5), quantile(times.bare, 0.5)];
  return [
    {
      name: `a folder of ${FLIGHTS} flights, ${FINDINGS} findings, ${INSPECTIONS} inspections: bare`,
      value: `${bare.toFixed(0)} ms`,
    },
    {
      name: 'page and folder, to the JSON text',
      value: `${whole.toFixed(0)} ms`,
      note: `${(whole / bare).toFixed(2)} times its bare queries; wanted at most 3 (${Math.round(characters / 1024)} kB of JSON)`,
      met: whole <= 3 * bare,
    },
  ];
}
