import type { FullBox } from '../../envelope/dimensions';
import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import type { Signature } from '../club/certificate';
import type { ClosedUse } from '../findings/discrepancy';
import type { RecordBase } from '../record';

/** What is measured or looked at on the ramp, each with the unit that its whole-number value is kept in. */
export const QUANTITIES = {
  /** Picolitres. */
  oil: 'pL',
  'gearbox-oil': 'pL',
  'fuel-dip': 'pL',
  'fuel-gauge': 'pL',
  /** Micrometres, so that inches are kept exactly. */
  strut: 'um',
  'belt-play': 'um',
  'brake-pad': 'um',
  propeller: 'um',
  /** Millivolts. */
  battery: 'mV',
  /** Revolutions a minute. */
  'ignition-drop': 'rpm',
  'ignition-difference': 'rpm',
  /** Pascals. */
  'tyre-pressure': 'Pa',
  /** 0 is no good, 1 is good: looked at rather than measured. */
  tyre: 'good',
  coolant: 'good',
  'brake-fluid': 'good',
} as const;
export type Quantity = keyof typeof QUANTITIES;
export const QUANTITY_NAMES = Object.keys(QUANTITIES) as readonly Quantity[];

/**
 * A limit of the aircraft on something measured. `min` and `max` themselves are inside, unless `open` says otherwise.
 * A club's own tighter figure stands in the club's pack, never here.
 */
export interface MeasureLimit {
  readonly quantity: Quantity;
  /** Which of several: a tank, a side, a battery. Null where there is only one. */
  readonly which: string | null;
  readonly min: number | null;
  readonly max: number | null;
  /** True where the limit itself is outside already ('less than 125'). */
  readonly open: boolean;
  /** The uses that need it; null means every use. */
  readonly uses: readonly FullBox[] | null;
  /** `top-up` is a step before flight; `service` is one too, by the person who may; `mechanic` keeps the aircraft on the ground. */
  readonly remedy: 'top-up' | 'service' | 'mechanic';
  /** Must be measured before each flight once a walk-round is part of the question. */
  readonly everyFlight: boolean;
}

/** One measurement. */
export interface Measurement extends RecordBase {
  readonly quantity: Quantity;
  readonly which: string | null;
  readonly value: number;
}

/** What a fuel sample showed. */
export const SAMPLE_RESULTS = ['clean', 'water', 'dirt', 'wrong-colour', 'wrong-smell'] as const;
export type SampleResult = (typeof SAMPLE_RESULTS)[number];

/** That a mechanic dealt with fuel that was suspect: what was drained, flushed or found. Draining again does not cure it. */
export interface FuelCleared {
  readonly recordedAt: Instant;
  readonly on: CivilDate;
  readonly by: Signature;
}

/** Grades of fuel that an engine may be approved for. */
export const FUEL_GRADES = ['leaded', 'unleaded', 'jet'] as const;
export type FuelGrade = (typeof FUEL_GRADES)[number];

/** A fuel sample. It says something of its own drain, and nothing of the others. */
export interface FuelSample extends RecordBase {
  readonly result: SampleResult | null;
  /** The drain by its name; 'every' where every drain was sampled and each showed the same. Null is not known: its fault may be any drain's, and its good is none's. */
  readonly drain: string | null;
  readonly cleared: FuelCleared | null;
}

/** Fuel or oil put in. */
export interface Uplift extends RecordBase {
  readonly what: 'fuel' | 'oil';
  /** Picolitres. */
  readonly added: number;
  readonly grade: FuelGrade | null;
  /** Time in service when it was added, for the oil trend; seconds. */
  readonly timeInService: number | null;
  /** For a grade that the engine may not have. Absent in old records. */
  readonly cleared?: FuelCleared | null;
}

/** When fuel was put in. */
export const fuellings = (uplifts: readonly Uplift[]): readonly Instant[] =>
  uplifts.filter(({ what }) => what === 'fuel').map(({ happenedAt }) => happenedAt);

/**
 * What was found on the ramp today. Null as a whole states that it is not part of the question, and then the answer says that it
 * was not checked; once given, what it leaves out is unknown.
 */
export interface Ramp {
  readonly measurements: readonly Measurement[];
  readonly samples: readonly FuelSample[];
  readonly uplifts: readonly Uplift[];
  /**
   * What nobody measured or looked at. `count`, which absent means: it is a gap of the aircraft itself. `for-flights`: a flight waits for it, and the
   * aircraft as a whole is no worse for it. `none`: no walk-round is part of the question, and only what was found speaks.
   */
  readonly gaps?: 'count' | 'for-flights' | 'none';
  /** The walk-round since the last flight; null where there is none, though one is asked for. Absent where none is part of the question. */
  readonly walkround?: WalkroundOnRecord | null;
  /** What was announced on the ramp and is not done yet. Absent is none. */
  readonly announced?: readonly Announced[];
}

/** True where a flight waits for what nobody measured or looked at. */
export function isAsked(ramp: Ramp | null): ramp is Ramp {
  return ramp !== null && ramp.gaps !== 'none';
}

/** True where what nobody measured or looked at is a gap of the aircraft itself. */
export function areGapsOfAircraft({ gaps }: Ramp): boolean {
  return gaps === undefined || gaps === 'count';
}

/** True where somebody has looked: a walk-round that was signed, or what was stated to be all of it. */
export function wasLookedAt(ramp: Ramp | null): boolean {
  return ramp !== null && (areGapsOfAircraft(ramp) || ramp.walkround?.signedAt != null);
}

/** A step that nobody has seen, or only in part, with the uses that it keeps unavailable; none named means all. */
export interface UnseenStep {
  readonly key: string;
  readonly title: string;
  readonly place: string;
  readonly closes: readonly ClosedUse[];
}

/** What a flight may bring to a walk-round beyond the aircraft itself: lamps by night, instruments by instruments. */
export const WALKED_FOR = ['night', 'ifr'] as const;
export type WalkedFor = (typeof WALKED_FOR)[number];

/** What a walk-round came to by now. It happened when it was begun. */
export interface WalkroundOnRecord extends RecordBase {
  readonly by: string;
  /** Steps that nobody has answered yet. */
  readonly left: number;
  /** Answered, yet not seen, and of consequence. */
  readonly unseen: readonly UnseenStep[];
  readonly signedAt: Instant | null;
  /** What its steps were enough for, beside a flight by day under visual rules. */
  readonly covers: readonly WalkedFor[];
}

/** What can be announced: somebody does it later, and a flight waits for it. */
export const ANNOUNCEMENTS = ['add-oil', 'add-fuel', 'drain-again', 'inflate-tyre', 'fetch'] as const;

/** Something that was announced on the ramp: 'add a quart', 'fill the left tank'. Open until somebody records it done. */
export interface Announced extends RecordBase {
  readonly act: (typeof ANNOUNCEMENTS)[number];
  /** Which tank, drain or wheel; what is fetched. Null where there is only one. */
  readonly which: string | null;
  /** How much, in picolitres; null where nobody said, or where it has no amount. */
  readonly amount: number | null;
  readonly by: string;
}
