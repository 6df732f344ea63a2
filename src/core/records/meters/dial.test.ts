import { describe, expect, it } from 'vitest';
import { hours, hoursFromSeconds } from '../../quantities/hours';
import { instant } from '../../time/instant';
import { countsAfterExchange, countsAfterWrap, dialsInUse, runOverZero, valuesAt, type Dial } from './dial';

const dial = (id: string, change: Partial<Dial> = {}): Dial => ({
  id,
  happenedAt: instant('2026-01-01T00:00:00Z'),
  recordedAt: instant('2026-01-01T00:00:00Z'),
  name: 'Block meter',
  unit: 'h',
  counts: [{ meter: 'time-in-service', offset: 0 }],
  bills: true,
  wrapsAt: null,
  replaces: null,
  ...change,
});

describe('the dials in use', () => {
  const soon = instant('2026-02-01T00:00:00Z');
  const block = (id: string, change: Partial<Dial> = {}) =>
    dial(id, { counts: [{ meter: 'block', offset: 0 }], ...change });
  it.each<[string, readonly Dial[], readonly string[]]>([
    ['the one that inspections count on first', [block('a'), dial('b')], ['b', 'a']],
    ['however late it was put in', [block('a'), dial('b', { happenedAt: soon })], ['b', 'a']],
    [
      'one that counts towards more than inspections too',
      [block('a'), dial('b', { counts: [...block('c').counts, ...dial('d').counts] })],
      ['b', 'a'],
    ],
    ['then as they were put in', [block('a', { happenedAt: soon }), block('b')], ['b', 'a']],
    ['of one moment by id', [block('b'), block('a')], ['a', 'b']],
    [
      'without those whose place another took',
      [dial('a'), dial('b', { replaces: 'a' }), block('c')],
      ['b', 'c'],
    ],
    ['none', [], []],
  ])('%s', (_, dials, ids) => {
    expect(dialsInUse(dials).map(({ id }) => id)).toEqual(ids);
    expect(dialsInUse([...dials].reverse()).map(({ id }) => id)).toEqual(ids);
  });
  it('one part below zero is enough to say nothing', () => {
    const two = [
      { meter: 'time-in-service' as const, offset: 0 },
      { meter: 'engine' as const, offset: -hours('10') },
    ];
    expect([valuesAt({ counts: two }, hours('9')), valuesAt({ counts: two }, hours('10'))?.length]).toEqual([
      null,
      2,
    ]);
  });
  it('one that never starts again from zero ran backwards where it shows less', () => {
    expect(runOverZero({ wrapsAt: null }, 90, 10)).toBeNull();
    expect(runOverZero({ wrapsAt: 100 }, 90, 10)).toBe(20);
    expect(runOverZero({ wrapsAt: 100 }, 90, 90)).toBeNull();
    expect(runOverZero({ wrapsAt: 90 }, 90, 10)).toBeNull();
  });
});

describe('a dial', () => {
  // Common practice, no source: block 4749.5 and engine 1610.4 differ by 3139.1 h, which is an offset and no error.
  it('counts towards each part from a zero of its own', () => {
    const block = dial('block', {
      counts: [
        { meter: 'time-in-service', offset: 0 },
        { meter: 'engine', offset: -hours('3139.1') },
      ],
    });
    expect(valuesAt(block, hours('4749.5'))).toEqual([
      { meter: 'time-in-service', value: hours('4749.5') },
      { meter: 'engine', value: hours('1610.4') },
    ]);
  });
  it('that would take a part below zero says nothing', () => {
    const block = dial('block', { counts: [{ meter: 'engine', offset: -hours('3139.1') }] });
    expect([valuesAt(block, hours('3139.1')), valuesAt(block, hours('3139.09'))]).toEqual([
      [{ meter: 'engine', value: 0 }],
      null,
    ]);
  });
  it('exchanged, goes on from where the old one stood', () => {
    const counts = countsAfterExchange(
      dial('old', { counts: [{ meter: 'time-in-service', offset: hours('12.5') }] }),
      hours('4177.5'),
      hours('0.3'),
    );
    expect(valuesAt({ counts }, hours('0.3'))).toEqual([
      { meter: 'time-in-service', value: hours('4190.0') },
    ]);
    expect(valuesAt({ counts }, hours('1.5'))).toEqual([
      { meter: 'time-in-service', value: hours('4191.2') },
    ]);
  });
  const round = dial('four', { wrapsAt: hours('10000') });
  it.each([
    ['past its highest figure', '9999.8', '0.7', hoursFromSeconds(3240)],
    ['just less', '5000', '4999.9', hours('9999.9')],
    ['the same', '5000', '5000', null],
    ['more', '5000', '5000.1', null],
  ])('%s', (_, last, shown, run) => {
    expect(runOverZero(round, hours(last), hours(shown))).toBe(run);
  });
  it('without a highest figure never starts again', () => {
    expect([runOverZero(dial('long'), hours('9999.8'), hours('0.7')), countsAfterWrap(dial('long'))]).toEqual(
      [null, null],
    );
  });
  it('that showed more than it can has not started again', () => {
    expect(runOverZero(round, hours('10000'), hours('0.1'))).toBeNull();
  });
  it('after zero counts on top of a whole round', () => {
    const counts = countsAfterWrap({
      ...round,
      counts: [{ meter: 'time-in-service', offset: hours('100') }],
    });
    expect(valuesAt({ counts: counts ?? [] }, hours('0.7'))).toEqual([
      { meter: 'time-in-service', value: hours('10100.7') },
    ]);
  });
  it('is in use until another takes its place', () => {
    const later = instant('2026-02-01T00:00:00Z');
    expect(
      dialsInUse([dial('b', { replaces: 'a', happenedAt: later }), dial('a'), dial('c')]).map(({ id }) => id),
    ).toEqual(['c', 'b']);
  });
});
