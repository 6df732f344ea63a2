import type { KnownFacts } from '../../records/facts';
import type { RuleResult, Source } from './constraint';

/** A rule: one file, the only home of what it says. `P` are its parameters, already checked. */
export interface Rule<P> {
  readonly id: string;
  readonly title: string;
  readonly source: Source;
  /** What it asks, in plain words, for somebody who never read the source. */
  readonly explanation: string;
  /** Answers from the facts as known at the moment of the decision. Pure: boundaries in time and hours are answers, not comparisons with a clock. */
  readonly judge: (facts: KnownFacts, parameters: P) => RuleResult;
}

/** Keeps the literal type of the id. */
export function rule<const Id extends string, P>(definition: Rule<P> & { readonly id: Id }): Rule<P> & { readonly id: Id } {
  return definition;
}

/** Collects the constraints and missing facts of one rule. */
export function result(constraints: RuleResult['constraints'], missing: readonly string[] = []): RuleResult {
  return { constraints, missing };
}
