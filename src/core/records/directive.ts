import type { CivilDate } from '../time/civil-date';
import type { Instant } from '../time/instant';
import type { Signature } from './certificate';
import type { EquipmentKind } from './equipment';
import type { Doing, Interval } from './interval';

/** A way of complying with a directive. */
export interface DirectiveMethod {
  readonly id: string;
  readonly name: string;
  /** How long it holds; null for one that ends the directive for good. */
  readonly repeats: Interval | null;
  /** True where the directive itself lets a pilot do and sign it. Absent states that it does not. */
  readonly pilotMaySign?: boolean;
}

/** One compliance on record. Null fields are not known. */
export interface Compliance extends Doing {
  readonly id: string;
  readonly recordedAt: Instant;
  /** Id of the method; one that the directive does not list does not count. */
  readonly method: string | null;
  readonly signedBy: Signature | null;
}

/** An airworthiness directive, or a maker's safety directive for a light-sport aircraft. */
export interface Directive {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly number: string;
  readonly title: string;
  /** Whether it applies to this very aircraft; null is not known, which counts as yes. */
  readonly applies: boolean | null;
  readonly effectiveOn: CivilDate | null;
  /** How long after it took effect it must first be done; with nothing in it, before further flight. */
  readonly initial: Interval;
  /** Time in service and other readings on the day on which it took effect. */
  readonly readingsThen: Doing['readings'];
  readonly methods: readonly DirectiveMethod[];
  /** True where it forbids the ferry flight on a special permit. Null is not known, which counts as yes. */
  readonly noFerry: boolean | null;
  /** Instruments and equipment that it wants in working order, whatever was done. Null is not known, and then it may be any of them. */
  readonly equipment: readonly EquipmentKind[] | null;
  readonly done: readonly Compliance[];
}
