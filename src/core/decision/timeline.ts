import { byId } from '../order';
import { isWithin, overlaps, sameUses, type UseSet } from '../envelope/use-set';
import { hoursFromSeconds } from '../quantities/hours';
import { isHourMeter, METER_NAMES, type Meter, type MeterValues } from '../records/meters/meters';
import { adds, type PlannedFlight } from '../records/flights/planned-flight';
import type { Instant } from '../time/instant';
import { before, byMeter, moments, pass, type Ladder } from './boundaries';
import type { DecidedConstraint, Exceedance, Verdict } from './decision';
import { inOrder } from './flown';
import { reliefFor } from './planned-flight';
import type { Prepared } from './prepare';
import { Sweep, type Tracked } from './sweep';
import { usesNeeded } from './uses-needed';

/** A moment at which the verdict or the envelope changes. */
export interface Change {
  readonly at: Instant;
  readonly verdict: Verdict;
  readonly open: UseSet;
  /** Ids of constraints that began and ended then. */
  readonly began: readonly string[];
  readonly ended: readonly string[];
  /** The planned flight whose end changed it; null where time alone did. */
  readonly flight: string | null;
}

/** What a planned flight would run into: limits that it crosses, and what is closed when it starts. */
export interface FlightAhead {
  readonly flight: string;
  readonly starts: Instant;
  readonly exceedances: readonly Exceedance[];
  /** Ids of constraints in force at its start that close a use it needs. */
  readonly closedBy: readonly string[];
  readonly notApproved: boolean;
}

/** How an aircraft goes on from now. */
export interface Timeline {
  readonly from: Instant;
  readonly until: Instant;
  readonly changes: readonly Change[];
  readonly flights: readonly FlightAhead[];
  /** Meters at the end, every flight flown. */
  readonly meters: MeterValues;
}

/** Something that happens at a moment. Of one moment: limits first, then who lands, then who leaves, by id. */
type Happening =
  | { readonly order: 0; readonly kind: 'constraint'; readonly tracked: Tracked }
  | { readonly order: 0; readonly kind: 'relief' }
  | { readonly order: 1; readonly kind: 'landed'; readonly flight: PlannedFlight }
  | { readonly order: 2; readonly kind: 'leaves'; readonly flight: PlannedFlight };
type Edge = Happening & { readonly at: Instant; readonly id: string };

/** Which of the distinct sets overlap the uses that a flight needs; flights that need the same are asked once. */
function overlapping(sets: readonly UseSet[]): (needs: UseSet) => readonly boolean[] {
  const known = new Map<UseSet, readonly boolean[]>();
  return (needs) => {
    let answer = known.get(needs);
    if (answer === undefined) {
      answer = sets.map((set) => overlaps(set, needs));
      known.set(needs, answer);
    }
    return answer;
  };
}

const overTime = (constraint: DecidedConstraint, at: Instant, flight: PlannedFlight): Exceedance => ({
  currency: 'time',
  at,
  constraint,
  by: flight.ends - at,
});

function overReading(constraint: DecidedConstraint, meter: Meter, at: number, by: number): Exceedance {
  return isHourMeter(meter)
    ? { currency: 'hours', meter, at: hoursFromSeconds(at), constraint, by: hoursFromSeconds(by) }
    : { currency: 'count', meter, at, constraint, by };
}

/**
 * The exact moments from `from` to `until` at which the verdict or the envelope changes, every planned flight flown in order,
 * and which flight crosses which limit by how much. Nothing is sampled: only moments at which a boundary lies are looked at.
 * What a flight adds to the meters counts from its end.
 * @throws RangeError where `from` lies before the moment that the facts were known at
 */
