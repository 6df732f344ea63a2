'use client';

import Skeleton from '@mui/material/Skeleton';
import { type ComponentType, createElement, lazy, Suspense } from 'react';

/** How long after a load that failed it is tried once more, in milliseconds. */
const AGAIN = 1500;

const after = (milliseconds: number) =>
  new Promise<void>((resolve) => {
    setTimeout(resolve, milliseconds);
  });

/**
 * A part of a screen that is loaded when it is shown for the first time, so that nobody waits for forms that they do not open.
 * @param height of its place while it comes, in pixels
 */
export function lazily<P extends object>(
  load: () => Promise<ComponentType<P>>,
  height = 96,
): ComponentType<P> {
  const Loaded = lazy(async () => ({
    default: await load().catch(() => after(AGAIN).then(load)),
  }));
  return function Lazily(props: P) {
    return (
      <Suspense fallback={<Skeleton variant="rectangular" height={height} sx={{ my: 1.5 }} />}>
        {createElement(Loaded as ComponentType<P>, props)}
      </Suspense>
    );
  };
}
