import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseVolume, volume, VOLUME_UNITS, type VolumeUnit } from '../quantities/volume';
import { instant } from '../time/instant';
import type { DipPoint } from '../records/walkround/ramp-data';
import { dipFault, dipped } from './dip';
import { enduranceSeconds, isOutside, judgeCup, judgeFigure, toAdd, type FigureJudgement } from './judge';
import type { PlanLimit, PlanStep } from './plan-step';
import { isTooFast, nextStep, outcomeOf, standingAnswers, type WalkEvent } from './walk';

const AT = instant('2026-11-24T12:00:00Z');
const step = (key: string, change: Partial<PlanStep> = {}): PlanStep => ({
  key,
  code: key,
  station: 'wing',
  side: null,
  place: 'left wing',
  title: key,
  right: '',
  why: '',
  caution: null,
  typical: '',
  listedAs: 'ground-until-mechanic',
  asks: { kind: 'look' },
  matters: true,
  ...change,
});
const STEPS = ['a', 'b', 'c', 'd'].map((key) => step(key));
const said = (
  key: string,
  answer: Extract<WalkEvent, { kind: 'answer' }>['answer'] = 'fine',
  took = 5000,
): WalkEvent => ({
  kind: 'answer',
  key,
  answer,
  because: answer === 'not-seen' || answer === 'partly-seen' ? 'dark' : null,
  at: AT,
  took,
});
const interrupted: WalkEvent = { kind: 'interrupted', at: AT };

/** Common practice, no source: after an interruption the last two steps are done again. */
describe('where the walk stands', () => {
  it.each([
    ['nothing yet', [], 'a'],
    ['one answered', [said('a')], 'b'],
    ['interrupted after two', [said('a'), said('b'), interrupted], 'a'],
    ['interrupted after three', [said('a'), said('b'), said('c'), interrupted], 'b'],
    ['interrupted after one', [said('a'), interrupted], 'a'],
    [
      'interrupted twice goes back four',
      [said('a'), said('b'), said('c'), said('d'), interrupted, interrupted],
      'a',
    ],
    ['interrupted before anything', [interrupted], 'a'],
    ['done out of order', [said('b'), said('d')], 'a'],
    ['said again counts as the newest', [said('a'), said('b'), said('c'), said('a'), interrupted], 'a'],
  ] as const)('%s', (_, events, next) => {
    expect(nextStep(STEPS, events)?.key).toBe(next);
  });

  it('is at its end once every step has an answer, whatever it was', () => {
    expect(
      nextStep(STEPS, [said('a'), said('b', 'found'), said('c', 'not-seen'), said('d', 'partly-seen')]),
    ).toBeNull();
  });

  it('takes back at most two answers, and never one that it does not take back', () => {
    const event = fc.oneof(
      fc.constantFrom('a', 'b', 'c', 'd').map((key) => said(key)),
      fc.constant(interrupted),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 12 }), (events) => {
        const before = standingAnswers(events);
        const after = standingAnswers([...events, interrupted]);
        expect(before.size - after.size).toBe(Math.min(2, before.size));
        for (const key of after.keys()) expect(before.has(key)).toBe(true);
      }),
    );
  });
});

