'use client';

import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import type { SxProps, Theme } from '@mui/material/styles';
import type { ReactNode } from 'react';

/** What is folded away until somebody wants it. It stays in the page, so that what was typed in it is not lost. @param open whether it is unfolded at first */
export function More({
  summary,
  open = false,
  children,
  sx = {},
}: {
  readonly summary: ReactNode;
  readonly open?: boolean;
  readonly children: ReactNode;
  readonly sx?: SxProps<Theme>;
}) {
  return (
    <Accordion defaultExpanded={open} sx={sx} slotProps={{ heading: { component: 'div' } }}>
      <AccordionSummary expandIcon={<span aria-hidden="true">▾</span>}>{summary}</AccordionSummary>
      <AccordionDetails>{children}</AccordionDetails>
    </Accordion>
  );
}
