import { byId } from '../../order';
import type { FullBox } from '../../envelope/dimensions';
import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import type { ZoneId } from '../../time/zone';
import { civilDateAt } from '../../time/zone';
import {
  samePerson,
  signatureFaults,
  type Authority,
  type Signature,
  type SignatureFault,
} from '../club/certificate';
import type { EquipmentKind } from '../aircraft/equipment';
import type { PreventiveTask } from './preventive-maintenance';
import type { Hours } from '../../quantities/hours';

/** Maintenance work that is not an answer to a finding, with what follows from it. Null fields are not known. */
export interface WorkEntry {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly completedOn: CivilDate | null;
  readonly description: string | null;
  readonly signedBy: Signature | null;
  /** A major repair or alteration, which an inspection authorisation or a repair station approves: those that are say so. Absent states that it was none. */
  readonly major?: boolean;
  /** The item of preventive maintenance that it is, which an entitled pilot returns to service. Absent states that it is none. */
  readonly preventive?: PreventiveTask | null;
  /** Could it have changed the flight characteristics appreciably? */
  readonly mayChangeFlight: boolean | null;
  /** Ground tests and inspection showed conclusively that it did not. */
  readonly groundTestsConclusive: boolean | null;
  readonly checkFlight: {
    readonly recordedAt: Instant;
    readonly on: CivilDate;
    readonly pilot: Signature;
    readonly logged: boolean | null;
  } | null;
  /** Work on flight controls, which some authorities want inspected by two people. */
  readonly flightControls: boolean | null;
  readonly independentInspection: {
    readonly recordedAt: Instant;
    readonly on: CivilDate;
    readonly by: Signature;
  } | null;
  /** The static system was opened (not its drains or alternate source). */
  readonly staticOpened: boolean | null;
  /** Work that could let the transponder's altitude disagree with the altimeter. */
  readonly altitudeReportingTouched: boolean | null;
  /** Weighed, or equipment changed: older loading data no longer hold. */
  readonly weightChanged: boolean | null;
  /** Equipment that was exchanged for another unit. Absent states that none was. */
  readonly exchanged?: readonly EquipmentKind[] | undefined;
  /** Later entries about the same work. Absent states that there are none. */
  readonly approvals?: readonly WorkApproval[];
}

/** What work may have changed, as who signs for it says. */
export interface WorkEffects {
  readonly mayChangeFlight: boolean;
  /** Null where nothing can have changed how it flies. */
  readonly groundTestsConclusive: boolean | null;
  readonly flightControls: boolean;
  readonly staticOpened: boolean;
  readonly altitudeReportingTouched: boolean;
  readonly weightChanged: boolean;
  /** Equipment that was exchanged for another unit. Absent states that none was. */
  readonly exchanged?: readonly EquipmentKind[] | undefined;
}

/** A later entry about work on record, which approves it: it says what the first left out, and takes nothing back that was said to be so. */
export interface WorkApproval extends WorkEffects {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly completedOn: CivilDate;
  readonly description: string;
  readonly signedBy: Signature;
  readonly major: boolean;
}

/** What both say of one effect: once it is said to be so, no later entry makes it untrue. */
const either = (first: boolean | null, later: boolean): boolean => first === true || later;

/** What either of them says was exchanged. */
function bothExchanged(
  { exchanged: first = [] }: Pick<WorkEntry, 'exchanged'>,
  { exchanged: later = [] }: Pick<WorkEntry, 'exchanged'>,
): Pick<WorkEntry, 'exchanged'> {
  const all = [...new Set([...first, ...later])];
  return all.length === 0 ? {} : { exchanged: all };
}

/** The work after its later entries: signed and described by the last, with every effect that any of them names. */
export function approvedWork(entry: WorkEntry, at: ZoneId): WorkEntry {
  const { approvals = [], ...first } = entry;
  if (approvals.length === 0) return entry;
  // Of one moment the stricter speaks last: one by which the check flight is still to be flown.
  const isStrict = (one: WorkApproval) => Number(one.groundTestsConclusive !== true);
  const inOrder = [...approvals].sort(
    (a, b) => a.recordedAt - b.recordedAt || isStrict(a) - isStrict(b) || byId(a, b),
  );
  return inOrder.reduce<WorkEntry>((before, later) => {
    // A day before that of the first entry would let a test from between the two count; a day that had not come yet was a slip.
    const held =
      before.completedOn !== null && before.completedOn <= civilDateAt(before.recordedAt, at)
        ? before.completedOn
        : later.completedOn;
    // What was flown or inspected before the entry that ends the work was no flight and no inspection after it.
    const after = <T extends { readonly recordedAt: Instant }>(part: T | null) =>
      part !== null && part.recordedAt >= later.recordedAt ? part : null;
    return {
      ...before,
      checkFlight: after(before.checkFlight),
      independentInspection: after(before.independentInspection),
      recordedAt: later.recordedAt,
      completedOn: held > later.completedOn ? held : later.completedOn,
      description: later.description,
      signedBy: later.signedBy,
      major: before.major === true || later.major,
      preventive: null,
      mayChangeFlight: either(before.mayChangeFlight, later.mayChangeFlight),
      groundTestsConclusive: later.groundTestsConclusive,
      flightControls: either(before.flightControls, later.flightControls),
      staticOpened: either(before.staticOpened, later.staticOpened),
      altitudeReportingTouched: either(before.altitudeReportingTouched, later.altitudeReportingTouched),
      weightChanged: either(before.weightChanged, later.weightChanged),
      ...bothExchanged(before, later),
    };
  }, first);
}

