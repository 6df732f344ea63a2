import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DIMENSION_NAMES, DIMENSIONS, type Box } from './dimensions';
import {
  ALL_USES,
  boxesOf,
  complement,
  countUses,
  difference,
  howMuchOf,
  intersection,
  isEmpty,
  isWithin,
  NO_USES,
  overlaps,
  rememberedOfUses,
  sameUses,
  stretchOf,
  union,
  USE_COUNT,
  usesIn,
  usesInAny,
  without,
  type UseSet,
} from './use-set';

const someBox: fc.Arbitrary<Box> = fc.record(
  Object.fromEntries(
    DIMENSION_NAMES.map((name) => [name, fc.subarray([...DIMENSIONS[name]] as string[], { minLength: 1 })]),
  ),
  { requiredKeys: [] },
) as fc.Arbitrary<Box>;
const someSet: fc.Arbitrary<UseSet> = fc
  .array(someBox, { maxLength: 4 })
  .map((boxes) => union(...boxes.map(usesIn)));

describe('the envelope algebra', () => {
  it('has as many uses as the product of its dimensions', () => {
    expect(USE_COUNT).toBe(DIMENSION_NAMES.reduce((product, name) => product * DIMENSIONS[name].length, 1));
    expect(countUses(ALL_USES)).toBe(USE_COUNT);
    expect(countUses(NO_USES)).toBe(0);
  });

  it('uses in any of some boxes are those of each; of none there are none, and no limit is all of them', () => {
    fc.assert(
      fc.property(fc.array(someBox, { maxLength: 4 }), (boxes) => {
        expect(boxesOf(usesInAny(boxes))).toEqual(
          boxesOf(boxes.reduce<UseSet>((all, box) => union(all, usesIn(box)), NO_USES)),
        );
      }),
      { numRuns: 60 },
    );
    expect([isEmpty(usesInAny([])), sameUses(usesInAny(null), ALL_USES)]).toEqual([true, true]);
  });

  it('union and intersection are commutative, associative and idempotent', () => {
    fc.assert(
      fc.property(someSet, someSet, someSet, (a, b, c) => {
        expect(sameUses(union(a, b), union(b, a))).toBe(true);
        expect(sameUses(intersection(a, b), intersection(b, a))).toBe(true);
        expect(sameUses(union(a, union(b, c)), union(union(a, b), c))).toBe(true);
        expect(sameUses(intersection(a, intersection(b, c)), intersection(intersection(a, b), c))).toBe(true);
        expect(sameUses(union(a, a), a) && sameUses(intersection(a, a), a)).toBe(true);
      }),
      { numRuns: 120 },
    );
  });

  it('obeys absorption, De Morgan and double complement', () => {
    fc.assert(
      fc.property(someSet, someSet, (a, b) => {
        expect(sameUses(union(a, intersection(a, b)), a)).toBe(true);
        expect(sameUses(complement(union(a, b)), intersection(complement(a), complement(b)))).toBe(true);
        expect(sameUses(complement(complement(a)), a)).toBe(true);
        expect(sameUses(difference(a, b), intersection(a, complement(b)))).toBe(true);
      }),
      { numRuns: 120 },
    );
  });

  it('is monotone: closing more never opens a use', () => {
    fc.assert(
      fc.property(someSet, fc.array(someSet, { maxLength: 5 }), someSet, (full, closed, more) => {
        const before = difference(full, union(...closed));
        const after = difference(full, union(...closed, more));
        expect(isWithin(after, before)).toBe(true);
        expect(sameUses(without(full, [...closed, more]), after)).toBe(true);
      }),
      { numRuns: 120 },
    );
  });

  it('counts like sets do, and agrees with its own questions', () => {
    fc.assert(
      fc.property(someSet, someSet, (a, b) => {
        expect(countUses(union(a, b)) + countUses(intersection(a, b))).toBe(countUses(a) + countUses(b));
        expect(overlaps(a, b)).toBe(!isEmpty(intersection(a, b)));
        expect(isWithin(a, b)).toBe(isEmpty(difference(a, b)));
        expect(howMuchOf(stretchOf(a), b)).toBe(isWithin(a, b) ? 'all' : overlaps(a, b) ? 'some' : 'none');
      }),
      { numRuns: 120 },
    );
  });

  it('writes any set as disjoint boxes that give the same set back', () => {
    fc.assert(
      fc.property(someSet, (set) => {
        const boxes = boxesOf(set).map(usesIn);
        expect(sameUses(union(...boxes), set)).toBe(true);
        expect(boxes.reduce((sum, box) => sum + countUses(box), 0)).toBe(countUses(set));
      }),
      { numRuns: 60 },
    );
  });

  it('a box holds exactly the uses with a listed value in every dimension', () => {
    fc.assert(
      fc.property(someBox, (box) => {
        const expected = DIMENSION_NAMES.reduce(
          (product, name) => product * (box[name]?.length ?? DIMENSIONS[name].length),
          1,
        );
        expect(countUses(usesIn(box))).toBe(expected);
      }),
      { numRuns: 120 },
    );
  });

  it('refuses a value that the dimension does not have, and names those that it has', () => {
    expect(() => usesIn({ light: ['noon' as 'day'] })).toThrow(
      "'noon' is no value of light: expected day, dusk, night",
    );
    expect(isEmpty(usesIn({ light: [] }))).toBe(true);
  });
});

