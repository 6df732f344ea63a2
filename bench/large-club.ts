// A club of 500 aircraft with three years of records, made by the database itself.
import { createHash, randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import clean from '../examples/cases/clean-trainer.json';
import { questionOf } from '../src/contracts/exchange/case-facts';
import { caseSchema } from '../src/contracts/exchange/case-file';
import { addSeconds, type Instant } from '../src/core/time/instant';
import { inClub } from '../src/db/kernel/club-transaction';
import type { ClubTransaction, Database } from '../src/db/kernel/connection';
import { DIMENSIONS } from '../src/core/envelope/dimensions';
import { appendToLedger } from '../src/db/kernel/ledger';
import { othersOf } from '../tools/cases/other-records';

export const AIRCRAFT = 500;
const BOX = {
  ...DIMENSIONS,
  rules: ['vfr'],
  purpose: [
    'private-rental',
    'instruction-school-aircraft',
    'carriage-for-hire',
    'positioning-to-maintenance',
    'maintenance-check-flight',
  ],
  overWater: ['within-glide'],
};

/** The entry that counts all rows of this transaction: the database takes none without. */
export async function countRows(tx: ClubTransaction, clubId: string, now: Instant): Promise<void> {
  await appendToLedger(
    tx,
    {
      clubId,
      aircraftId: null,
      revision: null,
      act: 'load-records',
      actor: { personId: 'bench', name: 'Bench' },
      recordedAt: now,
      record: {},
    },
    (bytes) => createHash('sha256').update(bytes).digest(),
  );
}

/** Writes it, with one person who dispatches there. Meters rise by 0.6 h on every second day; an annual a year, a hundred-hour inspection every 97 h or so, 30 findings, two of them open, 1,000 flights of the day and 2,000 ahead. */
export async function makeLargeClub(
  db: Database,
  clubId: string,
  now: Instant,
  dispatcher: string,
): Promise<void> {
  const at = new Date(now);
  const { facts, packs } = questionOf(caseSchema.parse(clean));
  await inClub(db, clubId, async (tx) => {
    const run = (query: ReturnType<typeof sql>) => query.execute(tx);
    await run(
      sql`insert into club values (${clubId}, 'Large club', 'Tern Bay', 44.53, -64.02, 'America/Halifax', ${JSON.stringify(packs)}, ${at}, ${at})`,
    );
    await run(
      sql`insert into membership values (${clubId}, ${dispatcher}, 'The desk', ${sql`array['dispatcher']`}, ${at}, ${at})`,
    );
    await run(
      sql`insert into aircraft (club_id, aircraft_id, registration, type_name, category, first_flown_on, approved_for, happened_at, recorded_at, particulars) select ${clubId}, gen_random_uuid(), 'N0' || lpad(n::text, 3, '0'), 'Quorin 160', 'standard', '1998-04-02', ${JSON.stringify([BOX])}, ${at}::timestamptz - interval '1100 days', ${at}::timestamptz - interval '1100 days', ${JSON.stringify(facts.aircraft.particulars)} from generate_series(1, ${AIRCRAFT}::int) n`,
    );
    await run(sql`insert into document_sighting (club_id, sighting_id, aircraft_id, kind, kept_where, aboard, legible, displayed, registration_shown, issued_on, printed_expiry, form, tank_fitted, revision, serial_shown, placards, dated_on, happened_at, recorded_at, recorded_by)
      select ${clubId}, gen_random_uuid(), aircraft_id, kind, 'pouch', kind <> 'cabin-tank-form-337', true, true, registration, '2024-05-14', '2031-05-31', 'flight-manual', false, ${facts.aircraft.particulars.manualRevision}::text, ${facts.aircraft.particulars.serialNumber}::text, true, '2015-06-01', ${at}::timestamptz - make_interval(days => seen * 60 + 1), ${at}::timestamptz - make_interval(days => seen * 60 + 1), 'bench'
      from aircraft, unnest(array['airworthiness-certificate','registration-certificate','operating-limitations','weight-and-balance','radio-licence','cabin-tank-form-337']) kind, generate_series(0, 17) seen`);
    await run(
      sql`insert into signature values (${clubId}, ${clubId}, null, 'Cape Reach Workshop', 'repair-station', 'RS-0417', '2009-04-01', null, true, ${at}, ${at})`,
    );
    // The hours rise with the days: day d before now shows 4000 h less 0.3 h a day.
    await run(sql`insert into inspection (club_id, inspection_id, aircraft_id, kind, completed_on, time_in_service_s, time_in_service_entered, outcome, signature_id, recorded_at, recorded_by)
      select ${clubId}, gen_random_uuid(), aircraft_id, case when n % 4 = 0 then 'annual' else 'hundred-hour' end, (${at}::timestamptz - make_interval(days => n * 90 + 40))::date, 36 * (400000 - 30 * (n * 90 + 40)), '', 'approved', ${clubId}, ${at}::timestamptz - make_interval(days => n * 90 + 39), 'bench'
      from aircraft, generate_series(0, 12) n`);
    await run(sql`insert into inspection (club_id, inspection_id, aircraft_id, kind, completed_on, time_in_service_s, time_in_service_entered, outcome, signature_id, recorded_at, recorded_by)
      select ${clubId}, gen_random_uuid(), aircraft_id, kind, (${at}::timestamptz - make_interval(days => n * 360 + 50))::date, null, null, 'approved', ${clubId}, ${at}::timestamptz - make_interval(days => n * 360 + 49), 'bench'
      from aircraft, generate_series(0, 2) n, unnest(array['transponder','altimeter-static','elt']) kind`);
    // The clean case's equipment list, ELT, insurance and so on, once for each aircraft, dated yesterday.
    const yesterday = addSeconds(now, -86_400);
    const others = othersOf(facts, randomUUID).map(({ kind, body }) => ({
      kind,
      body: { ...body, happenedAt: yesterday, recordedAt: yesterday },
    }));
    await run(
      sql`insert into aircraft_record (club_id, record_id, aircraft_id, kind, body, happened_at, recorded_at, recorded_by) select ${clubId}, gen_random_uuid(), aircraft_id, o ->> 'kind', o -> 'body', ${at}::timestamptz - make_interval(days => 1), ${at}::timestamptz - make_interval(days => 1), 'bench' from aircraft, jsonb_array_elements(${JSON.stringify(others)}::jsonb) o`,
    );
    await run(sql`insert into meter_reading (club_id, reading_id, aircraft_id, meter, value_s, entered, entered_unit, basis, happened_at, recorded_at, recorded_by) select ${clubId}, gen_random_uuid(), aircraft_id, 'time-in-service', 36 * (400000 - 30 * d), '', 'h', 'read', ${at}::timestamptz - make_interval(days => d), ${at}::timestamptz - make_interval(days => d), 'bench'
      from aircraft, generate_series(1, 1095, 2) d`);
    await run(
      sql`insert into meter_standing (club_id, aircraft_id, revision, agrees, open_flights, happened_at, recorded_at) select ${clubId}, aircraft_id, 1, true, array[]::uuid[], ${at}, ${at} from aircraft`,
    );
    await run(sql`insert into discrepancy (club_id, discrepancy_id, aircraft_id, station, step, as_listed, what, looks, found_by, found_by_name, classification, closes_uses, happened_at, recorded_at)
      select ${clubId}, gen_random_uuid(), aircraft_id, 'power-on', 'K062', true, 'Navigation lights: lamp or lens failed', 'not-right', 'bench', 'Pia Okoro', 'deferral-path', array['dusk','night'], ${at}::timestamptz - make_interval(days => n * 36 + 1), ${at}::timestamptz - make_interval(days => n * 36 + 1) from aircraft, generate_series(0, 29) n`);
    await run(
      sql`insert into rectification select ${clubId}, gen_random_uuid(), discrepancy_id, 'repaired', 'Lamp replaced.', happened_at::date, ${clubId}, true, happened_at, 'bench' from discrepancy where happened_at < ${at}::timestamptz - make_interval(days => 60)`,
    );
    await run(
      sql`insert into planned_flight (club_id, flight_id, aircraft_id, person_name, starts, ends, airborne_s, purpose, crew, rules, range, transponder_airspace, broadcast_airspace, beyond_glide, passengers, happened_at, recorded_at, recorded_by) select ${clubId}, gen_random_uuid(), aircraft_id, 'J. Sol', ${at}::timestamptz + make_interval(hours => n * 3 + 1), ${at}::timestamptz + make_interval(hours => n * 3 + 3), 5400, 'instruction-school-aircraft', 'dual', 'vfr', 'local', false, false, false, false, ${at}, ${at}, 'bench' from aircraft, generate_series(0, 1) n`,
    );
    await run(
      sql`insert into planned_flight (club_id, flight_id, aircraft_id, person_name, starts, ends, airborne_s, purpose, crew, rules, range, transponder_airspace, broadcast_airspace, beyond_glide, passengers, happened_at, recorded_at, recorded_by) select ${clubId}, gen_random_uuid(), aircraft_id, 'J. Sol', ${at}::timestamptz + make_interval(days => n * 12), ${at}::timestamptz + make_interval(days => n * 12, hours => 2), 5400, 'instruction-school-aircraft', 'dual', 'vfr', 'local', false, false, false, false, ${at}, ${at}, 'bench' from aircraft, generate_series(1, 4) n`,
    );
    await countRows(tx, clubId, now);
  });
}
