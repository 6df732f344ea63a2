import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideClean } from '@/testing/clean-case';
import { source } from './source';

type Fields = { readonly [key: string]: Json };
const mechanic = {
  kind: 'mechanic-airframe-powerplant',
  number: 'AP-2231',
  validFrom: '2015-06-01',
  validUntil: 'no-expiry',
};
const repaired = (change: Fields, certificate: Fields = mechanic): Json => ({
  discrepancies: {
    d: {
      happenedAt: '2026-11-22T12:00:00Z',
      recordedAt: '2026-11-22T12:00:00Z',
      what: 'Brake pads worn',
      classification: 'ground-until-mechanic',
      rectification: {
        recordedAt: '2026-11-23T20:00:00Z',
        work: 'repaired',
        description: 'Pads replaced.',
        completedOn: '2026-11-23',
        signedBy: { name: 'Tomas Brandl', certificate },
        ...change,
      },
    },
  },
});

describe(source.section, () => {
  it('a complete entry returns it to service', () => {
    expect(decideClean(repaired({})).verdict).toBe('Released');
  });
  it.each([
    ['description', { description: null }],
    ['date', { completedOn: null }],
    ['name', { signedBy: { certificate: mechanic } }],
    [
      'certificate number',
      {
        signedBy: {
          name: 'Tomas Brandl',
          certificate: {
            kind: mechanic.kind,
            validFrom: mechanic.validFrom,
            validUntil: mechanic.validUntil,
          },
        },
      },
    ],
    ['certificate', { signedBy: { name: 'Tomas Brandl' } }],
  ] as const)('43.9(a): an entry without the %s is not valid', (_, change) => {
    const decision = decideClean(repaired(change as unknown as Fields));
    expect([decision.verdict, codes(decision)]).toEqual(['Grounded', ['discrepancy-repair-not-valid']]);
  });
  it('43.7: a student pilot approves nothing, a pilot no repair', () => {
    expect(decideClean(repaired({}, { ...mechanic, kind: 'student-pilot' })).verdict).toBe('Grounded');
    expect(decideClean(repaired({}, { ...mechanic, kind: 'pilot' })).verdict).toBe('Grounded');
  });
  it('43.11(a): an inspection entry without total time is not valid; a 43.9 entry needs none', () => {
    const decision = decideClean({ inspections: { 'annual-2026': { timeInService: null } } });
    expect(codes(decision)).toContain('annual-unknown');
    expect(decideClean(repaired({})).verdict).toBe('Released');
  });
  it('43.11(a): an entry that does not say whether the aircraft was approved is not valid', () => {
    expect(codes(decideClean({ inspections: { 'annual-2026': { outcome: null } } }))).toContain(
      'annual-unknown',
    );
  });
});
