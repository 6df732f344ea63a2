import { byId } from '../../order';
import type { FullBox } from '../../envelope/dimensions';
import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import type { ZoneId } from '../../time/zone';
import { civilDateAt } from '../../time/zone';
import { signatureFaults, type Authority, type Signature, type SignatureFault } from '../club/certificate';
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
