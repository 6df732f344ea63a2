import { byId } from '../../order';
import type { FullBox } from '../../envelope/dimensions';
import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import { civilDateAt, type ZoneId } from '../../time/zone';
import {
  signatureFaults,
  type Authority,
  type Signature,
  type SignatureFault,
  type EnteredWork,
} from '../club/certificate';
import type { Doing, Interval } from './interval';
import type { Meter } from '../meters/meters';

/** What a maintenance item is: decides its source and what stands behind it. */
export const ITEM_KINDS = [
  'life-limit',
  'overhaul',
  'service',
  'component-check',
  'oil-change',
  'safety-equipment',
  'club-document',
] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

/** What a time between overhauls can rest on, beside the maker's recommendation. */
export const ITEM_BASES = [
  'recommended',
  'airworthiness-limitations',
  'ad',
  'approved-programme',
  'club',
] as const;
export type ItemBasis = (typeof ITEM_BASES)[number];

/** True for an overhaul that is only recommended: under part 91 a maker's time between overhauls binds nobody by itself. Common practice, no source. */
export function isRecommended({ kind, basis }: Pick<MaintenanceItem, 'kind' | 'basis'>): boolean {
  return kind === 'overhaul' && (basis ?? 'recommended') === 'recommended';
}

/** One completion of an item. Null fields are not known. */
export interface ItemDone extends Doing {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly signedBy: Signature | null;
}

/**
 * Something that has to be done again and again, or once, by any mix of calendar months, days, hours and counts, whichever comes
 * first. A printed date wins over computing one.
 */
export interface MaintenanceItem {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly name: string;
  readonly kind: ItemKind;
  readonly interval: Interval;
  /** A date printed on it, such as an extinguisher's; 'no-expiry' states that it has none. */
  readonly until: CivilDate | 'no-expiry' | null;
  /** Uses that need it; null means every use. */
  readonly uses: readonly FullBox[] | null;
  /** How far it may be flown past, and then only on the way to the workshop. */
  readonly overrun: { readonly meter: Meter; readonly by: number } | null;
  /** Whether an excess is taken off the next interval. */
  readonly excess: 'taken-off' | 'not-taken-off';
  /** Who may sign it. */
  readonly signedAs: EnteredWork;
  /** What makes it binding: an overhaul that rests on none of these is recommended, and closes nothing. Absent in old records. */
  readonly basis?: ItemBasis | null;
  /** For an oil change: seconds of engine time that leaded and unleaded fuel allow. */
  readonly oilLife: { readonly leaded: number; readonly unleaded: number } | null;
  readonly done: readonly ItemDone[];
}

/** A stretch of engine time with the grade of fuel burnt in it. What no stretch covers counts as the worst grade. */
export interface FuelStretch {
  readonly id: string;
  readonly recordedAt: Instant;
  /** Engine time in seconds. */
  readonly fromReading: number;
  readonly toReading: number;
  readonly grade: 'leaded' | 'unleaded' | null;
}

/** Why a completion does not count. */
export type DoneFault = SignatureFault | 'completed-after-recorded';

/** Every fault of a completion that is signed as `work`; an empty list means that it counts. */
export function doneFaults(
  done: Pick<ItemDone, 'completedOn' | 'recordedAt' | 'signedBy'>,
  work: EnteredWork,
  at: ZoneId,
  authority: Authority,
): readonly DoneFault[] {
  const faults: DoneFault[] = [...signatureFaults(done.signedBy, work, done.completedOn, authority)];
  if (done.completedOn > civilDateAt(done.recordedAt, at)) faults.push('completed-after-recorded');
  return faults;
}

/** Completions that count, oldest first. */
export function countingDone<
  D extends Pick<ItemDone, 'id' | 'completedOn' | 'recordedAt' | 'signedBy' | 'readings'>,
>(done: readonly D[], work: EnteredWork, at: ZoneId, authority: Authority): readonly D[] {
  return done.filter((one) => doneFaults(one, work, at, authority).length === 0).sort(byDay);
}

function byDay(
  a: Pick<ItemDone, 'id' | 'completedOn' | 'readings'>,
  b: Pick<ItemDone, 'id' | 'completedOn' | 'readings'>,
): number {
  return a.completedOn < b.completedOn
    ? -1
    : a.completedOn > b.completedOn
      ? 1
      : (a.readings[0]?.value ?? 0) - (b.readings[0]?.value ?? 0) || byId(a, b);
}
