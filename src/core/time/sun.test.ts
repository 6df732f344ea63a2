import { Body, Equator, Horizon, Observer, SearchAltitude, SearchRiseSet } from 'astronomy-engine';
import { NOAACalculator, GeoLocation } from '@hebcal/noaa';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, it } from 'vitest';
import { addDays, civilDate } from './civil-date';
import { instant, type Instant } from './instant';
import { hourOfDay, lightTouched, sunOn, type Light, type Place } from './sun';
import { startOfDay, zone } from './zone';

const HALIFAX: Place = {
  name: 'Tern Bay',
  latitude: 44.53,
  longitude: -64.02,
  zone: zone('America/Halifax'),
};
const BARROW: Place = {
  name: 'far north',
  latitude: 71.29,
  longitude: -156.79,
  zone: zone('America/Anchorage'),
};
const MINUTE = 60_000;

describe('the sun', () => {
  it('agrees with an independent library within two minutes below 60 degrees', () => {
    // Reference: astronomy-engine, another algorithm (VSOP87), here over 30 years and both hemispheres.
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 10_950 }),
        fc.integer({ min: -58, max: 58 }),
        (days, latitude) => {
          const place: Place = { name: 'somewhere', latitude, longitude: -64, zone: zone('America/Halifax') };
          const date = addDays(civilDate('2010-01-01'), days);
          const { dawn, sunrise, sunset, nightfall } = sunOn(date, place);
          const observer = new Observer(latitude, -64, 0);
          const midnight = new Date(startOfDay(date, place.zone));
          const near = (ours: Instant | null, theirs: { date: Date } | null) => {
            expect(Math.abs((ours ?? Number.NaN) - (theirs?.date.valueOf() ?? 0))).toBeLessThan(2 * MINUTE);
          };
          near(sunrise, SearchRiseSet(Body.Sun, observer, +1, midnight, 2));
          near(sunset, SearchRiseSet(Body.Sun, observer, -1, midnight, 2));
          near(dawn, SearchAltitude(Body.Sun, observer, +1, midnight, 2, -6));
          near(nightfall, SearchAltitude(Body.Sun, observer, -1, midnight, 2, -6));
        },
      ),
      { numRuns: 150 },
    );
  });

  it('agrees with a second independent library within two minutes below 58 degrees', () => {
    // Reference: the NOAA calculator as @hebcal/noaa has it, a third algorithm.
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 7300 }), fc.integer({ min: -57, max: 57 }), (days, latitude) => {
        const place: Place = { name: 'somewhere', latitude, longitude: -64, zone: zone('America/Halifax') };
        const date = addDays(civilDate('2012-01-01'), days);
        const ours = sunOn(date, place);
        const theirs = new NOAACalculator(
          new GeoLocation('somewhere', latitude, -64, 0, 'America/Halifax'),
          Temporal.PlainDate.from(date),
        );
        for (const [a, b] of [
          [ours.sunrise, theirs.getSunrise()],
          [ours.sunset, theirs.getSunset()],
          [ours.dawn, theirs.getBeginCivilTwilight()],
          [ours.nightfall, theirs.getEndCivilTwilight()],
        ] as const) {
          expect(Math.abs((a ?? Number.NaN) - (b?.epochMilliseconds ?? 0))).toBeLessThan(2 * MINUTE);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('answers null where the sun does not come or does not go', () => {
    expect(sunOn(civilDate('2025-06-21'), BARROW)).toMatchObject({ sunrise: null, sunset: null });
    expect(sunOn(civilDate('2025-12-21'), BARROW)).toMatchObject({ sunrise: null, sunset: null });
    expect(sunOn(civilDate('2025-12-21'), BARROW).dawn).not.toBeNull();
  });
});

describe('an hour of the day, for drawing', () => {
  it('is counted from local midnight', () => {
    expect(hourOfDay(civilDate('2026-11-24'), 9.5, HALIFAX)).toBe(instant('2026-11-24T09:30:00-04:00'));
  });
});

