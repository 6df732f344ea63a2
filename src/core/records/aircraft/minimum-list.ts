import { byId } from '../../order';
import type { CivilDate } from '../../time/civil-date';
import type { REPAIR_CATEGORIES, ClosedUse } from '../findings/discrepancy';
import type { RecordBase } from '../record';
import type { EquipmentKind } from './equipment';

/** The repair category of an item. */
export type RepairCategory = keyof typeof REPAIR_CATEGORIES;

/** One item of an approved minimum equipment list. */
export interface MinimumItem {
  /** Its number on the list. */
  readonly code: string;
  readonly name: string;
  /** Which of our kinds of equipment it is; a finding on another kind is not deferred by it. */
  readonly equipment: readonly EquipmentKind[];
  /** Null states that the list gives the item none. */
  readonly category: RepairCategory | null;
  /** For category A its own number of calendar days; null for the others. */
  readonly days: number | null;
  readonly installed: number;
  /** So many must work for a flight. */
  readonly required: number;
  /** What the flight crew does, or does not do, while it is inoperative; empty where the list has no such procedure. */
  readonly operations: string;
  /** What a mechanic does before it is deferred; empty where the list has no such procedure. */
  readonly maintenance: string;
  /** Uses that the list's remarks close while it is inoperative. */
  readonly closes: readonly ClosedUse[];
}

/**
 * An aircraft's approved minimum equipment list, as somebody copied it. A later one takes the place of the
 * one before; one without any item states that the aircraft has no list any more.
 */
export interface MinimumEquipmentList extends RecordBase {
  /** As the list names its revision. */
  readonly revision: string;
  readonly approvedOn: CivilDate;
  readonly items: readonly MinimumItem[];
}

/**
 * The list that counts: the latest; null where none is on record, or it was withdrawn. Of several of one moment only what all of them say
 * alike; an item on which they differ is on none.
 */
export function countingList(lists: readonly MinimumEquipmentList[]): MinimumEquipmentList | null {
  const [first, ...others] = [...lists].sort(byId);
  if (first === undefined || lists.every(({ items }) => items.length === 0)) return null;
  return {
    ...first,
    items: first.items.filter((item) =>
      others.every(({ items }) => {
        const other = items.find(({ code }) => code === item.code);
        return other !== undefined && JSON.stringify(other) === JSON.stringify(item);
      }),
    ),
  };
}

/** The item of that number; null where the list has none, or is not on record. */
export function minimumItem(list: MinimumEquipmentList | null, code: string | undefined): MinimumItem | null {
  return list?.items.find((item) => item.code === code) ?? null;
}
