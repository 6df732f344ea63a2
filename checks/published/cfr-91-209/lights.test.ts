import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const without = (kind: string, light: string, aircraft: { readonly [key: string]: Json }) =>
  decideBy(['required-equipment', 'approved-uses'], {
    aircraft: { approvedFor: 'all', ...aircraft },
    equipment: { list: { items: { [kind]: 'not-fitted' } } },
    wanted: [
      {
        light: [light],
        rules: ['vfr'],
        purpose: ['private-rental'],
        overWater: ['within-glide'],
        transponderAirspace: ['outside'],
        adsbAirspace: ['outside'],
      },
    ],
  }).wanted?.answer;

describe(source.section, () => {
  // (a): from sunset to sunrise no aircraft of any category or class without lighted position lights.
  it.each([
    ['standard', null],
    ['light-sport', null],
    ['experimental', null],
    ['glider', null],
    ['experimental', 'glider'],
    ['light-sport', 'glider'],
  ] as const)('(a): a %s %s without position lights', (category, aircraftClass) => {
    const built = { category, ...(aircraftClass === null ? {} : { aircraftClass }) };
    expect([
      without('position-lights', 'day', built),
      without('position-lights', 'dusk', built),
      without('position-lights', 'night', built),
    ]).toEqual(['yes', 'no', 'no']);
  });
});
