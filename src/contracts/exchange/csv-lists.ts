import { z } from 'zod';
import { DIMENSIONS, type Purpose } from '../../core/envelope/dimensions';
import { hoursFromSeconds, parseDecimalHours, type Hours } from '../../core/quantities/hours';
import { CATEGORIES, type Category } from '../../core/records/aircraft/aircraft';
import { CERTIFICATE_KINDS, type CertificateKind } from '../../core/records/club/certificate';
import { DOCUMENT_KINDS, type DocumentKind } from '../../core/records/documents/document';
import { INSPECTION_KINDS, type InspectionKind } from '../../core/records/maintenance/inspection';
import { isHourMeter, METER_NAMES, type Meter } from '../../core/records/meters/meters';
import { parseCivilDate } from '../../core/time/civil-date';
import { parseInstant, type Instant } from '../../core/time/instant';
import { certificateNumberSchema } from '../kernel/scalars';
import { momentsAt, type ZoneId } from '../../core/time/zone';

/** One column of a list: what it holds, and an example for the page of the format. */
export interface ListColumn {
  readonly name: string;
  readonly about: string;
  readonly needed: boolean;
  readonly example: string;
}

const column = (name: string, about: string, example: string, needed = false): ListColumn => ({
  name,
  about,
  needed,
  example,
});
const when =
  'a moment, ISO 8601 with Z or an offset; without one it is the wall clock at the field, 2026-11-24 09:42';

/** The lists that can be brought in, each with its columns. Every one of them can be written too, with the same columns. */
export const IMPORT_LISTS = {
  fleet: [
    column('registration', 'registration as painted', 'N02TB', true),
    column('type', 'type name', 'Quorin 160', true),
    column('category', `certification category: ${CATEGORIES.join(', ')}`, 'standard'),
    column('first_flown', 'day of its first flight', '1998-04-02'),
    column('serial_number', 'maker’s serial number', '0217'),
    column('seats', 'seats, the pilot’s included', '4'),
  ],
  documents: [
    column('registration', 'registration of the aircraft', 'N02TB', true),
    column('kind', `kind of document: ${DOCUMENT_KINDS.join(', ')}`, 'weight-and-balance', true),
    column('seen_at', `when somebody looked for it: ${when}`, '2026-11-20T12:00:00Z', true),
    column('aboard', 'yes or no', 'yes', true),
    column('legible', 'yes or no', 'yes'),
    column('displayed', 'in view of passengers and crew: yes or no', ''),
    column('registration_shown', 'registration printed on it', ''),
    column('number', 'number of the document', '007'),
    column('revision', 'revision of a manual', ''),
    column('serial_shown', 'serial number that a manual is for', ''),
    column('form', 'of limitations: flight-manual or placards-and-markings', ''),
    column('placards', 'in place: yes or no', ''),
    column('issued', 'day of issue', ''),
    column('expires', 'printed expiry', ''),
    column('dated', 'day of a weighing', '2022-06-09'),
    column('tank_fitted', 'a cabin tank: yes or no', ''),
    column('kept_where', 'where in the aircraft it is kept', 'inside the flight manual'),
    column(
      'temporary',
      'of a registration: the copy of an application, which holds for 90 days from its day of issue: yes or no',
      '',
    ),
  ],
  inspections: [
    column('registration', 'registration of the aircraft', 'N02TB', true),
    column('kind', `kind: ${INSPECTION_KINDS.join(', ')}`, 'hundred-hour', true),
    column('completed', 'day on which it was completed', '2026-10-02', true),
    column('time_in_service', 'hours, at most two decimals', '4108.7'),
    column('outcome', 'approved or discrepancies-listed', 'approved'),
    column('description', 'what the entry says', 'Inspected, found airworthy'),
    column('signed_by', 'name of who signed', 'T. Brandl'),
    column(
      'certificate_kind',
      `kind of certificate: ${CERTIFICATE_KINDS.join(', ')}`,
      'mechanic-airframe-powerplant',
    ),
    column('certificate_number', 'its number', '0042'),
    column('valid_from', 'first day of its validity', '2015-06-01'),
    column('valid_until', 'last day, or no-expiry', 'no-expiry'),
    column('tested_to_feet', 'of an altimeter test', ''),
    column('excess', 'en-route-to-inspection or flown-on-uses-without-the-limit', ''),
  ],
  meters: [
    column('registration', 'registration of the aircraft', 'N02TB', true),
    column('meter', `meter: ${METER_NAMES.join(', ')}`, 'time-in-service', true),
    column('read_at', `when it was read: ${when}`, '2026-11-23T21:10:00Z', true),
    column(
      'value',
      'hours with at most two decimals, or a count; on the airframe’s, engine’s or propeller’s own zero',
      '4150.3',
      true,
    ),
  ],
  flights: [
    column('registration', 'registration of the aircraft', 'N02TB', true),
    column('person', 'who had it', 'R. Dane', true),
    column('left_at', `when it left: ${when}`, '2026-11-23T18:00:00Z', true),
    column('back_at', `when it came back: ${when}`, '2026-11-23T19:30:00Z', true),
    column('purpose', `purpose: ${DIMENSIONS.purpose.join(', ')}`, 'private-rental'),
    column('time_in_service_out', 'hours when it left', '4149.1'),
    column('time_in_service_in', 'hours when it came back', '4150.3'),
    column('block_out', 'block hours when it left', ''),
    column('block_in', 'block hours when it came back', ''),
    column('landings', 'how many', '2'),
    column('tow_launches', 'how many', ''),
    column('fuel_aboard', 'as it was noted', '24 US gal'),
    column('fuel_added', 'as it was noted', ''),
    column('oil_added', 'as it was noted', ''),
    column('remarks', 'what the pilot reported', 'Nothing to report'),
  ],
} as const satisfies Readonly<Record<string, readonly ListColumn[]>>;

