import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { cleanCase } from '@/testing/clean-case';
import { volume } from '../quantities/volume';
import { againstMeasured, type MeasuredAtDesk } from './measured-at-desk';

type Change = { readonly [key: string]: Json };
const gallons = (amount: string | number) => volume(String(amount), 'US gal');
const quarts = (amount: string | number) => volume(String(amount), 'US qt');
/** The clean trainer burns 8.4 US gal an hour and holds 18 in each of two tanks; its handbook asks for 4 gallons and for 4 to 8 quarts of oil. */
const flight: Change = {
  id: 'f',
  starts: '2026-11-24T14:00:00Z',
  ends: '2026-11-24T16:00:00Z',
  airborne: 1.5,
  purpose: 'private-rental',
  crew: 'rated-pilot',
  rules: 'vfr',
  range: 'local',
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
};
function against(measured: Partial<MeasuredAtDesk>, change: Change = {}, ofFlight: Change = {}) {
  const { facts, packs, flight: asked } = cleanCase({ ...change, flight: { ...flight, ...ofFlight } });
  if (asked === null) throw new Error('no flight');
  const whole = { fuel: [], oil: null, ...measured };
  return againstMeasured(facts, packs, asked, whole, asked.starts).against.map(({ reason }) => reason.code);
}
const tanks = (left: string | number, right: string | number): MeasuredAtDesk['fuel'] => [
  { tank: 'left', volume: gallons(left) },
  { tank: 'right', volume: gallons(right) },
];
const together = (amount: string | number): MeasuredAtDesk['fuel'] => [
  { tank: null, volume: gallons(amount) },
];

describe('what is measured at check-out', () => {
  // 1.5 h and 30 minutes by day at 8.4 gal/h are 16.8 gal: 14 CFR 91.151(a)(1).
  it.each([
    ['just enough, tank by tank', { fuel: tanks(8.4, 8.4) }, []],
    ['a tenth too little', { fuel: tanks(8.4, 8.3) }, ['fuel-short']],
    ['just enough together', { fuel: together(16.8) }, []],
    ['a tenth too little together', { fuel: together(16.7) }, ['fuel-short']],
    ['more than a tank holds', { fuel: tanks(18.1, 10) }, ['fuel-dip-over-tank']],
    ['more than the tanks hold together', { fuel: together(36.1) }, ['fuel-over-tanks']],
    ['oil at its least', { oil: quarts(4) }, []],
    ['oil below it', { oil: quarts(3.9) }, ['measured-outside']],
    ['oil above its most', { oil: quarts(8.1) }, ['measured-outside']],
    ['both', { fuel: tanks(5, 5), oil: quarts(3) }, ['measured-outside', 'fuel-short']],
    ['nothing', {}, []],
  ] as const)('%s', (_, measured, codes) => {
    expect([...against(measured)].sort()).toEqual([...codes].sort());
  });

  it('less than the handbook’s minimum goes nowhere, however short the flight', () => {
    const short = { ends: '2026-11-24T14:06:00Z', airborne: 0.1 };
    expect(against({ fuel: tanks(2, 1.9) }, {}, short)).toContain('fuel-below-minimum');
    expect(against({ fuel: together(3.9) }, {}, short)).toContain('fuel-below-minimum');
    // 0.1 h and 30 minutes are 5.04 gal.
    expect(against({ fuel: tanks(3, 3) }, {}, short)).toEqual([]);
  });

  it('less than was planned counts as what there is', () => {
    const planned = { fuelAboard: { amount: 30, unit: 'US gal' } };
    expect(against({ fuel: together(10) }, {}, planned)).toContain('fuel-short');
    expect(against({ fuel: tanks(5, 5) }, {}, planned)).toContain('fuel-short');
  });

  it('the club’s larger reserve is asked for too', () => {
    const packs = [{ id: 'us-part91' }, { id: 'club-policy', parameters: { reserveDay: 60 } }];
    // 1.5 h and an hour are 21 gal.
    expect(against({ fuel: tanks(10, 10.9) }, { packs })).not.toEqual([]);
    expect(against({ fuel: tanks(10, 11) }, { packs })).toEqual([]);
  });

  it('what was not measured is not held against it: that is the walk-round’s', () => {
    // Struts, samples and the other tank were not looked at, and nothing is said of them.
    expect(against({ oil: quarts(6) })).toEqual([]);
    expect(against({ fuel: [{ tank: 'left', volume: gallons(18) }] })).toEqual([]);
  });

  it('of what was planned and what was measured together the less counts', () => {
    const planned = { fuelAboard: { amount: 10, unit: 'US gal' } };
    expect(against({ fuel: together(30) }, {}, planned)).toContain('fuel-short');
    expect(against({ oil: quarts(6) }, {}, planned)).toContain('fuel-short');
    expect(against({ fuel: together(10), oil: quarts(6) })).toContain('fuel-short');
  });

  it('a walk-round that was written down stands: its dips count, and its struts are not judged here', () => {
    const measured = (quantity: string, which: string, value: number, unit: string): Json => ({
      happenedAt: '2026-11-24T12:30:00Z',
      recordedAt: '2026-11-24T12:31:00Z',
      quantity,
      which,
      value,
      unit,
    });
    const ramp = {
      measurements: {
        left: measured('fuel-dip', 'left', 18, 'US gal'),
        right: measured('fuel-dip', 'right', 18, 'US gal'),
        strut: measured('strut', 'left', 3.9, 'in'),
      },
    };
    expect(against({ oil: quarts(6) }, { ramp })).toEqual([]);
    expect(against({ fuel: tanks(5, 5) }, { ramp })).toEqual(['fuel-short']);
    expect(against({ fuel: together(10) }, { ramp })).toEqual(['fuel-short']);
    expect(against({ fuel: together(30) }, { ramp })).toEqual([]);
  });
});
