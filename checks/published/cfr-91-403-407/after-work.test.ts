import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideBy } from '@/testing/clean-case';
import { source } from './source';

type Change = { readonly [key: string]: Json };
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
const pilot = {
  name: 'Rosa Dane',
  certificate: { kind: 'pilot', number: 'P-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
const student = { ...pilot, certificate: { ...pilot.certificate, kind: 'student-pilot' } };

describe(`${source.section}: a part good for 3,000 h`, () => {
  it.each([
    [2999.9, 'Released'],
    [3000, 'Grounded'],
  ] as const)('at %s h', (value, verdict) => {
    const decision = decideBy(['maintenance-items'], {
      inspections: null,
      meterReadings: { today: { value } },
      items: {
        p: {
          recordedAt: '2010-01-01T00:00:00Z',
          name: 'Spar bolt',
          kind: 'life-limit',
          interval: { hours: [{ meter: 'time-in-service', every: 3000 }] },
          done: {
            new: {
              recordedAt: '2010-01-01T00:00:00Z',
              completedOn: '2009-12-31',
              readings: { hours: { 'time-in-service': 0 } },
              signedBy: shop,
            },
          },
        },
      },
    });
    expect(decision.verdict).toBe(verdict);
  });
});

describe(`${source.section}: after maintenance`, () => {
  const ask = (change: Change, wanted: Json = null) =>
    decideBy(['maintenance-entries', 'approved-uses'], {
      wanted,
      work: {
        w: {
          recordedAt: '2026-11-20T20:00:00Z',
          completedOn: '2026-11-20',
          description: 'Aileron rigged.',
          signedBy: mechanic,
          mayChangeFlight: false,
          ...change,
        },
      },
    });
  const flown = (change: Change = {}): Change => ({
    mayChangeFlight: true,
    checkFlight: { recordedAt: '2026-11-21T20:00:00Z', on: '2026-11-21', pilot, logged: true, ...change },
  });
  it('(a): approved by somebody entitled, and entered', () => {
    expect(ask({}).verdict).toBe('Released');
  });
  it.each(['completedOn', 'description', 'signedBy'])('(a): without %s nobody flies', (field) => {
    expect([field, codes(ask({ [field]: null }))]).toEqual([field, ['work-entry-not-valid']]);
  });
  it('43.9: an entry of a student does not approve', () => {
    expect(codes(ask({ signedBy: student }))).toEqual(['work-entry-not-valid']);
  });
  it.each([
    ['no check flight', { mayChangeFlight: true }, ['check-flight-needed']],
    ['flown, logged, by a rated pilot', flown(), []],
    ['flown by a student', flown({ pilot: student }), ['check-flight-needed']],
    ['not logged', flown({ logged: false }), ['check-flight-needed']],
    ['flown before the work', flown({ on: '2026-11-19' }), ['check-flight-needed']],
    ['(c): ground tests conclusive', { mayChangeFlight: true, groundTestsConclusive: true }, []],
    ['not said whether it may', { mayChangeFlight: null }, ['work-effect-unknown']],
  ] as const)('(b): %s', (_, change, expected) => {
    expect(codes(ask(change))).toEqual(expected);
  });
  it('(b): the check flight itself is open, with nobody aboard but the crew', () => {
    const check = (passengers: string) => [
      {
        purpose: ['maintenance-check-flight'],
        crew: ['rated-pilot'],
        rules: ['vfr'],
        overWater: ['within-glide'],
        passengers: [passengers],
      },
    ];
    expect([
      ask({ mayChangeFlight: true }, check('none')).wanted?.answer,
      ask({ mayChangeFlight: true }, check('aboard')).wanted?.answer,
    ]).toEqual(['yes', 'no']);
  });
});
