import { byId } from '../order';
import { intersection, isEmpty, isWithin, overlaps, union, without, type UseSet } from '../envelope/use-set';
import { windowPicture } from '../envelope/window-picture';
import { hoursFromSeconds, type Hours } from '../quantities/hours';
import type { AircraftFacts } from '../records/facts';
import { METER_NAMES, type Counter, type HourMeter, type MeterValues } from '../records/meters/meters';
import type { Relief } from '../records/maintenance/permit';
import type { PlannedFlight } from '../records/flights/planned-flight';
import type { Begins, Cap } from '../rules/parts/constraint';
import type { PackChoices } from '../rules/register';
import { instantFromMilliseconds, type Instant } from '../time/instant';
import type {
  DecidedConstraint,
  Decision,
  DecisionParts,
  LimitAhead,
  ReliefInForce,
  RuleAnswer,
  Verdict,
} from './decision';
import { answerFlight, answerWanted } from './planned-flight';
import { BY_INSTANT, BY_RECORD, prepare, type Prepared } from './prepare';

/** Version of the engine, part of every decision so that it can be replayed. Raised whenever an answer could differ. */
export const ENGINE_VERSION = '0.9.0';

/** True when a boundary is reached at `asOf` with these meters. With a meter unknown every limit on it bites. */
export function bites(begins: Begins, asOf: Instant, meters: MeterValues): boolean {
  switch (begins.kind) {
    case 'recorded':
      return true;
    case 'instant':
      return asOf >= begins.at;
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

const ORDER = { hours: 0, count: 1, time: 2 } as const;

/** Hours, then counts, then time, the nearest first; the id settles the rest. */
function byNearness(a: LimitAhead, b: LimitAhead): number {
  if (a.currency !== b.currency) return ORDER[a.currency] - ORDER[b.currency];
  return a.left - b.left || byId(a.constraint, b.constraint);
}

/** The permits in force at a moment with these meters; where the hours are not known none that ends by hours is. */
export function reliefsAt({ reliefs }: Prepared, asOf: Instant, meters: MeterValues): readonly Relief[] {
  const hours = meters['time-in-service'];
  return reliefs.filter(
    ({ from, until, untilTimeInService }) =>
      from <= asOf
      && asOf < until
      && (untilTimeInService === null || (hours !== null && hours < untilTimeInService)),
  );
}

/**
 * Decides about the whole aircraft, and about one planned flight where one is given.
 * Pure: the same arguments give the same answer. Only what had been recorded by `asOf` is used.
 */
export function decide(
  facts: AircraftFacts,
  packs: PackChoices,
  plannedFlight: PlannedFlight | null,
  asOf: Instant,
  wanted: UseSet | null = null,
): Decision {
  return decidePrepared(prepare(facts, packs, asOf), plannedFlight, asOf, undefined, wanted);
}

/**
 * The same from a preparation, for many moments or flights on the same records.
 * @param meters what the meters show at `asOf`; usually what they show now
 * @throws RangeError for a moment before the one that the facts were known at: later records would leak into a past decision
 */
export function decidePrepared(
  prepared: Prepared,
  plannedFlight: PlannedFlight | null,
  asOf: Instant,
  meters: MeterValues = prepared.meters,
  wanted: UseSet | null = null,
): Decision {
  const { packs, registration, full } = prepared;
  if (asOf < prepared.knownAt) throw new RangeError('a moment before the one that the facts were known at');
  const { kind, at, meter, notBefore, ends, set, sets, ahead: inOrder, mixed } = prepared.packed;
  const values = METER_NAMES.map((name) => meters[name] ?? Number.POSITIVE_INFINITY);
  const permits = prepared.reliefs.length > 0;
  const constraints: DecidedConstraint[] = [];
  const covered: DecidedConstraint[] = [];
  const caps: Cap[] = [];
  // Whether each constraint bites, and whether each distinct set of uses is closed: equal sets are added once.
  const biting = new Uint8Array(prepared.constraints.length);
  const closed = new Uint8Array(sets.length);
  let holdsUntil = Number.POSITIVE_INFINITY;
  for (let place = 0; place < biting.length; place += 1) {
    const own = prepared.constraints[place];
    if (own === undefined) continue;
    const { constraint, caps: below, coverable } = own;
    const over = ends[place] ?? 0;
    // With nothing left the use is closed; a meter that is not known counts as past every limit.
    const reached =
      kind[place] === BY_RECORD
      || (at[place] ?? 0) <= (kind[place] === BY_INSTANT ? asOf : (values[meter[place] ?? 0] ?? 0));
    const waits = notBefore[place] ?? Number.NEGATIVE_INFINITY;
    if (reached && asOf < waits && waits < holdsUntil) holdsUntil = waits;
    if (!reached || asOf < waits || asOf >= over) continue;
    biting[place] = 1;
    constraints.push(constraint);
    if (over < holdsUntil) holdsUntil = over;
    const { cap } = constraint;
    if (cap !== null) {
      if (below) caps.push(cap);
    } else if (coverable) covered.push(constraint);
    else closed[set[place] ?? 0] = 1;
  }
  const limits: LimitAhead[] = [];
  let firstTime: LimitAhead | null = null;
  let firstHours: LimitAhead | null = null;
  let firstCount: LimitAhead | null = null;
  for (const { place, constraint, meter: name, hours, boundary, counts } of inOrder) {
    // A limit on uses that are closed already is still ahead: it decides what a remedy would open.
    if (biting[place] === 1 || asOf >= (ends[place] ?? 0)) continue;
    // A step that is done before each flight, or in a minute, is not what limits an aircraft next.
    const waits = constraint.notBefore;
    // Its reading is reached, and it waits for its day.
    const day =
      name === null ? boundary : waits !== null && (meters[name] ?? boundary) >= boundary ? waits : null;
    if (day !== null) {
      const limit: LimitAhead = { currency: 'time', at: day as Instant, left: day - asOf, constraint };
      limits.push(limit);
      if (day < holdsUntil) holdsUntil = day;
      if (counts && firstTime === null) firstTime = limit;
    } else if (name !== null && hours) {
      const limit: LimitAhead = {
        currency: 'hours',
        meter: name as HourMeter,
        at: boundary as Hours,
        left: (boundary - (meters[name] ?? 0)) as Hours,
        constraint,
      };
      limits.push(limit);
      if (counts && (firstHours === null || (mixed && byNearness(limit, firstHours) < 0))) firstHours = limit;
    } else if (name !== null) {
      const limit: LimitAhead = {
        currency: 'count',
        meter: name as Counter,
        at: boundary,
        left: boundary - (meters[name] ?? 0),
        constraint,
      };
      limits.push(limit);
      if (counts && (firstCount === null || (mixed && byNearness(limit, firstCount) < 0))) firstCount = limit;
    }
  }
  if (mixed) limits.sort(byNearness);
  const rules = prepared.rules.map((rule): RuleAnswer => {
    let failed = false;
    const inForce: string[] = [];
    const { places, own } = rule;
    for (let index = 0; index < places.length; index += 1) {
      const constraint = own[index];
      if (constraint === undefined || biting[places[index] ?? 0] !== 1) continue;
      inForce.push(constraint.id);
      if (constraint.certainty === 'failed') failed = true;
    }
    // Written out: copying with a spread costs more than all the rest of this loop.
    const { id, title, pack, source, explanation, missing } = rule.about;
    return {
      id,
      title,
      pack,
      source,
      explanation,
      answer: failed ? 'closes' : inForce.length > 0 ? 'unknown' : rule.notAsked ? 'not-asked' : 'met',
      constraints: inForce,
      missing,
    };
  });

  let open = without(
    full,
    sets.filter((_, number) => closed[number] === 1),
  );
  let reliefs: readonly ReliefInForce[] = [];
  if (permits) {
    for (const { from, until } of prepared.reliefs) {
      const next = from > asOf ? from : until;
      if (next > asOf && next < holdsUntil) holdsUntil = next;
    }
    reliefs = reliefsAt(prepared, asOf, meters).map(({ id, uses, until }) => ({
      permit: id,
      uses,
      until,
      covers: covered.filter(({ closes }) => overlaps(closes, uses)).map((one) => one.id),
    }));
    const spared = reliefs.map(({ uses }) => intersection(open, uses));
    open = union(
      without(
        open,
        covered.map(({ closes }) => closes),
      ),
      ...spared,
    );
  }
  const service = meters['time-in-service'];
  const situation = { full, constraints, limits, meters, asOf };
  const decision: DecisionParts = {
    engine: ENGINE_VERSION,
    packs,
    registration,
    asOf,
    verdict: verdictOf(open, prepared.ordinary, caps.length > 0),
    open,
    full,
    window: windowPicture(open, prepared.window),
    rules,
    constraints,
    notices: prepared.notices.filter(({ begins }) => bites(begins, asOf, meters)),
    limits,
    firstLimit: { time: firstTime, hours: firstHours, landings: firstCount },
    caps,
    reliefs: reliefs.filter(({ uses }) => !isEmpty(uses)),
    availability: prepared.availability,
    meters,
    timeInService: service === null ? null : hoursFromSeconds(service),
    flight: plannedFlight === null ? null : answerFlight(prepared, situation, plannedFlight),
    wanted: wanted === null ? null : answerWanted(wanted, { full, constraints, reliefs }),
    notChecked: prepared.notChecked,
    holdsUntil: holdsUntil === Number.POSITIVE_INFINITY ? null : instantFromMilliseconds(holdsUntil),
  };
  return decision as Decision;
}
