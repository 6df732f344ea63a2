'use client';

import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { Line, LineRow } from '@/queries/aircraft/line';
import { isOutdated } from './program';

/** Without a beat for so long the line is dead, whatever the browser believes. The server beats every 10 s. */
const SILENCE_MS = 25_000;
/** A browser's timer holds no more than this. */
const LONGEST_TIMER_MS = 2_000_000_000;

/** Puts a changed row into the Line, in its place; one that is not there yet makes the whole Line load again. */
export function withRow(line: Line, row: LineRow): Line | null {
  const at = line.rows.findIndex(({ aircraftId }) => aircraftId === row.aircraftId);
  const known = line.rows[at];
  if (known === undefined) return null;
  // Events may overtake each other: an older revision never replaces a newer one.
  return known.revision > row.revision ? line : { ...line, rows: line.rows.with(at, row) };
}

/** Keeps the Line and the aircraft pages up to date. Answers the moment since when they are not live, or null while they are. */
export function useLive(): number | null {
  const client = useQueryClient();
  const [deadSince, setDeadSince] = useState<number | null>(null);
  useEffect(() => {
    const source = new EventSource('/api/events');
    let heard = Date.now();
    // Until the line is open changes may be missed: what was loaded before is loaded again.
    let lost = true;
    // Rows that come by themselves do not name their program: they are taken once an answer has shown that the server still runs the
    // page's own.
    let isSettled = false;
    const alive = () => {
      heard = Date.now();
      if (lost) {
        lost = false;
        setDeadSince(null);
        void client.invalidateQueries().then(() => {
          isSettled = true;
        });
      }
    };
    const dead = () => {
      lost = true;
      isSettled = false;
      setDeadSince((since) => since ?? heard);
    };
    source.addEventListener('beat', alive);
    source.addEventListener('resync', () => {
      alive();
      void client.invalidateQueries();
    });
    source.addEventListener('change', (event: MessageEvent<string>) => {
      alive();
      const row = JSON.parse(event.data) as LineRow | null;
      if (row === null || !isSettled || isOutdated()) return void client.invalidateQueries();
      const line = client.getQueryData<Line>(['line']);
      const next = line === undefined ? null : withRow(line, row);
      if (next === null) void client.invalidateQueries({ queryKey: ['line'] });
      else client.setQueryData(['line'], next);
      void client.invalidateQueries({ queryKey: ['aircraft', row.registration] });
      void client.invalidateQueries({ queryKey: ['line-moment'] });
      void client.invalidateQueries({ queryKey: ['counter'] });
      void client.invalidateQueries({ queryKey: ['plan'] });
      void client.invalidateQueries({ queryKey: ['triage'] });
      void client.invalidateQueries({ queryKey: ['chronic'] });
      return undefined;
    });
    source.onerror = dead;
    const watch = setInterval(() => {
      if (Date.now() - heard > SILENCE_MS) dead();
    }, 2000);
    return () => {
      source.close();
      clearInterval(watch);
    };
  }, [client]);
  return deadSince;
}

/** Asks again at the moment at which an answer changes by itself: an inspection that ends at midnight ends on an open screen too. */
export function useRenewalAt(
  moments: readonly (number | null)[],
  now: number | undefined,
  pinned: boolean,
): void {
  const client = useQueryClient();
  const next = moments.reduce<number | null>(
    (first, moment) => (moment === null ? first : first === null ? moment : Math.min(first, moment)),
    null,
  );
  useEffect(() => {
    if (next === null || now === undefined || pinned) return undefined;
    const timer = setTimeout(
      () => {
        void client.invalidateQueries();
      },
      Math.min(LONGEST_TIMER_MS, Math.max(1000, next - now + 500)),
    );
    return () => {
      clearTimeout(timer);
    };
  }, [client, next, now, pinned]);
}
