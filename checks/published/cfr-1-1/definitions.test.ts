import { describe, expect, it } from 'vitest';
import { civilDate } from '@/core/time/civil-date';
import { instant } from '@/core/time/instant';
import { lightTouched, sunOn, type Place } from '@/core/time/sun';
import { wallClock, zone } from '@/core/time/zone';
import { cleanCase } from '@/testing/clean-case';
import { decide } from '@/core/decision/decide';
import { source } from './source';

const WASHINGTON: Place = {
  name: 'Washington',
  latitude: 38.9,
  longitude: -77.03,
  zone: zone('America/New_York'),
};
const at = (clock: string) => instant(`2025-01-01T${clock}:00-05:00`);

describe(source.section, () => {
  it('night at Washington on 1 Jan 2025 ends 06:57 and begins 17:27', () => {
    const { dawn, nightfall } = sunOn(civilDate('2025-01-01'), WASHINGTON);
    if (dawn === null || nightfall === null) throw new Error('no twilight');
    expect([
      wallClock(dawn, WASHINGTON.zone),
      wallClock((nightfall - 30_000) as typeof nightfall, WASHINGTON.zone),
    ]).toMatchObject([
      { hour: 6, minute: 57 },
      { hour: 17, minute: 26 },
    ]);
    expect(Math.abs(nightfall - at('17:27'))).toBeLessThan(60_000);
  });
  it('17:10 lies after sunset (91.209: position lights) but is not yet night', () => {
    expect(lightTouched(at('17:10'), at('17:15'), WASHINGTON)).toEqual(['dusk']);
    expect(lightTouched(at('17:30'), at('17:40'), WASHINGTON)).toEqual(['night']);
  });
  it('time in service is airborne time: 10:12 to 11:06 adds 0.9 h, though off blocks to on blocks was 1.2 h', () => {
    // With 0.9 h left of the 100 the flight fits by its airborne time; 1.2 h of block time would not.
    const { facts, packs, flight, asOf } = cleanCase({
      meterReadings: { today: { value: 4207.8 } },
      flight: {
        starts: '2026-11-24T14:00:00Z',
        ends: '2026-11-24T15:12:00Z',
        airborne: 0.9,
        purpose: 'instruction-school-aircraft',
        crew: 'dual',
        rules: 'vfr',
        range: 'local',
        transponderAirspace: false,
        adsbAirspace: false,
        beyondGlideOverWater: false,
        passengers: false,
      },
    });
    expect(decide(facts, packs, flight, asOf).flight?.answer).toBe('yes');
    expect(
      decide(facts, packs, flight === null ? null : { ...flight, airborne: null }, asOf).flight?.answer,
    ).toBe('no');
  });
});
