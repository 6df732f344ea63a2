import { describe, expect, it } from 'vitest';
import { byId, compareTexts } from './order';

describe('order of texts', () => {
  it.each([
    ['a', 'b', -1],
    ['b', 'a', 1],
    ['a', 'a', 0],
    // By code units: no language puts these elsewhere.
    ['Z', 'a', -1],
    ['2026-11-24', '2026-12-01', -1],
    ['', 'a', -1],
  ])('%s and %s', (a, b, expected) => {
    expect(compareTexts(a, b)).toBe(expected);
  });
  it('by id', () => {
    expect([{ id: 'c' }, { id: 'a' }, { id: 'b' }].sort(byId).map(({ id }) => id)).toEqual(['a', 'b', 'c']);
  });
});
