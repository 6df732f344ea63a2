import type { ClosedUse } from '../core/records/findings/discrepancy';
import type { ListFault } from '../core/rules/parts/minimum-list';
import type { AuthorisedWithout } from '../core/records/flights/planned-flight';
import type { Purpose } from '../core/envelope/dimensions';
import type { Category } from '../core/records/aircraft/aircraft';
import type { CertificateKind } from '../core/records/club/certificate';
import type { Classification, DeferralFault, RectificationFault } from '../core/records/findings/discrepancy';
import type { EquipmentKind } from '../core/records/aircraft/equipment';
import type { ItemKind } from '../core/records/maintenance/maintenance-item';
import type { Quantity, SampleResult } from '../core/records/walkround/measurement';
import type { Counter, Meter } from '../core/records/meters/meters';
import type { WatchFault } from '../core/records/findings/triage';
import type { WorkFault } from '../core/records/maintenance/work-entry';
import type {
  InoperativeCause,
  Particular,
  RequiredList,
  RiggingGap,
  TowRopeFault,
  WorkEffect,
} from '../core/rules/parts/reason';
import type { DocumentKind, RegistrationEnding } from '../core/records/documents/document';
import type { InspectionFault, InspectionKind } from '../core/records/maintenance/inspection';
import type { NotChecked } from '../core/decision/decision';

/** What a counter counts. */
export const COUNTED: { readonly [C in Counter]: string } = {
  landings: 'landings',
  cycles: 'cycles',
  'tow-launches': 'tow launches',
};
/** Names of documents, as the middle of a sentence. */
export const DOCUMENT_NAMES: Readonly<Record<DocumentKind, string>> = {
  'airworthiness-certificate': 'airworthiness certificate',
  'registration-certificate': 'registration certificate',
  'operating-limitations': 'flight manual or operating limitations',
  'weight-and-balance': 'weight-and-balance data',
  'radio-licence': 'radio station licence',
  'cabin-tank-form-337': 'Form 337 for the cabin fuel tank',
};

export const INSPECTION_NAMES: Readonly<Record<InspectionKind, string>> = {
  annual: 'annual inspection',
  'hundred-hour': '100-hour inspection',
  condition: 'condition inspection',
  'altimeter-static': 'altimeter and static test',
  transponder: 'transponder test',
  elt: 'ELT inspection',
  'static-system': 'static system test',
  'programme-left': 'last complete inspection of a programme that was left',
  'certificate-issue': 'inspection for the issue of the airworthiness certificate',
};

export const METER_NAMES_IN_WORDS: Readonly<Record<Meter, string>> = {
  'time-in-service': 'time in service',
  engine: 'engine time',
  propeller: 'propeller time',
  block: 'block time',
  landings: 'count of landings',
  cycles: 'count of cycles',
  'tow-launches': 'count of tow launches',
};

export const ITEM_KIND_NAMES: Readonly<Record<ItemKind, string>> = {
  'life-limit': 'A life limit, which is mandatory',
  overhaul: 'An overhaul',
  service: 'A service',
  'component-check': 'A check of a component',
  'oil-change': 'An oil change',
  'safety-equipment': 'Safety equipment',
  'club-document': 'A club document',
};

export const WORK_EFFECT_NAMES: Readonly<Record<WorkEffect, string>> = {
  'flight-characteristics': 'how the aircraft flies',
  'flight-controls': 'the flight controls',
  'static-system': 'the static system',
  'altitude-reporting': 'the altitude that the transponder reports',
  weight: 'the weight and balance',
};

export const PARTICULAR_NAMES: Readonly<Record<Particular, string>> = {
  'serial-number': 'which serial number this aircraft has',
  'manufactured-on': 'when this aircraft was made',
  'certificated-on': 'when its type was certificated',
  seats: 'how many seats it has',
  engine: 'what engine it has',
  gear: 'whether its gear retracts',
  programme: 'by which programme it is inspected',
  'ifr-navigation': 'what its navigation by instruments rests on',
  'manual-revision': 'which revision of its flight manual is in force',
  fuel: 'what its fuel figures are',
  'oil-limits': 'how much oil its engine needs',
  'first-flown-on': 'when it first flew',
  fuses: 'whether it has fuses',
  'fuel-grades': 'which grades of fuel its engine may have',
  drains: 'which fuel drains it has',
  'kept-rigged': 'whether it is kept rigged',
};

