import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideBy } from '@/testing/clean-case';
import { source } from './source';

const mechanic = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'AP-1',
    validFrom: '2000-01-01',
    validUntil: 'no-expiry',
  },
};
type Change = { readonly [key: string]: Json };
const ask = (asOf: string, elt: Change, completedOn = '2025-01-31', change: Change = {}) =>
  decideBy(['elt', 'approved-uses'], {
    asOf,
    elts: { elt: { happenedAt: '2024-01-01T00:00:00Z', recordedAt: '2024-01-01T00:00:00Z', ...elt } },
    inspections: { 'elt-2026': { completedOn, recordedAt: `${completedOn}T23:00:00Z`, signedBy: mechanic } },
    ...change,
  });

describe(source.section, () => {
  it.each([
    ['2026-01-31', 'Released'],
    ['2026-02-01', 'Grounded'],
  ] as const)('(d): inspected 2025-01-31, asked on %s', (day, verdict) => {
    expect(ask(`${day}T16:00:00Z`, {}).verdict).toBe(verdict);
  });
  it.each([
    [60, 'Released'],
    [66, 'Grounded'],
  ] as const)('(c)(1): %s minutes of use in all', (usedMinutes, verdict) => {
    expect(ask('2025-06-01T12:00:00Z', { usedMinutes }).verdict).toBe(verdict);
  });
  it.each([
    ['2025-06-30', 'Released'],
    ['2025-07-01', 'Grounded'],
  ] as const)('(c)(2): battery to be replaced by 2025-06-30, asked on %s', (day, verdict) => {
    expect(ask(`${day}T16:00:00Z`, { batteryReplaceBy: '2025-06-30' }).verdict).toBe(verdict);
  });
  const removed = {
    state: 'removed-for-repair',
    removedOn: '2025-01-15',
    removalEntered: true,
    removalPlacarded: true,
  };
  it.each([
    ['2025-04-15', []],
    ['2025-04-16', ['elt-removed']],
  ] as const)('(f)(10): removed 2025-01-15, asked on %s', (day, expected) => {
    expect(codes(ask(`${day}T16:00:00Z`, removed))).toEqual(expected);
  });
  it.each(['removedOn', 'removalEntered', 'removalPlacarded'])(
    '(f)(10): without %s the removal is not lawful',
    (field) => {
      expect(codes(ask('2025-02-01T16:00:00Z', { ...removed, [field]: null }))).toEqual([
        'elt-removal-incomplete',
      ]);
    },
  );
  it('(e): ferried to be repaired with nobody but the crew', () => {
    const ferry = (passengers: string) =>
      ask('2025-06-01T12:00:00Z', { state: 'not-fitted' }, '2025-01-31', {
        wanted: [
          {
            purpose: ['positioning-to-maintenance'],
            rules: ['vfr'],
            overWater: ['within-glide'],
            passengers: [passengers],
          },
        ],
      }).wanted?.answer;
    expect([ferry('none'), ferry('aboard')]).toEqual(['yes', 'no']);
  });
  it('(f)(3): training entirely within 50 NM needs none; a rental is not training by name', () => {
    const fly = (purpose: string, trainingWithin50Miles: Json) =>
      ask('2025-06-02T12:00:00Z', { state: 'not-fitted' }, '2025-01-31', {
        flight: {
          starts: '2025-06-02T14:00:00Z',
          ends: '2025-06-02T15:00:00Z',
          purpose,
          crew: 'dual',
          rules: 'vfr',
          range: 'local',
          transponderAirspace: false,
          adsbAirspace: false,
          beyondGlideOverWater: false,
          passengers: false,
          ...(trainingWithin50Miles === null ? {} : { trainingWithin50Miles }),
        },
      }).flight?.answer;
    expect([
      fly('instruction-school-aircraft', true),
      fly('instruction-school-aircraft', false),
      fly('instruction-school-aircraft', null),
      fly('private-rental', true),
    ]).toEqual(['yes', 'no', 'no', 'no']);
  });
  it('(f)(9): an aircraft for one person needs none; gliders are not aeroplanes', () => {
    expect(
      ask('2025-06-01T12:00:00Z', { state: 'not-fitted' }, '2025-01-31', { aircraft: { seats: 1 } }).verdict,
    ).toBe('Released');
    expect(
      ask('2025-06-01T12:00:00Z', { state: 'not-fitted' }, '2025-01-31', { aircraft: { category: 'glider' } })
        .verdict,
    ).toBe('Released');
  });
});

describe(`${source.section}: deactivated`, () => {
  const pilot = {
    name: 'Rosa Dane',
    certificate: { kind: 'pilot', number: 'P-1', validFrom: '2000-01-01', validUntil: 'no-expiry' },
  };
  const student = { ...pilot, certificate: { ...pilot.certificate, kind: 'student-pilot' } };
  const deactivated: Change = {
    state: 'deactivated',
    removedOn: '2025-06-01',
    removalEntered: true,
    removalPlacarded: true,
    noHazard: pilot,
  };
  const fly = (change: Change, purpose: string, trainingWithin50Miles: boolean) =>
    ask('2025-06-02T12:00:00Z', { ...deactivated, ...change }, '2024-01-31', {
      flight: {
        starts: '2025-06-02T14:00:00Z',
        ends: '2025-06-02T15:00:00Z',
        purpose,
        crew: 'dual',
        rules: 'vfr',
        range: 'cross-country',
        transponderAirspace: false,
        adsbAirspace: false,
        beyondGlideOverWater: false,
        passengers: false,
        trainingWithin50Miles,
      },
    }).flight?.answer;
  // (f)(3), with the steps of 91.213(d)(3) and (4): training within 50 NM, whatever the club calls cross-country.
  it.each([
    ['within 50 NM', {}, 'instruction-school-aircraft', true, 'yes'],
    ['further', {}, 'instruction-school-aircraft', false, 'no'],
    ['a rental within 50 NM', {}, 'private-rental', true, 'no'],
    ['without placard', { removalPlacarded: false }, 'instruction-school-aircraft', true, 'no'],
    ['without entry', { removalEntered: null }, 'instruction-school-aircraft', true, 'no'],
    ['without determination', { noHazard: null }, 'instruction-school-aircraft', true, 'no'],
    ['with a student’s determination', { noHazard: student }, 'instruction-school-aircraft', true, 'no'],
  ] as const)('%s: %s', (_, change, purpose, within, answer) => {
    expect(fly(change, purpose, within)).toBe(answer);
  });
});
