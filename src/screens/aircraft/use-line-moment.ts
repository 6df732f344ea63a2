'use client';

import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { MOST_ROWS } from '@/contracts/aircraft/line-bounds';
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
export function lineMovedTo(line: Line, at: number, answer: LineMoment | null): ShownLine {
  const rows = new Map(answer?.rows.map((row) => [row.aircraftId, row] as const));
  const notYet = new Set(answer?.notYet);
  const without = new Map<string, 'asked' | 'not-yet'>();
  const shown = line.rows.map((row): LineRow => {
    const moved = rows.get(row.aircraftId);
    if (moved !== undefined) return moved;
    without.set(row.aircraftId, notYet.has(row.registration) ? 'not-yet' : 'asked');
    return { ...row, flights: [], reasons: [], openItems: [], out: null };
  });
  return {
    line: {
      ...line,
      now: (answer?.at ?? at) as Line['now'],
      today: answer?.today ?? line.today,
      rows: shown,
    },
    without,
  };
}

/** Rows are asked for in tens: a row more in sight asks for nothing new. */
const TENS = 10;

/** The rows to ask for so that those from one to another are there: never more than one answer holds. */
export function askedRows(first: number, last: number): { readonly from: number; readonly most: number } {
  const from = Math.floor(Math.max(0, first) / TENS) * TENS;
  const most = Math.ceil((Math.max(0, last) + 1 - from) / TENS) * TENS;
  return { from, most: Math.min(MOST_ROWS, Math.max(TENS, most)) };
}

/** The Line at another moment. @param at null is now: nothing is asked @param inSight the rows that are drawn, by number */
export function useLineMoment(
  line: Line | undefined,
  at: number | null,
  inSight: { readonly first: number; readonly last: number },
) {
  const moment = at === null ? '' : new Date(at).toISOString();
  const { from, most } = askedRows(inSight.first, inSight.last);
  const { data, error, refetch } = useQuery({
    queryKey: ['line-moment', from, most, moment],
    queryFn: () =>
      ask('GET /api/line/moment', { search: { at: moment, from: String(from), most: String(most) } }),
    enabled: at !== null,
    // While the cursor is moved the rows of the moment before stay, and say which moment they are of.
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    retry: 1,
  });
  return {
    shown: line === undefined || at === null ? null : lineMovedTo(line, at, data ?? null),
    /** The moment that is shown; another than the one asked while its answer is on the way. */
    showsAt: at === null ? null : (data?.at ?? null),
    error: at === null ? null : error,
    askAgain: refetch,
  };
}
