import { byId } from '../../order';
import type { Hours } from '../../quantities/hours';
import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import { civilDateAt, type ZoneId } from '../../time/zone';
import {
  signatureFaults,
  type Authority,
  type Signature,
  type SignatureFault,
  type EnteredWork,
} from '../club/certificate';

/**
 * `programme-left`: the last complete inspection of the aircraft under a progressive programme, written down by the person who ends the programme.
 * `certificate-issue`: the inspection for the issue of an airworthiness certificate.
 */
export const INSPECTION_KINDS = [
  'annual',
  'hundred-hour',
  'condition',
  'altimeter-static',
  'static-system',
  'transponder',
  'elt',
  'programme-left',
  'certificate-issue',
] as const;
export type InspectionKind = (typeof INSPECTION_KINDS)[number];

/** Why an inspection was flown past its hours: decides whether the excess is taken off the next interval. */
export type ExcessReason = 'en-route-to-inspection' | 'flown-on-uses-without-the-limit';

/** An entry for an inspection. A field that is null is not known, and an entry without a required element does not count. */
export interface Inspection {
  readonly id: string;
  readonly kind: InspectionKind;
  /** The day on which it was completed: when it happened. */
  readonly completedOn: CivilDate;
  readonly recordedAt: Instant;
  /** Aircraft total time in service, which an inspection entry must state. */
  readonly timeInService: Hours | null;
  /** 'approved': signed as airworthy. 'discrepancies-listed': inspected, not approved, a signed list was given. */
  readonly outcome: 'approved' | 'discrepancies-listed' | null;
  /** For a listed outcome: the day on which every item of the list was cleared and the aircraft approved, and by whom. */
  readonly listCleared: {
    readonly on: CivilDate;
    readonly by: Signature;
    /** When that was written down, where it came after the entry itself. */
    readonly recordedAt?: Instant | undefined;
  } | null;
  readonly signedBy: Signature | null;
  /** Only for one completed past its hours. */
  readonly excess: ExcessReason | null;
  /** For an altimeter test: highest altitude to which it was tested, feet. */
  readonly testedToFeet: number | null;
}

/** Why an entry does not count. Source of the elements: 14 CFR 43.11(a) (from memory). */
export type InspectionFault =
  | SignatureFault
  | 'time-in-service-missing'
  | 'outcome-missing'
  | 'not-approved'
  | 'completed-after-recorded'
  | 'cleared-before-inspection';

/** What each kind is signed as. */
export const INSPECTION_WORK = {
  annual: 'annual-inspection',
  'hundred-hour': 'hundred-hour-inspection',
  condition: 'condition-inspection',
  'altimeter-static': 'altimeter-test',
  'static-system': 'static-test',
  transponder: 'transponder-test',
  elt: 'elt-inspection',
  'programme-left': 'progressive-segment',
  'certificate-issue': 'certificate-issue',
} as const satisfies Record<InspectionKind, EnteredWork>;

/** Inspections whose entry must state the aircraft's total time; the entry of a test need not. Source: 14 CFR 43.11(a)(2) and 43.9 (from memory). */
const STATES_TIME: readonly InspectionKind[] = [
  'annual',
  'hundred-hour',
  'condition',
  'programme-left',
  'certificate-issue',
];

/**
 * What stands for an annual, and with it for a 100-hour: the inspection for the issue of an airworthiness certificate (14 CFR 91.409(a)(2) and (b)),
 * and the last complete inspection under a progressive programme that was left (91.409(d)); from memory.
 */
export const ANNUALS: readonly InspectionKind[] = ['annual', 'programme-left', 'certificate-issue'];

/** Entries are never changed, and several rules ask the same of each. */
const faultsKnown = new WeakMap<
  Inspection,
  { readonly at: ZoneId; readonly authority: Authority; readonly faults: readonly InspectionFault[] }
>();

/** Every reason why an entry does not count; an empty list means that it does. `at` is the field's zone. */
export function inspectionFaults(
  inspection: Inspection,
  at: ZoneId,
  authority: Authority,
): readonly InspectionFault[] {
  const known = faultsKnown.get(inspection);
  if (known?.at === at && known.authority === authority) return known.faults;
  const faults = faultsOf(inspection, at, authority);
  faultsKnown.set(inspection, { at, authority, faults });
  return faults;
}

const NO_FAULTS: readonly InspectionFault[] = [];

function faultsOf(inspection: Inspection, at: ZoneId, authority: Authority): readonly InspectionFault[] {
  const signed = signatureFaults(
    inspection.signedBy,
    INSPECTION_WORK[inspection.kind],
    inspection.completedOn,
    authority,
  );
  const written = civilDateAt(inspection.recordedAt, at);
  if (
    signed.length === 0
    && inspection.outcome === 'approved'
    && inspection.completedOn <= written
    && (inspection.timeInService !== null || !STATES_TIME.includes(inspection.kind))
  )
    return NO_FAULTS;
  const faults: InspectionFault[] = [...signed];
  if (inspection.timeInService === null && STATES_TIME.includes(inspection.kind))
    faults.push('time-in-service-missing');
  if (inspection.outcome === null) faults.push('outcome-missing');
  if (inspection.outcome === 'discrepancies-listed') {
    const cleared = inspection.listCleared;
    if (cleared === null) faults.push('not-approved');
    else faults.push(...signatureFaults(cleared.by, 'return-to-service', cleared.on, authority));
    // A list cannot have been cleared before the inspection that made it.
    if (cleared !== null && cleared.on < inspection.completedOn) faults.push('cleared-before-inspection');
    if (
      cleared !== null
      && cleared.on > (cleared.recordedAt === undefined ? written : civilDateAt(cleared.recordedAt, at))
    )
      faults.push('completed-after-recorded');
  }
  if (inspection.completedOn > written) faults.push('completed-after-recorded');
  return [...new Set(faults)];
}

