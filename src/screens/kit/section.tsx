import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';

/** A part of a page under its heading, with what one can do there on the heading's line. @param id the heading's, for addresses */
export function Section({
  id,
  title,
  act = null,
  children,
}: {
  readonly id: string;
  readonly title: ReactNode;
  readonly act?: ReactNode;
  readonly children: ReactNode;
}) {
  return (
    <Box component="section" aria-labelledby={id}>
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center', mt: 3, mb: 1 }}>
        <Box component="h2" id={id} sx={{ m: 0, flex: 1, scrollMarginTop: '200px' }}>
          {title}
        </Box>
        {act}
      </Stack>
      {children}
    </Box>
  );
}
