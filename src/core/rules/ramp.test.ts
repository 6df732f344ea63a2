import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideBy } from '@/testing/clean-case';
import { isOutside } from '../walkround/judge';

type Change = { readonly [key: string]: Json };
const at = (time: string): Change => ({
  happenedAt: `2026-11-24T${time}:00Z`,
  recordedAt: `2026-11-24T${time}:30Z`,
});
const measured = (quantity: string, value: number, unit: string, change: Change = {}): Change => ({
  ...at('12:30'),
  quantity,
  value,
  unit,
  ...change,
});
const flight = (change: Change = {}): Change => ({
  starts: '2026-11-24T14:00:00Z',
  ends: '2026-11-24T16:00:00Z',
  airborne: 1.5,
  purpose: 'private-rental',
  crew: 'rated-pilot',
  rules: 'vfr',
  range: 'local',
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
  ...change,
});

const OIL_LIMIT = { quantity: 'oil', unit: 'US qt', min: 4, remedy: 'top-up' };

describe('measured limits', () => {
  it.each([
    [4, 4, null, false, false],
    [3, 4, null, false, true],
    [8, null, 8, false, false],
    [9, null, 8, false, true],
    [125, null, 125, true, true],
    [124, null, 125, true, false],
    [12, 12, null, true, true],
    [13, 12, null, true, false],
  ] as const)('%s within %s and %s, open %s: outside %s', (value, min, max, open, outside) => {
    expect(isOutside(value, { min, max, open })).toBe(outside);
  });
  const ask = (measurements: Change, change: Change = {}) =>
    decideBy(['measured-limits', 'approved-uses'], { ramp: { measurements }, ...change });
  it.each([
    ['oil at the minimum', { oil: measured('oil', 4, 'US qt') }, []],
    ['oil a thousandth below', { oil: measured('oil', 3.999, 'US qt') }, ['measured-outside']],
    ['oil at the maximum', { oil: measured('oil', 8, 'US qt') }, []],
    ['oil above', { oil: measured('oil', 8.001, 'US qt') }, ['measured-outside']],
    ['the same oil in litres', { oil: measured('oil', 3.786, 'L') }, []],
    ['oil not measured', {}, ['not-measured']],
    [
      'strut within',
      { oil: measured('oil', 6, 'US qt'), s: measured('strut', 4.5, 'in', { which: 'left' }) },
      [],
    ],
    [
      'the other strut has no limit on record',
      { oil: measured('oil', 6, 'US qt'), s: measured('strut', 1, 'in', { which: 'right' }) },
      [],
    ],
    [
      'the later measurement counts',
      { a: measured('oil', 3, 'US qt'), b: measured('oil', 6, 'US qt', at('12:40')) },
      [],
    ],
  ] as const)('%s', (_, measurements, expected) => {
    expect(codes(ask(measurements))).toEqual(expected);
  });
  it('tells what helps: topping up, draining, or a mechanic', () => {
    const act = (measurements: Change) =>
      ask(measurements).constraints.find(({ reason }) => reason.code === 'measured-outside')?.remedies[0]
        ?.act;
    expect([
      act({ o: measured('oil', 3, 'US qt') }),
      act({ o: measured('oil', 9, 'US qt') }),
      act({ s: measured('strut', 1, 'in', { which: 'left' }) }),
    ]).toEqual(['add-oil', 'remove-oil', 'service-measured-item']);
  });
  it('a limit for some flights closes only those: 4 qt for visual, 6 for instrument flight (common practice, no source)', () => {
    const both = [
      { quantity: 'oil', unit: 'US qt', min: 4, remedy: 'top-up' },
      { quantity: 'oil', unit: 'US qt', min: 6, remedy: 'top-up', uses: [{ rules: ['ifr'] }] },
    ];
    const window = (quarts: number) =>
      ask({ o: measured('oil', quarts, 'US qt') }, { aircraft: { approvedFor: 'all', measured: both } })
        .window.panes;
    expect([window(6)['day-ifr'], window(5)['day-ifr'], window(5)['day-vfr'], window(3)['day-vfr']]).toEqual([
      'open',
      'closed',
      'open',
      'closed',
    ]);
  });
  it('ignition drops of 80 and 70 rpm pass, a difference of 125 does not (common practice, no source)', () => {
    const limits = [
      OIL_LIMIT,
      { quantity: 'ignition-drop', which: 'left', unit: 'rpm', max: 300, remedy: 'mechanic' },
      { quantity: 'ignition-difference', unit: 'rpm', max: 125, open: true, remedy: 'mechanic' },
    ];
    const drop = (left: number, difference: number) =>
      ask(
        {
          o: measured('oil', 6, 'US qt'),
          l: measured('ignition-drop', left, 'rpm', { which: 'left' }),
          d: measured('ignition-difference', difference, 'rpm'),
        },
        { aircraft: { measured: limits } },
      ).verdict;
    expect([drop(90, 20), drop(300, 124), drop(301, 20), drop(90, 125)]).toEqual([
      'Released',
      'Released',
      'Grounded',
      'Grounded',
    ]);
  });
  it('24.2 V pass where 23 are the minimum, 22.9 do not (common practice, no source)', () => {
    const volts = (value: number) =>
      ask(
        { o: measured('oil', 6, 'US qt'), b: measured('battery', value, 'V') },
        {
          aircraft: { measured: [OIL_LIMIT, { quantity: 'battery', unit: 'V', min: 23, remedy: 'service' }] },
        },
      ).verdict;
    expect([volts(24.2), volts(23), volts(22.9)]).toEqual(['Released', 'Released', 'Grounded']);
  });
});

