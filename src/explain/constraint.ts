import type { DecidedConstraint } from '../core/decision/decision';
import { ACT_NAMES, entitledText, sourceText } from './lifts';
import { tellDecided } from './reasons';

/** A constraint in words: why, what it means, where the rule comes from, and each way out with who may take it. */
export interface ConstraintWords {
  readonly id: string;
  readonly headline: string;
  readonly meaning: string;
  readonly source: string;
  readonly certainty: 'failed' | 'unknown';
  readonly condition: boolean;
  readonly records: readonly string[];
  readonly lifts: readonly { readonly act: string; readonly by: string }[];
}

/** Tells a constraint. */
export function tellConstraint(constraint: DecidedConstraint, where: 'in-force' | 'ahead'): ConstraintWords {
  const { id, source, certainty, condition, records, lifts } = constraint;
  return { id, ...tellDecided(constraint, where), source: sourceText(source), certainty, condition, records, lifts: lifts.map(({ act, by }) => ({ act: ACT_NAMES[act], by: entitledText(by) })) };
}
