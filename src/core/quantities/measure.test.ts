import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aboard, fuelNeeded, reserveMinutes } from '../fuel/fuel-needed';
import { MEASURE_UNITS, parseMeasure, unitsOf } from './measure';
import {
  addVolumes,
  burnt,
  decimalVolume,
  MOST_LITRES,
  NO_VOLUME,
  parseVolume,
  volume,
  VOLUME_UNITS,
  type VolumeUnit,
} from './volume';

const units = Object.keys(VOLUME_UNITS) as VolumeUnit[];
const anyUnit = fc.constantFrom(...units);
const thousandths = fc.integer({ min: 0, max: 1_000_000 });
const text = (value: number) => `${Math.floor(value / 1000)}.${String(value % 1000).padStart(3, '0')}`;

describe('volumes', () => {
  it('come out of their own unit as they went in, with either rounding', () => {
    fc.assert(
      fc.property(thousandths, anyUnit, (value, unit) => {
        const read = volume(text(value), unit);
        expect([decimalVolume(read, unit, 3, 'down'), decimalVolume(read, unit, 3, 'up')]).toEqual([
          text(value),
          text(value),
        ]);
      }),
    );
  });
  it('are as many litres as whole-number arithmetic of any size says, never more down nor less up', () => {
    fc.assert(
      fc.property(thousandths, anyUnit, (value, unit) => {
        // By definition of the units, in millionths of a millilitre.
        const exact = BigInt(value) * BigInt(VOLUME_UNITS[unit]);
        const perThousandth = BigInt(VOLUME_UNITS.L);
        const down = exact / perThousandth;
        const up = (exact + perThousandth - 1n) / perThousandth;
        expect([
          decimalVolume(volume(text(value), unit), 'L', 3, 'down'),
          decimalVolume(volume(text(value), unit), 'L', 3, 'up'),
        ]).toEqual([text(Number(down)), text(Number(up))]);
      }),
    );
  });
  it.each([
    [1, 'down', '1.2'],
    [1, 'up', '1.3'],
    [2, 'down', '1.23'],
    [2, 'up', '1.24'],
    [3, 'down', '1.234'],
  ] as const)('with %i decimals rounded %s', (decimals, rounding, expected) => {
    expect(decimalVolume(volume('1.234', 'L'), 'L', decimals, rounding)).toBe(expected);
  });
  it('are read up to the most that a tank may hold', () => {
    expect([
      parseVolume(String(MOST_LITRES), 'L'),
      parseVolume(`${MOST_LITRES}.001`, 'L'),
      parseVolume('1320.861', 'US gal'),
      parseVolume('1320.86', 'US gal'),
    ]).toEqual([5000 * VOLUME_UNITS.L, undefined, undefined, volume('1320.86', 'US gal')]);
  });
  it.each(['', '.5', '5.', '1.2345', '-1', '1e2', '1,5', ' 1', '1 ', '123456789'])('refuses %j', (given) => {
    expect(parseVolume(given, 'mL')).toBeUndefined();
    expect(() => volume(given, 'mL')).toThrow('is no volume');
  });
  it('burn to the next whole unit, since what is needed rounds up', () => {
    // Up to what no tank holds: picolitres are whole numbers that far.
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 300_000 }),
        fc.integer({ min: 0, max: 20_000 }),
        (value, seconds) => {
          const perHour = volume(text(value), 'US gal');
          const used = BigInt(burnt(perHour, seconds)) * 3600n - BigInt(perHour) * BigInt(seconds);
          expect(used >= 0n && used < 3600n).toBe(true);
        },
      ),
    );
    expect([burnt(volume('1', 'L'), 0), burnt(NO_VOLUME, 3600)]).toEqual([0, 0]);
  });
});

describe('what else is measured', () => {
  it.each([
    ['um', '1', 'mm', 1000],
    ['um', '1.5', 'cm', 15_000],
    ['um', '0.001', 'in', 25],
    ['mV', '12.6', 'V', 12_600],
    ['rpm', '150', 'rpm', 150],
    ['Pa', '2.1', 'bar', 210_000],
    ['Pa', '210', 'kPa', 210_000],
    ['Pa', '30', 'psi', 206_842],
    ['good', '1', 'good', 1],
    ['pL', '1', 'mL', 1_000_000_000],
  ] as const)('in %s: %s %s', (base, amount, unit, expected) => {
    expect(parseMeasure(amount, unit, base)).toBe(expected);
  });
  it.each([
    ['um', '1', 'V'],
    ['pL', '1', 'V'],
    ['um', '1.2345', 'mm'],
    ['um', '-1', 'mm'],
    ['um', 'x1', 'mm'],
    ['um', '1x', 'mm'],
    ['um', '12345678', 'mm'],
    ['um', '1', 'toString'],
    ['pL', '1', 'toString'],
    ['pL', '1', '__proto__'],
  ] as const)('in %s not %s %s', (base, amount, unit) => {
    expect(parseMeasure(amount, unit, base)).toBeUndefined();
  });
  it('names the units that it accepts', () => {
    expect(unitsOf('pL')).toEqual(units);
    expect(unitsOf('um')).toEqual(Object.keys(MEASURE_UNITS.um));
  });
});

describe('fuel needed', () => {
  // 14 CFR 91.151(a) and 91.167(a), from memory: 30 minutes by day, 45 by night, 45 by instruments.
  it.each([
    ['by day', 'vfr', ['day'], 30],
    ['in dusk, which is not yet night', 'vfr', ['day', 'dusk'], 30],
    ['into the night', 'vfr', ['day', 'dusk', 'night'], 45],
    ['by instruments by day', 'ifr', ['day'], 45],
    ['rules unsaid', null, ['day'], 45],
  ] as const)('%s', (_, rules, light, minutes) => {
    expect(reserveMinutes(rules, light)).toBe(minutes);
  });
  it.each([
    [
      'a club with more by day than by night keeps more by night too',
      'vfr',
      ['night'],
      { day: 60, night: 45, ifr: 45 },
      60,
    ],
    [
      'instruments never take less than the visual flight would',
      'ifr',
      ['night'],
      { day: 30, night: 90, ifr: 45 },
      90,
    ],
  ] as const)('%s', (_, rules, light, own, minutes) => {
    expect(reserveMinutes(rules, light, own)).toBe(minutes);
  });
  it('is flight, leg to the alternate and reserve, each rounded up', () => {
    // By hand: 8 gal/h for an hour and a half, half an hour to the alternate, 45 minutes more: 12 + 4 + 6.
    expect(fuelNeeded(volume('8', 'US gal'), 5400, 1800, 45)).toBe(volume('22', 'US gal'));
    expect(fuelNeeded(volume('0.001', 'US qt'), 1, 1, 0)).toBe(
      2 * Math.ceil(volume('0.001', 'US qt') / 3600),
    );
  });
  it('is held against the sum of the tanks', () => {
    expect([aboard([]), aboard([volume('10', 'US gal'), volume('11.5', 'US gal')])]).toEqual([
      NO_VOLUME,
      addVolumes(volume('21.5', 'US gal'), NO_VOLUME),
    ]);
  });
});
