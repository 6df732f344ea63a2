import type { Hours } from '../../quantities/hours';
import type { Category } from '../../records/aircraft';
import type { Classification, ClosedUse, RectificationFault } from '../../records/discrepancy';
import type { DocumentKind, RegistrationEnding } from '../../records/document';
import type { DiscountedEntry, InspectionKind } from '../../records/inspection';
import type { CivilDate } from '../../time/civil-date';

/** Why a constraint is there: a code and the values that were compared. The words are in `explain`. A code keeps its meaning for ever. */
export type Reason =
  | { readonly code: 'document-never-sighted'; readonly document: DocumentKind }
  | { readonly code: 'document-not-aboard'; readonly document: DocumentKind }
  | { readonly code: 'document-aboard-unknown'; readonly document: DocumentKind }
  | { readonly code: 'document-illegible'; readonly document: DocumentKind }
  | { readonly code: 'document-legibility-unknown'; readonly document: DocumentKind }
  | { readonly code: 'document-sighting-ahead-of-itself'; readonly document: DocumentKind }
  | { readonly code: 'certificate-not-displayed' }
  | { readonly code: 'certificate-display-unknown' }
  | { readonly code: 'document-of-another-aircraft'; readonly document: DocumentKind; readonly shown: string; readonly registration: string }
  | { readonly code: 'document-registration-unknown'; readonly document: DocumentKind }
  | { readonly code: 'flight-manual-needed'; readonly firstFlownOn: CivilDate }
  | { readonly code: 'first-flight-date-unknown' }
  | { readonly code: 'limitations-form-unknown' }
  | { readonly code: 'cabin-tank-unknown' }
  | { readonly code: 'registration-expires'; readonly lastDay: CivilDate; readonly basis: 'printed' | 'printed-extended' | 'issue-date' }
  | { readonly code: 'registration-expiry-unknown' }
  | { readonly code: 'registration-dates-contradict'; readonly issuedOn: CivilDate; readonly printedExpiry: CivilDate }
  | { readonly code: 'registration-issued-after-seen'; readonly issuedOn: CivilDate; readonly seenOn: CivilDate }
  | { readonly code: 'registration-ended'; readonly on: CivilDate; readonly because: RegistrationEnding }
  | { readonly code: 'category-unknown' }
  | { readonly code: 'category-without-rules'; readonly category: Category }
  | { readonly code: 'annual-expires'; readonly completedOn: CivilDate; readonly lastDay: CivilDate; readonly discounted: readonly DiscountedEntry[] }
  | { readonly code: 'annual-unknown'; readonly discounted: readonly DiscountedEntry[] }
  | { readonly code: 'inspection-not-approved'; readonly kind: InspectionKind; readonly completedOn: CivilDate }
  | { readonly code: 'hundred-hour-due'; readonly dueAt: Hours; readonly lastAt: Hours; readonly lastKind: InspectionKind; readonly takenOff: Hours; readonly discounted: readonly DiscountedEntry[] }
  | { readonly code: 'hundred-hour-overrun-ends'; readonly dueAt: Hours; readonly overrunTo: Hours }
  | { readonly code: 'hundred-hour-unknown'; readonly discounted: readonly DiscountedEntry[] }
  | { readonly code: 'time-in-service-unknown' }
  | { readonly code: 'time-in-service-contradicts'; readonly earlier: string; readonly later: string; readonly earlierValue: Hours; readonly laterValue: Hours }
  | { readonly code: 'time-in-service-ahead-of-itself'; readonly record: string }
  | { readonly code: 'discrepancy-open'; readonly what: string; readonly where: string | null; readonly classification: Classification; readonly classified: boolean; readonly closesUses: readonly ClosedUse[]; readonly foundBy: string | null; readonly foundOn: CivilDate }
  | { readonly code: 'discrepancy-repair-not-valid'; readonly what: string; readonly where: string | null; readonly faults: readonly RectificationFault[]; readonly classification: Classification }
  | { readonly code: 'approved-uses-unknown' };

/** A code of a reason. */
export type ReasonCode = Reason['code'];
