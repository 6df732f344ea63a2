'use client';

import Skeleton from '@mui/material/Skeleton';
import { lazy, Suspense } from 'react';
import type { DayFieldProps } from './day-props';

const Picker = lazy(() => import('./day-picker'));

/** A day: typed as 24 Nov 2026, or chosen from a calendar. Until the calendar is here its place is kept, with nothing to type into. */
export function DayField(props: DayFieldProps) {
  return (
    <Suspense fallback={<Skeleton variant="rounded" height={props.size === 'small' ? 40 : 56} />}>
      <Picker {...props} />
    </Suspense>
  );
}
