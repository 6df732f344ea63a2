import { type UseSet, isWithin, overlaps } from '../envelope/use-set';
import { hoursFromSeconds } from '../quantities/hours';
import type { Relief } from '../records/maintenance/permit';
import { type PlannedFlight, adds, wholeTime } from '../records/flights/planned-flight';
import { mostOf } from '../records/meters/unlogged';
import { type Cap, DISPATCHER, RECORDED, constraint, remedy } from '../rules/parts/constraint';
import type {
  DecidedConstraint,
  DecisionParts,
  Exceedance,
  FlightAnswer,
  LimitAhead,
  WantedAnswer,
} from './decision';
import { type Prepared, decided } from './prepare';
import { type Flown, NOTHING_FLOWN, flownAfter, inOrder } from './flown';
import { lightOf, usesNeeded } from './uses-needed';

/** What of a decision a flight is compared with. */
type Situation = Pick<DecisionParts, 'full' | 'constraints' | 'limits' | 'meters' | 'asOf'>;

const NO_IDS: ReadonlySet<string> = new Set();

/** Ids of the constraints that a permit in force covers. */
export function coverableIds({ constraints }: Pick<Prepared, 'constraints'>): ReadonlySet<string> {
  return new Set(constraints.filter(({ coverable }) => coverable).map(({ constraint }) => constraint.id));
}

/** The permit that covers the whole of a flight, to its end in time and hours, or null. */
export function reliefFor(
  reliefs: readonly Relief[],
  flight: PlannedFlight,
  needs: UseSet,
  endTimeInService: number | null,
): Relief | null {
  return (
    reliefs.find(
      ({ uses, from, until, untilTimeInService }) =>
        isWithin(needs, uses)
        && from <= flight.starts
        && flight.ends <= until
        && (untilTimeInService === null
          || (endTimeInService !== null && endTimeInService <= untilTimeInService)),
    ) ?? null
  );
}

/** By how much a flight would cross a limit, or null. */
function exceedanceOf(
  limit: LimitAhead,
  flight: PlannedFlight,
  { meters }: Situation,
  flown: Flown,
): Exceedance | null {
  const { constraint: crossed } = limit;
  if (limit.currency === 'time') {
    const over = crossed.atStart ? flight.starts >= limit.at : flight.ends > limit.at;
    return over ? { currency: 'time', at: limit.at, constraint: crossed, by: flight.ends - limit.at } : null;
  }
  // The later of a reading and a day: it may be flown past the reading until that day is over.
  if (crossed.notBefore !== null && flight.ends <= crossed.notBefore) return null;
  const { meter, at } = limit;
  const end = (meters[meter] ?? at) + flown[meter] + adds(flight)[meter];
  if (end <= at) return null;
  return limit.currency === 'hours'
    ? {
        currency: 'hours',
        meter: limit.meter,
        at: limit.at,
        constraint: crossed,
        by: hoursFromSeconds(end - at),
      }
    : { currency: 'count', meter: limit.meter, at, constraint: crossed, by: end - at };
}

/** What a number that the aircraft is held to asks of this flight; null when it keeps within, or states nothing that could pass it. */
function capPassed(
  closing: DecidedConstraint,
  cap: Cap,
  flight: PlannedFlight,
  needs: UseSet,
): DecidedConstraint | null {
  const { quantity, bound, value } = cap;
  const planned =
    quantity === 'persons' ? flight.persons : quantity === 'load' ? flight.load : flight.fuelPlanned;
  if (planned !== null && (bound === 'at-most' ? planned <= value : planned >= value)) return null;
  const passed = constraint({
    key: `${closing.key}.cap`,
    certainty: planned === null ? 'unknown' : 'failed',
    source: closing.source,
    reason: { code: 'cap-passed', quantity, bound, value, planned },
    records: closing.records,
    closes: needs,
    remedies: [
      remedy(planned === null ? 'state-for-flight' : 'change-flight', DISPATCHER, quantity),
      ...closing.remedies,
    ],
    condition: true,
  });
  return decided(passed, closing.rule, closing.pack, needs, passed.certainty);
}

/** A count limit that a flight which does not say how often it lands might cross. */
function unsaidCount(
  limits: readonly LimitAhead[],
  flight: PlannedFlight,
  needs: UseSet,
  { meters }: Situation,
  flown: Flown,
): readonly DecidedConstraint[] {
  const most = mostOf((flight.ends - flight.starts) / 1000) + 1;
  for (const limit of limits) {
    if (limit.currency !== 'count' || !overlaps(limit.constraint.closes, needs)) continue;
    const unsaid =
      limit.meter === 'tow-launches'
        ? flight.towLaunches === null && flight.purpose !== 'private-rental'
        : flight.landings === null;
    if (!unsaid || (meters[limit.meter] ?? limit.at) + flown[limit.meter] + most <= limit.at) continue;
    const what = limit.meter === 'tow-launches' ? 'tow-launches' : 'landings';
    const asked = constraint({
      key: `unsaid.${limit.meter}`,
      certainty: 'unknown',
      source: limit.constraint.source,
      reason: { code: 'flight-leaves-open', what },
      records: limit.constraint.records,
      closes: needs,
      remedies: [remedy('state-for-flight', DISPATCHER, what)],
      condition: true,
    });
    return [decided(asked, limit.constraint.rule, limit.constraint.pack, needs, 'unknown')];
  }
  return [];
}

