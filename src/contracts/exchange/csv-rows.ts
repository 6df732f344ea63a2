import { z } from 'zod';
import { DIMENSIONS, type Purpose } from '../../core/envelope/dimensions';
import { type Hours, hoursFromSeconds, parseDecimalHours } from '../../core/quantities/hours';
import { CATEGORIES, type Category } from '../../core/records/aircraft/aircraft';
import { CERTIFICATE_KINDS, type CertificateKind } from '../../core/records/club/certificate';
import { DOCUMENT_KINDS, type DocumentKind } from '../../core/records/documents/document';
import { INSPECTION_KINDS, type InspectionKind } from '../../core/records/maintenance/inspection';
import { METER_NAMES, type Meter, isHourMeter } from '../../core/records/meters/meters';
import { parseCivilDate } from '../../core/time/civil-date';
import { type Instant, parseInstant } from '../../core/time/instant';
import { certificateNumberSchema } from '../kernel/scalars';
import { type ZoneId, momentsAt } from '../../core/time/zone';
import type { ImportList } from './csv-lists';

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
export const needed = <T>(read: (text: string) => T | undefined, expected: string) =>
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
export const words = (text: string): string => text;
export const registration = (text: string): string | undefined =>
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
