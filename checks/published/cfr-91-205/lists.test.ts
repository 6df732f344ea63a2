import { describe, expect, it } from 'vitest';
import { linesFor } from '@/core/rules/parts/required-lists';
import { isWithin, overlaps, usesIn } from '@/core/envelope/use-set';
import { UNKNOWN_PARTICULARS, type Aircraft, type Particulars } from '@/core/records/aircraft/aircraft';
import { civilDate } from '@/core/time/civil-date';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const aircraft = (change: Partial<Particulars>, category: Aircraft['category'] = 'standard'): Aircraft => ({
  registration: 'N02TB',
  category,
  firstFlownOn: null,
  approvedFor: null,
  particulars: {
    ...UNKNOWN_PARTICULARS,
    engine: { cooling: 'air', altitude: false },
    gear: 'fixed',
    manufacturedOn: civilDate('1970-01-01'),
    certificatedOn: civilDate('1960-01-01'),
    ...change,
  },
});
const STRICT = 'lessons-are-for-hire';
const needed = (one: Aircraft, list: string) =>
  linesFor(one, STRICT)
    .filter((line) => line.list === list && line.needed(one) === true)
    .map(({ equipment }) => equipment);
const ask = (items: object, change: object = {}) =>
  decideBy(['required-equipment', 'approved-uses'], { equipment: { list: { items } }, ...change } as never);

describe(source.section, () => {
  it('has the items of the lists: day without the ELT and rotorcraft lines, five more by night, nine by instruments', () => {
    const count = (...lists: readonly string[]) =>
      linesFor(aircraft({}), STRICT).filter(({ list }) => lists.includes(list)).length;
    // (b) 1 to 17 without 15 (a rule of its own) and 17 (rotorcraft); item 12 is two things.
    expect(count('day-vfr', 'over-water')).toBe(17 - 2 + 1);
    // (c) 2 to 6; position lights stand under 91.209(a), which asks every aircraft for them.
    expect(count('night-vfr', 'for-hire', 'sunset-to-sunrise')).toBe(5);
    // (d) 2 to 9: two-way radio and navigation are one item there, two lines here.
    expect(count('ifr')).toBe(8 + 1);
  });
  it('a fixed-gear, air-cooled, private aircraft drops the gear, coolant and manifold gauges', () => {
    expect(needed(aircraft({}), 'day-vfr')).toEqual([
      'airspeed-indicator',
      'altimeter',
      'magnetic-direction-indicator',
      'tachometer',
      'oil-pressure-gauge',
      'oil-temperature-gauge',
      'fuel-gauge',
      'safety-belts',
    ]);
    expect(
      needed(aircraft({ engine: { cooling: 'liquid', altitude: true }, gear: 'retractable' }), 'day-vfr'),
    ).toEqual(
      expect.arrayContaining([
        'coolant-temperature-gauge',
        'manifold-pressure-gauge',
        'gear-position-indicator',
      ]),
    );
  });
  it.each([
    ['anticollision-lights', { certificatedOn: civilDate('1996-03-11') }, false],
    ['anticollision-lights', { certificatedOn: civilDate('1996-03-12') }, true],
    ['front-shoulder-harnesses', { manufacturedOn: civilDate('1978-07-18') }, false],
    ['front-shoulder-harnesses', { manufacturedOn: civilDate('1978-07-19') }, true],
    ['all-seat-harnesses', { manufacturedOn: civilDate('1986-12-12') }, false],
    ['all-seat-harnesses', { manufacturedOn: civilDate('1986-12-13') }, true],
  ] as const)('%s with %o: needed %s', (equipment, change, expected) => {
    expect(needed(aircraft(change), 'day-vfr').includes(equipment)).toBe(expected);
  });
  const uses = (one: Aircraft, light: 'day' | 'night', list = 'day-vfr') =>
    linesFor(one, STRICT).filter(
      (line) => line.list === list && overlaps(line.uses, usesIn({ light: [light], rules: ['vfr'] })),
    ).length;
  it.each(['glider', 'light-sport', 'experimental'] as const)('by day it is not for a %s', (category) => {
    expect(uses(aircraft({}, category), 'day')).toBe(0);
  });
  // Their limitations usually read: by night and by instruments as equipped under 91.205. From memory.
  it.each([
    ['light-sport', null, 14],
    ['experimental', null, 14],
    ['light-sport', 'glider', 0],
    ['experimental', 'glider', 0],
    ['standard', 'glider', 0],
    ['glider', null, 0],
  ] as const)('by night of a %s %s', (category, aircraftClass, count) => {
    expect(uses(aircraft({ aircraftClass }, category), 'night')).toBe(count);
  });
  it.each([
    ['standard', null],
    ['light-sport', null],
    ['experimental', null],
    ['glider', null],
    ['experimental', 'glider'],
  ] as const)('91.209(a) asks a %s %s for position lights from sunset', (category, aircraftClass) => {
    const line = linesFor(aircraft({ aircraftClass }, category), STRICT).find(
      ({ equipment }) => equipment === 'position-lights',
    );
    expect(
      line === undefined
        ? null
        : [
            isWithin(usesIn({ light: ['dusk', 'night'] }), line.uses),
            overlaps(line.uses, usesIn({ light: ['day'] })),
          ],
    ).toEqual([true, false]);
  });
  it.each([
    [true, false],
    [false, true],
    [null, false],
  ] as const)('(c)(6): fuses %s, no spares: released by night %s', (fuses, released) => {
    expect(ask({ 'spare-fuses': 'not-fitted' }, { aircraft: { fuses } }).verdict === 'Released').toBe(
      released,
    );
  });

  it('a glider without a tachometer is no hit', () => {
    expect(
      decideBy(['required-equipment'], {
        aircraft: { category: 'glider', engine: 'none' },
        equipment: { list: { items: { tachometer: 'not-fitted' } } },
      }).constraints,
    ).toEqual([]);
  });
  it('an unknown date of manufacture closes what having it would', () => {
    expect(ask({ 'all-seat-harnesses': 'not-fitted' }, { aircraft: { manufacturedOn: null } }).verdict).toBe(
      'Grounded',
    );
  });
  it('(c)(4): a landing light is needed at night for hire only', () => {
    const { window, verdict } = ask({ 'landing-light': 'not-fitted' });
    expect([verdict, window.panes['day-vfr'], window.sills.rental, window.sills.hire]).toEqual([
      'Restricted',
      'open',
      'open',
      'partly',
    ]);
  });
  it('91.209: position lights from sunset, the rest of the night list from the end of civil twilight', () => {
    const dusk = [
      { light: ['dusk'], rules: ['vfr'], purpose: ['private-rental'], overWater: ['within-glide'] },
    ];
    expect([
      ask({ 'position-lights': 'not-fitted' }, { wanted: dusk }).wanted?.answer,
      ask({ 'spare-fuses': 'not-fitted' }, { wanted: dusk }).wanted?.answer,
    ]).toEqual(['no', 'yes']);
  });
});
