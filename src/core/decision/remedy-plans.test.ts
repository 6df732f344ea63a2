import fc from 'fast-check';
import highs from 'highs';
import { describe, expect, it } from 'vitest';
import { NO_USES, ALL_USES, usesIn } from '../envelope/use-set';
import { POSITIONING } from '../envelope/ordinary';
import { intersection } from '../envelope/use-set';
import type { Estimate } from '../records/flights/movement';
import { ACTS, ANYBODY, constraint, remedy, MECHANICS, type Remedy } from '../rules/parts/constraint';
import type { DecidedConstraint } from './decision';
import { comparePrice, remedyPlans, type Price } from './remedy-plans';

const made = (id: string, remedies: readonly Remedy[], permitMayCover = false): DecidedConstraint => ({
  ...constraint({
    key: id,
    certainty: 'failed',
    source: { kind: 'club-policy' },
    reason: { code: 'approved-uses-unknown' },
    closes: ALL_USES,
    remedies,
    permitMayCover,
  }),
  id,
  rule: 'r',
  pack: 'p',
});
const act = (at: number, on: string | null = null): Remedy => remedy(ACTS[at] ?? 'measure', MECHANICS, on);
const helps = () => true;
const tuple = ({ minutes, cents, acts }: Price) => [minutes, cents, acts];

interface Puzzle {
  readonly demands: readonly (readonly number[])[];
  readonly prices: readonly { readonly minutes: number; readonly cents: number }[];
}
const estimatesOf = ({ prices }: Puzzle): readonly Estimate[] =>
  prices.map(({ minutes, cents }, at) => ({ act: ACTS[at] ?? '', on: null, minutes, cents }));
const constraintsOf = ({ demands }: Puzzle) =>
  demands.map((acts, at) =>
    made(
      `c${at}`,
      acts.map((one) => act(one)),
    ),
  );

/** Every set of acts that meets all demands and has none to spare, by trying all of them. */
function byBruteForce({ demands, prices }: Puzzle): readonly Price[] {
  const meets = (set: number) => demands.every((acts) => acts.some((one) => (set & (1 << one)) !== 0));
  const found: Price[] = [];
  for (let set = 0; set < 1 << prices.length; set += 1) {
    if (!meets(set)) continue;
    const members = prices.flatMap((price, at) => ((set & (1 << at)) === 0 ? [] : [{ ...price, at }]));
    if (members.some(({ at }) => meets(set & ~(1 << at)))) continue;
    found.push({
      minutes: members.reduce((sum, { minutes }) => sum + minutes, 0),
      cents: members.reduce((sum, { cents }) => sum + cents, 0),
      acts: members.length,
    });
  }
  return found.sort(comparePrice);
}

const puzzles = (acts: number, demands: number) =>
  fc.record({
    prices: fc.array(
      fc.record({ minutes: fc.integer({ min: 0, max: 4 }), cents: fc.integer({ min: 0, max: 3 }) }),
      { minLength: acts, maxLength: acts },
    ),
    demands: fc.array(fc.uniqueArray(fc.integer({ min: 0, max: acts - 1 }), { minLength: 1, maxLength: 4 }), {
      minLength: 1,
      maxLength: demands,
    }),
  });

