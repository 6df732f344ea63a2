import { type CivilDate } from '../time/civil-date';
import type { Instant } from '../time/instant';

/** Kinds of certificates whose holders sign for aircraft. The club role permits the screen; one of these permits the signature. */
export const CERTIFICATE_KINDS = [
  'mechanic-airframe-powerplant',
  'inspection-authorisation',
  'repair-station',
  'flight-instructor',
  'pilot',
  'student-pilot',
  'light-sport-repairman',
  'licensed-engineer',
] as const;
export type CertificateKind = (typeof CERTIFICATE_KINDS)[number];

/** A certificate as it is on record. A field that is null is not known. */
export interface Certificate {
  readonly kind: CertificateKind;
  readonly number: string | null;
  readonly validFrom: CivilDate | null;
  /** Last day of validity; 'no-expiry' is a stated value, null is not known. */
  readonly validUntil: CivilDate | 'no-expiry' | null;
}

/** Who signed, and by which certificate. Null fields are not known, and then the signature does not count. */
export interface Signature {
  readonly name: string | null;
  readonly certificate: Certificate | null;
  /** Only for a copy from paper: who made it is not who signed, so it counts once somebody has vouched for it. Absent for a signature that was given here. */
  readonly vouched?: 'nobody' | { readonly recordedAt: Instant } | undefined;
}

/** A signature as it was known at a moment: a copy for which somebody vouched later was a mere copy then. */
export function signatureKnownAt(signature: Signature | null, moment: Instant): Signature | null {
  const vouched = signature?.vouched;
  return signature === null || vouched === undefined || vouched === 'nobody' || vouched.recordedAt <= moment ? signature : { ...signature, vouched: 'nobody' };
}

/** Work that a certificate can stand behind. */
export const SIGNED_WORK = [
  'annual-inspection', 'hundred-hour-inspection', 'condition-inspection', 'progressive-segment', 'altimeter-test', 'transponder-test', 'locator-inspection',
  'return-to-service', 'service', 'judgement', 'no-hazard', 'check-flight', 'independent-inspection', 'daily-inspection', 'maintenance-release',
] as const;
export type SignedWork = (typeof SIGNED_WORK)[number];

/** Whose rules say who may sign: each knows its own certificates and no others. */
export type Authority = 'us' | 'au';

const US_MECHANICS = ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'] as const;

/**
 * Who may sign what in the United States. Source: 14 CFR 43.7, 65.95, 65.107, 91.213(d)(4), 91.407(b), 91.411(b), 91.413(c) and App. A
 * (from memory); 'service' and 'judgement' are common practice, no source. What only the other system has nobody signs.
 * A mechanic's own certificate never signs an annual: that needs the inspection authorisation or a repair station.
 */
const IN_THE_US: Readonly<Record<SignedWork, readonly CertificateKind[]>> = {
  'annual-inspection': ['inspection-authorisation', 'repair-station'],
  'hundred-hour-inspection': US_MECHANICS,
  'condition-inspection': [...US_MECHANICS, 'light-sport-repairman'],
  'progressive-segment': ['inspection-authorisation', 'repair-station'],
  'altimeter-test': ['repair-station'],
  'transponder-test': ['repair-station'],
  'locator-inspection': US_MECHANICS,
  'return-to-service': US_MECHANICS,
  service: [...US_MECHANICS, 'pilot', 'flight-instructor'],
  judgement: [...US_MECHANICS, 'flight-instructor'],
  'no-hazard': [...US_MECHANICS, 'pilot', 'flight-instructor'],
  'check-flight': ['pilot', 'flight-instructor'],
  'independent-inspection': [],
  'daily-inspection': [],
  'maintenance-release': [],
};

/** Licensed engineers, and approved maintenance organisations, which are on record as repair stations. */
const AU_MAINTAINERS = ['licensed-engineer', 'repair-station'] as const;

/** The same in Australia. Source: CAR 1988 regs 42G, 42ZC, 43 and 50, and Schedules 5 and 8 (from memory, less certain). */
const IN_AUSTRALIA: Readonly<Record<SignedWork, readonly CertificateKind[]>> = {
  'annual-inspection': AU_MAINTAINERS,
  'hundred-hour-inspection': AU_MAINTAINERS,
  'condition-inspection': AU_MAINTAINERS,
  'progressive-segment': AU_MAINTAINERS,
  'altimeter-test': AU_MAINTAINERS,
  'transponder-test': AU_MAINTAINERS,
  'locator-inspection': AU_MAINTAINERS,
  'return-to-service': AU_MAINTAINERS,
  service: [...AU_MAINTAINERS, 'pilot', 'flight-instructor'],
  judgement: [...AU_MAINTAINERS, 'flight-instructor'],
  'no-hazard': [...AU_MAINTAINERS, 'pilot', 'flight-instructor'],
  'check-flight': ['pilot', 'flight-instructor'],
  'independent-inspection': [...AU_MAINTAINERS, 'pilot'],
  'daily-inspection': ['pilot', 'flight-instructor', 'licensed-engineer'],
  'maintenance-release': AU_MAINTAINERS,
};

const MAY_SIGN: Readonly<Record<Authority, Readonly<Record<SignedWork, readonly CertificateKind[]>>>> = { us: IN_THE_US, au: IN_AUSTRALIA };

/** The kinds of certificates that may sign `work`. */
export function mayBeSignedBy(work: SignedWork, authority: Authority): readonly CertificateKind[] {
  return MAY_SIGN[authority][work];
}

/** Why a signature does not stand behind a piece of work. */
export type SignatureFault =
  | 'name-missing' | 'certificate-missing' | 'certificate-number-missing' | 'certificate-validity-unknown'
  | 'certificate-not-valid-then' | 'certificate-kind-not-entitled' | 'copy-not-vouched';

const NO_FAULTS: readonly SignatureFault[] = [];

function isSound({ name, certificate, vouched }: Signature, work: SignedWork, on: CivilDate, authority: Authority): boolean {
  if (vouched === 'nobody' || name === null || certificate === null || name.trim() === '') return false;
  const { kind, number, validFrom, validUntil } = certificate;
  return MAY_SIGN[authority][work].includes(kind) && number !== null && number.trim() !== '' && validFrom !== null && validUntil !== null && on >= validFrom && (validUntil === 'no-expiry' || on <= validUntil);
}

/**
 * Every fault of a signature for `work` done on `on`; an empty list means that it counts.
 * Source of the elements: 14 CFR 43.9(a)(4) and 43.11(a)(3): signature, certificate number and kind (from memory).
 */
export function signatureFaults(signature: Signature | null, work: SignedWork, on: CivilDate, authority: Authority): readonly SignatureFault[] {
  // Most are in order: they make no list.
  if (signature !== null && isSound(signature, work, on, authority)) return NO_FAULTS;
  const faults: SignatureFault[] = [];
  if (signature?.vouched === 'nobody') faults.push('copy-not-vouched');
  if (signature?.name == null || signature.name.trim() === '') faults.push('name-missing');
  const certificate = signature?.certificate ?? null;
  if (certificate === null) return [...faults, 'certificate-missing'];
  if (!MAY_SIGN[authority][work].includes(certificate.kind)) faults.push('certificate-kind-not-entitled');
  if (certificate.number === null || certificate.number.trim() === '') faults.push('certificate-number-missing');
  if (certificate.validFrom === null || certificate.validUntil === null) faults.push('certificate-validity-unknown');
  else if (on < certificate.validFrom || (certificate.validUntil !== 'no-expiry' && on > certificate.validUntil)) faults.push('certificate-not-valid-then');
  return faults;
}
