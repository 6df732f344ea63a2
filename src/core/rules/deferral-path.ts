import { isEmpty, NO_USES, type UseSet } from '../envelope/use-set';
import type { EquipmentKind } from '../records/aircraft/equipment';
import type { KnownFacts } from '../records/facts';
import { deferralFaults, isDeferrable, type Discrepancy } from '../records/findings/discrepancy';
import { isRemovedElt } from './parts/elt-uses';
import type { Lessons } from './parts/for-hire';
import { answersFor, fourQuestions, isNotFitted, passedOver } from './parts/four-questions';
import { isOpen } from './parts/inoperative';
import type { InoperativeCause } from './parts/reason';

/** Why a finding cannot be deferred. */
export const NO_DEFERRAL = [
  'closed',
  'class-too-strict',
  'no-equipment',
  'not-fitted',
  'inspection-passed',
  'deferred-already',
] as const;
export type NoDeferral = (typeof NO_DEFERRAL)[number];

/** One answered question about one item. */
export interface AnsweredQuestion {
  readonly equipment: EquipmentKind;
  readonly asks: InoperativeCause;
  /** The uses that the answer closes; none where it does not ask for the item. */
  readonly closes: UseSet;
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

/**
 * The four questions of 14 CFR 91.213(d)(2) for every item that a finding names, answered from the aircraft's data: what nobody has put
 * on record counts as asked for. The
 * rule of inoperative equipment decides by the same answers.
 */
export function deferralPath(discrepancy: Discrepancy, facts: KnownFacts, lessons: Lessons): DeferralPath {
  const asking = { lessons, steps: true };
  const byList = facts.aircraft.particulars.minimumEquipmentList === 'approved';
  return {
    refusal: refusalOf(discrepancy, facts),
    questions: discrepancy.equipment.flatMap((equipment) =>
      fourQuestions(equipment, facts, asking).asked.map(([asks, closes]) => ({ equipment, asks, closes })),
    ),
    leaves: discrepancy.equipment.length === 0 ? NO_USES : answersFor(discrepancy, facts, asking).closes,
    byList,
  };
}

/** Whether an answer closes anything. */
export const asksForIt = ({ closes }: AnsweredQuestion): boolean => !isEmpty(closes);
