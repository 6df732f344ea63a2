import { describe, expect, it } from 'vitest';
import { hours, hoursFromSeconds } from '../../quantities/hours';
import { addSeconds, instant } from '../../time/instant';
import type { FlightOut } from '../flights/movement';
import type { Standings } from './meter-reading';
import { unreadFlights, unreadSeconds, withUnread } from './unread';

const READ = instant('2026-11-24T12:00:00Z');
const UNKNOWN = { state: 'unknown' } as const;
const known = (value: number, readAt = READ) => ({ state: 'known', value, from: 'r', readAt }) as const;
const meters: Standings = {
  'time-in-service': known(hours('4150')),
  engine: known(hours('900')),
  propeller: UNKNOWN,
  block: known(hours('4200'), addSeconds(READ, 7200)),
  landings: known(10_000),
  cycles: UNKNOWN,
  'tow-launches': known(7),
};
/** Left so many seconds after the reading and was away for so long. */
const flight = (
  id: string,
  left: number,
  away: number | null,
  airborne: number | null = null,
): FlightOut => ({
  id,
  happenedAt: addSeconds(READ, left),
  recordedAt: addSeconds(READ, left),
  by: 'R. Dane',
  ...(airborne === null ? {} : { airborne: hoursFromSeconds(airborne) }),
  returned:
    away === null ? null : { at: addSeconds(READ, left + away), recordedAt: addSeconds(READ, left + away) },
});
const ids = (flights: readonly FlightOut[], of = meters) => unreadFlights(flights, of).map(({ id }) => id);

describe('flights whose meters nobody read', () => {
  it.each<[string, readonly FlightOut[], readonly string[]]>([
    ['came back after the reading', [flight('a', 0, 1)], ['a']],
    ['came back just when it was read', [flight('a', -60, 60)], []],
    ['came back before', [flight('a', -7200, 3600)], []],
    ['has not come back', [flight('a', 0, null)], []],
    ['several, as they came back', [flight('late', 0, 7200), flight('early', 60, 600)], ['early', 'late']],
    ['several, told in that order', [flight('early', 60, 600), flight('late', 0, 7200)], ['early', 'late']],
  ])('%s', (_, flights, unread) => {
    expect(ids(flights)).toEqual(unread);
  });
  it('of a time in service that is not known none is said', () => {
    expect(ids([flight('a', 0, 3600)], { ...meters, 'time-in-service': UNKNOWN })).toEqual([]);
  });
  it('counts as planned, or the whole time away, never less than nothing', () => {
    expect([
      unreadSeconds(flight('a', 0, 5400, 3600)),
      unreadSeconds(flight('a', 0, 5400)),
      unreadSeconds(flight('a', 0, 1.5)),
      unreadSeconds(flight('a', 0, null)),
      unreadSeconds(flight('a', 0, -60)),
    ]).toEqual([3600, 5400, 2, 0, 0]);
  });
});

describe('what the meters stand at with them', () => {
  // The planned time counts as time in service; every other meter of hours ran for as long as it was away. Common practice, no source.
  const more = (...flights: readonly FlightOut[]) => {
    const now = withUnread(meters, flights);
    const of = (meter: keyof Standings) => {
      const [before, after] = [meters[meter], now[meter]];
      return before.state === 'known' && after.state === 'known' ? after.value - before.value : after.state;
    };
    return [of('time-in-service'), of('engine'), of('propeller'), of('block')];
  };
  it.each<[string, readonly FlightOut[], ReturnType<typeof more>]>([
    ['none', [], [0, 0, 'unknown', 0]],
    ['planned', [flight('a', 0, 5400, 3600)], [3600, 5400, 'unknown', 0]],
    ['not planned', [flight('a', 0, 5400)], [5400, 5400, 'unknown', 0]],
    ['the block meter was read later', [flight('a', 0, 7201)], [7201, 7201, 'unknown', 7201]],
    ['still out', [flight('a', 0, null, 3600)], [0, 0, 'unknown', 0]],
    ['two', [flight('a', 0, 600, 500), flight('b', 700, 900, 800)], [1300, 1500, 'unknown', 0]],
    ['back before the reading', [flight('a', -900, 600, 500)], [0, 0, 'unknown', 0]],
    ['back just when it was read', [flight('a', -600, 600, 500)], [0, 0, 'unknown', 0]],
  ])('%s', (_, flights, added) => {
    expect(more(...flights)).toEqual(added);
  });
  it('has as many landings as there can have been, and makes nothing known', () => {
    const now = withUnread(meters, [flight('a', 0, 3600, 3000)]);
    expect(now.landings).toMatchObject({ state: 'known', from: 'r' });
    expect(now.landings.state === 'known' && now.landings.value).toBeGreaterThan(10_001);
    expect(now.cycles).toEqual(UNKNOWN);
  });
});
