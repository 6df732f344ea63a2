import type { Rule } from '../parts/rule';

/** A rule with its parameters filled in. */
export type BoundRule = Rule<void>;

/** Fills in a rule's parameters. */
export function bind<P>(rule: Rule<P>, parameters: P): BoundRule {
  const { id, title, source, explanation, judgeFlight } = rule;
  return {
    id,
    title,
    source,
    explanation,
    judge: (facts) => rule.judge(facts, parameters),
    ...(judgeFlight === undefined
      ? {}
      : { judgeFlight: (facts, _, flight, needs) => judgeFlight(facts, parameters, flight, needs) }),
  };
}

/** A choice among words, from the loosest to the strictest. */
export interface WordSpec<Value extends string = string> {
  readonly kind: 'word';
  readonly title: string;
  /** What the choice means and where practice and regulation differ. */
  readonly about: string;
  readonly values: readonly Value[];
  /** What holds when nothing is chosen: always the strictest. */
  readonly strictest: Value;
}

/** A number with the direction that is stricter. */
export interface NumberSpec {
  readonly kind: 'number';
  readonly title: string;
  readonly about: string;
  readonly unit: string;
  readonly stricter: 'lower' | 'higher';
  /** The loosest value that may be chosen: a regulation's own figure where there is one. */
  readonly loosest: number;
  /** Where a value would no longer make sense. */
  readonly limit: number;
  /** What holds when nothing is chosen. */
  readonly usual: number;
}

/** A parameter of a pack, so that 'stricter only' can be checked. */
export type ParameterSpec = WordSpec | NumberSpec;

/** Why a value of a parameter is refused; null when it is not. */
export function parameterFault(spec: ParameterSpec, value: unknown): string | null {
  if (spec.kind === 'word') {
    return typeof value === 'string' && spec.values.includes(value)
      ? null
      : `expected one of ${spec.values.join(', ')} (the last is the strictest)`;
  }
  const { stricter, loosest, limit, unit } = spec;
  if (typeof value !== 'number' || !Number.isInteger(value)) return `expected a whole number of ${unit}`;
  const looser = stricter === 'lower' ? value > loosest : value < loosest;
  if (looser)
    return `${value} ${unit} is looser than the ${loosest} that hold without the club: a club's rule may only be stricter (${stricter})`;
  const senseless = stricter === 'lower' ? value < limit : value > limit;
  return senseless ? `expected at ${stricter === 'lower' ? 'least' : 'most'} ${limit} ${unit}` : null;
}
