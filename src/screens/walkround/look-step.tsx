import type { PlanStep } from '@/core/walkround/plan-step';
import { AnswerBar } from './answer-bar';
import { KnownHere } from './known-here';
import { Caution, Consequence } from './notices';
import { StepHead, StepWhy } from './step-head';

/** A step that is looked at, felt or moved; or a cup that is judged. */
export function LookStep({
  step,
  here,
  fine,
  onFine,
  onFound,
  onUnseen,
  onBack,
  onInterrupted,
  note,
  isBad,
}: {
  readonly step: PlanStep;
  readonly here: string;
  readonly fine: string;
  readonly onFine: () => void;
  readonly onFound: () => void;
  readonly onUnseen: () => void;
  readonly onBack: (() => void) | null;
  readonly onInterrupted: () => void;
  /** What stands of this step from before, such as a cup with water. */
  readonly note: string | null;
  readonly isBad: boolean;
}) {
  return (
    <>
      <StepHead step={step} here={here} />
      {note === null ? null : <Consequence isBad={isBad}>{note}</Consequence>}
      {step.learnt === undefined ? null : <Consequence isBad>{step.learnt}</Consequence>}
      <KnownHere marks={step.marks ?? []} />
      {step.caution === null ? null : <Caution>{step.caution}</Caution>}
      <StepWhy step={step} />
      <AnswerBar
        fine={fine}
        onFine={onFine}
        onFound={onFound}
        onUnseen={onUnseen}
        onBack={onBack}
        onInterrupted={onInterrupted}
      />
    </>
  );
}
