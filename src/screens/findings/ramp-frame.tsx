import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';

interface Props {
  readonly title: ReactNode;
  /** How much is kept on the phone and not sent; null while nobody knows. */
  readonly waiting: number | null;
  readonly children: ReactNode;
}

/** The phone's frame: what it is about and what has not been sent yet on top; the rest is the question. */
export function RampFrame({ title, waiting, children }: Props) {
  return (
    <Stack className="stark" sx={{ minHeight: '100dvh' }}>
      <Stack
        component="header"
        direction="row"
        sx={{
          alignItems: 'center',
          justifyContent: 'space-between',
          py: 1.25,
          px: 2,
          borderBottom: '3px solid var(--ink)',
          fontSize: 16,
        }}
      >
        <Box component="span" className="figure" sx={{ fontSize: 20 }}>
          {title}
        </Box>
        <span>{waiting === null ? '' : waiting === 0 ? 'all sent' : `${waiting} kept on phone`}</span>
      </Stack>
      <Box
        component="main"
        sx={{
          py: 0,
          px: 2,
          maxWidth: 600,
          width: '100%',
          my: 0,
          mx: 'auto',
          boxSizing: 'border-box',
          flex: 1,
          display: 'flex',
          flexDirection: 'column',
        }}
      >
        {children}
      </Box>
    </Stack>
  );
}

/** The ways on and back, always in the same place: at the foot of the screen, in the thumb's arc. */
export function ThumbBar({ children }: { readonly children: ReactNode }) {
  return (
    <Stack
      direction="row"
      spacing={1.25}
      sx={{ position: 'sticky', bottom: 0, mt: 'auto', background: 'var(--paper)', p: '12px 0 16px' }}
    >
      {children}
    </Stack>
  );
}

/** Choices in two columns, so that left and right stand where they are. */
export function Choices({
  columns = 1,
  children,
}: {
  readonly columns?: 1 | 2 | 3;
  readonly children: ReactNode;
}) {
  return (
    <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`, pb: 1 }}>
      {children}
    </Box>
  );
}
