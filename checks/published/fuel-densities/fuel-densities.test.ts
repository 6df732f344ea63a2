import { describe, expect, it } from 'vitest';
import { fuelMass } from '@/core/fuel/fuel-mass';
import { volume } from '@/core/quantities/volume';
import { source } from './source';

describe(source.section, () => {
  it.each([
    ['40', 'leaded', 240, 108.862],
    ['56', 'leaded', 336, 152.407],
    ['10', 'jet', 67, 30.391],
  ] as const)('%s US gal of %s are %s lb and %s kg', (amount, grade, pounds, kilograms) => {
    const mass = fuelMass(volume(amount, 'US gal'), grade);
    expect(mass.pounds).toBeCloseTo(pounds, 6);
    expect(mass.kilograms).toBeCloseTo(kilograms, 3);
  });
  it('6 lb a US gallon are 0.71896 kg a litre (GNU units)', () => {
    expect(fuelMass(volume('1', 'L'), 'leaded').kilograms).toBeCloseTo(0.718_958_56, 7);
  });
  it('car petrol is taken at the heavy end of its range, 6.0 to 6.2 lb (from memory, less certain)', () => {
    expect(fuelMass(volume('10', 'US gal'), 'unleaded').pounds).toBeCloseTo(62, 6);
  });
});
