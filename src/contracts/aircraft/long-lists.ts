/** What a column of a long list allows. */
export interface Column {
  readonly name: string;
  readonly sorts: boolean;
  /** Whether its text can be searched. */
  readonly searches: boolean;
}
const column = (name: string, sorts = true, searches = true): Column => ({ name, sorts, searches });

/** The long lists of an aircraft, each with its columns in their order. A line's texts have the columns' keys. */
export const LONG_LISTS = {
  flights: {
    left: column('Left'),
    back: column('Back', true, false),
    person: column('Who'),
    purpose: column('For what'),
    figures: column('Meters', false, false),
    landings: column('Landings', true, false),
    billed: column('Billing time', true, false),
    report: column('Pilot’s report', false),
  },
  readings: {
    when: column('When'),
    meter: column('Meter', false, false),
    shown: column('Shows', false),
    stands: column('Stands at', true, false),
    whose: column('Flight of', false),
    struck: column('Struck out', false, false),
  },
  work: {
    on: column('Date'),
    title: column('What'),
    reading: column('Time in service'),
    description: column('Description'),
    outcome: column('Outcome'),
    signed: column('Signed by'),
    struck: column('Struck out', false, false),
  },
} as const satisfies Readonly<Record<string, Readonly<Record<string, Column>>>>;
export type LongList = keyof typeof LONG_LISTS;
export type ColumnOf<L extends LongList> = keyof (typeof LONG_LISTS)[L] & string;
/** Columns with the names of who flew: those who may not have lists of flights have these records without them, and no list of flights. */
export const NAMES_OF_FLIERS: readonly string[] = ['person', 'whose'];
export const LONG_LIST_NAMES = Object.keys(LONG_LISTS) as readonly LongList[];

/** How many lines a page may have. */
export const PAGE_SIZES = [25, 50, 100] as const;
