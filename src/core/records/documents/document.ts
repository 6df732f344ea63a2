import { byId } from '../../order';
import type { CivilDate } from '../../time/civil-date';
import type { RecordBase } from '../record';

/** One document check. A field that is null is not known, which counts as failed until somebody has seen it. */
interface DocumentCheck extends RecordBase {
  /** Was it in the aircraft when it was looked for? */
  readonly aboard: boolean | null;
  /** Can it be read? */
  readonly legible: boolean | null;
  /** True for one that somebody entitled vouched for: it outweighs what else was written of the same moment. */
  readonly vouched?: boolean;
}

/** Why a registration ended before its date. Source: 14 CFR 47.41(a) (from memory). */
export const REGISTRATION_ENDINGS = [
  'ownership-transferred',
  'cancelled-by-holder',
  'registered-abroad',
  'destroyed-or-scrapped',
  'holder-lost-eligibility',
  'holder-died',
] as const;
export type RegistrationEnding = (typeof REGISTRATION_ENDINGS)[number];

export interface AirworthinessCertificate extends DocumentCheck {
  readonly kind: 'airworthiness-certificate';
  /** The registration printed on it. */
  readonly registrationShown: string | null;
  /** Displayed at the cabin or cockpit entrance, in sight of passengers and crew. */
  readonly displayed: boolean | null;
}

export interface RegistrationCertificate extends DocumentCheck {
  readonly kind: 'registration-certificate';
  readonly registrationShown: string | null;
  readonly issuedOn: CivilDate | null;
  /** The expiry date printed on the certificate. */
  readonly printedExpiry: CivilDate | null;
  /** The second copy of an application, which is temporary authority to fly inside the country; `issuedOn` is the day of the application. Absent states that it is a certificate. */
  readonly temporary?: boolean;
  /** Set when it ended early: the first day on which it no longer holds. For a holder's death, the day of death. */
  readonly ended: { readonly on: CivilDate; readonly because: RegistrationEnding } | null;
}

export interface OperatingLimitations extends DocumentCheck {
  readonly kind: 'operating-limitations';
  /** An approved flight manual, or (for older aircraft) manual material, markings and placards. */
  readonly form: 'flight-manual' | 'placards-and-markings' | null;
  /** Revision of the manual aboard, and the serial number that it is for. */
  readonly revision: string | null;
  readonly serialShown: string | null;
  /** Placards and gauge markings that the limitations ask for, in place and readable. */
  readonly placards: boolean | null;
}

export interface WeightAndBalance extends DocumentCheck {
  readonly kind: 'weight-and-balance';
  /** The day of the weighing or computation that it states. */
  readonly datedOn: CivilDate | null;
}

/** The radio station licence: needed only outside the country. */
export interface RadioLicence extends DocumentCheck {
  readonly kind: 'radio-licence';
}

/** The record of a fuel tank added in the cabin or baggage space: needed aboard when there is such a tank. */
export interface CabinTankRecord extends DocumentCheck {
  readonly kind: 'cabin-tank-form-337';
  /** False states that there is no such tank, and then no document is needed. */
  readonly tankFitted: boolean | null;
}

export type AircraftDocument =
  | AirworthinessCertificate
  | RegistrationCertificate
  | OperatingLimitations
  | WeightAndBalance
  | RadioLicence
  | CabinTankRecord;
export type DocumentKind = AircraftDocument['kind'];

export const DOCUMENT_KINDS = [
  'airworthiness-certificate',
  'registration-certificate',
  'operating-limitations',
  'weight-and-balance',
  'radio-licence',
  'cabin-tank-form-337',
] as const satisfies readonly DocumentKind[];

/** The latest document check: by when it happened, then when it was recorded, then id. */
export function latestDocumentCheck<K extends DocumentKind>(
  documents: readonly AircraftDocument[],
  kind: K,
): Extract<AircraftDocument, { kind: K }> | null {
  let latest: Extract<AircraftDocument, { kind: K }> | null = null;
  for (const document of documents) {
    if (document.kind !== kind) continue;
    const candidate = document as Extract<AircraftDocument, { kind: K }>;
    if (latest === null || order(candidate, latest) > 0) latest = candidate;
  }
  return latest;
}

function order(a: RecordBase, b: RecordBase): number {
  return a.happenedAt - b.happenedAt || a.recordedAt - b.recordedAt || byId(a, b);
}

/** The document checks of the latest moment at which it was looked for: where they differ, the stricter holds, unless somebody vouched for one of them. */
export function latestDocumentChecks<K extends DocumentKind>(
  documents: readonly AircraftDocument[],
  kind: K,
): readonly Extract<AircraftDocument, { kind: K }>[] {
  const latest = latestDocumentCheck(documents, kind);
  const all = documents.filter(
    (document): document is Extract<AircraftDocument, { kind: K }> =>
      document.kind === kind && document.happenedAt === latest?.happenedAt,
  );
  const vouched = all.filter((document) => document.vouched === true);
  return vouched.length > 0 ? vouched : all;
}
