import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideBy, decideClean } from '@/testing/clean-case';

type Change = { readonly [key: string]: Json };
const certificate = (kind: string): Json => ({
  name: 'Rosa Dane',
  certificate: { kind, number: 'X-114', validFrom: '2000-01-01', validUntil: 'no-expiry' },
});
const at = (time: string): Change => ({
  happenedAt: `2026-11-24T${time}:00Z`,
  recordedAt: `2026-11-24T${time}:30Z`,
});
const sample = (time: string, drain: string | null, result: string | null): Json => ({
  ...at(time),
  ...(drain === null ? {} : { drain }),
  ...(result === null ? {} : { result }),
});
const quality = (samples: Change, change: Change = {}) =>
  decideBy(['fuel-quality', 'approved-uses'], { ramp: { samples }, ...change }).verdict;
const cleared = {
  recordedAt: '2026-11-24T12:50:00Z',
  on: '2026-11-24',
  by: certificate('mechanic-airframe-powerplant'),
};

// Common practice, no source.
describe('each drain by itself', () => {
  it.each([
    ['every drain clean', { a: sample('12:00', 'every', 'clean') }, 'Released'],
    [
      'water at the left, then a clean right one',
      { a: sample('12:00', 'left', 'water'), b: sample('12:10', 'right', 'clean') },
      'Grounded',
    ],
    [
      'water at the left, then a clean left one',
      { a: sample('12:00', 'left', 'water'), b: sample('12:10', 'left', 'clean') },
      'Released',
    ],
    [
      'water at every drain, then a clean left one',
      { a: sample('12:00', 'every', 'water'), b: sample('12:10', 'left', 'clean') },
      'Grounded',
    ],
    [
      'water at every drain, then all of them clean one by one',
      {
        a: sample('12:00', 'every', 'water'),
        b: sample('12:10', 'left', 'clean'),
        c: sample('12:11', 'right', 'clean'),
        d: sample('12:12', 'strainer', 'clean'),
      },
      'Released',
    ],
    [
      'water at a drain that nobody named',
      { a: sample('12:00', 'left', 'clean'), b: sample('12:10', null, 'water') },
      'Grounded',
    ],
    [
      'a clean one at a drain that nobody named, after water',
      { a: sample('12:00', 'left', 'water'), b: sample('12:10', null, 'clean') },
      'Grounded',
    ],
    [
      'two of one moment that differ',
      { a: sample('12:00', 'left', 'clean'), b: sample('12:00', 'left', 'dirt') },
      'Grounded',
    ],
    [
      'two of one moment that differ, the other way round',
      { b: sample('12:00', 'left', 'clean'), a: sample('12:00', 'left', 'dirt') },
      'Grounded',
    ],
  ] as const)('%s', (_, samples, verdict) => {
    expect(quality(samples)).toBe(verdict);
  });
  const flight = {
    starts: '2026-11-24T14:00:00Z',
    ends: '2026-11-24T15:00:00Z',
    airborne: 0.8,
    purpose: 'private-rental',
    crew: 'rated-pilot',
    rules: 'vfr',
    range: 'local',
    transponderAirspace: false,
    adsbAirspace: false,
    beyondGlideOverWater: false,
    passengers: false,
  };
  const asked = (samples: Change, change: Change = {}) =>
    decideBy(['fuel-samples', 'approved-uses'], { ramp: { samples, ...change }, flight }).flight?.own.map(
      ({ reason }) =>
        reason.code === 'sample-needed' ? `${reason.because} ${reason.drain ?? '-'}` : reason.code,
    );
  it.each([
    ['every drain at once', { a: sample('12:00', 'every', 'clean') }, {}, []],
    [
      'one by one',
      {
        a: sample('12:00', 'left', 'clean'),
        b: sample('12:01', 'right', 'clean'),
        c: sample('12:02', 'strainer', 'clean'),
      },
      {},
      [],
    ],
    [
      'one left out',
      { a: sample('12:00', 'left', 'clean'), b: sample('12:01', 'right', 'clean') },
      {},
      ['not-every-drain strainer'],
    ],
    [
      'one before the fuelling',
      {
        a: sample('12:00', 'left', 'clean'),
        b: sample('12:10', 'right', 'clean'),
        c: sample('12:11', 'strainer', 'clean'),
      },
      {
        uplifts: {
          u: { ...at('12:05'), what: 'fuel', added: { amount: 5, unit: 'US gal' }, grade: 'leaded' },
        },
      },
      ['fuelled-since left'],
    ],
    ['of a drain that nobody named', { a: sample('12:00', null, 'clean') }, {}, ['not-every-drain left']],
  ] as const)('before a flight: %s', (_, samples, change, expected) => {
    expect(asked(samples, change)).toEqual(expected);
  });
  it('of an aircraft whose drains are not on record only a sample of every drain is enough', () => {
    const unknown = (samples: Change) =>
      decideBy(['fuel-samples', 'approved-uses'], {
        aircraft: { fuel: { drains: null } },
        ramp: { samples },
        flight,
      }).flight?.own.length;
    expect([
      unknown({ a: sample('12:00', 'every', 'clean') }),
      unknown({ a: sample('12:00', 'left', 'clean'), b: sample('12:00', 'right', 'clean') }),
    ]).toEqual([0, 1]);
  });
});

