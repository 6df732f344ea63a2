import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideBy } from '@/testing/clean-case';
import { source } from './source';

type Change = { readonly [key: string]: Json };
const engineer = {
  name: 'Owen Hart',
  certificate: { kind: 'licensed-engineer', number: 'L-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
const pilot = {
  ...engineer,
  name: 'Rosa Dane',
  certificate: { ...engineer.certificate, kind: 'pilot', number: 'P-1' },
};
const student = { ...pilot, certificate: { ...pilot.certificate, kind: 'student-pilot' } };
const PLACE = { name: 'Cape Reach', latitude: -33.9, longitude: 151.2, timeZone: 'Australia/Sydney' };
const release: Change = {
  recordedAt: '2025-03-10T05:00:00Z',
  registrationShown: 'N02TB',
  issuedOn: '2025-03-10',
  issuedAt: 4321.5,
  expiresOn: '2026-03-10',
  expiresAt: 4421.5,
  signedBy: engineer,
  aboard: true,
  standing: 'in-force',
};
const ask = (value: number, asOf: string, change: Change = {}, more: Change = {}) =>
  decideBy(['maintenance-release', 'approved-uses'], {
    asOf,
    place: PLACE,
    packs: [{ id: 'au-maintenance-release' }],
    inspections: null,
    meterReadings: {
      today: { happenedAt: '2025-04-01T00:00:00Z', recordedAt: '2025-04-01T00:00:00Z', value },
    },
    releases: { r: { ...release, ...change } },
    ...more,
  });

describe(`${source.section}: validity`, () => {
  // Noon in Sydney is 01:00 UTC in March.
  it.each([
    [4421.4, '2026-03-10T01:00:00Z', 'Released'],
    [4421.49, '2026-03-10T12:59:59Z', 'Released'],
    [4421.6, '2026-03-10T01:00:00Z', 'Grounded'],
    [4421.4, '2026-03-10T13:00:00Z', 'Grounded'],
  ] as const)(
    'issued 2025-03-10 at 4321.5 h, printed 2026-03-10 and 4421.5 h: at %s h on %s %s',
    (value, asOf, verdict) => {
      expect(ask(value, asOf).verdict).toBe(verdict);
    },
  );
  it('a flight may end exactly at the printed hours, and there is no allowance past them', () => {
    const fly = (airborne: number) =>
      ask(
        4420,
        '2026-03-09T22:00:00Z',
        {},
        {
          flight: {
            starts: '2026-03-09T23:00:00Z',
            ends: '2026-03-10T02:00:00Z',
            airborne,
            purpose: 'positioning-to-maintenance',
            crew: 'rated-pilot',
            rules: 'vfr',
            range: 'local',
            transponderAirspace: false,
            adsbAirspace: false,
            beyondGlideOverWater: false,
            passengers: false,
          },
        },
      ).flight?.answer;
    expect([fly(1.5), fly(1.51)]).toEqual(['yes', 'no']);
  });
  it.each([
    ['standing', 'suspended', 'release-not-in-force'],
    ['standing', 'cancelled', 'release-not-in-force'],
    ['aboard', false, 'release-incomplete'],
    ['signedBy', pilot, 'release-incomplete'],
    ['registrationShown', 'N07TB', 'release-of-another-aircraft'],
    ['expiresAt', null, 'release-incomplete'],
    ['expiresOn', null, 'release-incomplete'],
  ] as const)('with %s %j it is not in force', (field, value, code) => {
    expect(codes(ask(4400, '2026-03-01T01:00:00Z', { [field]: value }))).toEqual([code]);
  });
  it('part one: required maintenance overdue ends it, done it does not', () => {
    const required = (change: Change = {}): Change => ({
      required: { hose: { what: 'Hose', by: '2026-02-28', at: 4410, ...change } },
    });
    expect([
      ask(4400, '2026-02-28T01:00:00Z', required()).verdict,
      ask(4400, '2026-03-01T01:00:00Z', required()).verdict,
      ask(4410, '2026-02-01T01:00:00Z', required()).verdict,
    ]).toEqual(['Released', 'Grounded', 'Grounded']);
    expect(
      ask(
        4415,
        '2026-03-01T01:00:00Z',
        required({ certified: { recordedAt: '2026-02-20T05:00:00Z', on: '2026-02-20', by: engineer } }),
      ).verdict,
    ).toBe('Released');
  });
});

describe(`${source.section}: the daily inspection`, () => {
  const signed = (on: string, recordedAt: string, asOf: string, by: Json = pilot) =>
    decideBy(['daily-inspection'], {
      asOf,
      place: PLACE,
      packs: [{ id: 'au-maintenance-release' }],
      dailyInspections: { d: { recordedAt, on, signedBy: by } },
    }).verdict;
  it('holds to the local midnight of its day', () => {
    expect([
      signed('2026-03-10', '2026-03-09T21:00:00Z', '2026-03-10T12:59:59Z'),
      signed('2026-03-10', '2026-03-09T21:00:00Z', '2026-03-10T13:00:00Z'),
    ]).toEqual(['Released', 'Grounded']);
  });
  it('a student may not certify it, and nobody for a day to come', () => {
    expect([
      signed('2026-03-10', '2026-03-09T21:00:00Z', '2026-03-10T01:00:00Z', student),
      signed('2026-03-11', '2026-03-10T01:00:00Z', '2026-03-10T02:00:00Z'),
    ]).toEqual(['Grounded', 'Grounded']);
  });
});

describe(`${source.section}: flight controls`, () => {
  const second = (independentInspection: Json) =>
    decideBy(['independent-inspection'], {
      packs: [{ id: 'au-maintenance-release' }],
      work: {
        w: {
          recordedAt: '2026-11-20T20:00:00Z',
          completedOn: '2026-11-20',
          description: 'Cable',
          signedBy: engineer,
          flightControls: true,
          independentInspection,
        },
      },
    }).verdict;
  it('need two people', () => {
    const by = (who: Json) => ({ recordedAt: '2026-11-20T21:00:00Z', on: '2026-11-20', by: who });
    expect([second(null), second(by(pilot)), second(by(engineer)), second(by(student))]).toEqual([
      'Grounded',
      'Released',
      'Grounded',
      'Grounded',
    ]);
  });
});

describe(`${source.section}: what the pack does not check`, () => {
  const AU: Change = { place: PLACE, packs: [{ id: 'au-maintenance-release' }] };
  const asked = (approved: boolean | null, wanted: Change, change: Change = {}) =>
    decideBy(['approved-list', 'approved-uses'], {
      ...AU,
      aircraft: { approvedFor: 'all' },
      equipment: { list: { approved } },
      wanted: [wanted],
      ...change,
    }).wanted?.answer;
  it.each([
    [null, { rules: ['ifr'] }, 'no'],
    [false, { purpose: ['carriage-for-hire'] }, 'no'],
    [null, { purpose: ['instruction-school-aircraft'] }, 'no'],
    [null, { purpose: ['private-rental'], rules: ['vfr'] }, 'yes'],
    [true, { rules: ['ifr'] }, 'yes'],
    [true, { purpose: ['carriage-for-hire'] }, 'yes'],
  ] as const)(
    'an equipment list that was compared with an approved one: %s; %j: %s',
    (approved, wanted, answer) => {
      expect(asked(approved, wanted as unknown as Change)).toBe(answer);
    },
  );
  it('is named in every answer', () => {
    expect(decideBy(['approved-list'], AU).notChecked).toContain('australian-equipment');
  });
  // CAO 100.5 (from memory): altimeter and static system, and the transponder, every 24 months.
  it.each([
    ['altimeter-2026', 'altimeter-static', { rules: ['ifr'] }],
    ['transponder-2026', 'transponder-test', { transponderAirspace: ['inside'] }],
  ] as const)('CAO 100.5: %s', (id, rule, wanted) => {
    const test = (completedOn: string) =>
      decideBy([rule, 'approved-uses'], {
        ...AU,
        aircraft: { approvedFor: 'all' },
        inspections: { [id]: { completedOn, recordedAt: `${completedOn}T05:00:00Z` } },
        wanted: [wanted as unknown as Change],
      }).wanted?.answer;
    expect([test('2024-11-24'), test('2024-10-31')]).toEqual(['yes', 'no']);
  });
});
