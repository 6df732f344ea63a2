import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideBy } from '@/testing/clean-case';
import { source } from './source';

const mechanic = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'AP-1',
    validFrom: '2000-01-01',
    validUntil: 'no-expiry',
  },
};
const HOURS_25 = { hours: [{ meter: 'time-in-service', every: 25 }] };
const HUNDRED_OR_YEAR = {
  look: { name: 'Look', repeats: { hours: [{ meter: 'time-in-service', every: 100 }], monthsToTheDay: 12 } },
};
const ask = (ad: { readonly [key: string]: Json }, value: number, asOf = '2024-06-10T12:00:00Z') =>
  decideBy(['ads'], {
    asOf,
    meterReadings: { today: { happenedAt: asOf, recordedAt: asOf, value } },
    inspections: null,
    ads: {
      d: {
        recordedAt: '2024-01-01T00:00:00Z',
        number: 'D-1',
        title: 'Wing',
        applies: true,
        noFerry: false,
        methods: HUNDRED_OR_YEAR,
        ...ad,
      },
    },
  });
const compliance = (
  completedOn: string,
  at: number,
  change: { readonly [key: string]: Json } = {},
): Json => ({
  done: {
    c: {
      recordedAt: `${completedOn}T23:00:00Z`,
      completedOn,
      method: 'look',
      readings: { hours: { 'time-in-service': at } },
      signedBy: mechanic,
      ...change,
    },
  },
});

describe(source.section, () => {
  it.each([
    [1224.9, 'Released'],
    [1225, 'Grounded'],
  ] as const)('effective at 1200.0 h, within 25 h: due 1225.0; at %s h', (value, verdict) => {
    expect(
      ask(
        {
          effectiveOn: '2024-01-01',
          initial: HOURS_25,
          readingsThen: { hours: { 'time-in-service': 1200 } },
        },
        value,
      ).verdict,
    ).toBe(verdict);
  });
  const done = (change: { readonly [key: string]: Json } = {}) => ({
    effectiveOn: '2023-01-01',
    ...(compliance('2024-06-10', 2450.3, change) as object),
  });
  it.each([
    ['2550.2 h', 2550.2, '2025-06-10T12:00:00Z', 'Released'],
    ['2550.3 h', 2550.3, '2025-06-09T12:00:00Z', 'Grounded'],
    ['the same day next year', 2460, '2025-06-10T12:00:00Z', 'Released'],
    ['the day after', 2460, '2025-06-11T12:00:00Z', 'Grounded'],
  ] as const)(
    'every 100 h or 12 months, done 2450.3 h on 2024-06-10, whichever first: at %s',
    (_, value, asOf, verdict) => {
      expect(ask(done(), value, asOf).verdict).toBe(verdict);
    },
  );
  it('39.19: a method that the AD does not list does not count', () => {
    expect(codes(ask({ ...done({ method: 'other' }), initial: {} }, 2460, '2024-06-11T12:00:00Z'))).toEqual([
      'ad-before-flight',
    ]);
  });
  it('39.23: the ferry flight is open to a special permit unless the AD forbids it', () => {
    const due = {
      effectiveOn: '2024-01-01',
      initial: HOURS_25,
      readingsThen: { hours: { 'time-in-service': 1200 } },
    };
    expect(ask(due, 1230).constraints.map(({ permitMayCover }) => permitMayCover)).toEqual([true]);
    expect(
      ask({ ...due, noFerry: true }, 1230).constraints.map(({ permitMayCover }) => permitMayCover),
    ).toEqual([false]);
    expect(
      ask({ ...due, noFerry: null }, 1230).constraints.map(({ permitMayCover }) => permitMayCover),
    ).toEqual([false]);
  });
  it('39.15: one that nobody judged counts as applying, one that was judged not to apply does not', () => {
    expect([ask({ applies: null }, 1000).verdict, ask({ applies: false }, 1000).verdict]).toEqual([
      'Grounded',
      'Released',
    ]);
  });
});
