import { z } from 'zod';
import {
  LONG_LISTS,
  LONG_LIST_NAMES,
  NAMES_OF_FLIERS,
  PAGE_SIZES,
  type Column,
  type ColumnOf,
  type LongList,
} from './long-lists';

/** The furthest page that can be asked for. */
const MOST_PAGES = 100_000;

/** Which part of a list is asked for, in which order, and what its lines must contain. As it stands in an address. */
const wantedSchema = z.object({
  page: z.coerce.number().int().min(0).max(MOST_PAGES).default(0),
  size: z.coerce
    .number()
    .refine((size) => PAGE_SIZES.some((known) => known === size), 'Choose 25, 50 or 100 lines.')
    .default(25),
  sort: z.string().optional(),
  order: z.enum(['asc', 'desc']).default('desc'),
  column: z.string().optional(),
  text: z.string().trim().max(100, 'Search for less than 100 characters.').default(''),
});
export interface Wanted<L extends LongList> {
  readonly page: number;
  readonly size: number;
  readonly sort: ColumnOf<L>;
  readonly order: 'asc' | 'desc';
  /** Null where every line is wanted. */
  readonly search: { readonly column: ColumnOf<L>; readonly text: string } | null;
}

const columnsOf = (list: LongList): Readonly<Record<string, Column>> => LONG_LISTS[list];

/**
 * Reads what stands in an address. Without an order the first column stands last to first.
 * @returns null where it asks for a column that the list has not, or that cannot be sorted or searched
 */
export function wantedOf<L extends LongList>(list: L, search: URLSearchParams): Wanted<L> | null {
  const read = wantedSchema.safeParse(Object.fromEntries(search));
  if (!read.success) return null;
  const columns = columnsOf(list);
  const { page, size, order, text } = read.data;
  const sort = read.data.sort ?? Object.keys(columns)[0] ?? '';
  const where = read.data.column;
  if (columns[sort]?.sorts !== true) return null;
  if (text === '' || where === undefined)
    return { page, size, sort: sort as ColumnOf<L>, order, search: null };
  if (columns[where]?.searches !== true) return null;
  return { page, size, sort: sort as ColumnOf<L>, order, search: { column: where as ColumnOf<L>, text } };
}

/** One of the lists, and which part of it. */
export type ListWanted = { [L in LongList]: { readonly list: L; readonly wanted: Wanted<L> } }[LongList];

/** Whether it asks for lines by who flew. */
export const asksForNames = ({ list, wanted }: ListWanted): boolean =>
  list === 'flights'
  || NAMES_OF_FLIERS.includes(wanted.sort)
  || (wanted.search !== null && NAMES_OF_FLIERS.includes(wanted.search.column));

/** Reads which list an address names, and which part of it. Null where it makes no sense. */
export function listWantedOf(list: string, search: URLSearchParams): ListWanted | null {
  const known = LONG_LIST_NAMES.find((name) => name === list);
  const wanted = known === undefined ? null : wantedOf(known, search);
  // The list and its columns come from one row of the table; TypeScript cannot follow that pairing.
  return known === undefined || wanted === null ? null : ({ list: known, wanted } as ListWanted);
}