describe('what a walk-round came to', () => {
  it('names what was found and what nobody saw, in full or in part, and counts what is left', () => {
    const outcome = outcomeOf(STEPS, [said('a'), said('b', 'found'), said('c', 'partly-seen')]);
    expect(outcome).toMatchObject({ steps: 4, answered: 3, found: ['b'], interruptions: 0 });
    expect(outcome.unseen).toMatchObject([
      { key: 'c', answer: 'partly-seen', because: 'dark', matters: true },
    ]);
  });

  it('an answer after that takes its place', () => {
    expect(outcomeOf(STEPS, [said('c', 'not-seen'), said('c')]).unseen).toEqual([]);
    expect(outcomeOf(STEPS, [said('c'), said('c', 'not-seen')]).unseen).toHaveLength(1);
  });

  it.each([
    ['a look', { kind: 'look' }, 699, true],
    ['a look', { kind: 'look' }, 700, false],
    ['a sample', { kind: 'sample', drain: 'left', seconds: 4 }, 2999, true],
    ['a sample', { kind: 'sample', drain: 'left', seconds: 4 }, 3000, false],
  ] as const)('%s (%j) in %d ms is too fast: %s', (_, asks, took, expected) => {
    expect(isTooFast({ asks }, took)).toBe(expected);
  });

  it('events that a plan does not know change nothing', () => {
    expect(outcomeOf(STEPS, [said('z', 'found')])).toMatchObject({ answered: 0, found: [] });
  });
});

describe('a dipstick', () => {
  const points: readonly DipPoint[] = [
    { reads: 2000, holds: 10_000 },
    { reads: 6000, holds: 40_000 },
    { reads: 9000, holds: 55_000 },
  ];
  it.each([
    [2000, 10_000],
    [6000, 40_000],
    [9000, 55_000],
    [4000, 25_000],
    [7000, 45_000],
    [1999, 0],
    [0, 0],
    [9001, null],
  ])('reads %d: %s', (reads, holds) => {
    expect(dipped(points, reads)).toBe(holds);
  });

  const calibration = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 1, max: 1_000_000_000 })), {
      minLength: 2,
      maxLength: 12,
    })
    .map((steps) =>
      steps.reduce<DipPoint[]>((all, [reads, holds]) => {
        const last = all.at(-1) ?? { reads: 0, holds: 0 };
        return [...all, { reads: last.reads + reads, holds: last.holds + holds }];
      }, []),
    );
  it('is exact at each point, and never falls as the stick reads more', () => {
    fc.assert(
      fc.property(calibration, fc.nat(70_000), fc.nat(70_000), (table, one, other) => {
        for (const { reads, holds } of table) expect(dipped(table, reads)).toBe(holds);
        const [low, high] = [Math.min(one, other), Math.max(one, other)];
        const [less, more] = [dipped(table, low), dipped(table, high)];
        if (less !== null && more !== null) expect(less).toBeLessThanOrEqual(more);
        expect(less === null && more !== null).toBe(false);
      }),
    );
  });

  it.each([
    ['one point', [{ reads: 1, holds: 1 }], 'too-few'],
    [
      'the same reading twice',
      [
        { reads: 1, holds: 1 },
        { reads: 1, holds: 2 },
      ],
      'not-rising',
    ],
    [
      'less fuel higher up',
      [
        { reads: 1, holds: 2 },
        { reads: 2, holds: 1 },
      ],
      'not-rising',
    ],
    [
      'less than nothing',
      [
        { reads: -1, holds: 0 },
        { reads: 2, holds: 1 },
      ],
      'below-nothing',
    ],
    [
      'two that rise',
      [
        { reads: 1, holds: 1 },
        { reads: 2, holds: 2 },
      ],
      null,
    ],
  ] as const)('a calibration of %s', (_, table, fault) => {
    expect(dipFault(table)).toBe(fault);
  });
});

