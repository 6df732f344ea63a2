import { DIMENSIONS } from '../../core/envelope/dimensions';
import { CATEGORIES } from '../../core/records/aircraft/aircraft';
import { CERTIFICATE_KINDS } from '../../core/records/club/certificate';
import { DOCUMENT_KINDS } from '../../core/records/documents/document';
import { INSPECTION_KINDS } from '../../core/records/maintenance/inspection';
import { METER_NAMES } from '../../core/records/meters/meters';

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
