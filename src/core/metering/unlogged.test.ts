import { describe, expect, it } from 'vitest';
import type { Meter } from '../records/meters/meters';
import { attributeUnlogged, strikesWithEntry, stretchOfEntry } from './unlogged';
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
