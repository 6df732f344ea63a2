import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy, missed, said } from '@/testing/clean-case';
import { ramp, dip, seen, sample, oil, back } from '@/testing/rules/ramp';
import type { Row } from '@/testing/rules/row';

const gauge = (left: number) => ({
  gl: { ...seen('24T12:31'), quantity: 'fuel-gauge', which: 'left', value: left, unit: 'US gal' },
});
const OIL = { quantity: 'oil', unit: 'US qt', min: 4, remedy: 'top-up' };
const limits = (measured: Json) => ({ aircraft: { measured: [OIL, measured] } });
const strut = (value: number, time = '24T12:30') => ({
  st: { ...seen(time), quantity: 'strut', which: 'left', value, unit: 'in' },
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
