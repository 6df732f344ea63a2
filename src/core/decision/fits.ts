import { hoursFromSeconds } from '../quantities/hours';
import { airborneTime, type PlannedFlight } from '../records/flights/planned-flight';
import { addSeconds, type Instant } from '../time/instant';
import { metersAt } from './ahead';
import { decidePrepared } from './decide';
import type { Decision } from './decision';
import { answerFlights } from './planned-flight';
import type { Prepared } from './prepare';

/** Flights are moved by so many seconds: as people plan them. */
const STEP_S = 5 * 60;
/** So far a flight is moved, in seconds: the same errand on another day is another flight. */
const FURTHEST_S = 24 * 3600;
/** Nobody makes a flight shorter than this, in seconds. */
const SHORTEST_S = 20 * 60;

/** Another time at which a flight fits, or a shorter one of it. */
export interface Fit {
  readonly kind: 'earlier' | 'later' | 'shorter';
  readonly flight: PlannedFlight;
}

/**
 * The decision about a flight on an aircraft as it will stand when the flight begins: what is on record now, the flights before it flown.
 * @param others the aircraft's other planned flights
 */
export function decideAtStart(
  prepared: Prepared,
  others: readonly PlannedFlight[],
  flight: PlannedFlight,
): Decision {
  const at = (flight.starts > prepared.knownAt ? flight.starts : prepared.knownAt) as Instant;
  return decidePrepared(prepared, flight, at, metersAt(prepared, others, flight.starts));
}

/** Whether another flight of the aircraft touches this one. */
export const isTaken = (others: readonly PlannedFlight[], flight: PlannedFlight): boolean =>
  others.some(({ starts, ends }) => starts < flight.ends && ends > flight.starts);

/**
 * True where none of an aircraft's other flights gets a worse answer for a flight that comes to it or is moved on it.
 * @param before the aircraft's flights as they are planned now
 * @param after the same with the flight where it would be
 */
export function harmsNone(
  prepared: Prepared,
  before: readonly PlannedFlight[],
  after: readonly PlannedFlight[],
  itself: string,
): boolean {
  const now = decidePrepared(prepared, null, prepared.knownAt);
  const rank = { yes: 0, 'yes-after': 1, no: 2 } as const;
  const answers = new Map(answerFlights(prepared, now, before).map((one) => [one.flight, rank[one.answer]]));
  return answerFlights(prepared, now, after).every(
    ({ flight, answer }) => flight === itself || rank[answer] <= (answers.get(flight) ?? 2),
  );
}

/**
 * Where a flight that cannot go as planned fits: the nearest start before it and after it within a day, in steps of five minutes, and the
 * longest of it that fits at its own start. Each is decided for itself, and harms no other flight of the aircraft; none is guessed.
 * @param others the aircraft's other planned flights, which keep their times
 * @param now nothing is moved before it
 */
export function fitsFor(
  prepared: Prepared,
  others: readonly PlannedFlight[],
  flight: PlannedFlight,
  now: Instant,
): readonly Fit[] {
  const planned = [...others, flight];
  const goes = (moved: PlannedFlight): boolean =>
    moved.starts >= now
    && !isTaken(others, moved)
    && decideAtStart(prepared, others, moved).flight?.answer === 'yes'
    && harmsNone(prepared, planned, [...others, moved], flight.id);
  const movedBy = (seconds: number): PlannedFlight => ({
    ...flight,
    starts: addSeconds(flight.starts, seconds),
    ends: addSeconds(flight.ends, seconds),
  });
  const nearest = (sign: 1 | -1): PlannedFlight | undefined => {
    for (let by = STEP_S; by <= FURTHEST_S; by += STEP_S) {
      const moved = movedBy(sign * by);
      if (moved.starts < now) return undefined;
      if (goes(moved)) return moved;
    }
    return undefined;
  };
  const shorter = (): PlannedFlight | undefined => {
    const whole = (flight.ends - flight.starts) / 1000;
    const airborne = airborneTime(flight);
    for (let by = STEP_S; whole - by >= SHORTEST_S; by += STEP_S) {
      if (airborne - by <= 0) return undefined;
      const cut = {
        ...flight,
        ends: addSeconds(flight.ends, -by),
        airborne: flight.airborne === null ? null : hoursFromSeconds(airborne - by),
      };
      if (goes(cut)) return cut;
    }
    return undefined;
  };
  const found = [
    ['earlier', nearest(-1)],
    ['later', nearest(1)],
    ['shorter', shorter()],
  ] as const;
  return found.flatMap(([kind, one]) => (one === undefined ? [] : [{ kind, flight: one }]));
}
