import { METER_NAMES, type Meter } from '../records/meters/meters';
import type { Tracked } from './sweep';

/** A moment or a reading at which something closes. */
interface Boundary {
  readonly at: number;
  readonly tracked: Tracked;
}

/** Boundaries in their order, with the place of the first that has not come. */
export interface Ladder {
  readonly boundaries: readonly Boundary[];
  next: number;
}

const ladder = (boundaries: readonly Boundary[]): Ladder => ({
  boundaries: boundaries.toSorted((a, b) => a.at - b.at),
  next: 0,
});

/** Goes past the boundaries that are reached at `now`, and answers them. */
export function pass(way: Ladder, now: number): readonly Boundary[] {
  const from = way.next;
  while ((way.boundaries[way.next]?.at ?? Number.POSITIVE_INFINITY) <= now) way.next += 1;
  return way.boundaries.slice(from, way.next);
}

/** The boundaries that lie before `end`, from the first that has not come: those beyond are not looked at. */
export function before({ boundaries, next }: Ladder, end: number): readonly Boundary[] {
  let place = next;
  while ((boundaries[place]?.at ?? end) < end) place += 1;
  return boundaries.slice(next, place);
}

export function moments(tracked: readonly Tracked[]): Ladder {
  return ladder(
    tracked.flatMap((one) => {
      const { begins } = one.constraint;
      return begins.kind === 'instant' ? [{ at: begins.at, tracked: one }] : [];
    }),
  );
}

/** The limits of each meter that has any, and how far it has come. */
export function byMeter(tracked: readonly Tracked[]): ReadonlyMap<Meter, Ladder> {
  const limits = METER_NAMES.map((meter) => {
    const own = tracked.flatMap((one) => {
      const { begins } = one.constraint;
      return begins.kind === 'meter' && begins.meter === meter ? [{ at: begins.at, tracked: one }] : [];
    });
    return [meter, ladder(own)] as const;
  });
  return new Map(limits.filter(([, { boundaries }]) => boundaries.length > 0));
}
