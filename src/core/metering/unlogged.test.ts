import { describe, expect, it } from 'vitest';
import type { Meter } from '../records/meters/meters';
import { addSeconds } from '../time/instant';
import type { ReadingRow } from './changes';
import { attributeUnlogged, remeasured, strikesWithEntry, stretchOfEntry } from './unlogged';
import { Aircraft, HOUR, ids, START } from '@/testing/metered-aircraft';

describe('an entry that tells of hours that nobody wrote down', () => {
  const entry = (value: number) => ({
    entryId: 'entry',
    readings: [{ meter: 'time-in-service' as const, value: value * HOUR }],
  });
  it('is unlogged time, with which meters go on that neither it nor a dial shows', () => {
    const kept = stretchOfEntry(ids(), new Aircraft().meters, ['block'], entry(4150.5), START);
    expect(kept?.stretch).toMatchObject({
      dial: 'entry',
      of: { meter: 'time-in-service' },
      seconds: 0.5 * HOUR,
      unseen: ['landings', 'cycles', 'tow-launches'],
    });
    expect(kept?.readings.map(({ meter, value }) => [meter, value / HOUR])).toEqual([['engine', 1000.5]]);
  });
  it.each([4150, 4149.9])('is none where it says %d h', (value) => {
    expect(stretchOfEntry(ids(), new Aircraft().meters, ['block'], entry(value), START)).toBeNull();
  });
  it('goes with the entry, with readings that were written because of it and were not struck out before', () => {
    const stretch = {
      id: 'u',
      seenAt: START,
      dial: 'entry',
      name: 'Time in service',
      from: '',
      to: '',
      length: '0.5 h',
      readings: ['r1', 'r2'],
      lastFlight: null,
      lastBy: null,
      seenBy: 'M',
    };
    const attributions = [{ unlogged: 'u', to: 'J. Sol', note: null, readings: ['r3'] }];
    const of = (struck: readonly string[], entryId = 'entry') =>
      strikesWithEntry(
        ids(),
        { stretches: [stretch], attributions, struck: new Set(struck) },
        entryId,
        'Slip',
      ).map(({ kind, record }) => `${kind} ${record}`);
    expect(of([])).toEqual(['unlogged u', 'reading r1', 'reading r2', 'reading r3']);
    expect(of(['r2'])).toEqual(['unlogged u', 'reading r1', 'reading r3']);
    expect(of(['u'])).toEqual([]);
    expect(of([], 'another')).toEqual([]);
  });
});

describe('landings of unlogged time', () => {
  const stretch = {
    id: 'u',
    happenedAt: START,
    recordedAt: START,
    seconds: HOUR,
    unseen: ['landings', 'tow-launches'] as const,
    said: null,
  };
  const meters = {
    ...new Aircraft().meters,
    landings: { state: 'known', value: 100, from: 'r', readAt: START } as const,
    'tow-launches': { state: 'known', value: 7, from: 'r', readAt: START } as const,
  };
  const said = (landings: number | null, towLaunches: number | null, inPanel: readonly Meter[] = []) =>
    attributeUnlogged(ids(), meters, [stretch], stretch, inPanel, { landings, towLaunches }, START)?.map(
      ({ meter, value }) => [meter, value],
    ) ?? null;
  it('count as they are said, on meters that nothing shows', () => {
    expect(said(3, 2)).toEqual([
      ['landings', 103],
      ['tow-launches', 9],
    ]);
    expect(said(3, 2, ['landings'])).toEqual([['tow-launches', 9]]);
  });
  it('are not written while nobody knows them, and tow launches are asked where they are counted', () => {
    expect(said(null, null)).toEqual([]);
    expect(said(3, null)).toBeNull();
    expect(said(3, null, ['tow-launches'])).toEqual([['landings', 103]]);
  });
});

