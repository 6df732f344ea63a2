import { DIMENSION_NAMES, DIMENSIONS, type FullBox } from '../core/envelope/dimensions';
import type { Certificate, Signature } from '../core/records/certificate';
import type { AircraftDocument } from '../core/records/document';
import type { Discrepancy } from '../core/records/discrepancy';
import type { AircraftFacts } from '../core/records/facts';
import type { Inspection } from '../core/records/inspection';
import type { PlannedFlight } from '../core/records/planned-flight';
import { clubPolicy } from '../core/rules/packs/club-policy';
import type { PackChoices } from '../core/rules/register';
import type { Instant } from '../core/time/instant';
import type { CaseFile } from './case-file';

type Optional<T> = T | undefined;
type In<K extends 'documents' | 'inspections' | 'discrepancies'> = NonNullable<CaseFile[K]>[string];

const known = <T>(value: Optional<T>): T | null => value ?? null;
const byId = <T>(records: Optional<Record<string, T>>): readonly [string, T][] => Object.entries(records ?? {});

function box(given: Record<string, readonly string[] | 'all'>): FullBox {
  return Object.fromEntries(DIMENSION_NAMES.map((name) => [name, given[name] === 'all' ? DIMENSIONS[name] : given[name]])) as unknown as FullBox;
}

const everything: FullBox = DIMENSIONS;

function certificateOf(given: Optional<NonNullable<In<'inspections'>['signedBy']>['certificate']>): Certificate | null {
  return given === undefined ? null : { kind: given.kind, number: known(given.number), validFrom: known(given.validFrom), validUntil: known(given.validUntil) };
}

function signatureOf(given: In<'inspections'>['signedBy']): Signature | null {
  return given === undefined ? null : { name: known(given.name), certificate: certificateOf(given.certificate) };
}

function documentOf(id: string, given: In<'documents'>): AircraftDocument {
  const base = { id, happenedAt: given.happenedAt, recordedAt: given.recordedAt, aboard: known(given.aboard), legible: known(given.legible) };
  switch (given.kind) {
    case 'airworthiness-certificate': return { ...base, kind: given.kind, registrationShown: known(given.registrationShown), displayed: known(given.displayed) };
    case 'registration-certificate': return { ...base, kind: given.kind, registrationShown: known(given.registrationShown), issuedOn: known(given.issuedOn), printedExpiry: known(given.printedExpiry), ended: known(given.ended) };
    case 'operating-limitations': return { ...base, kind: given.kind, form: known(given.form) };
    case 'weight-and-balance':
    case 'radio-licence': return { ...base, kind: given.kind };
    case 'cabin-tank-record': return { ...base, kind: given.kind, tankFitted: known(given.tankFitted) };
    default: {
      const missing: never = given;
      throw new RangeError(`no such document: ${JSON.stringify(missing)}`);
    }
  }
}

function inspectionOf(id: string, given: In<'inspections'>): Inspection {
  return {
    id, kind: given.kind, completedOn: given.completedOn, recordedAt: given.recordedAt, timeInService: known(given.timeInService), outcome: known(given.outcome),
    listCleared: given.listCleared === undefined ? null : { on: given.listCleared.on, by: { name: known(given.listCleared.by.name), certificate: certificateOf(given.listCleared.by.certificate) } },
    signedBy: signatureOf(given.signedBy), excess: known(given.excess),
  };
}

function discrepancyOf(id: string, given: In<'discrepancies'>): Discrepancy {
  const done = given.rectification;
  return {
    id, happenedAt: given.happenedAt, recordedAt: given.recordedAt, what: given.what, where: known(given.where), foundBy: known(given.foundBy),
    classification: known(given.classification), closesUses: given.closesUses ?? [],
    rectification: done === undefined ? null : {
      id: `${id}.rectification`, recordedAt: done.recordedAt, work: known(done.work), description: known(done.description), completedOn: known(done.completedOn), signedBy: signatureOf(done.signedBy),
    },
  };
}

function flightOf(given: NonNullable<CaseFile['flight']>): PlannedFlight {
  return {
    id: given.id ?? 'flight', starts: given.starts, ends: given.ends, airborne: known(given.airborne), purpose: known(given.purpose), crew: known(given.crew),
    rules: known(given.rules), range: known(given.range), light: known(given.light), transponderAirspace: known(given.transponderAirspace),
    broadcastAirspace: known(given.broadcastAirspace), beyondGlideOverWater: known(given.beyondGlideOverWater), passengers: known(given.passengers),
  };
}

/** The packs that a case chooses; a parameter that it leaves out takes the strictest value. */
function packsOf(given: CaseFile['packs']): PackChoices {
  const club = given.find((pack) => pack.id === 'club-policy');
  return {
    authority: { id: 'us-part91' },
    club: club?.id === 'club-policy' ? { id: 'club-policy', parameters: { hundredHourCovers: club.parameters?.hundredHourCovers ?? clubPolicy.parameters.hundredHourCovers.strictest } } : null,
  };
}

/** What a case asks, as the core's own types: an absent fact becomes null, which is unknown. */
export interface CaseQuestion {
  readonly facts: AircraftFacts;
  readonly packs: PackChoices;
  readonly flight: PlannedFlight | null;
  readonly asOf: Instant;
}

/** Turns a checked case into the core's arguments. Decides nothing. */
export function questionOf(given: CaseFile): CaseQuestion {
  const { name, latitude, longitude, timeZone } = given.place;
  const { registration, category, firstFlownOn, approvedFor } = given.aircraft;
  return {
    asOf: given.asOf,
    packs: packsOf(given.packs),
    flight: given.flight === undefined ? null : flightOf(given.flight),
    facts: {
      place: { name, latitude, longitude, zone: timeZone },
      aircraft: { registration, category: known(category), firstFlownOn: known(firstFlownOn), approvedFor: approvedFor === undefined ? null : approvedFor === 'all' ? [everything] : approvedFor.map(box) },
      documents: byId(given.documents).map(([id, record]) => documentOf(id, record)),
      inspections: byId(given.inspections).map(([id, record]) => inspectionOf(id, record)),
      readings: byId(given.meterReadings).map(([id, record]) => ({ id, ...record })),
      discrepancies: byId(given.discrepancies).map(([id, record]) => discrepancyOf(id, record)),
    },
  };
}
