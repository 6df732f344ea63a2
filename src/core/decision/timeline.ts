import { byId } from '../order';
import { intersection, isWithin, overlaps, union, without, type UseSet } from '../envelope/use-set';
import { hoursFromSeconds } from '../quantities/hours';
import { isHourMeter, METER_NAMES, type Meter, type MeterValues } from '../records/meters/meters';
import { adds, type PlannedFlight } from '../records/flights/planned-flight';
import type { Instant } from '../time/instant';
import { bites, reliefsAt, verdictOf } from './decide';
import type { DecidedConstraint, Exceedance, Verdict } from './decision';
import { inOrder } from './flown';
import { reliefFor } from './planned-flight';
import { usesNeeded } from './uses-needed';
import type { Prepared } from './prepare';

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

/** A constraint with where it stands: the number of its set of uses, and whether it is in force. */
interface Tracked {
  readonly constraint: DecidedConstraint;
  readonly set: number;
  readonly caps: boolean;
  readonly coverable: boolean;
  inForce: boolean;
}

type Edge =
  | { readonly at: Instant; readonly order: 0; readonly kind: 'constraint'; readonly tracked: Tracked }
  | { readonly at: Instant; readonly order: 0; readonly kind: 'relief' }
  | { readonly at: Instant; readonly order: 1; readonly kind: 'landed'; readonly flight: PlannedFlight }
  | { readonly at: Instant; readonly order: 2; readonly kind: 'leaves'; readonly flight: PlannedFlight };

/**
 * The state that is carried along: how many constraints in force close each distinct set of uses, so that the open uses are
 * only calculated again when one of them begins or ends.
 */
class Sweep {
  readonly sets: readonly UseSet[];
  readonly tracked: readonly Tracked[];
  readonly meters: { -readonly [M in Meter]: number | null };
  /** Those in force now. */
  readonly now = new Set<Tracked>();
  /** Those that bite at the later of a reading and a moment. */
  readonly waiting: readonly Tracked[];
  private readonly closing: Int32Array;
  private readonly covered: Int32Array;
  private caps = 0;
  private stale = true;
  private openNow: UseSet;

  constructor(
    private readonly prepared: Prepared,
    public at: Instant,
  ) {
    const numbers = new Map<UseSet, number>();
    const number = (set: UseSet): number => {
      const known = numbers.get(set);
      if (known !== undefined) return known;
      numbers.set(set, numbers.size);
      return numbers.size - 1;
    };
    this.tracked = prepared.constraints.map(({ constraint, caps, coverable }) => ({
      constraint,
      set: number(constraint.closes),
      caps,
      coverable,
      inForce: false,
    }));
    this.waiting = this.tracked.filter(({ constraint }) => constraint.notBefore !== null);
    this.sets = [...numbers.keys()];
    this.closing = new Int32Array(this.sets.length);
    this.covered = new Int32Array(this.sets.length);
    this.meters = { ...prepared.meters };
    this.openNow = prepared.full;
    for (const one of this.tracked) this.review(one);
  }

  /** Puts a constraint where it belongs now; true when that changed. */
  review(one: Tracked): boolean {
    const { constraint, set, caps } = one;
    const inForce =
      (constraint.ends === null || this.at < constraint.ends)
      && this.at >= (constraint.notBefore ?? this.at)
      && bites(constraint.begins, this.at, this.meters);
    if (inForce === one.inForce) return false;
    one.inForce = inForce;
    if (inForce) this.now.add(one);
    else this.now.delete(one);
    const step = inForce ? 1 : -1;
    if (constraint.cap !== null) {
      if (caps) this.caps += step;
      return true;
    }
    const counts = one.coverable ? this.covered : this.closing;
    counts[set] = (counts[set] ?? 0) + step;
    if ((counts[set] ?? 0) === (inForce ? 1 : 0)) this.stale = true;
    return true;
  }

  reliefChanged(): void {
    this.stale = true;
  }

  /** The uses open now: calculated again only where a set of uses has begun or ended to be closed. */
  open(): UseSet {
    if (!this.stale) return this.openNow;
    this.stale = false;
    const inForce = (counts: Int32Array) => this.sets.filter((_, set) => (counts[set] ?? 0) > 0);
    const afterOthers = without(this.prepared.full, inForce(this.closing));
    const spared = reliefsAt(this.prepared, this.at, this.meters).map(({ uses }) =>
      intersection(afterOthers, uses),
    );
    const open =
      this.prepared.reliefs.length === 0
        ? afterOthers
        : union(without(afterOthers, inForce(this.covered)), ...spared);
    this.openNow = open;
    return open;
  }

  verdict(): Verdict {
    return verdictOf(this.open(), this.prepared.ordinary, this.caps > 0);
  }
}

/** Boundaries in their order, with the place of the first that has not come. */
interface Ladder {
  readonly limits: readonly Tracked[];
  next: number;
}

function ladder(
  tracked: readonly Tracked[],
  belongs: (begins: DecidedConstraint['begins']) => boolean,
): Ladder {
  return {
    limits: tracked.filter(({ constraint: { begins } }) => belongs(begins)).sort((a, b) => atOf(a) - atOf(b)),
    next: 0,
  };
}

/** Limits by meter, the nearest first, with how far each meter has come. Meters without limits are left out. */
function byMeter(tracked: readonly Tracked[]): ReadonlyMap<Meter, Ladder> {
  return new Map(
    METER_NAMES.map(
      (meter) =>
        [meter, ladder(tracked, (begins) => begins.kind === 'meter' && begins.meter === meter)] as const,
    ).filter(([, { limits }]) => limits.length > 0),
  );
}

function meterOf({ constraint: { begins } }: Tracked): Meter {
  return begins.kind === 'meter' ? begins.meter : 'time-in-service';
}

