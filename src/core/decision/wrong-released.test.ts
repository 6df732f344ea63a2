import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideBy, decideClean } from '@/testing/clean-case';

type Change = { readonly [key: string]: Json };
const mechanic = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'AP-2231',
    validFrom: '2015-06-01',
    validUntil: 'no-expiry',
  },
};
const pilot = {
  name: 'Rosa Dane',
  certificate: { kind: 'pilot', number: 'P-114', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
const seen = (time: string): Change => ({
  happenedAt: `2026-11-${time}:00Z`,
  recordedAt: `2026-11-${time}:30Z`,
});
const lesson: Change = {
  starts: '2026-11-24T14:00:00Z',
  ends: '2026-11-24T16:00:00Z',
  airborne: 2,
  purpose: 'instruction-school-aircraft',
  crew: 'dual',
  rules: 'vfr',
  range: 'local',
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
};
const walked = (change: Change = {}): Change => ({
  ramp: {
    measurements: {
      oil: { ...seen('24T12:30'), quantity: 'oil', value: 6, unit: 'US qt' },
      left: { ...seen('24T12:30'), quantity: 'fuel-dip', which: 'left', value: 12, unit: 'US gal' },
      right: { ...seen('24T12:30'), quantity: 'fuel-dip', which: 'right', value: 12, unit: 'US gal' },
    },
    samples: { all: { ...seen('24T12:40'), result: 'clean', drain: 'every' } },
  },
  ...change,
});

// Each of these was, or could have been, a wrong answer.
describe('attempts at a wrong Released', () => {
  it.each(['note', 'watch', 'deferral-path'])(
    'a dead instrument that somebody classed %s is still inoperative',
    (classification) => {
      expect(
        decideClean({
          discrepancies: {
            d: {
              ...seen('23T12:00'),
              what: 'Airspeed indicator dead',
              classification,
              equipment: ['airspeed-indicator'],
            },
          },
        }).verdict,
      ).toBe('Grounded');
    },
  );
  it('a stricter class of a dead instrument keeps the aircraft down though it was deferred', () => {
    const deferral = {
      recordedAt: '2026-11-23T18:00:00Z',
      deferredOn: '2026-11-23',
      action: 'deactivated',
      placarded: true,
      entered: 'not-maintenance',
      noHazard: pilot,
    };
    expect(
      decideClean({
        discrepancies: {
          d: {
            ...seen('23T12:00'),
            what: 'Smoke from the exhaust gas gauge',
            classification: 'ground-until-mechanic',
            equipment: ['exhaust-gas-gauge'],
            deferral,
          },
        },
      }).verdict,
    ).toBe('Grounded');
  });
  it('fuel that is planned but not aboard does not count', () => {
    expect(decideClean({ ...walked(), flight: lesson }).flight?.answer).toBe('yes');
    const change = { ramp: { measurements: { left: { value: 5 }, right: { value: 5 } } } };
    const merged = walked() as {
      readonly ramp: {
        readonly measurements: { readonly left: Change; readonly right: Change; readonly oil: Change };
      };
    };
    const low = {
      ramp: {
        ...merged.ramp,
        measurements: {
          ...merged.ramp.measurements,
          left: { ...merged.ramp.measurements.left, ...change.ramp.measurements.left },
          right: { ...merged.ramp.measurements.right, ...change.ramp.measurements.right },
        },
      },
    };
    expect(
      decideClean({ ...low, flight: { ...lesson, fuelAboard: { amount: 30, unit: 'US gal' } } }).flight,
    ).toMatchObject({ answer: 'yes-after', own: [{ reason: { code: 'fuel-short' } }] });
  });
  it('what was measured before the last flight says nothing about the next', () => {
    const back = (at: string): Change => ({
      flightsOut: {
        f: { ...seen('24T12:00'), returned: { recordedAt: `2026-11-${at}:30Z`, at: `2026-11-${at}:00Z` } },
      },
    });
    expect(decideClean(walked(back('24T12:20'))).verdict).toBe('Released');
    expect(codes(decideClean(walked(back('24T12:35'))))).toEqual(['not-measured']);
    expect(
      decideClean({ ...walked(back('24T12:35')), flight: lesson }).flight?.own.map(
        ({ reason }) => reason.code,
      ),
    ).toContain('fuel-aboard-unknown');
  });
  it('fuel dipped on another day is not fuel aboard: who knows who flew', () => {
    const dipped = (day: string): Change => ({
      ramp: {
        measurements: {
          oil: { ...seen('24T12:30'), quantity: 'oil', value: 6, unit: 'US qt' },
          left: { ...seen(day), quantity: 'fuel-dip', which: 'left', value: 12, unit: 'US gal' },
          right: { ...seen(day), quantity: 'fuel-dip', which: 'right', value: 12, unit: 'US gal' },
        },
        samples: { all: { ...seen('24T12:40'), result: 'clean', drain: 'every' } },
      },
    });
    const codesOf = (day: string) =>
      decideClean({ aircraft: { measured: [] }, ...dipped(day), flight: lesson }).flight?.own.map(
        ({ reason }) => reason.code,
      );
    // Local midnight of the 24th lies at 04:00 UTC.
    expect([codesOf('24T04:00'), codesOf('24T03:59')]).toEqual([[], ['fuel-aboard-unknown']]);
  });
  it('a slip of the pen beside what was done carries no limit away', () => {
    const done = (at: number) =>
      decideClean({
        items: {
          i: {
            recordedAt: '2026-01-01T00:00:00Z',
            name: 'Engine overhaul',
            kind: 'overhaul',
            basis: 'approved-programme',
            interval: { hours: [{ meter: 'time-in-service', every: 2000 }] },
            done: {
              d: {
                recordedAt: '2020-03-10T20:00:00Z',
                completedOn: '2020-03-10',
                readings: { hours: { 'time-in-service': at } },
                signedBy: {
                  ...mechanic,
                  certificate: { ...mechanic.certificate, kind: 'repair-station', validFrom: '2000-01-01' },
                },
              },
            },
          },
        },
      }).verdict;
    expect([done(2151), done(2150), done(21510)]).toEqual(['Released', 'Grounded', 'Grounded']);
  });
  it('nor does what was measured yesterday', () => {
    expect(codes(decideClean({ ...walked(), asOf: '2026-11-25T13:00:00Z' }))).toEqual(['not-measured']);
  });
  it('a permit covers no find that came after it', () => {
    const permits = {
      p: {
        recordedAt: '2026-11-24T10:00:00Z',
        number: 'P-1',
        registrationShown: 'N02TB',
        validFrom: '2026-11-24',
        validUntil: '2026-11-26',
        aboard: true,
        safeForFlight: { on: '2026-11-24', by: mechanic },
      },
    };
    const ferry = { ...lesson, purpose: 'positioning-to-maintenance', crew: 'rated-pilot' };
    const fly = (recorded: string) =>
      decideClean({
        permits,
        flight: ferry,
        discrepancies: {
          crack: {
            happenedAt: '2026-11-24T09:00:00Z',
            recordedAt: recorded,
            what: 'Crack in the spar cap',
            classification: 'ground-until-mechanic',
          },
        },
      }).flight?.answer;
    expect([fly('2026-11-24T09:59:00Z'), fly('2026-11-24T10:01:00Z')]).toEqual(['yes', 'no']);
  });
  it('a check flight, a second inspection and a certified task of tomorrow do not count today', () => {
    const work = (change: Change): Change => ({
      work: {
        w: {
          recordedAt: '2026-11-20T20:00:00Z',
          completedOn: '2026-11-20',
          description: 'Aileron rigged',
          signedBy: mechanic,
          mayChangeFlight: true,
          flightControls: false,
          staticOpened: false,
          altitudeReportingTouched: false,
          weightChanged: false,
          ...change,
        },
      },
    });
    expect(
      codes(
        decideClean(
          work({
            checkFlight: { recordedAt: '2026-11-21T12:00:00Z', on: '2026-11-22', pilot, logged: true },
          }),
        ),
      ),
    ).toEqual(['check-flight-needed', 'record-contradicts-itself']);
    const second = {
      ...work({
        mayChangeFlight: false,
        flightControls: true,
        independentInspection: { recordedAt: '2026-11-21T12:00:00Z', on: '2026-11-22', by: pilot },
      }),
      packs: [{ id: 'au-maintenance-release' }],
    };
    expect(codes(decideBy(['independent-inspection'], second))).toEqual(['independent-inspection-needed']);
  });
  it.each(['staticOpened', 'altitudeReportingTouched', 'weightChanged', 'mayChangeFlight'])(
    'work that does not say %s counts as if it had',
    (field) => {
      const work = {
        recordedAt: '2026-11-20T20:00:00Z',
        completedOn: '2026-11-20',
        description: 'Panel work',
        signedBy: mechanic,
        mayChangeFlight: false,
        flightControls: false,
        staticOpened: false,
        altitudeReportingTouched: false,
        weightChanged: false,
        [field]: null,
      };
      const decision = decideClean({ aircraft: { approvedFor: 'all' }, work: { w: work } });
      expect(codes(decision)).toContain('work-effect-unknown');
    },
  );
  it('more people than seats do not fly', () => {
    expect([
      decideClean({ flight: { ...lesson, persons: 4 } }).flight?.answer,
      decideClean({ flight: { ...lesson, persons: 5 } }).flight?.answer,
    ]).toEqual(['yes', 'yes-after']);
  });
  // 14 CFR 61.89(a)(1): from memory.
  it.each([
    [false, 1, 'yes'],
    [true, 1, 'yes-after'],
    [true, null, 'yes-after'],
    [false, 2, 'yes-after'],
    [false, null, 'yes'],
  ] as const)('a student alone, passengers %s, %s aboard: %s', (passengers, persons, answer) => {
    const { flight } = decideClean({
      flight: { ...lesson, crew: 'student-solo', passengers, ...(persons === null ? {} : { persons }) },
    });
    expect([flight?.answer, flight?.own.map(({ reason }) => reason.code)]).toEqual([
      answer,
      answer === 'yes' ? [] : ['student-not-alone'],
    ]);
  });
  it.each([
    ['dual', 2, false],
    ['dual', 3, true],
    ['rated-pilot', 2, false],
    ['rated-pilot', 3, true],
  ] as const)(
    '%s with %s aboard and, it says, no passengers: closed to passengers it stays closed: %s',
    (crew, persons, closed) => {
      const restrictions = {
        r: {
          happenedAt: '2026-11-24T11:00:00Z',
          recordedAt: '2026-11-24T11:01:00Z',
          by: 'M. Castellane',
          why: 'No passengers',
          uses: [{ passengers: ['aboard'] }],
        },
      };
      expect(
        decideClean({
          dispatchRestrictions: restrictions,
          flight: { ...lesson, crew, persons, passengers: false },
        }).flight?.answer,
      ).toBe(closed ? 'no' : 'yes');
    },
  );
  it('an instrument flight that claims to rely on no navigation at all relies on what nobody checked', () => {
    const flight = (vor: boolean | null, database: boolean | null) =>
      decideBy(['vor-check', 'navigation-database', 'approved-uses'], {
        aircraft: { approvedFor: 'all', ifrNavigation: 'either' },
        databases: { d: { ...seen('20T12:00'), content: 'navigation', effectiveOn: '2026-10-29' } },
        vorChecks: {
          r: {
            ...seen('20T12:00'),
            method: 'dual',
            errorDegrees: 2,
            place: 'Tern Bay',
            signedBy: 'A. Verin',
          },
        },
        flight: { ...lesson, rules: 'ifr', reliesOnVor: vor, reliesOnDatabase: database },
      }).flight;
    expect([flight(true, false), flight(false, true), flight(null, null)].map((one) => one?.answer)).toEqual([
      'yes',
      'yes',
      'yes',
    ]);
    expect(flight(false, false)).toMatchObject({
      answer: 'yes-after',
      own: [
        { reason: { code: 'flight-leaves-open', what: 'navigation' } },
        { reason: { code: 'flight-leaves-open', what: 'navigation' } },
      ],
    });
  });
  it('nor do any where nobody knows how many seats there are', () => {
    expect([
      decideClean({ aircraft: { seats: null }, flight: { ...lesson, persons: 2 } }).flight?.answer,
      decideClean({ aircraft: { seats: null }, flight: lesson }).flight?.answer,
    ]).toEqual(['no', 'yes']);
  });
  it('approved for towing, it needs a hook and a rope', () => {
    const tow = {
      aircraft: {
        approvedFor: [
          {
            light: ['day'],
            rules: ['vfr'],
            purpose: ['glider-towing'],
            crew: 'all',
            range: 'all',
            transponderAirspace: ['outside'],
            adsbAirspace: ['outside'],
            overWater: ['within-glide'],
            passengers: 'all',
          },
        ],
      },
    };
    expect([...codes(decideClean(tow))].sort()).toEqual(['equipment-unknown', 'tow-rope-unfit']);
  });
  it('the Australian pack knows one category, and closes the others', () => {
    expect(
      codes(
        decideBy(['maintenance-release'], {
          packs: [{ id: 'au-maintenance-release' }],
          aircraft: { category: 'light-sport' },
        }),
      ),
    ).toEqual(['category-without-rules']);
  });
  it('without a club’s rules the answer says so', () => {
    expect(decideClean({ packs: [{ id: 'us-part91' }] }).notChecked).toContain('club-policy');
  });
  it('a flight over local midnight takes the limits of the day that follows', () => {
    const night = { ...lesson, starts: '2026-11-25T03:00:00Z', ends: '2026-11-25T04:30:00Z', airborne: 1 };
    expect(
      decideClean({
        clubDocuments: { insurance: { validUntil: '2026-11-24' } },
        flight: { ...night, ends: '2026-11-25T04:00:00Z' },
      }).flight?.answer,
    ).toBe('yes');
    expect(
      decideClean({ clubDocuments: { insurance: { validUntil: '2026-11-24' } }, flight: night }).flight
        ?.answer,
    ).toBe('no');
  });
});
