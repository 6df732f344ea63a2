import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** One caution, where the risk is. */
export function Caution({ children }: { readonly children: ReactNode }) {
  return (
    <Box
      component="p"
      sx={{
        m: '10px 0 0',
        p: 1.25,
        border: '3px solid var(--ink)',
        borderRadius: '6px',
        fontWeight: 700,
        fontSize: 17,
      }}
    >
      <Box component="span" sx={{ display: 'block', fontSize: 15 }}>
        Caution
      </Box>
      {children}
    </Box>
  );
}

/** What a figure or a finding means, in words. */
export function Consequence({ children, isBad }: { readonly children: ReactNode; readonly isBad: boolean }) {
  return (
    <Box
      role="status"
      sx={{
        m: '8px 0 0',
        py: 0.75,
        px: 1.25,
        border: `2px solid ${isBad ? 'var(--grounded)' : 'var(--rule)'}`,
        borderRadius: '6px',
        bgcolor: isBad ? 'var(--grounded-tint)' : 'var(--card)',
        fontSize: 16,
        lineHeight: 1.3,
        fontWeight: isBad ? 700 : 400,
      }}
    >
      {children}
    </Box>
  );
}