describe('what is worked out once', () => {
  const night: Box = { light: ['night'] };
  it('equal boxes are one set, also after others, and one set alone is its own union', () => {
    const first = usesIn(night);
    usesIn({ rules: ['ifr'] });
    expect(usesIn({ light: ['night'] })).toBe(first);
    expect(union(first)).toBe(first);
    expect(boxesOf(first)).toBe(boxesOf(first));
  });
  it('no more is kept than a club ever asks for: what was forgotten is worked out again, and is the same', () => {
    const first = usesIn(night);
    // So many ways to write one box: a value more, said again and again.
    for (let times = 1; times <= 2001; times += 1)
      usesIn({ light: Array.from({ length: times }, () => 'day' as const) });
    expect(usesIn(night)).not.toBe(first);
    expect(sameUses(usesIn(night), first)).toBe(true);
  });
  it('a stretch begins with the first word that has a use and ends with the last', () => {
    const one = Object.fromEntries(DIMENSION_NAMES.map((name) => [name, [DIMENSIONS[name][1]]])) as Box;
    const { set, from, to } = stretchOf(usesIn(one));
    expect([to - from, set[from] !== 0, from > 0]).toEqual([1, true, true]);
    const whole = stretchOf(ALL_USES);
    expect([whole.from, whole.to]).toEqual([0, ALL_USES.length]);
    expect([stretchOf(NO_USES).from, stretchOf(NO_USES).to]).toEqual([0, 0]);
    // Two words that have uses, with words between that have none.
    const ends = union(
      usesIn(Object.fromEntries(DIMENSION_NAMES.map((name) => [name, [DIMENSIONS[name][0]]])) as Box),
      usesIn(Object.fromEntries(DIMENSION_NAMES.map((name) => [name, [DIMENSIONS[name].at(-1)]])) as Box),
    );
    expect([stretchOf(ends).from, stretchOf(ends).to]).toEqual([0, ALL_USES.length]);
  });
});

describe('what was said of sets', () => {
  it('is remembered for equal sets, and never given for others', () => {
    let asked = 0;
    const count = rememberedOfUses((of: UseSet, and: UseSet) => {
      asked += 1;
      return countUses(union(of, and));
    }, 50);
    fc.assert(
      fc.property(someSet, someSet, (a, b) => {
        const wanted = countUses(union(a, b));
        expect(count(a, b)).toBe(wanted);
        const before = asked;
        // The same uses in other objects are the same question.
        expect(count(union(a, NO_USES), union(b, NO_USES))).toBe(wanted);
        expect(asked).toBe(before);
      }),
      { numRuns: 200 },
    );
  });
  it('is not mixed up where all sets share a number', () => {
    const told = rememberedOfUses(
      (a: UseSet, b: UseSet) => `${countUses(a)} ${countUses(b)}`,
      50,
      () => 1,
    );
    const [day, lesson] = [usesIn({ light: ['day'] }), usesIn({ purpose: ['instruction-school-aircraft'] })];
    expect([told(day, lesson), told(lesson, day), told(day, lesson)]).toEqual([
      `${countUses(day)} ${countUses(lesson)}`,
      `${countUses(lesson)} ${countUses(day)}`,
      `${countUses(day)} ${countUses(lesson)}`,
    ]);
  });
  it('starts again when there are too many, so that memory stays bounded', () => {
    const asked: number[] = [];
    const count = rememberedOfUses((set: UseSet) => {
      asked.push(countUses(set));
      return countUses(set);
    }, 2);
    const [day, night, dusk] = (['day', 'night', 'dusk'] as const).map((light) => usesIn({ light: [light] }));
    for (const set of [day, night, day, night, dusk, dusk, day]) count(set ?? NO_USES);
    expect(asked).toHaveLength(4);
  });
});
