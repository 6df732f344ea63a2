'use client';

import Box from '@mui/material/Box';
import type { SxProps, Theme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

type Sx = SxProps<Theme>;
const together = (own: Sx, sx: Sx | undefined): Sx =>
  sx === undefined ? own : ([own, ...(Array.isArray(sx) ? sx : [sx])] as Sx);

interface Part {
  readonly children: ReactNode;
  readonly sx?: Sx;
  readonly 'aria-label'?: string;
  readonly 'aria-labelledby'?: string;
  readonly className?: string;
}

/** A list without marks, whose lines are kept apart by rules. */
export function PlainList({ component = 'ul', sx, ...rest }: Part & { readonly component?: 'ul' | 'ol' }) {
  return <Box component={component} sx={together({ m: 0, p: 0, listStyle: 'none' }, sx)} {...rest} />;
}

/** A line of a plain list. */
export function ListLine({ sx, ...rest }: Part) {
  return (
    <Box component="li" sx={together({ borderTop: '1px solid var(--rule)', py: 0.875 }, sx)} {...rest} />
  );
}

/** Fields beside each other, as many as find room. @param least what each needs at least, in pixels */
export function FieldGrid({ least = 240, sx, ...rest }: Part & { readonly least?: number }) {
  const columns = `repeat(auto-fill, minmax(min(100%, ${least}px), 1fr))`;
  return (
    <Box
      sx={together({ display: 'grid', gridTemplateColumns: columns, gap: 1.5, alignItems: 'start' }, sx)}
      {...rest}
    />
  );
}

/** What is read out and not seen. */
export function Hidden({ component = 'span', children }: Part & { readonly component?: 'span' | 'h1' }) {
  return (
    <Typography
      component={component}
      sx={{ position: 'absolute', width: '1px', height: '1px', overflow: 'hidden', clipPath: 'inset(50%)' }}
    >
      {children}
    </Typography>
  );
}