export type ImportList = keyof typeof IMPORT_LISTS;
export const IMPORT_LIST_NAMES = Object.keys(IMPORT_LISTS) as readonly ImportList[];

const empty = (text: string | undefined) => text === undefined || text.trim() === '';

/** A cell that may be empty, read by a checked constructor. */
const cell = <T>(read: (text: string) => T | undefined, expected: string) =>
  z
    .string()
    .optional()
    .transform((text, context): T | null => {
      if (text === undefined || empty(text)) return null;
      const value = read(text.trim());
      if (value !== undefined) return value;
      context.issues.push({
        code: 'custom',
        input: text,
        message: `expected ${expected}, got '${text.slice(0, 60)}'`,
      });
      return z.NEVER;
    });
/** A cell that must hold something. */
const needed = <T>(read: (text: string) => T | undefined, expected: string) =>
  z
    .string()
    .optional()
    .transform((text, context): T => {
      const value = text === undefined || empty(text) ? undefined : read(text.trim());
      if (value !== undefined) return value;
      context.issues.push({
        code: 'custom',
        input: text,
        message:
          text === undefined || empty(text)
            ? `is empty: expected ${expected}`
            : `expected ${expected}, got '${text.slice(0, 60)}'`,
      });
      return z.NEVER;
    });

const word =
  <T extends string>(words: readonly T[]) =>
  (text: string): T | undefined =>
    words.find((one) => one === text.toLowerCase());
const yesNo = (text: string): boolean | undefined =>
  (
    ({ yes: true, no: false, true: true, false: false, '1': true, '0': false }) as Readonly<
      Record<string, boolean>
    >
  )[text.toLowerCase()];
const count = (text: string): number | undefined => (/^\d{1,7}$/.test(text) ? Number(text) : undefined);
const words = (text: string): string => text;
const registration = (text: string): string | undefined =>
  /^[A-Z0-9][A-Z0-9-]{1,9}$/.test(text.toUpperCase()) ? text.toUpperCase() : undefined;
const HOURS = 'hours such as 4150.3, at most two decimals';
const DAY = 'a day such as 2026-11-24';

