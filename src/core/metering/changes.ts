import { byId } from '../order';
import type { MeterReading } from '../records/meters/meter-reading';
import type { Dial } from '../records/meters/dial';
import type { Counter, Meter } from '../records/meters/meters';
import type { Instant } from '../time/instant';

/**
 * Where a reading comes from: somebody read it; no dial shows it, and it ran on with a flight or with another dial; or it was calculated after a
 * correction or from a list.
 */
export const READING_BASES = ['read', 'ran-on', 'calculated'] as const;
export type ReadingBasis = (typeof READING_BASES)[number];

/** A reading to be written down. `entered` is what somebody typed; null where nobody did, and then the figure itself is shown. */
export type NewReading = MeterReading & {
  readonly entered: string | null;
  readonly basis: ReadingBasis;
  readonly dialId: string | null;
  readonly flightId: string | null;
};

/** What one dial showed at one end of a flight, as it was entered, with what the meters that it counts towards stood at. */
export interface ShownReading {
  readonly dial: string;
  readonly name: string;
  readonly shown: string;
  readonly values: readonly { readonly meter: Meter; readonly value: number }[];
}

/** Hours, or counts, that a dial or an entry shows and no flight accounts for. Figures are seconds or counts. */
export interface NewStretch {
  readonly id: string;
  readonly seenAt: Instant;
  /** The dial, or the entry that tells of it. */
  readonly dial: string;
  /** What shows it: a dial by its name, or a meter by itself. */
  readonly of: { readonly name: string; readonly unit: Dial['unit'] } | { readonly meter: Meter };
  readonly from: number;
  readonly to: number;
  readonly length: number;
  /** The length of a meter of hours; null of a counter. */
  readonly seconds: number | null;
  /** Counters on record that nothing showed then. */
  readonly unseen: readonly Counter[];
  /** Readings that are written because of it, of meters that nothing shows. */
  readonly readings: readonly string[];
}

/** An entry that stops counting, and what takes its place. */
export interface StruckEntry {
  readonly id: string;
  readonly record: string;
  readonly kind: 'reading' | 'unlogged' | 'uplift';
  readonly why: string;
  readonly replacedBy: string | null;
}

/** A reading on record, one that was struck out among them. Every meter that a dial counts towards has its own. */
export interface ReadingRow {
  readonly id: string;
  readonly meter: Meter;
  readonly value: number;
  readonly entered: string;
  readonly basis: ReadingBasis;
  readonly dialId: string | null;
  readonly flightId: string | null;
  readonly happenedAt: Instant;
  readonly recordedAt: Instant;
  readonly struck: boolean;
}

/** What a dial was read at towards one meter, in the order of the clock, without what was struck out. */
export const readingsOfDial = (
  rows: readonly ReadingRow[],
  dialId: string,
  meter: Meter,
): readonly ReadingRow[] =>
  rows
    .filter((row) => row.dialId === dialId && row.meter === meter && !row.struck)
    .sort((a, b) => a.happenedAt - b.happenedAt || byId(a, b));
