'use client';

import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import type { SxProps, Theme } from '@mui/material/styles';
import { useId, useState, type ReactNode } from 'react';

/**
 * What is folded away until somebody wants it. It is made when it is unfolded first and stays from then on,
 * so that what was typed in it is not lost.
 * @param open whether it is unfolded at first
 */
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
  const id = useId();
  const [atFirst] = useState(open);
  return (
    <Accordion
      defaultExpanded={atFirst}
      sx={sx}
      // A fold is no place of its own to jump to: a group under its summary's words.
      slotProps={{
        heading: { component: 'div' },
        region: { role: 'group', 'aria-labelledby': id },
        transition: { mountOnEnter: true },
      }}
    >
      <AccordionSummary id={id} expandIcon={<span aria-hidden="true">▾</span>}>
        <span>{summary}</span>
      </AccordionSummary>
      <AccordionDetails>{children}</AccordionDetails>
    </Accordion>
  );
}
