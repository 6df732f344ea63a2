import { describe, expect, it } from 'vitest';
import { civilDate } from '../time/civil-date';
import { carriedFrom, type FlownThatDay } from './carried';

const DAY = civilDate('2026-11-23');
const reading = (value: number | null) =>
  value === null
    ? []
    : [
        {
          values: [
            { meter: 'block' as const, value: 99 },
            { meter: 'time-in-service' as const, value },
          ],
        },
      ];
const flight = (
  out: number | null,
  back: number | null | 'still out',
  landings: number | null = 1,
  oilAdded: string | null = null,
): FlownThatDay => ({
  readings: reading(out),
  returned: back === 'still out' ? null : { readings: reading(back), landings, oilAdded },
});

describe('what is carried over', () => {
  it.each<readonly [string, readonly FlownThatDay[], object]>([
    // By hand: (5400 - 0) + (8280 - 5400) = 8280 s.
    [
      'the sum of the day',
      [flight(0, 5400, 3, '1 US qt'), flight(5400, 8280)],
      { flights: 2, flown: 8280, landings: 4, oil: ['1 US qt'] },
    ],
    [
      'a flight that does not say how long it was',
      [flight(0, 5400), flight(null, 8280)],
      { flights: 2, flown: null, landings: 2 },
    ],
    [
      'one that does not say how often it landed',
      [flight(0, 5400, null), flight(5400, 8280)],
      { flown: 8280, landings: null },
    ],
    [
      'one that is still out',
      [flight(0, 5400), flight(5400, 'still out')],
      { flights: 2, flown: null, landings: null },
    ],
    ['no flight', [], { flights: 0, flown: 0, landings: 0, oil: [] }],
  ])('%s', (_, flights, expected) => {
    expect(carriedFrom(DAY, flights, 1000)).toMatchObject({ day: DAY, timeInService: 1000, ...expected });
  });
});
