import { describe, expect, it } from 'vitest';
import { fuelNeeded, reserveMinutes } from '@/core/fuel/fuel-needed';
import { decimalVolume, volume } from '@/core/quantities/volume';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const gallons = (burn: string, minutes: number, alternate: number, reserve: number) =>
  Number(
    decimalVolume(
      fuelNeeded(volume(burn, 'US gal'), minutes * 60, alternate * 60, reserve),
      'US gal',
      2,
      'up',
    ),
  );

describe(source.section, () => {
  it.each([
    ['2.0 h at 8.4 gal/h by day', '8.4', 120, 0, 30, 21],
    ['the same by night', '8.4', 120, 0, 45, 23.1],
    ['1:40 at 9.2 gal/h by instruments, no alternate', '9.2', 100, 0, 45, 22.24],
    ['the same with an alternate 0:35 away', '9.2', 100, 35, 45, 27.6],
  ] as const)('%s', (_, burn, minutes, alternate, reserve, expected) => {
    expect(gallons(burn, minutes, alternate, reserve)).toBe(expected);
  });

  it('30 minutes by day, 45 by night, 45 by instruments; a flight takes the largest that it touches', () => {
    expect([
      reserveMinutes('vfr', ['day']),
      reserveMinutes('vfr', ['day', 'dusk']),
      reserveMinutes('vfr', ['day', 'dusk', 'night']),
      reserveMinutes('ifr', ['day']),
      reserveMinutes(null, ['day']),
    ]).toEqual([30, 30, 45, 45, 45]);
  });

  // The clean case burns 8.4 gal/h. 18:00 UTC is afternoon at the field in November, 23:00 UTC night.
  const ask = (amount: number, starts: string, ends: string) =>
    decideBy(['fuel-for-flight'], {
      flight: {
        starts,
        ends,
        airborne: 2,
        purpose: 'private-rental',
        crew: 'rated-pilot',
        rules: 'vfr',
        range: 'local',
        fuelAboard: { amount, unit: 'US gal' },
      },
    }).flight;
  it.each([
    [21, 0],
    [20.9, 1],
  ] as const)('by day %s gal', (amount, troubles) => {
    expect(ask(amount, '2026-11-24T14:00:00Z', '2026-11-24T16:00:00Z')?.own.length).toBe(troubles);
  });
  it.each([
    [23.1, 0],
    [23, 1],
  ] as const)('by night %s gal', (amount, troubles) => {
    expect(ask(amount, '2026-11-25T00:00:00Z', '2026-11-25T02:00:00Z')?.own.length).toBe(troubles);
  });
  it('what is short is a step before the flight', () => {
    expect(ask(20.9, '2026-11-24T14:00:00Z', '2026-11-24T16:00:00Z')?.own[0]).toMatchObject({
      condition: true,
      reason: { code: 'fuel-short' },
    });
  });
});
