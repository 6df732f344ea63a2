import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hours, type Hours } from '../../quantities/hours';
import { volume } from '../../quantities/volume';
import { instant } from '../../time/instant';
import type { FuelStretch } from '../maintenance/maintenance-item';
import type { Uplift } from '../walkround/measurement';
import { burntLife } from './oil-life';
import { oilPerHour, oilSteps } from './oil-trend';

const NOON = instant('2026-11-20T12:00:00Z');
const added = (id: string, at: string | null, quarts: string, what: Uplift['what'] = 'oil'): Uplift => ({
  id,
  recordedAt: NOON,
  happenedAt: NOON,
  what,
  added: volume(quarts, 'US qt'),
  grade: null,
  timeInService: at === null ? null : hours(at),
});

describe('oil use an hour', () => {
  const steady = [
    added('a', '100', '1'),
    added('b', '105', '1'),
    added('c', '110', '1'),
    added('d', '115', '1'),
  ];

  it('is the median slope: a quart every five hours is a fifth of a quart an hour', () => {
    expect(oilPerHour(steady)).toEqual({ perHour: volume('0.2', 'US qt'), records: ['a', 'b', 'c', 'd'] });
  });
  it('is not moved by one quart too many', () => {
    // By hand: the sums 1, 2, 5, 6, 7 quarts at 100, 105, 110, 115, 120 h; slopes 1/5, 4/10, 5/15, 6/20, 3/5, 4/10, 5/15, 1/5, 2/10, 1/5; the middle two are 6/20 and 5/15.
    const spilt = [
      added('a', '100', '1'),
      added('b', '105', '1'),
      added('c', '110', '3'),
      added('d', '115', '1'),
      added('e', '120', '1'),
    ];
    expect(oilPerHour(spilt)?.perHour).toBe(
      Math.ceil((volume('0.3', 'US qt') + volume('1', 'US qt') / 3) / 2),
    );
  });
  it('takes the middle one of an odd number of slopes', () => {
    // Two of four at the same reading have no slope between them: five are left: 1/5, 2/5, 3/10, 2/5, 1/5 quarts an hour.
    expect(
      oilPerHour([
        added('a', '100', '1'),
        added('b', '105', '1'),
        added('c', '105', '1'),
        added('d', '110', '1'),
      ])?.perHour,
    ).toBe(volume('0.3', 'US qt'));
  });
  it('says nothing from fewer than four that state their hours, nor from fuel, nor when all were at once', () => {
    expect(oilPerHour(steady.slice(0, 3))).toBeNull();
    expect(oilPerHour([...steady.slice(0, 3), added('d', null, '1')])).toBeNull();
    expect(oilPerHour([...steady.slice(0, 3), added('d', '115', '1', 'fuel')])).toBeNull();
    expect(oilPerHour(steady.map((one) => ({ ...one, timeInService: hours('100') })))).toBeNull();
  });
  it('looks at the last twelve', () => {
    const many = Array.from({ length: 14 }, (_, at) =>
      added(`r${String(at).padStart(2, '0')}`, String(100 + at * 5), '1'),
    );
    expect(oilPerHour(many)?.records).toEqual(many.slice(2).map(({ id }) => id));
  });
  it('does not mind the order of entry', () => {
    const some = fc
      .uniqueArray(fc.integer({ min: 0, max: 200 }), { minLength: 4, maxLength: 12 })
      .chain((readings) =>
        fc.record({
          readings: fc.constant(readings),
          shuffled: fc.shuffledSubarray(readings, { minLength: readings.length }),
        }),
      );
    fc.assert(
      fc.property(some, ({ readings, shuffled }) => {
        const from = (list: readonly number[]) =>
          list.map((at) => added(`r${at}`, String(at), String((at % 3) + 1)));
        expect(oilPerHour(from(shuffled))).toEqual(oilPerHour(from(readings)));
      }),
    );
  });
});

