import type { ArchiveRow, ArchiveTableName } from '@/contracts/exchange/club-archive';
import type { ImportList } from '@/contracts/exchange/csv-lists';
import type { RowOf } from '@/contracts/exchange/csv-rows';
import type { Plain } from '@/core/decision/canonical';
import { decimalHours, hoursFromSeconds } from '@/core/quantities/hours';
import { UNKNOWN_PARTICULARS } from '@/core/records/aircraft/aircraft';
import { reportOf } from '@/core/records/flights/pilot-report';
import { isHourMeter } from '@/core/records/meters/meters';
import type { Instant } from '@/core/time/instant';
import { reportColumns } from '@/db/flights/insert-flights';
import type { NaturalKey } from '@/db/kernel/bulk';
import type { Actor } from '../kernel/command';

/** The tables into which rows go, in an order in which each row stands after those that it refers to. */
export const WRITTEN = [
  'aircraft',
  'signature',
  'document_sighting',
  'inspection',
  'flight',
  'flight_return',
  'meter_reading',
] as const satisfies readonly ArchiveTableName[];
type Rows = Partial<Record<ArchiveTableName, ArchiveRow[]>>;
export interface Made {
  readonly registration: string;
  readonly key: Readonly<Record<string, unknown>>;
  readonly keyText: string;
  readonly tables: Rows;
  /** What it is, for the few rows that are shown. */ readonly words: () => string;
  readonly plain: Plain;
}
export interface Making {
  readonly actor: Actor;
  /** ISO 8601. */ readonly recordedAt: string;
  readonly newId: () => string;
  readonly aircraftId: string;
}

export const KEYS: Readonly<Record<ImportList, NaturalKey>> = {
  fleet: { table: 'aircraft', columns: { registration: 'text' } },
  documents: {
    table: 'document_sighting',
    columns: { aircraft_id: 'uuid', kind: 'text', happened_at: 'timestamptz' },
  },
  inspections: { table: 'inspection', columns: { aircraft_id: 'uuid', kind: 'text', completed_on: 'date' } },
  meters: {
    table: 'meter_reading',
    columns: { aircraft_id: 'uuid', meter: 'text', happened_at: 'timestamptz', value_s: 'integer' },
  },
  flights: { table: 'flight', columns: { aircraft_id: 'uuid', happened_at: 'timestamptz' } },
};

export const iso = (moment: Instant): string => new Date(moment).toISOString();
/** A natural key as one text, the same for a row of a file and for one of the database. */
export const keyTextOf = ({ columns }: NaturalKey, key: Readonly<Record<string, unknown>>): string =>
  JSON.stringify(Object.keys(columns).map((name) => key[name] ?? null));
const hoursText = (value: number): string => decimalHours(hoursFromSeconds(value), 2, 'down');