/** A moment with its offset, or the wall clock at the field where that is one moment. */
const moment =
  (zone: ZoneId) =>
  (text: string): Instant | undefined => {
    const exact = parseInstant(text);
    if (exact !== undefined) return exact;
    const local = /^(\d{4}-\d{2}-\d{2})[T ](\d{2}:\d{2})(?::00)?$/.exec(text);
    const date = local === null ? undefined : parseCivilDate(local[1] ?? '');
    const moments = date === undefined || local === null ? [] : momentsAt(date, local[2] ?? '', zone);
    return moments.length === 1 ? moments[0] : undefined;
  };
const MOMENT =
  'a moment such as 2026-11-24T09:42:00Z, or the wall clock at the field, 2026-11-24 09:42, where that is one moment';

/** Readers of the rows of each list. @param zone the field's, for times without an offset */
export function rowSchemas(zone: ZoneId) {
  const at = () => needed(moment(zone), MOMENT);
  const hours = () => cell(parseDecimalHours, HOURS);
  const aircraft = needed(registration, '2 to 10 letters, digits or hyphens');
  const day = () => cell(parseCivilDate, DAY);
  return {
    fleet: z.object({
      registration: aircraft,
      type: needed(words, 'a type name'),
      category: cell(word<Category>(CATEGORIES), CATEGORIES.join(', ')),
      first_flown: day(),
      serial_number: cell(words, 'text'),
      seats: cell(count, 'a whole number'),
    }),
    documents: z.object({
      registration: aircraft,
      kind: needed(word<DocumentKind>(DOCUMENT_KINDS), DOCUMENT_KINDS.join(', ')),
      seen_at: at(),
      aboard: needed(yesNo, 'yes or no'),
      legible: cell(yesNo, 'yes or no'),
      displayed: cell(yesNo, 'yes or no'),
      registration_shown: cell(registration, 'a registration'),
      number: cell(words, 'text'),
      revision: cell(words, 'text'),
      serial_shown: cell(words, 'text'),
      form: cell(
        word(['flight-manual', 'placards-and-markings'] as const),
        'flight-manual or placards-and-markings',
      ),
      placards: cell(yesNo, 'yes or no'),
      issued: day(),
      expires: day(),
      dated: day(),
      tank_fitted: cell(yesNo, 'yes or no'),
      kept_where: cell(words, 'text'),
      temporary: cell(yesNo, 'yes or no'),
    }),
    inspections: z
      .object({
        registration: aircraft,
        kind: needed(word<InspectionKind>(INSPECTION_KINDS), INSPECTION_KINDS.join(', ')),
        completed: needed(parseCivilDate, DAY),
        time_in_service: hours(),
        outcome: cell(
          word(['approved', 'discrepancies-listed'] as const),
          'approved or discrepancies-listed',
        ),
        description: cell(words, 'text'),
        signed_by: cell(words, 'a name'),
        certificate_kind: cell(word<CertificateKind>(CERTIFICATE_KINDS), CERTIFICATE_KINDS.join(', ')),
        certificate_number: cell(words, 'a number'),
        valid_from: day(),
        valid_until: cell(
          (text) => (text === 'no-expiry' ? ('no-expiry' as const) : parseCivilDate(text)),
          `${DAY}, or no-expiry`,
        ),
        tested_to_feet: cell(count, 'feet'),
        excess: cell(
          word(['en-route-to-inspection', 'flown-on-uses-without-the-limit'] as const),
          'en-route-to-inspection or flown-on-uses-without-the-limit',
        ),
      })
      .refine(
        (row) =>
          row.certificate_number === null
          || certificateNumberSchema.safeParse(row.certificate_number).success,
        { path: ['certificate_number'], message: 'expected the number as it is printed, with digits in it' },
      )
      .refine(
        (row) =>
          row.signed_by === null
          || (row.certificate_kind !== null
            && row.certificate_number !== null
            && row.valid_from !== null
            && row.valid_until !== null),
        {
          path: ['signed_by'],
          message: 'a signature needs certificate_kind, certificate_number, valid_from and valid_until',
        },
      ),
    meters: z
      .object({
        registration: aircraft,
        meter: needed(word<Meter>(METER_NAMES), METER_NAMES.join(', ')),
        read_at: at(),
        value: needed(words, 'a reading'),
      })
      .transform((row, context) => {
        const value: Hours | number | undefined = isHourMeter(row.meter)
          ? parseDecimalHours(row.value)
          : count(row.value);
        if (value !== undefined) return { ...row, entered: row.value, value: Number(value) };
        context.issues.push({
          code: 'custom',
          input: row.value,
          path: ['value'],
          message: `expected ${isHourMeter(row.meter) ? HOURS : 'a whole number'}, got '${row.value.slice(0, 60)}'`,
        });
        return z.NEVER;
      }),
    flights: z
      .object({
        registration: aircraft,
        person: needed(words, 'a name'),
        left_at: at(),
        back_at: at(),
        purpose: cell(word<Purpose>(DIMENSIONS.purpose), DIMENSIONS.purpose.join(', ')),
        time_in_service_out: hours(),
        time_in_service_in: hours(),
        block_out: hours(),
        block_in: hours(),
        landings: cell(count, 'a whole number'),
        tow_launches: cell(count, 'a whole number'),
        fuel_aboard: cell(words, 'text'),
        fuel_added: cell(words, 'text'),
        oil_added: cell(words, 'text'),
        remarks: cell(words, 'text'),
      })
      .refine((row) => row.back_at > row.left_at, {
        path: ['back_at'],
        message: 'it cannot have come back before it left',
      })
      .refine(
        (row) => (row.time_in_service_out ?? 0) <= (row.time_in_service_in ?? Number.POSITIVE_INFINITY),
        { path: ['time_in_service_in'], message: 'is less than when it left' },
      )
      .refine((row) => (row.block_out ?? 0) <= (row.block_in ?? Number.POSITIVE_INFINITY), {
        path: ['block_in'],
        message: 'is less than when it left',
      })
      .refine(
        (row) =>
          row.time_in_service_in === null
          || row.time_in_service_in - (row.time_in_service_out ?? hoursFromSeconds(row.time_in_service_in))
            <= (row.back_at - row.left_at) / 1000 + 360,
        { path: ['time_in_service_in'], message: 'more hours than passed by the clock' },
      ),
  } as const;
}

