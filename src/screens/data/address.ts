'use client';

import { usePathname } from 'next/navigation';
import { useSyncExternalStore } from 'react';

const never = () => () => {
  /* the browser renders again on every change of address */
};

/** What stands second in an address, such as the registration in /aircraft/N07TB; null while the static shell is all there is. */
export function useSecondInAddress(): string | null {
  const pathname = usePathname();
  const shown = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const name = pathname.split('/')[2];
  return shown && name !== undefined && name !== '' ? decodeURIComponent(name) : null;
}

const onHash = (changed: () => void) => {
  window.addEventListener('hashchange', changed);
  return () => {
    window.removeEventListener('hashchange', changed);
  };
};

/** Writes behind the # of the address. @param as whether the browser's back comes back to what stands there now */
export function setHash(text: string, as: 'new' | 'the same'): void {
  if (as === 'new') window.location.hash = text;
  else {
    window.history.replaceState(window.history.state, '', `#${text}`);
    window.dispatchEvent(new HashChangeEvent('hashchange'));
  }
}

/** What stands behind the # of an address, such as the part of a page; empty without one, and in the static shell. */
export function useHash(): string {
  return useSyncExternalStore(
    onHash,
    () => window.location.hash.slice(1),
    () => '',
  );
}
