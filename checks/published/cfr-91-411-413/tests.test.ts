import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const shop = {
  name: 'Cape Reach Workshop',
  certificate: { kind: 'repair-station', number: 'RS-1', validFrom: '2000-01-01', validUntil: 'no-expiry' },
};
const mechanic = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'AP-1',
    validFrom: '2000-01-01',
    validUntil: 'no-expiry',
  },
};
const ask = (
  kind: 'altimeter-static' | 'transponder',
  completedOn: string,
  asOf: string,
  signedBy: Json = shop,
  work: Json = null,
) =>
  decideBy(['altimeter-static', 'transponder-test', 'approved-uses'], {
    asOf: `${asOf}T16:00:00Z`,
    packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }],
    aircraft: { approvedFor: 'all' },
    work,
    inspections: {
      'transponder-2026': {
        completedOn: kind === 'transponder' ? completedOn : asOf,
        recordedAt: `${kind === 'transponder' ? completedOn : asOf}T15:00:00Z`,
        signedBy: kind === 'transponder' ? signedBy : shop,
      },
      'altimeter-2026': {
        completedOn: kind === 'transponder' ? asOf : completedOn,
        recordedAt: `${kind === 'transponder' ? asOf : completedOn}T15:00:00Z`,
        signedBy: kind === 'transponder' ? shop : signedBy,
      },
    },
  });
const work = (change: { readonly [key: string]: Json }): Json => ({
  w: {
    recordedAt: '2023-06-10T20:00:00Z',
    completedOn: '2023-06-10',
    description: 'Panel work',
    signedBy: mechanic,
    mayChangeFlight: false,
    staticOpened: false,
    altitudeReportingTouched: false,
    ...change,
  },
});

describe(source.section, () => {
  it.each([
    ['2024-02-29', 'open'],
    ['2024-03-01', 'closed'],
  ] as const)(
    '91.411: tested 2022-02-28, asked on %s: instrument flight %s, visual flight open',
    (day, state) => {
      const { window } = ask('altimeter-static', '2022-02-28', day);
      expect([window.panes['day-ifr'], window.panes['day-vfr']]).toEqual([state, 'open']);
    },
  );
  it('91.411(a)(2): opened static system needs its test again', () => {
    expect(
      ask('altimeter-static', '2023-01-10', '2023-07-01', shop, work({ staticOpened: true })).window.panes[
        'day-ifr'
      ],
    ).toBe('closed');
  });
  it('91.411(b): a mechanic’s own certificate signs no altimeter test', () => {
    expect(ask('altimeter-static', '2023-01-10', '2023-07-01', mechanic).window.panes['day-ifr']).toBe(
      'closed',
    );
  });
  it.each([
    ['2024-02-29', 'Released'],
    ['2024-03-01', 'Restricted'],
  ] as const)('91.413: tested 2022-02-28, asked on %s: %s', (day, verdict) => {
    expect(ask('transponder', '2022-02-28', day).verdict).toBe(verdict);
  });
  it('91.413(a): expired, visual flight outside the airspace that needs it goes with the transponder off', () => {
    const wanted = (inside: 'inside' | 'outside') =>
      decideBy(['transponder-test', 'approved-uses'], {
        packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }],
        inspections: {
          'transponder-2026': { completedOn: '2022-02-28', recordedAt: '2022-02-28T20:00:00Z' },
        },
        wanted: [
          {
            transponderAirspace: [inside],
            adsbAirspace: ['outside'],
            purpose: ['private-rental'],
            rules: ['vfr'],
            overWater: ['within-glide'],
          },
        ],
      }).wanted?.answer;
    expect([wanted('outside'), wanted('inside')]).toEqual(['yes', 'no']);
  });
  it('91.413(b): tested again after work that could make it report a wrong altitude', () => {
    expect(
      ask('transponder', '2023-01-10', '2023-07-01', shop, work({ altitudeReportingTouched: true })).verdict,
    ).toBe('Restricted');
  });
});

describe('after work, and how high', () => {
  const work = (change: { readonly [key: string]: Json }): { readonly [key: string]: Json } => ({
    aircraft: { approvedFor: 'all', ifrNavigation: 'vor-only' },
    packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }],
    work: {
      w: {
        recordedAt: '2026-11-10T20:00:00Z',
        completedOn: '2026-11-10',
        description: 'Panel',
        signedBy: mechanic,
        mayChangeFlight: false,
        flightControls: false,
        staticOpened: false,
        altitudeReportingTouched: false,
        weightChanged: false,
        ...change,
      },
    },
  });
  const tested = (kind: string, signedBy: Json, on = '2026-11-11'): { readonly [key: string]: Json } => ({
    inspections: {
      t: {
        kind,
        completedOn: on,
        recordedAt: `${on}T20:00:00Z`,
        outcome: 'approved',
        signedBy,
        testedToFeet: 18_000,
      },
    },
  });
  const closed = (change: { readonly [key: string]: Json }) =>
    decideBy(['altimeter-static'], change).constraints.map(({ reason }) => reason.code);
  // 91.411(a)(3): also without a club's pack. The test of appendix E(c) is the same under 91.413(b).
  it.each([
    ['altitude reporting replaced, not tested', {}, ['test-needed-after-work']],
    ['tested with the altimeter', tested('altimeter-static', shop), []],
    ['tested with the transponder', tested('transponder', shop), []],
    ['tested before it', tested('altimeter-static', shop, '2026-11-09'), ['test-needed-after-work']],
    ['tested by a mechanic', tested('altimeter-static', mechanic), ['test-needed-after-work']],
  ] as const)('(a)(3): %s', (_, test, expected) => {
    expect(closed({ ...work({ altitudeReportingTouched: true }), ...test })).toEqual(expected);
  });
  it.each([
    ['not tested', {}, ['test-needed-after-work']],
    ['tested by an airframe mechanic', tested('static-system', mechanic), []],
    [
      'tested by a pilot',
      tested('static-system', {
        name: 'P',
        certificate: { kind: 'pilot', number: 'P', validFrom: '2000-01-01', validUntil: 'no-expiry' },
      }),
      ['test-needed-after-work'],
    ],
  ] as const)('(b): the static system opened, %s', (_, test, expected) => {
    expect(closed({ ...work({ staticOpened: true }), ...test })).toEqual(expected);
  });
  const flight = (altitudeFeet: number | null, rules = 'ifr', feet: number | null = 18_000) =>
    decideBy(['altimeter-static'], {
      aircraft: { approvedFor: 'all' },
      inspections: {
        t: {
          kind: 'altimeter-static',
          completedOn: '2026-11-11',
          recordedAt: '2026-11-11T20:00:00Z',
          outcome: 'approved',
          signedBy: shop,
          ...(feet === null ? {} : { testedToFeet: feet }),
        },
      },
      flight: {
        starts: '2026-11-24T14:00:00Z',
        ends: '2026-11-24T15:00:00Z',
        rules,
        ...(altitudeFeet === null ? {} : { altitudeFeet }),
      },
    }).flight?.own.map(({ reason }) => reason.code);
  it.each([
    [18_000, 'ifr', 18_000, []],
    [18_001, 'ifr', 18_000, ['altitude-over-tested']],
    [null, 'ifr', 18_000, ['flight-leaves-open']],
    [9_000, 'ifr', null, ['altitude-tested-unknown']],
    [18_001, 'vfr', 18_000, []],
    [null, 'vfr', 18_000, []],
  ] as const)('(d): planned at %s by %s, tested to %s: %j', (altitude, rules, feet, expected) => {
    expect(flight(altitude, rules, feet)).toEqual(expected);
  });
});
