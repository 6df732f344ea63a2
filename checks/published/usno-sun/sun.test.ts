import { describe, expect, it } from 'vitest';
import { civilDate } from '@/core/time/civil-date';
import { instant, type Instant } from '@/core/time/instant';
import { sunOn, type Place } from '@/core/time/sun';
import { zone } from '@/core/time/zone';
import { source } from './source';

const place = (name: string, latitude: number, longitude: number, at: string): Place => ({
  name,
  latitude,
  longitude,
  zone: zone(at),
});
const WASHINGTON = place('Washington', 38.9, -77.03, 'America/New_York');
const LONDON = place('London', 51.5, -0.13, 'Europe/London');
const NEW_YORK = place('New York', 40.7, -74, 'America/New_York');
const SYDNEY = place('Sydney', -33.87, 151.21, 'Australia/Sydney');
const ANCHORAGE = place('Anchorage', 61.22, -149.9, 'America/Anchorage');
const MINUTE = 60_000;

/** Published minutes; the tables round to the minute, so one minute either side is agreement below 60 degrees, two to 66. */
const near = (ours: Instant | null, published: string, minutes = 1) => {
  expect(Math.abs((ours ?? Number.NaN) - instant(published))).toBeLessThanOrEqual(minutes * MINUTE);
};

describe(source.title, () => {
  it.each([
    [WASHINGTON, '2025-01-01', '07:27', '16:57', '-05:00'],
    [WASHINGTON, '2025-06-21', '05:43', '20:37', '-04:00'],
    [WASHINGTON, '2025-12-21', '07:23', '16:50', '-05:00'],
    [LONDON, '2025-06-21', '04:43', '21:21', '+01:00'],
    [LONDON, '2025-12-21', '08:04', '15:53', '+00:00'],
    [NEW_YORK, '2025-06-21', '05:25', '20:31', '-04:00'],
    [NEW_YORK, '2025-12-21', '07:17', '16:32', '-05:00'],
    [SYDNEY, '2025-06-21', '07:00', '16:54', '+10:00'],
    [SYDNEY, '2025-12-22', '05:41', '20:06', '+11:00'],
  ] as const)('$name sunrise and sunset, row %#', (where, date, rise, set, offset) => {
    const { sunrise, sunset } = sunOn(civilDate(date), where);
    near(sunrise, `${date}T${rise}:00${offset}`);
    near(sunset, `${date}T${set}:00${offset}`);
  });
  it('Anchorage on 21 June 2025 sets before midnight and has no civil night', () => {
    const { sunrise, sunset, nightfall } = sunOn(civilDate('2025-06-21'), ANCHORAGE);
    near(sunrise, '2025-06-21T04:20:00-08:00', 2);
    near(sunset, '2025-06-21T23:42:00-08:00', 2);
    expect(nightfall).toBeNull();
  });
});
