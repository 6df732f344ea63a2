import { sql, type Expression, type RawBuilder } from 'kysely';

/** Which part of a list is wanted, in which order, and what a line must contain. */
export interface PageWanted {
  /** From 0. */
  readonly page: number;
  readonly size: number;
  readonly sort: string;
  readonly order: 'asc' | 'desc';
  /** Null where every line is wanted. */
  readonly search: { readonly column: string; readonly text: string } | null;
}

/** A page of a list: its lines, and how many there are altogether. */
export interface PageOf<T> {
  readonly rows: readonly T[];
  readonly total: number;
}

/** A column that a list can be sorted or searched by: what it is sorted by, and the text that a person sees. */
export interface PageColumn {
  readonly by: Expression<unknown>;
  readonly text: Expression<unknown>;
}

/** A moment as people read it on the field's clock, as src/explain writes it: 24 Nov 2026 09:42. */
const inWords = (moment: Expression<unknown>, zone: string): RawBuilder<string> =>
  sql<string>`to_char(${moment} at time zone ${zone}, 'FMDD Mon YYYY HH24:MI')`;

/** A column of moments, by the name that it has in the query. */
export const momentColumn = (name: string, zone: string): PageColumn => ({
  by: sql.ref(name),
  text: inWords(sql.ref(name), zone),
});

/** A column of texts or figures, by the name that it has in the query. */
export const plainColumn = (name: string): PageColumn => ({
  by: sql.ref(name),
  text: sql`${sql.ref(name)}::text`,
});

/** A column of words of ours: sorted and searched by what stands for them on the screen. @param words by what is stored */
export function wordsColumn(name: string, words: Readonly<Record<string, string>>): PageColumn {
  const shown = sql`coalesce(${JSON.stringify(words)}::jsonb ->> ${sql.ref(name)}, ${sql.ref(name)})`;
  return { by: shown, text: shown };
}

/** Whether a line has what is searched for in it, whatever its case; every sign stands for itself. True where nothing is searched for. @throws RangeError where the list has no such column */
export function hasSearched(
  columns: Readonly<Record<string, PageColumn>>,
  search: PageWanted['search'],
): RawBuilder<boolean> {
  if (search === null) return sql<boolean>`true`;
  const column = columns[search.column];
  if (column === undefined) throw new RangeError(`no such column: ${search.column}`);
  return sql<boolean>`strpos(lower(coalesce(${column.text}, '')), lower(${search.text})) > 0`;
}

/** The order that is wanted; lines without a value come last. @throws RangeError where the list has no such column */
export function orderWanted(
  columns: Readonly<Record<string, PageColumn>>,
  { sort, order }: PageWanted,
): RawBuilder<unknown> {
  const column = columns[sort];
  if (column === undefined) throw new RangeError(`no such column: ${sort}`);
  return order === 'asc' ? sql`${column.by} asc nulls last` : sql`${column.by} desc nulls last`;
}
