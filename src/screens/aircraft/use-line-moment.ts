'use client';

import { keepPreviousData, useQueries } from '@tanstack/react-query';
import { MOST_ROWS } from '@/contracts/aircraft/line-moment';
import type { Line, LineRow } from '@/queries/aircraft/line';
import type { LineMoment } from '@/queries/aircraft/line-moment';
import { ask } from '../data/fetching';

/** The Line as it is shown: rows that are decided, and those that are not. */
export interface ShownLine {
  readonly line: Line;
  /** Rows without an answer: it has not come yet, or there was nothing on record then. */
  readonly without: ReadonlyMap<string, 'asked' | 'not-yet'>;
}

/** Puts the rows of another moment in the place of those of now. A row without an answer shows none: never the one of now. */
export function lineMovedTo(line: Line, at: number, parts: readonly LineMoment[]): ShownLine {
  const [first] = parts;
  const rows = new Map(parts.flatMap((part) => part.rows.map((row) => [row.aircraftId, row] as const)));
  const notYet = new Set(parts.flatMap((part) => part.notYet));
  const without = new Map<string, 'asked' | 'not-yet'>();
  const shown = line.rows.map((row): LineRow => {
    const moved = rows.get(row.aircraftId);
    if (moved !== undefined) return moved;
    without.set(row.aircraftId, notYet.has(row.registration) ? 'not-yet' : 'asked');
    return { ...row, flights: [], reasons: [], openItems: [], out: null };
  });
  return {
    line: { ...line, now: (first?.at ?? at) as Line['now'], today: first?.today ?? line.today, rows: shown },
    without,
  };
}

/** Which answers hold the rows from one to another: each of MOST_ROWS, so that scrolling on asks only for what is new. */
export const windowsOf = (first: number, last: number): readonly number[] => {
  const from = Math.floor(Math.max(0, first) / MOST_ROWS);
  const to = Math.floor(Math.max(0, last) / MOST_ROWS);
  return Array.from({ length: to - from + 1 }, (_, at) => (from + at) * MOST_ROWS);
};

/** The Line at another moment. @param at null is now: nothing is asked @param inSight the rows that are drawn, by number */
export function useLineMoment(
  line: Line | undefined,
  at: number | null,
  inSight: { readonly first: number; readonly last: number },
) {
  const moment = at === null ? '' : new Date(at).toISOString();
  const asked = useQueries({
    queries: (at === null ? [] : windowsOf(inSight.first, inSight.last)).map((from) => ({
      queryKey: ['line-moment', from, moment],
      queryFn: () => ask('GET /api/line/moment', { search: { at: moment, from: String(from) } }),
      placeholderData: keepPreviousData,
      staleTime: 60_000,
      retry: 1,
    })),
  });
  const parts = asked.flatMap(({ data }) => (data === undefined ? [] : [data]));
  // While the cursor is moved the rows of the moment before stay: answers about two moments never stand in one table.
  const newest = parts.find((part) => part.at === at) ?? parts[0];
  return {
    shown:
      line === undefined || at === null
        ? null
        : lineMovedTo(
            line,
            at,
            parts.filter((part) => part.at === newest?.at),
          ),
    /** The moment that is shown; another than the one asked while its answer is on the way. */
    showsAt: newest?.at ?? null,
    error: asked.find(({ error }) => error !== null)?.error ?? null,
    askAgain: () => {
      for (const one of asked) void one.refetch();
    },
  };
}