/** How a row of each list becomes records. */
export const MAKERS: {
  readonly [L in ImportList]: (
    row: RowOf<L>,
    making: Making,
  ) => Omit<Made, 'registration' | 'plain' | 'keyText'>;
} = {
  fleet: (row, { aircraftId, recordedAt }) => ({
    key: { registration: row.registration },
    words: () => row.type,
    tables: {
      aircraft: [
        {
          aircraft_id: aircraftId,
          registration: row.registration,
          type_name: row.type,
          category: row.category,
          first_flown_on: row.first_flown,
          approved_for: null,
          features: null,
          revision: 1,
          happened_at: recordedAt,
          recorded_at: recordedAt,
          particulars: { ...UNKNOWN_PARTICULARS, serialNumber: row.serial_number, seats: row.seats },
        },
      ],
    },
  }),
  documents: (row, { actor, recordedAt, newId, aircraftId }) => ({
    key: { aircraft_id: aircraftId, kind: row.kind, happened_at: iso(row.seen_at) },
    words: () => `${row.kind}, ${row.aboard ? 'aboard' : 'missing'}`,
    tables: {
      document_sighting: [
        {
          sighting_id: newId(),
          aircraft_id: aircraftId,
          kind: row.kind,
          kept_where: row.kept_where,
          aboard: row.aboard,
          legible: row.legible,
          displayed: row.displayed,
          registration_shown: row.registration_shown,
          issued_on: row.issued,
          printed_expiry: row.expires,
          ended_on: null,
          ended_because: null,
          form: row.form,
          tank_fitted: row.tank_fitted,
          happened_at: iso(row.seen_at),
          recorded_at: recordedAt,
          recorded_by: actor.personId,
          revision: row.revision,
          serial_shown: row.serial_shown,
          placards: row.placards,
          dated_on: row.dated,
          number: row.number,
          awaits_vouch: false,
          temporary: row.kind === 'registration-certificate' ? row.temporary : null,
        },
      ],
    },
  }),
  inspections: (row, { actor, recordedAt, newId, aircraftId }) => {
    const signature = row.signed_by === null ? null : newId();
    return {
      key: { aircraft_id: aircraftId, kind: row.kind, completed_on: row.completed },
      words: () => `${row.kind} of ${row.completed}`,
      tables: {
        signature:
          signature === null
            ? []
            : [
                {
                  signature_id: signature,
                  person_id: null,
                  name: row.signed_by,
                  certificate_kind: row.certificate_kind,
                  certificate_number: row.certificate_number,
                  valid_from: row.valid_from,
                  valid_until: row.valid_until === 'no-expiry' ? null : row.valid_until,
                  no_expiry: row.valid_until === 'no-expiry',
                  happened_at: recordedAt,
                  recorded_at: recordedAt,
                },
              ],
        inspection: [
          {
            inspection_id: newId(),
            aircraft_id: aircraftId,
            awaits_vouch: signature !== null && row.outcome === 'approved',
            kind: row.kind,
            completed_on: row.completed,
            time_in_service_s: row.time_in_service,
            time_in_service_entered: row.time_in_service === null ? null : hoursText(row.time_in_service),
            outcome: row.outcome,
            excess: row.excess,
            signature_id: signature,
            cleared_on: null,
            cleared_signature_id: null,
            recorded_at: recordedAt,
            recorded_by: actor.personId,
            tested_to_feet: row.tested_to_feet,
            description: row.description,
          },
        ],
      },
    };
  },
  meters: (row, { actor, recordedAt, newId, aircraftId }) => ({
    key: { aircraft_id: aircraftId, meter: row.meter, happened_at: iso(row.read_at), value_s: row.value },
    words: () => `${row.meter} ${row.entered}`,
    tables: {
      meter_reading: [
        {
          reading_id: newId(),
          aircraft_id: aircraftId,
          meter: row.meter,
          value_s: row.value,
          entered: row.entered,
          entered_unit: isHourMeter(row.meter) ? 'h' : 'count',
          basis: 'read',
          happened_at: iso(row.read_at),
          recorded_at: recordedAt,
          recorded_by: actor.personId,
          dial_id: null,
          flight_id: null,
        },
      ],
    },
  }),
  flights: (row, { actor, recordedAt, newId, aircraftId }) => {
    const flightId = newId();
    const [left, back] = [iso(row.left_at), iso(row.back_at)];
    const meters = [
      {
        meter: 'time-in-service',
        name: 'Time in service',
        out: row.time_in_service_out,
        in: row.time_in_service_in,
      },
      { meter: 'block', name: 'Hour meter', out: row.block_out, in: row.block_in },
    ];
    const shown = (end: 'out' | 'in') =>
      meters.flatMap(({ meter, name, ...ends }) => {
        const value = ends[end];
        return value === null
          ? []
          : [{ dial: meter, name, shown: hoursText(value), values: [{ meter, value }] }];
      });
    const block = row.block_out === null || row.block_in === null ? null : row.block_in - row.block_out;
    return {
      key: { aircraft_id: aircraftId, happened_at: left },
      words: () => `${row.person}, ${left.slice(0, 16).replace('T', ' ')} UTC`,
      tables: {
        flight: [
          {
            flight_id: flightId,
            aircraft_id: aircraftId,
            person_name: row.person,
            purpose: row.purpose,
            crew: null,
            readings: shown('out'),
            fuel_aboard: row.fuel_aboard,
            oil_aboard: null,
            remarks: null,
            happened_at: left,
            recorded_at: recordedAt,
            recorded_by: actor.personId,
          },
        ],
        flight_return: [
          {
            flight_id: flightId,
            aircraft_id: aircraftId,
            readings: shown('in'),
            landings: row.landings,
            tow_launches: row.tow_launches,
            billed_s: block,
            billed_from: block === null ? null : 'Hour meter',
            fuel_added: row.fuel_added,
            oil_added: row.oil_added,
            ...reportColumns(reportOf(row.remarks)),
            happened_at: back,
            recorded_at: recordedAt,
            recorded_by: actor.personId,
          },
        ],
        meter_reading: meters.flatMap(({ meter, in: value }) =>
          value === null
            ? []
            : [
                {
                  reading_id: newId(),
                  aircraft_id: aircraftId,
                  meter,
                  value_s: value,
                  entered: hoursText(value),
                  entered_unit: 'h',
                  basis: 'read',
                  happened_at: back,
                  recorded_at: recordedAt,
                  recorded_by: actor.personId,
                  dial_id: null,
                  flight_id: flightId,
                },
              ],
        ),
      },
    };
  },
};
