import type { Carried } from '@/core/metering/carried';
import type { Deferral, Triage } from '@/core/records/findings/discrepancy';
import type { AircraftFacts } from '@/core/records/facts';
import type { Compliance } from '@/core/records/maintenance/ad';
import type { ItemDone } from '@/core/records/maintenance/maintenance-item';
import type { Signature } from '@/core/records/club/certificate';
import type { AttributionRecord, UnloggedRecord } from '@/core/records/meters/unlogged';
import type { CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import type { WorkDetails } from '@/core/records/maintenance/work-details';
import type { WorkApproval, WorkEntry } from '@/core/records/maintenance/work-entry';
import type { Announced } from '@/core/records/walkround/measurement';
import type { RampData } from '@/core/records/walkround/ramp-data';

/** Kinds of records that are kept whole, with what each holds: the record as the core knows it. */
export const OTHER_KINDS = [
  'stated',
  'equipment',
  'item',
  'ad',
  'deferral',
  'elt',
  'vor-check',
  'database',
  'fuel-stretch',
  'work',
  'permit',
  'release',
  'daily-inspection',
  'flight-out',
  'dispatch-restriction',
  'club-document',
  'tow-rope',
  'rigging',
  'measurement',
  'sample',
  'uplift',
  'estimate',
  'done',
  'compliance',
  'list-cleared',
  'known-mark',
  'unlogged',
  'attribution',
  'ramp-data',
  'announced',
  'announced-done',
  'fuel-cleared',
  'restriction-withdrawn',
  'work-approval',
  'check-flight',
  'independent-inspection',
  'triage',
  'minimum-equipment-list',
] as const;
export type OtherKind = (typeof OTHER_KINDS)[number];

type Of<L> = L extends readonly (infer R)[] ? R : never;
type Ramp = NonNullable<AircraftFacts['ramp']>;

/** What the records of each kind hold. `stated` says that a list is complete, so that what it does not name is none. */
export interface OtherBodies {
  readonly stated: { readonly what: 'items' | 'ads' | 'ramp' };
  readonly equipment: Of<AircraftFacts['equipment']>;
  readonly item: Of<NonNullable<AircraftFacts['items']>>;
  readonly ad: Of<NonNullable<AircraftFacts['ads']>>;
  readonly deferral: { readonly discrepancy: string; readonly deferral: Deferral };
  readonly elt: Of<AircraftFacts['elts']>;
  readonly 'vor-check': Of<AircraftFacts['vorChecks']>;
  readonly database: Of<AircraftFacts['databases']>;
  readonly 'fuel-stretch': Of<AircraftFacts['fuelStretches']>;
  readonly work: WorkEntry & { readonly details?: WorkDetails };
  readonly permit: Of<AircraftFacts['permits']>;
  readonly release: Of<AircraftFacts['releases']>;
  /** With what was carried over; null where the aircraft had not flown, absent where it came from elsewhere. */
  readonly 'daily-inspection': Of<AircraftFacts['dailyInspections']> & { readonly carried?: Carried | null };
  readonly 'flight-out': Of<AircraftFacts['flightsOut']>;
  readonly 'dispatch-restriction': Of<AircraftFacts['dispatchRestrictions']>;
  readonly 'club-document': Of<AircraftFacts['clubDocuments']>;
  readonly 'tow-rope': Of<AircraftFacts['towRopes']>;
  readonly 'minimum-equipment-list': Of<AircraftFacts['minimumLists']>;
  readonly rigging: Of<AircraftFacts['riggings']>;
  readonly measurement: Of<Ramp['measurements']>;
  readonly sample: Of<Ramp['samples']>;
  readonly uplift: Of<Ramp['uplifts']>;
  readonly estimate: Of<AircraftFacts['estimates']>;
  /** What was done of an item, and under an AD, after these were brought in. */
  readonly done: { readonly item: string; readonly done: ItemDone; readonly description: string };
  readonly compliance: { readonly ad: string; readonly done: Compliance; readonly description: string };
  /** Every item of an inspection's list was cleared, and the aircraft approved. */
  readonly 'list-cleared': {
    readonly inspection: string;
    readonly recordedAt: Instant;
    readonly on: CivilDate;
    readonly by: Signature;
    readonly description: string;
  };
  readonly 'known-mark': KnownMark;
  readonly unlogged: UnloggedRecord;
  readonly attribution: AttributionRecord;
  readonly 'ramp-data': RampData;
  readonly announced: Announced;
  readonly 'announced-done': {
    readonly announced: string;
    readonly recordedAt: Instant;
    /** Picolitres; null where it has no amount, or was found not to be needed. */
    readonly amount: number | null;
    readonly by: string;
  };
  /** A dispatch restriction was taken back. */
  readonly 'restriction-withdrawn': {
    readonly restriction: string;
    readonly recordedAt: Instant;
    readonly by: string;
    readonly why: string;
  };
  /** A later entry that approves work on record. */
  readonly 'work-approval': WorkApproval & { readonly work: string; readonly details?: WorkDetails };
  /** The check flight after work. One that did not fly as it should counts for nothing, and is a finding besides. */
  readonly 'check-flight': {
    readonly work: string;
    readonly recordedAt: Instant;
    readonly on: CivilDate;
    readonly pilot: Signature;
    readonly asItShould: boolean;
    readonly description: string;
    /** The flight that it was; absent or null where it is not on record here. */
    readonly flight?: string | null;
  };
  /** The second inspection of work on flight controls. */
  readonly 'independent-inspection': {
    readonly work: string;
    readonly recordedAt: Instant;
    readonly on: CivilDate;
    readonly by: Signature;
    readonly description: string;
  };
  /** What somebody decided about a finding, and why. */
  readonly triage: {
    readonly discrepancy: string;
    readonly triage: Triage;
    readonly by: string;
    readonly note: string;
  };
  /** A mechanic dealt with suspect fuel: the cups and the fuellings that it is about. */
  readonly 'fuel-cleared': {
    readonly records: readonly string[];
    readonly recordedAt: Instant;
    readonly on: CivilDate;
    readonly by: Signature;
    readonly description: string;
  };
}

/** A lasting mark that was accepted: where it is, what it looks like, and how far it may grow. */
export interface KnownMark {
  readonly id: string;
  readonly what: string;
  /** How large, in words; null or absent where nobody said. */
  readonly size?: string | null;
  readonly station: string;
  readonly side: 'left' | 'right' | null;
  /** The step of the list that looks at it; null or absent where nobody said. */
  readonly step?: string | null;
  /** Where on the drawing, in thousandths of its width and height. */
  readonly x: number;
  readonly y: number;
  readonly acceptedBy: string;
  readonly acceptedOn: CivilDate;
}

/** One such record, to be written. */
export type OtherRecord = {
  [K in OtherKind]: {
    readonly id: string;
    readonly kind: K;
    readonly happenedAt: Instant;
    readonly recordedAt: Instant;
    readonly body: OtherBodies[K];
  };
}[OtherKind];
