import type { PlannedFlight } from '../records/flights/planned-flight';
import { addSeconds, type Instant } from '../time/instant';

/** A planned flight as it leaves now: it keeps its length. At the dispatch page the flight that is decided is the one that begins. */
export function leavingNow(flight: PlannedFlight, now: Instant): PlannedFlight {
  return { ...flight, starts: now, ends: addSeconds(now, Math.ceil((flight.ends - flight.starts) / 1000)) };
}

/** The flight as it is decided for a release: as it is planned, or as it leaves now where that time is past. */
export function asReleased(flight: PlannedFlight, present: Instant): PlannedFlight {
  return flight.starts < present ? leavingNow(flight, present) : flight;
}
