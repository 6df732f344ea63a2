'use client';

import { clock } from '../data/clock';

/** Says that what is shown may be old. An old verdict must never look like a fresh one. */
export function NotLive({ since, zone }: { readonly since: number | null; readonly zone: string }) {
  if (since === null) return null;
  return (
    <div
      role="alert"
      style={{
        background: 'var(--grounded-tint)',
        color: 'var(--ink)',
        borderBottom: '3px solid var(--grounded)',
        padding: '8px 20px',
        fontWeight: 700,
      }}
    >
      No connection since {clock(since, zone)} on this computer’s clock. What you see may be out of date: do
      not release from it. It will catch up by itself.
    </div>
  );
}