/** The height of the sun's centre, degrees, as an independent library has it: astronomy-engine's horizontal coordinates. */
function heightAt(place: Place, at: number): number {
  const observer = new Observer(place.latitude, place.longitude, 0);
  const { ra, dec } = Equator(Body.Sun, new Date(at), observer, true, true);
  return Horizon(new Date(at), observer, ra, dec).altitude;
}
const lightAt = (height: number): Light => (height > -0.833 ? 'day' : height > -6 ? 'dusk' : 'night');

describe('the light that a flight touches', () => {
  it.each([
    ['by day', ['sunset', -120], ['sunset', -60], ['day']],
    ['ends exactly at sunset', ['sunset', -60], ['sunset', 0], ['day']],
    ['ends a millisecond after sunset', ['sunset', -60], ['sunset', 1 / MINUTE], ['day', 'dusk']],
    ['starts exactly at sunset', ['sunset', 0], ['sunset', 5], ['dusk']],
    ['from day into night', ['sunset', -10], ['nightfall', 10], ['day', 'dusk', 'night']],
    ['ends exactly at nightfall', ['sunset', 5], ['nightfall', 0], ['dusk']],
    ['by night', ['nightfall', 30], ['nightfall', 90], ['night']],
    ['from night into the morning', ['dawn', -10], ['sunrise', 10], ['day', 'dusk', 'night']],
    ['starts exactly at sunrise', ['sunrise', 0], ['sunrise', 5], ['day']],
    ['ends exactly at sunrise', ['sunrise', -5], ['sunrise', 0], ['dusk']],
    ['before dawn', ['dawn', -60], ['dawn', 0], ['night']],
    ['over midnight', ['nightfall', 60], ['nightfall', 10 * 60], ['night']],
    ['over midnight into the morning', ['nightfall', 60], ['nightfall', 14 * 60], ['dusk', 'night']],
    ['round the clock', ['dawn', -10], ['dawn', 24 * 60], ['day', 'dusk', 'night']],
    ['from one noon to the next', ['sunset', -4 * 60], ['sunset', 20 * 60], ['day', 'dusk', 'night']],
  ] as const)('%s', (_, from, to, expected) => {
    const sun = sunOn(civilDate('2026-11-24'), HALIFAX);
    const at = ([moment, minutes]: readonly ['dawn' | 'sunrise' | 'sunset' | 'nightfall', number]) =>
      ((sun[moment] ?? Number.NaN) + minutes * MINUTE) as Instant;
    expect(lightTouched(at(from), at(to), HALIFAX)).toEqual(expected);
  });

  it('is never less than the sun’s height says around the first and last night of the far north and south', () => {
    // Reference: astronomy-engine. On these days some of the sun's moments are missing, and what is left does not tell the light between them.
    let looked = 0;
    for (const latitude of [62, 66.5, 72, 78, -67.5]) {
      const place: Place = { name: 'far', latitude, longitude: 25, zone: zone('Europe/Tallinn') };
      const missing = (day: number) => {
        const { dawn, sunrise, sunset, nightfall } = sunOn(addDays(civilDate('2026-01-01'), day), place);
        return [dawn, sunrise, sunset, nightfall].map((one) => one === null).join();
      };
      for (let day = 0; day < 366; day += 1) {
        if (missing(day - 1) === missing(day) && missing(day) === missing(day + 1)) continue;
        const start = startOfDay(addDays(civilDate('2026-01-01'), day), place.zone);
        for (let minute = 0; minute < 24 * 60; minute += 15) {
          const height = heightAt(place, start + minute * MINUTE);
          if (Math.abs(height + 0.833) < 1 || Math.abs(height + 6) < 1) continue;
          looked += 1;
          const touched = lightTouched(
            (start + minute * MINUTE) as Instant,
            (start + (minute + 1) * MINUTE) as Instant,
            place,
          );
          expect([latitude, day, minute, touched.includes(lightAt(height))]).toEqual([
            latitude,
            day,
            minute,
            true,
          ]);
          // Nor more than what is within two degrees.
          for (const value of touched)
            expect([
              latitude,
              day,
              minute,
              value,
              lightAt(height - 2) === value || lightAt(height + 2) === value,
            ]).toEqual([latitude, day, minute, value, true]);
        }
      }
    }
    expect(looked).toBeGreaterThan(1000);
  });

  it('is what the sun’s height says minute by minute, in another library, in the north, the south and beyond the polar circle', () => {
    // Reference: astronomy-engine's horizontal coordinates. A height near an edge may count either way: the edges are good to two minutes.
    const places: readonly Place[] = [
      HALIFAX,
      { name: 'south', latitude: -33.9, longitude: 151.2, zone: zone('Australia/Sydney') },
      BARROW,
      { name: 'circle', latitude: 66.5, longitude: 25, zone: zone('Europe/Helsinki') },
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...places),
        fc.integer({ min: 0, max: 2 * 365 * 24 * 60 }),
        fc.integer({ min: 1, max: 600 }),
        (place, minute, lasts) => {
          const start = instant('2026-01-01T00:00:00Z') + minute * MINUTE;
          const touched = lightTouched(start as Instant, (start + lasts * MINUTE) as Instant, place);
          const heights = Array.from({ length: Math.ceil(lasts / 4) + 1 }, (_, at) =>
            heightAt(place, start + Math.min(at * 4, lasts) * MINUTE),
          );
          const polar = Math.abs(place.latitude) > 60;
          const margin = polar ? 1 : 0.5;
          // Never less than what is met …
          for (const height of heights)
            if (Math.abs(height + 0.833) > margin && Math.abs(height + 6) > margin)
              expect([
                place.name,
                new Date(start).toISOString(),
                lasts,
                touched.includes(lightAt(height)),
              ]).toEqual([place.name, new Date(start).toISOString(), lasts, true]);
          // … and where the sun rises and sets every day, no more.
          if (!polar)
            for (const value of touched)
              expect(
                heights.some(
                  (height) => lightAt(height - margin) === value || lightAt(height + margin) === value,
                ),
              ).toBe(true);
        },
      ),
      { numRuns: 600 },
    );
  });

  it('does not take a dawn after the sunset of its own day: on 3 August 2026 at the polar circle the library answers one', () => {
    const circle: Place = { name: 'circle', latitude: 66.5, longitude: 25, zone: zone('Europe/Riga') };
    expect(sunOn(civilDate('2026-08-03'), circle).dawn).toBeNull();
    expect(lightTouched(instant('2026-08-04T18:00:00Z'), instant('2026-08-04T18:30:00Z'), circle)).toEqual([
      'day',
    ]);
  });
  it.each([
    ['under the midnight sun', '2025-06-21T10:00:00Z', '2025-06-21T11:00:00Z', ['day']],
    [
      'in the polar night at noon, which has its twilight',
      '2025-12-21T22:20:00Z',
      '2025-12-21T22:40:00Z',
      ['dusk'],
    ],
    ['in the polar night at midnight', '2025-12-21T10:00:00Z', '2025-12-21T11:00:00Z', ['night']],
    ['from that night into its twilight', '2025-12-21T19:00:00Z', '2025-12-21T22:30:00Z', ['dusk', 'night']],
  ] as const)('%s', (_, from, to, expected) => {
    expect(lightTouched(instant(from), instant(to), BARROW)).toEqual(expected);
  });
});

describe('a flight that is said to last for years', () => {
  // Looking at each of its days would take minutes.
  it.each([
    ['in the middle latitudes', 44.53],
    ['beyond the polar circle', 78.2],
  ] as const)('touches every light there is, %s', (_, latitude) => {
    expect(
      lightTouched(instant('2026-11-24T14:00:00Z'), instant('2199-12-31T23:59:59Z'), {
        name: 'X',
        latitude,
        longitude: -64,
        zone: zone('America/Halifax'),
      }),
    ).toEqual(['day', 'dusk', 'night']);
  });
});
