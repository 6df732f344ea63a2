import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { OrderRule } from './order-rules';
import { metresOf, shortestOrder, spotOf, wayBetween, type Stop } from './walking';

const stop = (station: string, side: Stop['side'], ...codes: string[]): Stop => ({ station, side, codes });
const rule = (first: string, ...then: string[]): OrderRule => ({ first, then, why: 'because' });
const PLACES: readonly Omit<Stop, 'codes'>[] = [
  ...(['wing', 'fuel', 'main-gear', 'fuselage', 'tail'] as const).flatMap((station) =>
    (['left', 'right', null] as const).map((side) => ({ station, side })),
  ),
  { station: 'propeller', side: null },
  { station: 'cabin-power-off', side: null },
  { station: 'final', side: null },
];
const place = fc.constantFrom(...PLACES);

describe('the way on foot', () => {
  it('is the same both ways, nought to where one stands, and never shorter than the straight line', () => {
    fc.assert(
      fc.property(place, place, (one, other) => {
        const [a, b] = [spotOf(one), spotOf(other)];
        expect(wayBetween(a, b)).toBeCloseTo(wayBetween(b, a), 9);
        expect(wayBetween(a, a)).toBe(0);
        expect(wayBetween(a, b)).toBeGreaterThanOrEqual(Math.hypot(a.x - b.x, a.y - b.y) - 1e-9);
      }),
    );
  });

  it('is mirrored with the aircraft', () => {
    const left = metresOf([stop('wing', 'left'), stop('tail', 'left'), stop('fuselage', 'left')]);
    expect(metresOf([stop('wing', 'right'), stop('tail', 'right'), stop('fuselage', 'right')])).toBe(left);
  });

  it('goes round fuselage and wing, not through them', () => {
    const spot = (x: number, y: number) => ({ x, y });
    // From ahead of the left wing to behind it: round the tip.
    expect(wayBetween(spot(30, 20), spot(30, 60))).toBeGreaterThan(60);
    // From the left flank to the right one: round the tail.
    expect(wayBetween(spot(40, 60), spot(64, 60))).toBeGreaterThan(50);
    // From the left ahead to the right behind: two corners.
    expect(wayBetween(spot(30, 20), spot(74, 60))).toBeGreaterThan(100);
    // Beside one's own wing nothing is in the way.
    expect(wayBetween(spot(30, 60), spot(40, 60))).toBe(10);
  });
});

/** Every order of the numbers below n that begins with the first. */
function* orders(n: number, begun: readonly number[] = [0]): Generator<readonly number[]> {
  if (begun.length === n) yield begun;
  for (let next = 1; next < n; next += 1) if (!begun.includes(next)) yield* orders(n, [...begun, next]);
}

describe('the shortest order that breaks no rule', () => {
  const lengthOf = (stops: readonly Stop[], order: readonly number[]) =>
    order.slice(1).reduce((sum, to, at) => {
      const [from, until] = [stops[order[at] ?? 0], stops[to]];
      return from === undefined || until === undefined ? sum : sum + wayBetween(spotOf(from), spotOf(until));
    }, 0);
  const keeps = (stops: readonly Stop[], order: readonly number[], rules: readonly OrderRule[]) =>
    rules.every(({ first, then }) => {
      const at = (code: string) => order.findIndex((which) => stops[which]?.codes.includes(code) === true);
      return then.every((code) => at(code) === -1 || at(first) === -1 || at(first) <= at(code));
    });

  it('is the one that trying every order finds', () => {
    const given = fc.record({
      places: fc.array(place, { minLength: 2, maxLength: 7 }),
      pairs: fc.array(fc.tuple(fc.nat(6), fc.nat(6)), { maxLength: 5 }),
    });
    fc.assert(
      fc.property(given, ({ places, pairs }) => {
        const stops = places.map((one, at): Stop => ({ ...one, codes: [`c${at}`] }));
        const rules = pairs.filter(([a, b]) => a !== b).map(([a, b]) => rule(`c${a}`, `c${b}`));
        const legal = [...orders(stops.length)].filter((order) => keeps(stops, order, rules));
        const found = shortestOrder(stops, rules);
        if (legal.length === 0) {
          expect(found).toBeNull();
          return;
        }
        expect(found).not.toBeNull();
        expect(keeps(stops, found ?? [], rules)).toBe(true);
        expect(lengthOf(stops, found ?? [])).toBeCloseTo(
          Math.min(...legal.map((order) => lengthOf(stops, order))),
          6,
        );
      }),
      { numRuns: 150 },
    );
  });

  it('there is none of no stops, of too many, or of rules that chase each other', () => {
    const many = Array.from({ length: 27 }, (_, at) => stop('wing', 'left', `c${at}`));
    const two = [stop('wing', 'left', 'a'), stop('tail', null, 'b'), stop('wing', 'right', 'c')];
    expect(shortestOrder([], [])).toBeNull();
    expect(shortestOrder(many, [])).toBeNull();
    expect(shortestOrder(two, [rule('b', 'c'), rule('c', 'b')])).toBeNull();
    expect(shortestOrder(two, [rule('b', 'a')])).toBeNull();
    expect(shortestOrder(two, [rule('c', 'b')])).toEqual([0, 2, 1]);
  });
});
