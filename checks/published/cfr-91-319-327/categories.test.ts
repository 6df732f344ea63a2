import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const builder = {
  name: 'Vera Lind',
  certificate: {
    kind: 'experimental-builder',
    number: 'B-1',
    validFrom: '2010-01-01',
    validUntil: 'no-expiry',
  },
};
const repairman = {
  name: 'Vera Lind',
  certificate: {
    kind: 'light-sport-repairman',
    number: 'L-1',
    validFrom: '2010-01-01',
    validUntil: 'no-expiry',
  },
};
const RULES = [
  'annual-inspection',
  'condition-inspection',
  'category-limits',
  'hundred-hour-inspection',
  'approved-uses',
];
const ask = (
  category: string,
  purpose: string,
  light = 'day',
  value = 1000,
  asOf = '2025-06-01T12:00:00Z',
  signedBy: Json = category === 'experimental' ? builder : repairman,
) =>
  decideBy(RULES, {
    asOf,
    packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }],
    aircraft: { category, approvedFor: 'all' },
    meterReadings: {
      today: { happenedAt: '2025-01-01T00:00:00Z', recordedAt: '2025-01-01T00:00:00Z', value },
    },
    inspections: {
      'annual-2026': null,
      'hundred-2026-10': null,
      c: {
        kind: 'condition',
        completedOn: '2024-07-10',
        recordedAt: '2024-07-10T20:00:00Z',
        timeInService: 950,
        outcome: 'approved',
        signedBy,
      },
    },
    wanted: [{ purpose: [purpose], light: [light], rules: ['vfr'] }],
  }).wanted?.answer;

describe(source.section, () => {
  it.each([
    ['light-sport', 'carriage-for-hire', 'no'],
    ['light-sport', 'instruction-school-aircraft', 'yes'],
    ['light-sport', 'glider-towing', 'yes'],
    ['light-sport', 'private-rental', 'yes'],
    ['experimental', 'carriage-for-hire', 'no'],
    ['experimental', 'private-rental', 'no'],
    ['experimental', 'instruction-own-aircraft', 'yes'],
  ] as const)('%s: %s: %s', (category, purpose, answer) => {
    expect(ask(category, purpose)).toBe(answer);
  });
  it('an experimental aircraft flies by day', () => {
    expect([
      ask('experimental', 'instruction-own-aircraft', 'day'),
      ask('experimental', 'instruction-own-aircraft', 'night'),
    ]).toEqual(['yes', 'no']);
  });
  it.each([
    ['2025-07-31', 'yes'],
    ['2025-08-01', 'no'],
  ] as const)('condition inspection of 2024-07-10, asked on %s', (day, answer) => {
    expect(ask('light-sport', 'private-rental', 'day', 1000, `${day}T16:00:00Z`)).toBe(answer);
  });
  it('(c): teaching and towing need the hundred hours, flying alone does not', () => {
    expect([
      ask('light-sport', 'instruction-school-aircraft', 'day', 1050),
      ask('light-sport', 'glider-towing', 'day', 1050),
      ask('light-sport', 'private-rental', 'day', 1050),
      ask('light-sport', 'glider-towing', 'day', 1049.9),
    ]).toEqual(['no', 'no', 'yes', 'yes']);
  });
  // 65.104 and 65.107: from memory.
  it.each([
    ['light-sport', 'light-sport-repairman', 'yes'],
    ['light-sport', 'light-sport-inspector', 'no'],
    ['light-sport', 'experimental-builder', 'no'],
    ['light-sport', 'mechanic-airframe-powerplant', 'yes'],
    ['experimental', 'experimental-builder', 'yes'],
    ['experimental', 'light-sport-repairman', 'no'],
    ['experimental', 'repair-station', 'yes'],
  ] as const)('a condition inspection of a %s aircraft signed by a %s: %s', (category, kind, answer) => {
    expect(
      ask(category, 'instruction-own-aircraft', 'day', 1000, '2025-06-01T12:00:00Z', {
        ...repairman,
        certificate: { ...repairman.certificate, kind },
      }),
    ).toBe(answer);
  });
  it('a pilot does not sign a condition inspection', () => {
    expect(
      ask('light-sport', 'private-rental', 'day', 1000, '2025-06-01T12:00:00Z', {
        ...repairman,
        certificate: { ...repairman.certificate, kind: 'pilot' },
      }),
    ).toBe('no');
  });
});
