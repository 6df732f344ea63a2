import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy, missed, said } from '@/testing/clean-case';

type Change = { readonly [key: string]: Json };
/** What is changed of the clean trainer, what is then in force (see said()), and which facts were missed. */
type Row = readonly [string, Change, readonly string[], (readonly string[])?];

const seen = (time: string) => ({ happenedAt: `2026-11-${time}:00Z`, recordedAt: `2026-11-${time}:30Z` });
const oil = (value: number, time = '24T12:30') => ({
  oil: { ...seen(time), quantity: 'oil', value, unit: 'US qt' },
});
const dip = (left: number, right = 12, time = '24T12:30') => ({
  left: { ...seen(time), quantity: 'fuel-dip', which: 'left', value: left, unit: 'US gal' },
  right: { ...seen(time), quantity: 'fuel-dip', which: 'right', value: right, unit: 'US gal' },
});
const gauge = (left: number) => ({
  gl: { ...seen('24T12:31'), quantity: 'fuel-gauge', which: 'left', value: left, unit: 'US gal' },
});
const clean = { s: { ...seen('24T12:40'), result: 'clean', drain: 'every' } };
const ramp = (measurements: Json, more: Change = {}) => ({ ramp: { measurements, samples: clean, ...more } });
const back = (time: string) => ({
  flightsOut: {
    f: {
      ...seen('24T12:00'),
      by: 'Rosa Dane',
      returned: { recordedAt: `2026-11-${time}:30Z`, at: `2026-11-${time}:00Z` },
    },
  },
});
const lesson = {
  starts: '2026-11-24T14:00:00Z',
  ends: '2026-11-24T15:30:00Z',
  airborne: 1,
  purpose: 'instruction-school-aircraft',
  crew: 'dual',
  rules: 'vfr',
  range: 'local',
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
};
const flight = (change: Change = {}) => ({ flight: { ...lesson, ...change } });
const OIL = { quantity: 'oil', unit: 'US qt', min: 4, remedy: 'top-up' };
const limits = (measured: Json) => ({ aircraft: { measured: [OIL, measured] } });
const strut = (value: number, time = '24T12:30') => ({
  st: { ...seen(time), quantity: 'strut', which: 'left', value, unit: 'in' },
});
const sample = (change: Change) => ({
  ramp: {
    measurements: { ...oil(6), ...dip(12) },
    samples: { s: { ...seen('24T12:40'), result: 'clean', drain: 'every', ...change } },
  },
});
const fuelled = (time: string, what = 'fuel') => ({
  u: { ...seen(time), what, added: { amount: 5, unit: 'US gal' } },
});
const policy = (parameters: Change) => ({ packs: [{ id: 'us-part91' }, { id: 'club-policy', parameters }] });
const gone = (change: Change = {}) => ({
  elts: {
    elt: {
      ...seen('01T12:00'),
      state: 'removed-for-repair',
      removedOn: '2026-10-25',
      removalEntered: true,
      removalPlacarded: true,
      batteryReplaceBy: null,
      usedMinutes: null,
      ...change,
    },
  },
});
const either = (change: Change = {}) => ({
  aircraft: { approvedFor: 'all', ifrNavigation: 'either' },
  ...flight({ rules: 'ifr', ...change }),
});