describe('figures against their limits', () => {
  const all = { min: 4, max: 8, open: false, remedy: 'top-up', uses: null } as const;
  const ifr = { ...all, min: 6, max: null, uses: [] } as const;
  const strict = { min: 2, max: null, open: true, remedy: 'mechanic', uses: null } as const;
  type Limit = PlanLimit;
  it.each<[string, number, readonly Limit[], FigureJudgement<Limit>]>([
    ['inside', 6, [all], { is: 'inside' }],
    ['at the least', 4, [all], { is: 'inside' }],
    ['below the least', 3.9, [all], { is: 'below', limit: all }],
    ['at the most', 8, [all], { is: 'inside' }],
    ['above the most', 8.1, [all], { is: 'above', limit: all }],
    ['too little for instruments only', 5, [all, ifr], { is: 'below', limit: ifr }],
    ['too little for all comes first', 3, [ifr, all], { is: 'below', limit: all }],
    ['at a limit that is outside already', 2, [strict], { is: 'below', limit: strict }],
    ['the mechanic’s limit comes before topping up', 1, [all, strict], { is: 'below', limit: strict }],
    ['without a limit', 1, [], { is: 'inside' }],
  ])('%s: %d', (_, value, limits, expected) => {
    expect(judgeFigure(value, limits)).toEqual(expected);
  });

  it('is the same on the phone and on the server for 10,000 figures: both call this, and it rests on nothing but its arguments', () => {
    const bound = fc.option(fc.integer({ min: 0, max: 50 }), { nil: null });
    const limit = fc.record({
      min: bound,
      max: bound,
      open: fc.boolean(),
      remedy: fc.constantFrom('top-up', 'service', 'mechanic'),
      uses: fc.constant(null),
    });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.array(limit, { maxLength: 3 }), (value, limits) => {
        const judged = judgeFigure(value, limits);
        // As it travels: the limits come to the phone as JSON.
        expect(judgeFigure(value, JSON.parse(JSON.stringify(limits)) as typeof limits)).toEqual(judged);
        expect(judged.is === 'inside').toBe(!limits.some((one) => isOutside(value, one)));
      }),
      { numRuns: 10_000 },
    );
  });
});

/** Worked values of common practice, no published source: 5 aboard and 13 wanted is 8 to add, not 10. */
describe('amounts', () => {
  const gal = (amount: string) => volume(amount, 'US gal');
  it.each([
    ['13', '5', '8'],
    ['13', '13', '0'],
    ['13', '15', '0'],
    ['43', '32.25', '10.75'],
  ])('%s wanted and %s aboard is %s to add', (wanted, aboard, add) => {
    expect(toAdd(gal(wanted), gal(aboard))).toBe(gal(add));
  });

  it('what is added to what is there is what was wanted, exactly, in every unit', () => {
    const units = Object.keys(VOLUME_UNITS) as readonly VolumeUnit[];
    fc.assert(
      fc.property(fc.constantFrom(...units), fc.nat(900_000), fc.nat(900_000), (unit, one, other) => {
        const [wanted, aboard] = [one, other].map(
          (amount) => parseVolume((amount / 1000).toFixed(3), unit) ?? 0,
        ) as [number, number];
        expect(aboard + toAdd(wanted, aboard)).toBe(Math.max(wanted, aboard));
      }),
    );
  });

  it.each([
    ['26', '8.4', 11_142],
    ['8.4', '8.4', 3600],
    ['0', '8.4', 0],
  ])('%s US gal at %s an hour last %d s', (aboard, burn, seconds) => {
    expect(enduranceSeconds(gal(aboard), gal(burn))).toBe(seconds);
  });
  it('at no burn at all there is no such figure', () => {
    expect(enduranceSeconds(gal('5'), 0)).toBeNull();
  });
});

/** Common practice, no source: a full cup of water looks uniform, so colour and smell are asked beside it. */
describe('a cup of fuel', () => {
  const good = { colour: 'right', clear: true, water: false, dirt: false, smell: 'right' } as const;
  it.each([
    ['good', good, 'clean'],
    ['water', { ...good, water: true }, 'water'],
    ['specks', { ...good, dirt: true }, 'dirt'],
    ['a wrong colour, whatever else', { ...good, colour: 'wrong', water: true }, 'wrong-colour'],
    ['no smell of fuel: a cup of pure water', { ...good, smell: 'wrong' }, 'wrong-smell'],
    ['cloudy, and nobody knows why', { ...good, clear: false }, 'water'],
  ] as const)('%s', (_, look, result) => {
    expect(judgeCup(look)).toBe(result);
  });
});
