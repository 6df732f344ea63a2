import type { Purpose } from '../core/envelope/dimensions';
import type { Category } from '../core/records/aircraft';
import type { CertificateKind } from '../core/records/certificate';
import type { Classification, ClosedUse, RectificationFault } from '../core/records/discrepancy';
import type { DocumentKind, RegistrationEnding } from '../core/records/document';
import type { InspectionFault, InspectionKind } from '../core/records/inspection';
import type { NotChecked } from '../core/decision/decision';

/** Names of papers, as the middle of a sentence. */
export const DOCUMENT_NAMES: Readonly<Record<DocumentKind, string>> = {
  'airworthiness-certificate': 'airworthiness certificate',
  'registration-certificate': 'registration certificate',
  'operating-limitations': 'flight manual or operating limitations',
  'weight-and-balance': 'weight-and-balance data',
  'radio-licence': 'radio station licence',
  'cabin-tank-record': 'record of the cabin fuel tank',
};

export const INSPECTION_NAMES: Readonly<Record<InspectionKind, string>> = { annual: 'annual inspection', 'hundred-hour': '100-hour inspection' };

export const CATEGORY_NAMES: Readonly<Record<Category, string>> = {
  standard: 'standard', 'light-sport': 'light-sport', experimental: 'experimental', glider: 'glider', restricted: 'restricted', provisional: 'provisional',
};

export const CERTIFICATE_NAMES: Readonly<Record<CertificateKind, string>> = {
  'mechanic-airframe-powerplant': 'mechanic (airframe and powerplant)',
  'inspection-authorisation': 'inspector with inspection authorisation',
  'repair-station': 'repair station',
  'flight-instructor': 'flight instructor',
  pilot: 'pilot',
  'student-pilot': 'student pilot',
};

export const PURPOSE_NAMES: Readonly<Record<Purpose, string>> = {
  'private-rental': 'rental',
  'instruction-school-aircraft': 'lessons',
  'instruction-own-aircraft': 'lessons for the owner',
  'carriage-for-hire': 'carrying people for hire',
  'glider-towing': 'towing',
  'positioning-to-maintenance': 'a flight to the workshop',
  'maintenance-check-flight': 'a maintenance check flight',
};

export const ENDING_NAMES: Readonly<Record<RegistrationEnding, string>> = {
  'ownership-transferred': 'the aircraft changed owners',
  'cancelled-by-holder': 'the holder had it cancelled',
  'registered-abroad': 'the aircraft was registered abroad',
  'destroyed-or-scrapped': 'the aircraft was written off',
  'holder-lost-eligibility': 'the holder lost the right to hold it',
  'holder-died': 'the holder died more than 30 days before',
};

export const FAULT_NAMES: Readonly<Record<InspectionFault | RectificationFault, string>> = {
  'name-missing': 'no name',
  'certificate-missing': 'no certificate',
  'certificate-number-missing': 'no certificate number',
  'certificate-validity-unknown': 'the certificate’s validity is not on record',
  'certificate-not-valid-then': 'the certificate was not valid on that day',
  'certificate-kind-not-entitled': 'that kind of certificate may not sign it',
  'time-in-service-missing': 'no total time in service',
  'outcome-missing': 'it does not say whether the aircraft was approved',
  'not-approved': 'the aircraft was not approved for return to service',
  'completed-after-recorded': 'it is dated after the day on which it was written',
  'completed-before-found': 'it is dated before the find',
  'cleared-before-inspection': 'its list was cleared before the inspection was done',
  'work-missing': 'it does not say what kind of work was done',
  'work-does-not-fit': 'that kind of work cannot close a finding of this class',
  'description-missing': 'no description of the work',
  'date-missing': 'no date of completion',
};

export const CLOSED_USE_NAMES: Readonly<Record<ClosedUse, string>> = {
  dusk: 'twilight', night: 'night', 'night-for-hire': 'night flights for hire or lessons', ifr: 'instrument flight', tow: 'towing', ice: 'instrument flight and flight after sunset (ice)',
};

/** What a class of discrepancy means for whoever wants to fly. */
export const CLASS_MEANINGS: Readonly<Record<Classification, string>> = {
  'ground-until-mechanic': 'The aircraft stays on the ground until a mechanic has looked.',
  'service-before-flight': 'It has to be put right and recorded before anybody flies.',
  'tell-instructor': 'An instructor has to judge it before anybody flies.',
  'deferral-path': 'The uses that need it are closed until it is repaired or lawfully deferred.',
  watch: 'It is watched.',
  note: 'It is noted.',
};

export const NOT_CHECKED_NAMES: Readonly<Record<NotChecked, string>> = {
  'pilot-licence-medical-currency': 'the pilot’s licence, medical, currency and checkout',
  'weather-and-notices': 'weather and notices',
  loading: 'loading',
  'fuel-and-oil-aboard': 'fuel and oil aboard',
  'other-inspections-and-equipment': 'inspections and equipment other than those listed here',
};