describe('the smallest set of acts', () => {
  it('and its next-best are those of trying every set', () => {
    fc.assert(
      fc.property(puzzles(9, 7), (puzzle) => {
        const ours = remedyPlans(constraintsOf(puzzle), ALL_USES, estimatesOf(puzzle), helps).plans;
        const all = byBruteForce(puzzle);
        expect(ours.map(({ minutes, cents, actions }) => [minutes, cents, actions.length])).toEqual(
          all.slice(0, 5).map(tuple),
        );
      }),
      { numRuns: 400 },
    );
  });

  it('is the optimum that a solver finds on larger puzzles', async () => {
    // Reference: HiGHS, a general-purpose solver of integer programmes. One objective stands for the order: minutes, then cents, then acts.
    const solver = await highs();
    const random = fc.sample(puzzles(40, 30), { numRuns: 25, seed: 7 });
    for (const puzzle of random) {
      const weight = ({ minutes, cents }: Puzzle['prices'][number]) => minutes * 1_000_000 + cents * 1000 + 1;
      const text = `Minimize\n obj: ${puzzle.prices.map((price, at) => `${weight(price)} x${at}`).join(' + ')}\nSubject To\n${puzzle.demands.map((acts, at) => ` d${at}: ${acts.map((one) => `x${one}`).join(' + ')} >= 1`).join('\n')}\nBinary\n ${puzzle.prices.map((_, at) => `x${at}`).join(' ')}\nEnd`;
      const solved = solver.solve(text);
      const [best] = remedyPlans(constraintsOf(puzzle), ALL_USES, estimatesOf(puzzle), helps).plans;
      if (best === undefined) throw new Error('no remedy');
      expect([solved.Status, best.minutes * 1_000_000 + best.cents * 1000 + best.actions.length]).toEqual([
        'Optimal',
        Math.round(solved.ObjectiveValue),
      ]);
    }
  });

  it('counts an act once that clears several, and takes it where that is shorter', () => {
    const annual = remedy('complete-annual', MECHANICS);
    const hundred = remedy('complete-hundred-hour', MECHANICS);
    const prices: readonly Estimate[] = [
      { act: 'complete-annual', on: null, minutes: 600, cents: 100 },
      { act: 'complete-hundred-hour', on: null, minutes: 400, cents: 50 },
    ];
    const { plans } = remedyPlans(
      [made('annual', [annual]), made('hundred', [hundred, annual])],
      ALL_USES,
      prices,
      helps,
    );
    expect(plans.map(({ actions, minutes }) => [actions.map((action) => action.act), minutes])).toEqual([
      [['complete-annual'], 600],
    ]);
    expect(plans[0]?.actions[0]?.remedies).toEqual(['annual', 'hundred']);
  });
  it('the same act on two things is two acts', () => {
    expect(
      remedyPlans([made('a', [act(0, 'left')]), made('b', [act(0, 'right')])], ALL_USES, [], helps).plans[0]
        ?.actions.length,
    ).toBe(2);
  });
  it('an estimate for one thing outweighs one for all of its kind', () => {
    const prices: readonly Estimate[] = [
      { act: ACTS[0], on: null, minutes: 5, cents: 0 },
      { act: ACTS[0], on: 'left', minutes: 7, cents: 0 },
    ];
    expect(remedyPlans([made('a', [act(0, 'left')])], ALL_USES, prices, helps).plans[0]?.minutes).toBe(7);
    expect(remedyPlans([made('a', [act(0, 'right')])], ALL_USES, prices, helps).plans[0]?.minutes).toBe(5);
  });
  // Estimates of ours: common practice, no source. What matters is their order.
  it('without an estimate an act takes what is usual', () => {
    const first = (...acts: readonly Remedy[]) =>
      remedyPlans([made('a', acts)], ALL_USES, [], helps).plans[0]?.actions[0]?.act;
    expect(first(remedy('complete-annual', MECHANICS), remedy('complete-hundred-hour', MECHANICS))).toBe(
      'complete-hundred-hour',
    );
    expect(first(remedy('complete-annual', MECHANICS), remedy('complete-inspection-entry', MECHANICS))).toBe(
      'complete-inspection-entry',
    );
    expect(first(remedy('comply-with-ad', MECHANICS), remedy('complete-work-entry', MECHANICS))).toBe(
      'complete-work-entry',
    );
    expect(
      remedyPlans([made('a', [remedy('sign-daily-inspection', MECHANICS)])], ALL_USES, [], helps).plans[0]
        ?.minutes,
    ).toBeLessThan(60);
    expect(
      remedyPlans(
        [made('a', [remedy('measure', ANYBODY)])],
        ALL_USES,
        [{ act: 'measure', on: null, minutes: 40, cents: 0 }],
        helps,
      ).plans[0]?.minutes,
    ).toBe(40);
  });
  it('what leaves the wanted uses closed, or would not be enough, is no remedy', () => {
    const defer = remedy('defer-item', MECHANICS, 'x', usesIn({ light: ['night'] }));
    expect(remedyPlans([made('a', [defer])], usesIn({ light: ['night'] }), [], helps)).toEqual({
      plans: [],
      withoutRemedy: ['a'],
    });
    expect(remedyPlans([made('a', [defer])], usesIn({ light: ['day'] }), [], helps).plans.length).toBe(1);
    expect(remedyPlans([made('a', [act(0)])], ALL_USES, [], () => false).withoutRemedy).toEqual(['a']);
  });
  it('a special flight permit is a remedy for the ferry flight alone, and only where it may cover', () => {
    const ferry = intersection(POSITIONING, usesIn({ passengers: ['none'] }));
    const permitted = (wanted: typeof ferry, may: boolean) =>
      remedyPlans([made('a', [act(0)], may)], wanted, [], helps)
        .plans.flatMap(({ actions }) => actions.map((action) => action.act))
        .includes('obtain-special-flight-permit');
    expect([
      permitted(ferry, true),
      permitted(ferry, false),
      permitted(POSITIONING, true),
      permitted(ALL_USES, true),
    ]).toEqual([true, false, false, false]);
    // It takes no operating rule away: what closes only nights, instrument flight or some airspace stays.
    const closing = (closes: typeof ferry) =>
      remedyPlans([{ ...made('a', [act(0)], true), closes }], ferry, [], helps)
        .plans.flatMap(({ actions }) => actions.map((action) => action.act))
        .includes('obtain-special-flight-permit');
    expect(
      [
        usesIn({ light: ['night'] }),
        usesIn({ rules: ['ifr'] }),
        usesIn({ transponderAirspace: ['inside'] }),
        usesIn({ adsbAirspace: ['inside'] }),
        usesIn({ light: ['day'] }),
      ].map(closing),
    ).toEqual([false, false, false, false, true]);
  });
  it('nothing in the way needs no act; what has no remedy has no remedy', () => {
    expect(remedyPlans([], NO_USES, [], helps)).toEqual({
      withoutRemedy: [],
      plans: [{ actions: [], minutes: 0, cents: 0 }],
    });
    expect(remedyPlans([made('a', []), made('b', [act(0)])], ALL_USES, [], helps)).toEqual({
      plans: [],
      withoutRemedy: ['a'],
    });
  });
});