function atOf({ constraint: { begins } }: Tracked): number {
  return begins.kind === 'recorded' ? 0 : begins.at;
}

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

function exceedance(
  { constraint }: Tracked,
  flight: PlannedFlight,
  more: Readonly<Record<Meter, number>>,
  meters: MeterValues,
): Exceedance | null {
  const { begins, notBefore } = constraint;
  if (begins.kind === 'recorded') return null;
  if (begins.kind === 'instant')
    return flight.ends > begins.at && !constraint.atStart
      ? { currency: 'time', at: begins.at, constraint, by: flight.ends - begins.at }
      : null;
  const { meter, at } = begins;
  if (notBefore !== null && flight.ends <= notBefore) return null;
  if (notBefore !== null && (meters[meter] ?? at) >= at)
    return { currency: 'time', at: notBefore, constraint, by: flight.ends - notBefore };
  const by = (meters[meter] ?? at) + more[meter] - at;
  if (by <= 0) return null;
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
  const ahead = inOrder(flights).filter(({ ends }) => ends > from);
  const edges: Edge[] = [];
  const edge = (at: Instant, one: Edge) => {
    if (at > from && at <= until) edges.push(one);
  };
  for (const tracked of sweep.tracked) {
    const { begins, notBefore, ends } = tracked.constraint;
    if (notBefore !== null) edge(notBefore, { at: notBefore, order: 0, kind: 'constraint', tracked });
    if (begins.kind === 'instant') edge(begins.at, { at: begins.at, order: 0, kind: 'constraint', tracked });
    if (ends !== null) edge(ends, { at: ends, order: 0, kind: 'constraint', tracked });
  }
  for (const relief of prepared.reliefs)
    for (const at of [relief.from, relief.until]) edge(at, { at, order: 0, kind: 'relief' });
  for (const flight of ahead) {
    if (flight.starts >= from && flight.starts <= until)
      edges.push({ at: flight.starts, order: 2, kind: 'leaves', flight });
    edge(flight.ends, { at: flight.ends, order: 1, kind: 'landed', flight });
  }
  edges.sort(
    (a, b) =>
      a.at - b.at || a.order - b.order || (a.order !== 0 && b.order !== 0 ? byId(a.flight, b.flight) : 0),
  );

  const meters = byMeter(sweep.tracked);
  const moments = ladder(sweep.tracked, ({ kind }) => kind === 'instant');
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
        if (prepared.reliefs.length > 0) sweep.reliefChanged();
        for (const [meter, list] of meters) {
          const value = sweep.meters[meter];
          if (value === null) continue;
          for (
            let next = list.limits[list.next];
            next !== undefined && atOf(next) <= value;
            list.next += 1, next = list.limits[list.next]
          )
            if (sweep.review(next)) moved.push(next);
        }
      }
    }
    const openBefore = open;
    const verdictBefore = verdict;
    open = sweep.open();
    verdict =
      open === openBefore && moved.every(({ constraint }) => constraint.cap === null)
        ? verdictBefore
        : sweep.verdict();
    if (
      verdict !== verdictBefore
      || (open !== openBefore && !(isWithin(open, openBefore) && isWithin(openBefore, open)))
    ) {
      changes.push({
        at: moment,
        verdict,
        open,
        flight: landed,
        began: idsOf(moved, true),
        ended: idsOf(moved, false),
      });
    }
    for (const flight of leaving) answers.push(lookAhead(prepared, sweep, flight, touches, moments, meters));
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
  moments: Ladder,
  meters: ReadonlyMap<Meter, Ladder>,
): FlightAhead {
  const needs = usesNeeded(flight, prepared.place, prepared.facts.aircraft);
  const touched = touches(needs);
  const more = adds(flight);
  const service = sweep.meters['time-in-service'];
  const spared =
    prepared.reliefs.length > 0
    && reliefFor(prepared.reliefs, flight, needs, service === null ? null : service + more['time-in-service'])
      !== null;
  const stands = ({ constraint: { cap, ends }, coverable, set }: Tracked) =>
    touched[set] === true
    && cap === null
    && !(spared && coverable)
    && (ends === null || ends > flight.starts);
  const closedBy: string[] = [];
  for (const one of sweep.now) if (stands(one)) closedBy.push(one.constraint.id);
  const exceedances: Exceedance[] = [];
  const cross = (one: Tracked) => {
    if (one.inForce || !stands(one)) return;
    const crossed = exceedance(one, flight, more, sweep.meters);
    if (crossed !== null) exceedances.push(crossed);
  };
  // In order of their boundaries: those that the flight cannot reach are not looked at.
  for (
    let one = moments.limits[moments.next];
    one !== undefined && atOf(one) <= sweep.at;
    one = moments.limits[moments.next]
  )
    moments.next += 1;
  for (
    let at = moments.next, one = moments.limits[at];
    one !== undefined && atOf(one) < flight.ends;
    at += 1, one = moments.limits[at]
  )
    cross(one);
  for (const [meter, { limits, next }] of meters) {
    const end = (sweep.meters[meter] ?? 0) + more[meter];
    for (let at = next, one = limits[at]; one !== undefined && atOf(one) < end; at += 1, one = limits[at])
      cross(one);
  }
  // Past their reading, and waiting for their day.
  for (const one of sweep.waiting)
    if (
      !one.inForce
      && (sweep.meters[meterOf(one)] ?? 0) >= atOf(one)
      && !exceedances.some(({ constraint }) => constraint === one.constraint)
    )
      cross(one);
  return {
    flight: flight.id,
    starts: flight.starts,
    exceedances,
    closedBy,
    notApproved: !isWithin(needs, prepared.full),
  };
}
