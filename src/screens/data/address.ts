'use client';

import { useSyncExternalStore } from 'react';
import { usePathname } from 'next/navigation';

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
