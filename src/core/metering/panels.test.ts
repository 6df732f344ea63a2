import { describe, expect, it } from 'vitest';
import { hours } from '../quantities/hours';
import type { Dial } from '../records/meters/dial';
import { addSeconds } from '../time/instant';
import { readingsOfDial, type ReadingRow } from './changes';
import { readOnReturn } from './check-in';
import { readPanel } from './check-out';
import { likelyIntended } from './slips';
import { Aircraft, BLOCK, HOUR, ids, START } from '@/testing/metered-aircraft';

/** Shows engine hours, and the propeller's, which was new when the engine had run 800 h. */
const TACH: Dial = {
  ...BLOCK,
  id: 'tach',
  name: 'Tach',
  bills: false,
  counts: [
    { meter: 'engine', offset: 0 },
    { meter: 'propeller', offset: -800 * HOUR },
  ],
};
const LANDINGS: Dial = {
  ...BLOCK,
  id: 'landings',
  name: 'Landing counter',
  unit: 'count',
  bills: false,
  counts: [{ meter: 'landings', offset: 0 }],
};
/** Engine 1000 h, propeller 200 h, block meter 100 h, time in service 4150 h, so many landings as an hour has seconds. */
const panelled = () => new Aircraft({ propeller: 200, landings: 1, 'tow-launches': 1 });
const look = (shown: Readonly<Record<string, string>>, accepted: readonly string[] = []) => {
  const aircraft = panelled();
  const panel = readPanel(
    ids(),
    aircraft.meters,
    [LANDINGS, TACH, BLOCK],
    { readings: Object.entries(shown).map(([dial, text]) => ({ dial, shown: text })), accepted },
    null,
    START,
  );
  if (!('gaps' in panel)) throw new Error(`was asked: ${JSON.stringify(panel)}`);
  return panel;
};

describe('a panel of several meters', () => {
  it('says each one’s gap by its own name and unit, and of which counters nobody knows', () => {
    const panel = look({ landings: '3603', tach: '1000.5', block: '100.0' }, [
      'gap/landings/3603',
      'gap/tach/1000.5',
    ]);
    expect(panel.gaps.map(({ dial, last, length }) => [dial, last, length])).toEqual([
      ['landings', 3600, 3],
      ['tach', 1000 * HOUR, HOUR / 2],
    ]);
    expect(
      panel.stretches.map(({ dial, of, from, to, seconds, unseen }) => [dial, of, from, to, seconds, unseen]),
    ).toEqual([
      ['landings', { name: 'Landing counter', unit: 'count' }, 3600, 3603, null, ['cycles', 'tow-launches']],
      ['tach', { name: 'Tach', unit: 'h' }, 1000 * HOUR, 1000.5 * HOUR, HOUR / 2, ['cycles', 'tow-launches']],
    ]);
    expect(panel.readings.map(({ meter, value, basis }) => [meter, value, basis])).toEqual([
      ['landings', 3603, 'read'],
      ['engine', 1000.5 * HOUR, 'read'],
      ['propeller', 200.5 * HOUR, 'read'],
      ['block', 100 * HOUR, 'read'],
      ['time-in-service', 4150.5 * HOUR, 'ran-on'],
    ]);
  });
  it('landings that turned up are no hours: the time in service stays where it was', () => {
    const panel = look({ landings: '3650', tach: '1000.0', block: '100.0' }, ['gap/landings/3650']);
    expect(panel.readings.filter(({ basis }) => basis !== 'read')).toEqual([]);
    expect(panel.stretches.map(({ dial, length, seconds }) => [dial, length, seconds])).toEqual([
      ['landings', 50, null],
    ]);
  });
});

