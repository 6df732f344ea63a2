import { describe, expect, it } from 'vitest';
import type { Trend } from '@/core/walkround/trends';
import { zone } from '@/core/time/zone';
import { tellTrend, tellWater } from './trends';

const at = zone('UTC');
const trend: Trend = {
  of: 'strut',
  which: 'nose',
  points: [0, 30, 60, 90].map((x) => ({ x, value: 90_000 - x * 100, at: null })),
  slope: { slope: -100, low: -150, high: -50, at0: 90_000 },
  goes: 'down',
  min: 60_000,
  max: null,
  meetsLimitIn: 140.7,
};

describe('a trend in words', () => {
  it.each<[string, Partial<Trend>, string]>([
    [
      'that falls',
      {},
      'Falls by 0.3 cm in 30 days (0.15 to 0.45, 95 % interval). It may meet its limit in 140 days.',
    ],
    ['that meets its limit now', { meetsLimitIn: 0.4 }, 'It may meet its limit now.'],
    [
      'that rises',
      { goes: 'up', slope: { slope: 100, low: 50, high: 150, at0: 0 }, meetsLimitIn: null },
      'Rises by 0.3 cm in 30 days (0.15 to 0.45, 95 % interval).',
    ],
    [
      'that goes nowhere',
      { goes: 'unsure', slope: { slope: 0, low: -50, high: 50, at0: 0 } },
      'No direction can be told (−0.15 to 0.15 cm in 30 days, 95 % interval).',
    ],
    [
      'of two figures',
      { slope: null, points: trend.points.slice(0, 2) },
      '2 figures: too few to say where it goes.',
    ],
    ['of oil over the club’s limit', { of: 'oil-use', goes: 'up', max: 1 }, 'over the club’s limit'],
    ['of oil where the club has none', { of: 'oil-use', max: null }, 'What was added'],
  ])('%s', (_, change, words) => {
    expect(tellTrend({ ...trend, ...change }, at).says).toContain(words);
  });

  it('comes with its figures in a unit of the trade, its line and its limit', () => {
    const told = tellTrend(trend, at);
    expect(told).toMatchObject({
      name: 'Strut extension, nose',
      unit: 'cm',
      min: 6,
      max: null,
      isNear: false,
    });
    expect(told.points.map(({ y }) => y)).toEqual([9, 8.7, 8.4, 8.1]);
    expect(told.line?.from).toBeCloseTo(9);
    expect(told.line?.to).toBeCloseTo(8.1);
    expect(tellTrend({ ...trend, meetsLimitIn: 60 }, at).isNear).toBe(true);
    expect(tellTrend({ ...trend, of: 'tyre-pressure', which: null }, at)).toMatchObject({
      name: 'Tyre pressure',
      unit: 'psi',
    });
  });

  it('of water says how many cups, and how sure that is', () => {
    const water = { drain: 'left', wet: 2, samples: 10, low: 0.057, high: 0.51, isOften: true };
    expect(tellWater(water)).toBe('Left: water in 2 of the last 10 cups (95 % interval 6 % to 51 %).');
    expect(tellWater({ ...water, samples: 1 })).toContain('the last 1 cup (');
  });
});
