// What the form of a flight says beside who, when and with which aircraft. For tests and measurements only.

import type { FlightDraft } from '@/contracts/flights/plan';

/** A private rental nearby by day, with nothing out of the ordinary. */
export const PLAIN_RENTAL = {
  purpose: 'private-rental',
  crew: 'rated-pilot',
  rules: 'vfr',
  range: 'local',
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlide: false,
  passengers: false,
  persons: null,
  landings: null,
  towLaunches: null,
  fuelPlanned: null,
  reliesOnVor: false,
  reliesOnDatabase: false,
  altitudeFeet: null,
  alternateMinutes: null,
  authorisedWithout: [],
  exceptedAirspace: false,
  trainingWithin50Miles: false,
  places: [],
} satisfies Partial<FlightDraft>;