/** What is asked of this flight alone, by the rules that look at flights and by the numbers that the aircraft is held to. */
function ownOf(
  prepared: Prepared,
  flight: PlannedFlight,
  needs: UseSet,
  situation: Situation,
  flown: Flown,
): readonly DecidedConstraint[] {
  const asked = prepared.flightRules.flatMap(({ pack, rule }) =>
    (rule.judgeFlight?.(prepared.facts, undefined, flight, needs) ?? [])
      .filter(({ closes }) => overlaps(closes, needs))
      .map((one) => decided({ ...one, begins: RECORDED }, rule.id, pack, one.closes, one.certainty)),
  );
  const capped = situation.constraints.flatMap((one) => {
    const passed =
      one.cap !== null && overlaps(one.closes, needs) && holdsAt(one, flight)
        ? capPassed(one, one.cap, flight, needs)
        : null;
    return passed === null ? [] : [passed];
  });
  const ahead = situation.limits.flatMap(({ constraint: one, currency, at }) => {
    if (one.cap === null || currency !== 'time' || flight.ends <= at || !overlaps(one.closes, needs))
      return [];
    const passed = capPassed(one, one.cap, flight, needs);
    return passed === null ? [] : [passed];
  });
  return [...asked, ...capped, ...ahead, ...unsaidCount(situation.limits, flight, needs, situation, flown)];
}

/** A constraint that ends by itself before the flight begins does not close it. */
function holdsAt({ ends }: DecidedConstraint, flight: PlannedFlight): boolean {
  return ends === null || ends > flight.starts;
}

/**
 * Answers for one flight. It may end exactly at a limit; with nothing left the use is closed; the whole flight must fit.
 * `flown` are planned flights before this one, which are assumed flown.
 * 'yes-after' when only conditions stand in the way: steps that are to be done before the flight.
 */
export function answerFlight(
  prepared: Prepared,
  situation: Situation,
  flight: PlannedFlight,
  flown: Flown = NOTHING_FLOWN,
): FlightAnswer {
  const { full, constraints, limits, meters, asOf } = situation;
  const needs = usesNeeded(flight, prepared.place, prepared.facts.aircraft);
  const service = meters['time-in-service'];
  const relief = reliefFor(
    prepared.reliefs,
    flight,
    needs,
    service === null ? null : service + flown['time-in-service'] + adds(flight)['time-in-service'],
  );
  const coverable = relief === null ? NO_IDS : coverableIds(prepared);
  const stands = (one: DecidedConstraint) =>
    one.cap === null
    && overlaps(one.closes, needs)
    && holdsAt(one, flight)
    && (relief === null || !coverable.has(one.id));
  const closing = constraints.filter(stands);
  const exceedances = limits
    .filter(({ constraint: one }) => stands(one))
    .flatMap((limit) => {
      const exceedance = exceedanceOf(limit, flight, situation, flown);
      return exceedance === null ? [] : [exceedance];
    });
  const own = ownOf(prepared, flight, needs, situation, flown);
  const notApproved = !isWithin(needs, full);
  const timesContradict =
    flight.ends <= flight.starts
    || flight.starts < asOf
    || (flight.airborne !== null && flight.airborne > wholeTime(flight));
  const inTheWay = [...closing, ...own, ...exceedances.map(({ constraint: one }) => one)];
  const answer =
    notApproved || timesContradict || inTheWay.some(({ condition }) => !condition)
      ? 'no'
      : inTheWay.length > 0
        ? 'yes-after'
        : 'yes';
  return {
    flight: flight.id,
    answer,
    needs,
    closedBy: closing.map(({ id }) => id),
    own,
    exceedances,
    authorisedWithout: flight.authorisedWithout,
    notApproved,
    timesContradict,
    light: lightOf(flight, prepared.place),
  };
}

/** What stands in the way of uses now: what closes any of them, unless one permit in force covers all of them. */
export function closingNow(
  wanted: UseSet,
  { constraints, reliefs }: Pick<DecisionParts, 'constraints' | 'reliefs'>,
): readonly DecidedConstraint[] {
  const covered = new Set(
    reliefs.filter(({ uses }) => isWithin(wanted, uses)).flatMap(({ covers }) => covers),
  );
  return constraints.filter(
    ({ id, closes, cap }) => cap === null && overlaps(closes, wanted) && !covered.has(id),
  );
}

/** Answers for uses that somebody wants now, without a flight: nothing may stand in the way of any of them. */
export function answerWanted(
  wanted: UseSet,
  decided: Pick<DecisionParts, 'full' | 'constraints' | 'reliefs'>,
): WantedAnswer {
  const closing = closingNow(wanted, decided);
  const notApproved = !isWithin(wanted, decided.full);
  const answer =
    notApproved || closing.some(({ condition }) => !condition)
      ? 'no'
      : closing.length > 0
        ? 'yes-after'
        : 'yes';
  return { answer, wanted, closedBy: closing.map(({ id }) => id), notApproved };
}

/**
 * Answers for several flights of one aircraft, in the order of their start. For foresight each is assumed flown in order, even
 * where one is refused: its hours count for the later ones.
 */
export function answerFlights(
  prepared: Prepared,
  situation: Situation,
  flights: readonly PlannedFlight[],
): readonly FlightAnswer[] {
  let flown = NOTHING_FLOWN;
  return inOrder(flights).map((flight) => {
    const answer = answerFlight(prepared, situation, flight, flown);
    flown = flownAfter(flown, flight);
    return answer;
  });
}
