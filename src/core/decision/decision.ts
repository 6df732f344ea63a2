import type { Brand } from '../brand';
import type { WindowPicture } from '../envelope/window-picture';
import type { UseSet } from '../envelope/use-set';
import type { Hours } from '../quantities/hours';
import type { Constraint, Source } from '../rules/parts/constraint';
import type { PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';

/** The aircraft as a whole, now. */
export type Verdict = 'Released' | 'Restricted' | 'Grounded';

/** A constraint with the rule and the pack that it came from. `id` is stable between decisions on the same records. */
export interface DecidedConstraint extends Constraint {
  readonly id: string;
  readonly rule: string;
  readonly pack: string;
}

/** What one rule answered. `unknown` closes exactly what failing would close. */
export interface RuleAnswer {
  readonly id: string;
  readonly title: string;
  readonly pack: string;
  readonly source: Source;
  readonly explanation: string;
  readonly answer: 'met' | 'closes' | 'unknown';
  /** Ids of its constraints in force. */
  readonly constraints: readonly string[];
  readonly missing: readonly string[];
}

/** A constraint that does not bite yet, with what is left until it does: hours in service, or whole milliseconds. */
export type LimitAhead =
  | { readonly currency: 'time'; readonly at: Instant; readonly left: number; readonly constraint: DecidedConstraint }
  | { readonly currency: 'hours'; readonly at: Hours; readonly left: Hours; readonly constraint: DecidedConstraint };

/** A limit that a planned flight would cross, and by how much. */
export type Outrun =
  | { readonly currency: 'time'; readonly at: Instant; readonly constraint: DecidedConstraint; readonly by: number }
  | { readonly currency: 'hours'; readonly at: Hours; readonly constraint: DecidedConstraint; readonly by: Hours };

/** The answer for one planned flight. */
export interface FlightAnswer {
  readonly flight: string;
  readonly answer: 'yes' | 'yes-after' | 'no';
  /** The uses that the flight needs: every one must be open. */
  readonly needs: UseSet;
  /** Ids of constraints in force that close a use it needs. */
  readonly closedBy: readonly string[];
  readonly outruns: readonly Outrun[];
  /** True when the aircraft was never fitted or approved for it. */
  readonly notApproved: boolean;
  /** True when its end does not come after its start, or it starts before the moment of the decision. */
  readonly timesContradict: boolean;
}

/** What no decision of ours looks at. Said on every answer: silence must never look like a pass. */
export const NOT_CHECKED = ['pilot-licence-medical-currency', 'weather-and-notices', 'loading', 'fuel-and-oil-aboard', 'other-inspections-and-equipment'] as const;
export type NotChecked = (typeof NOT_CHECKED)[number];

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
  /** Ahead, nearest first within each currency. */
  readonly limits: readonly LimitAhead[];
  readonly firstLimit: { readonly time: LimitAhead | null; readonly hours: LimitAhead | null; readonly landings: null };
  /** Time in service now, where the records agree on it. */
  readonly timeInService: Hours | null;
  readonly flight: FlightAnswer | null;
  readonly notChecked: readonly NotChecked[];
  /** The moment at which this answer changes by itself; null when only a record or a flight changes it. */
  readonly holdsUntil: Instant | null;
}

/** Whether the aircraft may go, for what, why, and until when. Only `decide()` makes one. */
export type Decision = Brand<DecisionParts, 'Decision'>;
