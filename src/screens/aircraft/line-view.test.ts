import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LineFlight, LineRow } from '@/queries/aircraft/line';
import { pagesOf } from './line-pages';
import { countsOf, EVERYTHING, rowsOf, SHOWN, textOf, viewFrom } from './line-view';

const flight = (answer: LineFlight['answer'], starts: number, ends = starts + 100) =>
  ({ id: `f${starts}`, name: 'Somebody', answer, starts, ends }) as unknown as LineFlight;
const row = (registration: string, change: Partial<LineRow> = {}): LineRow =>
  ({
    aircraftId: registration,
    registration,
    typeName: 'Quorin 160',
    verdict: 'Released',
    secondsLeft: 1000,
    out: null,
    flights: [],
    ...change,
  }) as unknown as LineRow;

const NOW = 1000;
const FLEET = [
  row('N01', { secondsLeft: 50 }),
  row('N02', { verdict: 'Grounded', flights: [flight('no', 3000)] }),
  row('N03', { verdict: 'Restricted', typeName: 'Oristo H' }),
  row('N04', { flights: [flight('yes-after', 1200)] }),
  row('N05', { out: 'Out with Somebody', flights: [flight('past', 500, 900)] }),
  row('N06', { out: 'Out with Somebody', flights: [flight('past', 500, 5000)] }),
  row('N07', { verdict: 'Grounded' }),
  row('N08', { verdict: 'Grounded', flights: [flight('no', 2000)] }),
  row('N09'),
];
const shown = (view: Partial<typeof EVERYTHING>, unknown?: (row: LineRow) => boolean) =>
  rowsOf({ rows: FLEET }, { ...EVERYTHING, ...view }, NOW, unknown).map(({ registration }) => registration);

describe('which aircraft the Line shows', () => {
  it.each([
    ['all', ['N01', 'N02', 'N03', 'N04', 'N05', 'N06', 'N07', 'N08', 'N09']],
    // Flights that cannot go as they are, and one that was due back.
    ['needs', ['N02', 'N04', 'N05', 'N08']],
    ['Grounded', ['N02', 'N07', 'N08']],
    ['Restricted', ['N03']],
    ['Released', ['N01', 'N04', 'N05', 'N06', 'N09']],
    ['out', ['N05', 'N06']],
  ] as const)('%s: %j', (show, registrations) => {
    expect(shown({ show })).toEqual(registrations);
    expect(countsOf({ rows: FLEET }, null, NOW)[show]).toBe(registrations.length);
  });
  it('by need: what cannot go by its start, what waits or is overdue, what is out, then by verdict and hours left', () => {
    expect(shown({ order: 'need' })).toEqual(['N08', 'N02', 'N05', 'N04', 'N06', 'N07', 'N03', 'N01', 'N09']);
  });
  it('of one type, and never hides one of which nothing is known yet', () => {
    expect(shown({ type: 'Oristo H' })).toEqual(['N03']);
    expect(shown({ show: 'out' }, ({ registration }) => registration === 'N01')).toEqual([
      'N01',
      'N05',
      'N06',
    ]);
  });
  it('stands in the address, and comes back from it', () => {
    const view = fc.record({
      show: fc.constantFrom(...SHOWN),
      order: fc.constantFrom('registration' as const, 'need' as const),
      type: fc.oneof(fc.constant(null), fc.string({ minLength: 1 })),
    });
    fc.assert(
      fc.property(view, (one) => {
        expect(viewFrom(textOf(one))).toEqual(one);
      }),
    );
    expect(viewFrom('show=nonsense&order=7&at=2026-01-01')).toEqual(EVERYTHING);
  });
});

describe('the pages of the wall', () => {
  it.each([
    [0, 20, []],
    [16, 20, [16]],
    [21, 20, [11, 10]],
    [500, 20, Array.from({ length: 25 }, () => 20)],
  ])('%i aircraft, at most %i a page: %j', (count, most, lengths) => {
    const rows = Array.from({ length: count }, (_, at) => at);
    expect(pagesOf(rows, most).map((page) => page.length)).toEqual(lengths);
    expect(pagesOf(rows, most).flat()).toEqual(rows);
  });
});