export const AUTHORISED_NAMES: Readonly<Record<AuthorisedWithout, string>> = {
  transponder: 'a transponder',
  'ads-b-out': 'ADS-B Out',
};

export const RIGGING_GAPS: Readonly<Record<RiggingGap, string>> = {
  assembly: 'nobody has checked the critical assemblies',
  controls: 'nobody has held the surfaces against the controls',
  'tools-not-counted': 'tools and parts have not been counted',
  'tools-missing': 'a tool or part is missing',
};

export const EQUIPMENT_NAMES: Readonly<Record<EquipmentKind, string>> = {
  'airspeed-indicator': 'airspeed indicator',
  altimeter: 'altimeter',
  'magnetic-direction-indicator': 'magnetic compass',
  tachometer: 'tachometer',
  'oil-pressure-gauge': 'oil pressure gauge',
  'coolant-temperature-gauge': 'coolant temperature gauge',
  'oil-temperature-gauge': 'oil temperature gauge',
  'manifold-pressure-gauge': 'manifold pressure gauge',
  'fuel-gauge': 'fuel gauge for each tank',
  'gear-position-indicator': 'gear position indicator',
  'anticollision-lights': 'set of anticollision lights',
  flotation: 'flotation gear for everybody',
  'pyrotechnic-signal': 'pyrotechnic signal',
  'safety-belts': 'safety belt for everybody',
  'front-shoulder-harnesses': 'shoulder harness at each front seat',
  'all-seat-harnesses': 'shoulder harness at every seat',
  'position-lights': 'set of position lights',
  'landing-light': 'landing light',
  'electrical-source': 'adequate source of electrical energy',
  'spare-fuses': 'set of spare fuses in reach',
  'two-way-radio': 'two-way radio',
  'ifr-navigation': 'navigation equipment for the route',
  'rate-of-turn': 'rate-of-turn indicator',
  'slip-skid': 'slip-skid indicator',
  'sensitive-altimeter': 'sensitive altimeter',
  clock: 'clock with seconds',
  generator: 'generator or alternator',
  'artificial-horizon': 'artificial horizon',
  'directional-gyro': 'directional gyro',
  transponder: 'transponder',
  'ads-b-out': 'ADS-B Out',
  'vor-receiver': 'VOR receiver',
  'satellite-navigator': 'satellite navigator',
  'tow-hook': 'tow hook',
  'stall-warning': 'stall warning',
  'pitot-heat': 'pitot heat',
  'fire-extinguisher': 'fire extinguisher',
  'monoxide-detector': 'carbon-monoxide detector',
  'exhaust-gas-gauge': 'exhaust gas gauge',
  'instrument-lights': 'set of instrument lights',
  'alternate-static': 'alternate static source',
  elt: 'ELT',
  'avionics-fan': 'avionics fan',
  'warning-lights': 'set of warning lights',
  'ice-lights': 'ice light',
  'static-wicks': 'set of static wicks',
  'outside-air-thermometer': 'outside-air thermometer',
  'tow-rope': 'tow rope',
  other: 'item',
};

/** Which list asks, as the start of a sentence. */
/** What is closed beyond the rules, as a person chooses it. */
export const CLOSED_USE_NAMES: Readonly<Record<ClosedUse, string>> = {
  dusk: 'Flights at dusk',
  night: 'Flights by night',
  'night-for-hire': 'Flights by night for hire, and lessons',
  ifr: 'Flights under instrument rules',
  tow: 'Towing gliders',
  ice: 'Flights that may meet ice',
};

