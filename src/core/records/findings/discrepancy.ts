import type { FullBox } from '../../envelope/dimensions';
import type { Hours } from '../../quantities/hours';
import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import { civilDateAt, type ZoneId } from '../../time/zone';
import type { CertificateKind, Signature, SignatureFault } from '../club/certificate';
import { signatureFaults, type Authority } from '../club/certificate';
import type { EquipmentKind } from '../aircraft/equipment';
import { isAbout, type PreventiveTask } from '../maintenance/preventive-maintenance';
import type { RecordBase } from '../record';

/**
 * First classification of a finding, strictest first. Common practice, no source.
 * ground-until-mechanic: no flight until a mechanic has looked. service-before-flight: no flight until it is corrected.
 * tell-instructor: no flight until an instructor has judged it. deferral-path: closes the uses that need the item.
 * watch and note close nothing.
 */
export const CLASSIFICATIONS = [
  'ground-until-mechanic',
  'service-before-flight',
  'tell-instructor',
  'deferral-path',
  'watch',
  'note',
] as const;
export type Classification = (typeof CLASSIFICATIONS)[number];

/** Uses that an inoperative item closes, in the words of the walk-round list. No word at all means every use. */
export const CLOSED_USES = ['dusk', 'night', 'night-for-hire', 'ifr', 'tow', 'ice'] as const;
export type ClosedUse = (typeof CLOSED_USES)[number];

/** What can be done about a finding. */
export const RECTIFYING = ['repaired', 'no-fault-found', 'serviced', 'judged-acceptable'] as const;

/**
 * What was done about a discrepancy, and the approval for return to service. Null fields are not known: then it does not close anything.
 */
export interface Rectification {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly work: (typeof RECTIFYING)[number] | null;
  readonly description: string | null;
  readonly completedOn: CivilDate | null;
  readonly signedBy: Signature | null;
  /** A major repair, which an inspection authorisation or a repair station approves. Absent states that it was none. */
  readonly major?: boolean;
  /** The item of preventive maintenance that the repair is, which an entitled pilot returns to service. Absent states that it is none. */
  readonly preventive?: PreventiveTask | null;
}

/** Repair categories of a minimum equipment list, with the consecutive calendar days that they give, the day of record not counted. */
export const REPAIR_CATEGORIES = { A: null, B: 3, C: 10, D: 120 } as const;

/** What an approved minimum equipment list says of what is deferred. */
export interface ListedDeferral {
  /** Its repair category; null where the list gives the item none. */
  readonly category: keyof typeof REPAIR_CATEGORIES | null;
  /** For A its own number of days. */
  readonly days: number | null;
  /** The item's number on the list. Absent where only the category was copied. */
  readonly item?: string;
}

/**
 * An inoperative item lawfully left open. Null fields are not known, and then it is not. Source of the elements: 14 CFR 91.213(d) and (a)
 * (from memory).
 */
export interface Deferral {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly deferredOn: CivilDate | null;
  readonly action: 'removed' | 'deactivated' | null;
  readonly placarded: boolean | null;
  /** Entered in the maintenance record, where removing or deactivating it was maintenance; 'not-maintenance' states that it was not. */
  readonly entered: boolean | 'not-maintenance' | null;
  /** A rated pilot's or a mechanic's determination that it is no hazard. */
  readonly noHazard: Signature | null;
  /** Its latest date and reading; null sets none of its own. */
  readonly until: CivilDate | null;
  readonly untilTimeInService: Hours | null;
  /** Uses that it closes beyond what the rules do. */
  readonly closes: readonly FullBox[];
  readonly cap: {
    readonly quantity: 'persons' | 'load' | 'fuel';
    readonly bound: 'at-most' | 'at-least';
    readonly value: number;
  } | null;
  /** Under an approved minimum equipment list; null where it was deferred without one. */
  readonly listed: ListedDeferral | null;
}

/** Growth at which a watched thing is no longer accepted, and when it is re-checked. */
export interface Watch {
  readonly recheckBy: CivilDate | null;
  readonly recheckAt: Hours | null;
  readonly correctBy: CivilDate | null;
}

