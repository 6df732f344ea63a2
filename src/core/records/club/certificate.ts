import { type CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';

/**
 * Kinds of certificates whose holders sign for aircraft. The club role permits the screen; one of these permits the signature. A pilot is
 * private and above; a light-sport repairman has the maintenance rating, a light-sport inspector the inspection rating alone, and an
 * experimental builder is the repairman of 14 CFR 65.104.
 */
export const CERTIFICATE_KINDS = [
  'mechanic-airframe-powerplant',
  'inspection-authorisation',
  'repair-station',
  'flight-instructor',
  'pilot',
  'recreational-pilot',
  'sport-pilot',
  'student-pilot',
  'light-sport-repairman',
  'light-sport-inspector',
  'experimental-builder',
  'licensed-engineer',
  'airworthiness-authority',
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
  return signature === null || vouched === undefined || vouched === 'nobody' || vouched.recordedAt <= moment
    ? signature
    : { ...signature, vouched: 'nobody' };
}

/** Work that a certificate can stand behind. */
export const SIGNED_WORK = [
  'annual-inspection',
  'hundred-hour-inspection',
  'condition-inspection',
  'progressive-segment',
  'certificate-issue',
  'altimeter-test',
  'static-test',
  'transponder-test',
  'elt-inspection',
  'return-to-service',
  'major-repair-or-alteration',
  'service',
  'judgement',
  'no-hazard',
  'check-flight',
  'independent-inspection',
  'daily-inspection',
  'maintenance-release',
] as const;
export type EnteredWork = (typeof SIGNED_WORK)[number];
/** Rigging is no maintenance: no entry of a logbook is of it. */
export type SignedWork = EnteredWork | 'rigging';

/** Whose rules say who may sign: each knows its own certificates and no others. In the United States it depends on the aircraft's category too. */
export type Authority = 'us' | 'us-light-sport' | 'us-experimental' | 'au';

const US_MECHANICS = ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'] as const;
const US_PILOTS = ['pilot', 'flight-instructor'] as const;

/**
 * Who may sign what in the United States. Source: 14 CFR 43.7, 65.95, 91.213(d)(4), 91.407(b), 91.411(b), 91.413(c) and App. A
 * (from memory); 'service' and 'judgement' are common practice, no source. What only the other system has nobody signs.
 * Rigging a glider is operation and no maintenance: a pilot answers for it (common practice, no source).
 * A mechanic's own certificate never signs an annual, nor a major repair or alteration: that needs the inspection authorisation or a
 * repair station. Preventive maintenance is returned to service by a private pilot or above (43.7(f)).
 */
const IN_THE_US: Readonly<Record<SignedWork, readonly CertificateKind[]>> = {
  'annual-inspection': ['inspection-authorisation', 'repair-station'],
  'hundred-hour-inspection': US_MECHANICS,
  'condition-inspection': US_MECHANICS,
  'progressive-segment': ['inspection-authorisation', 'repair-station'],
  'certificate-issue': ['airworthiness-authority'],
  'altimeter-test': ['repair-station'],
  'static-test': US_MECHANICS,
  'transponder-test': ['repair-station'],
  'elt-inspection': US_MECHANICS,
  'return-to-service': US_MECHANICS,
  'major-repair-or-alteration': ['inspection-authorisation', 'repair-station'],
  service: [...US_MECHANICS, ...US_PILOTS],
  judgement: [...US_MECHANICS, 'flight-instructor'],
  'no-hazard': [...US_MECHANICS, ...US_PILOTS, 'recreational-pilot', 'sport-pilot'],
  'check-flight': US_PILOTS,
  'independent-inspection': [],
  'daily-inspection': [],
  'maintenance-release': [],
  rigging: [...US_MECHANICS, ...US_PILOTS, 'sport-pilot'],
};

/** Light-sport aircraft: repairmen with a maintenance rating too (65.107(c), 91.327(c)(1)), and sport pilots for preventive maintenance (43.7(g)); from memory. */
const OF_LIGHT_SPORT: typeof IN_THE_US = {
  ...IN_THE_US,
  'hundred-hour-inspection': [...US_MECHANICS, 'light-sport-repairman'],
  'condition-inspection': [...US_MECHANICS, 'light-sport-repairman'],
  'return-to-service': [...US_MECHANICS, 'light-sport-repairman'],
  service: [...IN_THE_US.service, 'light-sport-repairman', 'sport-pilot'],
};

/**
 * Experimental aircraft: the builder's repairman certificate signs the condition inspection of that aircraft (65.104); from memory. A light-sport
 * repairman does so only on light-sport aircraft with an experimental certificate (65.107), which nothing on record tells: nobody of them signs here.
 */
const OF_EXPERIMENTAL: typeof IN_THE_US = {
  ...IN_THE_US,
  'condition-inspection': [...US_MECHANICS, 'experimental-builder'],
};

/** Licensed engineers, and approved maintenance organisations, which are on record as repair stations. */
const AU_MAINTAINERS = ['licensed-engineer', 'repair-station'] as const;

/** The same in Australia. Source: CAR 1988 regs 42G, 42ZC, 43 and 50, and Schedules 5 and 8 (from memory, less certain). */
const IN_AUSTRALIA: Readonly<Record<SignedWork, readonly CertificateKind[]>> = {
  'annual-inspection': AU_MAINTAINERS,
  'hundred-hour-inspection': AU_MAINTAINERS,
  'condition-inspection': AU_MAINTAINERS,
  'progressive-segment': AU_MAINTAINERS,
  'certificate-issue': ['airworthiness-authority'],
  'altimeter-test': AU_MAINTAINERS,
  'static-test': AU_MAINTAINERS,
  'major-repair-or-alteration': AU_MAINTAINERS,
  'transponder-test': AU_MAINTAINERS,
  'elt-inspection': AU_MAINTAINERS,
  'return-to-service': AU_MAINTAINERS,
  service: [...AU_MAINTAINERS, 'pilot', 'flight-instructor'],
  judgement: [...AU_MAINTAINERS, 'flight-instructor'],
  'no-hazard': [...AU_MAINTAINERS, 'pilot', 'flight-instructor'],
  'check-flight': ['pilot', 'flight-instructor'],
  'independent-inspection': [...AU_MAINTAINERS, 'pilot'],
  'daily-inspection': ['pilot', 'flight-instructor', 'licensed-engineer'],
  'maintenance-release': AU_MAINTAINERS,
  rigging: [...AU_MAINTAINERS, 'pilot', 'flight-instructor'],
};

const MAY_SIGN: Readonly<Record<Authority, Readonly<Record<SignedWork, readonly CertificateKind[]>>>> = {
  us: IN_THE_US,
  'us-light-sport': OF_LIGHT_SPORT,
  'us-experimental': OF_EXPERIMENTAL,
  au: IN_AUSTRALIA,
};

/** The rules for an aircraft of a category; an unknown category takes those without any repairman or sport pilot. */
export function authorityFor(
  authority: Authority,
  { category }: { readonly category: string | null },
): Authority {
  if (authority === 'au') return authority;
  return category === 'light-sport'
    ? 'us-light-sport'
    : category === 'experimental'
      ? 'us-experimental'
      : 'us';
}

/** True where two signatures are one person's: the same certificate number, however the name is spelt, or the same name. What a signature does not say may be the same; where there is none there is nobody. */
export function samePerson(a: Signature | null, b: Signature | null): boolean {
  if (a === null || b === null) return false;
  const told = (text: string | null | undefined) =>
    (text ?? '')
      .trim()
      .toLowerCase()
      .replace(/[\s.-]+/g, ' ');
  const [numbers, names] = [
    [told(a.certificate?.number), told(b.certificate?.number)],
    [told(a.name), told(b.name)],
  ];
  if (numbers.includes('') || names.includes('')) return true;
  return numbers[0] === numbers[1] || names[0] === names[1];
}

/** The kinds of certificates that may sign `work`. */
export function mayBeSignedBy(work: SignedWork, authority: Authority): readonly CertificateKind[] {
  return MAY_SIGN[authority][work];
}

/** Why a signature does not stand behind a piece of work. */
export type SignatureFault =
  | 'name-missing'
  | 'certificate-missing'
  | 'certificate-number-missing'
  | 'certificate-validity-unknown'
  | 'certificate-not-valid-then'
  | 'certificate-kind-not-entitled'
  | 'copy-not-vouched';

/**
 * Every fault of a signature for `work` done on `on`; an empty list means that it counts.
 * Source of the elements: 14 CFR 43.9(a)(4) and 43.11(a)(3): signature, certificate number and kind (from memory).
 */
export function signatureFaults(
  signature: Signature | null,
  work: SignedWork,
  on: CivilDate,
  authority: Authority,
): readonly SignatureFault[] {
  const faults: SignatureFault[] = [];
  if (signature?.vouched === 'nobody') faults.push('copy-not-vouched');
  if (signature?.name == null || signature.name.trim() === '') faults.push('name-missing');
  const certificate = signature?.certificate ?? null;
  if (certificate === null) return [...faults, 'certificate-missing'];
  if (!MAY_SIGN[authority][work].includes(certificate.kind)) faults.push('certificate-kind-not-entitled');
  if (certificate.number === null || certificate.number.trim() === '')
    faults.push('certificate-number-missing');
  if (certificate.validFrom === null || certificate.validUntil === null)
    faults.push('certificate-validity-unknown');
  else if (
    on < certificate.validFrom
    || (certificate.validUntil !== 'no-expiry' && on > certificate.validUntil)
  )
    faults.push('certificate-not-valid-then');
  return faults;
}