describe('fuel samples', () => {
  const ask = (
    samples: Change,
    uplifts: Change = {},
    change: Change = {},
    fuelSampling = 'every-flight-and-after-fuelling',
  ) =>
    decideBy(['fuel-samples', 'fuel-quality'], {
      packs: [{ id: 'us-part91' }, { id: 'club-policy', parameters: { fuelSampling } }],
      ramp: { samples, uplifts },
      flight: flight(),
      ...change,
    }).flight;
  const clean = (time = '12:40', change: Change = {}): Change => ({
    s: { ...at(time), result: 'clean', drain: 'every', ...change },
  });
  const fuelled = (time: string): Change => ({
    u: { ...at(time), what: 'fuel', added: { amount: 5, unit: 'US gal' }, grade: 'leaded' },
  });
  const returned = (time: string): Change => ({
    flightsOut: {
      f: { ...at('09:00'), returned: { recordedAt: `2026-11-24T${time}:30Z`, at: `2026-11-24T${time}:00Z` } },
    },
  });
  it.each([
    ['clean', clean(), {}, {}, []],
    ['none', {}, {}, {}, ['sample-needed']],
    ['not every drain', clean('12:40', { drain: 'left' }), {}, {}, ['sample-needed']],
    ['fuelled since', clean(), fuelled('12:45'), {}, ['sample-needed']],
    ['fuelled before', clean(), fuelled('12:35'), {}, []],
    ['flown since', clean(), {}, returned('12:50'), ['sample-needed']],
    ['flown before', clean(), {}, returned('12:30'), []],
  ] as const)('%s', (_, samples, uplifts, change, expected) => {
    expect(ask(samples, uplifts, change)?.own.map(({ reason }) => reason.code)).toEqual(expected);
  });
  it('schools differ on how often; after fuelling is no choice', () => {
    const often = (fuelSampling: string, samples: Change, uplifts: Change, change: Change) =>
      ask(samples, uplifts, change, fuelSampling)?.own.length;
    const tomorrow = {
      asOf: '2026-11-25T13:00:00Z',
      flight: flight({ starts: '2026-11-25T14:00:00Z', ends: '2026-11-25T16:00:00Z' }),
    };
    expect([
      often('first-of-day-and-after-fuelling', clean(), {}, returned('12:50')),
      often('first-of-day-and-after-fuelling', clean(), {}, tomorrow),
      often('after-fuelling', clean(), {}, tomorrow),
      often('after-fuelling', clean(), fuelled('12:45'), {}),
    ]).toEqual([0, 1, 0, 1]);
  });
  it.each(['water', 'dirt', null] as const)('a sample that shows %s grounds until a clean one', (result) => {
    const quality = (samples: Change) => decideBy(['fuel-quality'], { ramp: { samples } }).verdict;
    const bad = { ...at('12:30'), ...(result === null ? {} : { result }), drain: 'every' };
    expect([quality({ b: bad }), quality({ b: bad, ...clean() })]).toEqual(['Grounded', 'Released']);
  });
  it('gliders without an engine have none to take', () => {
    expect([
      ask({}, {}, { aircraft: { category: 'glider', engine: 'none' } })?.own,
      ask({}, {}, { aircraft: { category: 'glider' } })?.own.length,
    ]).toEqual([[], 1]);
  });
});

