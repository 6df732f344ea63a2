import { intersection, isEmpty, isWithin, overlaps, union, without, type UseSet } from '../envelope/use-set';
import { windowPicture } from '../envelope/window-picture';
import { hoursFromSeconds } from '../quantities/hours';
import type { AircraftFacts } from '../records/facts';
import { isHourMeter, type MeterValues } from '../records/meters';
import type { PlannedFlight } from '../records/planned-flight';
import type { Begins, Cap } from '../rules/parts/constraint';
import type { PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import type { DecidedConstraint, Decision, DecisionParts, LimitAhead, ReliefInForce, RuleAnswer, Verdict } from './decision';
import { answerFlight, answerWanted } from './planned-flight';
import { prepare, type Prepared } from './prepare';

/** Version of the engine, part of every decision so that it can be replayed. Raised whenever an answer could differ. */
export const ENGINE_VERSION = '0.2.0';

/** True when a constraint bites at `asOf` with these meters. With a meter unknown every limit on it bites. */
export function bites(begins: Begins, asOf: Instant, meters: MeterValues): boolean {
  switch (begins.kind) {
    case 'recorded': return true;
    case 'instant': return asOf >= begins.at;
    // With nothing left the use is closed.
    case 'meter': {
      const value = meters[begins.meter];
      return value === null || value >= begins.at;
    }
    default: {
      const missing: never = begins;
      throw new RangeError(`no such boundary: ${JSON.stringify(missing)}`);
    }
  }
}

/** Compared with the ordinary uses that the aircraft has at all; without any it is grounded. A cap below its own restricts. */
export function verdictOf(open: UseSet, ordinary: UseSet, capped: boolean): Verdict {
  if (!overlaps(open, ordinary)) return 'Grounded';
  return isWithin(ordinary, open) && !capped ? 'Released' : 'Restricted';
}

function ahead(constraint: DecidedConstraint, asOf: Instant, meters: MeterValues): LimitAhead | null {
  const { begins } = constraint;
  if (begins.kind === 'instant') return { currency: 'time', at: begins.at, left: begins.at - asOf, constraint };
  if (begins.kind !== 'meter') return null;
  const { meter, at } = begins;
  const value = meters[meter];
  if (value === null) return null;
  return isHourMeter(meter) ? { currency: 'hours', meter, at: hoursFromSeconds(at), left: hoursFromSeconds(at - value), constraint } : { currency: 'count', meter, at, left: at - value, constraint };
}

const ORDER = { hours: 0, count: 1, time: 2 } as const;

/** Hours, then counts, then time, the nearest first; the id settles the rest. */
function byNearness(a: LimitAhead, b: LimitAhead): number {
  if (a.currency !== b.currency) return ORDER[a.currency] - ORDER[b.currency];
  return a.left - b.left || (a.constraint.id < b.constraint.id ? -1 : 1);
}

/** The permits in force at a moment, with what of the closed uses they open. */
function reliefsInForce({ reliefs }: Prepared, asOf: Instant, meters: MeterValues, covered: readonly DecidedConstraint[]): readonly ReliefInForce[] {
  const hours = meters['time-in-service'];
  return reliefs.filter(({ from, until, untilTimeInService }) => from <= asOf && asOf < until && (untilTimeInService === null || (hours !== null && hours < untilTimeInService)))
    .map(({ id, uses, until }) => ({ permit: id, uses, until, covers: covered.filter(({ closes }) => overlaps(closes, uses)).map((one) => one.id) }));
}


/**
 * Decides about the whole aircraft, and about one planned flight where one is given.
 * Pure: the same arguments give the same answer. Only what had been recorded by `asOf` is used.
 */
export function decide(facts: AircraftFacts, packs: PackChoices, plannedFlight: PlannedFlight | null, asOf: Instant, wanted: UseSet | null = null): Decision {
  return decidePrepared(prepare(facts, packs, asOf), plannedFlight, asOf, undefined, wanted);
}

/**
 * The same from a preparation, for many moments or flights on the same records.
 * @param meters what the meters show at `asOf`; usually what they show now
 * @throws RangeError for a moment before the one that the facts were known at: later records would leak into a past decision
 */
export function decidePrepared(prepared: Prepared, plannedFlight: PlannedFlight | null, asOf: Instant, meters: MeterValues = prepared.meters, wanted: UseSet | null = null): Decision {
  const { packs, registration, full } = prepared;
  if (asOf < prepared.knownAt) throw new RangeError('a moment before the one that the facts were known at');
  const constraints: DecidedConstraint[] = [];
  // Equal sets are one object in a preparation: each is added once.
  const closed = new Set<UseSet>();
  const covered: DecidedConstraint[] = [];
  const caps: Cap[] = [];
  let capped = false;
  const limits: LimitAhead[] = [];
  const first: { time: LimitAhead | null; hours: LimitAhead | null; count: LimitAhead | null } = { time: null, hours: null, count: null };
  let holdsUntil: Instant | null = null;
  const changesAt = (moment: Instant) => { if (holdsUntil === null || moment < holdsUntil) holdsUntil = moment; };
  const permits = prepared.reliefs.length > 0;
  for (const { constraint, touches, ordinary, caps: below } of prepared.constraints) {
    const { ends, cap } = constraint;
    if (ends !== null && asOf >= ends) continue;
    if (bites(constraint.begins, asOf, meters)) {
      constraints.push(constraint);
      if (cap !== null) { if (below) { caps.push(cap); capped = true; } } else if (permits && constraint.permitMayCover) covered.push(constraint);
      else closed.add(constraint.closes);
      if (ends !== null) changesAt(ends);
      continue;
    }
    // A limit on uses that are closed already is still ahead: it decides what a lift would open.
    const limit = touches ? ahead(constraint, asOf, meters) : null;
    if (limit === null) continue;
    limits.push(limit);
    if (limit.currency === 'time') changesAt(limit.at);
    const nearest = first[limit.currency];
    // A step that is done before each flight, or in a minute, is not what limits an aircraft next.
    if (ordinary && !constraint.condition && (nearest === null || byNearness(limit, nearest) < 0)) first[limit.currency] = limit;
  }
  limits.sort(byNearness);
  const rules = prepared.rules.map((rule): RuleAnswer => {
    let failed = false;
    const inForce: string[] = [];
    for (const { id, begins, certainty, ends } of rule.constraints) {
      if ((ends !== null && asOf >= ends) || !bites(begins, asOf, meters)) continue;
      inForce.push(id);
      if (certainty === 'failed') failed = true;
    }
    // Written out: copying with a spread costs more than all the rest of this loop.
    const { id, title, pack, source, explanation, missing } = rule.about;
    return { id, title, pack, source, explanation, answer: failed ? 'closes' : inForce.length > 0 ? 'unknown' : 'met', constraints: inForce, missing };
  });

  let open = without(full, closed);
  let reliefs: readonly ReliefInForce[] = [];
  if (permits) {
    for (const { from, until } of prepared.reliefs) { if (from > asOf) changesAt(from); else if (until > asOf) changesAt(until); }
    reliefs = reliefsInForce(prepared, asOf, meters, covered);
    const spared = reliefs.map(({ uses }) => intersection(open, uses));
    open = union(without(open, covered.map(({ closes }) => closes)), ...spared);
  }
  const service = meters['time-in-service'];
  const situation = { full, constraints, limits, meters, asOf };
  const decision: DecisionParts = {
    engine: ENGINE_VERSION, packs, registration, asOf, verdict: verdictOf(open, prepared.ordinary, capped), open, full, window: windowPicture(open, prepared.window), rules, constraints, limits,
    firstLimit: { time: first.time, hours: first.hours, landings: first.count }, caps, reliefs: reliefs.filter(({ uses }) => !isEmpty(uses)), availability: prepared.availability,
    meters, timeInService: service === null ? null : hoursFromSeconds(service),
    flight: plannedFlight === null ? null : answerFlight(prepared, situation, plannedFlight), wanted: wanted === null ? null : answerWanted(wanted, { full, constraints, reliefs }), notChecked: prepared.notChecked,
    holdsUntil,
  };
  return decision as Decision;
}
