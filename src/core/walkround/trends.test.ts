import { describe, expect, it } from 'vitest';
import type { FuelSample, MeasureLimit, Measurement, Uplift } from '../records/walkround/measurement';
import { addSeconds, instant } from '../time/instant';
import { trendsOf, waterTrends } from './trends';

const start = instant('2026-06-01T12:00:00Z');
const day = (days: number) => addSeconds(start, days * 86_400);
const figure = (
  quantity: Measurement['quantity'],
  which: string | null,
  days: number,
  value: number,
): Measurement => ({
  id: `${quantity}/${which}/${days}`,
  quantity,
  which,
  value,
  happenedAt: day(days),
  recordedAt: day(days),
});
const strutLimit: MeasureLimit = {
  quantity: 'strut',
  which: 'nose',
  min: 60_000,
  max: null,
  open: false,
  uses: null,
  remedy: 'mechanic',
  everyFlight: false,
};
const sag = [0, 10, 20, 30, 40].map((days) => figure('strut', 'nose', days, 90_000 - days * 500));

describe('what is followed over time', () => {
  it('a strut that sags says when it meets its limit', () => {
    const [trend] = trendsOf(sag, [], [strutLimit], null, day(40));
    // 500 micrometres a day from 70 mm to 60 mm.
    expect(trend).toMatchObject({ of: 'strut', which: 'nose', goes: 'down', min: 60_000, meetsLimitIn: 20 });
    expect(trend?.slope?.slope).toBe(-500);
  });

  it.each<[string, readonly Measurement[], object]>([
    [
      'that goes nowhere says so',
      sag.map((one, at) => ({ ...one, value: 80_000 + (at % 2) })),
      { goes: 'unsure' },
    ],
    [
      'of three figures has no slope yet',
      sag.slice(0, 3),
      { slope: null, goes: 'unsure', meetsLimitIn: null },
    ],
    [
      'that rises meets no lower limit',
      sag.map((one, at) => ({ ...one, value: 70_000 + at * 900 })),
      { goes: 'up', meetsLimitIn: null },
    ],
  ])('one %s', (_, figures, expected) => {
    expect(trendsOf(figures, [], [strutLimit], null, day(40))).toMatchObject([expected]);
  });

  it('days are counted from now, and what lies further ahead than two years is not told', () => {
    const at = (days: number) => trendsOf(sag, [], [strutLimit], null, day(days))[0]?.meetsLimitIn;
    expect([at(40), at(50), at(70)]).toEqual([20, 10, 0]);
    const slow = sag.map((one, step) => ({ ...one, value: 70_000 - step }));
    expect(trendsOf(slow, [], [strutLimit], null, day(40))).toMatchObject([
      { goes: 'down', meetsLimitIn: null },
    ]);
  });

  it('one figure alone is no series, and each side is its own', () => {
    expect(trendsOf(sag.slice(0, 1), [], [], null, day(40))).toEqual([]);
    const both = [...sag, ...sag.map((one) => ({ ...one, which: 'left' }))];
    expect(trendsOf(both, [], [], null, day(40)).map(({ which }) => which)).toEqual(['nose', 'left']);
  });

  it('a gauge’s error is its figure less the dip that was read with it, unless fuel came between', () => {
    const pairs = [0, 1, 2, 3].flatMap((days) => [
      figure('fuel-gauge', 'left', days, 40 + days),
      { ...figure('fuel-dip', 'left', days, 38), happenedAt: addSeconds(day(days), 600) },
    ]);
    const [error] = trendsOf(pairs, [], [], null, day(40));
    expect(error?.points.map(({ value }) => value)).toEqual([2, 3, 4, 5]);
    const fuelled: Uplift = {
      id: 'u',
      what: 'fuel',
      added: 9,
      grade: null,
      timeInService: null,
      happenedAt: addSeconds(day(1), 300),
      recordedAt: day(1),
    };
    expect(trendsOf(pairs, [fuelled], [], null, day(40))[0]?.points.map(({ value }) => value)).toEqual([
      2, 4, 5,
    ]);
    const apart = pairs.map((one) =>
      one.quantity === 'fuel-dip' ? { ...one, happenedAt: addSeconds(one.happenedAt, 7200) } : one,
    );
    expect(trendsOf(apart, [], [], null, day(40))).toEqual([]);
  });

  it('the engine’s oil use stands beside the club’s limit', () => {
    const oil = [10, 20, 30, 40, 50].map((hours): Uplift => ({
      id: `o${hours}`,
      what: 'oil',
      added: 5_000,
      grade: null,
      timeInService: hours * 3600,
      happenedAt: day(hours),
      recordedAt: day(hours),
    }));
    expect(trendsOf([], oil, [], 400, day(40))).toMatchObject([{ of: 'oil-use', goes: 'up', max: 400 }]);
    expect(trendsOf([], oil, [], 600, day(40))).toMatchObject([{ of: 'oil-use', goes: 'unsure', max: 600 }]);
  });
});

describe('water in the cups of a drain', () => {
  const cup = (drain: string | null, days: number, result: FuelSample['result']): FuelSample => ({
    id: `${drain}/${days}`,
    drain,
    result,
    cleared: null,
    happenedAt: day(days),
    recordedAt: day(days),
  });
  it('is counted by drain over the newest cups; what was said of every drain is nobody’s', () => {
    const cups = [
      cup('left', 1, 'water'),
      cup('left', 2, 'clean'),
      cup('left', 3, 'water'),
      cup('right', 1, 'water'),
      cup('right', 2, 'dirt'),
      cup('every', 3, 'water'),
      cup(null, 3, 'water'),
    ];
    expect(waterTrends(cups)).toMatchObject([
      { drain: 'left', wet: 2, samples: 3, isOften: true },
      { drain: 'right', wet: 1, samples: 2, isOften: false },
    ]);
  });
  it('forgets what lies more than twenty cups back', () => {
    const dry = Array.from({ length: 19 }, (_, at) => cup('left', at + 10, 'clean'));
    const wet = [cup('left', 1, 'water'), cup('left', 2, 'water')];
    expect(waterTrends([...wet, ...dry])).toMatchObject([{ wet: 1, samples: 20, isOften: false }]);
  });
});