export function timeline(
  prepared: Prepared,
  flights: readonly PlannedFlight[],
  from: Instant,
  until: Instant,
): Timeline {
  if (from < prepared.knownAt) throw new RangeError('a moment before the one that the facts were known at');
  const sweep = new Sweep(prepared, from);
  const edges: Edge[] = [];
  const edge = (one: Edge) => {
    if (one.at > from && one.at <= until) edges.push(one);
  };
  for (const tracked of sweep.tracked) {
    const { begins, notBefore, ends } = tracked.constraint;
    for (const at of [notBefore, begins.kind === 'instant' ? begins.at : null, ends])
      if (at !== null) edge({ at, id: '', order: 0, kind: 'constraint', tracked });
  }
  for (const relief of prepared.reliefs)
    for (const at of [relief.from, relief.until]) edge({ at, id: '', order: 0, kind: 'relief' });
  for (const flight of inOrder(flights)) {
    if (flight.starts >= from && flight.starts <= until)
      edges.push({ at: flight.starts, id: flight.id, order: 2, kind: 'leaves', flight });
    edge({ at: flight.ends, id: flight.id, order: 1, kind: 'landed', flight });
  }
  edges.sort((a, b) => a.at - b.at || a.order - b.order || byId(a, b));

  const meters = byMeter(sweep.tracked);
  for (const [meter, limits] of meters) pass(limits, sweep.meters[meter] ?? 0);
  const days = moments(sweep.tracked);
  const touches = overlapping(sweep.sets);
  const changes: Change[] = [];
  const answers: FlightAhead[] = [];
  let open = sweep.open();
  let verdict = sweep.verdict();
  for (let at = 0; at < edges.length;) {
    const moment = edges[at]?.at ?? until;
    sweep.at = moment;
    const moved: Tracked[] = [];
    let landed: string | null = null;
    const leaving: PlannedFlight[] = [];
    for (let one = edges[at]; one?.at === moment; at += 1, one = edges[at]) {
      if (one.kind === 'constraint') {
        if (sweep.review(one.tracked)) moved.push(one.tracked);
      } else if (one.kind === 'relief') sweep.reliefChanged();
      else if (one.kind === 'leaves') leaving.push(one.flight);
      else {
        landed = one.flight.id;
        const more = adds(one.flight);
        for (const meter of METER_NAMES) {
          const value = sweep.meters[meter];
          if (value !== null) sweep.meters[meter] = value + more[meter];
        }
        sweep.reliefChanged();
        for (const [meter, limits] of meters)
          for (const { tracked } of pass(limits, sweep.meters[meter] ?? 0))
            if (sweep.review(tracked)) moved.push(tracked);
      }
    }
    if (sweep.hasMoved()) {
      const [openBefore, verdictBefore] = [open, verdict];
      open = sweep.open();
      verdict = sweep.verdict();
      if (verdict !== verdictBefore || !sameUses(open, openBefore))
        changes.push({
          at: moment,
          verdict,
          open,
          flight: landed,
          began: idsOf(moved, true),
          ended: idsOf(moved, false),
        });
    }
    for (const flight of leaving) answers.push(lookAhead(prepared, sweep, flight, touches, days, meters));
  }
  return { from, until, changes, flights: answers, meters: { ...sweep.meters } };
}

function idsOf(moved: readonly Tracked[], inForce: boolean): readonly string[] {
  return moved
    .filter((one) => one.inForce === inForce)
    .map(({ constraint }) => constraint.id)
    .sort();
}

function lookAhead(
  prepared: Prepared,
  sweep: Sweep,
  flight: PlannedFlight,
  touches: (needs: UseSet) => readonly boolean[],
  days: Ladder,
  meters: ReadonlyMap<Meter, Ladder>,
): FlightAhead {
  const needs = usesNeeded(flight, prepared.place, prepared.facts.aircraft);
  const touched = touches(needs);
  const more = adds(flight);
  const service = sweep.meters['time-in-service'];
  const relief = reliefFor(
    prepared.reliefs,
    flight,
    needs,
    service === null ? null : service + more['time-in-service'],
  );
  const stands = ({ constraint: { cap, ends }, coverable, set }: Tracked) =>
    touched[set] === true
    && cap === null
    && !(relief !== null && coverable)
    && (ends === null || ends > flight.starts);
  const isAhead = (one: Tracked) => !one.inForce && stands(one);
  const closedBy: string[] = [];
  for (const one of sweep.tracked) if (one.inForce && stands(one)) closedBy.push(one.constraint.id);
  const exceedances: Exceedance[] = [];
  pass(days, sweep.at);
  for (const { at, tracked } of before(days, flight.ends))
    if (isAhead(tracked) && !tracked.constraint.atStart)
      exceedances.push(overTime(tracked.constraint, at as Instant, flight));
  for (const [meter, limits] of meters) {
    const value = sweep.meters[meter];
    const end = value === null ? 0 : value + more[meter];
    for (const { at, tracked } of before(limits, end)) {
      const { notBefore } = tracked.constraint;
      // The later of a reading and a day: it may be flown past the reading until that day is over.
      if (isAhead(tracked) && (notBefore === null || flight.ends > notBefore))
        exceedances.push(overReading(tracked.constraint, meter, at, end - at));
    }
  }
  // Past their reading, and waiting for their day. A meter that is not known counts as past every limit.
  for (const { tracked, meter, at, notBefore } of sweep.waiting)
    if (isAhead(tracked) && (sweep.meters[meter] ?? at) >= at && flight.ends > notBefore)
      exceedances.push(overTime(tracked.constraint, notBefore, flight));
  return {
    flight: flight.id,
    starts: flight.starts,
    exceedances,
    closedBy,
    notApproved: !isWithin(needs, prepared.full),
  };
}
