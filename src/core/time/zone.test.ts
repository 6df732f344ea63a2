import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, it } from 'vitest';
import { addDays, civilDate } from './civil-date';
import { addSeconds, instant, instantFromMilliseconds, instantText, parseInstant } from './instant';
import {
  civilDateAt,
  endOfDay,
  hoursFromTheSun,
  momentsAt,
  parseZone,
  startOfDay,
  wallClock,
  zone,
} from './zone';

const HALIFAX = zone('America/Halifax');
const HOUR = 3600;

/** As the library reads it, within the years that we take. */
function byLibrary(text: string): number | undefined {
  try {
    const found = Temporal.Instant.from(text).epochMilliseconds;
    return found >= Date.UTC(1900, 0, 1) && found < Date.UTC(2200, 0, 1) ? found : undefined;
  } catch {
    return undefined;
  }
}

describe('moments', () => {
  it.each(['2026-11-24T09:42:00Z', '2026-11-24T05:42:00-04:00', '2026-11-24T09:42Z'])('reads %s', (text) => {
    expect(parseInstant(text)).toBe(Date.UTC(2026, 10, 24, 9, 42));
  });
  it.each([
    '2026-11-24T09:42:00',
    '2026-11-24',
    'now',
    '',
    '1899-12-31T23:59:59Z',
    '2200-01-01T00:00:00Z',
    '2026-02-30T00:00:00Z',
  ])('refuses %j', (text) => {
    expect(parseInstant(text)).toBeUndefined();
    expect(() => instant(text)).toThrow('is no moment');
  });
  it('reads the usual form, which takes a way of its own, as the library does: leap days, midnights and seconds that do not exist', () => {
    const two = fc.integer({ min: 0, max: 61 }).map((n) => String(n).padStart(2, '0'));
    const day = fc.integer({ min: 0, max: 32 }).map((n) => String(n).padStart(2, '0'));
    const year = fc.integer({ min: 1895, max: 2205 });
    const parts = fc.constantFrom('', '.000', '.999', '.5', '.123456');
    fc.assert(
      fc.property(
        year,
        fc.integer({ min: 0, max: 13 }).map((n) => String(n).padStart(2, '0')),
        day,
        two,
        two,
        two,
        parts,
        (y, month, d, h, m, s, part) => {
          const text = `${y}-${month}-${d}T${h}:${m}:${s}${part}Z`;
          expect(parseInstant(text)).toBe(byLibrary(text));
        },
      ),
      { numRuns: 3000 },
    );
    expect(parseInstant('2028-02-29T23:59:59Z')).toBe(Date.UTC(2028, 1, 29, 23, 59, 59));
    expect(parseInstant('2027-02-29T23:59:59Z')).toBeUndefined();
    expect(parseInstant('2026-11-24T24:00:00Z')).toBeUndefined();
  });
  it('reads from the first moment of 1900 to the last of 2199', () => {
    expect([parseInstant('1900-01-01T00:00:00Z'), parseInstant('2199-12-31T23:59:59.999Z')]).toEqual([
      Date.UTC(1900, 0, 1),
      Date.UTC(2200, 0, 1) - 1,
    ]);
  });
  it('adds seconds, also parts of one and backwards', () => {
    const at = instant('2026-11-24T09:42:00Z');
    expect([addSeconds(at, 90), addSeconds(at, -0.5)].map(instantText)).toEqual([
      '2026-11-24T09:43:30Z',
      '2026-11-24T09:41:59.5Z',
    ]);
  });
  it('rounds parts of a millisecond down, before 1970 too', () => {
    expect([instantFromMilliseconds(1.9), instantFromMilliseconds(-1.1)]).toEqual([1, -2]);
  });
  it('writes what it reads', () => {
    expect(instantText(instant('2026-11-24T09:42:00Z'))).toBe('2026-11-24T09:42:00Z');
  });
  it('refuses what is no moment', () => {
    expect(() => instantFromMilliseconds(Number.NaN)).toThrow('is no moment');
  });
});

