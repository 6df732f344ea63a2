import { Body, Equator, Horizon, Observer, SearchAltitude, SearchRiseSet } from 'astronomy-engine';
import { NOAACalculator, GeoLocation } from '@hebcal/noaa';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, it } from 'vitest';
import { addDays, civilDate } from './civil-date';
import { instant, type Instant } from './instant';
import { lightTouched, sunOn, type Light, type Place } from './sun';
import { startOfDay, zone } from './zone';

const HALIFAX: Place = { name: 'Tern Bay', latitude: 44.53, longitude: -64.02, zone: zone('America/Halifax') };
const BARROW: Place = { name: 'far north', latitude: 71.29, longitude: -156.79, zone: zone('America/Anchorage') };
const MINUTE = 60_000;

describe('the sun', () => {
  it('agrees with an independent library within two minutes below 60 degrees', () => {
    // Reference: astronomy-engine, another algorithm (VSOP87), here over 30 years and both hemispheres.
    fc.assert(fc.property(fc.integer({ min: 0, max: 10_950 }), fc.integer({ min: -58, max: 58 }), (days, latitude) => {
      const place: Place = { name: 'somewhere', latitude, longitude: -64, zone: zone('America/Halifax') };
      const date = addDays(civilDate('2010-01-01'), days);
      const { dawn, sunrise, sunset, nightfall } = sunOn(date, place);
      const observer = new Observer(latitude, -64, 0);
      const midnight = new Date(startOfDay(date, place.zone));
      const near = (ours: Instant | null, theirs: { date: Date } | null) => { expect(Math.abs((ours ?? Number.NaN) - (theirs?.date.valueOf() ?? 0))).toBeLessThan(2 * MINUTE); };
      near(sunrise, SearchRiseSet(Body.Sun, observer, +1, midnight, 2));
      near(sunset, SearchRiseSet(Body.Sun, observer, -1, midnight, 2));
      near(dawn, SearchAltitude(Body.Sun, observer, +1, midnight, 2, -6));
      near(nightfall, SearchAltitude(Body.Sun, observer, -1, midnight, 2, -6));
    }), { numRuns: 150 });
  });

  it('agrees with a second independent library within two minutes below 58 degrees', () => {
    // Reference: the NOAA calculator as @hebcal/noaa has it, a third algorithm.
    fc.assert(fc.property(fc.integer({ min: 0, max: 7300 }), fc.integer({ min: -57, max: 57 }), (days, latitude) => {
      const place: Place = { name: 'somewhere', latitude, longitude: -64, zone: zone('America/Halifax') };
      const date = addDays(civilDate('2012-01-01'), days);
      const ours = sunOn(date, place);
      const theirs = new NOAACalculator(new GeoLocation('somewhere', latitude, -64, 0, 'America/Halifax'), Temporal.PlainDate.from(date));
      for (const [a, b] of [[ours.sunrise, theirs.getSunrise()], [ours.sunset, theirs.getSunset()], [ours.dawn, theirs.getBeginCivilTwilight()], [ours.nightfall, theirs.getEndCivilTwilight()]] as const) {
        expect(Math.abs((a ?? Number.NaN) - (b?.epochMilliseconds ?? 0))).toBeLessThan(2 * MINUTE);
      }
    }), { numRuns: 150 });
  });

  it('answers null where the sun does not come or does not go', () => {
    expect(sunOn(civilDate('2025-06-21'), BARROW)).toMatchObject({ sunrise: null, sunset: null });
    expect(sunOn(civilDate('2025-12-21'), BARROW)).toMatchObject({ sunrise: null, sunset: null });
    expect(sunOn(civilDate('2025-12-21'), BARROW).dawn).not.toBeNull();
  });
});

