import { describe, expect, it } from 'vitest';
import { hours } from '../../quantities/hours';
import { addSeconds, instant } from '../../time/instant';
import { adds, airborneTime, isMoreThanCrew, UNSAID, wholeTime, type PlannedFlight } from './planned-flight';

const STARTS = instant('2026-11-24T13:00:00Z');
const flight: PlannedFlight = {
  id: 'f',
  starts: STARTS,
  ends: addSeconds(STARTS, 5400),
  airborne: hours('1.2'),
  purpose: 'private-rental',
  crew: 'rated-pilot',
  rules: 'vfr',
  range: 'local',
  light: null,
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
  ...UNSAID,
};

describe('what a planned flight adds to each meter', () => {
  it.each<[string, Partial<PlannedFlight>, object]>([
    [
      'the time in the air, and the whole time to what runs with the engine',
      {},
      { 'time-in-service': hours('1.2'), engine: hours('1.5'), propeller: hours('1.5'), block: hours('1.5') },
    ],
    [
      'the whole time where nobody said how long it is in the air',
      { airborne: null },
      { 'time-in-service': hours('1.5'), block: hours('1.5') },
    ],
    ['one landing at least', {}, { landings: 1, cycles: 1 }],
    ['as many landings as it says', { landings: 6 }, { landings: 6, cycles: 6 }],
    ['no tow', {}, { 'tow-launches': 0 }],
    ['one tow at least where it tows', { purpose: 'glider-towing' }, { 'tow-launches': 1 }],
    ['as many tows as it says', { purpose: 'glider-towing', towLaunches: 8 }, { 'tow-launches': 8 }],
    ['none where it says none', { purpose: 'glider-towing', towLaunches: 0 }, { 'tow-launches': 0 }],
  ])('%s', (_, change, added) => {
    expect(adds({ ...flight, ...change })).toMatchObject(added);
  });
  it('whole seconds, rounded up, and never less than none', () => {
    const from = (milliseconds: number) =>
      wholeTime({ starts: STARTS, ends: (STARTS + milliseconds) as PlannedFlight['ends'] });
    expect([from(0), from(1), from(1000), from(1001), from(-5000)]).toEqual([0, 1, 1, 2, 0]);
    expect(airborneTime({ ...flight, airborne: null })).toBe(hours('1.5'));
  });
});

describe('more people than fly it', () => {
  // Common practice, no source: a student alone, an instructor and a student, two pilots.
  it.each<[PlannedFlight['crew'], number | null, boolean]>([
    ['student-solo', 1, false],
    ['student-solo', 2, true],
    ['dual', 2, false],
    ['dual', 3, true],
    ['rated-pilot', 2, false],
    ['rated-pilot', 3, true],
    [null, 2, false],
    [null, 3, true],
    ['student-solo', null, false],
  ])('%s with %s aboard: %s', (crew, persons, more) => {
    expect(isMoreThanCrew({ crew, persons })).toBe(more);
  });
});
