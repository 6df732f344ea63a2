import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy } from '@/testing/clean-case';
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
const permit: Change = {
  recordedAt: '2026-11-24T12:00:00Z',
  number: 'P-1',
  registrationShown: 'N02TB',
  validFrom: '2026-11-24',
  validUntil: '2026-11-26',
  aboard: true,
  safeForFlight: { on: '2026-11-24', by: mechanic },
};
const ferry = (change: Change = {}): Json => ({
  starts: '2026-11-24T14:00:00Z',
  ends: '2026-11-24T16:00:00Z',
  airborne: 1.5,
  purpose: 'positioning-to-maintenance',
  crew: 'rated-pilot',
  rules: 'vfr',
  range: 'cross-country',
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
  ...change,
});
/** The annual has expired: closed for airworthiness. */
const ask = (permits: Json, flight: Json = ferry(), change: Change = {}) =>
  decideBy(['annual-inspection', 'registration-validity', 'approved-uses'], {
    inspections: { 'annual-2026': { completedOn: '2025-10-01', recordedAt: '2025-10-01T20:00:00Z' } },
    permits,
    flight,
    ...change,
  });

describe(source.section, () => {
  it('annual expired: closed, and the ferry flight only with a permit', () => {
    expect([ask(null).flight?.answer, ask({ p: permit }).flight?.answer, ask({ p: permit }).verdict]).toEqual(
      ['no', 'yes', 'Grounded'],
    );
  });
  it.each([
    ['after its last day', ferry({ starts: '2026-11-27T14:00:00Z', ends: '2026-11-27T16:00:00Z' })],
    ['over its last midnight', ferry({ starts: '2026-11-27T03:00:00Z', ends: '2026-11-27T04:30:00Z' })],
    ['with a passenger', ferry({ passengers: true })],
    ['as a rental', ferry({ purpose: 'private-rental' })],
  ] as const)('%s it covers nothing', (_, flight) => {
    expect(ask({ p: permit }, flight).flight?.answer).toBe('no');
  });
  it('to its last minute it does', () => {
    expect(
      ask({ p: permit }, ferry({ starts: '2026-11-27T02:00:00Z', ends: '2026-11-27T04:00:00Z' })).flight
        ?.answer,
    ).toBe('yes');
  });
  it.each([
    ['number', null],
    ['registrationShown', 'N07TB'],
    ['aboard', false],
    ['aboard', null],
    ['safeForFlight', null],
    ['validUntil', null],
    ['validFrom', null],
  ] as const)('with %s %j it opens nothing', (field, value) => {
    expect(ask({ p: { ...permit, [field]: value } }).flight?.answer).toBe('no');
  });
  it('its own limit in hours: a flight may end exactly there', () => {
    const until = (hours: number) => ask({ p: { ...permit, untilTimeInService: hours } }).flight?.answer;
    expect([until(4151.8), until(4151.79)]).toEqual(['yes', 'no']);
  });
  it('what it allows it allows within its own conditions', () => {
    const only = { p: { ...permit, uses: [{ light: ['day'], range: ['local'] }] } };
    expect([ask(only, ferry({ range: 'local' })).flight?.answer, ask(only, ferry()).flight?.answer]).toEqual([
      'yes',
      'no',
    ]);
  });
  it('it does not stand in for a registration', () => {
    expect(
      ask({ p: permit }, ferry(), {
        documents: { registration: { ended: { on: '2026-11-20', because: 'ownership-transferred' } } },
      }).flight?.answer,
    ).toBe('no');
  });
});

describe(`${source.section}: what it covers`, () => {
  const RULES = [
    'annual-inspection',
    'open-discrepancies',
    'refused-inspections',
    'measured-limits',
    'required-equipment',
    'approved-uses',
  ];
  const covered = (change: Change) =>
    decideBy(RULES, {
      inspections: { 'annual-2026': { completedOn: '2025-10-01', recordedAt: '2025-10-01T20:00:00Z' } },
      permits: { p: permit },
      flight: ferry(),
      ...change,
    }).flight?.answer;
  const find = (recordedAt: string) => ({
    discrepancies: {
      d: {
        happenedAt: recordedAt,
        recordedAt,
        what: 'Crack in the nose gear',
        classification: 'ground-until-mechanic',
      },
    },
  });
  const refused = (recordedAt: string) => ({
    inspections: {
      'annual-2026': { completedOn: '2025-10-01', recordedAt: '2025-10-01T20:00:00Z' },
      'hundred-2026-10': {
        completedOn: '2026-11-24',
        recordedAt,
        timeInService: 4150.3,
        outcome: 'discrepancies-listed',
      },
    },
  });
  const strut = (recordedAt: string) => ({
    ramp: {
      measurements: {
        oil: {
          happenedAt: '2026-11-24T11:00:00Z',
          recordedAt: '2026-11-24T11:00:00Z',
          quantity: 'oil',
          value: 6,
          unit: 'US qt',
        },
        s: { happenedAt: recordedAt, recordedAt, quantity: 'strut', which: 'left', value: 1, unit: 'in' },
      },
    },
  });
  // 21.197: it is issued for an aircraft in the condition that the person who issued it knew of. The permit was written down at 12:00.
  it.each([
    ['a find of before', find('2026-11-24T11:30:00Z'), 'yes'],
    ['a find of after', find('2026-11-24T12:30:00Z'), 'no'],
    ['an inspection refused before', refused('2026-11-24T11:30:00Z'), 'yes'],
    ['an inspection refused after', refused('2026-11-24T12:30:00Z'), 'no'],
    ['a measurement of before', strut('2026-11-24T11:30:00Z'), 'yes'],
    ['a measurement of after', strut('2026-11-24T12:30:00Z'), 'no'],
  ] as const)('%s: %s', (_, change, answer) => {
    expect(covered(change as Change)).toBe(answer);
  });
});

// 91.213(e) sets aside no more than 91.213; 91.209(a) and 91.215(b) bind every aircraft (from memory).
describe(`${source.section}: what it takes away is airworthiness, and no operating rule`, () => {
  const RULES = ['inoperative-equipment', 'open-discrepancies', 'required-equipment', 'approved-uses'];
  const night = ferry({ starts: '2026-11-24T23:00:00Z', ends: '2026-11-25T01:00:00Z' });
  const dead = (equipment: string): Change => ({
    discrepancies: {
      d: {
        happenedAt: '2026-11-24T11:00:00Z',
        recordedAt: '2026-11-24T11:00:00Z',
        what: 'Dead',
        classification: 'deferral-path',
        equipment: [equipment],
      },
    },
  });
  it.each([
    ['position lights dead, by day', dead('position-lights'), ferry(), 'yes'],
    ['position lights dead, by night', dead('position-lights'), night, 'no'],
    ['transponder dead, outside', dead('transponder'), ferry(), 'yes'],
    ['transponder dead, inside', dead('transponder'), ferry({ transponderAirspace: true }), 'no'],
    ['airspeed indicator dead, by day', dead('airspeed-indicator'), ferry(), 'yes'],
  ] as const)('%s', (_, change, flight, answer) => {
    expect(decideBy(RULES, { permits: { p: permit }, ...change, flight }).flight?.answer).toBe(answer);
  });
});