describe('the light that a flight touches', () => {
  const { sunset, nightfall, dawn, sunrise } = sunOn(civilDate('2026-11-24'), HALIFAX);
  const at = (moment: Instant | null, minutes: number) => ((moment ?? Number.NaN) + minutes * MINUTE) as Instant;

  it.each([
    ['by day', at(sunset, -120), at(sunset, -60), ['day']],
    ['ends exactly at sunset', at(sunset, -60), at(sunset, 0), ['day']],
    ['ends a millisecond after sunset', at(sunset, -60), at(sunset, 1 / MINUTE), ['day', 'dusk']],
    ['starts exactly at sunset', at(sunset, 0), at(sunset, 5), ['dusk']],
    ['from day into night', at(sunset, -10), at(nightfall, 10), ['day', 'dusk', 'night']],
    ['ends exactly at nightfall', at(sunset, 5), at(nightfall, 0), ['dusk']],
    ['by night', at(nightfall, 30), at(nightfall, 90), ['night']],
    ['from night into the morning', at(dawn, -10), at(sunrise, 10), ['day', 'dusk', 'night']],
    ['round the clock', at(dawn, -10), at(dawn, 24 * 60), ['day', 'dusk', 'night']],
  ] as const)('%s', (_, from, to, expected) => { expect(lightTouched(from, to, HALIFAX)).toEqual(expected); });

  it('is what the sun’s height says minute by minute, in another library, in the north, the south and beyond the polar circle', () => {
    // Reference: astronomy-engine's horizontal coordinates. A height near an edge may count either way: the edges are good to two minutes.
    const places: readonly Place[] = [HALIFAX, { name: 'south', latitude: -33.9, longitude: 151.2, zone: zone('Australia/Sydney') }, BARROW, { name: 'circle', latitude: 66.5, longitude: 25, zone: zone('Europe/Helsinki') }];
    const heightAt = (place: Place, at: number): number => {
      const observer = new Observer(place.latitude, place.longitude, 0);
      const { ra, dec } = Equator(Body.Sun, new Date(at), observer, true, true);
      return Horizon(new Date(at), observer, ra, dec).altitude;
    };
    const light = (height: number): Light => (height > -0.833 ? 'day' : height > -6 ? 'dusk' : 'night');
    fc.assert(fc.property(fc.constantFrom(...places), fc.integer({ min: 0, max: 2 * 365 * 24 * 60 }), fc.integer({ min: 1, max: 600 }), (place, minute, lasts) => {
      const start = instant('2026-01-01T00:00:00Z') + minute * MINUTE;
      const touched = lightTouched(start as Instant, (start + lasts * MINUTE) as Instant, place);
      const heights = Array.from({ length: Math.ceil(lasts / 4) + 1 }, (_, at) => heightAt(place, start + Math.min(at * 4, lasts) * MINUTE));
      const polar = Math.abs(place.latitude) > 60;
      const margin = polar ? 1 : 0.5;
      // Never less than what is met …
      for (const height of heights) if (Math.abs(height + 0.833) > margin && Math.abs(height + 6) > margin) expect([place.name, new Date(start).toISOString(), lasts, touched.includes(light(height))]).toEqual([place.name, new Date(start).toISOString(), lasts, true]);
      // … and where the sun rises and sets every day, no more.
      if (!polar) for (const value of touched) expect(heights.some((height) => light(height - margin) === value || light(height + margin) === value)).toBe(true);
    }), { numRuns: 600 });
  });

  it('does not take a dawn after the sunset of its own day: on 3 August 2026 at the polar circle the library answers one', () => {
    const circle: Place = { name: 'circle', latitude: 66.5, longitude: 25, zone: zone('Europe/Helsinki') };
    expect(sunOn(civilDate('2026-08-03'), circle).dawn).toBeNull();
    expect(lightTouched(instant('2026-08-04T18:00:00Z'), instant('2026-08-04T18:30:00Z'), circle)).toEqual(['day']);
  });
  it.each([
    ['under the midnight sun', '2025-06-21T10:00:00Z', '2025-06-21T11:00:00Z', ['day']], ['in the polar night at noon, which has its twilight', '2025-12-21T22:20:00Z', '2025-12-21T22:40:00Z', ['dusk']],
    ['in the polar night at midnight', '2025-12-21T10:00:00Z', '2025-12-21T11:00:00Z', ['night']], ['from that night into its twilight', '2025-12-21T19:00:00Z', '2025-12-21T22:30:00Z', ['dusk', 'night']],
  ] as const)('%s', (_, from, to, expected) => { expect(lightTouched(instant(from), instant(to), BARROW)).toEqual(expected); });
});
