import { intersection, union, without, type UseSet } from '../envelope/use-set';
import type { Meter } from '../records/meters/meters';
import type { Instant } from '../time/instant';
import { bites, reliefsAt, verdictOf } from './decide';
import type { DecidedConstraint, Verdict } from './decision';
import type { Prepared } from './prepare';

/** A constraint with where it stands: the number of its set of uses, and whether it is in force. */
export interface Tracked {
  readonly constraint: DecidedConstraint;
  readonly set: number;
  readonly caps: boolean;
  readonly coverable: boolean;
  inForce: boolean;
}

/** One that bites at the later of a reading and a moment. */
export interface Waiting {
  readonly tracked: Tracked;
  readonly meter: Meter;
  readonly at: number;
  readonly notBefore: Instant;
}

/**
 * The state that is carried along: how many constraints in force close each distinct set of uses, so that the open uses are
 * only calculated again when one of them begins or ends.
 */
export class Sweep {
  readonly sets: readonly UseSet[];
  readonly tracked: readonly Tracked[];
  readonly meters: { -readonly [M in Meter]: number | null };
  readonly waiting: readonly Waiting[];
  private readonly closing: Int32Array;
  private readonly covered: Int32Array;
  private caps = 0;
  private stale = true;
  private openNow: UseSet;

  constructor(
    private readonly prepared: Prepared,
    public at: Instant,
  ) {
    const numbers = new Map<UseSet, number>();
    const number = (set: UseSet): number => {
      const known = numbers.get(set);
      if (known !== undefined) return known;
      numbers.set(set, numbers.size);
      return numbers.size - 1;
    };
    this.tracked = prepared.constraints.map(({ constraint, caps, coverable }) => ({
      constraint,
      set: number(constraint.closes),
      caps,
      coverable,
      inForce: false,
    }));
    this.waiting = this.tracked.flatMap((tracked) => {
      const { begins, notBefore } = tracked.constraint;
      return begins.kind === 'meter' && notBefore !== null
        ? [{ tracked, meter: begins.meter, at: begins.at, notBefore }]
        : [];
    });
    this.sets = [...numbers.keys()];
    this.closing = new Int32Array(this.sets.length);
    this.covered = new Int32Array(this.sets.length);
    this.meters = { ...prepared.meters };
    this.openNow = prepared.full;
    for (const one of this.tracked) this.review(one);
  }

  /** Puts a constraint where it belongs now; true when that changed. */
  review(one: Tracked): boolean {
    const { constraint, set, caps } = one;
    const inForce =
      (constraint.ends === null || this.at < constraint.ends)
      && this.at >= (constraint.notBefore ?? this.at)
      && bites(constraint.begins, this.at, this.meters);
    if (inForce === one.inForce) return false;
    one.inForce = inForce;
    const step = inForce ? 1 : -1;
    this.stale = true;
    if (constraint.cap !== null) {
      if (caps) this.caps += step;
      return true;
    }
    const counts = one.coverable ? this.covered : this.closing;
    counts[set] = (counts[set] ?? 0) + step;
    return true;
  }

  /** A permit has begun or ended, or its hours have been flown. */
  reliefChanged(): void {
    // Without a permit nothing of it can have changed, and most aircraft have none.
    if (this.prepared.reliefs.length > 0) this.stale = true;
  }

  /** Whether anything has moved since the open uses were last asked for. */
  hasMoved(): boolean {
    return this.stale;
  }

  /** The uses open now: calculated again only where something has moved. */
  open(): UseSet {
    if (!this.stale) return this.openNow;
    this.stale = false;
    const inForce = (counts: Int32Array) => this.sets.filter((_, set) => (counts[set] ?? 0) > 0);
    const afterOthers = without(this.prepared.full, inForce(this.closing));
    const spared = reliefsAt(this.prepared, this.at, this.meters).map(({ uses }) =>
      intersection(afterOthers, uses),
    );
    this.openNow = union(without(afterOthers, inForce(this.covered)), ...spared);
    return this.openNow;
  }

  verdict(): Verdict {
    return verdictOf(this.open(), this.prepared.ordinary, this.caps > 0);
  }
}
