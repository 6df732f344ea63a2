import type { Crew, Purpose, Range, Rules } from '../envelope/dimensions';
import type { Hours } from '../quantities/hours';
import type { Light } from '../time/sun';
import type { Instant } from '../time/instant';

/** A flight that somebody wants to make. A field that is null is not known, and then the flight needs every value of it. */
export interface PlannedFlight {
  readonly id: string;
  readonly starts: Instant;
  readonly ends: Instant;
  /** Planned time in the air, which counts towards time in service; null takes the whole time from start to end. */
  readonly airborne: Hours | null;
  readonly purpose: Purpose | null;
  readonly crew: Crew | null;
  readonly rules: Rules | null;
  readonly range: Range | null;
  /** Light values that it touches elsewhere; those at the field are worked out from the sun and always count. */
  readonly light: readonly Light[] | null;
  readonly transponderAirspace: boolean | null;
  readonly broadcastAirspace: boolean | null;
  readonly beyondGlideOverWater: boolean | null;
  readonly passengers: boolean | null;
}
