import type { Brand } from '../brand';
import { rememberedBy } from '../remembered';
import { DIMENSION_NAMES, DIMENSIONS, type Box, type Dimension, type FullBox } from './dimensions';

/**
 * An exact set of uses, one bit a use. Treat it as frozen: every operation makes a new one.
 * With 6,048 uses it takes 189 words, and a union or intersection is 189 operations.
 */
export type UseSet = Brand<Uint32Array, 'UseSet'>;

const SIZES = DIMENSION_NAMES.map((name) => DIMENSIONS[name].length);
/** How far apart in the numbering two neighbours of each dimension are. */
const STRIDES = SIZES.map((_, at) => SIZES.slice(at + 1).reduce((product, size) => product * size, 1));
/** Number of uses there are. */
export const USE_COUNT = SIZES.reduce((product, size) => product * size, 1);
const WORDS = Math.ceil(USE_COUNT / 32);
const SPARE_BITS = WORDS * 32 - USE_COUNT;

const blank = (): Uint32Array => new Uint32Array(WORDS);
const sealed = (words: Uint32Array): UseSet => words as UseSet;
const word = (set: Uint32Array, at: number): number => set[at] ?? 0;

/** No use at all. */
export const NO_USES: UseSet = sealed(blank());
/** Every use there is. */
export const ALL_USES: UseSet = complement(NO_USES);

/** The choice numbers that a box allows in one dimension; throws on a value that the dimension does not have. */
function choices(box: Box, dimension: Dimension): readonly number[] {
  const values: readonly string[] = DIMENSIONS[dimension];
  const wanted: readonly string[] | undefined = box[dimension];
  if (wanted === undefined) return values.map((_, at) => at);
  return [...new Set(wanted)].map((value) => {
    const at = values.indexOf(value);
    if (at < 0) throw new RangeError(`'${value}' is no value of ${dimension}: expected ${values.join(', ')}`);
    return at;
  });
}

const MOST_SEEN = 2000;
const keyOfBox = (box: Box): string =>
  DIMENSION_NAMES.map(
    (dimension) => (box[dimension] as readonly string[] | undefined)?.join(',') ?? '*',
  ).join(';');

/** The uses in a box. An empty list in any dimension gives no uses. Equal boxes give one and the same set, which nobody changes. */
export const usesIn: (box: Box) => UseSet = rememberedBy(keyOfBox, fillBox, MOST_SEEN);

function fillBox(box: Box): UseSet {
  const allowed = DIMENSION_NAMES.map((dimension, at) =>
    choices(box, dimension).map((choice) => choice * (STRIDES[at] ?? 0)),
  );
  const words = blank();
  const fill = (depth: number, base: number): void => {
    const offsets = allowed[depth];
    if (offsets === undefined) {
      words[base >>> 5] = word(words, base >>> 5) | (1 << (base & 31));
      return;
    }
    for (const offset of offsets) fill(depth + 1, base + offset);
  };
  fill(0, 0);
  return sealed(words);
}

/** Uses in any of the sets. */
export function union(...sets: readonly UseSet[]): UseSet {
  const [only] = sets;
  if (only !== undefined && sets.length === 1) return only;
  const words = blank();
  for (const set of sets) for (let at = 0; at < WORDS; at += 1) words[at] = word(words, at) | word(set, at);
  return sealed(words);
}

/** Uses in any of some boxes; null, which states no limit, means every use. */
export function usesInAny(boxes: readonly Box[] | null): UseSet {
  return boxes === null ? ALL_USES : union(...boxes.map(usesIn));
}

/** Uses in both. */
export function intersection(a: UseSet, b: UseSet): UseSet {
  const words = blank();
  for (let at = 0; at < WORDS; at += 1) words[at] = word(a, at) & word(b, at);
  return sealed(words);
}

/** Uses in `a` that are not in `b`. */
export function difference(a: UseSet, b: UseSet): UseSet {
  const words = blank();
  for (let at = 0; at < WORDS; at += 1) words[at] = word(a, at) & ~word(b, at);
  return sealed(words);
}

/** Uses in `whole` that are in none of the sets: one new set, however many are taken away. */
export function without(whole: UseSet, sets: Iterable<UseSet>): UseSet {
  const words = new Uint32Array(whole);
  for (const set of sets) for (let at = 0; at < WORDS; at += 1) words[at] = word(words, at) & ~word(set, at);
  return sealed(words);
}

/** Uses that are not in `set`. */
export function complement(set: UseSet): UseSet {
  const words = blank();
  for (let at = 0; at < WORDS; at += 1) words[at] = ~word(set, at);
  words[WORDS - 1] = word(words, WORDS - 1) & (0xffff_ffff >>> SPARE_BITS);
  return sealed(words);
}

/** True when there is no use in the set. */
export function isEmpty(set: UseSet): boolean {
  for (let at = 0; at < WORDS; at += 1) if (word(set, at) !== 0) return false;
  return true;
}

/** True when both hold the same uses. */
export function sameUses(a: UseSet, b: UseSet): boolean {
  for (let at = 0; at < WORDS; at += 1) if (word(a, at) !== word(b, at)) return false;
  return true;
}

/** True when every use of `part` is in `whole`. */
export function isWithin(part: UseSet, whole: UseSet): boolean {
  for (let at = 0; at < WORDS; at += 1) if ((word(part, at) & ~word(whole, at)) !== 0) return false;
  return true;
}

/** True when the two share a use. */
export function overlaps(a: UseSet, b: UseSet): boolean {
  for (let at = 0; at < WORDS; at += 1) if ((word(a, at) & word(b, at)) !== 0) return true;
  return false;
}