/**
 * What somebody who looked at a finding decides about it. `stays`: it stays as it is classed. `grounds`: the aircraft stays on the ground
 * until a mechanic has dealt with it.
 * `watch`: it may fly with it, and it is looked at again. `same-as`: it is what another finding of the aircraft says already.
 * What comes back after it was closed is a new finding. Common practice, no source.
 */
export const TRIAGE_DECISIONS = ['stays', 'grounds', 'watch', 'same-as'] as const;
export type TriageDecision = (typeof TRIAGE_DECISIONS)[number];

/** One decision about a finding. Null fields are not known or not asked. */
export interface Triage {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly decision: TriageDecision;
  /** Only a decision to watch is signed: the others make nothing available. Null where nobody signed. */
  readonly signedBy: Signature | null;
  /** When it is looked at again and when it is corrected at the latest; null where it is not watched. */
  readonly watch: Watch | null;
  /** The finding that it is the same as; null where it is not. */
  readonly sameAs: string | null;
}

/** Something found that is not as it should be, from report to closing. */
export interface Discrepancy extends RecordBase {
  /** In the reporter's words, or the walk-round list's. */
  readonly what: string;
  /** Where on the aircraft, in words; null when it was not said. */
  readonly where: string | null;
  readonly foundBy: string | null;
  /** Null counts as 'ground-until-mechanic'. */
  readonly classification: Classification | null;
  readonly closesUses: readonly ClosedUse[];
  readonly rectification: Rectification | null;
  /**
   * The instruments and equipment that are inoperative, or of which one may be: then the four questions of 14 CFR 91.213(d) decide for
   * each.
   */
  readonly equipment: readonly EquipmentKind[];
  readonly deferral: Deferral | null;
  readonly watch: Watch | null;
  /** A lasting mark already accepted, by its id on the damage map; one that changed is a new find. */
  readonly knownMark: string | null;
  /** What people decided about it who looked at it. Absent states that nobody has. */
  readonly triage?: readonly Triage[];
  /** Where somebody watches it: the class that it had before, by which it is closed and watched on. Absent is its class. */
  readonly classedAs?: Classification;
}

/** The class by which a discrepancy is closed. */
export const closedAs = ({
  classification,
  classedAs,
}: Pick<Discrepancy, 'classification' | 'classedAs'>): Classification =>
  classedAs ?? classification ?? 'ground-until-mechanic';

/** Why an entry does not close a discrepancy. Source of the elements: 14 CFR 43.9(a) (from memory). */
export type RectificationFault =
  | SignatureFault
  | 'work-missing'
  | 'work-does-not-fit'
  | 'description-missing'
  | 'date-missing'
  | 'completed-after-recorded'
  | 'completed-before-found';

/** Which work may close which classification, and as what it is signed. */
export function closingWork(
  work: NonNullable<Rectification['work']>,
  classification: Classification,
  preventive: PreventiveTask | null = null,
): 'return-to-service' | 'service' | 'judgement' | null {
  switch (work) {
    case 'repaired':
      // A pilot's preventive maintenance; what a mechanic or an instructor has to look at first stays theirs.
      return preventive !== null
        && classification !== 'ground-until-mechanic'
        && classification !== 'tell-instructor'
        ? 'service'
        : 'return-to-service';
    case 'no-fault-found':
      return 'return-to-service';
    case 'serviced':
      return classification === 'service-before-flight'
        || classification === 'note'
        || classification === 'watch'
        ? 'service'
        : null;
    case 'judged-acceptable':
      return classification === 'tell-instructor' || classification === 'note' || classification === 'watch'
        ? 'judgement'
        : null;
    default: {
      const missing: never = work;
      throw new RangeError(`no such work: ${String(missing)}`);
    }
  }
}

