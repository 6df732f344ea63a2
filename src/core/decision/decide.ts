import { ORDINARY_USES } from '../envelope/ordinary';
import { countUses, difference, intersection, isEmpty, NO_USES, overlaps, union, usesIn, type UseSet } from '../envelope/use-set';
import { windowPicture } from '../envelope/window-picture';
import { hoursBeyond, type Hours } from '../quantities/hours';
import { knownAt, type AircraftFacts } from '../records/facts';
import { timeInService } from '../records/meter-reading';
import type { PlannedFlight } from '../records/planned-flight';
import type { Begins } from '../rules/parts/constraint';
import { chosenRules, type PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import { NOT_CHECKED, type DecidedConstraint, type Decision, type DecisionParts, type LimitAhead, type RuleAnswer, type Verdict } from './decision';
import { answerFlight } from './planned-flight';

/** Version of the engine, part of every decision so that it can be replayed. Raised whenever an answer could differ. */
export const ENGINE_VERSION = '0.1.0';

/** True when a constraint bites at `asOf` with `hoursNow` on the meter. With the meter unknown every hour limit bites. */
function bites(begins: Begins, asOf: Instant, hoursNow: Hours | null): boolean {
  switch (begins.kind) {
    case 'recorded': return true;
    case 'instant': return asOf >= begins.at;
    // With nothing left the use is closed.
    case 'hours': return hoursNow === null || hoursNow >= begins.at;
    default: {
      const missing: never = begins;
      throw new RangeError(`no such boundary: ${JSON.stringify(missing)}`);
    }
  }
}

function verdictOf(open: UseSet, full: UseSet): Verdict {
  const has = intersection(full, ORDINARY_USES);
  const left = intersection(open, has);
  if (isEmpty(left)) return 'Grounded';
  return isEmpty(difference(has, left)) ? 'Released' : 'Restricted';
}

/** Workshop before a step, failed before unknown, what is known to bite before what may, more closed uses first; the id settles the rest. */
function byWeight(a: DecidedConstraint, b: DecidedConstraint): number {
  return Number(a.condition) - Number(b.condition)
    || Number(a.certainty === 'unknown') - Number(b.certainty === 'unknown')
    || Number(a.certainty === 'unknown' && a.begins.kind === 'hours') - Number(b.certainty === 'unknown' && b.begins.kind === 'hours')
    || countUses(b.closes) - countUses(a.closes)
    || (a.id < b.id ? -1 : 1);
}

function ahead(constraint: DecidedConstraint, asOf: Instant, hoursNow: Hours | null): LimitAhead | null {
  if (constraint.begins.kind === 'instant') return { currency: 'time', at: constraint.begins.at, left: constraint.begins.at - asOf, constraint };
  if (constraint.begins.kind === 'hours' && hoursNow !== null) return { currency: 'hours', at: constraint.begins.at, left: hoursBeyond(constraint.begins.at, hoursNow), constraint };
  return null;
}

/**
 * Decides about the whole aircraft, and about one planned flight where one is given.
 * Pure: the same arguments give the same answer. Only what had been recorded by `asOf` is used.
 */
export function decide(facts: AircraftFacts, packs: PackChoices, plannedFlight: PlannedFlight | null, asOf: Instant): Decision {
  const known = knownAt(facts, asOf);
  const meter = timeInService(known.readings, known.inspections, known.place.zone);
  const hoursNow = meter.state === 'known' ? meter.value : null;
  const full = known.aircraft.approvedFor === null ? NO_USES : union(...known.aircraft.approvedFor.map(usesIn));

  const judged = chosenRules(packs).map(({ pack, rule }) => {
    const { constraints, missing } = rule.judge(known);
    const all = constraints.map((constraint): DecidedConstraint => ({ ...constraint, id: `${rule.id}/${constraint.key}`, rule: rule.id, pack }));
    const inForce = all.filter((constraint) => bites(constraint.begins, asOf, hoursNow))
      // A limit in hours bites without a known meter because nobody can say that it has not come: that is not knowing, not failing.
      .map((constraint): DecidedConstraint => (constraint.begins.kind === 'hours' && hoursNow === null ? { ...constraint, certainty: 'unknown' } : constraint));
    const answer = inForce.some(({ certainty }) => certainty === 'failed') ? 'closes' : inForce.length > 0 ? 'unknown' : 'met';
    const { id, title, source, explanation } = rule;
    const summary: RuleAnswer = { id, title, pack, source, explanation, answer, constraints: inForce.map((constraint) => constraint.id).sort(), missing };
    return { summary, inForce, later: all.filter((constraint) => !bites(constraint.begins, asOf, hoursNow)) };
  });

  const constraints = judged.flatMap(({ inForce }) => inForce).sort(byWeight);
  const open = difference(full, union(...constraints.map(({ closes }) => closes)));
  // A limit on uses that the aircraft does not have, or that are closed already, is still ahead: it decides what a lift would open.
  const limits = judged.flatMap(({ later }) => later).filter(({ closes }) => overlaps(closes, full)).map((constraint) => ahead(constraint, asOf, hoursNow))
    .filter((limit) => limit !== null)
    .sort((a, b) => (a.currency === b.currency ? a.left - b.left : a.currency === 'hours' ? -1 : 1) || (a.constraint.id < b.constraint.id ? -1 : 1));
  const first = (currency: LimitAhead['currency']) => limits.find((limit) => limit.currency === currency && overlaps(limit.constraint.closes, ORDINARY_USES)) ?? null;
  const ends = constraints.map((constraint) => constraint.ends).filter((end) => end !== null);
  const changes = [...ends, ...limits.flatMap((limit) => (limit.currency === 'time' ? [limit.at] : []))].sort((a, b) => a - b);

  const situation = { full, constraints, limits, timeInService: hoursNow, asOf };
  const decision: DecisionParts = {
    ...situation, engine: ENGINE_VERSION, packs, registration: known.aircraft.registration, verdict: verdictOf(open, full), open,
    window: windowPicture(open, full), rules: judged.map(({ summary }) => summary),
    firstLimit: { time: first('time'), hours: first('hours'), landings: null },
    flight: plannedFlight === null ? null : answerFlight(plannedFlight, known.place, situation),
    notChecked: NOT_CHECKED, holdsUntil: changes[0] ?? null,
  };
  return decision as Decision;
}
