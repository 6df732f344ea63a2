import type { Rule } from '../parts/rule';

/** A rule with its parameters filled in. */
export type BoundRule = Rule<void>;

/** Fills in a rule's parameters. */
export function bind<P>(rule: Rule<P>, parameters: P): BoundRule {
  const { id, title, source, explanation } = rule;
  return { id, title, source, explanation, judge: (facts) => rule.judge(facts, parameters) };
}

/** A parameter of a pack: its values from the loosest to the strictest, so that 'stricter only' can be checked. */
export interface ParameterSpec<Value extends string> {
  readonly title: string;
  readonly values: readonly Value[];
  /** What holds when nothing is chosen: always the strictest. */
  readonly strictest: Value;
}
