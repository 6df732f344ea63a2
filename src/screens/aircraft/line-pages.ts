import type { Line } from '@/queries/aircraft/line';

/** Moments at which what the Line says may become another: limits, the end of the day, flights that begin. */
export const renewalsOf = (line: Line | undefined): (number | null)[] =>
  line === undefined
    ? []
    : [
        ...line.rows.map(({ holdsUntil }) => holdsUntil),
        line.today.to,
        ...line.rows.flatMap((row) =>
          row.flights.filter(({ answer }) => answer !== 'past').map(({ starts }) => starts),
        ),
      ];

/** Rows in pages of nearly equal length, none longer than `most`. */
export function pagesOf<T>(rows: readonly T[], most: number): readonly (readonly T[])[] {
  if (rows.length === 0) return [];
  const pages = Math.ceil(rows.length / most);
  const each = Math.ceil(rows.length / pages);
  return Array.from({ length: pages }, (_, page) => rows.slice(page * each, (page + 1) * each)).filter(
    (page) => page.length > 0,
  );
}
