import { decimalHours, hoursFromSeconds } from '@/core/quantities/hours';
import { reportText } from '@/core/records/flights/pilot-report';
import { isHourMeter, METER_NAMES } from '@/core/records/meters/meters';
import { returnedAfter } from '../flights/flights';
import { type DialReading } from '../flights/flight-records';
import type { ClubTransaction } from '../kernel/connection';
import { describedAircraft, storedParticulars } from '../aircraft/descriptions';

/** A row of a list, under the names of its columns. */
export type Row = Readonly<Record<string, unknown>>;
const hours = (seconds: number | null): string | null =>
  seconds === null ? null : decimalHours(hoursFromSeconds(seconds), 2, 'down');
const iso = (moment: Date): string => moment.toISOString();
const AT_ONCE = 2000;

async function* pages<T extends { readonly id: string }>(
  read: (after: string | null) => Promise<readonly T[]>,
): AsyncGenerator<readonly T[]> {
  let after: string | null = null;
  for (;;) {
    const rows: readonly T[] = await read(after);
    if (rows.length > 0) yield rows;
    const last = rows.at(-1);
    if (last === undefined || rows.length < AT_ONCE) return;
    after = last.id;
  }
}

/** Every aircraft. A page of rows at a time. */
export async function* fleetRows(tx: ClubTransaction): AsyncGenerator<readonly Row[]> {
  const rows = await describedAircraft(tx).orderBy('a.registration').execute();
  yield rows.map((row) => {
    const particulars = storedParticulars(row.particulars, `aircraft ${row.registration}`);
    return {
      registration: row.registration,
      type: row.type_name,
      category: row.category,
      first_flown: row.first_flown_on,
      serial_number: particulars.serialNumber,
      seats: particulars.seats,
    };
  });
}

/** Every document check. A page of rows at a time. */
export async function* documentRows(tx: ClubTransaction): AsyncGenerator<readonly Row[]> {
  for await (const rows of pages((after) =>
    tx
      .selectFrom('counted_document_sighting as s')
      .innerJoin('aircraft as a', (join) =>
        join.onRef('a.club_id', '=', 's.club_id').onRef('a.aircraft_id', '=', 's.aircraft_id'),
      )
      .selectAll('s')
      .select(['a.registration', 's.sighting_id as id'])
      .$if(after !== null, (query) => query.where('s.sighting_id', '>', after))
      .orderBy('s.sighting_id')
      .limit(AT_ONCE)
      .execute(),
  )) {
    yield rows.map((row) => ({
      registration: row.registration,
      kind: row.kind,
      seen_at: iso(row.happened_at),
      aboard: row.aboard ?? false,
      legible: row.legible,
      displayed: row.displayed,
      registration_shown: row.registration_shown,
      number: row.number,
      revision: row.revision,
      serial_shown: row.serial_shown,
      form: row.form,
      placards: row.placards,
      issued: row.issued_on,
      expires: row.printed_expiry,
      dated: row.dated_on,
      tank_fitted: row.tank_fitted,
      kept_where: row.kept_where,
      temporary: row.temporary,
    }));
  }
}

/** Every inspection entry. A page of rows at a time. */
export async function* inspectionRows(tx: ClubTransaction): AsyncGenerator<readonly Row[]> {
  for await (const rows of pages((after) =>
    tx
      .selectFrom('counted_inspection as i')
      .innerJoin('aircraft as a', (join) =>
        join.onRef('a.club_id', '=', 'i.club_id').onRef('a.aircraft_id', '=', 'i.aircraft_id'),
      )
      .leftJoin('signature as s', (join) =>
        join.onRef('s.club_id', '=', 'i.club_id').onRef('s.signature_id', '=', 'i.signature_id'),
      )
      .select([
        'a.registration',
        'i.inspection_id as id',
        'i.kind',
        'i.completed_on',
        'i.time_in_service_s',
        'i.outcome',
        'i.description',
        'i.tested_to_feet',
        'i.excess',
        's.name',
        's.certificate_kind',
        's.certificate_number',
        's.valid_from',
        's.valid_until',
        's.no_expiry',
      ])
      .$if(after !== null, (query) => query.where('i.inspection_id', '>', after))
      .orderBy('i.inspection_id')
      .limit(AT_ONCE)
      .execute(),
  )) {
    yield rows.map((row) => ({
      registration: row.registration,
      kind: row.kind,
      completed: row.completed_on,
      time_in_service: hours(row.time_in_service_s),
      outcome: row.outcome,
      description: row.description,
      signed_by: row.name,
      certificate_kind: row.certificate_kind,
      certificate_number: row.certificate_number,
      valid_from: row.valid_from,
      valid_until: row.no_expiry === true ? 'no-expiry' : row.valid_until,
      tested_to_feet: row.tested_to_feet,
      excess: row.excess,
    }));
  }
}

