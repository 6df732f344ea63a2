import { describe, expect, it } from 'vitest';
import { parseMeasure } from '@/core/quantities/measure';
import { addVolumes, burnt, decimalVolume, parseVolume, volume } from '@/core/quantities/volume';
import { source } from './source';

describe(source.section, () => {
  it.each([
    ['40', 'US gal', 'L', '151.417'],
    ['56', 'US gal', 'L', '211.984'],
    ['1', 'imp gal', 'L', '4.547'],
    ['6', 'US qt', 'US gal', '1.500'],
    ['43', 'US gal', 'L', '162.773'],
  ] as const)('%s %s in %s', (amount, unit, into, expected) => {
    expect(decimalVolume(volume(amount, unit), into, 3, 'up')).toBe(expected);
  });
  it('five tenths of a gallon five times are two and a half, exactly', () => {
    expect([1, 2, 3, 4, 5].map(() => volume('0.5', 'US gal')).reduce(addVolumes)).toBe(
      volume('2.5', 'US gal'),
    );
  });
  it('26 gal in 3 h and in 2.5 h are 8.67 and 10.4 gal/h (a worked value of the trade, common practice, no source)', () => {
    expect([
      decimalVolume(burnt(volume('26', 'US gal'), 1200), 'US gal', 2, 'up'),
      decimalVolume(burnt(volume('26', 'US gal'), 1440), 'US gal', 2, 'up'),
    ]).toEqual(['8.67', '10.40']);
  });
  it('reads what people write, and nothing else', () => {
    expect([
      parseVolume('1.234', 'L'),
      parseVolume('1.2345', 'L'),
      parseVolume('-1', 'L'),
      parseVolume('', 'L'),
      parseVolume('5000.001', 'L'),
      parseVolume('1e3', 'L'),
    ]).toEqual([1_234_000_000_000, undefined, undefined, undefined, undefined, undefined]);
    expect([
      parseMeasure('3.5', 'in', 'um'),
      parseMeasure('4.5', 'in', 'um'),
      parseMeasure('24.2', 'V', 'mV'),
      parseMeasure('1', 'psi', 'Pa'),
      parseMeasure('1', 'gal', 'um'),
    ]).toEqual([88_900, 114_300, 24_200, 6894, undefined]);
  });
});
