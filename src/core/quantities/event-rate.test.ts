import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rateOf, rateRatio } from './event-rate';

const counted = fc.record({
  events: fc.integer({ min: 0, max: 200 }),
  exposure: fc.double({ min: 0.1, max: 1e6, noNaN: true }),
});

describe('a rate', () => {
  it('lies within its interval, and with twice the exposure it is half', () => {
    fc.assert(
      fc.property(counted, (one) => {
        const rate = rateOf(one);
        const half = rateOf({ ...one, exposure: one.exposure * 2 });
        expect(rate?.low).toBeLessThanOrEqual(rate?.rate ?? -1);
        expect(rate?.high).toBeGreaterThan(rate?.rate ?? Infinity);
        expect(half?.high).toBeCloseTo((rate?.high ?? 0) / 2, 9);
      }),
    );
  });
  it('is not known without exposure', () => {
    expect(rateOf({ events: 3, exposure: 0 })).toBeNull();
  });
  it.each([
    [-1, 1],
    [1.5, 1],
    [1, -1],
    [1, Number.NaN],
  ])('%f events over %f are refused', (events, exposure) => {
    expect(() => rateOf({ events, exposure })).toThrow(RangeError);
  });
});

describe('a ratio of rates', () => {
  it('turned round has the interval turned round', () => {
    fc.assert(
      fc.property(counted, counted, (a, b) => {
        fc.pre(a.events > 0 && b.events > 0);
        const [one, other] = [rateRatio(a, b), rateRatio(b, a)];
        expect((one?.low ?? 0) * (other?.high ?? 0)).toBeCloseTo(1, 6);
        expect((one?.ratio ?? 0) * (other?.ratio ?? 0)).toBeCloseTo(1, 6);
      }),
    );
  });
  it('has no upper end where there was none elsewhere, and none at all without exposure or events', () => {
    const here = { events: 3, exposure: 100 };
    expect(rateRatio(here, { events: 0, exposure: 900 })).toMatchObject({ ratio: Infinity, high: Infinity });
    expect(rateRatio(here, { events: 1, exposure: 0 })).toBeNull();
    expect(rateRatio({ events: 0, exposure: 1 }, { events: 0, exposure: 1 })).toBeNull();
  });
});
