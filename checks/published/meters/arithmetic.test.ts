import { describe, expect, it } from 'vitest';
import { boxAhead, withBoxes } from '@/core/records/meters/box-reading';
import { asksAtCheckIn, asksAtCheckOut, lastShown, unanswered } from '@/core/metering/desk';
import { carriedFrom } from '@/core/metering/carried';
import { compareOut } from '@/core/metering/readings';
import { likelyIntended, readingOf } from '@/core/metering/slips';
import { decimalHours, hours, hoursFromSeconds } from '@/core/quantities/hours';
import {
  countsAfterExchange,
  countsAfterWrap,
  runOverZero,
  valuesAt,
  type Dial,
} from '@/core/records/meters/dial';
import { oilPerHour } from '@/core/records/meters/oil-trend';
import { decimalVolume, volume } from '@/core/quantities/volume';
import { civilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import type { Standings } from '@/core/records/meters/meter-reading';
import { source } from './source';

const AT = 0 as Instant;
const dial = (counts: Dial['counts'], more: Partial<Dial> = {}): Dial => ({
  id: 'block',
  happenedAt: AT,
  recordedAt: AT,
  name: 'Block',
  unit: 'h',
  counts,
  bills: true,
  wrapsAt: null,
  replaces: null,
  ...more,
});
const known = (value: number) => ({ state: 'known' as const, value, from: 'r', readAt: AT });
const standings = (change: Partial<Standings>): Standings => ({
  'time-in-service': { state: 'unknown' },
  engine: { state: 'unknown' },
  propeller: { state: 'unknown' },
  block: { state: 'unknown' },
  landings: { state: 'unknown' },
  cycles: { state: 'unknown' },
  'tow-launches': { state: 'unknown' },
  ...change,
});
const h = (seconds: number) => decimalHours(hoursFromSeconds(seconds), 2, 'down');

describe(`${source.title}: two meters with zeros of their own`, () => {
  // By hand: 4749.5 - 1610.4 = 3139.1 h.
  const both = dial([
    { meter: 'block', offset: 0 },
    { meter: 'engine', offset: -hours('3139.1') },
  ]);
  it('4749.5 on the block meter and 1610.4 of the engine differ by 3139.1', () => {
    expect(valuesAt(both, hours('4749.5'))).toEqual([
      { meter: 'block', value: hours('4749.5') },
      { meter: 'engine', value: hours('1610.4') },
    ]);
  });
  it('a flight of 1.2 takes both on: 4750.7 and 1611.6', () => {
    expect(valuesAt(both, hours('4750.7'))?.map(({ value }) => h(value))).toEqual(['4750.70', '1611.60']);
  });
  it('shows what the part that has run furthest asks for', () => {
    expect(
      lastShown(both, standings({ block: known(hours('4749.5')), engine: known(hours('1610.6')) })),
    ).toBe(hours('4749.7'));
  });
  it('taken out at 4750.7 for a new one at 0.3, both go on: after 1.0 more the engine has 1612.6', () => {
    const fresh = dial(countsAfterExchange(both, hours('4750.7'), hours('0.3')));
    expect(valuesAt(fresh, hours('1.3'))?.map(({ value }) => h(value))).toEqual(['4751.70', '1612.60']);
  });
  it('of four digits and a tenth, past 9999.8 it ran 0.9 to 0.7, and the sum goes on', () => {
    const short = dial([{ meter: 'block', offset: 0 }], { wrapsAt: hours('10000') });
    expect(h(runOverZero(short, hours('9999.8'), hours('0.7')) ?? 0)).toBe('0.90');
    expect(
      valuesAt({ counts: countsAfterWrap(short) ?? [] }, hours('0.7'))?.map(({ value }) => h(value)),
    ).toEqual(['10000.70']);
  });
});

describe('time in service is not block time', () => {
  // Off blocks 10:00, airborne 10:12, touchdown 11:06, on blocks 11:12. By hand: 54 minutes in the air = 0.9 h; 72 minutes = 1.2 h.
  it('0.9 h count towards inspections, 1.2 h are billed', () => {
    expect([h(54 * 60), h(72 * 60)]).toEqual(['0.90', '1.20']);
  });
  it('two meters of that flight agree with each other and with the clock', () => {
    const dials = [
      {
        dial: dial([{ meter: 'time-in-service', offset: 0 }], { id: 'air' }),
        last: hours('1000'),
        disputed: null,
      },
      { dial: dial([{ meter: 'block', offset: 0 }]), last: hours('1200'), disputed: null },
    ];
    const usual = [{ dial: 'air', other: 'block', least: 0.7, most: 0.85 }];
    const read = (air: string, block: string) =>
      unanswered(
        asksAtCheckIn(
          dials,
          [
            { dial: 'air', shown: air },
            { dial: 'block', shown: block },
          ],
          72 * 60,
          usual,
        ),
        [],
      ).map(({ kind, dial: on }) => `${kind} ${on}`);
    expect(read('1000.9', '1201.2')).toEqual([]);
    // Swapped with each other they no longer do.
    expect(read('1001.2', '1200.9')).toEqual(['doubt air']);
    // More than the clock ran, by more than a tenth.
    expect(read('1000.9', '1201.4')).toEqual(['doubt block']);
  });
});

describe('the chain from closing to opening', () => {
  it.each([
    ['the same', '4177.5', 'same', 0],
    ['0.4 h that nobody wrote down', '4177.9', 'gap', 1440],
    ['less than before', '4171.5', 'below', 6 * 3600],
  ] as const)('4177.5 at the last return, and now %s', (_, now, kind, by) => {
    const out = compareOut('block', hours('4177.5'), hours(now));
    expect([out.kind, out.kind === 'gap' ? out.stretch.length : out.kind === 'below' ? out.by : 0]).toEqual([
      kind,
      by,
    ]);
  });
  it.each([
    // Each is one slip away from 4177.5, and none can be what the meter shows after a flight of at most an hour and a half.
    ['two digits swapped', '4717.5', '4177.5'],
    ['the point left out', '41775', '4177.5'],
    ['a digit left out', '477.5', '4177.5'],
    ['a digit twice', '41777.5', '4177.5'],
    ['one digit misread', '4117.5', '4177.5'],
  ])('%s: %s offers %s', (_, typed, meant) => {
    expect(
      likelyIntended(typed, 'h', { from: hours('4177.5'), to: hours('4179.0') }, hours('4177.5')).map(
        ({ text }) => text,
      ),
    ).toContain(meant);
  });
  it('a gap is asked before it is written, and a plain reading is not', () => {
    const state = [
      { dial: dial([{ meter: 'time-in-service', offset: 0 }]), last: hours('4177.5'), disputed: null },
    ];
    expect(asksAtCheckOut(state, [{ dial: 'block', shown: '4177.5' }])).toEqual([]);
    expect(asksAtCheckOut(state, [{ dial: 'block', shown: '4178.1' }])).toMatchObject([
      { kind: 'gap', length: readingOf('0.6', 'h') },
    ]);
  });
});

describe('a box beside the meters', () => {
  const box = (value: string) => [
    { id: 'b/1', box: 'b', happenedAt: AT, recordedAt: AT, value: hours(value) },
  ];
  const meters = standings({ 'time-in-service': known(hours('4177.5')) });
  it.each([
    ['less', '4176.0', '4177.50', null],
    ['the same', '4177.5', '4177.50', null],
    ['0.3 h more', '4177.8', '4177.80', '0.30'],
  ] as const)('that counted %s', (_, counted, stands, ahead) => {
    const all = withBoxes(meters, box(counted));
    const service = all['time-in-service'];
    expect([
      service.state === 'known' ? h(service.value) : '',
      boxAhead(all, meters) === null ? null : h(boxAhead(all, meters) ?? 0),
    ]).toEqual([stands, ahead]);
  });
  it('makes nothing known, and settles no contradiction', () => {
    const contradiction = {
      state: 'contradiction' as const,
      earlier: 'a',
      later: 'b',
      earlierValue: 2,
      laterValue: 1,
      highest: 2,
    };
    expect(withBoxes(standings({}), box('1'))['time-in-service']).toEqual({ state: 'unknown' });
    expect(withBoxes(standings({ 'time-in-service': contradiction }), box('9'))['time-in-service']).toEqual(
      contradiction,
    );
  });
});

describe('what a day leaves', () => {
  it('first readings of two days, 4177.5 and 4180.2: 2.7 h in three flights', () => {
    const flight = (out: string, back: string, landings: number) => ({
      readings: [{ values: [{ meter: 'time-in-service' as const, value: hours(out) }] }],
      returned: {
        readings: [{ values: [{ meter: 'time-in-service' as const, value: hours(back) }] }],
        landings,
        oilAdded: null,
      },
    });
    const { flown, landings } = carriedFrom(
      civilDate('2026-11-23'),
      [flight('4177.5', '4178.4', 1), flight('4178.4', '4179.4', 6), flight('4179.4', '4180.2', 2)],
      null,
    );
    expect([h(flown ?? 0), landings]).toEqual(['2.70', 9]);
  });
  it('a quart at 100, 110, 120, 130 and 140 h is a tenth of a quart an hour', () => {
    const added = [100, 110, 120, 130, 140].map((at, n) => ({
      id: String(n),
      happenedAt: AT,
      recordedAt: AT,
      what: 'oil' as const,
      added: volume('1', 'US qt'),
      grade: null,
      timeInService: at * 3600,
    }));
    const trend = oilPerHour(added);
    expect(trend === null ? null : decimalVolume(trend.perHour, 'US qt', 3, 'up')).toBe('0.100');
    expect(oilPerHour(added.slice(0, 3))).toBeNull();
  });
});