/** A set with the words between which it has any use: comparing it looks at no others. */
export interface Stretch {
  readonly set: UseSet;
  readonly from: number;
  readonly to: number;
}

/** The stretch of a set. */
export function stretchOf(set: UseSet): Stretch {
  const from = set.findIndex((bits) => bits !== 0);
  return { set, from: Math.max(0, from), to: set.findLastIndex((bits) => bits !== 0) + 1 };
}

/** Whether all, some or none of the uses of a stretch are in `other`. An empty one is all there. */
export function howMuchOf({ set, from, to }: Stretch, other: UseSet): 'all' | 'some' | 'none' {
  let there = false;
  let missing = false;
  for (let at = from; at < to; at += 1) {
    const bits = word(set, at);
    if (bits === 0) continue;
    const shared = bits & word(other, at);
    if (shared !== 0) there = true;
    if ((bits & ~shared) !== 0) missing = true;
    if (there && missing) return 'some';
  }
  return missing ? 'none' : 'all';
}

/** Number of ones in 32 bits: pairs, then fours, then bytes, added up by a multiplication. */
function ones(bits: number): number {
  const pairs = bits - ((bits >>> 1) & 0x5555_5555);
  const fours = (pairs & 0x3333_3333) + ((pairs >>> 2) & 0x3333_3333);
  return Math.imul((fours + (fours >>> 4)) & 0x0f0f_0f0f, 0x0101_0101) >>> 24;
}

/** How many uses are in the set. */
export function countUses(set: UseSet): number {
  let count = 0;
  for (let at = 0; at < WORDS; at += 1) count += ones(word(set, at));
  return count;
}

/** One dimension's choices, each group with the number of the shape behind it. */
type Shape = readonly { readonly values: readonly number[]; readonly rest: number }[];

/** Sets are never changed, so a set's boxes stay what they are. */
const boxesKnown = new WeakMap<UseSet, readonly FullBox[]>();

/**
 * The set as disjoint boxes, each naming every dimension: the same set always gives the same list.
 * Values of a dimension behind which the rest is alike share a box. Works upwards from the last dimension, giving equal shapes
 * equal numbers, so that each shape is looked at once.
 */
export function boxesOf(set: UseSet): readonly FullBox[] {
  const known = boxesKnown.get(set);
  if (known !== undefined) return known;
  let numbers = Array.from({ length: USE_COUNT }, (_, cell) => (word(set, cell >>> 5) >>> (cell & 31)) & 1);
  const levels: (readonly Shape[])[] = [];
  for (let depth = SIZES.length - 1; depth >= 0; depth -= 1) {
    const size = SIZES[depth] ?? 1;
    const seen = new Map<string, number>();
    // Number 0 is the empty shape at every level.
    const shapes: Shape[] = [[]];
    const above: number[] = [];
    for (let base = 0; base < numbers.length; base += size) {
      const children = numbers.slice(base, base + size);
      const key = children.join();
      let number = children.every((child) => child === 0) ? 0 : seen.get(key);
      if (number === undefined) {
        number = shapes.length;
        seen.set(key, number);
        const groups = new Map<number, number[]>();
        children.forEach((rest, value) => {
          if (rest !== 0) groups.set(rest, [...(groups.get(rest) ?? []), value]);
        });
        shapes.push([...groups].map(([rest, values]) => ({ values, rest })));
      }
      above.push(number);
    }
    levels[depth] = shapes;
    numbers = above;
  }
  const expand = (depth: number, shape: number): readonly (readonly (readonly number[])[])[] =>
    depth === SIZES.length
      ? [[]]
      : (levels[depth]?.[shape] ?? []).flatMap(({ values, rest }) =>
          expand(depth + 1, rest).map((tail) => [values, ...tail]),
        );
  const boxes = expand(0, numbers[0] ?? 0).map(
    (box) =>
      Object.fromEntries(
        DIMENSION_NAMES.map((name, at) => {
          const values: readonly string[] = DIMENSIONS[name];
          return [name, (box[at] ?? []).map((value) => values[value] ?? '')];
        }),
      ) as unknown as FullBox,
  );
  boxesKnown.set(set, boxes);
  return boxes;
}

/** A number that equal sets share (FNV-1a over the words). */
function hashOf(sets: readonly UseSet[]): number {
  let hash = 0x811c9dc5;
  for (const set of sets)
    for (let at = 0; at < WORDS; at += 1) hash = Math.imul(hash ^ word(set, at), 0x01000193);
  return hash;
}

/**
 * Remembers what a pure function says of sets of uses: a fleet has few that differ, and a key made of a set's text took as long as the answer.
 * @param most answers kept; after that it starts again, so that memory stays bounded
 * @param numberOf by which they are looked up; sets that only share a number are told apart
 */
export function rememberedOfUses<Sets extends readonly UseSet[], Value>(
  compute: (...sets: Sets) => Value,
  most: number,
  numberOf: (sets: readonly UseSet[]) => number = hashOf,
): (...sets: Sets) => Value {
  const known = new Map<number, readonly { readonly sets: Sets; readonly value: Value }[]>();
  let kept = 0;
  return (...sets) => {
    const hash = numberOf(sets);
    const alike = known.get(hash) ?? [];
    const found = alike.find((one) => one.sets.every((set, at) => sameUses(set, sets[at] ?? NO_USES)));
    if (found !== undefined) return found.value;
    if (kept >= most) {
      known.clear();
      kept = 0;
    }
    const value = compute(...sets);
    known.set(hash, [...(known.get(hash) ?? []), { sets, value }]);
    kept += 1;
    return value;
  };
}
