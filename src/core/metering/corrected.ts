import type { Meter } from '../records/meters/meters';
import type { Instant } from '../time/instant';
import type { EndReading } from './ran-on';

/** A reading as it is on record: what a correction struck out, and what took its place, are both among them. */
export interface RecordedReading {
  readonly dialId: string | null;
  readonly meter: Meter;
  readonly value: number;
  readonly entered: string;
  readonly happenedAt: Instant;
  readonly recordedAt: Instant;
  readonly struck: boolean;
}

/** What one dial showed at one end of a flight, as it was written down then. */
export interface WrittenReading extends EndReading {
  readonly shown: string;
}

/** The same as it counts now. `written` is what stood there before somebody corrected it; null where nobody did. */
export type CountingReading<T extends WrittenReading> = T & { readonly written: string | null };

/**
 * What the dials showed at one end of a flight as it counts now: what was corrected takes the place of what was written, and what
 * was struck out without anything in its place shows nothing and counts for nothing.
 * @param written what was written down when the flight left or came back @param at when that was
 * @param recorded readings on record of that flight; one that is not among them counts as it was written
 */
export function asCorrected<T extends WrittenReading>(
  written: readonly T[],
  at: Instant,
  recorded: readonly RecordedReading[],
): readonly CountingReading<T>[] {
  return written.map((reading) => {
    const those = recorded.filter(({ dialId, happenedAt }) => dialId === reading.dial && happenedAt === at);
    if (those.length === 0) return { ...reading, written: null };
    const counting = (meter: Meter) =>
      those
        .filter((row) => row.meter === meter && !row.struck)
        .sort((a, b) => a.recordedAt - b.recordedAt)
        .at(-1);
    const values = reading.values.flatMap((value) => {
      if (!those.some(({ meter }) => meter === value.meter)) return [value];
      const now = counting(value.meter);
      return now === undefined ? [] : [{ meter: value.meter, value: now.value }];
    });
    const now = reading.values.map(({ meter }) => counting(meter)).find((row) => row !== undefined);
    const shown = now?.entered ?? '';
    return { ...reading, values, shown, written: shown === reading.shown ? null : reading.shown };
  });
}

/**
 * What a flight is billed as it counts now, in seconds: where a reading of the dial that it is billed by was corrected, what that dial ran
 * by its readings now; otherwise what was written down. Null where its readings do not say, or run backwards.
 * @param dial the name of the dial that it is billed by @param billed what was written down when it came back
 */
export function billedNow(
  out: readonly CountingReading<WrittenReading & { readonly name: string }>[],
  back: readonly CountingReading<WrittenReading & { readonly name: string }>[],
  dial: string | null,
  billed: number | null,
): number | null {
  const [left, came] = [out, back].map((readings) => readings.find(({ name }) => name === dial));
  if (left === undefined || came === undefined || (left.written === null && came.written === null))
    return billed;
  const [end] = came.values;
  const start = left.values.find(({ meter }) => meter === end?.meter);
  if (end === undefined || start === undefined || end.value < start.value) return null;
  return end.value - start.value;
}
