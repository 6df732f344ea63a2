'use client';

import Skeleton from '@mui/material/Skeleton';
import { type ComponentType, createElement, lazy, Suspense } from 'react';

/** How long after a load that failed it is tried again, in milliseconds: each time longer, up to a minute. */
const AGAIN = 1500;
const LONGEST = 60_000;
/** So often it is tried: for about a quarter of an hour. Then the page says that it could not load. */
const TRIES = 20;

const after = (milliseconds: number) =>
  new Promise<void>((resolve) => {
    setTimeout(resolve, milliseconds);
  });

/** Loads a part, and again while the server is away: a page that is open must not be lost over a part of it. */
async function loaded<T>(load: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries += 1)
    try {
      return await load();
    } catch (error) {
      if (tries >= TRIES) throw error;
      await after(Math.min(LONGEST, AGAIN * 2 ** (tries - 1)));
    }
}

/**
 * A part of a screen that is loaded when it is shown for the first time, so that nobody waits for forms that they do not open.
 * @param height of its place while it comes, in pixels
 */
export function lazily<P extends object>(
  load: () => Promise<ComponentType<P>>,
  height = 96,
): ComponentType<P> {
  const Loaded = lazy(async () => ({ default: await loaded(load) }));
  return function Lazily(props: P) {
    return (
      <Suspense fallback={<Skeleton variant="rectangular" height={height} sx={{ my: 1.5 }} />}>
        {createElement(Loaded as ComponentType<P>, props)}
      </Suspense>
    );
  };
}
