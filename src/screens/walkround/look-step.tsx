import Box from '@mui/material/Box';
import type { PlanStep } from '@/core/walkround/plan';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { AnswerBar } from './answer-bar';
import { Caution, Consequence } from './notices';
import { StepHead, StepWhy } from './step-head';

/** What is known here already: accepted marks and open items of this station and side. */
export function KnownHere({ step, view }: { readonly step: PlanStep; readonly view: RampWalk }) {
  const marks = view.marks.filter(
    ({ station, side }) =>
      station === step.station && (side === null || step.side === null || side === step.side),
  );
  if (marks.length === 0) return null;
  return (
    <Box
      component="p"
      sx={{ m: '10px 0 0', py: 1, px: 1.25, borderLeft: '4px solid var(--ink)', fontSize: 17 }}
    >
      <Box component="span" sx={{ display: 'block', fontSize: 15 }}>
        Known here, accepted
      </Box>
      {marks.map(({ what }) => what).join('; ')}. Same as before is fine; larger, or another one, is something
      found.
    </Box>
  );
}

/** A step that is looked at, felt or moved; or a cup that is judged. */
export function LookStep({
  step,
  here,
  view,
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
  readonly view: RampWalk;
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
      <KnownHere step={step} view={view} />
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
