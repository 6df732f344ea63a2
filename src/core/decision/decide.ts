import { isWithin, overlaps, without, type UseSet } from '../envelope/use-set';
import { windowPicture } from '../envelope/window-picture';
import { hoursBeyond, type Hours } from '../quantities/hours';
import type { AircraftFacts } from '../records/facts';
import type { PlannedFlight } from '../records/planned-flight';
import type { Begins } from '../rules/parts/constraint';
import type { PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import { NOT_CHECKED, type DecidedConstraint, type Decision, type DecisionParts, type LimitAhead, type RuleAnswer, type Verdict } from './decision';
import { answerFlight } from './planned-flight';
import { prepare, type Prepared } from './prepare';

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

/** Compared with the ordinary uses that the aircraft has at all; without any it is grounded. */
function verdictOf(open: UseSet, ordinary: UseSet): Verdict {
  if (!overlaps(open, ordinary)) return 'Grounded';
  return isWithin(ordinary, open) ? 'Released' : 'Restricted';
}

function ahead(constraint: DecidedConstraint, asOf: Instant, hoursNow: Hours | null): LimitAhead | null {
  if (constraint.begins.kind === 'instant') return { currency: 'time', at: constraint.begins.at, left: constraint.begins.at - asOf, constraint };
  if (constraint.begins.kind === 'hours' && hoursNow !== null) return { currency: 'hours', at: constraint.begins.at, left: hoursBeyond(constraint.begins.at, hoursNow), constraint };
  return null;
}

/** Hours before time, the nearest first; the id settles the rest. */
function byNearness(a: LimitAhead, b: LimitAhead): number {
  if (a.currency !== b.currency) return a.currency === 'hours' ? -1 : 1;
  return a.left - b.left || (a.constraint.id < b.constraint.id ? -1 : 1);
}

/**
 * Decides about the whole aircraft, and about one planned flight where one is given.
 * Pure: the same arguments give the same answer. Only what had been recorded by `asOf` is used.
 */
export function decide(facts: AircraftFacts, packs: PackChoices, plannedFlight: PlannedFlight | null, asOf: Instant): Decision {
  return decidePrepared(prepare(facts, packs, asOf), plannedFlight, asOf);
}

/**
 * The same from a preparation, for many moments or flights on the same records.
 * @throws RangeError for a moment before the one that the facts were known at: later records would leak into a past decision
 */
export function decidePrepared(prepared: Prepared, plannedFlight: PlannedFlight | null, asOf: Instant): Decision {
  const { packs, registration, place, full, hoursNow } = prepared;
  if (asOf < prepared.knownAt) throw new RangeError('a moment before the one that the facts were known at');
  const constraints: DecidedConstraint[] = [];
  // Equal sets are one object in a preparation: each is added once.
  const closed = new Set<UseSet>();
  const limits: LimitAhead[] = [];
  const first: { time: LimitAhead | null; hours: LimitAhead | null } = { time: null, hours: null };
  const changes: Instant[] = [];
  for (const { constraint, touches, ordinary } of prepared.constraints) {
    if (bites(constraint.begins, asOf, hoursNow)) {
      constraints.push(constraint);
      closed.add(constraint.closes);
      if (constraint.ends !== null) changes.push(constraint.ends);
      continue;
    }
    // A limit on uses that are closed already is still ahead: it decides what a lift would open.
    const limit = touches ? ahead(constraint, asOf, hoursNow) : null;
    if (limit === null) continue;
    limits.push(limit);
    if (limit.currency === 'time') changes.push(limit.at);
    const nearest = first[limit.currency];
    if (ordinary && (nearest === null || byNearness(limit, nearest) < 0)) first[limit.currency] = limit;
  }
  limits.sort(byNearness);
  const rules = prepared.rules.map((rule): RuleAnswer => {
    const inForce = rule.constraints.filter(({ begins }) => bites(begins, asOf, hoursNow));
    const answer = inForce.some(({ certainty }) => certainty === 'failed') ? 'closes' : inForce.length > 0 ? 'unknown' : 'met';
    // Written out: copying with a spread costs more than all the rest of this loop.
    const { id, title, pack, source, explanation, missing } = rule.about;
    return { id, title, pack, source, explanation, answer, constraints: inForce.map((constraint) => constraint.id), missing };
  });

  const open = without(full, closed);
  const situation = { full, constraints, limits, timeInService: hoursNow, asOf };
  const decision: DecisionParts = {
    engine: ENGINE_VERSION, packs, registration, asOf, verdict: verdictOf(open, prepared.ordinary), open, full, window: windowPicture(open, prepared.window), rules, constraints, limits,
    firstLimit: { time: first.time, hours: first.hours, landings: null }, timeInService: hoursNow,
    flight: plannedFlight === null ? null : answerFlight(plannedFlight, place, situation), notChecked: NOT_CHECKED,
    holdsUntil: changes.length === 0 ? null : changes.reduce((soonest, moment) => (moment < soonest ? moment : soonest)),
  };
  return decision as Decision;
}
