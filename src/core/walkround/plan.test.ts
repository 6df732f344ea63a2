import { describe, expect, it } from 'vitest';
import { CATALOGUE, catalogueStep, matters } from './catalogue';
import { FEATURE_NAMES, FLIGHT_FEATURES, type Feature } from './features';
import { DIRECTIONS, STARTS, USUAL_METHOD, type Method } from './method';
import { inOrder, orderFaults, ORDER_RULES, OWN_LAP } from './order-rules';
import { planWalkround, type WalkPlan } from './plan';
import { STRAINER, type PlanAircraft, type PlanMark, type PlanStep } from './plan-step';
import { BETWEEN_FLIGHTS } from './step-scope';
import { STATIONS, STEPS } from './steps';

const trainer: PlanAircraft = {
  features: [
    'powered',
    'electrical',
    'metal',
    'nosewheel',
    'oleo',
    'flaps',
    'avgas',
    'nav-lights',
    'pitot-heat',
  ],
  notFitted: [],
  without: [],
  tanks: [
    { id: 'left', usable: 18_000, dip: null },
    { id: 'right', usable: 18_000, dip: null },
  ],
  drains: null,
  measured: [],
  blades: 2,
  tab: null,
  propeller: null,
  sampleSeconds: 4,
  marks: [],
  oftenWet: [],
};
const everything: PlanAircraft = { ...trainer, features: FEATURE_NAMES };
const method = (change: Partial<Method>): Method => ({ ...USUAL_METHOD, ...change });
const plan = (aircraft: PlanAircraft, change: Partial<Method> = {}, list: 'whole' | 'short' = 'whole') =>
  planWalkround(aircraft, method(change), ['night', 'ifr', 'training'], list);
const codesOf = ({ steps }: WalkPlan) => steps.map(({ code }) => code);
const METHODS: readonly Partial<Method>[] = STARTS.flatMap((start) =>
  DIRECTIONS.flatMap((direction) =>
    (['electrical-first', 'one'] as const).flatMap((laps) =>
      (['at-each-tank', 'at-the-end'] as const).flatMap((samples) =>
        (['at-their-place', 'last'] as const).map((tieDowns) => ({
          start,
          direction,
          laps,
          samples,
          tieDowns,
        })),
      ),
    ),
  ),
);

describe('the catalogue', () => {
  it('has words for every step of the list: a short imperative, what is right, one reason, at most one caution', () => {
    expect(CATALOGUE).toHaveLength(252);
    for (const { code, title, right, why, caution } of CATALOGUE) {
      expect([code, title.length > 3, title.length <= 48]).toEqual([code, true, true]);
      expect([code, right.length > 2, right.length <= 90]).toEqual([code, true, true]);
      expect([code, why.length > 2, why.length <= 80]).toEqual([code, true, true]);
      expect([code, caution === null || caution.length <= 90]).toEqual([code, true]);
    }
  });

  it('has each pair of words once: no step was copied onto another', () => {
    const pairs = CATALOGUE.map(({ title, right }) => `${title} ${right}`);
    expect(new Set(pairs).size).toBe(pairs.length);
  });

  it.each([
    ['K062', true],
    ['K136', true],
    ['K154', false],
    ['K194', false],
  ])('%s is of consequence: %s', (code, expected) => {
    const step = catalogueStep(code);
    expect(step !== undefined && matters(step)).toBe(expected);
  });
});

