import type { UseSet } from '../../envelope/use-set';
import type { CertificateKind } from '../../records/club/certificate';
import type { Meter } from '../../records/meters/meters';
import type { Instant } from '../../time/instant';
import type { Cap } from './cap';
import type { Reason } from './reason';

export type { Cap } from './cap';

/** Where a rule comes from. `citation` is the published place; policy and practice have none and say so. */
export type Source =
  | { readonly kind: 'regulation'; readonly citation: string }
  | { readonly kind: 'club-policy' }
  | { readonly kind: 'common-practice' }
  /** The aircraft's own approved documents: its handbook, equipment list, maintenance programme. */
  | { readonly kind: 'approved-documents' };

/**
 * From when a constraint bites. `recorded`: since the record is there. `instant`: from that moment on.
 * `meter`: with nothing left to that reading (seconds for hours, a number for counts); a flight may end exactly there.
 */
export type Begins =
  | { readonly kind: 'recorded' }
  | { readonly kind: 'instant'; readonly at: Instant }
  | { readonly kind: 'meter'; readonly meter: Meter; readonly at: number };

/** An act that removes a constraint. */
export const ACTS = [
  'put-document-aboard',
  'check-document',
  'display-certificate',
  'replace-document',
  'fetch-the-right-document',
  'update-document',
  'renew-registration',
  'record-registration-dates',
  'register-new-owner',
  'record-first-flight-date',
  'record-particulars',
  'complete-annual',
  'complete-condition-inspection',
  'clear-inspection-list',
  'complete-hundred-hour',
  'complete-inspection-entry',
  'record-excess-reason',
  'record-meter-reading',
  'correct-meter-reading',
  'correct-record',
  'say-landings',
  'repair-and-return-to-service',
  'service-and-record',
  'instructor-judges',
  'complete-repair-entry',
  'defer-item',
  'record-approved-uses',
  'record-category',
  'use-covered-category',
  'inspect-elt',
  'replace-elt-battery',
  'reinstall-elt',
  'record-elt-removal',
  'deactivate-elt',
  'record-elt',
  'test-altimeter-static',
  'test-static-system',
  'test-transponder',
  'check-vor',
  'update-database',
  'comply-with-ad',
  'record-ads',
  'complete-item',
  'record-item-history',
  'record-items',
  'replace-part',
  'install-equipment',
  'record-equipment',
  'release-after-work',
  'fly-check-flight',
  'inspect-independently',
  'add-oil',
  'remove-oil',
  'add-fuel',
  'remove-fuel',
  'measure',
  'sample-fuel',
  'do-walk-round',
  'finish-walk-round',
  'look-at-step',
  'do-announced',
  'deal-with-suspect-fuel',
  'complete-work-entry',
  'service-measured-item',
  'have-trend-looked-at',
  'issue-maintenance-release',
  'sign-daily-inspection',
  'renew-club-document',
  'withdraw-dispatch-restriction',
  'record-return',
  'record-rigging',
  'state-for-flight',
  'change-flight',
  'obtain-atc-authorisation',
  'obtain-special-flight-permit',
  'replace-tow-rope',
] as const;
export type Act = (typeof ACTS)[number];

/** Who may do an act: holders of these certificates, or the named people. */
export type Entitled =
  | { readonly kind: 'certificate'; readonly anyOf: readonly CertificateKind[] }
  | { readonly kind: 'owner' }
  | { readonly kind: 'dispatcher' }
  | { readonly kind: 'pilot-in-command' }
  | { readonly kind: 'anybody-at-the-aircraft' }
  | { readonly kind: 'record-keeper' };

/** A remedy: an act, who is entitled to do it, and what it leaves behind. */
export interface Remedy {
  readonly act: Act;
  readonly by: Entitled;
  /** What the act is done to: an item, a document, a find. The same act on the same thing is done once for all that it clears. */
  readonly on: string | null;
  /** Uses that stay closed after it, such as those that a deferral closes; null when none do. */
  readonly leaves: UseSet | null;
  /** The boundary at which it would close again after the act, where the records already tell: completing an old entry may not be enough. */
  readonly holds: Begins | null;
}

