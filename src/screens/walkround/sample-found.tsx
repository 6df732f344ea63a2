import Box from '@mui/material/Box';
import type { SampleResult } from '@/core/records/walkround/measurement';
import { BigButton } from '../findings/big-button';
import { Choices, ThumbBar } from '../findings/ramp-frame';

const RESULTS: readonly {
  readonly result: Exclude<SampleResult, 'clean'>;
  readonly name: string;
  readonly detail: string;
}[] = [
  { result: 'water', name: 'Water', detail: 'A layer or bubbles at the bottom, or cloudy' },
  { result: 'dirt', name: 'Dirt or specks', detail: 'Look whether the cup itself was clean' },
  { result: 'wrong-colour', name: 'Wrong colour', detail: 'Stop: a mechanic deals with the fuel' },
  {
    result: 'wrong-smell',
    name: 'Wrong smell',
    detail: 'No smell of fuel, or another fuel. Sniff, never taste',
  },
];

/** What a cup that is not clean shows. */
export function SampleFound({
  drain,
  onResult,
  onOther,
  onBack,
}: {
  readonly drain: string;
  readonly onResult: (result: SampleResult) => void;
  readonly onOther: () => void;
  readonly onBack: () => void;
}) {
  return (
    <>
      <Box component="h1" sx={{ fontSize: 26, my: 1.5, mx: 0 }}>
        What does the cup of the {drain} drain show?
      </Box>
      <Choices>
        {RESULTS.map(({ result, name, detail }) => (
          <BigButton
            key={result}
            detail={detail}
            onClick={() => {
              onResult(result);
            }}
          >
            {name}
          </BigButton>
        ))}
        <BigButton detail="Nothing runs out, it drips, the valve sticks" onClick={onOther}>
          Something about the drain
        </BigButton>
      </Choices>
      <ThumbBar>
        <BigButton onClick={onBack}>Back</BigButton>
      </ThumbBar>
    </>
  );
}

/** What to do after a cup that was not clean. */
export const AFTER_CUP: Readonly<Record<Exclude<SampleResult, 'clean'>, string>> = {
  water:
    'Water: empty the cup, drain the same drain again and look. After three cups with water a mechanic finds where it comes from.',
  dirt: 'Dirt: empty and wipe the cup, drain the same drain again and look.',
  'wrong-colour':
    'Wrong colour: nobody starts this engine. A mechanic deals with the fuel; draining again does not cure it. Tell the desk now.',
  'wrong-smell':
    'Wrong smell: nobody starts this engine. A mechanic deals with the fuel; draining again does not cure it. Tell the desk now.',
};