// Common practice, no source.
describe('suspect fuel', () => {
  it.each(['wrong-colour', 'wrong-smell'])('%s is not cured by draining again', (result) => {
    expect(quality({ a: sample('12:00', 'left', result), b: sample('12:10', 'left', 'clean') })).toBe(
      'Grounded',
    );
    expect(
      quality({
        a: { ...(sample('12:00', 'left', result) as Change), cleared },
        b: sample('12:55', 'left', 'clean'),
      }),
    ).toBe('Released');
    expect(quality({ a: { ...(sample('12:00', 'left', result) as Change), cleared } })).toBe('Grounded');
  });
  it.each([
    ['pilot', 'Grounded'],
    ['student-pilot', 'Grounded'],
    ['repair-station', 'Released'],
  ] as const)('dealt with by a %s: %s', (kind, verdict) => {
    expect(
      quality({
        a: {
          ...(sample('12:00', 'left', 'wrong-smell') as Change),
          cleared: { ...cleared, by: certificate(kind) },
        },
        b: sample('12:55', 'left', 'clean'),
      }),
    ).toBe(verdict);
  });
  it('dealt with on a day before it was found counts as not', () => {
    expect(
      quality({
        a: {
          ...(sample('12:00', 'left', 'wrong-smell') as Change),
          cleared: { ...cleared, on: '2026-11-23' },
        },
        b: sample('12:55', 'left', 'clean'),
      }),
    ).toBe('Grounded');
  });
  const wet = (...drains: readonly string[]): Change =>
    Object.fromEntries([
      ...drains.map((drain, place) => [`w${place}`, sample(`12:0${place}`, drain, 'water')] as const),
      ['z', sample('12:30', 'every', 'clean')] as const,
    ]);
  it.each([
    [['left', 'left'], 'Released'],
    [['left', 'left', 'left'], 'Grounded'],
    [['left', 'right', 'strainer'], 'Released'],
    [['every', 'left', 'left'], 'Grounded'],
  ] as const)('water at %j and then clean: %s', (drains, verdict) => {
    expect(quality(wet(...drains))).toBe(verdict);
  });
  const fuelled = (grade: string | null, change: Change = {}) =>
    quality(
      { a: sample('12:30', 'every', 'clean') },
      {
        ramp: {
          samples: { a: sample('12:30', 'every', 'clean') },
          uplifts: {
            u: {
              ...at('12:05'),
              what: 'fuel',
              added: { amount: 5, unit: 'US gal' },
              ...(grade === null ? {} : { grade }),
            },
          },
        },
        ...change,
      },
    );
  it.each([
    ['leaded', 'Released'],
    ['unleaded', 'Released'],
    ['jet', 'Grounded'],
    [null, 'Grounded'],
  ] as const)('fuelled with %s where leaded and unleaded are approved: %s', (grade, verdict) => {
    expect(fuelled(grade)).toBe(verdict);
  });
  it.each([
    ['leaded', 'Grounded'],
    [null, 'Released'],
  ] as const)('fuelled with %s where nobody knows what it may have: %s', (grade, verdict) => {
    expect(fuelled(grade, { aircraft: { fuel: { grades: null } } })).toBe(verdict);
  });
});

