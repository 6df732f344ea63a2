import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import type { EnteredWork, Signature } from '../club/certificate';
import type { EquipmentKind } from '../aircraft/equipment';
import type { Doing, Interval } from './interval';
import type { HourMeter } from '../meters/meters';

/** A way of complying with an AD. */
export interface AdMethod {
  readonly id: string;
  readonly name: string;
  /** How long it holds; null for one that ends the AD for good. */
  readonly repeats: Interval | null;
  /** True where the AD itself lets a pilot do and sign it. Absent states that it does not. */
  readonly pilotMaySign?: boolean;
}

/** What is signed for by complying in a way: where the AD itself lets a pilot do it, what a pilot signs for. */
export const workOfMethod = ({ pilotMaySign = false }: Pick<AdMethod, 'pilotMaySign'>): EnteredWork =>
  pilotMaySign ? 'service' : 'return-to-service';

/** One compliance on record. Null fields are not known. */
export interface Compliance extends Doing {
  readonly id: string;
  readonly recordedAt: Instant;
  /** Id of the method; one that the AD does not list does not count. */
  readonly method: string | null;
  readonly signedBy: Signature | null;
}

/** What an AD counts the hours of, where that is a part and not the whole aircraft: it was put in with hours of its own. Null fields are not known. */
export interface AdComponent {
  readonly name: string;
  readonly meter: HourMeter;
  /** Hours of the part by which the AD is first complied with, in seconds. */
  readonly limit: number;
  /** What the part had, and what the meter showed, when it was put in. */
  readonly hoursThen: number | null;
  readonly readingThen: number | null;
}

/** An airworthiness directive, or a maker's safety directive for a light-sport aircraft. */
export interface AirworthinessDirective {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly number: string;
  readonly title: string;
  /** Whether it applies to this aircraft; null is not known, which counts as yes. */
  readonly applies: boolean | null;
  readonly effectiveOn: CivilDate | null;
  /** How long after it took effect it must first be done; with nothing in it, before further flight. */
  readonly initial: Interval;
  /** A limit on the hours of a part, beside those of `initial`. Absent states none. */
  readonly component?: AdComponent | null;
  /** Time in service and other readings on the day on which it took effect. */
  readonly readingsThen: Doing['readings'];
  readonly methods: readonly AdMethod[];
  /** True where it forbids the ferry flight on a special permit. Null is not known, which counts as yes. */
  readonly noFerry: boolean | null;
  /** Instruments and equipment that it wants in working order, whatever was done. Null is not known, and then it may be any of them. */
  readonly equipment: readonly EquipmentKind[] | null;
  readonly done: readonly Compliance[];
}
