import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { ramp, dip, seen, sample, back, flight } from '@/testing/rules/ramp';
import type { Row } from '@/testing/rules/row';

const fuelled = (time: string, what = 'fuel') => ({
  u: { ...seen(time), what, added: { amount: 5, unit: 'US gal' } },
});
const policy = (parameters: Change) => ({ packs: [{ id: 'us-part91' }, { id: 'club-policy', parameters }] });

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
