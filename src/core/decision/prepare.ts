import { ORDINARY_USES } from '../envelope/ordinary';
import { countUses, intersection, NO_USES, overlaps, sameUses, union, usesIn, type UseSet } from '../envelope/use-set';
import { windowParts, type WindowPart } from '../envelope/window-picture';
import type { Hours } from '../quantities/hours';
import { knownAt, type AircraftFacts } from '../records/facts';
import { chosenRules, type PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import type { Place } from '../time/sun';
import type { DecidedConstraint, RuleAnswer } from './decision';

/** A constraint with what a decision asks of it again and again. */
export interface PreparedConstraint {
  readonly constraint: DecidedConstraint;
  /** It closes a use that the aircraft has. */
  readonly touches: boolean;
  /** It closes an ordinary use. */
  readonly ordinary: boolean;
}

/** A rule's own constraints by id, before a moment has said which of them bite. */
export interface PreparedRule {
  readonly about: Omit<RuleAnswer, 'answer' | 'constraints'>;
  readonly constraints: readonly DecidedConstraint[];
}

/**
 * Everything about an aircraft that does not change until its records do: what each rule found, and what the aircraft has at all.
 * Rules answer with boundaries in time and hours, never by comparing with a clock, so one preparation serves every later moment.
 */
export interface Prepared {
  readonly packs: PackChoices;
  readonly registration: string;
  readonly place: Place;
  /** The facts are those known at this moment; only this and later moments may be decided from them. */
  readonly knownAt: Instant;
  readonly full: UseSet;
  /** The ordinary uses that the aircraft has. */
  readonly ordinary: UseSet;
  readonly window: readonly WindowPart[];
  /** Time in service, where the records agree on it. */
  readonly hoursNow: Hours | null;
  readonly rules: readonly PreparedRule[];
  /** Every constraint, in the order in which people are told. Equal sets of uses are one and the same object. */
  readonly constraints: readonly PreparedConstraint[];
}

interface Weighed { readonly constraint: DecidedConstraint; readonly closes: Known }

/** Workshop before a step, failed before unknown, what is known to bite before what may, more closed uses first; the id settles the rest. */
function byWeight(a: Weighed, b: Weighed): number {
  const rank = ({ constraint: { condition, certainty, begins } }: Weighed) => Number(condition) * 4 + Number(certainty === 'unknown') * 2 + Number(certainty === 'unknown' && begins.kind === 'hours');
  return rank(a) - rank(b) || b.closes.uses - a.closes.uses || (a.constraint.id < b.constraint.id ? -1 : 1);
}

/** A set of uses with what is asked of it again and again. */
interface Known { readonly set: UseSet; readonly uses: number; readonly touches: boolean; readonly ordinary: boolean }

/** Answers one object for equal sets, so that a decision adds each only once. */
function interned(full: UseSet): (set: UseSet) => Known {
  const known: Known[] = [];
  return (set) => {
    let same = known.find((one) => one.set === set || sameUses(one.set, set));
    if (same === undefined) {
      same = { set, uses: countUses(set), touches: overlaps(set, full), ordinary: overlaps(set, ORDINARY_USES) };
      known.push(same);
    }
    return same;
  };
}

/** What follows from an aircraft's approvals alone. */
interface Approved { readonly ordinary: UseSet; readonly window: readonly WindowPart[] }

const approvedKnown = new WeakMap<UseSet, Approved>();

/** Aircraft with the same approvals share one set, and so what follows from it. */
function approvedFor(full: UseSet): Approved {
  let approved = approvedKnown.get(full);
  if (approved === undefined) {
    approved = { ordinary: intersection(full, ORDINARY_USES), window: windowParts(full) };
    approvedKnown.set(full, approved);
  }
  return approved;
}

/** Asks every rule of the chosen packs about the facts as they were known at `moment`. */
export function prepare(facts: AircraftFacts, packs: PackChoices, moment: Instant): Prepared {
  const known = knownAt(facts, moment);
  const hoursNow = known.meter.state === 'known' ? known.meter.value : null;
  const full = known.aircraft.approvedFor === null ? NO_USES : union(...known.aircraft.approvedFor.map(usesIn));
  const one = interned(full);
  const weighed: Weighed[] = [];
  const rules = chosenRules(packs).map(({ pack, rule }): PreparedRule => {
    const { id, title, source, explanation } = rule;
    const { constraints, missing } = rule.judge(known);
    const own = constraints.map((constraint): DecidedConstraint => {
      const { key, reason, records, begins, ends, lifts, condition } = constraint;
      const closes = one(constraint.closes);
      // A limit in hours bites without a known meter because nobody can say that it has not come: that is not knowing, not failing.
      const certainty = begins.kind === 'hours' && hoursNow === null ? 'unknown' : constraint.certainty;
      const decided = { key, certainty, source: constraint.source, reason, records, closes: closes.set, begins, ends, lifts, condition, id: `${id}/${key}`, rule: id, pack };
      weighed.push({ constraint: decided, closes });
      return decided;
    }).sort((a, b) => (a.id < b.id ? -1 : 1));
    return { about: { id, title, pack, source, explanation, missing }, constraints: own };
  });
  const constraints = weighed.sort(byWeight).map(({ constraint, closes: { touches, ordinary } }) => ({ constraint, touches, ordinary }));
  return { packs, registration: known.aircraft.registration, place: known.place, knownAt: moment, full, ...approvedFor(full), hoursNow, rules, constraints };
}