describe('what was measured', () => {
  it.each<Row>([
    ['no walk-round', { ramp: null }, []],
    [
      'nothing measured',
      ramp({}),
      ['oil..3785411784000.7570823568000: not-measured?! [] measure(oil)'],
      ['ramp.measurements (oil)'],
    ],
    [
      'how much oil it needs is not on record',
      { ...ramp(oil(6)), aircraft: { measured: [] } },
      ['oil-limits: particular-unknown? [] record-particulars(oil-limits)'],
      ['aircraft.measured (oil)'],
    ],
    [
      'oil limits that do not say before every flight',
      { ...ramp({}), aircraft: { measured: [OIL] } },
      ['oil..3785411784000.: not-measured?! [] measure(oil)'],
      ['ramp.measurements (oil)'],
    ],
    [
      'the same of a glider of which nobody said that it has an engine',
      { ...ramp({}), aircraft: { category: 'glider', engine: null, measured: [] } },
      [],
    ],
    [
      'the same of a glider with an engine',
      { ...ramp({}), aircraft: { category: 'glider', measured: [] } },
      ['oil-limits: particular-unknown? [] record-particulars(oil-limits)'],
      ['aircraft.measured (oil)'],
    ],
    ['the same without an engine', { ...ramp({}), aircraft: { engine: 'none', measured: [] } }, []],
    ['oil in order', ramp(oil(6)), []],
    [
      'too little oil',
      ramp(oil(3.9)),
      ['oil..3785411784000.7570823568000: measured-outside! [oil] add-oil(oil)'],
    ],
    [
      'too much oil',
      ramp(oil(8.1)),
      ['oil..3785411784000.7570823568000: measured-outside! [oil] remove-oil(oil)'],
    ],
    ['the least oil', ramp(oil(4)), []],
    ['the most oil', ramp(oil(8)), []],
    [
      'a strut too low',
      ramp({ ...oil(6), ...strut(3.9) }),
      ['strut.left.101600.127000: measured-outside~ [st] service-measured-item(strut left)'],
    ],
    ['a strut in order', ramp({ ...oil(6), ...strut(5) }), []],
    [
      'yesterday’s oil',
      ramp(oil(6, '23T12:30')),
      ['oil..3785411784000.7570823568000.day: not-measured?! [oil] measure(oil)'],
    ],
    [
      'oil from before the last flight',
      { ...ramp(oil(6, '24T12:10')), ...back('24T12:20') },
      ['oil..3785411784000.7570823568000: not-measured?! [] measure(oil)'],
      ['ramp.measurements (oil)'],
    ],
    ['oil from the moment of return', { ...ramp(oil(6, '24T12:20')), ...back('24T12:20') }, []],
    ['oil from after it', { ...ramp(oil(6, '24T12:21')), ...back('24T12:20') }, []],
    [
      'a strut from before the last flight still counts',
      { ...ramp({ ...oil(6), ...strut(3.9, '24T12:10') }), ...back('24T12:20') },
      ['strut.left.101600.127000: measured-outside~ [st] service-measured-item(strut left)'],
    ],
    [
      'ignition just too far apart',
      ramp({
        ...oil(6),
        i: { ...seen('24T12:30'), quantity: 'ignition-difference', value: 125, unit: 'rpm' },
      }),
      ['ignition-difference...125: measured-outside~ [i] service-measured-item(ignition-difference)'],
    ],
    [
      'ignition near enough',
      ramp({
        ...oil(6),
        i: { ...seen('24T12:30'), quantity: 'ignition-difference', value: 124, unit: 'rpm' },
      }),
      [],
    ],
    [
      'fuel below what the handbook wants',
      {
        ...ramp({ ...oil(6), ...dip(3) }),
        ...limits({ quantity: 'fuel-dip', which: 'left', unit: 'US gal', min: 4, remedy: 'top-up' }),
      },
      ['fuel-dip.left.15141647136000.: measured-outside! [left] add-fuel(fuel-dip left)'],
    ],
    [
      'a volt too few',
      {
        ...ramp({ ...oil(6), v: { ...seen('24T12:30'), quantity: 'battery', value: 11.9, unit: 'V' } }),
        ...limits({ quantity: 'battery', unit: 'V', min: 12, remedy: 'service', everyFlight: true }),
      },
      ['battery..12000.: measured-outside! [v] service-measured-item(battery)'],
    ],
    [
      'a volt few for some uses',
      {
        ...ramp({ ...oil(6), v: { ...seen('24T12:30'), quantity: 'battery', value: 11.9, unit: 'V' } }),
        ...limits({
          quantity: 'battery',
          unit: 'V',
          min: 12,
          remedy: 'service',
          uses: [{ light: ['night'] }],
        }),
      },
      ['battery..12000.: measured-outside! 2016 [v] service-measured-item(battery)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['measured-limits'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('clean fuel', () => {
  it.each<Row>([
    ['clean', sample({}), []],
    [
      'water',
      sample({ result: 'water' }),
      ['clean: sample-not-clean! [s] sample-fuel or repair-and-return-to-service(fuel)'],
    ],
    [
      'nobody said',
      sample({ result: null }),
      ['clean: sample-not-clean?! [s] sample-fuel or repair-and-return-to-service(fuel)'],
    ],
    ['no sample', ramp({}, { samples: null }), []],
    ['no walk-round', { ramp: null }, []],
    [
      'clean again',
      {
        ramp: {
          samples: {
            a: { ...seen('24T12:20'), result: 'water' },
            b: { ...seen('24T12:40'), result: 'clean', drain: 'every' },
          },
        },
      },
      [],
    ],
    [
      'clean, then water',
      {
        ramp: {
          samples: {
            a: { ...seen('24T12:50'), result: 'water' },
            b: { ...seen('24T12:40'), result: 'clean', drain: 'every' },
          },
        },
      },
      ['clean: sample-not-clean! [a] sample-fuel or repair-and-return-to-service(fuel)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['fuel-quality'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('gauge and dip', () => {
  it.each<Row>([
    ['no walk-round', { ramp: null }, []],
    ['they agree', ramp({ ...dip(12), ...gauge(12) }), []],
    ['a gallon apart', ramp({ ...dip(12), ...gauge(13) }), []],
    [
      'more than a gallon apart',
      ramp({ ...dip(12), ...gauge(13.001) }),
      ['left: gauge-differs! [gl,left] measure(fuel left) or repair-and-return-to-service(gauge left)'],
    ],
    [
      'less by more than a gallon',
      ramp({ ...dip(12), ...gauge(10.9) }),
      ['left: gauge-differs! [gl,left] measure(fuel left) or repair-and-return-to-service(gauge left)'],
    ],
    ['a gauge alone', ramp(gauge(3)), []],
    ['a dip alone', ramp(dip(3)), []],
    ['no tanks on record', { ...ramp({ ...dip(12), ...gauge(3) }), aircraft: { fuel: null } }, []],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['gauge-and-dip'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the least fuel', () => {
  it.each<Row>([
    ['no walk-round', { ramp: null }, []],
    ['enough', ramp(dip(2, 2)), []],
    ['a hair too little', ramp(dip(2, 1.999)), ['minimum: fuel-below-minimum! [left,right] add-fuel']],
    ['no minimum', { ...ramp(dip(0, 0)), aircraft: { fuel: { minimum: null } } }, []],
    ['no fuel figures', { ...ramp(dip(0, 0)), aircraft: { fuel: null } }, []],
    ['one tank not dipped', ramp({ left: dip(1).left }), []],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['fuel-for-flight'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('fuel for a flight', () => {
  it.each<Row>([
    ['nothing asked', { ramp: null, ...flight() }, []],
    ['just enough', { ...ramp(dip(6.6, 6)), ...flight() }, []],
    [
      'a hair too little',
      { ...ramp(dip(6.599, 6)), ...flight() },
      ['short: fuel-short! 1 [left,right] add-fuel or change-flight'],
    ],
    [
      'more in a tank than it holds',
      { ...ramp(dip(20, 6)), ...flight({ ends: '2026-11-24T17:30:00Z', airborne: 2.36 }) },
      [
        'dip.left: fuel-dip-over-tank?! 1 [left] measure(fuel-dip left)',
        'short: fuel-short! 1 [left,right] add-fuel or change-flight',
      ],
    ],
    [
      'planned enough, nobody looked',
      { ramp: null, ...flight({ fuelAboard: { amount: 12.6, unit: 'US gal' } }) },
      [],
    ],
    [
      'planned too little',
      { ramp: null, ...flight({ fuelAboard: { amount: 12.5, unit: 'US gal' } }) },
      ['short: fuel-short! 1 [] add-fuel or change-flight'],
    ],
    [
      'planned more than there is',
      { ...ramp(dip(6, 6)), ...flight({ fuelAboard: { amount: 30, unit: 'US gal' } }) },
      ['short: fuel-short! 1 [left,right] add-fuel or change-flight'],
    ],
    [
      'planned less than there is',
      { ...ramp(dip(18, 18)), ...flight({ fuelAboard: { amount: 12, unit: 'US gal' } }) },
      ['short: fuel-short! 1 [left,right] add-fuel or change-flight'],
    ],
    ['not dipped', { ...ramp({}), ...flight() }, ['aboard: fuel-aboard-unknown?! 1 [] measure(fuel-dip)']],
    [
      'one tank not dipped',
      { ...ramp({ left: dip(18).left }), ...flight() },
      ['aboard: fuel-aboard-unknown?! 1 [] measure(fuel-dip)'],
    ],
    [
      'fuelled since',
      { ...ramp(dip(12), { uplifts: fuelled('24T12:31') }), ...flight() },
      ['aboard: fuel-aboard-unknown?! 1 [] measure(fuel-dip)'],
    ],
    [
      'fuelled at the same moment',
      { ...ramp(dip(12), { uplifts: fuelled('24T12:30') }), ...flight() },
      ['aboard: fuel-aboard-unknown?! 1 [] measure(fuel-dip)'],
    ],
    ['fuelled before', { ...ramp(dip(12), { uplifts: fuelled('24T12:29') }), ...flight() }, []],
    ['oil put in since', { ...ramp(dip(12), { uplifts: fuelled('24T12:31', 'oil') }), ...flight() }, []],
    [
      'flown since',
      { ...ramp(dip(12)), ...back('24T12:31'), ...flight() },
      ['aboard: fuel-aboard-unknown?! 1 [] measure(fuel-dip)'],
    ],
    ['back before', { ...ramp(dip(12)), ...back('24T12:30'), ...flight() }, []],
    [
      'burn unknown',
      { ...ramp(dip(12)), aircraft: { fuel: { burnPerHour: null } }, ...flight() },
      ['burn: fuel-burn-unknown? 1 [] record-particulars(fuel)'],
    ],
    [
      'no fuel figures',
      { ...ramp(dip(12)), aircraft: { fuel: null }, ...flight() },
      ['burn: fuel-burn-unknown? 1 [] record-particulars(fuel)'],
    ],
    ['a glider', { ...ramp(dip(0, 0)), aircraft: { category: 'glider' }, ...flight() }, []],
    ['no engine', { ...ramp(dip(0, 0)), aircraft: { engine: 'none' }, ...flight() }, []],
    [
      'rules unsaid: the alternate too',
      { ...ramp(dip(18, 18)), aircraft: { approvedFor: 'all' }, ...flight({ rules: null }) },
      ['alternate: flight-leaves-open?! 2 [] state-for-flight(toAlternate)'],
    ],
    [
      'by instruments to the alternate',
      {
        ...ramp(dip(9, 9.47)),
        aircraft: { approvedFor: 'all' },
        ...flight({ rules: 'ifr', alternateMinutes: 27 }),
      },
      ['short: fuel-short! 1 [left,right] add-fuel or change-flight'],
    ],
    [
      'by instruments, enough',
      {
        ...ramp(dip(9, 9.48)),
        aircraft: { approvedFor: 'all' },
        ...flight({ rules: 'ifr', alternateMinutes: 27 }),
      },
      [],
    ],
    [
      'australian',
      { packs: [{ id: 'au-maintenance-release' }], ...ramp(dip(6, 6)), ...flight() },
      ['short: fuel-short! 1 [left,right] add-fuel or change-flight'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['fuel-for-flight'], change);
    expect([said({ constraints: decision.flight?.own ?? [] }), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the club’s reserve', () => {
  it.each<Row>([
    ['the usual one is the regulation’s', { ...ramp(dip(6, 6)), ...flight() }, []],
    [
      'an hour by day',
      { ...policy({ reserveDay: 60 }), ...ramp(dip(8.4, 8.399)), ...flight() },
      ['short: fuel-short! 1 [left,right] add-fuel or change-flight'],
    ],
    ['an hour by day, enough', { ...policy({ reserveDay: 60 }), ...ramp(dip(8.4, 8.4)), ...flight() }, []],
    ['more by night alone', { ...policy({ reserveNight: 90 }), ...ramp(dip(6.6, 6)), ...flight() }, []],
    [
      'more by night, at night',
      {
        ...policy({ reserveNight: 90 }),
        ...ramp(dip(10, 10)),
        ...flight({ starts: '2026-11-24T23:00:00Z', ends: '2026-11-25T00:30:00Z' }),
      },
      ['short: fuel-short! 1 [left,right] add-fuel or change-flight'],
    ],
    [
      'more by instruments',
      {
        ...policy({ reserveIfr: 90 }),
        aircraft: { approvedFor: 'all' },
        ...ramp(dip(10, 10)),
        ...flight({ rules: 'ifr', alternateMinutes: 0 }),
      },
      ['short: fuel-short! 1 [left,right] add-fuel or change-flight'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['club-fuel-reserve'], change);
    expect([said({ constraints: decision.flight?.own ?? [] }), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('samples for a flight', () => {
  it.each<Row>([
    ['nothing asked', { ramp: null, ...flight() }, []],
    ['of today', { ...sample({}), ...flight() }, []],
    ['none', { ...ramp({}, { samples: null }), ...flight() }, ['sample: sample-needed! 1 [] sample-fuel']],
    ['dirty', { ...sample({ result: 'dirt' }), ...flight() }, ['sample: sample-needed! 1 [] sample-fuel']],
    [
      'not of every drain',
      { ...sample({ drain: 'left' }), ...flight() },
      ['sample: sample-needed! 1 [] sample-fuel'],
    ],
    [
      'a clean one before a dirty one',
      {
        ramp: {
          samples: {
            a: { ...seen('24T12:20'), result: 'clean', drain: 'every' },
            b: { ...seen('24T12:40'), result: 'water', drain: 'every' },
          },
        },
        ...flight(),
      },
      [],
    ],
    [
      'fuelled since',
      { ...ramp({}, { uplifts: fuelled('24T12:41') }), ...flight() },
      ['sample: sample-needed! 1 [] sample-fuel'],
    ],
    [
      'fuelled at the same moment',
      { ...ramp({}, { uplifts: fuelled('24T12:40') }), ...flight() },
      ['sample: sample-needed! 1 [] sample-fuel'],
    ],
    ['fuelled before', { ...ramp({}, { uplifts: fuelled('24T12:39') }), ...flight() }, []],
    ['oil put in since', { ...ramp({}, { uplifts: fuelled('24T12:41', 'oil') }), ...flight() }, []],
    [
      'flown since',
      { ...sample({}), ...back('24T12:41'), ...flight() },
      ['sample: sample-needed! 1 [] sample-fuel'],
    ],
    ['back before', { ...sample({}), ...back('24T12:40'), ...flight() }, []],
    [
      'first of the day alone, flown since',
      {
        ...policy({ fuelSampling: 'first-of-day-and-after-fuelling' }),
        ...sample({}),
        ...back('24T12:41'),
        ...flight(),
      },
      [],
    ],
    ['of the first moment of the day', { ...sample(seen('24T04:00')), ...flight() }, []],
    [
      'of yesterday',
      { ...sample(seen('24T03:59')), ...flight() },
      ['sample: sample-needed! 1 [] sample-fuel'],
    ],
    [
      'of yesterday, only after fuelling',
      { ...policy({ fuelSampling: 'after-fuelling' }), ...sample(seen('23T12:00')), ...flight() },
      [],
    ],
    [
      'a glider of which nobody said that it has an engine',
      { ...ramp({}, { samples: null }), aircraft: { category: 'glider', engine: null }, ...flight() },
      [],
    ],
    [
      'a glider with an engine',
      { ...ramp({}, { samples: null }), aircraft: { category: 'glider' }, ...flight() },
      ['sample: sample-needed! 1 [] sample-fuel'],
    ],
    [
      'an aeroplane of which nobody said whether it has an engine',
      { ...ramp({}, { samples: null }), aircraft: { engine: null }, ...flight() },
      ['sample: sample-needed! 1 [] sample-fuel'],
    ],
    ['no engine', { ...ramp({}, { samples: null }), aircraft: { engine: 'none' }, ...flight() }, []],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['fuel-samples'], change);
    expect([said({ constraints: decision.flight?.own ?? [] }), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('a flight without the ELT', () => {
  it.each<Row>([
    ['fitted', flight(), []],
    ['removed in time', { ...gone(), ...flight() }, []],
    [
      'not fitted, far unsaid',
      { ...gone({ state: 'not-fitted' }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'not fitted, within 50',
      { ...gone({ state: 'not-fitted' }), ...flight({ trainingWithin50Miles: true }) },
      [],
    ],
    [
      'not fitted, further',
      { ...gone({ state: 'not-fitted' }), ...flight({ trainingWithin50Miles: false }) },
      ['distance: elt-not-fitted 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed too long ago',
      { ...gone({ removedOn: '2026-08-25' }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed, its last day over by the flight’s end',
      {
        ...gone({ removedOn: '2026-08-26' }),
        ...flight({ starts: '2026-11-25T03:00:00Z', ends: '2026-11-25T04:01:00Z' }),
      },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed, ending with its last day',
      {
        ...gone({ removedOn: '2026-08-26' }),
        ...flight({ starts: '2026-11-25T03:00:00Z', ends: '2026-11-25T04:00:00Z' }),
      },
      [],
    ],
    [
      'removed, not entered',
      { ...gone({ removalEntered: false }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed, not placarded',
      { ...gone({ removalPlacarded: null }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed, no day',
      { ...gone({ removedOn: null }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    ['a glider', { ...gone({ state: 'not-fitted' }), aircraft: { category: 'glider' }, ...flight() }, []],
    ['one seat', { ...gone({ state: 'not-fitted' }), aircraft: { seats: 1 }, ...flight() }, []],
    ['none on record', { elts: null, ...flight() }, [], ['elts']],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['elt'], change);
    expect([said({ constraints: decision.flight?.own ?? [] }), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('a flight and who has the aircraft', () => {
  it.each<Row>([
    ['here', flight(), []],
    [
      'out',
      { flightsOut: { f: { ...seen('24T12:00'), by: 'Rosa Dane' } }, ...flight() },
      ['out: aircraft-out 1 [f] record-return(f)'],
    ],
    [
      'two out',
      {
        flightsOut: {
          f: { ...seen('24T12:00'), by: 'Rosa Dane' },
          g: { ...seen('24T12:01'), by: 'Pia Okoro' },
        },
        ...flight(),
      },
      ['out: aircraft-out 1 [f] record-return(f)'],
    ],
    ['as many as there are seats', flight({ persons: 4 }), []],
    ['one more', flight({ persons: 5 }), ['seats: cap-passed! 1 [] change-flight(persons)']],
    [
      'seats unknown',
      { aircraft: { seats: null }, ...flight({ persons: 2 }) },
      ['seats: particular-unknown? 1 [] record-particulars(seats)'],
    ],
    ['nobody said how many', { aircraft: { seats: null }, ...flight() }, []],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['open-flights', 'approved-uses'], change);
    expect([said({ constraints: decision.flight?.own ?? [] }), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('what instruments rely on', () => {
  it.each<Row>([
    ['visual flight', { ...either({ rules: 'vfr' }) }, []],
    [
      'nobody said',
      either(),
      [
        'check: vor-check-unknown? 1 [] check-vor or state-for-flight(reliesOnVor)',
        'navigation: database-unknown? 1 [] update-database or state-for-flight(reliesOnDatabase)',
      ],
    ],
    [
      'on receivers alone',
      either({ reliesOnVor: true, reliesOnDatabase: false }),
      ['check: vor-check-unknown? 1 [] check-vor'],
    ],
    [
      'on the database alone',
      either({ reliesOnVor: false, reliesOnDatabase: true }),
      ['navigation: database-unknown? 1 [] update-database'],
    ],
    [
      'on neither',
      either({ reliesOnVor: false, reliesOnDatabase: false }),
      [
        'neither: flight-leaves-open?! 1 [] state-for-flight(reliesOnVor) or state-for-flight(reliesOnDatabase)',
        'neither: flight-leaves-open?! 1 [] state-for-flight(reliesOnVor) or state-for-flight(reliesOnDatabase)',
      ],
    ],
    [
      'receivers checked, over by the end',
      {
        ...either({
          reliesOnVor: true,
          reliesOnDatabase: false,
          starts: '2026-11-25T03:00:00Z',
          ends: '2026-11-25T04:01:00Z',
        }),
        vorChecks: {
          r: {
            happenedAt: '2026-10-25T12:00:00Z',
            recordedAt: '2026-10-25T12:05:00Z',
            method: 'dual',
            errorDegrees: 4,
            place: 'Tern Bay',
            signedBy: 'A. Verin',
          },
        },
      },
      ['check: vor-check-expires 1 [r] check-vor'],
    ],
    [
      'receivers checked, ending in time',
      {
        ...either({
          reliesOnVor: true,
          reliesOnDatabase: false,
          starts: '2026-11-25T03:00:00Z',
          ends: '2026-11-25T04:00:00Z',
        }),
        vorChecks: {
          r: {
            happenedAt: '2026-10-25T12:00:00Z',
            recordedAt: '2026-10-25T12:05:00Z',
            method: 'dual',
            errorDegrees: 4,
            place: 'Tern Bay',
            signedBy: 'A. Verin',
          },
        },
      },
      [],
    ],
    [
      'not by either',
      { ...either({ reliesOnVor: true }), aircraft: { approvedFor: 'all', ifrNavigation: 'vor-only' } },
      [],
      ['vorChecks'],
    ],
    [
      'a database that is not yet',
      {
        ...either({ reliesOnVor: false, reliesOnDatabase: true }),
        databases: { d: { ...seen('20T12:00'), content: 'navigation', effectiveOn: '2026-11-26' } },
      },
      ['not-yet: database-not-yet 1 [d] update-database'],
    ],
    [
      'obstacles are no navigation',
      {
        ...either({ reliesOnVor: false, reliesOnDatabase: true }),
        databases: { d: { ...seen('20T12:00'), content: 'obstacles', effectiveOn: '2026-10-29' } },
      },
      ['navigation: database-unknown? 1 [] update-database'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['vor-check', 'navigation-database'], change);
    expect([said({ constraints: decision.flight?.own ?? [] }), missed(decision)]).toEqual([lines, missing]);
  });
});
