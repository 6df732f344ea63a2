import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

type Change = { readonly [key: string]: Json };
const mechanic = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'AP-1',
    validFrom: '2000-01-01',
    validUntil: 'no-expiry',
  },
};
const at = (minute: number): Change => ({
  happenedAt: `2026-11-24T12:${String(minute).padStart(2, '0')}:00Z`,
  recordedAt: `2026-11-24T12:${String(minute).padStart(2, '0')}:30Z`,
});
const samples = (...found: readonly (readonly [string, string])[]): Change =>
  Object.fromEntries(
    found.map(([drain, result], minute) => [`s${minute}`, { ...at(minute), drain, result }]),
  );
const verdict = (ramp: Json, change: Change = {}) =>
  decideBy(['fuel-quality', 'records-in-order', 'approved-uses'], { ramp, ...change }).verdict;

describe(`${source.section}: fuel`, () => {
  // A drain takes fuel from its own lowest point: what another shows says nothing of it.
  it.each([
    [
      [
        ['left', 'water'],
        ['right', 'clean'],
      ],
      'Grounded',
    ],
    [
      [
        ['left', 'water'],
        ['left', 'clean'],
      ],
      'Released',
    ],
    [
      [
        ['left', 'dirt'],
        ['left', 'clean'],
        ['strainer', 'dirt'],
      ],
      'Grounded',
    ],
    // Water that comes back comes from somewhere.
    [
      [
        ['left', 'water'],
        ['left', 'water'],
        ['left', 'clean'],
      ],
      'Released',
    ],
    [
      [
        ['left', 'water'],
        ['left', 'water'],
        ['left', 'water'],
        ['left', 'clean'],
      ],
      'Grounded',
    ],
    // Another colour or smell is another fuel, and draining leaves it in the tank.
    [
      [
        ['left', 'wrong-colour'],
        ['left', 'clean'],
      ],
      'Grounded',
    ],
    [
      [
        ['left', 'wrong-smell'],
        ['every', 'clean'],
      ],
      'Grounded',
    ],
  ] as const)('%j: %s', (found, expected) => {
    expect(verdict({ samples: samples(...found) })).toBe(expected);
  });
  it('a mechanic who has dealt with it opens it again, and nobody else', () => {
    const dealt = (by: Json) =>
      verdict({
        samples: {
          a: {
            ...at(0),
            drain: 'left',
            result: 'wrong-colour',
            cleared: { recordedAt: '2026-11-24T12:20:00Z', on: '2026-11-24', by },
          },
          b: { ...at(30), drain: 'every', result: 'clean' },
        },
      });
    expect([
      dealt(mechanic),
      dealt({ ...mechanic, certificate: { ...mechanic.certificate, kind: 'pilot' } }),
    ]).toEqual(['Released', 'Grounded']);
  });
  it.each([
    ['leaded', 'Released'],
    ['unleaded', 'Released'],
    ['jet', 'Grounded'],
    [null, 'Grounded'],
  ] as const)('fuelled with %s where the engine may have leaded and unleaded: %s', (grade, expected) => {
    expect(
      verdict({
        samples: samples(['every', 'clean']),
        uplifts: {
          u: {
            ...at(0),
            what: 'fuel',
            added: { amount: 5, unit: 'US gal' },
            ...(grade === null ? {} : { grade }),
          },
        },
      }),
    ).toBe(expected);
  });
});

describe(`${source.section}: records that contradict themselves`, () => {
  const flight = (returnedAt: string): Change => ({
    flightsOut: {
      f: { ...at(10), by: 'Rosa Dane', returned: { recordedAt: '2026-11-24T12:50:00Z', at: returnedAt } },
    },
  });
  const removed = (removedOn: string): Change => ({
    elts: {
      elt: {
        ...at(0),
        state: 'removed-for-repair',
        removedOn,
        removalEntered: true,
        removalPlacarded: true,
        batteryReplaceBy: null,
        usedMinutes: null,
      },
    },
  });
  const weighed = (datedOn: string): Change => ({ documents: { loading: { ...at(0), datedOn } } });
  const repaired = (completedOn: string): Change => ({
    discrepancies: {
      d: {
        happenedAt: '2026-11-22T12:00:00Z',
        recordedAt: '2026-11-22T12:00:00Z',
        what: 'Crack',
        classification: 'ground-until-mechanic',
        rectification: {
          recordedAt: '2026-11-23T20:00:00Z',
          work: 'repaired',
          description: 'Patched.',
          completedOn,
          signedBy: mechanic,
        },
      },
    },
  });
  const valid = (validUntil: string): Change => ({
    permits: { p: { recordedAt: '2026-11-20T12:00:00Z', validFrom: '2026-11-20', validUntil } },
  });
  it.each([
    ['came back after it left', flight('2026-11-24T12:40:00Z'), 'Released'],
    ['came back before it left', flight('2026-11-24T12:05:00Z'), 'Grounded'],
    ['came back after that was written down', flight('2026-11-24T12:55:00Z'), 'Grounded'],
    ['removed on the day of its record', removed('2026-11-24'), 'Released'],
    ['removed after its record', removed('2026-11-25'), 'Grounded'],
    ['dated before it was seen', weighed('2026-11-24'), 'Released'],
    ['dated after it was seen', weighed('2026-11-25'), 'Grounded'],
    ['repaired after it was found', repaired('2026-11-22'), 'Released'],
    ['repaired before it was found', repaired('2026-11-21'), 'Grounded'],
    ['repaired after that was written down', repaired('2026-11-24'), 'Grounded'],
    ['a permit that ends after it begins', valid('2026-11-21'), 'Released'],
    ['a permit that ends before it begins', valid('2026-11-19'), 'Grounded'],
  ] as const)('%s: %s', (_, change, expected) => {
    expect(verdict(null, change as Change)).toBe(expected);
  });
});
