import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addHours, decimalHours, hours, hoursFromSeconds, parseDecimalHours } from './hours';

describe('hours', () => {
  it.each([
    ['0', 0],
    ['1', 3600],
    ['0.1', 360],
    ['0.01', 36],
    ['1106.5', 3_983_400],
    ['200000', 720_000_000],
  ])('reads %s exactly', (text, seconds) => {
    expect(parseDecimalHours(text)).toBe(seconds);
  });

  it.each(['', '-1', '1.234', '1,5', '1.', '.5', '1e3', '200000.01', ' 1', 'NaN', '0x10'])(
    'refuses %j',
    (text) => {
      expect(parseDecimalHours(text)).toBeUndefined();
      expect(() => hours(text)).toThrow('is no number of hours');
    },
  );

  it('gives back what it read, with either rounding', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000_000 }), (hundredths) => {
        const text = `${Math.floor(hundredths / 100)}.${String(hundredths % 100).padStart(2, '0')}`;
        expect(decimalHours(hours(text), 2, 'down')).toBe(text);
        expect(decimalHours(hours(text), 2, 'up')).toBe(text);
      }),
    );
  });

  it('rounds what is left down and what is needed up', () => {
    const most = hoursFromSeconds(3600 + 359);
    expect(decimalHours(most, 1, 'down')).toBe('1.0');
    expect(decimalHours(most, 1, 'up')).toBe('1.1');
  });

  it('adds exactly where binary fractions would not', () => {
    expect(addHours(hours('0.1'), hours('0.2'))).toBe(hours('0.3'));
    expect(() => hoursFromSeconds(-1)).toThrow('whole seconds');
    expect(() => hoursFromSeconds(0.5)).toThrow('whole seconds');
  });
});
