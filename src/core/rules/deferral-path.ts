import { isEmpty, NO_USES, type UseSet } from '../envelope/use-set';
import type { EquipmentKind } from '../records/aircraft/equipment';
import type { MinimumItem } from '../records/aircraft/minimum-list';
import type { KnownFacts } from '../records/facts';
import { deferralFaults, isDeferrable, type Discrepancy } from '../records/findings/discrepancy';
import { isRemovedElt } from './parts/elt-uses';
import type { Lessons } from './parts/for-hire';
import { answersFor, fourQuestions, isNotFitted, passedOver } from './parts/four-questions';
import { isOpen } from './parts/inoperative';
import { isByList, itemsFor, othersDeferred } from './parts/minimum-list';
import type { InoperativeCause } from './parts/reason';

/** Why a finding cannot be deferred. */
export const NO_DEFERRAL = [
  'closed',
  'class-too-strict',
  'no-equipment',
  'not-fitted',
  'inspection-passed',
  'deferred-already',
  'list-not-approved',
  'not-on-list',
  'too-few-work',
] as const;
export type NoDeferral = (typeof NO_DEFERRAL)[number];

/** One answered question about one item. */
export interface AnsweredQuestion {
  readonly equipment: EquipmentKind;
  readonly asks: InoperativeCause;
  /** The uses that the answer closes; none where it does not ask for the item. */
  readonly closes: UseSet;
}

/** An item of the aircraft's list, with whether as many would still work as it asks for. */
export interface ListedItem extends MinimumItem {
  readonly enoughWork: boolean;
}

/** The way of 14 CFR 91.213(d) for one finding, before anybody has gone it. */
export interface DeferralPath {
  /** Null where it may be deferred. */
  readonly refusal: NoDeferral | null;
  readonly questions: readonly AnsweredQuestion[];
  /** Uses that stay closed once it is deferred. */
  readonly leaves: UseSet;
  /** True where an approved minimum equipment list decides instead: then the item has to stand on it. */
  readonly byList: boolean;
  /** The items of the list under which it may be deferred; null where no list is on record. */
  readonly items: readonly ListedItem[] | null;
}

function refusalOf(discrepancy: Discrepancy, facts: KnownFacts): NoDeferral | null {
  if (!isOpen(discrepancy, facts) || isRemovedElt(discrepancy, facts)) return 'closed';
  if (!isDeferrable(discrepancy.classification)) return 'class-too-strict';
  if (discrepancy.equipment.length === 0) return 'no-equipment';
  if (isNotFitted(discrepancy, facts)) return 'not-fitted';
  if (passedOver(discrepancy, facts) !== null) return 'inspection-passed';
  const { deferral } = discrepancy;
  // One that counts is not prolonged: it is repaired.
  const counts =
    deferral !== null
    && deferralFaults(discrepancy, deferral, facts.place.zone, facts.authority).length === 0;
  return counts ? 'deferred-already' : null;
}

/** What the list itself refuses. */
function refusalByList(items: readonly ListedItem[] | null, { aircraft }: KnownFacts): NoDeferral | null {
  if (items === null) return null;
  if (aircraft.particulars.minimumEquipmentList !== 'approved') return 'list-not-approved';
  if (items.length === 0) return 'not-on-list';
  return items.some(({ enoughWork }) => enoughWork) ? null : 'too-few-work';
}

/**
 * The four questions of 14 CFR 91.213(d)(2) for every item that a finding names, answered from the aircraft's
 * data: what nobody has put on record counts as asked for. The rule of inoperative equipment decides by the
 * same answers.
 */
export function deferralPath(discrepancy: Discrepancy, facts: KnownFacts, lessons: Lessons): DeferralPath {
  const asking = { lessons, steps: true };
  const { minimumList } = facts;
  const byList = isByList(facts);
  const items =
    minimumList === null
      ? null
      : itemsFor(minimumList, discrepancy).map((item) => ({
          ...item,
          enoughWork: item.installed - othersDeferred(item.code, discrepancy.id, facts) - 1 >= item.required,
        }));
  const refusal = refusalOf(discrepancy, facts);
  return {
    refusal: refusal ?? refusalByList(items, facts),
    questions: discrepancy.equipment.flatMap((equipment) =>
      fourQuestions(equipment, facts, asking).asked.map(([asks, closes]) => ({ equipment, asks, closes })),
    ),
    leaves: discrepancy.equipment.length === 0 ? NO_USES : answersFor(discrepancy, facts, asking).closes,
    byList,
    items,
  };
}

/** Whether an answer closes anything. */
export const asksForIt = ({ closes }: AnsweredQuestion): boolean => !isEmpty(closes);