describe('a return with several meters', () => {
  const back = (
    shown: Readonly<Record<string, string>>,
    change: Partial<Parameters<typeof readOnReturn>[5]> = {},
    dials: readonly Dial[] = [LANDINGS, TACH, BLOCK],
    left: Parameters<typeof readOnReturn>[3]['readings'] = [],
  ) =>
    readOnReturn(
      ids(),
      panelled().meters,
      dials,
      { id: 'f', leftAt: START, readings: left },
      [],
      {
        readings: Object.entries(shown).map(([dial, text]) => ({ dial, shown: text })),
        accepted: [],
        airborne: hours('0.8'),
        landings: 2,
        towLaunches: null,
        ...change,
      },
      addSeconds(START, HOUR),
      addSeconds(START, HOUR),
    );
  const asShown = { landings: '3602', tach: '1000.9', block: '101.0' };
  it('reads each for itself, bills by the one that bills, and counts a landing as no second', () => {
    const read = back(asShown);
    if (!('billed' in read)) throw new Error(`was asked: ${JSON.stringify(read)}`);
    expect([read.billed, read.timeInService]).toEqual([
      { seconds: HOUR, by: { dial: 'Block meter' } },
      hours('4150.8'),
    ]);
    expect(read.readings.map(({ meter, value, basis }) => [meter, value, basis])).toEqual([
      ['landings', 3602, 'read'],
      ['engine', 1000.9 * HOUR, 'read'],
      ['propeller', 200.9 * HOUR, 'read'],
      ['block', 101 * HOUR, 'read'],
      ['time-in-service', 4150.8 * HOUR, 'ran-on'],
    ]);
  });
  it('asks nobody for the time in the air where one of them shows the time in service', () => {
    const service: Dial = {
      ...TACH,
      counts: [
        { meter: 'engine', offset: 0 },
        { meter: 'time-in-service', offset: 3150 * HOUR },
      ],
    };
    const read = back(asShown, { airborne: null }, [LANDINGS, service, BLOCK]);
    expect('billed' in read && read.timeInService).toEqual(hours('4150.9'));
  });
  it('takes a time in the air that is exactly as long as it was away', () => {
    const most = back(asShown, { airborne: hours('1.0') });
    expect('billed' in most && most.timeInService).toEqual(hours('4151.0'));
    expect(back({ ...asShown }, { airborne: hours('1.01') })).toEqual({ airborne: 'longer-than-away' });
  });
  it('bills nothing by a counter', () => {
    const read = back(asShown, {}, [{ ...LANDINGS, bills: true }, TACH, { ...BLOCK, bills: false }]);
    expect('billed' in read && read.billed).toBeNull();
  });
  it('a disputed meter ran on from what it showed when the flight left, each dial by its own', () => {
    const disputed = {
      state: 'contradiction',
      earlierValue: 150 * HOUR,
      laterValue: 100 * HOUR,
      highest: 150 * HOUR,
    };
    const read = (left: Parameters<typeof readOnReturn>[3]['readings']) =>
      readOnReturn(
        ids(),
        { ...panelled().meters, block: disputed as never },
        [TACH, BLOCK],
        { id: 'f', leftAt: START, readings: left },
        [],
        {
          readings: [
            { dial: 'tach', shown: '1000.9' },
            { dial: 'block', shown: '101.0' },
          ],
          accepted: [],
          airborne: hours('0.8'),
          landings: 2,
          towLaunches: null,
        },
        addSeconds(START, HOUR),
        addSeconds(START, HOUR),
      );
    const own = {
      dial: 'block',
      name: 'Block meter',
      shown: '100.0',
      values: [{ meter: 'block' as const, value: 100 * HOUR }],
    };
    const other = { ...own, dial: 'tach', values: [{ meter: 'block' as const, value: 90 * HOUR }] };
    const billed = (answered: ReturnType<typeof read>) => ('billed' in answered ? answered.billed : answered);
    expect([billed(read([other, own])), billed(read([other]))]).toEqual([
      { seconds: HOUR, by: { dial: 'Block meter' } },
      null,
    ]);
  });
});

describe('the readings of a dial', () => {
  const row = (id: string, change: Partial<ReadingRow> = {}): ReadingRow => ({
    id,
    meter: 'engine',
    value: 0,
    entered: '',
    basis: 'read',
    dialId: 'tach',
    flightId: null,
    happenedAt: START,
    recordedAt: START,
    struck: false,
    ...change,
  });
  it('are its own towards that meter, without what was struck out, in the order of the clock and then of their ids', () => {
    const rows = [
      row('last', { happenedAt: addSeconds(START, 60) }),
      row('b'),
      row('of another dial', { dialId: 'block' }),
      row('of another meter', { meter: 'propeller' }),
      row('of none', { dialId: null }),
      row('struck', { struck: true }),
      row('a'),
      row('first', { happenedAt: addSeconds(START, -60) }),
    ];
    expect(readingsOfDial(rows, 'tach', 'engine').map(({ id }) => id)).toEqual(['first', 'a', 'b', 'last']);
  });
});

// Common practice, no source: how a hand slips.
describe('what may have been meant', () => {
  const meant = (typed: string, from: number, to: number, near = from, unit: Dial['unit'] = 'h') =>
    likelyIntended(typed, unit, { from, to }, near).map(({ text, slip }) => `${text} ${slip}`);
  it.each<[about: string, typed: string, from: number, to: number, answer: readonly string[]]>([
    ['two digits changed places', '4105.2', 4149 * HOUR, 4151 * HOUR, ['4150.2 transposed']],
    ['digits at the end', '4150.21', 4150.1 * HOUR, 4150.14 * HOUR, ['4150.12 transposed']],
    ['the point left out', '41502', 4149 * HOUR, 4151 * HOUR, ['4150.2 point-left-out']],
    ['the point left out of two places', '415021', 4149 * HOUR, 4151 * HOUR, ['4150.21 point-left-out']],
    ['the point one place off', '415.02', 4149 * HOUR, 4151 * HOUR, ['4150.2 point-misplaced']],
    ['a digit left out', '410.2', 4100 * HOUR, 4100.25 * HOUR, ['4100.2 digit-left-out']],
    ['a digit doubled', '44150.2', 4149 * HOUR, 4151 * HOUR, ['4150.2 digit-doubled']],
    ['a digit mistaken', '4750.2', 4150 * HOUR, 4151 * HOUR, ['4150.2 digit-mistaken']],
    ['nothing, since what was typed fits', '4150.2', 4149 * HOUR, 4151 * HOUR, []],
    ['nothing that one slip explains', '12.3', 4149 * HOUR, 4151 * HOUR, []],
  ])('%s', (_, typed, from, to, answer) => {
    expect(meant(typed, from, to)[0] ?? null).toEqual(answer[0] ?? null);
  });
  it('a count has no decimal point to be left out', () => {
    expect(meant('1234', 1230, 1233, 1233, 'count')).toEqual([
      '1233 digit-mistaken',
      '1232 digit-mistaken',
      '1231 digit-mistaken',
    ]);
    expect(meant('1234', 12, 13, 12, 'count')).toEqual([]);
  });
  it('of what one slip explains as well as another the nearer comes first, three at most', () => {
    expect(meant('150', 152, 157, 154, 'count')).toEqual([
      '154 digit-mistaken',
      '153 digit-mistaken',
      '155 digit-mistaken',
    ]);
  });
  it('no meter shows a zero before its figure', () => {
    expect(meant('150', 0, 60, 50, 'count')).toEqual([
      '50 digit-doubled',
      '15 digit-doubled',
      '10 digit-doubled',
    ]);
  });
});
