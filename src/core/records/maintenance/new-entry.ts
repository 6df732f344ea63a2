import type { Hours } from '../../quantities/hours';
import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import type { ZoneId } from '../../time/zone';
import type { Authority, Signature, EnteredWork } from '../club/certificate';
import { workOfMethod, type Compliance } from './ad';
import type { AircraftFacts } from '../facts';
import {
  INSPECTION_WORK,
  inspectionFaults,
  type ExcessReason,
  type Inspection,
  type InspectionFault,
  type InspectionKind,
} from './inspection';
import type { ReadingThen } from './interval';
import { doneFaults, type DoneFault, type ItemDone } from './maintenance-item';

/** What somebody who did the work writes down, before the signature. */
export type EntryDraft =
  | {
      readonly of: 'inspection';
      readonly kind: InspectionKind;
      readonly completedOn: CivilDate;
      readonly timeInService: Hours | null;
      readonly outcome: 'approved' | 'discrepancies-listed';
      readonly excess: ExcessReason | null;
      readonly testedToFeet: number | null;
    }
  | {
      readonly of: 'item';
      readonly item: string;
      readonly completedOn: CivilDate;
      readonly readings: readonly ReadingThen[];
      readonly excessOnFreeUses: boolean;
    }
  | {
      readonly of: 'ad';
      readonly ad: string;
      readonly method: string;
      readonly completedOn: CivilDate;
      readonly readings: readonly ReadingThen[];
    };

/** The record that a draft becomes. */
export type NewEntry =
  | { readonly of: 'inspection'; readonly record: Inspection }
  | { readonly of: 'item'; readonly item: string; readonly record: ItemDone }
  | { readonly of: 'ad'; readonly ad: string; readonly record: Compliance };

/** A draft with its signature. */
export function entryOf(
  draft: EntryDraft,
  id: string,
  signedBy: Signature | null,
  recordedAt: Instant,
): NewEntry {
  switch (draft.of) {
    case 'inspection':
      return {
        of: 'inspection',
        record: {
          id,
          kind: draft.kind,
          completedOn: draft.completedOn,
          recordedAt,
          timeInService: draft.timeInService,
          outcome: draft.outcome,
          listCleared: null,
          signedBy,
          excess: draft.excess,
          testedToFeet: draft.testedToFeet,
        },
      };
    case 'item':
      return {
        of: 'item',
        item: draft.item,
        record: {
          id,
          recordedAt,
          completedOn: draft.completedOn,
          readings: draft.readings,
          excessOnFreeUses: draft.excessOnFreeUses,
          signedBy,
        },
      };
    case 'ad':
      return {
        of: 'ad',
        ad: draft.ad,
        record: {
          id,
          recordedAt,
          completedOn: draft.completedOn,
          readings: draft.readings,
          excessOnFreeUses: false,
          method: draft.method,
          signedBy,
        },
      };
    default: {
      const missing: never = draft;
      throw new RangeError(`no such entry: ${JSON.stringify(missing)}`);
    }
  }
}

/** What an entry is signed as; null where the aircraft has no such item or AD. */
export function workOf(
  { items, ads }: Pick<AircraftFacts, 'items' | 'ads'>,
  draft: EntryDraft,
): EnteredWork | null {
  switch (draft.of) {
    case 'inspection':
      return INSPECTION_WORK[draft.kind];
    case 'item':
      return items?.find(({ id }) => id === draft.item)?.signedAs ?? null;
    case 'ad': {
      const method = ads?.find(({ id }) => id === draft.ad)?.methods.find(({ id }) => id === draft.method);
      return method === undefined ? null : workOfMethod(method);
    }
    default: {
      const missing: never = draft;
      throw new RangeError(`no such entry: ${JSON.stringify(missing)}`);
    }
  }
}

/** Every reason why an entry would not count. An inspection that lists discrepancies is complete as it is; it approves nothing. */
export function entryFaults(
  entry: NewEntry,
  work: EnteredWork,
  at: ZoneId,
  authority: Authority,
): readonly (InspectionFault | DoneFault)[] {
  if (entry.of !== 'inspection') return doneFaults(entry.record, work, at, authority);
  return inspectionFaults(entry.record, at, authority).filter(
    (fault) => fault !== 'not-approved' || entry.record.outcome !== 'discrepancies-listed',
  );
}

/** The facts with an entry added. */
export function withEntry(facts: AircraftFacts, entry: NewEntry): AircraftFacts {
  switch (entry.of) {
    case 'inspection':
      return { ...facts, inspections: [...facts.inspections, entry.record] };
    case 'item':
      return {
        ...facts,
        items:
          facts.items?.map((item) =>
            item.id === entry.item ? { ...item, done: [...item.done, entry.record] } : item,
          ) ?? null,
      };
    case 'ad':
      return {
        ...facts,
        ads:
          facts.ads?.map((one) => (one.id === entry.ad ? { ...one, done: [...one.done, entry.record] } : one))
          ?? null,
      };
    default: {
      const missing: never = entry;
      throw new RangeError(`no such entry: ${JSON.stringify(missing)}`);
    }
  }
}
