import Box from '@mui/material/Box';
import type { PlanStep } from '@/core/walkround/plan-step';
import { BigButton } from '../findings/big-button';
import { Choices, ThumbBar } from '../findings/ramp-frame';

/**
 * A station at its end, where the school does first and verifies then: its steps one by one, each with its own tap. There is no tap for all of
 * them. What is measured, found or not seen opens the step itself.
 */
export function VerifyStation({
  place,
  steps,
  answered,
  onFine,
  onOpen,
  onInterrupted,
}: {
  readonly place: string;
  readonly steps: readonly PlanStep[];
  readonly answered: ReadonlySet<string>;
  readonly onFine: (step: PlanStep) => void;
  readonly onOpen: (step: PlanStep) => void;
  readonly onInterrupted: () => void;
}) {
  return (
    <>
      <Box component="h1" sx={{ fontSize: 26, my: 1.5, mx: 0 }}>
        {place.charAt(0).toUpperCase() + place.slice(1)}: do it, then verify
      </Box>
      <Choices>
        {steps.map((step) => {
          const isDone = answered.has(step.key);
          // A known mark is compared with its picture: the step is opened for it.
          const hasMarks = step.marks !== undefined;
          const isLook = !hasMarks && (step.asks.kind === 'look' || step.asks.kind === 'good');
          return (
            <Box key={step.key} sx={{ display: 'flex', gap: 1 }}>
              <BigButton
                disabled={isDone}
                detail={isDone ? 'Answered' : step.right}
                onClick={() => {
                  if (isLook) onFine(step);
                  else onOpen(step);
                }}
              >
                {step.title}: {isLook ? 'fine' : hasMarks ? 'compare' : 'measure'}
              </BigButton>
              <Box sx={{ flex: '0 0 92px', display: 'flex' }}>
                <BigButton
                  onClick={() => {
                    onOpen(step);
                  }}
                >
                  Open
                </BigButton>
              </Box>
            </Box>
          );
        })}
      </Choices>
      <ThumbBar>
        <BigButton onClick={onInterrupted}>I was interrupted</BigButton>
      </ThumbBar>
    </>
  );
}