const byDay = (a: Inspection, b: Inspection) =>
  a.completedOn < b.completedOn
    ? -1
    : a.completedOn > b.completedOn
      ? 1
      : (a.timeInService ?? 0) - (b.timeInService ?? 0) || byId(a, b);

/** Several rules ask the same of the same list. */
const counted = new WeakMap<readonly Inspection[], Map<string, readonly Inspection[]>>();

/** The entries of the given kinds that count, oldest first. */
export function countingInspections(
  inspections: readonly Inspection[],
  kinds: readonly InspectionKind[],
  at: ZoneId,
  authority: Authority,
): readonly Inspection[] {
  let answers = counted.get(inspections);
  if (answers === undefined) {
    answers = new Map();
    counted.set(inspections, answers);
  }
  const key = `${kinds.join()} ${at} ${authority}`;
  let answer = answers.get(key);
  if (answer === undefined) {
    answer = inspections
      .filter(
        (inspection) =>
          kinds.includes(inspection.kind) && inspectionFaults(inspection, at, authority).length === 0,
      )
      .sort(byDay);
    answers.set(key, answer);
  }
  return answer;
}

/** An inspection entry that does not count, and why. */
export interface DiscountedEntry {
  readonly kind: InspectionKind;
  readonly completedOn: CivilDate;
  readonly timeInService: Hours | null;
  readonly faults: readonly InspectionFault[];
}

/** Entries of the given kinds that do not count though they are no older than `since` (the one that does), newest first. */
export function discountedEntries(
  inspections: readonly Inspection[],
  kinds: readonly InspectionKind[],
  since: Inspection | null,
  at: ZoneId,
  authority: Authority,
): readonly DiscountedEntry[] {
  // Mostly there are none: nothing is sorted then.
  if (
    !inspections.some(
      (entry) => kinds.includes(entry.kind) && inspectionFaults(entry, at, authority).length > 0,
    )
  )
    return [];
  return inspections
    .filter(
      ({ kind, completedOn }) => kinds.includes(kind) && (since === null || completedOn >= since.completedOn),
    )
    .sort((a, b) => byDay(b, a))
    .map((entry) => ({
      kind: entry.kind,
      completedOn: entry.completedOn,
      timeInService: entry.timeInService,
      faults: inspectionFaults(entry, at, authority),
    }))
    .filter(({ faults }) => faults.length > 0);
}

/**
 * The newest entry of a kind that found the aircraft not airworthy and whose list was never validly cleared, unless a later entry of
 * the kinds in `approvedBy` approved it. It outweighs an earlier approval that is still within its time, and one of the same day.
 */
export function refusal(
  inspections: readonly Inspection[],
  kind: InspectionKind,
  approvedBy: readonly InspectionKind[],
  at: ZoneId,
  authority: Authority,
): Inspection | null {
  return newestUnapproved(inspections, 'discrepancies-listed', kind, approvedBy, at, authority);
}

/** The newest entry of a kind that does not say whether the aircraft was approved, unless a later one approved it: it may be a refusal. */
export function undecided(
  inspections: readonly Inspection[],
  kind: InspectionKind,
  approvedBy: readonly InspectionKind[],
  at: ZoneId,
  authority: Authority,
): Inspection | null {
  return newestUnapproved(inspections, null, kind, approvedBy, at, authority);
}

/** Faults of an entry that do not say that nobody signed. A copy from paper was signed there, and opens nothing until somebody vouches for it. */
const OTHER_FAULTS: readonly InspectionFault[] = [
  'copy-not-vouched',
  'time-in-service-missing',
  'outcome-missing',
  'not-approved',
  'completed-after-recorded',
  'cleared-before-inspection',
];

/**
 * The newest entry of a kind that nobody entitled signed, done after the last that approved the aircraft; null without an earlier approval, since then
 * nothing hides that the entry does not count. An inspection is maintenance, after which nobody flies until it is approved: 14 CFR 1.1 and 91.407(a) (from memory).
 */
export function unsignedSince(
  inspections: readonly Inspection[],
  kind: InspectionKind,
  approvedBy: readonly InspectionKind[],
  at: ZoneId,
  authority: Authority,
): { readonly entry: Inspection; readonly faults: readonly SignatureFault[] } | null {
  const approved = countingInspections(inspections, approvedBy, at, authority).at(-1);
  if (approved === undefined) return null;
  const unsigned = inspections
    .filter(
      (one) => one.kind === kind && one.outcome === 'approved' && one.completedOn > approved.completedOn,
    )
    .sort((a, b) => byDay(b, a))
    .map((entry) => ({
      entry,
      faults: inspectionFaults(entry, at, authority).filter(
        (fault): fault is SignatureFault => !OTHER_FAULTS.includes(fault),
      ),
    }));
  return unsigned.find(({ faults }) => faults.length > 0) ?? null;
}

function newestUnapproved(
  inspections: readonly Inspection[],
  unapproved: Inspection['outcome'],
  kind: InspectionKind,
  approvedBy: readonly InspectionKind[],
  at: ZoneId,
  authority: Authority,
): Inspection | null {
  if (!inspections.some(({ outcome }) => outcome === unapproved)) return null;
  const approved = countingInspections(inspections, approvedBy, at, authority).at(-1) ?? null;
  return (
    inspections
      .filter(
        (entry) =>
          entry.kind === kind
          && entry.outcome === unapproved
          && inspectionFaults(entry, at, authority).length > 0,
      )
      .filter((entry) => approved === null || entry.completedOn >= approved.completedOn)
      .sort(byDay)
      .at(-1) ?? null
  );
}
