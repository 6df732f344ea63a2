'use client';

import Box from '@mui/material/Box';
import Container from '@mui/material/Container';
import type { ReactNode } from 'react';
import { clock, day } from '../data/clock';
import { Coming, type Awaited } from './coming';
import { DeskHeader } from './desk-header';
import { NotLive } from './not-live';

/** The frame of a desk page: the bar with the club's time, what says that it may be old, and the page. @param widest in pixels */
export function DeskPage({
  at,
  deadSince = null,
  widest = 1240,
  children,
}: {
  /** The moment that the page is about, in the club's zone, with the field where it says it. */
  readonly at?: { readonly now: number; readonly zone: string; readonly field?: string } | undefined;
  readonly deadSince?: number | null;
  readonly widest?: number;
  readonly children: ReactNode;
}) {
  return (
    <>
      <DeskHeader>
        {at === undefined ? null : (
          <>
            {at.field === undefined ? null : (
              <Box component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
                {at.field}
              </Box>
            )}
            <span className="mono">
              {day(at.now, at.zone)}&nbsp; {clock(at.now, at.zone)}
            </span>
          </>
        )}
      </DeskHeader>
      {at === undefined ? null : <NotLive since={deadSince} zone={at.zone} />}
      <Container component="main" maxWidth={false} sx={{ maxWidth: widest, pt: 2, pb: 5 }}>
        {children}
      </Container>
    </>
  );
}

/**
 * What stands under the bar of a page with a bar of its own while its answer has not come. The bar stays the
 * same one, with what is open in it.
 */
export function WaitingBelow({ query, what }: { readonly query: Awaited; readonly what?: string }) {
  return (
    <Container component="main" maxWidth={false} sx={{ pt: 2, pb: 5 }}>
      <Coming query={query} {...(what === undefined ? {} : { what })} />
    </Container>
  );
}
