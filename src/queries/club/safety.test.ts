import { describe, expect, it } from 'vitest';
import type { FindingTimes } from '@/db/findings/times';
import { instant } from '@/core/time/instant';
import { zone } from '@/core/time/zone';
import { monthsOf, waited } from './safety';

const HOUR = 3_600_000;
const HALIFAX = zone('America/Halifax');
const at = (reported: string, decided: string | null, closed: string | null): FindingTimes => ({
  findingId: reported,
  aircraftId: 'a',
  reportedAt: instant(reported),
  decidedAt: decided === null ? null : instant(decided),
  closedAt: closed === null ? null : instant(closed),
});

describe('how long findings waited', () => {
  it.each([
    [[], null],
    [[3], { count: 1, median: 3, ninth: 3 }],
    [[4, 1, 2, 3], { count: 4, median: 2, ninth: 4 }],
    [[10, 9, 8, 7, 6, 5, 4, 3, 2, 1], { count: 10, median: 5, ninth: 9 }],
  ])('%j hours', (hours, told) => {
    expect(waited(hours.map((value) => value * HOUR))).toEqual(told);
  });
  it('is told by the month of the report on the field’s clock, every month, and leaves out what is still open', () => {
    const months = monthsOf(
      [
        at('2026-09-02T12:00:00Z', '2026-09-02T14:00:00Z', '2026-09-03T12:00:00Z'),
        // Still October at the field.
        at('2026-11-01T01:00:00Z', null, null),
        at('2026-10-15T12:00:00Z', '2026-10-15T13:00:00Z', null),
      ],
      instant('2026-09-01T12:00:00Z'),
      instant('2026-11-24T12:00:00Z'),
      HALIFAX,
    );
    expect(months).toEqual([
      {
        month: '2026-09',
        reported: 1,
        toDecision: { count: 1, median: 2, ninth: 2 },
        toReturn: { count: 1, median: 24, ninth: 24 },
      },
      { month: '2026-10', reported: 2, toDecision: { count: 1, median: 1, ninth: 1 }, toReturn: null },
      { month: '2026-11', reported: 0, toDecision: null, toReturn: null },
    ]);
  });
});
