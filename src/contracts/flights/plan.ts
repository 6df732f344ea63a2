import { z } from 'zod';
import { parseVolume } from '../../core/quantities/volume';
import {
  AUTHORISED_WITHOUT,
  UNSAID,
  type AuthorisedWithout,
  type PlannedFlight,
} from '../../core/records/flights/planned-flight';
import { addDays } from '../../core/time/civil-date';
import { momentsAt, type ZoneId } from '../../core/time/zone';
import { DIMENSIONS, type Crew, type Purpose, type Range, type Rules } from '../../core/envelope/dimensions';
import { hoursSchema, idSchema, textSchema, wallTimeSchema, zoneSchema } from '../kernel/scalars';

const choice = <T extends string>(words: readonly T[], message: string) =>
  z.enum(words as unknown as [T, ...T[]], message);
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'expected a time such as 09:42');
const yesNo = z.boolean();

/** A place that a flight touches beside the club's own field: the light there counts too. */
const placeSchema = z.strictObject({
  name: textSchema(80),
  latitude: z
    .number('expected the latitude in degrees')
    .min(-90, 'expected -90 to 90 degrees')
    .max(90, 'expected -90 to 90 degrees'),
  longitude: z
    .number('expected the longitude in degrees')
    .min(-180, 'expected -180 to 180 degrees')
    .max(180, 'expected -180 to 180 degrees'),
  timeZone: zoneSchema,
});

/** A flight as it is entered. What is left open counts as every value of it. */
export const plannedFlightSchema = z.strictObject({
  aircraftId: idSchema('choose an aircraft'),
  person: textSchema(120),
  /** The member who flies; null for a guest, who is named, and for a name that one member has. */
  personId: z.string().min(1).max(100).nullable().default(null),
  starts: wallTimeSchema,
  endsClock: clock,
  airborne: hoursSchema.nullable(),
  purpose: choice<Purpose>(DIMENSIONS.purpose, 'choose what it is for'),
  crew: choice<Crew>(DIMENSIONS.crew, 'choose who flies'),
  rules: choice<Rules>(DIMENSIONS.rules, 'choose the flight rules'),
  range: choice<Range>(DIMENSIONS.range, 'choose how far it goes'),
  transponderAirspace: yesNo,
  adsbAirspace: yesNo,
  beyondGlide: yesNo,
  passengers: yesNo,
  persons: z.number().int().min(1).max(60).nullable(),
  landings: z.number().int().min(1).max(100).nullable(),
  towLaunches: z.number().int().min(0).max(100).nullable(),
  /** US gallons of usable fuel planned at the start; null takes what was measured. */
  fuelPlanned: z.string().trim().max(8).nullable(),
  reliesOnVor: yesNo,
  reliesOnDatabase: yesNo,
  /** Feet above the sea, for instrument flight; null is not said. */
  altitudeFeet: z
    .number('expected whole feet, such as 6000')
    .int('expected whole feet, such as 6000')
    .min(0, 'expected 0 to 60000 ft')
    .max(60_000, 'expected 0 to 60000 ft')
    .nullable()
    .default(null),
  /** Whole minutes to the alternate, for instrument flight: 0 states that none is needed, null is not said. */
  alternateMinutes: z
    .number('expected whole minutes')
    .int('expected whole minutes')
    .min(0, 'expected 0 to 600 minutes')
    .max(600, 'expected 0 to 600 minutes')
    .nullable()
    .default(null),
  authorisedWithout: z
    .array(
      choice<AuthorisedWithout>(
        AUTHORISED_WITHOUT,
        'choose what air traffic control authorised the flight without',
      ),
    )
    .max(AUTHORISED_WITHOUT.length)
    .readonly()
    .default([]),
  exceptedAirspace: yesNo.default(false),
  trainingWithin50Miles: yesNo.default(false),
  places: z.array(placeSchema).max(6).default([]),
});
export type FlightDraft = z.output<typeof plannedFlightSchema>;
export type FlightDraftInput = z.input<typeof plannedFlightSchema>;

/** Entering one, or moving one: then it takes another's place. */
export const planSchema = z.strictObject({
  flightId: idSchema(),
  replaces: idSchema().nullable(),
  flight: plannedFlightSchema,
});
export type PlanEntry = z.output<typeof planSchema>;

/** Cancelling one. */
export const cancelSchema = z.strictObject({
  flightId: idSchema('choose a flight'),
  aircraftId: idSchema('expected an aircraft'),
  why: z.string().trim().max(300).nullable(),
});
export type Cancellation = z.output<typeof cancelSchema>;

/** A problem with a draft, or the flight that it says. Where the clock is set back, a time is the first of the two; one that the clock leaves out is no time. */
export function flightFrom(
  draft: FlightDraft,
  id: string,
  zone: ZoneId,
): PlannedFlight | { readonly path: string; readonly message: string } {
  const [starts] = momentsAt(draft.starts.date, draft.starts.clock, zone);
  if (starts === undefined)
    return {
      path: 'starts',
      message: 'The clock is set forward over this time: it does not exist on that day.',
    };
  const overnight = draft.endsClock <= draft.starts.clock;
  const ends = momentsAt(
    overnight ? addDays(draft.starts.date, 1) : draft.starts.date,
    draft.endsClock,
    zone,
  ).at(-1);
  if (ends === undefined)
    return {
      path: 'endsClock',
      message: 'The clock is set forward over this time: it does not exist on that day.',
    };
  const fuel =
    draft.fuelPlanned === null || draft.fuelPlanned === '' ? null : parseVolume(draft.fuelPlanned, 'US gal');
  if (fuel === undefined)
    return { path: 'fuelPlanned', message: 'Write the fuel in US gallons, such as 24.5.' };
  if (draft.airborne !== null && draft.airborne * 1000 > ends - starts)
    return { path: 'airborne', message: 'It cannot be in the air for longer than it is away.' };
  return {
    id,
    starts,
    ends,
    airborne: draft.airborne,
    purpose: draft.purpose,
    crew: draft.crew,
    rules: draft.rules,
    range: draft.range,
    light: null,
    transponderAirspace: draft.transponderAirspace,
    adsbAirspace: draft.adsbAirspace,
    beyondGlideOverWater: draft.beyondGlide,
    passengers: draft.passengers,
    ...UNSAID,
    persons: draft.persons,
    landings: draft.landings,
    towLaunches: draft.towLaunches,
    fuelPlanned: fuel,
    places: draft.places.map(({ name, latitude, longitude, timeZone }) => ({
      name,
      latitude,
      longitude,
      zone: timeZone,
    })),
    reliesOnVor: draft.reliesOnVor,
    reliesOnDatabase: draft.reliesOnDatabase,
    altitudeFeet: draft.altitudeFeet,
    toAlternate: draft.alternateMinutes === null ? null : draft.alternateMinutes * 60,
    authorisedWithout: draft.authorisedWithout,
    exceptedAirspace: draft.exceptedAirspace,
    trainingWithin50Miles: draft.trainingWithin50Miles,
  };
}

/** Asking what a flight that is being entered would be answered. */
export const planPreviewSchema = z.strictObject({
  replaces: idSchema().nullable(),
  flight: plannedFlightSchema,
});