/** Every reading. A page of rows at a time. */
export async function* meterRows(tx: ClubTransaction): AsyncGenerator<readonly Row[]> {
  for await (const rows of pages((after) =>
    tx
      .selectFrom('counted_meter_reading as m')
      .innerJoin('aircraft as a', (join) =>
        join.onRef('a.club_id', '=', 'm.club_id').onRef('a.aircraft_id', '=', 'm.aircraft_id'),
      )
      .select(['a.registration', 'm.reading_id as id', 'm.meter', 'm.value_s', 'm.happened_at'])
      .$if(after !== null, (query) => query.where('m.reading_id', '>', after))
      .orderBy('m.reading_id')
      .limit(AT_ONCE)
      .execute(),
  )) {
    yield rows.map((row) => ({
      registration: row.registration,
      meter: row.meter,
      read_at: iso(row.happened_at),
      value: METER_NAMES.some((name) => name === row.meter && isHourMeter(name))
        ? hours(row.value_s)
        : row.value_s,
    }));
  }
}

const at = (readings: readonly DialReading[], meter: string): string | null =>
  hours(readings.flatMap(({ values }) => values).find((value) => value.meter === meter)?.value ?? null);

/** Every flight that came back, with its readings as they count now. A page of rows at a time. */
export async function* flightRows(tx: ClubTransaction): AsyncGenerator<readonly Row[]> {
  const aircraft = await tx.selectFrom('aircraft').select(['aircraft_id', 'registration']).execute();
  const registrations = new Map(aircraft.map((row) => [row.aircraft_id, row.registration]));
  for await (const flights of pages((after) => returnedAfter(tx, after, AT_ONCE))) {
    yield flights.flatMap((flight) => {
      const { returned } = flight;
      if (returned === null) return [];
      return [
        {
          registration: registrations.get(flight.aircraftId),
          person: flight.personName,
          left_at: iso(new Date(flight.leftAt)),
          back_at: iso(new Date(returned.at)),
          purpose: flight.purpose,
          time_in_service_out: at(flight.readings, 'time-in-service'),
          time_in_service_in: at(returned.readings, 'time-in-service'),
          block_out: at(flight.readings, 'block'),
          block_in: at(returned.readings, 'block'),
          landings: returned.landings,
          tow_launches: returned.towLaunches,
          fuel_aboard: flight.fuelAboard,
          fuel_added: returned.fuelAdded,
          oil_added: returned.oilAdded,
          remarks: reportText(returned.report),
        },
      ];
    });
  }
}

/** Every finding, with what closed it. A page of rows at a time. */
export async function* findingRows(tx: ClubTransaction): AsyncGenerator<readonly Row[]> {
  for await (const rows of pages((after) =>
    tx
      .selectFrom('discrepancy as d')
      .innerJoin('aircraft as a', (join) =>
        join.onRef('a.club_id', '=', 'd.club_id').onRef('a.aircraft_id', '=', 'd.aircraft_id'),
      )
      .leftJoin('rectification as r', (join) =>
        join.onRef('r.club_id', '=', 'd.club_id').onRef('r.discrepancy_id', '=', 'd.discrepancy_id'),
      )
      .leftJoin('signature as s', (join) =>
        join.onRef('s.club_id', '=', 'r.club_id').onRef('s.signature_id', '=', 'r.signature_id'),
      )
      .select([
        'a.registration',
        'd.discrepancy_id as id',
        'd.happened_at',
        'd.found_by_name',
        'd.station',
        'd.side',
        'd.what',
        'd.classification',
        'r.completed_on',
        'r.description',
        's.name',
      ])
      .$if(after !== null, (query) => query.where('d.discrepancy_id', '>', after))
      .orderBy('d.discrepancy_id')
      .limit(AT_ONCE)
      .execute(),
  )) {
    yield rows.map((row) => ({
      registration: row.registration,
      found_at: iso(row.happened_at),
      found_by: row.found_by_name,
      where: row.side === null ? row.station : `${row.side} ${row.station}`,
      what: row.what,
      classification: row.classification,
      closed_on: row.completed_on,
      closed_by: row.name,
      work: row.description,
    }));
  }
}

/** Every planned flight, with what became of it. A page of rows at a time. */
export async function* planRows(tx: ClubTransaction): AsyncGenerator<readonly Row[]> {
  for await (const rows of pages((after) =>
    tx
      .selectFrom('planned_flight as p')
      .innerJoin('aircraft as a', (join) =>
        join.onRef('a.club_id', '=', 'p.club_id').onRef('a.aircraft_id', '=', 'p.aircraft_id'),
      )
      .leftJoin('planned_flight_end as e', (join) =>
        join.onRef('e.club_id', '=', 'p.club_id').onRef('e.flight_id', '=', 'p.flight_id'),
      )
      .leftJoin('flight as f', (join) =>
        join.onRef('f.club_id', '=', 'p.club_id').onRef('f.flight_id', '=', 'p.flight_id'),
      )
      .select([
        'a.registration',
        'p.flight_id as id',
        'p.person_name',
        'p.starts',
        'p.ends',
        'p.purpose',
        'p.rules',
        'e.because',
        'f.flight_id as left_id',
      ])
      .$if(after !== null, (query) => query.where('p.flight_id', '>', after))
      .orderBy('p.flight_id')
      .limit(AT_ONCE)
      .execute(),
  )) {
    yield rows.map((row) => ({
      registration: row.registration,
      person: row.person_name,
      starts: iso(row.starts),
      ends: iso(row.ends),
      purpose: row.purpose,
      rules: row.rules,
      state: row.because ?? (row.left_id === null ? 'planned' : 'left'),
    }));
  }
}
