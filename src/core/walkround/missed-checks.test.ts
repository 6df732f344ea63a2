import { describe, expect, it } from 'vitest';
import { addSeconds, instant } from '../time/instant';
import { passedChecks, type WalkDone } from './missed-checks';
import type { PlanStep } from './plan-step';

const found = instant('2026-11-24T12:00:00Z');
const step = (code: string, side: PlanStep['side']): PlanStep => ({
  key: side === null ? code : `${code}.${side}`,
  code,
  station: 'main-gear',
  side,
  place: 'gear',
  title: 'Look at the tyre',
  right: 'Whole.',
  why: 'It bursts.',
  caution: null,
  typical: 'cut',
  listedAs: 'ground-until-mechanic',
  asks: { kind: 'look' },
  matters: true,
});
const steps = [step('K136', 'left'), step('K136', 'right'), step('K140', 'left')];
const answered = (daysBefore: number, change: object = {}): WalkDone => ({
  walkroundId: `w${daysBefore}`,
  by: 'Rolf Dane',
  steps,
  events: [
    {
      kind: 'answer',
      key: 'K136.left',
      answer: 'fine',
      because: null,
      at: addSeconds(found, -daysBefore * 86_400),
      took: 4000,
      by: 'Pia Okoro',
      ...change,
    },
  ],
});
const passed = (walkrounds: readonly WalkDone[], absentDaysBefore: number | null = null) =>
  passedChecks(
    { step: 'K136', side: 'left', foundAt: found },
    walkrounds,
    absentDaysBefore === null ? null : addSeconds(found, -absentDaysBefore * 86_400),
  );

describe('the walk-rounds that passed a step before its defect was found', () => {
  it('are told newest first, with the person who answered the step', () => {
    expect(passed([answered(3), answered(1)])).toMatchObject([
      { walkroundId: 'w1', by: 'Pia Okoro', isTooFast: false },
      { walkroundId: 'w3' },
    ]);
  });

  it.each<[string, readonly WalkDone[], number | null, number]>([
    ['before it was last surely absent', [answered(3)], 2, 0],
    ['at the moment it was last surely absent', [answered(3)], 3, 0],
    ['after it was last surely absent', [answered(3)], 4, 1],
    ['at the moment it was found', [answered(0)], null, 0],
    ['where the other side was fine', [answered(1, { key: 'K136.right' })], null, 0],
    ['where another step was fine', [answered(1, { key: 'K140.left' })], null, 0],
    ['where nobody could see it', [answered(1, { answer: 'not-seen' })], null, 0],
    ['where it was found', [answered(1, { answer: 'found' })], null, 0],
  ])('%s', (_, walkrounds, absent, count) => {
    expect(passed(walkrounds, absent)).toHaveLength(count);
  });

  it('either side counts where nobody said which, and one that came faster than it can be done is told so', () => {
    const right = answered(1, { key: 'K136.right', took: 300 });
    const [one] = passedChecks({ step: 'K136', side: null, foundAt: found }, [right], null);
    expect(one?.isTooFast).toBe(true);
  });

  it('an answer that an interruption took back passed nothing', () => {
    const taken = answered(1);
    const events = [
      ...taken.events,
      { kind: 'interrupted', at: addSeconds(found, -80_000), by: 'x' } as const,
    ];
    expect(passed([{ ...taken, events }])).toEqual([]);
  });
});
