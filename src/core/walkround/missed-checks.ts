import type { Instant } from '../time/instant';
import type { PlanStep } from './plan-step';
import { isTooFast, standingAnswers, type WalkEvent } from './walk';

/** A walk-round that was done while a defect may have been there, and what was said at its step. */
export interface PassedCheck {
  readonly walkroundId: string;
  readonly by: string;
  readonly at: Instant;
  /** How long the step was on the screen, in milliseconds. */
  readonly took: number;
  readonly isTooFast: boolean;
}

/** What is known of a walk-round. */
export interface WalkDone {
  readonly walkroundId: string;
  readonly by: string;
  readonly steps: readonly PlanStep[];
  readonly events: readonly (WalkEvent & { readonly by: string })[];
}

/** A defect by the step that looks at it. */
export interface DefectAtStep {
  readonly step: string;
  /** Null where nobody said: then either side may have had it. */
  readonly side: 'left' | 'right' | null;
  readonly foundAt: Instant;
}

/**
 * The walk-rounds that passed a step between the moment at which its defect was last surely absent and the moment at which it
 * was found: it may have been there. Nobody is said to have missed it. The newest first.
 * @param absentSince the last return to service of the same step, or inspection of the aircraft; null where nobody knows of one
 */
export function passedChecks(
  { step, side, foundAt }: DefectAtStep,
  walkrounds: readonly WalkDone[],
  absentSince: Instant | null,
): readonly PassedCheck[] {
  return walkrounds
    .flatMap(({ walkroundId, by, steps, events }) => {
      const answers = standingAnswers(events);
      return steps
        .filter((one) => one.code === step && (side === null || one.side === null || one.side === side))
        .flatMap((one): readonly PassedCheck[] => {
          const given = answers.get(one.key);
          if (given?.answer !== 'fine') return [];
          if (given.at >= foundAt || (absentSince !== null && given.at <= absentSince)) return [];
          const said = events.find((event) => event === given);
          return [
            {
              walkroundId,
              by: said?.by ?? by,
              at: given.at,
              took: given.took,
              isTooFast: isTooFast(one, given.took),
            },
          ];
        });
    })
    .toSorted((a, b) => b.at - a.at);
}