// The aircraft's own documents; common practice, no source.
describe('quantities that cannot be, or may not be', () => {
  const flight = (gallons: number): Change => ({
    flight: {
      starts: '2026-11-24T14:00:00Z',
      ends: '2026-11-24T14:30:00Z',
      airborne: 0.3,
      purpose: 'private-rental',
      crew: 'rated-pilot',
      rules: 'vfr',
      range: 'local',
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlideOverWater: false,
      passengers: false,
      fuelAboard: { amount: gallons, unit: 'US gal' },
    },
  });
  const own = (gallons: number) =>
    decideBy(['fuel-for-flight', 'approved-uses'], flight(gallons)).flight?.own.map(
      ({ reason }) => reason.code,
    );
  it.each([
    [36, []],
    [36.1, ['fuel-over-tanks']],
    [8, []],
    [3.9, ['fuel-below-minimum', 'fuel-short']],
  ] as const)('%s gallons planned, of 36 that the tanks hold, at least 4: %j', (gallons, expected) => {
    expect(own(gallons)).toEqual(expected);
  });
  const dipped = (gallons: number) =>
    decideBy(['fuel-for-flight', 'approved-uses'], {
      ...flight(20),
      ramp: {
        measurements: {
          l: { ...at('12:00'), quantity: 'fuel-dip', which: 'left', value: gallons, unit: 'US gal' },
          r: { ...at('12:00'), quantity: 'fuel-dip', which: 'right', value: 9, unit: 'US gal' },
        },
      },
    }).flight?.own.map(({ reason }) => reason.code);
  it.each([
    [18, []],
    [18.1, ['fuel-dip-over-tank']],
    [180, ['fuel-dip-over-tank']],
  ] as const)('%s gallons dipped in a tank of 18: %j', (gallons, expected) => {
    expect(dipped(gallons)).toEqual(expected);
  });
  const oil = (added: number, seen = 7) =>
    decideBy(['measured-limits', 'approved-uses'], {
      ramp: {
        measurements: { o: { ...at('12:00'), quantity: 'oil', value: seen, unit: 'US qt' } },
        uplifts: { u: { ...at('12:10'), what: 'oil', added: { amount: added, unit: 'US qt' } } },
      },
    });
  it('oil added over the maximum: drain it', () => {
    expect([oil(1).verdict, oil(1.1).verdict]).toEqual(['Released', 'Grounded']);
    expect(oil(1.1).constraints.flatMap(({ remedies }) => remedies.map(({ act }) => act))).toEqual([
      'remove-oil',
    ]);
  });
  it('of two measurements of one moment the one outside counts, whatever their ids', () => {
    const two = (first: string, second: string) =>
      decideBy(['measured-limits', 'approved-uses'], {
        ramp: {
          measurements: {
            [first]: { ...at('12:00'), quantity: 'oil', value: 6, unit: 'US qt' },
            [second]: { ...at('12:00'), quantity: 'oil', value: 3, unit: 'US qt' },
          },
        },
      }).verdict;
    expect([two('a', 'b'), two('b', 'a')]).toEqual(['Grounded', 'Grounded']);
  });
});

