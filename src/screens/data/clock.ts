'use client';

import { useEffect, useState } from 'react';

/** The server's time, running on from when it was told; a pinned clock stands still. */
export function useServerClock(told: number | undefined, pinned: boolean): number | undefined {
  const [now, setNow] = useState(told);
  useEffect(() => {
    if (told === undefined) return undefined;
    const started = performance.now();
    setNow(told);
    if (pinned) return undefined;
    const timer = setInterval(() => { setNow(told + performance.now() - started); }, 5000);
    return () => { clearInterval(timer); };
  }, [told, pinned]);
  return now;
}

/** `09:42` in a zone. */
export function clock(time: number, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: zone }).format(time);
}

/** `Tue 24 Nov` in a zone. */
export function day(time: number, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: zone }).format(time).replace(',', '');
}
