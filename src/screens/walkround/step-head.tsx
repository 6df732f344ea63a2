import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useEffect, useRef } from 'react';
import type { PlanStep } from '@/core/walkround/plan-step';
import { PlaceDrawing } from './place-drawing';

/** What to do, where, and what is right. */
export function StepHead({ step, here }: { readonly step: PlanStep; readonly here: string }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    heading.current?.focus({ preventScroll: true });
    window.scrollTo(0, 0);
  }, [step.key]);
  return (
    <>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Box component="p" sx={{ m: '8px 0 2px', fontSize: 16, color: 'var(--soft)' }}>
            {here}
          </Box>
          <Box
            component="h1"
            ref={heading}
            tabIndex={-1}
            sx={{ fontSize: 27, lineHeight: 1.12, m: 0, outline: 'none', overflowWrap: 'anywhere' }}
          >
            {step.title}
          </Box>
        </Box>
        <PlaceDrawing step={step} />
      </Stack>
      <Box component="p" sx={{ fontSize: 20, lineHeight: 1.3, m: '6px 0 0' }}>
        {step.right}
      </Box>
    </>
  );
}

/** Why it is done, small, below what matters more. */
export function StepWhy({ step }: { readonly step: PlanStep }) {
  return (
    <Box component="p" sx={{ fontSize: 17, m: '10px 0 0', color: 'var(--soft)' }}>
      Why: {step.why}
    </Box>
  );
}
