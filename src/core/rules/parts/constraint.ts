import type { UseSet } from '../../envelope/use-set';
import type { Hours } from '../../quantities/hours';
import type { CertificateKind } from '../../records/certificate';
import type { Instant } from '../../time/instant';
import type { Reason } from './reason';

/** Where a rule comes from. `citation` is the published place; policy and practice have none and say so. */
export type Source =
  | { readonly kind: 'regulation'; readonly citation: string }
  | { readonly kind: 'club-policy' }
  | { readonly kind: 'common-practice' };

/**
 * From when a constraint bites. `recorded`: since the record is there. `instant`: from that moment on.
 * `hours`: with nothing left to that reading of the time-in-service meter; a flight may end exactly there.
 */
export type Begins =
  | { readonly kind: 'recorded' }
  | { readonly kind: 'instant'; readonly at: Instant }
  | { readonly kind: 'hours'; readonly at: Hours };

/** An act that removes a constraint. */
export type Act =
  | 'put-document-aboard' | 'record-sighting' | 'display-certificate' | 'replace-document' | 'fetch-the-right-document'
  | 'renew-registration' | 'record-registration-dates' | 'register-new-owner' | 'record-first-flight-date'
  | 'complete-annual' | 'clear-inspection-list' | 'complete-hundred-hour' | 'complete-inspection-entry' | 'record-excess-reason'
  | 'record-meter-reading' | 'correct-meter-reading' | 'correct-record'
  | 'repair-and-return-to-service' | 'service-and-record' | 'instructor-judges' | 'complete-repair-entry'
  | 'record-approved-uses' | 'record-category' | 'use-covered-category';

/** Who may do an act: holders of these certificates, or the named people. */
export type Entitled =
  | { readonly kind: 'certificate'; readonly anyOf: readonly CertificateKind[] }
  | { readonly kind: 'owner' }
  | { readonly kind: 'anybody-at-the-aircraft' }
  | { readonly kind: 'record-keeper' };

/** A way out: an act, and who is entitled to do it. */
export interface Lift {
  readonly act: Act;
  readonly by: Entitled;
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
  /** When it ends by itself; null when only a lift ends it. */
  readonly ends: Instant | null;
  /** Ways out, the usual one first. */
  readonly lifts: readonly Lift[];
  /** True for a step that is to be done before a flight ('yes, after …') rather than a closure that needs the workshop. */
  readonly condition: boolean;
}

/** What a rule found. Without constraints in force it is met; it never answers by being silent about something it could not see. */
export interface RuleResult {
  readonly constraints: readonly Constraint[];
  /** Facts that the rule needed and the records do not give, as paths such as `documents.registration-certificate.issuedOn`. */
  readonly missing: readonly string[];
}
