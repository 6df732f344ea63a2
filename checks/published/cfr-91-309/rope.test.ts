import { describe, expect, it } from 'vitest';
import { ropeFault } from '@/core/rules/tow-rope';
import { source } from './source';

const LB = 45_359_237;
const link = (value: number | null) => (value === null ? ('none' as const) : value * LB);
const fault = (
  w: number,
  rope: number,
  glider: number | null = null,
  tug: number | null = null,
  sound = true,
) =>
  ropeFault({
    strength: rope * LB,
    sound,
    gliderLink: link(glider),
    tugLink: link(tug),
    gliderWeight: w * LB,
  });

describe(source.section, () => {
  it.each([
    [1000, 799, null, null, 'too-weak'],
    [1000, 800, null, null, null],
    [1000, 2000, null, null, null],
    [1000, 2001, null, null, 'links-needed'],
    [1000, 2400, 800, 1000, null],
    [1000, 2400, 800, 800, 'tug-link'],
    [1000, 2400, 800, 1001, 'tug-link'],
    [1000, 2400, 1600, 2000, null],
    [1000, 2400, 1700, 2000, null],
    [1000, 2400, 1700, 2001, 'tug-link'],
    [1000, 2400, 2000, 2000, 'tug-link'],
    [1000, 2400, 799, 900, 'glider-link'],
    // The authority's own test questions (from memory): a glider of 1,040 lb and one of 700 lb.
    [1040, 832, null, null, null],
    [1040, 831, null, null, 'too-weak'],
    [1040, 2080, null, null, null],
    [700, 560, null, null, null],
    [700, 559, null, null, 'too-weak'],
    [700, 1500, null, null, 'links-needed'],
    // Worked values of the trade, common practice, no source.
    [1000, 3000, 1200, 1500, null],
    [1000, 3000, 1200, 1501, 'tug-link'],
    [1000, 3000, 1800, 2000, null],
    [1000, 3000, 1800, 2001, 'tug-link'],
  ] as const)('glider %s lb, rope %s lb, links %s and %s: %s', (w, rope, glider, tug, expected) => {
    expect(fault(w, rope, glider, tug)).toBe(expected);
  });
  it('a knot or a broken strand is never used (common practice, no source)', () => {
    expect(fault(1000, 2000, null, null, false)).toBe('knot-or-strand');
  });
});
