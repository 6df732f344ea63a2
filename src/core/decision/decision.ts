import type { Brand } from '../brand';
import type { WindowPicture } from '../envelope/window-picture';
import type { UseSet } from '../envelope/use-set';
import type { Hours } from '../quantities/hours';
import type { Counter, HourMeter, MeterValues } from '../records/meters/meters';
import type { AuthorisedWithout } from '../records/flights/planned-flight';
import type { Cap, Constraint, Source } from '../rules/parts/constraint';
import type { PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import type { Light, SunDay } from '../time/sun';

/** The aircraft as a whole, now. */
export type Verdict = 'Released' | 'Restricted' | 'Grounded';

/** A constraint with the rule and the pack that it came from. `id` is stable between decisions on the same records. */
export interface DecidedConstraint extends Constraint {
  readonly id: string;
  readonly rule: string;
  readonly pack: string;
}

/** What one rule answered. `unknown` closes exactly what failing would close; `not-asked` looked at nothing, since nothing of it was given. */
export interface RuleAnswer {
  readonly id: string;
  readonly title: string;
  readonly pack: string;
  readonly source: Source;
  readonly explanation: string;
  readonly answer: 'met' | 'closes' | 'unknown' | 'not-asked';
  /** Ids of its constraints in force. */
  readonly constraints: readonly string[];
  readonly missing: readonly string[];
}

/** A constraint that does not bite yet, with what is left until it does: whole milliseconds, seconds on a meter, or a count. */
export type LimitAhead =
  | {
      readonly currency: 'time';
      readonly at: Instant;
      readonly left: number;
      readonly constraint: DecidedConstraint;
    }
  | {
      readonly currency: 'hours';
      readonly meter: HourMeter;
      readonly at: Hours;
      readonly left: Hours;
      readonly constraint: DecidedConstraint;
    }
  | {
      readonly currency: 'count';
      readonly meter: Counter;
      readonly at: number;
      readonly left: number;
      readonly constraint: DecidedConstraint;
    };

/** A limit that a planned flight would cross, and by how much. */
export type Exceedance =
  | {
      readonly currency: 'time';
      readonly at: Instant;
      readonly constraint: DecidedConstraint;
      readonly by: number;
    }
  | {
      readonly currency: 'hours';
      readonly meter: HourMeter;
      readonly at: Hours;
      readonly constraint: DecidedConstraint;
      readonly by: Hours;
    }
  | {
      readonly currency: 'count';
      readonly meter: Counter;
      readonly at: number;
      readonly constraint: DecidedConstraint;
      readonly by: number;
    };

/** The light that a flight meets at one place. */
export interface LightAt {
  readonly place: string;
  readonly light: readonly Light[];
  readonly sun: SunDay;
}

/** The answer for one planned flight. */
export interface FlightAnswer {
  readonly flight: string;
  readonly answer: 'yes' | 'yes-after' | 'no';
  /** The uses that the flight needs: every one must be open. */
  readonly needs: UseSet;
  /** Ids of constraints in force that close a use it needs. */
  readonly closedBy: readonly string[];
  /** What is asked of this flight alone: fuel, samples, what it relies on, numbers that the aircraft is held to. */
  readonly own: readonly DecidedConstraint[];
  readonly exceedances: readonly Exceedance[];
  /** True when the aircraft was never fitted or approved for it. */
  /** What air traffic control has authorised it to fly without. */
  readonly authorisedWithout: readonly AuthorisedWithout[];
  readonly notApproved: boolean;
  /** True when its end does not come after its start, or it starts before the moment of the decision. */
  readonly timesContradict: boolean;
  readonly light: readonly LightAt[];
}

/** The answer for uses that somebody wants, without a flight. */
export interface WantedAnswer {
  readonly answer: 'yes' | 'yes-after' | 'no';
  readonly wanted: UseSet;
  readonly closedBy: readonly string[];
  readonly notApproved: boolean;
}

/** What no decision of ours looks at, or did not in this one. Said on every answer: silence must never look like a pass. */
export const NOT_CHECKED = [
  'pilot-licence-medical-currency',
  'weather-and-notices',
  'loading',
  'fuel-and-oil-aboard',
  'walk-round',
  'club-policy',
  'australian-equipment',
] as const;
export type NotChecked = (typeof NOT_CHECKED)[number];

/** A special flight permit in force: the only way an aircraft that is closed for airworthiness moves. */
export interface ReliefInForce {
  readonly permit: string;
  readonly uses: UseSet;
  readonly until: Instant;
  readonly covers: readonly string[];
}

/** What a decision says. */
export interface DecisionParts {
  readonly engine: string;
  readonly packs: PackChoices;
  readonly registration: string;
  readonly asOf: Instant;
  readonly verdict: Verdict;
  /** Uses open now. */
  readonly open: UseSet;
  /** Uses that the aircraft has at all. */
  readonly full: UseSet;
  readonly window: WindowPicture;
  readonly rules: readonly RuleAnswer[];
  /** In force now, strictest first. */
  readonly constraints: readonly DecidedConstraint[];
  /** Worth telling though it closes nothing: an item lawfully deferred, a recommended overhaul that is due. */
  readonly notices: readonly DecidedConstraint[];
  /** Ahead, nearest first within each currency. */
  readonly limits: readonly LimitAhead[];
  readonly firstLimit: {
    readonly time: LimitAhead | null;
    readonly hours: LimitAhead | null;
    readonly landings: LimitAhead | null;
  };
  /** Numbers that the aircraft is held to below its own. */
  readonly caps: readonly Cap[];
  readonly reliefs: readonly ReliefInForce[];
  /** 'out' while a flight has not been checked in. It is not the verdict. */
  readonly availability: 'here' | 'out' | 'contradicts';
  /** Meters now, where the records agree on them. */
  readonly meters: MeterValues;
  /** Time in service now, where the records agree on it. */
  readonly timeInService: Hours | null;
  readonly flight: FlightAnswer | null;
  readonly wanted: WantedAnswer | null;
  readonly notChecked: readonly NotChecked[];
  /** The moment at which this answer changes by itself; null when only a record or a flight changes it. */
  readonly holdsUntil: Instant | null;
}

/** Whether the aircraft may go, for what, why, and until when. Only `decide()` makes one. */
export type Decision = Brand<DecisionParts, 'Decision'>;