// Common practice, no source: nothing can have happened after it was written down.
describe('records that contradict themselves', () => {
  const written = (change: Change): Change => ({ recordedAt: '2026-11-20T20:00:00Z', ...change });
  const signed = certificate('repair-station');
  it.each([
    [
      'a flight back before it left',
      {
        flightsOut: {
          f: {
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:01:00Z',
            returned: { recordedAt: '2026-11-20T13:00:00Z', at: '2026-11-20T11:59:00Z' },
          },
        },
      },
    ],
    [
      'a flight back in the future',
      {
        flightsOut: {
          f: {
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:01:00Z',
            returned: { recordedAt: '2026-11-20T13:00:00Z', at: '2026-11-20T13:01:00Z' },
          },
        },
      },
    ],
    [
      'an ELT removed after it was entered',
      {
        elts: {
          l: {
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:01:00Z',
            state: 'removed-for-repair',
            removedOn: '2026-11-21',
            removalEntered: true,
            removalPlacarded: true,
          },
        },
      },
    ],
    ['loading data dated after they were seen', { documents: { loading: { datedOn: '2026-11-21' } } }],
    [
      'an inspection done after it was written down',
      {
        inspections: {
          i: written({
            kind: 'annual',
            completedOn: '2026-11-21',
            timeInService: 4150,
            outcome: 'approved',
            signedBy: signed,
          }),
        },
      },
    ],
    [
      'a list cleared before the inspection',
      {
        inspections: {
          i: written({
            kind: 'annual',
            completedOn: '2026-11-20',
            timeInService: 4150,
            outcome: 'discrepancies-listed',
            signedBy: signed,
            listCleared: { on: '2026-11-19', by: signed },
          }),
        },
      },
    ],
    [
      'an item done after it was written down',
      {
        items: {
          i: {
            recordedAt: '2026-01-01T00:00:00Z',
            name: 'Hose',
            kind: 'service',
            until: '2030-01-01',
            done: { d: written({ completedOn: '2026-11-21', signedBy: signed }) },
          },
        },
      },
    ],
    [
      'a note corrected before it was found',
      {
        discrepancies: {
          d: {
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:05:00Z',
            what: 'Scratch',
            classification: 'note',
            rectification: written({
              work: 'repaired',
              description: 'Polished',
              completedOn: '2026-11-19',
              signedBy: signed,
            }),
          },
        },
      },
    ],
    [
      'work done after it was written down',
      {
        work: {
          w: written({
            completedOn: '2026-11-21',
            description: 'Oil',
            signedBy: signed,
            mayChangeFlight: false,
            flightControls: false,
            staticOpened: false,
            altitudeReportingTouched: false,
            weightChanged: false,
          }),
        },
      },
    ],
    [
      'a permit that ends before it begins',
      { permits: { p: written({ validFrom: '2026-11-21', validUntil: '2026-11-20' }) } },
    ],
    [
      'a crack repaired, in writing, an hour before it was found',
      {
        discrepancies: {
          d: {
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:05:00Z',
            what: 'Crack',
            classification: 'ground-until-mechanic',
            rectification: {
              recordedAt: '2026-11-20T11:00:00Z',
              work: 'repaired',
              description: 'Drilled',
              completedOn: '2026-11-20',
              signedBy: signed,
            },
          },
        },
      },
    ],
    [
      'a lamp deferred, in writing, before it was found',
      {
        discrepancies: {
          d: {
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:05:00Z',
            what: 'Lamp',
            classification: 'deferral-path',
            equipment: ['landing-light'],
            deferral: {
              recordedAt: '2026-11-20T11:00:00Z',
              deferredOn: '2026-11-20',
              action: 'deactivated',
              placarded: true,
              entered: true,
              noHazard: signed,
            },
          },
        },
      },
    ],
    [
      'a smell dealt with, in writing, before anybody smelt it',
      {
        ramp: {
          samples: {
            s: {
              happenedAt: '2026-11-20T12:00:00Z',
              recordedAt: '2026-11-20T12:05:00Z',
              result: 'wrong-smell',
              drain: 'left',
              cleared: { recordedAt: '2026-11-20T11:00:00Z', on: '2026-11-20', by: signed },
            },
          },
        },
      },
    ],
    [
      'a restriction taken back before it was made',
      {
        dispatchRestrictions: {
          r: {
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:01:00Z',
            by: 'M. Castellane',
            why: 'Wind',
            withdrawn: { recordedAt: '2026-11-20T11:00:00Z' },
          },
        },
      },
    ],
    [
      'a restriction over before it was made',
      {
        dispatchRestrictions: {
          r: {
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:01:00Z',
            by: 'M. Castellane',
            why: 'Wind',
            until: '2026-11-20T11:59:00Z',
          },
        },
      },
    ],
    [
      'a database over before it took effect',
      {
        databases: {
          n: {
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:10:00Z',
            content: 'navigation',
            effectiveOn: '2026-10-29',
            lastDay: '2026-10-28',
          },
        },
      },
    ],
    [
      'required work certified before the release that asks for it',
      {
        releases: {
          r: written({
            issuedOn: '2026-11-10',
            required: {
              h: {
                what: 'Hose',
                by: '2027-01-31',
                certified: { recordedAt: '2026-11-10T10:00:00Z', on: '2026-11-09', by: signed },
              },
            },
          }),
        },
      },
    ],
    [
      'a stretch of fuel that runs backwards',
      { fuelStretches: { s: written({ from: 10, to: 9, grade: 'leaded' }) } },
    ],
  ] as const)('%s', (_, change) => {
    expect(codes(decideClean(change as unknown as Change))).toEqual(
      expect.arrayContaining(['record-contradicts-itself']),
    );
  });
  it('at the same moment nothing contradicts', () => {
    const found = { happenedAt: '2026-11-20T12:00:00Z', recordedAt: '2026-11-20T12:00:00Z' };
    expect(
      codes(
        decideClean({
          discrepancies: {
            d: {
              ...found,
              what: 'Crack',
              classification: 'ground-until-mechanic',
              rectification: {
                recordedAt: '2026-11-20T12:00:00Z',
                work: 'repaired',
                description: 'Drilled',
                completedOn: '2026-11-20',
                signedBy: signed,
              },
            },
          },
          dispatchRestrictions: {
            r: { ...found, by: 'M. Castellane', why: 'Wind', until: '2026-11-20T12:00:00Z' },
            w: {
              ...found,
              by: 'M. Castellane',
              why: 'Wind',
              withdrawn: { recordedAt: '2026-11-20T12:00:00Z' },
            },
          },
          databases: {
            n: { ...found, content: 'terrain', effectiveOn: '2026-10-29', lastDay: '2026-10-29' },
          },
        }),
      ),
    ).toEqual([]);
  });
  it('in order none is told', () => {
    expect(
      codes(
        decideClean({
          flightsOut: {
            f: {
              happenedAt: '2026-11-20T12:00:00Z',
              recordedAt: '2026-11-20T12:01:00Z',
              returned: { recordedAt: '2026-11-20T13:00:00Z', at: '2026-11-20T13:00:00Z' },
            },
          },
        }),
      ),
    ).toEqual([]);
  });
});

