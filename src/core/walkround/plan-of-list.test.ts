import { describe, expect, it } from 'vitest';
import { CATALOGUE, catalogueStep } from './catalogue';
import { classifyFinding, stepOf } from './classify';
import { FEATURE_NAMES, FLIGHT_FEATURES } from './features';
import { LIST_STEPS } from './lists/list-steps';
import { USUAL_METHOD } from './method';
import { planWalkround } from './plan';
import { isWalkround, kindOf, listsFor, PLAN_KINDS, SIGNED_AS, STEP_CODE, type PlanKind } from './plan-kinds';
import { planOfList } from './plan-of-list';
import type { PlanAircraft } from './plan-step';

const everything: PlanAircraft = {
  features: null,
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
type ListKind = Exclude<PlanKind, 'walk-round'>;
const LISTS = PLAN_KINDS.filter((kind): kind is ListKind => kind !== 'walk-round');
const codes = (kind: ListKind, aircraft: PlanAircraft = everything) =>
  planOfList(kind, aircraft, USUAL_METHOD, []).steps.map(({ code }) => code);
const drop = (which: string | null) => ({
  quantity: 'ignition-drop' as const,
  which,
  min: null,
  max: 175,
  open: false,
  uses: null,
  remedy: 'mechanic' as const,
  everyFlight: false,
});

describe('the lists beside the walk-round', () => {
  it('have every one of their steps in some plan, each with a code of its own that a finding may name', () => {
    const planned = new Set(LISTS.flatMap((kind) => codes(kind)));
    const own = LIST_STEPS.map(({ code }) => code);
    expect(own.filter((code) => !planned.has(code))).toEqual([]);
    expect(new Set([...own, ...CATALOGUE.map(({ code }) => code)]).size).toBe(own.length + CATALOGUE.length);
    for (const code of own) {
      expect(code).toMatch(STEP_CODE);
      expect(catalogueStep(code)?.code).toBe(code);
      expect(stepOf(code)?.code).toBe(code);
    }
  });
  it('ask only for what an aircraft can be known to have', () => {
    const tags: readonly string[] = ['all', ...FEATURE_NAMES, ...FLIGHT_FEATURES];
    expect(LIST_STEPS.flatMap(({ appliesTo }) => appliesTo).filter((tag) => !tags.includes(tag))).toEqual([]);
  });
  it.each(LISTS)('%s is the same twice, and each step has a key of its own', (kind) => {
    const plan = planOfList(kind, everything, USUAL_METHOD, []);
    expect(planOfList(kind, everything, USUAL_METHOD, [])).toEqual(plan);
    expect(kindOf(plan)).toBe(kind);
    expect(new Set(plan.steps.map(({ key }) => key)).size).toBe(plan.steps.length);
    for (const { title, right, why, place } of plan.steps)
      expect([title, right, why, place].every((text) => text !== '' && !text.includes('{'))).toBe(true);
  });
  it('the daily inspection is the release, then the whole walk-round, and covers what that does', () => {
    const plan = planOfList('daily-inspection', everything, USUAL_METHOD, ['night']);
    const whole = planWalkround(everything, USUAL_METHOD, ['night'], 'whole');
    expect(plan.steps.slice(0, 4).map(({ code }) => code)).toEqual(['D01', 'D02', 'D03', 'D04']);
    expect(plan.steps.slice(4)).toEqual(whole.steps);
    expect(plan.covers).toEqual(whole.covers);
  });
  it('only the walk-round and the daily inspection are a look at the aircraft', () => {
    expect(PLAN_KINDS.filter((kind) => isWalkround({ kind }))).toEqual(['walk-round', 'daily-inspection']);
    expect(isWalkround({})).toBe(true);
    for (const kind of ['run-up', 'briefing', 'rigging'] as const)
      expect(planOfList(kind, everything, USUAL_METHOD, ['night', 'ifr']).covers).toEqual([]);
  });
  it('the run-up reads the drop of each ignition against its limits, and looks where there are none', () => {
    const asks = (measured: PlanAircraft['measured']) =>
      planOfList('run-up', { ...everything, measured }, USUAL_METHOD, [])
        .steps.filter(({ code }) => code === 'U04')
        .map(({ key, asks: what }) => [key, what.kind, 'which' in what ? what.which : undefined]);
    expect(asks([drop('left'), drop('right')])).toEqual([
      ['U04.left', 'figure', 'left'],
      ['U04.right', 'figure', 'right'],
    ]);
    expect(asks([drop(null)])).toEqual([
      ['U04.left', 'figure', 'left'],
      ['U04.right', 'figure', 'right'],
    ]);
    expect(asks([])).toEqual([
      ['U04.left', 'look', undefined],
      ['U04.right', 'look', undefined],
    ]);
  });
  it('of an aircraft without propeller lever, control units or electrics leave out what it lacks', () => {
    const bare = codes('run-up', { ...everything, features: ['powered'] });
    expect(bare).toContain('U04');
    for (const code of ['U06', 'U07', 'U09', 'U11']) expect(bare).not.toContain(code);
    expect(codes('briefing', { ...everything, notFitted: ['fire-extinguisher'] })).not.toContain('B07');
    expect(codes('run-up', { ...everything, without: ['U08'] })).not.toContain('U08');
  });
  it('the rigging ends with what the rule asks for: assembly, controls with a helper, air brakes, tape, the count', () => {
    expect(codes('rigging').slice(-5)).toEqual(['K235', 'K236', 'K237', 'K238', 'K244']);
  });
  it('what passengers were not told keeps no aircraft on the ground; what the run-up could not see does', () => {
    const matter = (kind: ListKind) =>
      planOfList(kind, everything, USUAL_METHOD, []).steps.some(({ matters }) => matters);
    expect(matter('briefing')).toBe(false);
    expect(matter('run-up')).toBe(true);
    expect(matter('rigging')).toBe(true);
  });
  it.each([
    [{ isGlider: false, hasEngine: true, authority: 'us' }, ['run-up', 'briefing']],
    [{ isGlider: true, hasEngine: false, authority: 'us' }, ['rigging', 'briefing']],
    [
      { isGlider: true, hasEngine: true, authority: 'au' },
      ['daily-inspection', 'rigging', 'run-up', 'briefing'],
    ],
  ] as const)('of %j are %j', (aircraft, lists) => {
    expect(listsFor(aircraft)).toEqual(lists);
  });
  it('two of them are signed for by a certificate', () => {
    expect(PLAN_KINDS.filter((kind) => SIGNED_AS[kind] !== null)).toEqual(['daily-inspection', 'rigging']);
  });
  it('a finding at one of their steps is classified by it, and never softer than its list', () => {
    const of = (code: string) => classifyFinding(stepOf(code) ?? null, true, 'looks-small');
    expect(of('U04').classification).toBe('ground-until-mechanic');
    expect(of('R06').classification).toBe('ground-until-mechanic');
    expect(of('B07')).toMatchObject({ classification: 'deferral-path', equipment: ['fire-extinguisher'] });
  });
});
