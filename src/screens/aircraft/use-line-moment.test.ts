import { describe, expect, it } from 'vitest';
import type { Line, LineRow } from '@/queries/aircraft/line';
import type { LineMoment } from '@/queries/aircraft/line-moment';
import { askedRows, lineMovedTo } from './use-line-moment';

const row = (id: string, verdict: string) =>
  ({
    aircraftId: id,
    registration: id,
    verdict,
    flights: [{}],
    reasons: [{}],
    openItems: ['x'],
    out: 'out',
  }) as unknown as LineRow;
const line = {
  now: 100,
  today: 'now',
  rows: [row('a', 'Released'), row('b', 'Released'), row('c', 'Released')],
} as unknown as Line;

describe('the rows of another moment', () => {
  it('stand in the place of those of now; one without an answer shows nothing of now', () => {
    const answer = {
      at: 50,
      today: 'then',
      notYet: ['c'],
      rows: [row('a', 'Grounded')],
    } as unknown as LineMoment;
    const { line: moved, without } = lineMovedTo(line, 50, answer);
    expect([moved.now, moved.today]).toEqual([50, 'then']);
    expect(moved.rows.map(({ aircraftId }) => aircraftId)).toEqual(['a', 'b', 'c']);
    expect(moved.rows[0]?.verdict).toBe('Grounded');
    expect([...without]).toEqual([
      ['b', 'asked'],
      ['c', 'not-yet'],
    ]);
    for (const at of [1, 2])
      expect(moved.rows[at]).toMatchObject({ flights: [], reasons: [], openItems: [], out: null });
  });
  it('are all waited for while there is no answer', () => {
    expect([...lineMovedTo(line, 50, null).without.values()]).toEqual(['asked', 'asked', 'asked']);
  });
  it.each([
    [0, 16, 0, 20],
    [9, 33, 0, 40],
    [10, 33, 10, 30],
    [0, 499, 0, 60],
    [480, 499, 480, 20],
    [16, 0, 10, 10],
  ])('from %i to %i: asked from %i, %i of them', (first, last, from, most) => {
    expect(askedRows(first, last)).toEqual({ from, most });
  });
});