export type RowSchemas = ReturnType<typeof rowSchemas>;
export type RowOf<L extends ImportList> = z.output<RowSchemas[L]>;

/** Which header of a file stands for which column of ours. A column that no header stands for is empty. */
export type Mapping = Readonly<Record<string, string | null>>;

/** The header that most likely stands for each column: the same words, however written. */
export function guessMapping(list: ImportList, headers: readonly string[]): Mapping {
  const plain = (text: string) => text.toLowerCase().replaceAll(/[^a-z0-9]/g, '');
  return Object.fromEntries(
    IMPORT_LISTS[list].map(({ name }) => [
      name,
      headers.find((header) => plain(header) === plain(name)) ?? null,
    ]),
  );
}

/** A row of a file under our own column names. */
export function mapped(
  row: Readonly<Record<string, unknown>>,
  mapping: Mapping,
): Readonly<Record<string, string>> {
  const cells: Record<string, string> = {};
  for (const [name, header] of Object.entries(mapping)) {
    const value = header === null ? undefined : row[header];
    if (typeof value === 'string') cells[name] = value;
    else if (typeof value === 'number' || typeof value === 'boolean') cells[name] = String(value);
  }
  return cells;
}

/** What would happen, or did. */
export interface ImportSummary {
  readonly rows: number;
  readonly added: number;
  readonly there: number;
  readonly rejected: number;
  readonly byAircraft: readonly { readonly registration: string; readonly added: number }[];
  /** The first rows, each with what would happen. */
  readonly sample: readonly {
    readonly line: number;
    readonly outcome: 'new' | 'there' | 'rejected';
    readonly words: string;
  }[];
  /** Rejected rows with why; at most so many. */
  readonly rejections: readonly {
    readonly line: number;
    readonly why: string;
    readonly cells: Readonly<Record<string, string>>;
  }[];
  readonly committed: boolean;
}
