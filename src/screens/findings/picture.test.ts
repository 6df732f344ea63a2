import { describe, expect, it } from 'vitest';
import { arrowFrom, keptSize } from './picture';

describe('a picture as it is kept', () => {
  it.each([
    [4000, 3000, 1600, 1200],
    [3000, 4000, 1200, 1600],
    [1600, 1200, 1600, 1200],
    [640, 480, 640, 480],
    [100_000, 1, 1600, 1],
  ])('%d by %d becomes %d by %d', (width, height, wide, high) => {
    expect(keptSize(width, height)).toEqual({ width: wide, height: high });
  });
  it.each([
    [0.1, 0.1, -1, -1],
    [0.9, 0.1, 1, -1],
    [0.1, 0.9, -1, 1],
    [0.9, 0.9, 1, 1],
  ])('an arrow at %d, %d has room behind it', (x, y, right, down) => {
    const to = arrowFrom({ x, y });
    expect(to).toEqual({ x: right, y: down });
    expect([x - to.x * 0.16, y - to.y * 0.16].every((part) => part > 0 && part < 1)).toBe(true);
  });
});