describe('unlogged time whose readings are corrected', () => {
  const SEEN = addSeconds(START, HOUR);
  const reading = (
    id: string,
    value: number,
    seconds: number,
    change: Partial<ReadingRow> = {},
  ): ReadingRow => ({
    id,
    meter: 'block',
    value: value * HOUR,
    entered: String(value),
    basis: 'read',
    dialId: 'block',
    flightId: null,
    happenedAt: addSeconds(START, seconds),
    recordedAt: addSeconds(START, seconds),
    struck: false,
    ...change,
  });
  const stretch = {
    id: 'u',
    seenAt: SEEN,
    dial: 'block',
    name: 'Block meter',
    from: '100.0 h',
    to: '102.0 h',
    length: '2.0 h',
    seconds: 2 * HOUR,
    readings: ['went on'],
    lastFlight: null,
    lastBy: null,
    seenBy: 'M',
  };
  const attributions = [{ unlogged: 'u', to: 'J. Sol', note: 'He says so', readings: ['landed'] }];
  /** What becomes of two hours from 100 to 102 h where the readings are these. */
  const after = (
    rows: readonly ReadingRow[],
    change: {
      readonly struck?: readonly string[];
      readonly counting?: readonly string[];
      readonly reading?: Pick<ReadingRow, 'dialId' | 'meter'>;
    } = {},
  ) => {
    const { struck = [], counting = ['u'], reading: one = { dialId: 'block', meter: 'block' } } = change;
    const found = remeasured(
      ids(),
      { stretches: [stretch], attributions, struck: new Set(struck) },
      rows,
      new Set(counting),
      one,
      'Slip',
      SEEN,
    );
    return {
      strikes: found.strikes.map(({ kind, record, replacedBy }) => [kind, record, replacedBy !== null]),
      stretches: found.stretches.map(({ from, to, seconds }) => [from / HOUR, to / HOUR, seconds / HOUR]),
      said: found.attributions.map(({ unlogged, to, recordedAt }) => [
        unlogged === found.stretches[0]?.id,
        to,
        recordedAt === SEEN,
      ]),
    };
  };
  const NOTHING = { strikes: [], stretches: [], said: [] };
  const first = reading('a', 100, 0);
  it('is as long as they say now, and what was said of it goes over', () => {
    expect(after([first, reading('b', 101, HOUR)])).toEqual({
      strikes: [['unlogged', 'u', true]],
      stretches: [[100, 101, 1]],
      said: [[true, 'J. Sol', true]],
    });
    // The highest of those before it counts, and later ones say nothing of it.
    expect(
      after([first, reading('c', 100.5, 60), reading('b', 101, HOUR), reading('d', 105, 2 * HOUR)]).stretches,
    ).toEqual([[100.5, 101, 0.5]]);
  });
  it.each([100, 99])(
    'never was where they say %d h, and what was written because of it goes too',
    (value) => {
      expect(after([first, reading('b', value, HOUR)])).toEqual({
        strikes: [
          ['unlogged', 'u', false],
          ['reading', 'went on', false],
          ['reading', 'landed', false],
        ],
        stretches: [],
        said: [],
      });
      expect(after([first, reading('b', value, HOUR)], { struck: ['landed'] }).strikes).toEqual([
        ['unlogged', 'u', false],
        ['reading', 'went on', false],
      ]);
    },
  );
  it('stays where nothing of it has changed, or cannot be measured', () => {
    const longer = [first, reading('b', 103, HOUR)];
    expect(after([first, reading('b', 102, HOUR)])).toEqual(NOTHING);
    expect(after([reading('b', 103, HOUR)])).toEqual(NOTHING);
    expect(after([first])).toEqual(NOTHING);
    expect(after(longer, { struck: ['u'] })).toEqual(NOTHING);
    expect(after(longer, { counting: [] })).toEqual(NOTHING);
    expect(after(longer, { reading: { dialId: 'another', meter: 'block' } })).toEqual(NOTHING);
    expect(after(longer, { reading: { dialId: null, meter: 'block' } })).toEqual(NOTHING);
    expect(after(longer, { reading: { dialId: 'block', meter: 'landings' } })).toEqual(NOTHING);
    expect(after(longer).stretches).toEqual([[100, 103, 3]]);
  });
});