/** The stricter of two classifications; null counts as the strictest. */
export function strictest(a: Classification | null, b: Classification | null): Classification {
  const rank = (value: Classification | null) => CLASSIFICATIONS.indexOf(value ?? 'ground-until-mechanic');
  return rank(a) <= rank(b) ? (a ?? 'ground-until-mechanic') : (b ?? 'ground-until-mechanic');
}

/** Every reason why a rectification does not close its discrepancy; an empty list means that it does. */
export function rectificationFaults(
  discrepancy: Discrepancy,
  rectification: Rectification,
  at: ZoneId,
  authority: Authority,
): readonly RectificationFault[] {
  const faults: RectificationFault[] = [];
  if (rectification.description === null || rectification.description.trim() === '')
    faults.push('description-missing');
  if (rectification.completedOn === null) faults.push('date-missing');
  if (rectification.work === null) faults.push('work-missing');
  if (rectification.completedOn === null || rectification.work === null) return faults;
  if (rectification.completedOn > civilDateAt(rectification.recordedAt, at))
    faults.push('completed-after-recorded');
  if (
    rectification.recordedAt < discrepancy.happenedAt
    || rectification.completedOn < civilDateAt(discrepancy.happenedAt, at)
  )
    faults.push('completed-before-found');
  const work = closingWork(
    rectification.work,
    closedAs(discrepancy),
    rectification.preventive != null && isAbout(rectification.preventive, discrepancy.equipment)
      ? rectification.preventive
      : null,
  );
  if (work === null) faults.push('work-does-not-fit');
  else
    faults.push(
      ...signatureFaults(
        rectification.signedBy,
        rectification.major === true ? 'major-repair-or-alteration' : work,
        rectification.completedOn,
        authority,
      ),
    );
  return faults;
}

/** Classes on which an inoperative instrument goes the way of the four questions; stricter ones keep the aircraft on the ground anyway. */
export function isDeferrable(classification: Classification | null): boolean {
  return classification === 'deferral-path' || classification === 'watch' || classification === 'note';
}

/** Why a deferral does not count. */
export type DeferralFault =
  | SignatureFault
  | 'date-missing'
  | 'action-missing'
  | 'placard-missing'
  | 'record-missing'
  | 'completed-after-recorded'
  | 'completed-before-found';

/**
 * Every reason why a deferral is not lawful; an empty list means that it is. Source: 14 CFR 91.213(d)(3) and (4), 43.11(b) (from memory).
 */
export function deferralFaults(
  discrepancy: Discrepancy,
  deferral: Deferral,
  at: ZoneId,
  authority: Authority,
): readonly DeferralFault[] {
  const faults: DeferralFault[] = [];
  if (deferral.action === null) faults.push('action-missing');
  if (deferral.placarded !== true) faults.push('placard-missing');
  if (deferral.entered === null || deferral.entered === false) faults.push('record-missing');
  // Taking a thing out is always maintenance.
  if (deferral.entered === 'not-maintenance' && deferral.action === 'removed') faults.push('record-missing');
  if (deferral.deferredOn === null) return [...faults, 'date-missing'];
  if (deferral.deferredOn > civilDateAt(deferral.recordedAt, at)) faults.push('completed-after-recorded');
  if (
    deferral.recordedAt < discrepancy.happenedAt
    || deferral.deferredOn < civilDateAt(discrepancy.happenedAt, at)
  )
    faults.push('completed-before-found');
  return [...faults, ...signatureFaults(deferral.noHazard, 'no-hazard', deferral.deferredOn, authority)];
}

/** Certificate kinds named to people as able to close a class of discrepancy. */
export const CLOSERS: Readonly<Record<Classification, readonly CertificateKind[]>> = {
  'ground-until-mechanic': ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'],
  'service-before-flight': ['pilot', 'flight-instructor', 'mechanic-airframe-powerplant'],
  'tell-instructor': ['flight-instructor', 'mechanic-airframe-powerplant'],
  'deferral-path': ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'],
  watch: ['mechanic-airframe-powerplant', 'flight-instructor'],
  note: ['mechanic-airframe-powerplant', 'flight-instructor'],
};
