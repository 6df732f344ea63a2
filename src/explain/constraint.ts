import { canonicalJson, type Plain } from '../core/decision/canonical';
import type { DecidedConstraint } from '../core/decision/decision';
import { permitFor } from '../core/decision/remedy-plans';
import { union } from '../core/envelope/use-set';
import { ACT_NAMES, entitledText, sourceText } from './remedies';
import { tellDecided } from './reasons';

/** A constraint in words: why, what it means, where the rule comes from, and each remedy with who may take it. */
export interface ConstraintWords {
  readonly id: string;
  readonly headline: string;
  readonly meaning: string;
  readonly source: string;
  /** The rules that say it, by id. */
  readonly rules: readonly string[];
  readonly certainty: 'failed' | 'unknown';
  readonly condition: boolean;
  readonly records: readonly string[];
  readonly remedies: readonly { readonly act: string; readonly by: string }[];
}

/** Constraints for one and the same reason: rules of the authority and of the club that say one thing. */
export type OneReason = readonly [DecidedConstraint, ...DecidedConstraint[]];

/**
 * A constraint never changes once it is made, and a list asks about the same ones again and again: what was said of it is kept for as long
 * as it is.
 */
function remembered<T>(make: (constraint: DecidedConstraint) => T): (constraint: DecidedConstraint) => T {
  const known = new WeakMap<DecidedConstraint, { readonly value: T }>();
  return (constraint) => {
    const found = known.get(constraint) ?? { value: make(constraint) };
    known.set(constraint, found);
    return found.value;
  };
}

/** What two constraints have in common that are told as one. */
const sameness = remembered(({ reason, certainty, condition, records }) =>
  canonicalJson([reason, certainty, condition, records] as unknown as Plain),
);

/** Constraints by their reason and the records that it rests on, in the order of the first of each: two findings in the same words are two. */
export function byReason(constraints: readonly DecidedConstraint[]): readonly OneReason[] {
  const groups = new Map<string, OneReason>();
  for (const one of constraints) {
    const key = sameness(one);
    const group = groups.get(key);
    groups.set(key, group === undefined ? [one] : [...group, one]);
  }
  return [...groups.values()];
}

/** What one reason closes: all that its constraints do. */
export function asOne([first, ...others]: OneReason): DecidedConstraint {
  if (others.length === 0) return first;
  return { ...first, closes: union(first.closes, ...others.map(({ closes }) => closes)) };
}

const distinct = (words: readonly string[]): readonly string[] => [...new Set(words)];

function told(group: OneReason, where: 'in-force' | 'ahead'): ConstraintWords {
  const one = asOne(group);
  const remedies = group.flatMap((constraint) =>
    constraint.remedies.map(({ act, by }) => ({ act: ACT_NAMES[act], by: entitledText(by) })),
  );
  return {
    id: one.id,
    ...tellDecided(one, where),
    source: distinct(group.map(({ source }) => sourceText(source))).join('; '),
    rules: distinct(group.map(({ rule }) => rule)),
    certainty: one.certainty,
    condition: one.condition,
    records: one.records,
    remedies: remedies.filter(
      ({ act, by }, at) => remedies.findIndex((other) => other.act === act && other.by === by) === at,
    ),
  };
}

const toldAlone = {
  'in-force': remembered((constraint) => told([constraint], 'in-force')),
  ahead: remembered((constraint) => told([constraint], 'ahead')),
};

/** Tells a constraint. */
export function tellConstraint(constraint: DecidedConstraint, where: 'in-force' | 'ahead'): ConstraintWords {
  return toldAlone[where](constraint);
}

/** Tells constraints, each reason once: a limit that three rules ask for is one sentence. */
export function tellReasons(
  constraints: readonly DecidedConstraint[],
  where: 'in-force' | 'ahead' = 'in-force',
): readonly ConstraintWords[] {
  return byReason(constraints).map((group) =>
    group.length === 1 ? toldAlone[where](group[0]) : told(group, where),
  );
}

/**
 * Tells what stands against a flight, as `tellReasons` does; for a ferry flight with the permit by which it may go.
 * @param isFerry whether it goes to where the aircraft is corrected, with nobody aboard but required crew
 */
export function tellAgainstFlight(
  constraints: readonly DecidedConstraint[],
  isFerry: boolean,
): readonly ConstraintWords[] {
  if (!isFerry) return tellReasons(constraints);
  return byReason(constraints).map((group) => {
    const words = told(group, 'in-force');
    const permits = group.map(permitFor);
    const [permit] = permits.every((found) => found.length > 0) ? (permits[0] ?? []) : [];
    return permit === undefined
      ? words
      : {
          ...words,
          remedies: [...words.remedies, { act: ACT_NAMES[permit.act], by: entitledText(permit.by) }],
        };
  });
}
