import type { Instant } from '../time/instant';
import type { PlanStep } from './plan-step';

/** Why a step was not seen, wholly or in part. */
export const NOT_SEEN_BECAUSE = [
  'dark',
  'covered',
  'too-high',
  'not-operated',
  'no-tool',
  'other-side-assumed',
  'other',
] as const;
export type NotSeenBecause = (typeof NOT_SEEN_BECAUSE)[number];

/** What was said at one step. Half seen is not seen: it is never a pass. */
export const STEP_ANSWERS = ['fine', 'found', 'not-seen', 'partly-seen'] as const;
export type StepAnswer = (typeof STEP_ANSWERS)[number];

/** Something that happened on a walk-round: an answer, or an interruption. In the order in which it happened. */
export type WalkEvent =
  | {
      readonly kind: 'answer';
      readonly key: string;
      readonly answer: StepAnswer;
      readonly because: NotSeenBecause | null;
      readonly at: Instant;
      /** How long the step was on the screen, in milliseconds. */
      readonly took: number;
    }
  | { readonly kind: 'interrupted'; readonly at: Instant };

/** So many answered steps are asked again after an interruption. Common practice, no source. */
export const STEPS_BACK = 2;

/** Steps that any fuelling opens again: levels, caps, samples and what is aboard. Common practice, no source. */
const REOPENED_BY_FUEL = /^K(119|12[0-8]|13[12])(\.|$)/u;

/**
 * What stands of a walk-round: the last answer of each step that no interruption and no fuelling took back, in the order in which they were given.
 * @param fuelledAt when fuel was put in; answers about fuel of before count no more
 */
export function standingAnswers(
  events: readonly WalkEvent[],
  fuelledAt: readonly Instant[] = [],
): ReadonlyMap<string, Extract<WalkEvent, { kind: 'answer' }>> {
  const standing = new Map<string, Extract<WalkEvent, { kind: 'answer' }>>();
  const lastFuelled = Math.max(Number.NEGATIVE_INFINITY, ...fuelledAt);
  for (const event of events) {
    if (event.kind === 'answer') {
      // Said again it is the newest, also for the next interruption.
      standing.delete(event.key);
      standing.set(event.key, event);
    } else {
      for (const key of [...standing.keys()].slice(-STEPS_BACK)) standing.delete(key);
    }
  }
  // Of one moment counts as before: nobody knows which came first.
  for (const [key, { at }] of standing)
    if (at <= lastFuelled && REOPENED_BY_FUEL.test(key)) standing.delete(key);
  return standing;
}

/** The step to do next: the first in the plan that has no answer; null once all have. */
export function nextStep(
  steps: readonly PlanStep[],
  events: readonly WalkEvent[],
  fuelledAt: readonly Instant[] = [],
): PlanStep | null {
  const standing = standingAnswers(events, fuelledAt);
  return steps.find(({ key }) => !standing.has(key)) ?? null;
}

/** Nobody looks, feels or moves anything in less than this, in milliseconds. Common practice, no source. */
const LEAST_LOOK_MS = 700;
/** Nobody dips a tank, fills a cup or reads a stick twice in less than this, in milliseconds. Common practice, no source. */
const LEAST_MEASURE_MS = 3000;

/** Whether an answer came faster than anybody can do the step. It is told, politely, and decides nothing. */
export function isTooFast({ asks }: Pick<PlanStep, 'asks'>, took: number): boolean {
  return took < (asks.kind === 'look' || asks.kind === 'good' ? LEAST_LOOK_MS : LEAST_MEASURE_MS);
}

/** A step that nobody has seen, or only in part. */
export interface Unseen {
  readonly key: string;
  readonly title: string;
  readonly place: string;
  readonly answer: 'not-seen' | 'partly-seen' | 'not-done';
  readonly because: NotSeenBecause | null;
  readonly matters: boolean;
}

/** What a walk-round came to. */
export interface WalkOutcome {
  readonly steps: number;
  readonly answered: number;
  /** Steps that were answered, yet not seen; those still to be done are counted, not named, while the walk goes on. */
  readonly unseen: readonly Unseen[];
  readonly found: readonly string[];
  readonly tooFast: readonly string[];
  readonly interruptions: number;
}

/** What stands of a walk-round by its plan: what was answered, what nobody saw, what was found, and what came too fast. */
export function outcomeOf(
  steps: readonly PlanStep[],
  events: readonly WalkEvent[],
  fuelledAt: readonly Instant[] = [],
): WalkOutcome {
  const standing = standingAnswers(events, fuelledAt);
  const done = steps.flatMap((step) => {
    const given = standing.get(step.key);
    return given === undefined ? [] : [{ step, given }];
  });
  return {
    steps: steps.length,
    answered: done.length,
    unseen: done.flatMap(({ step, given: { answer, because } }) =>
      answer === 'not-seen' || answer === 'partly-seen'
        ? [{ key: step.key, title: step.title, place: step.place, answer, because, matters: step.matters }]
        : [],
    ),
    found: done.filter(({ given }) => given.answer === 'found').map(({ step }) => step.key),
    tooFast: done.filter(({ step, given }) => isTooFast(step, given.took)).map(({ step }) => step.key),
    interruptions: events.filter(({ kind }) => kind === 'interrupted').length,
  };
}
