'use client';

import { useEffect, useState } from 'react';

/**
 * Has the phone keep the ramp's page, and asks it not to throw away what was entered. Where it cannot, the page works as long as it is open.
 * @returns true once this page comes from what is kept: then the next one opens without signal
 */
export function useOfflineRamp(): boolean {
  const [isKept, setIsKept] = useState(false);
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return undefined;
    const workers = navigator.serviceWorker;
    const look = () => {
      setIsKept(workers.controller !== null);
    };
    workers.addEventListener('controllerchange', look);
    workers.register('/ramp-offline.js', { scope: '/ramp' }).then(look, () => undefined);
    // Browsers of old, and pages that are not secure, have no such thing.
    const { storage } = navigator as { readonly storage?: StorageManager };
    void storage?.persist().catch(() => false);
    return () => {
      workers.removeEventListener('controllerchange', look);
    };
  }, []);
  return isKept;
}
