import { describe, expect, it } from 'vitest';
import { volume } from '@/core/quantities/volume';
import { dipLines, dipTable } from './dip-lines';

describe('a stick’s table as lines', () => {
  it.each([
    [
      '1 = 2\n3 = 6,5',
      [
        [1, 2],
        [3, 6.5],
      ],
    ],
    ['\n 1.5=2 \n\n', [[1.5, 2]]],
    ['', []],
  ] as const)('%j', (text, points) => {
    expect(dipTable(text)).toEqual({
      points: points.map(([reads, amount]) => ({ reads, holds: { amount, unit: 'US gal' } })),
    });
  });

  it.each(['three = 4', '1 2', '1 = 2 = 3', '-1 = 2', '1.2345 = 2'])('%j is told as it stands', (line) => {
    expect(dipTable(`1 = 2\n${line}`)).toEqual({ bad: line });
  });

  it('is written as it was read', () => {
    const points = [
      { reads: 1000, holds: volume('2', 'US gal') },
      { reads: 2500, holds: volume('6.5', 'US gal') },
    ];
    expect(dipLines({ tank: 'left', unit: 'stick', points })).toBe('1 = 2\n2.5 = 6.5');
    expect(dipLines(undefined)).toBe('');
  });
});
