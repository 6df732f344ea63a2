import type { ListFault } from './minimum-list';
import type { Hours } from '../../quantities/hours';
import type { SignatureFault } from '../../records/club/certificate';
import type { Category } from '../../records/aircraft/aircraft';
import type { Classification, ClosedUse, RectificationFault } from '../../records/findings/discrepancy';
import type { DocumentKind, RegistrationEnding } from '../../records/documents/document';
import type { Contradiction } from '../../records/contradictions';
import type { DiscountedEntry, InspectionFault, InspectionKind } from '../../records/maintenance/inspection';
import type { DeferralFault } from '../../records/findings/discrepancy';
import type { EquipmentKind } from '../../records/aircraft/equipment';
import type { DoneFault, ItemKind } from '../../records/maintenance/maintenance-item';
import type {
  Announced,
  FuelGrade,
  MeasureLimit,
  Quantity,
  SampleResult,
  WalkedFor,
} from '../../records/walkround/measurement';
import type { Meter } from '../../records/meters/meters';
import type { ClubDocument } from '../../records/flights/movement';
import type { WorkFault } from '../../records/maintenance/work-entry';
import type { Volume } from '../../quantities/volume';
import type { Instant } from '../../time/instant';
import type { CivilDate } from '../../time/civil-date';
import type { Cap } from './cap';

