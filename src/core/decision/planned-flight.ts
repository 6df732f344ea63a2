import type { Box } from '../envelope/dimensions';
import { isWithin, overlaps, usesIn, type UseSet } from '../envelope/use-set';
import { addHours, hours, hoursBeyond, hoursFromSeconds, type Hours } from '../quantities/hours';
import type { PlannedFlight } from '../records/planned-flight';
import { lightTouched, LIGHT, type Place } from '../time/sun';
import type { DecisionParts, FlightAnswer, Outrun } from './decision';

/** What of a decision a flight is compared with. */
type Situation = Pick<DecisionParts, 'full' | 'constraints' | 'limits' | 'timeInService' | 'asOf'>;

/** Whole seconds of a flight, rounded up: needed amounts round up. */
function wholeTime({ starts, ends }: PlannedFlight): Hours {
  return hoursFromSeconds(Math.max(0, Math.ceil((ends - starts) / 1000)));
}

/** Planned time in the air; without a figure of its own the whole time from start to end, which is never less. */
export function airborneTime(flight: PlannedFlight): Hours {
  return flight.airborne ?? wholeTime(flight);
}

/** The uses that a flight needs. What it does not say, it may need every value of. */
export function usesNeeded(flight: PlannedFlight, place: Place): UseSet {
  const one = <V>(value: V | null): readonly V[] | undefined => (value === null ? undefined : [value]);
  const inside = (value: boolean | null) => one<'inside' | 'outside'>(value === null ? null : value ? 'inside' : 'outside');
  // What the flight says of light at other places adds to the light at the field, and never takes away from it.
  const here = flight.ends > flight.starts ? lightTouched(flight.starts, flight.ends, place) : LIGHT;
  const light = LIGHT.filter((value) => here.includes(value) || (flight.light ?? []).includes(value));
  const box: { -readonly [D in keyof Box]: Box[D] | undefined } = {
    light,
    purpose: one(flight.purpose), crew: one(flight.crew), rules: one(flight.rules), range: one(flight.range),
    transponderAirspace: inside(flight.transponderAirspace), broadcastAirspace: inside(flight.broadcastAirspace),
    overWater: one(flight.beyondGlideOverWater === null ? null : flight.beyondGlideOverWater ? 'beyond-glide' : 'within-glide'),
    passengers: one(flight.passengers === null ? null : flight.passengers ? 'aboard' : 'none'),
  };
  return usesIn(Object.fromEntries(Object.entries(box).filter(([, values]) => values !== undefined)) as Box);
}

/**
 * Answers for one flight. It may end exactly at a limit; with nothing left the use is closed; the whole flight must fit.
 * `flownBefore` are planned hours in the air before this flight, which are assumed flown.
 * 'yes-after' when only conditions stand in the way: steps that are to be done before the flight.
 */
export function answerFlight(flight: PlannedFlight, place: Place, { full, constraints, limits, timeInService, asOf }: Situation, flownBefore: Hours = hours('0')): FlightAnswer {
  const needs = usesNeeded(flight, place);
  const closing = constraints.filter(({ closes }) => overlaps(closes, needs));
  const airborne = airborneTime(flight);
  const outruns = limits.filter(({ constraint }) => overlaps(constraint.closes, needs)).flatMap((limit): readonly Outrun[] => {
    if (limit.currency === 'time') return flight.ends > limit.at ? [{ currency: 'time', at: limit.at, constraint: limit.constraint, by: flight.ends - limit.at }] : [];
    const end = addHours(addHours(timeInService ?? limit.at, flownBefore), airborne);
    return end > limit.at ? [{ currency: 'hours', at: limit.at, constraint: limit.constraint, by: hoursBeyond(end, limit.at) }] : [];
  });
  const notApproved = !isWithin(needs, full);
  const timesContradict = flight.ends <= flight.starts || flight.starts < asOf || (flight.airborne !== null && flight.airborne > wholeTime(flight));
  const workshop = closing.some(({ condition }) => !condition);
  const answer = workshop || notApproved || timesContradict || outruns.length > 0 ? 'no' : closing.length > 0 ? 'yes-after' : 'yes';
  return { flight: flight.id, answer, needs, closedBy: closing.map(({ id }) => id), outruns, notApproved, timesContradict };
}

/**
 * Answers for several flights of one aircraft, in the order of their start. For foresight each is assumed flown in order, even
 * where one is refused: its hours count for the later ones.
 */
export function answerFlights(flights: readonly PlannedFlight[], place: Place, situation: Situation): readonly FlightAnswer[] {
  let flown = hours('0');
  return [...flights].sort((a, b) => a.starts - b.starts || (a.id < b.id ? -1 : 1)).map((flight) => {
    const answer = answerFlight(flight, place, situation, flown);
    flown = addHours(flown, airborneTime(flight));
    return answer;
  });
}
