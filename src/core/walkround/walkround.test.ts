import { describe, expect, it } from 'vitest';
import { CLASSIFICATIONS, CLOSED_USES } from '../records/findings/discrepancy';
import { classifyFinding, LOOKS, stepOf, stepsAt } from './classify';
import { placeOnAircraft } from './place';
import { EQUIPMENT_KINDS } from '../records/aircraft/equipment';
import { AIRCRAFT_PARTS, STATIONS, STEPS } from './steps';

const step = (code: string) => {
  const found = stepOf(code);
  if (found === undefined) throw new Error(`no step ${code}`);
  return found;
};

describe('the walk-round list', () => {
  it('has its 252 steps, each with a code of its own, at a station that exists', () => {
    expect(STEPS).toHaveLength(252);
    expect(new Set(STEPS.map(({ code }) => code)).size).toBe(252);
    const stations = new Set<string>(STATIONS.map(({ id }) => id));
    for (const { code, station, item, typicalDefect, firstAction, closesUses, appliesTo, looksAt } of STEPS) {
      expect(code).toMatch(/^K\d{3}$/);
      expect(stations.has(station)).toBe(true);
      expect(item.length * typicalDefect.length * appliesTo.length).toBeGreaterThan(0);
      expect(CLASSIFICATIONS).toContain(firstAction);
      for (const word of closesUses) expect(CLOSED_USES).toContain(word);
      if (typeof looksAt === 'string') expect(AIRCRAFT_PARTS).toContain(looksAt);
      else {
        expect(looksAt.length).toBeGreaterThan(0);
        for (const kind of looksAt) expect(EQUIPMENT_KINDS).toContain(kind);
      }
      // What goes the way of deferring is a thing that can be removed or deactivated.
      if (firstAction === 'deferral-path') expect([code, typeof looksAt]).toEqual([code, 'object']);
    }
  });

  it('every station has steps, and every step is reached from some station', () => {
    for (const { id } of STATIONS) expect(stepsAt(id, null).length).toBeGreaterThan(0);
    expect(STATIONS.reduce((sum, { id }) => sum + stepsAt(id, null).length, 0)).toBe(252);
  });

  it('hides only steps of features that an aircraft is known not to have', () => {
    const glider = stepsAt('propeller', ['glider']);
    expect(glider.every(({ appliesTo }) => appliesTo.includes('all') || appliesTo.includes('glider'))).toBe(
      true,
    );
    expect(stepsAt('propeller', ['powered']).length).toBeGreaterThan(glider.length);
    expect(stepsAt('propeller', null).length).toBeGreaterThanOrEqual(
      stepsAt('propeller', ['powered']).length,
    );
  });
});

describe('the first classification of a finding', () => {
  it.each([
    ['a new nick on a blade', 'K217', true, 'looks-small', 'ground-until-mechanic', [], []],
    ['cold pitot heat', 'K067', true, 'not-right', 'deferral-path', ['ifr'], ['pitot-heat']],
    [
      'navigation lights out',
      'K062',
      true,
      'not-right',
      'deferral-path',
      ['dusk', 'night'],
      ['position-lights'],
    ],
    ['a low tyre', 'K136', true, 'looks-small', 'service-before-flight', [], []],
    [
      'pitot heat, but not what the list says',
      'K067',
      false,
      'looks-small',
      'ground-until-mechanic',
      [],
      ['pitot-heat'],
    ],
    [
      'cold pitot heat that its finder would not fly with',
      'K067',
      true,
      'would-not-fly',
      'ground-until-mechanic',
      [],
      ['pitot-heat'],
    ],
    [
      'cold pitot heat of somebody who cannot tell',
      'K067',
      true,
      'cannot-tell',
      'tell-instructor',
      [],
      ['pitot-heat'],
    ],
    [
      'a cracked plastic tip, which an instructor judges',
      'K089',
      true,
      'looks-small',
      'tell-instructor',
      [],
      [],
    ],
  ] as const)('%s', (_, code, asListed, looks, classification, closesUses, equipment) => {
    expect(classifyFinding(step(code), asListed, looks)).toEqual({ classification, closesUses, equipment });
  });

  it('what is on no list grounds until a mechanic has looked, however small it looks', () => {
    for (const looks of LOOKS)
      expect(classifyFinding(null, false, looks).classification).toBe('ground-until-mechanic');
  });

  it('the reporter’s own guess never softens any step', () => {
    const rank = (classification: (typeof CLASSIFICATIONS)[number]) =>
      CLASSIFICATIONS.indexOf(classification);
    for (const each of STEPS)
      for (const looks of LOOKS)
        expect(rank(classifyFinding(each, true, looks).classification)).toBeLessThanOrEqual(
          rank(each.firstAction),
        );
  });
});

describe('places in words', () => {
  it.each([
    ['wing', 'left', 'left wing'],
    ['nose-engine', null, 'Nose and engine'],
    ['hangar', null, 'hangar'],
  ] as const)('%s %s', (station, side, words) => {
    expect(placeOnAircraft(station, side)).toBe(words);
  });
});
