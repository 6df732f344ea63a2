import { describe, expect, it } from 'vitest';
import type { WalkedStep } from '@/queries/walkround/school-method';
import { blocksOf, faultsOf, moved, putRight, stepsOf, stopOf } from './own-order-blocks';

const step = (slot: string, place: string): WalkedStep => ({
  slot,
  title: slot,
  place,
  station: place,
  side: slot.endsWith('.left') ? 'left' : null,
});
const walk = [
  step('K002', 'approach'),
  step('K004', 'approach'),
  step('K067', 'power-on'),
  step('K074.left', 'wing'),
  step('K075.left', 'wing'),
];

describe('a school’s own order, as stops', () => {
  it('what follows at one place is one stop, and the same place may come twice', () => {
    expect(blocksOf(walk).map(({ place, steps }) => [place, steps.length])).toEqual([
      ['approach', 2],
      ['power-on', 1],
      ['wing', 2],
    ]);
    expect(blocksOf([...walk, step('K003', 'approach')]).map(({ place }) => place)).toEqual([
      'approach',
      'power-on',
      'wing',
      'approach',
    ]);
    expect(stepsOf(blocksOf(walk))).toEqual(walk);
    expect(blocksOf(walk).map(stopOf)[2]).toEqual({
      station: 'wing',
      side: 'left',
      codes: ['K074', 'K075'],
    });
  });

  it('a stop that is moved before what must come first is a fault, and is put right', () => {
    const early = moved(blocksOf(walk), 1, 0);
    expect(faultsOf(early, 'one').map(({ first, early: step }) => [first, step])).toEqual([
      ['K002', 'K067'],
      ['K004', 'K067'],
    ]);
    expect(faultsOf(putRight(early, 'one'), 'one')).toEqual([]);
    expect(faultsOf(blocksOf(walk), 'one')).toEqual([]);
  });

  it('where lamps have a lap of their own the power is off before the round, also once it is put right', () => {
    const own = [...walk.slice(0, 3), step('K069', 'power-on'), step('K093', 'wing')];
    const early = moved(blocksOf(own), 2, 0);
    expect(faultsOf(early, 'electrical-first').map(({ first }) => first)).toContain('K069');
    expect(faultsOf(putRight(early, 'electrical-first'), 'electrical-first')).toEqual([]);
  });

  it.each([
    [0, 2, ['b', 'c', 'a']],
    [2, 0, ['c', 'a', 'b']],
    [1, 1, ['a', 'b', 'c']],
  ] as const)('from %i to %i', (from, to, list) => {
    expect(moved(['a', 'b', 'c'], from, to)).toEqual(list);
  });
});
