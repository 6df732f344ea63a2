import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimalHours, hours, hoursFromSeconds } from '../quantities/hours';
import { compareOut, doubtsAtCheckIn, windowAtCheckIn } from './readings';
import { likelyIntended, readingOf } from './slips';

const DIAL = 'block';

describe('what was meant', () => {
  const window = { from: hours('4150.3'), to: hours('4152.5') };
  it.each([
    ['two digits swapped', '4511.8', ['4151.8'], 'transposed'],
    ['the point left out', '41518', ['4151.8', '4151'], 'point-left-out'],
    ['the point a place too far right', '41518.', ['4151.8'], 'point-misplaced'],
    ['the point a place too far left', '415.18', ['4151.8', '4151.18', '4152.18'], 'point-misplaced'],
    ['the point left out before hundredths', '415180', ['4151.80'], 'point-left-out'],
    ['a digit left out', '451.8', ['4151.8'], 'digit-left-out'],
    ['a digit doubled', '44151.8', ['4151.8'], 'digit-doubled'],
    ['a digit mistaken', '4051.8', ['4151.8'], 'digit-mistaken'],
  ] as const)('%s: %s', (_, typed, meant, slip) => {
    const found = likelyIntended(typed, 'h', window, hours('4151.5'));
    expect([found.map(({ text }) => text), found[0]?.slip]).toEqual([meant, slip]);
  });
  it('nothing is offered for what makes sense, at either end', () => {
    expect(
      ['4150.3', '4151.0', '4152.5'].flatMap((typed) => likelyIntended(typed, 'h', window, hours('4151'))),
    ).toEqual([]);
  });
  it('of equal slips the nearer comes first, and of equally near ones the lower; three at most', () => {
    expect(
      likelyIntended('100', 'count', { from: 101, to: 109 }, 108).map(({ value, slip }) => [value, slip]),
    ).toEqual([
      [108, 'digit-mistaken'],
      [107, 'digit-mistaken'],
      [109, 'digit-mistaken'],
    ]);
    expect(
      likelyIntended('1299', 'count', { from: 129, to: 299 }, 129).map(({ value, slip }) => [value, slip]),
    ).toEqual([
      [129, 'digit-doubled'],
      [199, 'digit-doubled'],
      [299, 'digit-doubled'],
    ]);
  });
  it('a likelier slip comes before a nearer value', () => {
    expect(
      likelyIntended('1920', 'count', { from: 1200, to: 1300 }, 1220).map(({ value, slip }) => [value, slip]),
    ).toEqual([
      [1290, 'transposed'],
      [1220, 'digit-mistaken'],
    ]);
  });
  it.each([
    ['0', 0],
    ['1234567', 1_234_567],
    ['12345678', undefined],
    ['12x', undefined],
    ['x12', undefined],
    ['1.5', undefined],
    ['', undefined],
  ] as const)('a count of %j', (text, value) => {
    expect(readingOf(text, 'count')).toBe(value);
  });
  it('nor for what no single slip explains', () => {
    expect(likelyIntended('9999.9', 'h', window, hours('4151'))).toEqual([]);
  });
  it('counts slip too', () => {
    expect(
      likelyIntended('1920', 'count', { from: 1290, to: 1298 }, 1293).map(({ value, slip }) => [value, slip]),
    ).toEqual([[1290, 'transposed']]);
  });
  it('finds what was meant after any one slip, unless the slip itself makes sense', () => {
    const digit = fc.integer({ min: 0, max: 9 });
    fc.assert(
      fc.property(
        fc.integer({ min: 10_000, max: 90_000 }),
        fc.integer({ min: 0, max: 50 }),
        fc.nat(20),
        digit,
        fc.constantFrom('swap', 'drop', 'double', 'mistake', 'point'),
        (tenths, added, where, other, slip) => {
          const meant = decimalHours(hoursFromSeconds((tenths + added) * 360), 1, 'down');
          const at = where % (meant.length - 3);
          const typed =
            slip === 'swap'
              ? meant.slice(0, at) + meant.charAt(at + 1) + meant.charAt(at) + meant.slice(at + 2)
              : slip === 'drop'
                ? meant.slice(0, at) + meant.slice(at + 1)
                : slip === 'double'
                  ? meant.slice(0, at + 1) + meant.slice(at)
                  : slip === 'mistake'
                    ? meant.slice(0, at) + String(other) + meant.slice(at + 1)
                    : meant.replace('.', '');
          const range = { from: tenths * 360, to: (tenths + 50) * 360 };
          const value = readingOf(typed, 'h');
          if (value !== undefined && value >= range.from && value <= range.to) return;
          const found = likelyIntended(typed, 'h', range, (tenths + added) * 360);
          expect([typed, found.length > 0]).toEqual([typed, true]);
          // Where more than three values are a slip away, the nearest three are offered; near is what was meant, so it is among them.
          const slipsAway = found.filter(({ slip: kind }) => kind === found.at(-1)?.slip);
          expect([
            typed,
            meant,
            found.some(({ value: offered }) => offered === (tenths + added) * 360) || slipsAway.length > 1,
          ]).toEqual([typed, meant, true]);
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe('at check-out', () => {
  it.each([
    ['never read', null, '100', { kind: 'first' }],
    ['where the last flight ended', '100', '100', { kind: 'same' }],
    [
      'half an hour more: somebody flew',
      '100',
      '100.5',
      { kind: 'gap', stretch: { dial: DIAL, from: hours('100'), to: hours('100.5'), length: hours('0.5') } },
    ],
    ['a hundredth less', '100', '99.99', { kind: 'below', last: hours('100'), by: hours('0.01') }],
  ] as const)('%s', (_, last, read, answer) => {
    expect(compareOut(DIAL, last === null ? null : hours(last), hours(read))).toEqual(answer);
  });
});

describe('at check-in', () => {
  const read = (dial: 'flight' | 'block' | 'landings', added: number) => ({
    dial,
    unit: dial === 'landings' ? ('count' as const) : ('h' as const),
    out: 360_000,
    read: 360_000 + added,
  });
  const HOUR = 3600;
  const ratio = [{ dial: 'flight', other: 'block', least: 0.7, most: 1 }];
  it.each([
    ['an hour by clock and meter', [read('flight', HOUR)], HOUR, []],
    ['a tenth more than the clock', [read('flight', HOUR + 360)], HOUR, []],
    ['a second more than that', [read('flight', HOUR + 361)], HOUR, ['more-than-elapsed']],
    ['backwards', [read('flight', -1)], HOUR, ['backwards']],
    ['the usual share', [read('flight', 3000), read('block', HOUR)], HOUR, []],
    ['hardly any of it', [read('flight', 1000), read('block', HOUR)], HOUR, ['unusual-ratio']],
    ['more than the other', [read('flight', HOUR + 361), read('block', HOUR)], 2 * HOUR, ['unusual-ratio']],
    ['too short to tell', [read('flight', 0), read('block', 1079)], HOUR, []],
    ['thirty landings in an hour', [read('landings', 30)], HOUR, []],
    ['thirty-one', [read('landings', 31)], HOUR, []],
    ['thirty-two', [read('landings', 32)], HOUR, ['too-many']],
    // 3600 * 0.7 - 360 = 2160; 3600 * 1 + 360 = 3960.
    ['the least of the usual share', [read('flight', 2160), read('block', HOUR)], HOUR, []],
    ['a second less', [read('flight', 2159), read('block', HOUR)], HOUR, ['unusual-ratio']],
    ['the most of it', [read('flight', 3960), read('block', HOUR)], 2 * HOUR, []],
    ['a second more', [read('flight', 3961), read('block', HOUR)], 2 * HOUR, ['unusual-ratio']],
    ['just long enough to tell', [read('flight', 0), read('block', 1080)], HOUR, ['unusual-ratio']],
    ['a second too short', [read('flight', 0), read('block', 1079)], HOUR, []],
    ['one of two dials alone', [read('flight', 1000)], HOUR, []],
    ['the other alone', [read('block', HOUR)], HOUR, []],
  ] as const)('%s', (_, readings, elapsed, kinds) => {
    expect(doubtsAtCheckIn(readings, elapsed, ratio).map(({ kind }) => kind)).toEqual(kinds);
  });
  it('the most that is usual may be less than the whole', () => {
    // 3600 * 0.9 + 360 = 3600.
    const kindsOf = (added: number) =>
      doubtsAtCheckIn([read('flight', added), read('block', HOUR)], HOUR, [
        { dial: 'flight', other: 'block', least: 0.7, most: 0.9 },
      ]).map(({ kind }) => kind);
    expect([kindsOf(3600), kindsOf(3601)]).toEqual([[], ['unusual-ratio']]);
  });
  it('what makes sense lies between the reading at check-out and what the clock allows', () => {
    expect([windowAtCheckIn('h', hours('100'), HOUR), windowAtCheckIn('count', 1000, HOUR)]).toEqual([
      { from: hours('100'), to: hours('101.1') },
      { from: 1000, to: 1031 },
    ]);
  });
});
