import { jStat } from 'jstat';
import { describe, expect, it } from 'vitest';
import { rateOf, rateRatio } from '@/core/quantities/event-rate';
import { source } from './source';

describe(source.section, () => {
  it.each([
    [0, 0, 3.689],
    [1, 0.0253, 5.572],
    [2, 0.242, 7.225],
    [3, 0.619, 8.767],
    [5, 1.623, 11.668],
    [10, 4.795, 18.39],
    [20, 12.217, 30.888],
    [50, 37.111, 65.919],
  ])('a count of %i lies between %f and %f', (events, low, high) => {
    const rate = rateOf({ events, exposure: 1 });
    expect(rate?.low).toBeCloseTo(low, low < 0.1 ? 4 : 3);
    expect(rate?.high).toBeCloseTo(high, 2);
  });
});

describe('against another statistics package', () => {
  const COUNTS = [0, 1, 2, 3, 4, 7, 12, 31, 80];

  it('limits of rates agree with its chi-square distribution', () => {
    for (const events of COUNTS)
      for (const exposure of [0.5, 12, 340.7]) {
        const rate = rateOf({ events, exposure });
        // Garwood's limits by chi-square: half of its quantile with twice the count, and with two more, as degrees of freedom.
        const low = events === 0 ? 0 : jStat.chisquare.inv(0.025, 2 * events) / 2 / exposure;
        const high = jStat.chisquare.inv(0.975, 2 * (events + 1)) / 2 / exposure;
        expect(rate?.low).toBeCloseTo(low, 6);
        expect(rate?.high).toBeCloseTo(high, 6);
      }
  });

  it('limits of ratios are those at which its binomial distribution leaves 2.5 % on either side', () => {
    for (const a of COUNTS)
      for (const b of COUNTS) {
        if (a + b === 0) continue;
        const ratio = rateRatio({ events: a, exposure: 200 }, { events: b, exposure: 1500 });
        if (ratio === null) throw new Error('no ratio');
        // Back from a ratio to the share of events that it expects here.
        const shareAt = (times: number) => (times * 200) / (times * 200 + 1500);
        // jstat's own cumulative binomial distribution, term by term.
        const atMost = (k: number, share: number) => {
          let sum = 0;
          for (let i = 0; i <= k; i += 1) sum += jStat.binomial.pdf(i, a + b, share);
          return sum;
        };
        if (a > 0) expect(1 - atMost(a - 1, shareAt(ratio.low))).toBeCloseTo(0.025, 6);
        if (b > 0) expect(atMost(a, shareAt(ratio.high))).toBeCloseTo(0.025, 6);
      }
  });
});
