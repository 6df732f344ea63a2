import type { Crew, Purpose, Range, Rules } from '../../envelope/dimensions';
import { hoursFromSeconds, type Hours } from '../../quantities/hours';
import type { Meter } from '../meters/meters';
import type { Volume } from '../../quantities/volume';
import type { Light, Place } from '../../time/sun';
import type { Instant } from '../../time/instant';

/**
 * What air traffic control can authorise a flight without, in airspace that asks for it. Source: 14 CFR 91.215(d) and 91.225(g) (from memory):
 * where it is inoperative at any time, to the destination or to where it is repaired; where none is fitted on a request at least an hour before.
 */
export const AUTHORISED_WITHOUT = ['transponder', 'ads-b-out'] as const;
export type AuthorisedWithout = (typeof AUTHORISED_WITHOUT)[number];

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
  readonly adsbAirspace: boolean | null;
  readonly beyondGlideOverWater: boolean | null;
  readonly passengers: boolean | null;
  /** Other places that it touches; the light there counts too. */
  readonly places: readonly Place[];
  /** People aboard, the pilot included. */
  readonly persons: number | null;
  /** People and baggage, whole grams. */
  readonly load: number | null;
  readonly landings: number | null;
  readonly towLaunches: number | null;
  /** Seconds to the alternate after the destination, for instrument flights; 0 states that none is needed. */
  readonly toAlternate: number | null;
  /** Usable fuel planned to be aboard at the start, picolitres; null takes what was measured. */
  readonly fuelPlanned: Volume | null;
  /** Whether its navigation relies on VOR receivers, and on a database. */
  readonly reliesOnVor: boolean | null;
  readonly reliesOnDatabase: boolean | null;
  /** The highest altitude that it is planned to fly at, feet above the sea. */
  readonly altitudeFeet: number | null;
  /** What air traffic control has authorised this flight to enter such airspace without. */
  readonly authorisedWithout: readonly AuthorisedWithout[];
  /**
   * Whether it enters such airspace only where an aircraft without an engine-driven electrical system needs no transponder: near a class B airport,
   * yet outside classes A, B and C and below their ceilings, or high up. Source: 14 CFR 91.215(b)(3) and (5), 91.225(e) (from memory).
   */
  readonly exceptedAirspace: boolean | null;
  /** Whether it is training that stays within 50 NM of the field: the ELT rule's own distance, not the club's local area. */
  readonly trainingWithin50Miles: boolean | null;
}

/** What a flight leaves open about itself. */
export const UNSAID = {
  places: [],
  persons: null,
  load: null,
  landings: null,
  towLaunches: null,
  toAlternate: null,
  fuelPlanned: null,
  reliesOnVor: null,
  reliesOnDatabase: null,
  trainingWithin50Miles: null,
  altitudeFeet: null,
  authorisedWithout: [],
  exceptedAirspace: null,
} as const satisfies Partial<PlannedFlight>;

/** What a flight may say beyond the uses that it needs. */
export type FlightMore = Pick<PlannedFlight, keyof typeof UNSAID>;

/** So many people fly it at the most; with more of them aboard somebody is a passenger. Common practice, no source. */
const LARGEST_CREW: Readonly<Record<Crew, number>> = { 'student-solo': 1, dual: 2, 'rated-pilot': 2 };

/** True where more people are aboard than fly it. */
export function isMoreThanCrew({ crew, persons }: Pick<PlannedFlight, 'crew' | 'persons'>): boolean {
  return persons !== null && persons > (crew === null ? 2 : LARGEST_CREW[crew]);
}

/** Whole seconds of a flight, rounded up: needed amounts round up. */
export function wholeTime({ starts, ends }: Pick<PlannedFlight, 'starts' | 'ends'>): Hours {
  return hoursFromSeconds(Math.max(0, Math.ceil((ends - starts) / 1000)));
}

/** Planned time in the air; without a figure of its own the whole time from start to end, which is never less. */
export function airborneTime(flight: Pick<PlannedFlight, 'starts' | 'ends' | 'airborne'>): Hours {
  return flight.airborne ?? wholeTime(flight);
}

/**
 * What a flight adds to each meter: the time in the air to time in service, the whole time to the meters that run with the
 * engine. Landings that it does not say are one at least; 'unsaid' tells that it may be more.
 */
export function adds(flight: PlannedFlight): { readonly [M in Meter]: number } {
  const block = wholeTime(flight);
  const landings = flight.landings ?? 1;
  return {
    'time-in-service': airborneTime(flight),
    engine: block,
    propeller: block,
    block,
    landings,
    cycles: landings,
    'tow-launches': flight.towLaunches ?? (flight.purpose === 'glider-towing' ? 1 : 0),
  };
}
