import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { median, robustSlope, shareOf, type Point } from './robust-slope';

const points = (xs: readonly number[], ys: readonly number[]): readonly Point[] =>
  xs.map((x, at) => ({ x, y: ys[at] ?? 0 }));

describe('a robust slope with its interval', () => {
  // Reference figures: theilslopes(y, x, 0.95) of the statistics package SciPy 1.17.1, run beside this test's writing.
  it.each([
    [[0, 10, 20, 30, 40, 50, 60, 70], [5, 6, 9, 8, 12, 11, 15, 30], 0.1775, 0.1, 0.4, 3.7875],
    [[1, 2, 4, 7, 11], [10, 9, 9, 6, 1], -0.8944444444444444, -1.25, 0, 12.577777777777778],
    [
      [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11],
      [3, 3, 4, 4, 5, 7, 6, 8, 8, 9, 9, 11],
      0.7142857142857143,
      0.5,
      0.8333333333333334,
      2.571428571428571,
    ],
    [[1, 1, 2, 2, 3, 3, 4, 4], [2, 3, 3, 4, 6, 5, 7, 9], 2, 1, 3, -0.5],
  ] as const)('of %j and %j is what a statistics package says', (xs, ys, slope, low, high, at0) => {
    const found = robustSlope(points(xs, ys));
    expect(found?.slope).toBeCloseTo(slope, 12);
    expect(found?.low).toBeCloseTo(low, 12);
    expect(found?.high).toBeCloseTo(high, 12);
    expect(found?.at0).toBeCloseTo(at0, 12);
  });

  it('is not moved by one odd figure, and there is none without two places', () => {
    const straight = Array.from({ length: 12 }, (_, x) => ({ x, y: 2 * x }));
    expect(robustSlope([...straight, { x: 12, y: 9999 }])?.slope).toBe(2);
    expect(robustSlope([{ x: 1, y: 1 }])).toBeNull();
    expect(robustSlope([])).toBeNull();
    expect(
      robustSlope([
        { x: 1, y: 1 },
        { x: 1, y: 5 },
      ]),
    ).toBeNull();
  });

  it('lies in its interval, and turns with its figures', () => {
    const figures = fc.array(fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: -90, max: 90 })), {
      minLength: 4,
      maxLength: 30,
    });
    fc.assert(
      fc.property(figures, (given) => {
        const found = robustSlope(given.map(([x, y]) => ({ x, y })));
        if (found === null) return;
        expect(found.low).toBeLessThanOrEqual(found.slope);
        expect(found.high).toBeGreaterThanOrEqual(found.slope);
        const turned = robustSlope(given.map(([x, y]) => ({ x, y: -y })));
        expect(turned?.slope).toBeCloseTo(-found.slope, 9);
      }),
    );
  });
});

describe('a share with its interval', () => {
  // Reference figures: binomtest(k, n).proportion_ci(0.95, method='wilson') of SciPy 1.17.1.
  it.each([
    [0, 10, 0, 0.27753279986288926],
    [3, 20, 0.05236874588621662, 0.3604188647407569],
    [5, 5, 0.5655175352168251, 1],
    [1, 7, 0.02567962434474358, 0.5131278292743189],
    [12, 40, 0.18074845229746528, 0.45430018818144935],
  ])('%i of %i', (hits, tries, low, high) => {
    const found = shareOf(hits, tries);
    expect(found.share).toBe(hits / tries);
    expect(found.low).toBeCloseTo(low, 6);
    expect(found.high).toBeCloseTo(high, 6);
  });
});

it('a median is the middle one, or between the two in the middle', () => {
  expect([median([3, 1, 2]), median([4, 1, 2, 3]), median([])]).toEqual([2, 2.5, Number.NaN]);
});
