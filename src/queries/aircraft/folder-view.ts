import type { InspectionKind } from '@/core/records/maintenance/inspection';
import type { DocumentKind } from '@/core/records/documents/document';
import type { Counter, Meter } from '@/core/records/meters/meters';
import type { Instant } from '@/core/time/instant';
import type { LogbookEntryKind } from '@/db/maintenance/logbook';
import type { KnownMark } from '@/db/aircraft/other-kinds';
import type { DispatchDial } from '../flights/dispatch';
import type { ReleaseView } from '../releases/release';

/** An entry that was struck out: by whom, when and why. */
export interface Struck {
  readonly by: string;
  readonly when: string;
  readonly why: string;
}

/** What the page says of an entry that was copied from paper. */
export interface CopyView {
  readonly copied: boolean;
  /** Nobody has vouched for it yet, so it does not count. */ readonly waits: boolean;
  readonly vouchedBy: string | null;
  readonly photos: readonly string[];
}

/** A document that a member saw and that does not count until somebody entitled has vouched for it. */
export interface WaitingDocument {
  readonly id: string;
  readonly name: string;
  readonly details: string;
  readonly seen: string;
  readonly photos: readonly string[];
}

/** Something that has to be done again, or that ends. */
export interface DueRow {
  readonly id: string;
  readonly name: string;
  readonly interval: string;
  readonly last: string;
  readonly next: string;
  readonly sum: string;
  readonly left: string;
  readonly daysLeft: number | null;
  readonly hoursLeft: number | null;
  readonly signs: string;
}

/** What an aircraft's folder holds beyond its verdict. */
export interface Folder {
  readonly aircraftId: string;
  readonly registration: string;
  readonly revision: number;
  readonly now: Instant;
  readonly today: string;
  readonly zone: string;
  readonly serialNumber: string | null;
  readonly due: readonly DueRow[];
  readonly papers: readonly {
    readonly documentCheckId: string;
    readonly kind: DocumentKind;
    readonly name: string;
    readonly number: string | null;
    readonly details: string;
    readonly keptWhere: string;
    readonly state: 'aboard' | 'missing' | 'not-needed' | 'not-looked-for';
    readonly seen: string;
  }[];
  readonly waitingDocuments: readonly WaitingDocument[];
  /** Copies of the maintenance release for which nobody has vouched yet. */
  readonly waitingReleases: readonly {
    readonly id: string;
    readonly when: string;
    readonly photos: readonly string[];
  }[];
  readonly mayVouch: { readonly copies: boolean; readonly documents: boolean };
  readonly dials: readonly {
    readonly id: string;
    readonly name: string;
    readonly unit: 'h' | 'count';
    readonly bills: boolean;
    readonly shows: string;
    readonly counts: readonly { readonly meter: Meter; readonly name: string; readonly stands: string }[];
    readonly replaced: boolean;
    readonly why: string | null;
    readonly since: string;
  }[];
  /** What is in the panel now, as it is compared when somebody reads it; and the time in service where only the logbook has it. */
  readonly panel: { readonly dials: readonly DispatchDial[]; readonly service: string | null };
  readonly readings: readonly {
    readonly id: string;
    readonly when: string;
    readonly name: string;
    readonly shown: string;
    readonly stands: string;
    readonly whose: string;
    readonly struck: Struck | null;
  }[];
  readonly unlogged: readonly {
    readonly id: string;
    readonly when: string;
    readonly name: string;
    readonly from: string;
    readonly to: string;
    readonly length: string;
    readonly lastBy: string | null;
    readonly attributedTo: string | null;
    readonly note: string | null;
    /** Of which counters nobody said how many there were, and what counts until then. */ readonly asks: readonly Counter[];
    readonly counts: string;
    readonly struck: Struck | null;
  }[];
  readonly logbook: readonly ({
    readonly id: string;
    readonly kind: LogbookEntryKind;
    readonly title: string;
    readonly on: string;
    readonly sortKey: string;
    readonly reading: string;
    readonly description: string;
    readonly signed: string;
    readonly outcome: string;
    /** The entry as the paper logbook has it, to copy or print. */
    readonly wording: string;
    readonly struck: Struck | null;
  } & CopyView)[];
  readonly openLists: readonly { readonly id: string; readonly name: string; readonly on: string }[];
  readonly flights: readonly {
    readonly id: string;
    readonly left: string;
    readonly person: string;
    readonly figures: string;
    readonly landings: number | null;
    readonly billed: string;
    /** What the pilot reported in words; null where there was nothing to report, or nobody said. */
    readonly report: string | null;
    readonly out: boolean;
  }[];
  readonly marks: readonly (KnownMark & {
    readonly size: string | null;
    readonly photos: readonly string[];
  })[];
  readonly boxes: readonly {
    readonly id: string;
    readonly name: string;
    readonly words: string;
    readonly ahead: string | null;
    readonly removed: boolean;
    readonly struck: Struck | null;
  }[];
  /** Under rules that know one. */
  readonly release: ReleaseView | null;
  /** Oil use between one top-up and the next, newest last, in US quarts an hour; and what they say together, null while they are too few. */
  readonly oil: {
    readonly steps: readonly { readonly at: string; readonly use: number }[];
    readonly trend: string | null;
  };
  readonly months: readonly { readonly month: string; readonly hours: number }[];
  readonly sign: {
    /** The reader's certificates that judge a mark. */
    readonly judgement: readonly { readonly id: string; readonly name: string }[];
    readonly inspections: readonly {
      readonly kind: InspectionKind;
      readonly name: string;
      readonly signs: string;
      readonly certificates: readonly { readonly id: string; readonly name: string }[];
    }[];
    readonly items: readonly {
      readonly id: string;
      readonly name: string;
      readonly meters: readonly Meter[];
      readonly signs: string;
      readonly certificates: readonly { readonly id: string; readonly name: string }[];
    }[];
    readonly ads: readonly {
      readonly id: string;
      readonly name: string;
      /** Each with the reader's certificates by which it may be signed for. */
      readonly methods: readonly {
        readonly id: string;
        readonly name: string;
        readonly certificates: readonly { readonly id: string; readonly name: string }[];
      }[];
      readonly meters: readonly Meter[];
      readonly signs: string;
      readonly certificates: readonly { readonly id: string; readonly name: string }[];
    }[];
  };
}
