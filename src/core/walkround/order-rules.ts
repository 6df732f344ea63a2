import type { Method } from './method';

/** Why one step comes before others, whatever order a school walks in. Common practice, no source. */
export interface OrderRule {
  readonly first: string;
  readonly then: readonly string[];
  readonly why: string;
}

const codes = (from: number, to: number): readonly string[] =>
  Array.from({ length: to - from + 1 }, (_, at) => `K${String(from + at).padStart(3, '0')}`);
const LAMPS = ['K062', 'K063', 'K064', 'K065', 'K066', 'K067', 'K068'];

/** Order that no school's own may break. */
export const ORDER_RULES: readonly OrderRule[] = [
  {
    first: 'K002',
    then: codes(3, 252).filter((code) => code !== 'K002'),
    why: 'chocks and switches come before anybody touches anything',
  },
  { first: 'K010', then: codes(217, 226), why: 'the ignition is off before a hand is near the propeller' },
  { first: 'K011', then: codes(217, 226), why: 'the key is in sight before a hand is near the propeller' },
  { first: 'K004', then: ['K067'], why: 'the pitot cover is off before the heat is on: it melts' },
  { first: 'K017', then: ['K025', 'K093', 'K170', 'K179'], why: 'locks are out before controls are moved' },
  { first: 'K031', then: codes(103, 107), why: 'hinges and rods are seen only with the flaps down' },
  { first: 'K032', then: ['K126'], why: 'the strainer gives nothing while the selector is off' },
  {
    first: 'K053',
    then: ['K119', 'K120', 'K121', 'K122'],
    why: 'the gauge is read before the tank is dipped',
  },
  { first: 'K125', then: ['K126'], why: 'tank drains come before the strainer, or water is only moved' },
  { first: 'K120', then: ['K132'], why: 'the fuel is compared once it was measured' },
  { first: 'K187', then: ['K027'], why: 'a weak steering spring is replaced before the rudder is judged' },
  ...LAMPS.map((first) => ({
    first,
    then: ['K069'],
    why: 'the power goes off once the lamps were looked at',
  })),
  { first: 'K069', then: codes(217, 226), why: 'the power is off before a hand is near the propeller' },
  ...[...codes(1, 246), 'K248', 'K249', 'K251'].map((first) => ({
    first,
    then: ['K247', 'K250', 'K252'],
    why: 'the look from a distance ends the walk, with ropes, chocks and doors done',
  })),
];

/** Where the lamps have a lap of their own the power is off before the round begins. */
export const OWN_LAP: OrderRule = {
  first: 'K069',
  then: ['K093', 'K136', 'K170'],
  why: 'the power goes off before the mechanical lap',
};

/** A rule that an order breaks, with the step that comes too early. */
export interface OrderFault {
  readonly first: string;
  readonly early: string;
  readonly why: string;
}

/** Every rule that an order of steps breaks; steps that are not in it break none. @param rules those that hold for the school's method */
export function orderFaults(
  order: readonly string[],
  rules: readonly OrderRule[] = ORDER_RULES,
): readonly OrderFault[] {
  const last = new Map<string, number>();
  const first = new Map<string, number>();
  for (const [at, code] of order.entries()) {
    last.set(code, at);
    if (!first.has(code)) first.set(code, at);
  }
  return rules.flatMap((rule) => {
    const before = last.get(rule.first);
    return before === undefined
      ? []
      : rule.then
          .filter((code) => (first.get(code) ?? Number.POSITIVE_INFINITY) < before)
          .map((early) => ({ first: rule.first, early, why: rule.why }));
  });
}

const WITH_OWN_LAP = [...ORDER_RULES, OWN_LAP];

/** The rules that hold for a school's method. */
export const rulesFor = (laps: Method['laps']): readonly OrderRule[] =>
  laps === 'electrical-first' ? WITH_OWN_LAP : ORDER_RULES;

/** What must stand before each step, by the rules that hold. */
const BEFORE = new WeakMap<readonly OrderRule[], ReadonlyMap<string, ReadonlySet<string>>>();
function mustStandBefore(rules: readonly OrderRule[]): ReadonlyMap<string, ReadonlySet<string>> {
  const known = BEFORE.get(rules);
  if (known !== undefined) return known;
  const before = new Map<string, Set<string>>();
  for (const { first, then } of rules)
    for (const code of then) {
      const firsts = before.get(code) ?? new Set<string>();
      firsts.add(first);
      before.set(code, firsts);
    }
  BEFORE.set(rules, before);
  return before;
}

/**
 * The same steps in the nearest order that breaks no rule: a step whose turn comes too early waits until what must stand before it is there, and then
 * comes at once. Deterministic; steps that were in order stay as they were.
 * @param codeOf which step of the master list one is
 * @param rules those that hold for the school's method
 */
export function inOrder<T>(
  steps: readonly T[],
  codeOf: (step: T) => string,
  rules: readonly OrderRule[] = ORDER_RULES,
): readonly T[] {
  const before = mustStandBefore(rules);
  const left = new Map<string, number>();
  for (const step of steps) left.set(codeOf(step), (left.get(codeOf(step)) ?? 0) + 1);
  const placed: T[] = [];
  let waiting: T[] = [];
  const isFree = (step: T) =>
    [...(before.get(codeOf(step)) ?? [])].every((first) => (left.get(first) ?? 0) === 0);
  const place = (step: T) => {
    placed.push(step);
    left.set(codeOf(step), (left.get(codeOf(step)) ?? 1) - 1);
  };
  for (const step of steps) {
    if (!isFree(step)) {
      waiting.push(step);
      continue;
    }
    place(step);
    for (let again = true; again;) {
      const free = waiting.find(isFree);
      again = free !== undefined;
      if (free !== undefined) {
        place(free);
        waiting = waiting.filter((one) => one !== free);
      }
    }
  }
  return [...placed, ...waiting];
}
