import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** A part of the conversation at the dispatch page, in its order. */
export function Part({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ borderTop: '1px solid var(--rule)', py: 1.75, px: 0 }}>
      <Box component="h2" sx={{ m: '0 0 10px' }}>
        {title}
      </Box>
      {children}
    </Box>
  );
}
