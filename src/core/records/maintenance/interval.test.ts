import { LocalDate } from '@js-joda/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hours } from '../../quantities/hours';
import { volume } from '../../quantities/volume';
import { addDays, civilDate } from '../../time/civil-date';
import { lastDayOf, nextDue, type Doing, type Interval } from './interval';
import { burntLife } from '../meters/oil-life';
import { oilPerHour } from '../meters/oil-trend';
import type { Uplift } from '../walkround/measurement';

const NONE: Interval = { months: null, monthsToTheDay: null, days: null, meters: [] };
const done = (completedOn: string, value: string | null, free = false): Doing => ({
  completedOn: civilDate(completedOn),
  readings: value === null ? [] : [{ meter: 'time-in-service', value: hours(value) }],
  excessOnFreeUses: free,
});
const every = (value: string): Interval => ({
  ...NONE,
  meters: [{ meter: 'time-in-service', every: hours(value) }],
});

describe('the last day of an interval', () => {
  it.each([
    [{ months: 12 }, '2024-03-14', '2025-03-31'],
    [{ months: 12 }, '2024-02-29', '2025-02-28'],
    [{ monthsToTheDay: 12 }, '2024-06-10', '2025-06-10'],
    [{ monthsToTheDay: 1 }, '2026-01-31', '2026-02-28'],
    [{ days: 30 }, '2025-01-31', '2025-03-02'],
    [{ months: 1, days: 30 }, '2026-01-01', '2026-01-31'],
    [{ months: 1, days: 400 }, '2026-01-01', '2026-02-28'],
    [{ monthsToTheDay: 2, days: 90 }, '2026-01-01', '2026-03-01'],
  ] as const)('%o from %s: %s', (interval, from, expected) => {
    expect(lastDayOf({ ...NONE, ...interval }, civilDate(from))).toBe(expected);
  });
  it('is none where neither days nor months are given', () => {
    expect(lastDayOf(NONE, civilDate('2026-01-01'))).toBeNull();
  });
  it('agrees with another calendar library on every kind of step', () => {
    // Reference: js-joda.
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 20_000 }),
        fc.integer({ min: 0, max: 120 }),
        fc.integer({ min: 0, max: 2000 }),
        (day, months, days) => {
          const from = addDays(civilDate('1990-01-01'), day);
          const other = LocalDate.parse(from);
          expect(lastDayOf({ ...NONE, monthsToTheDay: months }, from)).toBe(
            other.plusMonths(months).toString(),
          );
          expect(lastDayOf({ ...NONE, days }, from)).toBe(other.plusDays(days).toString());
          expect(lastDayOf({ ...NONE, months }, from)).toBe(
            other.plusMonths(months).withDayOfMonth(other.plusMonths(months).lengthOfMonth()).toString(),
          );
        },
      ),
      { numRuns: 300 },
    );
  });
});

const ALL = Number.POSITIVE_INFINITY;

describe('when something is due again', () => {
  it.each([
    ['in time', [done('2026-01-01', '1000'), done('2026-02-01', '1100')], ALL, '1200', '0'],
    ['early', [done('2026-01-01', '1000'), done('2026-02-01', '1092')], ALL, '1192', '0'],
    [
      'late, the excess taken off',
      [done('2026-01-01', '1000'), done('2026-02-01', '1106.5')],
      ALL,
      '1200',
      '6.5',
    ],
    ['late, not taken off', [done('2026-01-01', '1000'), done('2026-02-01', '1106.5')], 0, '1206.5', '0'],
    [
      'late, a part of the excess taken off',
      [done('2026-01-01', '1000'), done('2026-02-01', '1106.5')],
      hours('4'),
      '1202.5',
      '4',
    ],
    [
      'late on free uses',
      [done('2026-01-01', '1000'), done('2026-02-01', '1106.5', true)],
      ALL,
      '1206.5',
      '0',
    ],
    [
      'late twice',
      [done('2026-01-01', '1000'), done('2026-02-01', '1106.5'), done('2026-03-01', '1203')],
      ALL,
      '1300',
      '3',
    ],
    [
      'late, then in time',
      [done('2026-01-01', '1000'), done('2026-02-01', '1106.5'), done('2026-03-01', '1195')],
      ALL,
      '1295',
      '0',
    ],
  ] as const)('%s', (_, doings, most, at, takenOff) => {
    expect(nextDue(doings, every('100'), most).meters).toEqual([
      { meter: 'time-in-service', at: hours(at), takenOff: hours(takenOff) },
    ]);
  });
  it('counts the days from the last time, however late', () => {
    expect(
      nextDue([done('2024-03-14', null), done('2025-06-02', null)], { ...NONE, months: 12 }, ALL).lastDay,
    ).toBe('2026-06-30');
  });
  it('cannot be said on a meter that was not read then', () => {
    expect(nextDue([done('2026-01-01', '1000'), done('2026-02-01', null)], every('100'), ALL)).toMatchObject({
      meters: [],
      unknownMeters: ['time-in-service'],
    });
  });
  it('needs to have been done once', () => {
    expect(() => nextDue([], every('100'), ALL)).toThrow('nothing was done');
  });
  it('never comes due before it was done, however late that was', () => {
    expect(
      nextDue([done('2026-01-01', '1000'), done('2026-02-01', '1450')], every('100'), ALL).meters,
    ).toEqual([{ meter: 'time-in-service', at: hours('1450'), takenOff: hours('100') }]);
  });
  it('of one day with two readings the lower counts, and one without makes it unknown', () => {
    expect(
      nextDue([done('2026-01-01', '1004'), done('2026-01-01', '1000')], every('100'), ALL).meters[0]?.at,
    ).toBe(hours('1100'));
    expect(
      nextDue([done('2026-01-01', '1000'), done('2026-01-01', null)], every('100'), ALL).unknownMeters,
    ).toEqual(['time-in-service']);
  });
  it('taking off never gives more than counting again', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 300 }), { minLength: 1, maxLength: 8 }), (steps) => {
        let value = 1000;
        const doings = steps.map((step, place) => {
          value += step;
          return done(`2026-01-0${place + 1}`, String(value));
        });
        const at = (most: number) => nextDue(doings, every('100'), most).meters[0]?.at ?? Number.NaN;
        expect(at(ALL)).toBeLessThanOrEqual(at(0));
        expect(at(0)).toBe(hours(String(value + 100)));
      }),
    );
  });
});

