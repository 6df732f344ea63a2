import { byId } from '../order';
import type { Meter } from '../records/meters/meters';
import { type PlannedFlight, adds } from '../records/flights/planned-flight';

/** What planned flights add to each meter before the one that is looked at. */
export type Flown = { readonly [M in Meter]: number };
export const NOTHING_FLOWN: Flown = {
  'time-in-service': 0,
  engine: 0,
  propeller: 0,
  block: 0,
  landings: 0,
  cycles: 0,
  'tow-launches': 0,
};

/** What a flight adds, after what was flown before. */
export function flownAfter(flown: Flown, flight: PlannedFlight): Flown {
  const more = adds(flight);
  return {
    'time-in-service': flown['time-in-service'] + more['time-in-service'],
    engine: flown.engine + more.engine,
    propeller: flown.propeller + more.propeller,
    block: flown.block + more.block,
    landings: flown.landings + more.landings,
    cycles: flown.cycles + more.cycles,
    'tow-launches': flown['tow-launches'] + more['tow-launches'],
  };
}

/** By start, then by id. */
export function inOrder(flights: readonly PlannedFlight[]): readonly PlannedFlight[] {
  return [...flights].sort((a, b) => a.starts - b.starts || byId(a, b));
}