export const LIST_NAMES: Readonly<Record<RequiredList, string>> = {
  'day-vfr': 'The list for visual flight by day',
  'night-vfr': 'The list for visual flight by night',
  ifr: 'The list for instrument flight',
  'sunset-to-sunrise': 'Flight between sunset and sunrise',
  'for-hire': 'The list for night flight for hire',
  'transponder-airspace': 'Airspace that needs a transponder',
  'ads-b-airspace': 'Airspace that needs ADS-B Out',
  'over-water': 'Carrying people for hire beyond gliding distance of the shore',
  towing: 'Towing gliders',
  club: 'The club',
};

/** Which of the four questions, as the middle of a sentence. */
export const CAUSE_NAMES: Readonly<Record<InoperativeCause, string>> = {
  'walk-round': 'the walk-round list',
  'type-certification': 'its type certification',
  'equipment-list': 'the aircraft’s equipment list',
  'kinds-of-operation': 'its kinds-of-operation list',
  'operating-rule': 'the operating rules',
  ad: 'an AD that asks for it, or may ask for it',
};

export const QUANTITY_NAMES_IN_WORDS: Readonly<Record<Quantity, string>> = {
  oil: 'engine oil',
  'gearbox-oil': 'gearbox oil',
  'fuel-dip': 'fuel by dip',
  'fuel-gauge': 'fuel by gauge',
  strut: 'strut extension',
  'belt-play': 'play of the alternator belt',
  'brake-pad': 'brake pad',
  propeller: 'propeller diameter',
  battery: 'battery voltage',
  'ignition-drop': 'ignition drop',
  'ignition-difference': 'difference of the ignition drops',
  'tyre-pressure': 'tyre pressure',
  tyre: 'tyre',
  coolant: 'coolant',
  'brake-fluid': 'brake fluid',
};

export const SAMPLE_NAMES: Readonly<Record<Exclude<SampleResult, 'clean'>, string>> = {
  water: 'water',
  dirt: 'dirt',
  'wrong-colour': 'a wrong colour',
  'wrong-smell': 'a wrong smell',
};

export const ROPE_FAULT_NAMES: Readonly<Record<TowRopeFault, string>> = {
  'no-rope': 'No tow rope is on record.',
  unknown: 'Not everything about the tow rope is on record.',
  'knot-or-strand': 'The tow rope has a knot or a broken strand.',
  'too-weak': 'The tow rope is too weak for the glider.',
  'links-needed': 'The tow rope is so strong that it needs weak links at both ends.',
  'glider-link': 'The weak link at the glider is out of its range.',
  'tug-link': 'The weak link at the tug is out of its range.',
};

export const CATEGORY_NAMES: Readonly<Record<Category, string>> = {
  standard: 'standard',
  'light-sport': 'light-sport',
  experimental: 'experimental',
  glider: 'glider',
  restricted: 'restricted',
  provisional: 'provisional',
};

export const CERTIFICATE_NAMES: Readonly<Record<CertificateKind, string>> = {
  'mechanic-airframe-powerplant': 'A&P mechanic',
  'inspection-authorisation': 'IA',
  'repair-station': 'repair station',
  'flight-instructor': 'flight instructor',
  pilot: 'pilot',
  'student-pilot': 'student pilot',
  'light-sport-repairman': 'light-sport repairman (maintenance rating)',
  'light-sport-inspector': 'light-sport repairman (inspection rating)',
  'experimental-builder': 'repairman who built it',
  'recreational-pilot': 'recreational pilot',
  'sport-pilot': 'sport pilot',
  'airworthiness-authority': 'airworthiness authority or its designee',
  'licensed-engineer': 'licensed aircraft maintenance engineer',
};