/** Why a constraint is there: a code and the values that were compared. The words are in `explain`. A code keeps its meaning for ever. */
export type Reason =
  | { readonly code: 'document-never-checked'; readonly document: DocumentKind }
  | { readonly code: 'document-not-aboard'; readonly document: DocumentKind }
  | { readonly code: 'document-aboard-unknown'; readonly document: DocumentKind }
  | { readonly code: 'document-illegible'; readonly document: DocumentKind }
  | { readonly code: 'document-legibility-unknown'; readonly document: DocumentKind }
  | { readonly code: 'document-check-ahead-of-itself'; readonly document: DocumentKind }
  | { readonly code: 'certificate-not-displayed' }
  | { readonly code: 'certificate-display-unknown' }
  | {
      readonly code: 'document-of-another-aircraft';
      readonly document: DocumentKind;
      readonly shown: string;
      readonly registration: string;
    }
  | { readonly code: 'document-registration-unknown'; readonly document: DocumentKind }
  | { readonly code: 'flight-manual-needed'; readonly firstFlownOn: CivilDate }
  | { readonly code: 'first-flight-date-unknown' }
  | { readonly code: 'limitations-form-unknown' }
  | { readonly code: 'cabin-tank-unknown' }
  | {
      readonly code: 'registration-expires';
      readonly lastDay: CivilDate;
      readonly basis: 'printed' | 'printed-extended' | 'issue-date' | 'temporary';
    }
  | { readonly code: 'registration-temporary' }
  | { readonly code: 'registration-expiry-unknown' }
  | {
      readonly code: 'registration-dates-contradict';
      readonly issuedOn: CivilDate;
      readonly printedExpiry: CivilDate;
    }
  | {
      readonly code: 'registration-issued-after-seen';
      readonly issuedOn: CivilDate;
      readonly seenOn: CivilDate;
    }
  | { readonly code: 'registration-ended'; readonly on: CivilDate; readonly because: RegistrationEnding }
  | { readonly code: 'category-unknown' }
  | { readonly code: 'category-without-rules'; readonly category: Category }
  | {
      readonly code: 'annual-expires';
      readonly completedOn: CivilDate;
      readonly lastDay: CivilDate;
      readonly discounted: readonly DiscountedEntry[];
    }
  | { readonly code: 'annual-unknown'; readonly discounted: readonly DiscountedEntry[] }
  | {
      readonly code: 'inspection-not-signed';
      readonly kind: InspectionKind;
      readonly completedOn: CivilDate;
      readonly faults: readonly SignatureFault[];
    }
  | {
      readonly code: 'inspection-outcome-unknown';
      readonly kind: InspectionKind;
      readonly completedOn: CivilDate;
    }
  | {
      readonly code: 'inspection-not-approved';
      readonly kind: InspectionKind;
      readonly completedOn: CivilDate;
    }
  | {
      readonly code: 'hundred-hour-due';
      readonly dueAt: Hours;
      readonly lastAt: Hours;
      readonly lastKind: InspectionKind;
      readonly takenOff: Hours;
      readonly discounted: readonly DiscountedEntry[];
    }
  | { readonly code: 'hundred-hour-unknown'; readonly discounted: readonly DiscountedEntry[] }
  | { readonly code: 'meter-unknown'; readonly meter: Meter }
  | {
      readonly code: 'meter-contradicts';
      readonly meter: Meter;
      readonly earlier: string;
      readonly later: string;
      readonly earlierValue: number;
      readonly laterValue: number;
    }
  | { readonly code: 'meter-ahead-of-itself'; readonly meter: Meter; readonly record: string }
  | { readonly code: 'meter-reading-stale'; readonly readOn: CivilDate; readonly days: number }
  | {
      readonly code: 'discrepancy-open';
      readonly what: string;
      readonly where: string | null;
      readonly classification: Classification;
      readonly classified: boolean;
      readonly closesUses: readonly ClosedUse[];
      readonly foundBy: string | null;
      readonly foundOn: CivilDate;
    }
  | {
      readonly code: 'discrepancy-repair-not-valid';
      readonly what: string;
      readonly where: string | null;
      readonly faults: readonly RectificationFault[];
      readonly classification: Classification;
    }
  | { readonly code: 'approved-uses-unknown' }
  | { readonly code: 'particular-unknown'; readonly what: Particular }
  | {
      readonly code: 'category-closes';
      readonly category: Category;
      readonly what: 'hire' | 'hire-but-lessons-and-towing' | 'night-and-instruments';
    }
  // Documents.
  | { readonly code: 'manual-revision-differs'; readonly aboard: string; readonly inForce: string }
  | { readonly code: 'manual-revision-unknown' }
  | { readonly code: 'manual-serial-differs'; readonly shown: string; readonly serial: string }
  | { readonly code: 'manual-serial-unknown' }
  | { readonly code: 'placards-missing' }
  | { readonly code: 'placards-unknown' }
  | { readonly code: 'loading-data-outdated'; readonly datedOn: CivilDate; readonly changedOn: CivilDate }
  | { readonly code: 'loading-data-date-unknown' }
  | {
      readonly code: 'document-stale';
      readonly document: DocumentKind;
      readonly seenOn: CivilDate;
      readonly days: number;
    }
  | { readonly code: 'club-document-expires'; readonly name: string; readonly lastDay: CivilDate }
  | { readonly code: 'club-document-expiry-unknown'; readonly name: string }
  | { readonly code: 'club-document-missing'; readonly kind: ClubDocument['kind'] }
  // Inspections, tests and items.
  | {
      readonly code: 'inspection-expires';
      readonly kind: InspectionKind;
      readonly completedOn: CivilDate;
      readonly lastDay: CivilDate;
      readonly discounted: readonly DiscountedEntry[];
    }
  | {
      readonly code: 'inspection-unknown';
      readonly kind: InspectionKind;
      readonly discounted: readonly DiscountedEntry[];
    }
  | { readonly code: 'test-needed-after-work'; readonly kind: InspectionKind; readonly workedOn: CivilDate }
  | { readonly code: 'work-effect-unknown'; readonly description: string; readonly effect: WorkEffect }
  | { readonly code: 'vor-check-expires'; readonly lastDay: CivilDate; readonly doneOn: CivilDate }
  | { readonly code: 'vor-check-unknown' }
  | { readonly code: 'vor-check-failed'; readonly error: number; readonly allowed: number }
  | { readonly code: 'vor-check-incomplete'; readonly doneOn: CivilDate }
  | { readonly code: 'database-expires'; readonly lastDay: CivilDate }
  | { readonly code: 'database-not-yet'; readonly effectiveOn: CivilDate }
  | { readonly code: 'database-unknown' }
  | {
      readonly code: 'item-expires';
      readonly name: string;
      readonly kind: ItemKind;
      readonly lastDay: CivilDate;
      readonly printed: boolean;
    }
  | {
      readonly code: 'item-due';
      readonly name: string;
      readonly kind: ItemKind;
      readonly meter: Meter;
      readonly dueAt: number;
      readonly takenOff: number;
    }
  | {
      readonly code: 'item-overrun-ends';
      readonly name: string;
      readonly meter: Meter;
      readonly dueAt: number;
      readonly overrunTo: number;
    }
  | { readonly code: 'item-history-unknown'; readonly name: string; readonly kind: ItemKind }
  | { readonly code: 'item-reading-unknown'; readonly name: string; readonly meter: Meter }
  | { readonly code: 'items-unknown' }
  | { readonly code: 'programme-segments-unknown' }
  | {
      readonly code: 'oil-change-due';
      readonly name: string;
      readonly dueAt: Hours;
      readonly leaded: Hours;
      readonly unleaded: Hours;
      readonly unsaid: Hours;
    }
  // ADs.
  | { readonly code: 'ads-unknown' }
  | {
      readonly code: 'ad-expires';
      readonly number: string;
      readonly title: string;
      readonly lastDay: CivilDate;
      readonly first: boolean;
      readonly whichever?: 'later';
    }
  | {
      readonly code: 'ad-due';
      readonly number: string;
      readonly title: string;
      readonly meter: Meter;
      readonly dueAt: number;
      readonly first: boolean;
      readonly notBefore?: CivilDate | null;
    }
  | { readonly code: 'ad-before-flight'; readonly number: string; readonly title: string }
  | {
      readonly code: 'ad-unknown';
      readonly number: string;
      readonly title: string;
      readonly what: 'applicability' | 'effective-date' | 'reading';
    }
  // ELT.
  | { readonly code: 'elt-unknown' }
  | { readonly code: 'elt-battery-expires'; readonly lastDay: CivilDate }
  | { readonly code: 'elt-battery-used'; readonly usedSeconds: number }
  | { readonly code: 'elt-battery-unknown'; readonly what: 'date' | 'use' }
  | { readonly code: 'elt-removed'; readonly removedOn: CivilDate; readonly lastDay: CivilDate }
  | {
      readonly code: 'elt-removal-incomplete';
      readonly lacks: readonly ('date' | 'entry' | 'placard' | 'determination')[];
    }
  | { readonly code: 'elt-deactivated'; readonly on: CivilDate }
  | { readonly code: 'elt-not-fitted' }
  // Equipment and deferrals.
  | { readonly code: 'equipment-list-unknown' }
  | { readonly code: 'equipment-not-fitted'; readonly equipment: EquipmentKind; readonly list: RequiredList }
  | {
      readonly code: 'equipment-inoperative';
      readonly equipment: EquipmentKind;
      readonly what: string;
      readonly list: RequiredList | 'navigation';
    }
  | {
      readonly code: 'navigation-not-aboard';
      readonly equipment: EquipmentKind;
      readonly state: 'not-fitted' | 'unknown';
    }
  | { readonly code: 'equipment-unknown'; readonly equipment: EquipmentKind; readonly list: RequiredList }
  | { readonly code: 'equipment-expires'; readonly equipment: EquipmentKind; readonly lastDay: CivilDate }
  | { readonly code: 'equipment-date-unknown'; readonly equipment: EquipmentKind }
  | {
      readonly code: 'item-inoperative';
      readonly equipment: readonly EquipmentKind[];
      readonly what: string;
      readonly because: readonly InoperativeCause[];
      readonly deferred: boolean;
    }
  | {
      readonly code: 'item-deferred';
      readonly equipment: readonly EquipmentKind[];
      readonly what: string;
      readonly deferredOn: CivilDate | null;
      /** What the pilot does while it is inoperative, by the aircraft's minimum equipment list; absent where the list says nothing. */
      readonly operations?: string;
    }
  | {
      readonly code: 'item-not-deferred';
      readonly equipment: readonly EquipmentKind[];
      readonly what: string;
    }
  | {
      readonly code: 'deferral-not-valid';
      readonly what: string;
      readonly faults: readonly (DeferralFault | ListFault)[];
    }
  | { readonly code: 'deferral-expires'; readonly what: string; readonly lastDay: CivilDate }
  | { readonly code: 'deferral-due'; readonly what: string; readonly dueAt: Hours }
  | {
      readonly code: 'deferral-not-addressed';
      readonly what: string;
      readonly foundOn: CivilDate;
      readonly inspectedOn: CivilDate;
    }
  | { readonly code: 'deferral-holds-to'; readonly what: string; readonly cap: Omit<Cap, 'own'> }
  | {
      readonly code: 'watch-due';
      readonly what: string;
      readonly lastDay: CivilDate | null;
      readonly dueAt: Hours | null;
      readonly trigger: 'look-again' | 'fix-by';
    }
  // Work, permits, releases.
  | { readonly code: 'work-in-progress'; readonly description: string }
  | {
      readonly code: 'work-entry-not-valid';
      readonly description: string;
      readonly faults: readonly WorkFault[];
    }
  | {
      readonly code: 'check-flight-needed';
      readonly description: string;
      readonly completedOn: CivilDate;
      readonly attempted: boolean;
    }
  | { readonly code: 'independent-inspection-needed'; readonly description: string }
  | { readonly code: 'release-missing' }
  | { readonly code: 'release-expires'; readonly lastDay: CivilDate }
  | { readonly code: 'release-due'; readonly dueAt: Hours }
  | { readonly code: 'release-incomplete'; readonly lacks: readonly string[] }
  | { readonly code: 'release-not-in-force'; readonly standing: 'suspended' | 'cancelled' }
  | { readonly code: 'release-of-another-aircraft'; readonly shown: string; readonly registration: string }
  | {
      readonly code: 'release-work-due';
      readonly what: string;
      readonly lastDay: CivilDate | null;
      readonly dueAt: Hours | null;
    }
  | { readonly code: 'daily-inspection-due'; readonly lastOn: CivilDate | null }
  // The ramp.
  | {
      readonly code: 'measured-outside';
      readonly quantity: Quantity;
      readonly which: string | null;
      readonly value: number;
      readonly min: number | null;
      readonly max: number | null;
      readonly remedy: MeasureLimit['remedy'];
    }
  | { readonly code: 'not-measured'; readonly quantity: Quantity; readonly which: string | null }
  | {
      readonly code: 'gauge-differs';
      readonly tank: string;
      readonly gauge: Volume;
      readonly dip: Volume;
      readonly tolerance: Volume;
    }
  | {
      readonly code: 'sample-not-clean';
      readonly result: Exclude<SampleResult, 'clean'> | null;
      readonly drain: string | null;
    }
  | {
      readonly code: 'fuel-suspect';
      readonly drain: string | null;
      readonly why: 'wrong-colour' | 'wrong-smell' | 'water-again';
    }
  | { readonly code: 'fuel-grade-wrong'; readonly grade: FuelGrade; readonly approved: readonly FuelGrade[] }
  | { readonly code: 'fuel-grade-unknown'; readonly approved: readonly FuelGrade[] }
  | {
      readonly code: 'fuel-dip-over-tank';
      readonly tank: string;
      readonly dipped: Volume;
      readonly holds: Volume;
    }
  | { readonly code: 'fuel-over-tanks'; readonly planned: Volume; readonly holds: Volume }
  | {
      readonly code: 'sample-needed';
      readonly because: 'none' | 'fuelled-since' | 'flown-since' | 'not-today' | 'not-every-drain';
      readonly drain: string | null;
    }
  | { readonly code: 'walk-round-missing' }
  | { readonly code: 'walk-round-unfinished'; readonly by: string; readonly left: number }
  | { readonly code: 'walk-round-unsigned'; readonly by: string }
  | { readonly code: 'walk-round-without'; readonly by: string; readonly what: WalkedFor }
  | {
      readonly code: 'step-not-seen';
      readonly title: string;
      readonly place: string;
      readonly by: string;
    }
  | {
      readonly code: 'announced-open';
      readonly act: Announced['act'];
      readonly which: string | null;
      readonly amount: number | null;
      readonly by: string;
    }
  | { readonly code: 'oil-use-high'; readonly perHour: Volume; readonly limit: Volume }
  | { readonly code: 'fuel-below-minimum'; readonly aboard: Volume; readonly minimum: Volume }
  | {
      readonly code: 'fuel-short';
      readonly aboard: Volume;
      readonly needed: Volume;
      readonly reserveMinutes: number;
    }
  | { readonly code: 'fuel-aboard-unknown' }
  | { readonly code: 'fuel-burn-unknown' }
  // Movements, dispatch restriction, towing, the flight itself.
  | { readonly code: 'aircraft-out'; readonly by: string | null; readonly since: Instant }
  | {
      readonly code: 'flight-not-read';
      readonly by: string | null;
      readonly returnedAt: Instant;
      readonly seconds: Hours;
    }
  | { readonly code: 'two-flights-open'; readonly earlier: string; readonly later: string }
  | {
      readonly code: 'restricted';
      readonly why: string;
      readonly by: string;
      readonly cap: Omit<Cap, 'own'> | null;
    }
  | { readonly code: 'record-unreadable'; readonly why: string }
  | { readonly code: 'record-ahead-of-itself'; readonly record: string; readonly kind: string }
  | {
      readonly code: 'record-contradicts-itself';
      readonly record: string;
      readonly kind: string;
      readonly how: Contradiction;
    }
  | {
      readonly code: 'work-not-signed';
      readonly name: string;
      readonly completedOn: CivilDate;
      readonly faults: readonly (DoneFault | InspectionFault)[];
    }
  | { readonly code: 'programme-not-complete'; readonly name: string }
  | { readonly code: 'altitude-over-tested'; readonly planned: number; readonly tested: number }
  | { readonly code: 'altitude-tested-unknown' }
  | { readonly code: 'approved-list-missing' }
  | { readonly code: 'rigging-unknown' }
  | { readonly code: 'derigged' }
  | { readonly code: 'rigging-not-checked'; readonly gaps: readonly RiggingGap[] }
  | { readonly code: 'tow-rope-unfit'; readonly fault: TowRopeFault }
  | { readonly code: 'student-not-alone' }
  | {
      readonly code: 'cap-passed';
      readonly quantity: Cap['quantity'];
      readonly bound: Cap['bound'];
      readonly value: number;
      readonly planned: number | null;
    }
  | {
      readonly code: 'flight-leaves-open';
      readonly what: 'landings' | 'tow-launches' | 'alternate' | 'navigation' | 'altitude';
    };

