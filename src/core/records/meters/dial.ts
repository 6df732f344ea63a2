import { byId } from '../../order';
import type { RecordBase } from '../record';
import type { Meter } from './meters';

/**
 * A meter as it hangs in the panel. What it shows is not what inspections count on: each of airframe, engine and propeller has a
 * zero of its own, so a dial says for every meter that it counts towards what has to be added. Common practice, no source.
 */
export interface Dial extends RecordBase {
  readonly name: string;
  readonly unit: 'h' | 'count';
  /** What it counts towards, with what is added to what it shows: seconds, or a count; negative where the meter has run longer than the part. */
  readonly counts: readonly { readonly meter: Meter; readonly offset: number }[];
  /** Whether flights are billed by it. */
  readonly bills: boolean;
  /** What it shows one step before it starts again from zero, plus that step: seconds or a count. Null where it never does. */
  readonly wrapsAt: number | null;
  /** The dial whose place it took; null for a first one. */
  readonly replaces: string | null;
}

const service = ({ counts }: Dial): number =>
  counts.some(({ meter }) => meter === 'time-in-service') ? 0 : 1;

/** The dials in use: those whose place no other has taken. The one that inspections count on comes first, then the order in which they were put in. */
export function dialsInUse(dials: readonly Dial[]): readonly Dial[] {
  const replaced = new Set(dials.map(({ replaces }) => replaces));
  return dials
    .filter(({ id }) => !replaced.has(id))
    .sort((a, b) => service(a) - service(b) || a.happenedAt - b.happenedAt || byId(a, b));
}

/** What the meters stand at when a dial shows `shown`. Null where an offset would take one below zero: then dial or offset is wrong. */
export function valuesAt(
  { counts }: Pick<Dial, 'counts'>,
  shown: number,
): readonly { readonly meter: Meter; readonly value: number }[] | null {
  const values = counts.map(({ meter, offset }) => ({ meter, value: shown + offset }));
  return values.some(({ value }) => value < 0) ? null : values;
}

/**
 * The dial that hangs there after an exchange, so that every meter goes on from where it stood.
 * @param lastShown what the old one showed when it was taken out; @param firstShown what the new one shows
 */
export function countsAfterExchange(
  { counts }: Pick<Dial, 'counts'>,
  lastShown: number,
  firstShown: number,
): Dial['counts'] {
  return counts.map(({ meter, offset }) => ({ meter, offset: offset + lastShown - firstShown }));
}

/** The same dial after it started again from zero: what it shows now counts on top of a whole round. Null for one that never does. */
export function countsAfterWrap({
  counts,
  wrapsAt,
}: Pick<Dial, 'counts' | 'wrapsAt'>): Dial['counts'] | null {
  return wrapsAt === null ? null : counts.map(({ meter, offset }) => ({ meter, offset: offset + wrapsAt }));
}

/** How much a dial has run on where it shows less than before because it started again from zero; null where it cannot have. */
export function runOverZero(
  { wrapsAt }: Pick<Dial, 'wrapsAt'>,
  lastShown: number,
  shown: number,
): number | null {
  return wrapsAt === null || shown >= lastShown || lastShown >= wrapsAt ? null : shown + wrapsAt - lastShown;
}
