// A planned flight as the core knows it. For tests only.
import { hoursFromSeconds } from '@/core/quantities/hours';
import { UNSAID, type PlannedFlight } from '@/core/records/flights/planned-flight';
import { addSeconds, type Instant } from '@/core/time/instant';

/** A dual lesson nearby by visual rules with two landings, unless more is said. @param lasts and airborne, in seconds */
export const coreFlight = (
  id: string,
  starts: Instant,
  lasts: number,
  airborne: number,
  change: Partial<PlannedFlight> = {},
): PlannedFlight => ({
  id,
  starts,
  ends: addSeconds(starts, lasts),
  airborne: hoursFromSeconds(airborne),
  purpose: 'instruction-school-aircraft',
  crew: 'dual',
  rules: 'vfr',
  range: 'local',
  light: null,
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
  ...UNSAID,
  landings: 2,
  ...change,
});
