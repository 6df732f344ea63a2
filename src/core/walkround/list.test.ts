import { describe, expect, it } from 'vitest';
import { civilDate } from '../time/civil-date';
import { instant } from '../time/instant';
import { CATALOGUE } from './catalogue';
import { listFor, type WalkBefore } from './list';
import { USUAL_METHOD } from './method';
import { planWalkround } from './plan';
import type { PlanAircraft } from './plan-step';

const today = civilDate('2026-11-24');
const before: WalkBefore = {
  list: 'whole',
  day: today,
  isSigned: true,
  begunAt: instant('2026-11-24T12:00:00Z'),
  open: 0,
  covers: [],
};
const short = { between: 'short-list' } as const;

/** Common practice, no source: the first look of the day and the first after fuelling leave nothing out. */
describe('which list a walk-round goes by', () => {
  it.each<[string, Partial<WalkBefore>, 'whole' | 'short']>([
    ['everything was seen today', {}, 'short'],
    ['it was yesterday', { day: civilDate('2026-11-23') }, 'whole'],
    ['nobody signed it', { isSigned: false }, 'whole'],
    ['one step was left open', { open: 1 }, 'whole'],
    ['it was a short one itself', { list: 'short' }, 'whole'],
  ])('%s', (_, change, list) => {
    expect(listFor(short, [{ ...before, ...change }], today, null).list).toBe(list);
  });

  it('a fuelling at its moment or later opens the whole list again', () => {
    const fuelled = (at: string) => listFor(short, [before], today, instant(at)).list;
    expect(fuelled('2026-11-24T11:59:59Z')).toBe('short');
    expect(fuelled('2026-11-24T12:00:00Z')).toBe('whole');
  });

  it('says what the whole ones of the day were enough for', () => {
    const by = (covers: WalkBefore['covers']): WalkBefore => ({ ...before, covers });
    expect(listFor(short, [by(['ifr']), by(['night'])], today, null).seen).toEqual(['ifr', 'night']);
    expect(listFor({ between: 'whole-list' }, [by(['night'])], today, null).seen).toEqual([]);
  });
});

describe('a flight that brings steps of its own', () => {
  const unlit: PlanAircraft = {
    features: ['powered', 'electrical', 'metal'],
    notFitted: [],
    without: [],
    tanks: [{ id: 'left', usable: 1, dip: null }],
    drains: null,
    measured: [],
    blades: 2,
    tab: null,
    propeller: null,
    sampleSeconds: 4,
    marks: [],
    oftenWet: [],
  };
  const codes = (...by: Parameters<typeof planWalkround>) =>
    planWalkround(...by).steps.map(({ code }) => code);

  it('a walk-round is enough for a flight whose steps it had, and where such a flight brings none', () => {
    expect(planWalkround(unlit, USUAL_METHOD, [], 'whole').covers).toEqual([]);
    expect(planWalkround(unlit, USUAL_METHOD, ['night'], 'whole').covers).toEqual(['night']);
    const everything = { ...unlit, features: null };
    expect(planWalkround(everything, USUAL_METHOD, [], 'whole').covers).toEqual(['night', 'ifr']);
  });

  it('the short list has what the whole one of the day did not', () => {
    const seen = codes(unlit, USUAL_METHOD, [], 'whole');
    const night = codes(unlit, USUAL_METHOD, ['night'], 'short');
    const byNight = CATALOGUE.filter(({ appliesTo }) => appliesTo.includes('night')).map(({ code }) => code);
    expect(byNight.length).toBeGreaterThan(4);
    expect(byNight.filter((code) => !seen.includes(code) && !night.includes(code))).toEqual([]);
    expect(byNight.every((code) => seen.includes(code))).toBe(false);
    // A second flight by night asks for the short list alone.
    const again = codes(unlit, USUAL_METHOD, ['night'], 'short', ['night']);
    expect(again.length).toBeLessThan(night.length);
    expect(planWalkround(unlit, USUAL_METHOD, ['night'], 'short', ['night']).covers).toEqual(['night']);
  });
});