/** One fact of record that closes uses now, or from a known boundary on. */
export interface Constraint {
  /** Stable within a decision: the rule's id and what of it. */
  readonly key: string;
  /** 'failed': the record says no. 'unknown': the record does not say, which closes exactly the same. */
  readonly certainty: 'failed' | 'unknown';
  readonly source: Source;
  readonly reason: Reason;
  /** Ids of the records it rests on; empty when the trouble is that there is none. */
  readonly records: readonly string[];
  readonly closes: UseSet;
  readonly begins: Begins;
  /** Where it bites at a reading, but not before a moment: the later of the two. Null for every other constraint. */
  readonly notBefore: Instant | null;
  /** When it ends by itself; null when only a remedy ends it. */
  readonly ends: Instant | null;
  /** Remedies, the usual one first. */
  readonly remedies: readonly Remedy[];
  /** True for a step that is to be done before a flight ('yes, after …') rather than a closure that needs the workshop. */
  readonly condition: boolean;
  /** True for what is asked before a flight leaves, and not again while it is in the air: one that left in time may come back after the boundary. */
  readonly atStart: boolean;
  /** True for what is worth telling though it closes nothing: something recommended that is due, an item lawfully deferred. */
  readonly notice: boolean;
  /** Where given, `closes` stays open within this number. */
  readonly cap: Cap | null;
  /** True where a special flight permit may cover it: airworthiness, and no AD that forbids the ferry flight. */
  readonly permitMayCover: boolean;
}

/** A constraint with what is usual left out: recorded, without end or cap, no step before flight, no permit. */
export type GivenConstraint = Pick<
  Constraint,
  'key' | 'certainty' | 'source' | 'reason' | 'closes' | 'remedies'
>
  & Partial<Constraint>;

/** Fills in what is usual. Written out, since this is made hundreds of times for every aircraft. */
export function constraint(given: GivenConstraint): Constraint {
  const { key, certainty, source, reason, closes, remedies } = given;
  return {
    key,
    certainty,
    source,
    reason,
    records: given.records ?? [],
    closes,
    begins: given.begins ?? RECORDED,
    notBefore: given.notBefore ?? null,
    ends: given.ends ?? null,
    remedies,
    condition: given.condition ?? false,
    atStart: given.atStart ?? false,
    notice: given.notice ?? false,
    cap: given.cap ?? null,
    permitMayCover: given.permitMayCover ?? false,
  };
}

/** Bites since the record is there. */
export const RECORDED: Begins = { kind: 'recorded' };

/** Bites from a moment on. */
export function from(at: Instant): Begins {
  return { kind: 'instant', at };
}

/** Bites with nothing left to a reading. */
export function atReading(meter: Meter, at: number): Begins {
  return { kind: 'meter', meter, at };
}

/** A remedy that leaves nothing behind. */
export function remedy(
  act: Act,
  by: Entitled,
  on: string | null = null,
  leaves: UseSet | null = null,
  holds: Begins | null = null,
): Remedy {
  return { act, by, on, leaves, holds };
}

/** Those who may sign for work on aircraft. */
export const MECHANICS: Entitled = {
  kind: 'certificate',
  anyOf: ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'],
};
/** Those who may sign an annual. */
export const INSPECTORS: Entitled = {
  kind: 'certificate',
  anyOf: ['inspection-authorisation', 'repair-station'],
};
export const ANYBODY: Entitled = { kind: 'anybody-at-the-aircraft' };
export const RECORD_KEEPER: Entitled = { kind: 'record-keeper' };
export const OWNER: Entitled = { kind: 'owner' };
export const DISPATCHER: Entitled = { kind: 'dispatcher' };
export const PILOT_IN_COMMAND: Entitled = { kind: 'pilot-in-command' };
export const PILOT_OR_MECHANIC: Entitled = {
  kind: 'certificate',
  anyOf: [
    'pilot',
    'flight-instructor',
    'mechanic-airframe-powerplant',
    'inspection-authorisation',
    'repair-station',
  ],
};

/** What a rule found. Without constraints in force it is met; it never answers by being silent about something it could not see. */
export interface RuleResult {
  readonly constraints: readonly Constraint[];
  /** Facts that the rule needed and the records do not give, as paths such as `documents.registration-certificate.issuedOn`. */
  readonly missing: readonly string[];
  /** True where what it looks at was no part of the question: then it has not been met, it has not been asked. */
  readonly notAsked?: boolean;
}