describe('zones', () => {
  it.each(['America/Halifax', 'Australia/Sydney', 'UTC', 'America/Argentina/Buenos_Aires'])(
    'knows %s',
    (name) => {
      expect(parseZone(name)).toBe(name);
    },
  );
  it.each(['Mars/Olympus', '+03:00', '', 'america halifax', 'UTC+1', ' UTC', 'UTC ', '[UTC]'])(
    'refuses %j',
    (name) => {
      expect(parseZone(name)).toBeUndefined();
      expect(() => zone(name)).toThrow('is no time zone');
    },
  );

  it('ends a day at local midnight, whatever zone the machine runs in', () => {
    expect(instantText(endOfDay(civilDate('2026-10-31'), HALIFAX))).toBe('2026-11-01T03:00:00Z');
    expect(instantText(endOfDay(civilDate('2026-10-31'), zone('Australia/Sydney')))).toBe(
      '2026-10-31T13:00:00Z',
    );
    expect(civilDateAt(instant('2026-11-01T02:59:59Z'), HALIFAX)).toBe('2026-10-31');
    expect(civilDateAt(instant('2026-11-01T03:00:00Z'), HALIFAX)).toBe('2026-11-01');
  });

  it('knows the day also before 1973, when some offsets were no quarters of an hour', () => {
    // Liberia's clocks stood 44 minutes and 30 seconds behind until 7 January 1972 (the IANA time zone database).
    const monrovia = zone('Africa/Monrovia');
    const midnight = instant('1970-06-01T00:44:30Z');
    expect([civilDateAt(addSeconds(midnight, -1), monrovia), civilDateAt(midnight, monrovia)]).toEqual([
      '1970-05-31',
      '1970-06-01',
    ]);
    expect([
      civilDateAt(instant('1973-01-01T00:00:00Z'), monrovia),
      civilDateAt(instant('1972-12-31T23:59:59Z'), monrovia),
    ]).toEqual(['1973-01-01', '1972-12-31']);
    expect(endOfDay(civilDate('1970-05-31'), monrovia)).toBe(midnight);
  });

  it('has days of 23, 24 and 25 hours over the time changes', () => {
    const length = (date: string) =>
      (endOfDay(civilDate(date), HALIFAX) - startOfDay(civilDate(date), HALIFAX)) / 1000 / HOUR;
    expect([length('2026-03-08'), length('2026-06-01'), length('2026-11-01')]).toEqual([23, 24, 25]);
  });

  it('starts a day without midnight at its first moment', () => {
    // Beirut skipped midnight on 31 March 2024 (the IANA time zone database).
    expect(wallClock(startOfDay(civilDate('2024-03-31'), zone('Asia/Beirut')), zone('Asia/Beirut'))).toEqual({
      date: '2024-03-31',
      hour: 1,
      minute: 0,
    });
  });

  it('remembers only what is so: every day of thirty years, a second either side of midnight', () => {
    for (const name of ['America/Halifax', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'Pacific/Apia']) {
      for (let day = civilDate('1998-01-01'), days = 0; days < 30 * 365; day = addDays(day, 17), days += 17) {
        const start = startOfDay(day, zone(name));
        expect([
          name,
          civilDateAt(start, zone(name)),
          civilDateAt(addSeconds(start, -1), zone(name)) < day,
        ]).toEqual([name, wallClock(start, zone(name)).date, true]);
      }
    }
  });

  it('cuts seconds off the clock', () => {
    expect(wallClock(addSeconds(instant('2026-11-24T13:42:00Z'), 59), HALIFAX)).toEqual({
      date: '2026-11-24',
      hour: 9,
      minute: 42,
    });
  });
});

describe('the moments of a time on the wall clock', () => {
  it.each([
    ['a plain one', '2026-11-24', '09:42', ['2026-11-24T13:42:00Z']],
    ['one that comes twice', '2026-11-01', '01:30', ['2026-11-01T04:30:00Z', '2026-11-01T05:30:00Z']],
    ['the first that comes once again', '2026-11-01', '02:00', ['2026-11-01T06:00:00Z']],
    ['one that is left out', '2026-03-08', '02:30', []],
    ['the first after it', '2026-03-08', '03:00', ['2026-03-08T06:00:00Z']],
    ['midnight', '2026-11-24', '00:00', ['2026-11-24T04:00:00Z']],
    ['no time', '2026-11-24', '24:00', []],
    ['words', '2026-11-24', 'noon', []],
    ['one digit', '2026-11-24', '9:42', []],
  ])('%s', (_, date, clock, expected) => {
    expect(momentsAt(civilDate(date), clock, HALIFAX).map(instantText)).toEqual(expected);
  });
});

describe('a zone and a longitude', () => {
  // Zones from the time zone database; longitudes of places, in whole degrees and from memory. Kashgar, Kiritimati and Attu are the farthest that anybody lives from their clock.
  it.each([
    ['America/Halifax', -64, 0.3],
    ['Europe/Berlin', 13, 0.1],
    ['Europe/Madrid', -9, 1.6],
    ['Australia/Sydney', 151, 0.1],
    ['America/Argentina/Buenos_Aires', -70, 1.7],
    ['Asia/Shanghai', 76, 2.9],
    ['Pacific/Kiritimati', -157, 0.5],
    ['America/Adak', 173, 2.5],
    ['Pacific/Auckland', 175, 0.3],
    ['Pacific/Apia', -172, 0.5],
  ] as const)('%s is where longitude %d is, %d hours from the sun', (name, longitude, apart) => {
    expect(hoursFromTheSun(zone(name), longitude)).toBeCloseTo(apart, 1);
  });
  // The commonest mistake: west written without its sign.
  it.each([
    ['America/Halifax', 64],
    ['Australia/Sydney', -151],
    ['Europe/London', 150],
    ['America/Denver', 105],
  ] as const)('%s is not where longitude %d is', (name, longitude) => {
    expect(hoursFromTheSun(zone(name), longitude)).toBeGreaterThan(3.5);
  });
});
