import { describe, expect, it } from 'vitest';
import { nextDue } from '@/core/records/maintenance/interval';
import { hours } from '@/core/quantities/hours';
import { addDays, civilDate } from '@/core/time/civil-date';
import { source } from './source';

const INTERVAL = {
  months: null,
  monthsToTheDay: null,
  days: null,
  meters: [{ meter: 'time-in-service' as const, every: hours('100') }],
};
const at = (value: string) => ({
  completedOn: addDays(civilDate('2025-01-01'), Math.round(Number(value))),
  readings: [{ meter: 'time-in-service' as const, value: hours(value) }],
  excessOnFreeUses: false,
});

describe(source.section, () => {
  it('done late within the tolerance, the next interval counts from when it was done: 1206.5', () => {
    expect(nextDue([at('1000'), at('1106.5')], INTERVAL, 0).meters[0]?.at).toBe(hours('1206.5'));
  });
  it('the American rule takes the excess off: 1200.0', () => {
    expect(nextDue([at('1000'), at('1106.5')], INTERVAL, Number.POSITIVE_INFINITY).meters[0]).toMatchObject({
      at: hours('1200'),
      takenOff: hours('6.5'),
    });
  });
  it('early counts from when it was done in both', () => {
    for (const most of [Number.POSITIVE_INFINITY, 0])
      expect(nextDue([at('1000'), at('1092')], INTERVAL, most).meters[0]?.at).toBe(hours('1192'));
  });
});
