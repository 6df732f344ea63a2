'use client';

import { useSyncExternalStore } from 'react';

/** The program that this page was built with; the server names its own with each answer. Empty where nothing was built, as in tests. */
const PROGRAM = process.env['GROVAL_PROGRAM'] ?? '';

let outdated = false;
const watchers = new Set<() => void>();

/** Whether an answer comes from the program of this page. Remembers once that it did not. @param own the page's program */
export function sameProgram(headers: Headers, own = PROGRAM): boolean {
  const theirs = headers.get('x-groval-program') ?? '';
  if (own === '' || theirs === '' || theirs === own) return true;
  outdated = true;
  for (const tell of watchers) tell();
  return false;
}

const watch = (tell: () => void) => {
  watchers.add(tell);
  return () => {
    watchers.delete(tell);
  };
};

/** Whether the server was updated since this page was loaded. */
export const isOutdated = () => outdated;
/** The same, for a screen that says it. */
export const useOutdated = () => useSyncExternalStore(watch, isOutdated, () => false);
