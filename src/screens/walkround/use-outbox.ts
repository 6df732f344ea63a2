'use client';

import { useEffect, useState } from 'react';
import { sendWalks, watchWaiting, type Waiting } from '../data/kept-walks';

/** Tried again after so long, and at once when the signal comes back; in milliseconds. */
const AGAIN_MS = 15_000;

let busy: Promise<void> | null = null;

/** Sends what waits, one round at a time. */
export function sendNow(personId: string): Promise<void> {
  busy ??= sendWalks(personId).finally(() => {
    busy = null;
  });
  return busy;
}

/** What is said in so many milliseconds goes together: each tap by itself would hold up the next step. */
const TOGETHER_MS = 400;
let soon: ReturnType<typeof setTimeout> | null = null;

/** Sends what waits, in a moment. */
export function sendSoon(personId: string): void {
  if (soon !== null) clearTimeout(soon);
  soon = setTimeout(() => {
    soon = null;
    void sendNow(personId).catch(() => undefined);
  }, TOGETHER_MS);
}

/** What of a person waits on this phone; sent when there is a signal. Null until it was looked at: nothing is called sent before. */
export function useWalkOutbox(personId: string | null): Waiting | null {
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  useEffect(() => {
    if (personId === null) return undefined;
    const end = watchWaiting(personId, setWaiting);
    const again = () => {
      void sendNow(personId).catch(() => {
        /* what waits is counted on the screen */
      });
    };
    again();
    window.addEventListener('online', again);
    const timer = setInterval(again, AGAIN_MS);
    return () => {
      end();
      window.removeEventListener('online', again);
      clearInterval(timer);
    };
  }, [personId]);
  return waiting;
}
