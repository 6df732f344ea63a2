import { describe, expect, it } from 'vitest';
import { labelPlace } from '@/charts/day-strip';
import type { Line, LineFlight, LineRow } from '@/queries/aircraft/line';
import { withRow } from '../data/live';
import { merged } from '../shell/reasons';
import { drawnDay, shades } from './line-row';
import { needsNow } from './needs';

const HOUR = 3_600_000;
const flight = (id: string, from: number, to: number, change: Partial<LineFlight> = {}): LineFlight => ({
  id,
  name: id,
  starts: (from * HOUR) as LineFlight['starts'],
  ends: (to * HOUR) as LineFlight['ends'],
  purpose: 'private-rental',
  airborneSeconds: (to - from) * 3600,
  answer: 'yes',
  words: '',
  wall: null,
  ...change,
});
const row = (registration: string, change: Partial<LineRow> = {}): LineRow => ({
  aircraftId: registration,
  registration,
  typeName: 'Quorin 160',
  revision: 3,
  verdict: 'Released',
  window: { panes: {}, sills: {} } as LineRow['window'],
  windowText: '',
  measured: null,
  openFor: '',
  reasons: [],
  secondsLeft: null,
  next: [],
  flights: [],
  out: null,
  openItems: [],
  holdsUntil: null,
  notChecked: [],
  ...change,
});
const line = (...rows: readonly LineRow[]): Line => ({
  club: 'Tern Bay Flying Club',
  field: 'Tern Bay',
  zone: 'UTC',
  now: 0 as Line['now'],
  pinned: true,
  rows,
  today: {
    date: '1970-01-01',
    from: 0 as Line['now'],
    to: (24 * HOUR) as Line['now'],
    dawn: (7 * HOUR) as Line['now'],
    sunrise: (7.5 * HOUR) as Line['now'],
    sunset: (16.5 * HOUR) as Line['now'],
    nightfall: (17 * HOUR) as Line['now'],
  },
});
const refused = flight('Lund', 14, 16, { answer: 'no', words: 'Exceeds the 100-hour by 0.4 h.' });

describe('what needs somebody now', () => {
  it('nothing, when every flight can go', () => {
    expect(needsNow(line(row('N01TB', { flights: [flight('Sol', 9, 10)] })))).toEqual([]);
  });
  it('the soonest first, at most three, past ones never', () => {
    const flights = [
      flight('d', 15, 16, { answer: 'no' }),
      flight('a', 9, 10, { answer: 'past' }),
      flight('c', 12, 13, { answer: 'yes-after' }),
      flight('b', 11, 12, { answer: 'no' }),
      flight('e', 18, 19, { answer: 'no' }),
    ];
    expect(needsNow(line(row('N01TB', { flights }))).map(({ id }) => id)).toEqual(['b', 'c', 'd']);
  });
  it.each<readonly [string, Partial<LineRow>, boolean]>([
    ['stands free', {}, true],
    ['is restricted', { verdict: 'Restricted' }, false],
    ['is of another type', { typeName: 'Oristo H' }, false],
    ['flies then', { flights: [flight('x', 15, 17)] }, false],
    ['flies right before', { flights: [flight('x', 12, 14)] }, true],
    [
      'flew already, hours counted',
      { flights: [flight('x', 8, 9, { answer: 'past' })], secondsLeft: 7200 },
      true,
    ],
    ['has too few hours for both', { flights: [flight('x', 12, 14)], secondsLeft: 4 * 3600 - 1 }, false],
    ['has just hours enough', { flights: [flight('x', 12, 14)], secondsLeft: 4 * 3600 }, true],
    ['ends before the flight does', { holdsUntil: (16 * HOUR - 1) as LineRow['holdsUntil'] }, false],
  ])('another aircraft that %s', (_, change, offered) => {
    const [need] = needsNow(line(row('N07TB', { flights: [refused] }), row('N02TB', change)));
    expect(need?.way === 'N02TB stands free then').toBe(offered);
  });
});

describe('a live change', () => {
  const before = line(row('N01TB'), row('N02TB'));
  it('replaces its row, in its place', () => {
    expect(
      withRow(before, row('N02TB', { revision: 4, verdict: 'Grounded' }))?.rows.map(({ verdict }) => verdict),
    ).toEqual(['Released', 'Grounded']);
  });
  it('never brings back an older revision', () => {
    expect(withRow(before, row('N02TB', { revision: 2, verdict: 'Grounded' }))).toBe(before);
  });
  it('of an aircraft that is not there has the whole Line load again', () => {
    expect(withRow(before, row('N09TB'))).toBeNull();
  });
});

describe('the day as it is drawn', () => {
  it('reaches an hour beyond the light and the flights, and never beyond the day', () => {
    expect(drawnDay(line())).toEqual({ from: 6 * HOUR, to: 18 * HOUR });
    expect(drawnDay(line(row('N01TB', { flights: [flight('x', 0.5, 23.5)] })))).toEqual({
      from: 0,
      to: 24 * HOUR,
    });
  });
  it('has night, dusk, day, dusk, night', () => {
    expect(shades(line().today).map(({ fill }) => fill)).toEqual([
      'var(--night)',
      'var(--dusk)',
      'var(--dusk)',
      'var(--night)',
    ]);
  });
  it('draws no shade from a moment that does not come', () => {
    expect(shades({ ...line().today, dawn: null, sunrise: null, sunset: null, nightfall: null })).toEqual([]);
  });
  it.each([
    ['inside when it fits', { from: 2, to: 5 }, [], 'inside'],
    ['right of a short one', { from: 2, to: 3 }, [], 'right'],
    ['left where the right is taken', { from: 5, to: 6 }, [{ from: 7, to: 8 }], 'left'],
    [
      'cut off where both are taken',
      { from: 5, to: 6 },
      [
        { from: 7, to: 8 },
        { from: 3, to: 4 },
      ],
      'none',
    ],
    ['left at the edge', { from: 9, to: 10 }, [], 'left'],
  ] as const)('a label goes %s', (_, block, others, place) => {
    expect(labelPlace(block, others, 0, 10)).toBe(place);
  });
});

describe('reasons on a screen', () => {
  it('one fact under two rules is told once, with both sources', () => {
    const reason = (id: string, source: string, headline = 'The 100 hours ended.') => ({
      id,
      headline,
      meaning: '',
      source,
      rules: [source],
      certainty: 'failed' as const,
      condition: false,
      records: ['r'],
      remedies: [],
    });
    expect(
      merged([
        reason('a', '14 CFR 91.409(b)'),
        reason('b', 'club policy'),
        reason('c', 'club policy', 'Another.'),
      ]).map(({ source, rules }) => [source, rules]),
    ).toEqual([
      ['14 CFR 91.409(b); club policy', ['14 CFR 91.409(b)', 'club policy']],
      ['club policy', ['club policy']],
    ]);
  });
});
