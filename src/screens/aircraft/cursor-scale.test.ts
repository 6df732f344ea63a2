import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MARKS, offsetOf, soon, stepOf, STEPS } from './cursor-scale';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

describe('the slider that moves the Line', () => {
  it.each([
    [0, 0],
    [-STEPS, -1098 * DAY],
    [STEPS, 60 * DAY],
  ])('step %i lies %i ms from now', (step, offset) => {
    expect(offsetOf(step)).toBe(offset);
    expect(stepOf(offset)).toBe(step);
  });
  it('never goes back as it is moved on, and comes back to a step that says the same', () => {
    const step = fc.integer({ min: -STEPS, max: STEPS });
    fc.assert(
      fc.property(step, step, (a, b) => {
        const [less, more] = a < b ? [a, b] : [b, a];
        expect(offsetOf(less)).toBeLessThanOrEqual(offsetOf(more));
        // Near to now several steps are one hour: the step that is come back to lies on the same offset, or half an hour beside it.
        expect(Math.abs(offsetOf(stepOf(offsetOf(a))) - offsetOf(a))).toBeLessThanOrEqual(
          Math.max(HOUR, Math.abs(offsetOf(a)) / 20),
        );
      }),
    );
  });
  it('begins at a moment to come', () => {
    expect([soon(0), soon(299_999), soon(300_000), soon(300_001)]).toEqual([
      300_000, 300_000, 600_000, 600_000,
    ]);
  });
  it('names its ends and now', () => {
    expect(MARKS.map(({ label }) => label)).toEqual(
      expect.arrayContaining(['3 years', 'now', '60 days']) as string[],
    );
    expect(MARKS.map(({ value }) => value)).toEqual(
      MARKS.map(({ value }) => value).toSorted((a, b) => a - b),
    );
  });
});