describe('the oil’s life', () => {
  const LIFE = { leaded: hours('25'), unleaded: hours('100') };
  const stretch = (from: string, to: string, grade: 'leaded' | 'unleaded' | null) => ({
    id: from,
    recordedAt: 0 as never,
    fromReading: hours(from),
    toReading: hours(to),
    grade,
  });
  const engine = (value: string) => ({
    state: 'known' as const,
    value: hours(value),
    from: 'r',
    readAt: 0 as never,
  });
  const change = { readings: [{ meter: 'engine' as const, value: hours('1000') }] };
  it.each([
    ['nothing flown yet', '1000', [], '1025'],
    ['all on leaded', '1010', [stretch('1000', '1010', 'leaded')], '1025'],
    ['all on unleaded', '1040', [stretch('1000', '1040', 'unleaded')], '1055'],
    ['all of it on unleaded', '1100', [stretch('1000', '1100', 'unleaded')], '1100'],
    [
      '40 h on unleaded, 15 h on leaded',
      '1055',
      [stretch('1000', '1040', 'unleaded'), stretch('1040', '1055', 'leaded')],
      '1055',
    ],
    ['what nobody noted counts as leaded', '1010', [], '1025'],
    ['a stretch without a grade counts as leaded', '1010', [stretch('1000', '1010', null)], '1025'],
    [
      'of two grades for one time the worse counts',
      '1010',
      [stretch('1000', '1010', 'unleaded'), stretch('1005', '1010', 'leaded')],
      '1028.75',
    ],
    ['what lies before the change does not count', '1010', [stretch('900', '1010', 'unleaded')], '1032.5'],
  ] as const)('%s', (_, now, stretches, dueAt) => {
    expect(burntLife(change, LIFE, [...stretches], engine(now))?.dueAt).toBe(hours(dueAt));
  });
  it('cannot be said without the reading at the change, or the meter now', () => {
    expect([
      burntLife({ readings: [] }, LIFE, [], engine('1010')),
      burntLife(change, LIFE, [], { state: 'unknown' }),
    ]).toEqual([null, null]);
  });
});

describe('oil use', () => {
  const quart = volume('1', 'US qt');
  const uplift = (at: number, quarts: number, change: Partial<Uplift> = {}): Uplift => ({
    id: String(at),
    happenedAt: at as never,
    recordedAt: at as never,
    what: 'oil',
    added: quarts * quart,
    grade: null,
    timeInService: at * 3600,
    ...change,
  });
  it('is the middle of all slopes: one odd entry does not move it', () => {
    const steady = [0, 10, 20, 30, 40, 50].map((at) => uplift(at, 1));
    expect(oilPerHour(steady)?.perHour).toBe(quart / 10);
    expect(oilPerHour([...steady.slice(0, 5), uplift(50, 1), uplift(60, 4)])?.perHour).toBeLessThan(
      quart / 5,
    );
  });
  it('says nothing with fewer than four uplifts that state their hours', () => {
    expect(oilPerHour([0, 10, 20].map((at) => uplift(at, 1)))).toBeNull();
    expect(
      oilPerHour([0, 10, 20, 30].map((at) => uplift(at, 1, at === 30 ? { timeInService: null } : {}))),
    ).toBeNull();
    expect(oilPerHour([0, 10, 20, 30].map((at) => uplift(at, 1, { what: 'fuel' })))).toBeNull();
    expect(oilPerHour([5, 5, 5, 5].map((at) => uplift(at, 1)))).toBeNull();
  });
  it('looks at the last twelve', () => {
    const early = Array.from({ length: 20 }, (_, at) => uplift(at * 10, 9));
    const late = Array.from({ length: 12 }, (_, at) => uplift(200 + at * 10, 1));
    expect(oilPerHour([...early, ...late])?.perHour).toBe(quart / 10);
  });
});
