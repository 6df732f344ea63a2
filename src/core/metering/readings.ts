import type { Dial } from '../records/meters/dial';
import { mostOf } from '../records/meters/unlogged';

/** What a dial shows in: seconds of its hours, or a count. */
export type Unit = Dial['unit'];

/** A stretch on a dial that no flight accounts for: it counts towards every limit at once, no matter who flew it. */
export interface MeterGap {
  readonly dial: string;
  readonly from: number;
  readonly to: number;
  readonly length: number;
}

/** What a reading at check-out says beside the last one on record. */
export type OutReading =
  | { readonly kind: 'same' }
  | { readonly kind: 'first' }
  /** More than the last: somebody flew and did not write it down, or wrote down too little. */
  | { readonly kind: 'gap'; readonly stretch: MeterGap }
  /** Less than the last: a slip of the hand, or another meter. */
  | { readonly kind: 'below'; readonly last: number; readonly by: number };

/**
 * Compares the reading at check-out with the last one on record, both in seconds or counts. The chain of readings has no holes:
 * each flight begins where the one before it ended.
 * @param last null where the dial was never read
 */
export function compareOut(dial: string, last: number | null, read: number): OutReading {
  if (last === null) return { kind: 'first' };
  if (read === last) return { kind: 'same' };
  return read > last
    ? { kind: 'gap', stretch: { dial, from: last, to: read, length: read - last } }
    : { kind: 'below', last, by: last - read };
}

/** How the hours of two dials of one aircraft usually relate: what `dial` adds for each second that `other` adds, at the least and at the most seen. */
export interface UsualRatio {
  readonly dial: string;
  readonly other: string;
  readonly least: number;
  readonly most: number;
}

/** Why a reading at check-in is doubted. Nothing doubted is refused: it is asked again. */
export type InDoubt =
  | { readonly kind: 'backwards'; readonly dial: string; readonly out: number; readonly read: number }
  /** A meter of hours cannot add more than the clock did. */
  | {
      readonly kind: 'more-than-elapsed';
      readonly dial: string;
      readonly added: number;
      readonly elapsed: number;
    }
  | {
      readonly kind: 'unusual-ratio';
      readonly dial: string;
      readonly other: string;
      readonly added: number;
      readonly otherAdded: number;
      readonly least: number;
      readonly most: number;
    }
  /** More landings than there was time for. */
  | { readonly kind: 'too-many'; readonly dial: string; readonly added: number; readonly elapsed: number };

/** Meters show hundredths or tenths, and clocks are read to the minute: so much more than the clock is not yet doubted. */
export const READING_SLACK = 360;
/** Below this both meters add too little for their ratio to say anything. */
const SHORTEST_COMPARED = 1080;

/**
 * What is to be asked about the readings at check-in. `elapsed` are the seconds between leaving and coming back by the clock.
 * @param readings what each meter showed at check-out and shows now
 */
export function doubtsAtCheckIn(
  readings: readonly {
    readonly dial: string;
    readonly unit: Unit;
    readonly out: number;
    readonly read: number;
  }[],
  elapsed: number,
  usual: readonly UsualRatio[],
): readonly InDoubt[] {
  const doubts: InDoubt[] = [];
  const addedBy = new Map<string, number>();
  for (const { dial, unit, out, read } of readings) {
    const added = read - out;
    if (added < 0) {
      doubts.push({ kind: 'backwards', dial, out, read });
      continue;
    }
    addedBy.set(dial, added);
    if (unit === 'h') {
      if (added > elapsed + READING_SLACK) doubts.push({ kind: 'more-than-elapsed', dial, added, elapsed });
    } else if (added > mostOf(elapsed) + 1) doubts.push({ kind: 'too-many', dial, added, elapsed });
  }
  for (const { dial, other, least, most } of usual) {
    const added = addedBy.get(dial);
    const otherAdded = addedBy.get(other);
    if (added === undefined || otherAdded === undefined || Math.max(added, otherAdded) < SHORTEST_COMPARED)
      continue;
    if (added < otherAdded * least - READING_SLACK || added > otherAdded * most + READING_SLACK)
      doubts.push({ kind: 'unusual-ratio', dial, other, added, otherAdded, least, most });
  }
  return doubts;
}

/** The values between which a reading at check-in makes sense: from the one at check-out, to what the clock allows. */
export function windowAtCheckIn(
  unit: Unit,
  out: number,
  elapsed: number,
): { readonly from: number; readonly to: number } {
  return { from: out, to: out + (unit === 'h' ? elapsed + READING_SLACK : mostOf(elapsed) + 1) };
}