/** What of the aircraft's particulars a rule could not find. */
export type Particular =
  | 'serial-number'
  | 'manufactured-on'
  | 'certificated-on'
  | 'seats'
  | 'engine'
  | 'gear'
  | 'programme'
  | 'ifr-navigation'
  | 'manual-revision'
  | 'fuel'
  | 'oil-limits'
  | 'first-flown-on'
  | 'fuses'
  | 'fuel-grades'
  | 'drains'
  | 'kept-rigged';
/** What work may have done that its entry does not say. */
export type WorkEffect =
  'flight-characteristics' | 'flight-controls' | 'static-system' | 'altitude-reporting' | 'weight';
/** The list of 14 CFR 91.205 that asks for an item. */
export type RequiredList =
  | 'day-vfr'
  | 'night-vfr'
  | 'ifr'
  | 'sunset-to-sunrise'
  | 'for-hire'
  | 'transponder-airspace'
  | 'ads-b-airspace'
  | 'over-water'
  | 'towing'
  | 'club';
/** Which of the four questions of 14 CFR 91.213(d)(2) an inoperative item fails. */
/** What is missing of the checks after a glider was rigged. */
export type RiggingGap = 'assembly' | 'controls' | 'tools-not-counted' | 'tools-missing';
export type InoperativeCause =
  'walk-round' | 'type-certification' | 'equipment-list' | 'kinds-of-operation' | 'operating-rule' | 'ad';
/** Why a tow rope may not be used. */
export type TowRopeFault =
  'no-rope' | 'unknown' | 'knot-or-strand' | 'too-weak' | 'links-needed' | 'glider-link' | 'tug-link';

/** A code of a reason. */
export type ReasonCode = Reason['code'];
