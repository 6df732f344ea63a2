'use client';

import { useSyncExternalStore } from 'react';
import { usePathname } from 'next/navigation';

const never = () => () => { /* the browser renders again on every change of address */ };

/** The registration in an address such as /aircraft/N07TB; null while the static shell is all there is. */
export function useRegistration(): string | null {
  const pathname = usePathname();
  const shown = useSyncExternalStore(never, () => true, () => false);
  const name = pathname.split('/')[2];
  return shown && name !== undefined && name !== '' ? decodeURIComponent(name) : null;
}
