// The shipped clean case as the core's own arguments, for tests only.
import clean from '../../examples/cases/clean-trainer.json';
import { questionOf, type CaseQuestion } from '@/contracts/case-facts';
import { caseSchema } from '@/contracts/case-file';
import { mergePatch, type Json } from '@/contracts/merge-patch';
import { decide } from '@/core/decision/decide';
import type { Decision } from '@/core/decision/decision';

/** The clean trainer with some of it changed, as a case that `extends` it would say (null removes). */
export function cleanCase(change: Json = {}): CaseQuestion {
  return questionOf(caseSchema.parse(mergePatch(clean, change)));
}

/** The decision on the clean trainer with some of it changed. */
export function decideClean(change: Json = {}): Decision {
  const { facts, packs, flight, asOf } = cleanCase(change);
  return decide(facts, packs, flight, asOf);
}

/** Reason codes in force, in the decision's order. */
export const codes = (decision: Decision): readonly string[] => decision.constraints.map(({ reason }) => reason.code);