describe('applicability', () => {
  const reached = new Set(METHODS.flatMap((one) => codesOf(plan(everything, one))));
  it('every step is reached in some plan', () => {
    expect(STEPS.map(({ code }) => code).filter((code) => !reached.has(code))).toEqual([]);
  });

  it('every tag of the list is a feature with a name, or the flight’s; every feature decides about some step', () => {
    const tags = new Set(STEPS.flatMap(({ appliesTo }) => appliesTo));
    const known = new Set<string>(['all', ...FEATURE_NAMES, ...FLIGHT_FEATURES]);
    expect([...tags].filter((tag) => !known.has(tag))).toEqual([]);
    expect(FEATURE_NAMES.filter((name) => !tags.has(name))).toEqual([]);
  });

  it.each([...FEATURE_NAMES])(
    '%s brings its steps, and without it they are not there',
    (feature: Feature) => {
      const only = STEPS.filter(({ appliesTo }) => appliesTo.length === 1 && appliesTo[0] === feature);
      const [withIt, without] = [
        new Set(codesOf(plan({ ...everything, features: [feature] }))),
        new Set(codesOf(plan({ ...everything, features: [] }))),
      ];
      // Two lists of steps that every plan leaves to the method.
      for (const { code } of only)
        expect([code, withIt.has(code), without.has(code)]).toEqual([code, true, false]);
    },
  );

  it('what nobody has said of the aircraft hides nothing', () => {
    const all = new Set(codesOf(plan({ ...everything, features: null })));
    for (const code of codesOf(plan(everything))) expect(all.has(code)).toBe(true);
  });

  it('a step of night belongs to a flight by night, whatever the aircraft has', () => {
    const bare = { ...everything, features: ['powered'] };
    expect(codesOf(planWalkround(bare, USUAL_METHOD, ['night'], 'whole'))).toContain('K062');
    expect(codesOf(planWalkround(bare, USUAL_METHOD, [], 'whole'))).not.toContain('K062');
  });

  it('what is not fitted is left out by the equipment list or by the aircraft’s own record, and nothing else is', () => {
    const whole = codesOf(plan(everything));
    expect(codesOf(plan({ ...everything, without: ['K021'] }))).toEqual(
      whole.filter((code) => code !== 'K021'),
    );
    expect(codesOf(plan({ ...everything, notFitted: ['fire-extinguisher'] }))).not.toContain('K019');
  });
});

describe('how often a step comes', () => {
  const keys = plan(everything).steps.map(({ key }) => key);
  it.each([
    ['each side by itself', 'K136', ['K136.left', 'K136.right']],
    ['each tank', 'K120', ['K120.left', 'K120.right']],
    ['each drain at a tank', 'K125', ['K125.left', 'K125.right']],
    ['the strainer', 'K126', [`K126.${STRAINER}`]],
    ['each blade', 'K217', ['K217.blade-1', 'K217.blade-2']],
    ['each lamp by its name', 'K062', ['K062.left-red', 'K062.right-green', 'K062.tail-white']],
    ['the pitot head once', 'K112', ['K112']],
  ])('%s', (_, code, expected) => {
    expect(keys.filter((key) => key.startsWith(`${code}`)).sort()).toEqual([...expected].sort());
  });

  it('drains that are on record by name are each a step: those of a tank at the tank, the others at the strainer', () => {
    const named = plan({ ...everything, drains: ['left', 'right', 'belly', 'gascolator'] });
    expect(named.steps.filter(({ asks }) => asks.kind === 'sample').map(({ title }) => title)).toEqual([
      'Sample the left drain',
      'Sample the right drain',
      'Sample the belly drain',
      'Sample the gascolator drain',
    ]);
  });

  it('keys are unique in every method', () => {
    for (const one of METHODS) {
      const all = plan(everything, one).steps.map(({ key }) => key);
      expect(new Set(all).size).toBe(all.length);
    }
  });

  it('no method loses a step that another has, but for the ropes, which come off once', () => {
    const sets = METHODS.map((one) =>
      codesOf(plan(everything, one)).filter((code) => !['K117', 'K189', 'K249'].includes(code)),
    );
    for (const set of sets) expect([...set].sort()).toEqual([...(sets[0] ?? [])].sort());
  });
});