describe('gauge and dip', () => {
  const ask = (gauge: number, dip: number) =>
    decideBy(['gauge-and-dip'], {
      ramp: {
        measurements: {
          g: measured('fuel-gauge', gauge, 'US gal', { which: 'left' }),
          d: measured('fuel-dip', dip, 'US gal', { which: 'left' }),
        },
      },
    }).verdict;
  it.each([
    [15, 15, 'Released'],
    [10.5, 11.5, 'Released'],
    [11.5, 10.5, 'Released'],
    [10.5, 11.501, 'Grounded'],
    [15, 9.5, 'Grounded'],
  ] as const)('%s against %s gal: %s', (gauge, dip, verdict) => {
    expect(ask(gauge, dip)).toBe(verdict);
  });
});

describe('fuel', () => {
  const dips = (left: number | null, right: number | null): Change => ({
    ramp: {
      measurements: {
        ...(left === null ? {} : { l: measured('fuel-dip', left, 'US gal', { which: 'left' }) }),
        ...(right === null ? {} : { r: measured('fuel-dip', right, 'US gal', { which: 'right' }) }),
      },
    },
  });
  const own = (change: Change) => decideBy(['fuel-for-flight'], { flight: flight(), ...change });
  it('a tank that was not dipped leaves the fuel unknown', () => {
    expect(own(dips(18, null)).flight?.own.map(({ reason }) => reason.code)).toEqual(['fuel-aboard-unknown']);
  });
  it('no tank holds more than can be used of it', () => {
    // 1.5 h and 30 minutes at 8.4 gal/h are 16.8 gal; 25 gal cannot be in a tank of 18 usable.
    expect(
      own({
        ...dips(25, 0),
        aircraft: {
          fuel: {
            tanks: [
              { id: 'left', usable: { amount: 16.7, unit: 'US gal' } },
              { id: 'right', usable: { amount: 18, unit: 'US gal' } },
            ],
          },
        },
      }).flight?.own.map(({ reason }) => reason.code),
    ).toEqual(['fuel-dip-over-tank', 'fuel-short']);
    expect(own(dips(25, 0)).flight?.own.map(({ reason }) => reason.code)).toEqual(['fuel-dip-over-tank']);
    expect(own(dips(18, 0)).flight?.own).toEqual([]);
  });
  it.each([
    [4, 'Released'],
    [3.9, 'Grounded'],
  ] as const)('%s gal against the handbook’s minimum of 4', (left, verdict) => {
    expect(own({ ...dips(left, 0), flight: null }).verdict).toBe(verdict);
  });
  it('an instrument flight has to say how far its alternate is', () => {
    const instruments = (change: Change) =>
      own({ ...dips(18, 18), flight: flight({ rules: 'ifr', ...change }) }).flight?.own.map(
        ({ reason }) => reason.code,
      );
    expect([
      instruments({}),
      instruments({ alternateMinutes: 35 }),
      instruments({ alternateMinutes: 0 }),
      instruments({ alternateMinutes: 180 }),
    ]).toEqual([['flight-leaves-open'], [], [], ['fuel-short']]);
  });
  it('without figures for the burn nothing is enough; a glider needs none', () => {
    expect(
      own({ ...dips(18, 18), aircraft: { fuel: { burnPerHour: null } } }).flight?.own.map(
        ({ reason }) => reason.code,
      ),
    ).toEqual(['fuel-burn-unknown']);
    expect(own({ ...dips(0, 0), aircraft: { category: 'glider' } }).flight?.own).toEqual([]);
  });
  it('a club’s larger reserve is asked on top', () => {
    const reserve = (minutes: number, left: number) =>
      decideBy(['club-fuel-reserve'], {
        packs: [{ id: 'us-part91' }, { id: 'club-policy', parameters: { reserveDay: minutes } }],
        flight: flight(),
        ...dips(left, 0),
      }).flight?.own.length;
    // 1.5 h and an hour at 8.4 gal/h are 21 gal, more than one tank of 18 holds; 1.5 h and 38 minutes are 17.92.
    expect([reserve(30, 1), reserve(60, 18), reserve(38, 18), reserve(38, 17.9)]).toEqual([0, 1, 0, 1]);
  });
});
