'use client';

import Box from '@mui/material/Box';
import { clock } from '../data/clock';

/** Says that what is shown may be old. An old verdict must never look like a fresh one. */
export function NotLive({ since, zone }: { readonly since: number | null; readonly zone: string }) {
  if (since === null) return null;
  return (
    <Box
      role="alert"
      sx={{
        background: 'var(--grounded-tint)',
        color: 'var(--ink)',
        borderBottom: '3px solid var(--grounded)',
        py: 1,
        px: 2.5,
        fontWeight: 700,
      }}
    >
      No connection since {clock(since, zone)} on this computer’s clock. What you see may be out of date: do
      not release from it. It will catch up by itself.
    </Box>
  );
}