describe('order', () => {
  it('every plan keeps every rule', () => {
    for (const one of METHODS)
      for (const list of ['whole', 'short'] as const)
        for (const features of [FEATURE_NAMES, ['powered', 'tailwheel'], ['glider']])
          expect(orderFaults(codesOf(plan({ ...everything, features }, one, list)))).toEqual([]);
  });

  it.each(
    ORDER_RULES.filter(
      ({ first }) => !/^K(00[13-9]|0[1-9]\d|1\d\d|2[0-3]\d|24[0-689]|251)$/.test(first) || first === 'K004',
    ),
  )('$first before $then: broken once, it is found and put right', ({ first, then, why }) => {
    for (const code of then.filter((other) => other !== first)) {
      expect(orderFaults([code, first])).toEqual(expect.arrayContaining([{ first, early: code, why }]));
      expect(orderFaults(inOrder([code, first], (step) => step))).toEqual([]);
    }
  });

  it.each([
    ['cover off before probe heat', ['K067', 'K004']],
    ['selector open before the strainer sample', ['K126', 'K032']],
    ['gauge read before the dip', ['K120', 'K053']],
    ['tank drains before the strainer', ['K126', 'K125']],
    ['steering spring before the rudder', ['K027', 'K187']],
    ['flaps down before their hinges', ['K104', 'K031']],
    ['key in sight before the propeller', ['K217', 'K011']],
    ['the look from a distance last', ['K247', 'K073']],
  ])('%s', (_, order) => {
    expect(orderFaults(order)).toHaveLength(1);
    expect(orderFaults([...order].reverse())).toEqual([]);
  });

  it('with a lap for the lamps the power is off before the round; without one it need not be', () => {
    expect(orderFaults(['K093', 'K069'], [OWN_LAP])).toHaveLength(1);
    expect(orderFaults(codesOf(plan(everything)), [OWN_LAP])).toEqual([]);
    expect(orderFaults(codesOf(plan(everything, { laps: 'one' })), [OWN_LAP]).length).toBeGreaterThan(0);
  });

  it('a school’s own order is kept as far as the rules allow', () => {
    const own = plan(everything, { order: ['K170.left', 'K093.right', 'K120.left', 'K002', 'K093.left'] });
    const codes = codesOf(own);
    expect(codes[0]).toBe('K002');
    const keys = own.steps.map(({ key }) => key);
    const at = (key: string) => keys.indexOf(key);
    // What has two sides is arranged side by side: nobody walks from one wing to the other for each step.
    expect(at('K170.left')).toBeLessThan(at('K093.right'));
    expect(at('K093.right')).toBeLessThan(at('K093.left'));
    expect(at('K093.left')).toBeLessThan(at('K170.right'));
    expect(orderFaults(codes)).toEqual([]);
  });

  it('is the same for the same aircraft and method, however its features are listed', () => {
    const shuffled = { ...everything, features: [...FEATURE_NAMES].reverse() };
    expect(plan(shuffled)).toEqual(plan(everything));
  });
});

describe('the short list', () => {
  it('names only steps that exist, and is part of the whole one', () => {
    const all = new Set(STEPS.map(({ code }) => code));
    expect([...BETWEEN_FLIGHTS].filter((code) => !all.has(code))).toEqual([]);
    const whole = new Set(plan(trainer).steps.map(({ key }) => key));
    for (const { key } of plan(trainer, {}, 'short').steps) expect(whole.has(key)).toBe(true);
  });

  it('keeps fuel, oil, tyres, controls, pitot and propeller', () => {
    const codes = codesOf(plan(trainer, {}, 'short'));
    for (const code of ['K120', 'K125', 'K126', 'K195', 'K136', 'K025', 'K112', 'K160', 'K217', 'K248'])
      expect(codes).toContain(code);
  });
});