describe('the life of oil burnt on two grades of fuel', () => {
  const LIFE = { leaded: hours('25'), unleaded: hours('100') };
  const changed = (at: string) => ({ readings: [{ meter: 'engine' as const, value: hours(at) }] });
  const engine = (value: string) => ({
    state: 'known' as const,
    value: hours(value),
    from: 'r',
    readAt: NOON,
  });
  const stretch = (from: string, to: string, grade: FuelStretch['grade']): FuelStretch => ({
    id: `${from}-${to}`,
    recordedAt: NOON,
    fromReading: hours(from),
    toReading: hours(to),
    grade,
  });

  // By hand: each hour of leaded takes 1/25 of the life, each of unleaded 1/100; what is left goes at the leaded rate.
  it.each([
    ['nothing flown since the change', '500', [], '525', '0', '0', '0'],
    ['ten leaded: fifteen left', '510', [stretch('500', '510', 'leaded')], '525', '10', '0', '0'],
    [
      'forty unleaded: 40/100 gone, fifteen leaded hours left',
      '540',
      [stretch('500', '540', 'unleaded')],
      '555',
      '0',
      '40',
      '0',
    ],
    [
      'five leaded and forty unleaded: 0.2 + 0.4, ten left',
      '545',
      [stretch('500', '505', 'leaded'), stretch('505', '545', 'unleaded')],
      '555',
      '5',
      '40',
      '0',
    ],
    ['what nobody said burns as leaded', '510', [], '525', '0', '0', '10'],
    [
      'a gap between two stretches as well',
      '520',
      [stretch('500', '505', 'unleaded'), stretch('515', '520', 'unleaded')],
      '532.5',
      '0',
      '10',
      '10',
    ],
    [
      'of two grades over each other the worse',
      '510',
      [stretch('500', '510', 'unleaded'), stretch('504', '510', 'leaded')],
      '528',
      '6',
      '4',
      '0',
    ],
    [
      'an unknown grade over a known one',
      '510',
      [stretch('500', '510', 'unleaded'), stretch('505', '510', null)],
      '528.75',
      '0',
      '5',
      '5',
    ],
    [
      'a stretch from before the change counts from the change on',
      '510',
      [stretch('480', '510', 'unleaded')],
      '532.5',
      '0',
      '10',
      '0',
    ],
    [
      'a stretch that runs past the reading counts to the reading',
      '510',
      [stretch('500', '530', 'unleaded')],
      '532.5',
      '0',
      '10',
      '0',
    ],
  ] as const)('%s', (_, now, stretches, due, leaded, unleaded, unsaid) => {
    expect(burntLife(changed('500'), LIFE, stretches, engine(now))).toEqual({
      dueAt: hours(due),
      leaded: hours(leaded),
      unleaded: hours(unleaded),
      unsaid: hours(unsaid),
    });
  });

  it('is overrun by as much as it was overrun', () => {
    expect(burntLife(changed('500'), LIFE, [], engine('530'))?.dueAt).toBe(hours('525'));
    expect(burntLife(changed('5'), LIFE, [], engine('200'))?.dueAt).toBe(hours('30'));
  });
  it('is not known without the reading at the change, or the engine’s meter', () => {
    expect(
      burntLife({ readings: [{ meter: 'time-in-service', value: hours('500') }] }, LIFE, [], engine('510')),
    ).toBeNull();
    expect(burntLife(changed('500'), LIFE, [], { state: 'unknown' })).toBeNull();
  });
  it('agrees with adding hour by hour', () => {
    const anyStretch = fc.record({
      from: fc.integer({ min: 0, max: 50 }),
      far: fc.integer({ min: 1, max: 20 }),
      grade: fc.constantFrom('leaded' as const, 'unleaded' as const, null),
    });
    fc.assert(
      fc.property(fc.array(anyStretch, { maxLength: 6 }), fc.integer({ min: 0, max: 60 }), (given, now) => {
        const stretches = given.map(({ from, far, grade }) =>
          stretch(String(from), String(from + far), grade),
        );
        let spent = 0;
        for (let hour = 0; hour < now; hour += 1) {
          const grades = given
            .filter(({ from, far }) => from <= hour && hour < from + far)
            .map(({ grade }) => grade);
          spent += grades.length > 0 && grades.every((grade) => grade === 'unleaded') ? 1 : 4;
        }
        // In hundredths of the life; what is left of it lasts a quarter of as many leaded hours.
        expect(burntLife(changed('0'), LIFE, stretches, engine(String(now)))?.dueAt).toBe(
          Math.max(0, (now + (100 - spent) / 4) * 3600) as Hours,
        );
      }),
    );
  });
});

describe('oil use step by step', () => {
  it('is what was added over the hours since the one before, in whatever order they were written down', () => {
    // By hand: 1 quart over 10 h, then 1 over 8 h, then 1 over 4 h.
    expect(
      oilSteps([
        added('d', '122', '1'),
        added('a', '100', '3'),
        added('c', '118', '1'),
        added('b', '110', '1'),
      ]),
    ).toEqual([
      { at: hours('110'), perHour: volume('0.1', 'US qt') },
      { at: hours('118'), perHour: volume('0.125', 'US qt') },
      { at: hours('122'), perHour: volume('0.25', 'US qt') },
    ]);
  });
  it('two at the same hour are one, and fuel or one that states no hours is none', () => {
    expect(
      oilSteps([
        added('a', '100', '1'),
        added('b', '110', '0.5'),
        added('c', '110', '0.5'),
        added('d', null, '1'),
        added('e', '105', '9', 'fuel'),
      ]),
    ).toEqual([{ at: hours('110'), perHour: volume('0.1', 'US qt') }]);
    expect(oilSteps([added('a', '100', '1')])).toEqual([]);
  });
});
