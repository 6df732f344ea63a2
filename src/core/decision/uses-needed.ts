import { DIMENSIONS, type FullBox } from '../envelope/dimensions';
import { type UseSet, usesIn } from '../envelope/use-set';
import { type Described, isExceptedFromTransponder } from '../records/aircraft/aircraft';
import {
  type AuthorisedWithout,
  type PlannedFlight,
  isMoreThanCrew,
} from '../records/flights/planned-flight';
import { civilDateAt } from '../time/zone';
import { LIGHT, type Place, lightTouched, sunOn } from '../time/sun';
import type { LightAt } from './decision';

/** The light that a flight meets at the field and at every other place that it names. */
export function lightOf(flight: PlannedFlight, place: Place): readonly LightAt[] {
  return [place, ...flight.places].map((at) => ({
    place: at.name,
    light: flight.ends > flight.starts ? lightTouched(flight.starts, flight.ends, at) : LIGHT,
    sun: sunOn(civilDateAt(flight.starts, at.zone), at),
  }));
}

export function one<V>(value: V | null): readonly V[] | undefined {
  return value === null ? undefined : [value];
}

/**
 * The uses that a flight needs. What it does not say, it may need every value of. In airspace that air traffic control authorised it to enter without
 * the equipment, or that excepts the aircraft, it needs no more than outside.
 */
export function usesNeeded(
  flight: PlannedFlight,
  place: Place,
  aircraft: Pick<Described, 'category' | 'particulars'>,
): UseSet {
  const excepted = flight.exceptedAirspace === true && isExceptedFromTransponder(aircraft);
  const inside = (value: boolean | null, without: AuthorisedWithout) =>
    one<'inside' | 'outside'>(
      excepted || flight.authorisedWithout.includes(without)
        ? 'outside'
        : value === null
          ? null
          : value
            ? 'inside'
            : 'outside',
    );
  // What the flight says of light elsewhere adds to the light at its places, and never takes away from it.
  const light =
    flight.ends > flight.starts
      ? LIGHT.filter(
          (value) =>
            (flight.light ?? []).includes(value)
            || [place, ...flight.places].some((at) =>
              lightTouched(flight.starts, flight.ends, at).includes(value),
            ),
        )
      : LIGHT;
  const box: FullBox = {
    light,
    purpose: one(flight.purpose) ?? DIMENSIONS.purpose,
    crew: one(flight.crew) ?? DIMENSIONS.crew,
    rules: one(flight.rules) ?? DIMENSIONS.rules,
    range: one(flight.range) ?? DIMENSIONS.range,
    transponderAirspace: inside(flight.transponderAirspace, 'transponder') ?? DIMENSIONS.transponderAirspace,
    adsbAirspace: inside(flight.adsbAirspace, 'ads-b-out') ?? DIMENSIONS.adsbAirspace,
    overWater:
      one(
        flight.beyondGlideOverWater === null
          ? null
          : flight.beyondGlideOverWater
            ? 'beyond-glide'
            : 'within-glide',
      ) ?? DIMENSIONS.overWater,
    // Somebody who is not needed to fly it is a passenger, whatever the flight says.
    passengers:
      one(
        isMoreThanCrew(flight) || flight.passengers === true
          ? 'aboard'
          : flight.passengers === null
            ? null
            : 'none',
      ) ?? DIMENSIONS.passengers,
  };
  return usesIn(box);
}