/** The same spelled out, for the person who chooses one. */
export const CERTIFICATE_CHOICES: Readonly<Record<CertificateKind, string>> = {
  ...CERTIFICATE_NAMES,
  'mechanic-airframe-powerplant': 'A&P mechanic (airframe and powerplant)',
  'inspection-authorisation': 'IA (mechanic with inspection authorisation)',
  pilot: 'pilot (private or above)',
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

/** Purposes as what an aircraft is available for. */
export const USE_NAMES: Readonly<Record<Purpose, string>> = {
  'private-rental': 'private rental',
  'instruction-school-aircraft': 'lessons',
  'instruction-own-aircraft': 'lessons for its owner',
  'carriage-for-hire': 'carriage for hire',
  'glider-towing': 'towing',
  'positioning-to-maintenance': '',
  'maintenance-check-flight': '',
};

export const ENDING_NAMES: Readonly<Record<RegistrationEnding, string>> = {
  'ownership-transferred': 'the aircraft changed owners',
  'cancelled-by-holder': 'the holder had it cancelled',
  'registered-abroad': 'the aircraft was registered abroad',
  'destroyed-or-scrapped': 'the aircraft was written off',
  'holder-lost-eligibility': 'the holder lost the right to hold it',
  'holder-died': 'the holder died more than 30 days before',
};

export const FAULT_NAMES: Readonly<
  Record<InspectionFault | RectificationFault | DeferralFault | ListFault | WorkFault | WatchFault, string>
> = {
  'copy-not-vouched': 'a paper copy for which nobody has vouched yet',
  'name-missing': 'the entry lacks the signer’s name',
  'certificate-missing': 'the entry lacks a certificate',
  'certificate-number-missing': 'the entry lacks the certificate number',
  'certificate-validity-unknown': 'the certificate’s validity is not on record',
  'certificate-not-valid-then': 'the certificate was not valid on that day',
  'certificate-kind-not-entitled': 'that kind of certificate may not sign it',
  'time-in-service-missing': 'the entry lacks the total time in service (43.11(a))',
  'outcome-missing': 'the entry does not say whether the aircraft was approved (43.11(a))',
  'not-approved': 'the aircraft was not approved for return to service',
  'completed-after-recorded': 'it is dated after the day on which it was written',
  'completed-before-found': 'it is dated before the find',
  'watch-without-end': 'it does not say by when it is looked at again',
  'watch-of-equipment': 'equipment that is inoperative is deferred or repaired, and not watched',
  'watch-before-found': 'it is dated before the find',
  'cleared-before-inspection': 'its list was cleared before the inspection was done',
  'work-missing': 'it does not say what kind of work was done',
  'work-does-not-fit': 'that kind of work cannot close a finding of this class',
  'description-missing': 'the entry lacks a description of the work',
  'date-missing': 'the date of completion is missing',
  'action-missing': 'it does not say whether the item was removed or deactivated',
  'placard-missing': 'the placard is missing',
  'record-missing': 'the entry in the maintenance record is missing',
  'list-not-followed': 'it was not made under the minimum equipment list that this aircraft has, or has not',
  'not-on-minimum-list': 'the item does not stand on the aircraft’s minimum equipment list',
  'list-means-other-equipment': 'that item of the minimum equipment list is other equipment',
  'list-gives-another-category':
    'the minimum equipment list gives the item another repair category, or other days',
  'list-needs-mechanic':
    'the minimum equipment list has a maintenance procedure for it, which a mechanic does and signs',
  'fewer-than-required': 'fewer would work than the minimum equipment list asks for',
};

/** What a class of discrepancy means for the person who wants to fly. */
export const CLASS_MEANINGS: Readonly<Record<Classification, string>> = {
  'ground-until-mechanic': 'The aircraft stays on the ground until a mechanic has looked.',
  'service-before-flight': 'It has to be corrected and recorded before anybody flies.',
  'tell-instructor': 'An instructor has to judge it before anybody flies.',
  'deferral-path':
    'Nobody flies until it is repaired, or lawfully deferred; then the uses that need it stay closed.',
  watch: 'It is watched.',
  note: 'It is noted.',
};

export const NOT_CHECKED_NAMES: Readonly<Record<NotChecked, string>> = {
  'pilot-licence-medical-currency': 'the pilot’s licence, medical, currency and checkout',
  'weather-and-notices': 'weather and notices',
  loading: 'loading',
  'fuel-and-oil-aboard': 'fuel and oil on board',
  'walk-round': 'what the walk-round of today would show',
  'club-policy': 'the club’s own rules, since none are chosen',
  'australian-equipment': 'all Australian equipment rules beyond the lists named here',
};