// Common practice, no source: hours that nobody read were flown anyway.
describe('a flight whose meters nobody read', () => {
  const back = (change: Change = {}): Change => ({
    meterReadings: { today: { value: 4206 } },
    flightsOut: {
      f: {
        happenedAt: '2026-11-24T09:00:00Z',
        recordedAt: '2026-11-24T09:01:00Z',
        returned: { recordedAt: '2026-11-24T12:01:00Z', at: '2026-11-24T12:00:00Z' },
        ...change,
      },
    },
  });
  it.each([
    ['counts with its planned time: still below 4208.7', { airborne: 2.6 }, 'Released'],
    ['counts with its planned time: 4208.7', { airborne: 2.7 }, 'Grounded'],
    ['without a plan counts from leaving to coming back', {}, 'Grounded'],
  ] as const)('%s', (_, change, verdict) => {
    expect(decideClean(back(change)).verdict).toBe(verdict);
  });
  it('counts by what the meter shows once somebody has read it', () => {
    const read = {
      meterReadings: {
        later: {
          meter: 'time-in-service',
          happenedAt: '2026-11-24T12:00:00Z',
          recordedAt: '2026-11-24T12:30:00Z',
          value: 4207,
        },
      },
    };
    expect(
      decideClean({
        ...back(),
        meterReadings: { ...(back()['meterReadings'] as Change), ...read.meterReadings },
      }).verdict,
    ).toBe('Released');
  });
  it('is told, also where it closes nothing', () => {
    expect(decideClean(back({ airborne: 2.6 })).notices.map(({ reason }) => reason.code)).toEqual([
      'flight-not-read',
    ]);
    expect(decideClean().notices).toEqual([]);
  });
  it('reading them is a remedy', () => {
    expect(
      decideClean(back()).constraints.flatMap(({ remedies }) => remedies.map(({ act }) => act)),
    ).toContain('record-meter-reading');
  });
});