describe('what a step asks', () => {
  const oil = {
    quantity: 'oil',
    which: null,
    min: 4,
    max: 8,
    open: false,
    uses: null,
    remedy: 'top-up',
    everyFlight: true,
  } as const;
  const strut = { ...oil, quantity: 'strut', min: 10, max: null, remedy: 'mechanic' } as const;
  const asks = (aircraft: PlanAircraft, key: string) =>
    plan(aircraft).steps.find((step) => step.key === key)?.asks;
  it.each([
    [
      'oil with a limit',
      { ...trainer, measured: [oil] },
      'K195',
      { kind: 'figure', quantity: 'oil', which: null },
    ],
    ['oil without one is looked at', trainer, 'K195', { kind: 'look' }],
    [
      'a strut with one limit for both sides',
      { ...trainer, measured: [strut] },
      'K145.left',
      { kind: 'figure', which: 'left' },
    ],
    [
      'a strut with a limit of its own',
      { ...trainer, measured: [{ ...strut, which: 'left' }] },
      'K145.left',
      { kind: 'figure', which: 'left' },
    ],
    [
      'the other side without one',
      { ...trainer, measured: [{ ...strut, which: 'left' }] },
      'K145.right',
      { kind: 'look' },
    ],
    [
      'the nose strut',
      { ...trainer, measured: [{ ...strut, which: 'nose' }] },
      'K228',
      { kind: 'figure', which: 'nose' },
    ],
    ['a dip', trainer, 'K120.left', { kind: 'fuel', how: 'dip', tank: 'left', holds: 18_000 }],
    ['a gauge', trainer, 'K053.right', { kind: 'fuel', how: 'gauge', tank: 'right' }],
    ['a sample', trainer, 'K125.left', { kind: 'sample', drain: 'left', seconds: 4 }],
    ['a tyre', trainer, 'K136.left', { kind: 'good', quantity: 'tyre', which: 'left' }],
  ] as const)('%s', (_, aircraft, key, expected) => {
    expect(asks(aircraft, key)).toMatchObject(expected);
  });

  it.each([
    ['anti-servo', 'same way'],
    ['servo', 'opposite way'],
    [null, 'ask an instructor'],
  ] as const)('the tab of an aircraft with a tab that is %s', (tab, words) => {
    const step = plan({ ...everything, tab }).steps.find(({ code }) => code === 'K178');
    expect(step?.right).toContain(words);
  });

  it('leaves no placeholder in any text', () => {
    for (const { title, right, why } of plan(everything).steps)
      expect(`${title}${right}${why}`).not.toMatch(/[{}]/);
  });
});

describe('known marks', () => {
  const mark = (change: Partial<PlanMark>): PlanMark => ({
    id: 'm',
    what: 'Dent',
    size: '9 mm',
    station: 'wing',
    side: 'left',
    step: null,
    x: 200,
    y: 250,
    photos: [],
    ...change,
  });
  const stepsWith = (marks: readonly PlanMark[], list: 'whole' | 'short' = 'whole') =>
    plan({ ...trainer, marks }, {}, list).steps.filter((step) => step.marks !== undefined);

  it.each<[string, Partial<PlanMark>, (step: PlanStep) => boolean]>([
    ['its own step', { step: 'K075' }, ({ key }) => key === 'K075.left'],
    [
      'a look at the structure of its side',
      {},
      ({ side, code }) => side === 'left' && catalogueStep(code)?.looksAt === 'structure',
    ],
    ['the other side', { side: 'right' }, ({ side }) => side === 'right'],
    // A step that measures something shows no mark: it would be passed unseen.
    [
      'a look, where its own step measures',
      { station: 'fuel', step: 'K120' },
      ({ asks }) => asks.kind === 'look',
    ],
    [
      'some step, where its part has none',
      { station: 'glider', side: null },
      ({ station }) => station !== 'glider',
    ],
  ])('one is compared at %s, once', (_, change, isThere) => {
    const steps = stepsWith([mark(change)]);
    expect(steps.map((step) => [isThere(step), step.marks?.length])).toEqual([[true, 1]]);
  });

  it('none is lost on the short list', () => {
    const all = STATIONS.flatMap(({ id, sided }) =>
      (sided ? (['left', 'right'] as const) : [null]).map((side) =>
        mark({ id: `${id}/${side ?? ''}`, station: id, side }),
      ),
    );
    const compared = stepsWith(all, 'short').flatMap(({ marks = [] }) => marks.map(({ id }) => id));
    expect(compared.toSorted()).toEqual(all.map(({ id }) => id).toSorted());
  });
});

describe('what the cups have taught', () => {
  it('a drain that often had water says so at its own step alone, and runs longer', () => {
    const { steps } = plan({ ...trainer, oftenWet: ['left'] });
    const samples = steps.filter(({ asks }) => asks.kind === 'sample');
    expect(samples.map(({ key, learnt }) => [key, learnt !== undefined])).toEqual([
      ['K125.left', true],
      ['K125.right', false],
      [`K126.${STRAINER}`, false],
    ]);
    expect(samples.map(({ asks }) => (asks.kind === 'sample' ? asks.seconds : 0))).toEqual([5, 4, 4]);
    const long = plan({ ...trainer, oftenWet: ['left'], sampleSeconds: 8 }).steps;
    expect(long.find(({ key }) => key === 'K125.left')?.learnt).toContain('8 seconds');
  });
});