/** True where the work's check flight was flown and logged by somebody entitled, on its day or later. Source: 14 CFR 91.407(b) (from memory). */
export function checkFlightCounts(
  { checkFlight, completedOn }: Pick<WorkEntry, 'checkFlight' | 'completedOn'>,
  at: ZoneId,
  authority: Authority,
): boolean {
  return (
    checkFlight !== null
    && completedOn !== null
    && checkFlight.on >= completedOn
    && checkFlight.on <= civilDateAt(checkFlight.recordedAt, at)
    && checkFlight.logged === true
    && signatureFaults(checkFlight.pilot, 'check-flight', checkFlight.on, authority).length === 0
  );
}

/** True where a second person inspected the work on their own, on its day or later. Source: CAR 1988 reg 42G (from memory, less certain). */
export function independentInspectionCounts(
  {
    independentInspection: second,
    completedOn,
    signedBy,
  }: Pick<WorkEntry, 'independentInspection' | 'completedOn' | 'signedBy'>,
  at: ZoneId,
  authority: Authority,
): boolean {
  return (
    second !== null
    && completedOn !== null
    && second.on >= completedOn
    && second.on <= civilDateAt(second.recordedAt, at)
    && !samePerson(second.by, signedBy)
    && signatureFaults(second.by, 'independent-inspection', second.on, authority).length === 0
  );
}

/** Why a work entry does not count. Source of the elements: 14 CFR 43.9(a) (from memory). */
export type WorkFault = SignatureFault | 'description-missing' | 'date-missing' | 'completed-after-recorded';

/** Every fault of a work entry; an empty list means that it approves the work for return to service. */
export function workFaults(entry: WorkEntry, at: ZoneId, authority: Authority): readonly WorkFault[] {
  const faults: WorkFault[] = [];
  if (entry.description === null || entry.description.trim() === '') faults.push('description-missing');
  if (entry.completedOn === null) return [...faults, 'date-missing'];
  if (entry.completedOn > civilDateAt(entry.recordedAt, at)) faults.push('completed-after-recorded');
  return [
    ...faults,
    ...signatureFaults(
      entry.signedBy,
      entry.major === true
        ? 'major-repair-or-alteration'
        : entry.preventive == null
          ? 'return-to-service'
          : 'service',
      entry.completedOn,
      authority,
    ),
  ];
}

/** A special flight permit. Null fields are not known, and then it opens nothing. */
export interface FlightPermit {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly number: string | null;
  readonly registrationShown: string | null;
  readonly validFrom: CivilDate | null;
  readonly validUntil: CivilDate | null;
  /** What it allows, within flights to the workshop. */
  readonly uses: readonly FullBox[];
  /** Time in service at which it ends; null where it sets none. */
  readonly untilTimeInService: Hours | null;
  readonly aboard: boolean | null;
  /** A mechanic's statement that the aircraft was inspected and is safe for this flight. */
  readonly safeForFlight: { readonly on: CivilDate; readonly by: Signature } | null;
  /** Its route and conditions as they stand on it, for who flies it. Absent states none. */
  readonly conditions?: string;
}

/** An Australian maintenance release. Null fields are not known. */
export interface MaintenanceRelease {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly registrationShown: string | null;
  readonly issuedOn: CivilDate | null;
  readonly issuedAt: Hours | null;
  readonly expiresOn: CivilDate | null;
  readonly expiresAt: Hours | null;
  readonly signedBy: Signature | null;
  readonly aboard: boolean | null;
  readonly standing: 'in-force' | 'suspended' | 'cancelled' | null;
  /** Its part one: maintenance required before it expires. */
  readonly required: readonly {
    readonly id: string;
    readonly what: string;
    readonly by: CivilDate | null;
    readonly at: Hours | null;
    readonly certified: {
      readonly recordedAt: Instant;
      readonly on: CivilDate;
      readonly by: Signature;
    } | null;
  }[];
}

/** The daily inspection, certified before the first flight of a day. */
export interface DailyInspection {
  readonly id: string;
  readonly recordedAt: Instant;
  readonly on: CivilDate;
  readonly signedBy: Signature | null;
}

/** The releases that count: the one issued last, and any other of that day that was written down at the same moment, since nobody knows which came last. */
export function latestReleases(
  releases: readonly MaintenanceRelease[],
  zone: ZoneId,
): readonly MaintenanceRelease[] {
  const latest = latestRelease(releases, zone);
  const dayOf = ({ issuedOn, recordedAt }: MaintenanceRelease) => issuedOn ?? civilDateAt(recordedAt, zone);
  return releases.filter(
    (one) =>
      one === latest
      || (latest !== null && one.recordedAt === latest.recordedAt && dayOf(one) === dayOf(latest)),
  );
}

/**
 * The release that counts: the one issued last. One that does not say when it was issued counts from when it was written down, and
 * before another of that moment: it may be the one in force, and then the other is not.
 */
export function latestRelease(
  releases: readonly MaintenanceRelease[],
  zone: ZoneId,
): MaintenanceRelease | null {
  const dayOf = ({ issuedOn, recordedAt }: MaintenanceRelease) => issuedOn ?? civilDateAt(recordedAt, zone);
  const undated = ({ issuedOn }: MaintenanceRelease) => Number(issuedOn === null);
  return (
    [...releases].sort((a, b) =>
      dayOf(a) < dayOf(b)
        ? 1
        : dayOf(a) > dayOf(b)
          ? -1
          : b.recordedAt - a.recordedAt || undated(b) - undated(a) || byId(a, b),
    )[0] ?? null
  );
}
