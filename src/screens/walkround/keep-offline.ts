'use client';

import { useEffect } from 'react';

/**
 * Has the phone keep the ramp's page, and asks it not to throw away what was entered. Where it cannot, the page works as long as it is open.
 */
export function useOfflineRamp(): void {
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
    navigator.serviceWorker.register('/ramp-offline.js', { scope: '/ramp' }).catch(() => undefined);
    // Browsers of old, and pages that are not secure, have no such thing.
    const { storage } = navigator as { readonly storage?: StorageManager };
    void storage?.persist().catch(() => false);
  }, []);
}
