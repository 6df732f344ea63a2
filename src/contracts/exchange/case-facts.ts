import type { PlannedFlight } from '../../core/records/flights/planned-flight';
import type { AircraftFacts } from '../../core/records/facts';
import type { UseSet } from '../../core/envelope/use-set';
import { usesInAny } from '../../core/envelope/use-set';
import { usStatements } from '../../core/rules/packs/us-part91';
import type { PackChoices } from '../../core/rules/register';
import type { Instant } from '../../core/time/instant';
import type { Place } from '../../core/time/sun';
import { boxOf, EVERYTHING } from './case-boxes';
import type { CaseFile } from './case-file';
import { byId, known } from './case-basics';
import { particularsOf } from './case-aircraft';
import { recordsOf } from './case-mapping';
import { clubChoice, clubEstimates, clubParameters } from '../club/club-pack';

type CaseFlight = Omit<NonNullable<CaseFile['flight']>, 'id'>;

function placeOf({ name, latitude, longitude, timeZone }: CaseFile['place']): Place {
  return { name, latitude, longitude, zone: timeZone };
}

function flightOf(id: string, given: CaseFlight): PlannedFlight {
  return {
    id,
    starts: given.starts,
    ends: given.ends,
    airborne: known(given.airborne),
    purpose: known(given.purpose),
    crew: known(given.crew),
    rules: known(given.rules),
    range: known(given.range),
    light: known(given.light),
    transponderAirspace: known(given.transponderAirspace),
    adsbAirspace: known(given.adsbAirspace),
    beyondGlideOverWater: known(given.beyondGlideOverWater),
    passengers: known(given.passengers),
    places: (given.places ?? []).map(placeOf),
    persons: known(given.persons),
    load: given.loadKg === undefined ? null : Math.ceil(given.loadKg * 1000),
    landings: known(given.landings),
    towLaunches: known(given.towLaunches),
    toAlternate: given.alternateMinutes === undefined ? null : given.alternateMinutes * 60,
    fuelPlanned: known(given.fuelAboard),
    reliesOnVor: known(given.reliesOnVor),
    reliesOnDatabase: known(given.reliesOnDatabase),
    trainingWithin50Miles: known(given.trainingWithin50Miles),
    altitudeFeet: known(given.altitudeFeet),
    authorisedWithout: given.authorisedWithout ?? [],
    exceptedAirspace: known(given.exceptedAirspace),
  };
}

/** The packs that a case chooses; a word that it leaves out takes the strictest. */
function packsOf(given: CaseFile['packs']): PackChoices {
  const club = given.find((pack) => pack.id === 'club-policy');
  const own = given.find((pack) => pack.id === 'us-part91');
  return {
    authority:
      own?.id === 'us-part91'
        ? { id: 'us-part91', parameters: usStatements(own.parameters ?? {}) }
        : { id: 'au-maintenance-release' },
    ...(club?.id !== 'club-policy' ? {} : clubEstimates(club.pack?.estimates)),
    club:
      club?.id !== 'club-policy'
        ? null
        : club.pack === undefined
          ? { id: 'club-policy', parameters: clubParameters(club.parameters), own: null }
          : clubChoice(club.pack),
  };
}

/** What a case asks, as the core's own types: an absent fact becomes null, which is unknown. */
export interface CaseQuestion {
  readonly facts: AircraftFacts;
  readonly packs: PackChoices;
  readonly flight: PlannedFlight | null;
  /** Planned flights for a timeline. */
  readonly flights: readonly PlannedFlight[];
  readonly wanted: UseSet | null;
  readonly asOf: Instant;
}

/** Turns a checked case into the core's arguments. Decides nothing. */
export function questionOf(given: CaseFile): CaseQuestion {
  const { registration, category, firstFlownOn, approvedFor } = given.aircraft;
  return {
    asOf: given.asOf,
    packs: packsOf(given.packs),
    flight: given.flight === undefined ? null : flightOf(given.flight.id ?? 'flight', given.flight),
    flights: byId(given.flights).map(([id, flight]) => flightOf(id, flight)),
    wanted: given.wanted === undefined ? null : usesInAny(given.wanted.map(boxOf)),
    facts: {
      place: placeOf(given.place),
      aircraft: {
        registration,
        category: known(category),
        firstFlownOn: known(firstFlownOn),
        approvedFor:
          approvedFor === undefined ? null : approvedFor === 'all' ? [EVERYTHING] : approvedFor.map(boxOf),
        particulars: particularsOf(given.aircraft),
      },
      ...recordsOf(given),
    },
  };
}
