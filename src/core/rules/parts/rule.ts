import type { UseSet } from '../../envelope/use-set';
import type { KnownFacts } from '../../records/facts';
import type { PlannedFlight } from '../../records/flights/planned-flight';
import type { Constraint, RuleResult, Source } from './constraint';

/** A rule: one file, the only home of what it says. `P` are its parameters, already checked. */
export interface Rule<P> {
  readonly id: string;
  readonly title: string;
  readonly source: Source;
  /** What it asks, in plain words, for somebody who never read the source. */
  readonly explanation: string;
  /** Answers from the facts as known at the moment of the decision. Pure: boundaries in time and hours are answers, not comparisons with a clock. */
  readonly judge: (facts: KnownFacts, parameters: P) => RuleResult;
  /**
   * What it asks of one flight beyond the aircraft: fuel, samples, what the flight relies on. Each answer is in force for this flight.
   * @param needs the uses that the flight needs
   */
  readonly judgeFlight?: (
    facts: KnownFacts,
    parameters: P,
    flight: PlannedFlight,
    needs: UseSet,
  ) => readonly Constraint[];
}

/** Keeps the literal type of the id. */
export function rule<const Id extends string, P>(
  definition: Rule<P> & { readonly id: Id },
): Rule<P> & { readonly id: Id } {
  return definition;
}

/** What it looks at was no part of the question. */
export const NOT_ASKED: RuleResult = { constraints: [], missing: [], notAsked: true };

/** Collects the constraints and missing facts of one rule. */
export function result(constraints: RuleResult['constraints'], missing: readonly string[] = []): RuleResult {
  return { constraints, missing };
}

/**
 * What records of one moment say, each judged by itself: all of it holds, so that the stricter of two that differ does. What two of them
 * say alike is said once; what has the same key and says something else gets a key of its own.
 */
export function each<T>(
  records: readonly T[],
  judge: (record: T) => readonly Constraint[],
): readonly Constraint[] {
  const [only] = records;
  if (only !== undefined && records.length === 1) return judge(only);
  const kept: Constraint[] = [];
  const says = ({ records: _, ...one }: Constraint) =>
    JSON.stringify({
      ...one,
      closes: [...one.closes],
      remedies: one.remedies.map(({ act, on }) => [act, on]),
    });
  for (const one of records.flatMap((record) => judge(record))) {
    const same = kept.filter(({ key }) => key === one.key || key.startsWith(`${one.key}~`));
    if (same.some((other) => says({ ...other, key: one.key }) === says(one))) continue;
    kept.push(same.length === 0 ? one : { ...one, key: `${one.key}~${same.length + 1}` });
  }
  return kept;
}
