'use client';

import { useEffect, useState } from 'react';

const TICK_MS = 5000;

/** The server's time, running on from when it was told; a pinned clock stands still. */
export function useServerClock(told: number | undefined, pinned: boolean): number | undefined {
  const [passed, setPassed] = useState({ since: told, by: 0 });
  useEffect(() => {
    if (told === undefined || pinned) return undefined;
    const started = performance.now();
    const timer = setInterval(() => {
      setPassed({ since: told, by: performance.now() - started });
    }, TICK_MS);
    return () => {
      clearInterval(timer);
    };
  }, [told, pinned]);
  if (told === undefined) return undefined;
  return passed.since === told ? told + passed.by : told;
}

/** `09:42` in a zone. */
export function clock(time: number, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: zone }).format(
    time,
  );
}

/** `Tue 24 Nov` in a zone. */
export function day(time: number, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: zone,
  })
    .format(time)
    .replace(',', '');
}

/** The day and time that the wall clock at the field shows, as fields of a form hold them. */
export function wallClockOf(time: number, zone: string): { readonly date: string; readonly clock: string } {
  return {
    date: new Intl.DateTimeFormat('en-CA', {
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      timeZone: zone,
    }).format(time),
    clock: clock(time, zone),
  };
}
