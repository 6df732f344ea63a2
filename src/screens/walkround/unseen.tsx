import Box from '@mui/material/Box';
import { useState } from 'react';
import type { NotSeenBecause } from '@/core/walkround/walk';
import { BigButton } from '../findings/big-button';
import { Choices, ThumbBar } from '../findings/ramp-frame';
import type { Said } from './use-walk';

const REASONS: readonly {
  readonly because: NotSeenBecause;
  readonly name: string;
  readonly detail?: string;
}[] = [
  { because: 'dark', name: 'Too dark' },
  { because: 'covered', name: 'Covered' },
  { because: 'too-high', name: 'Too high to reach' },
  { because: 'not-operated', name: 'It was not operated' },
  { because: 'no-tool', name: 'No tool for it' },
  {
    because: 'other-side-assumed',
    name: 'I only looked at the other side',
    detail: 'The other side may be different',
  },
  { because: 'other', name: 'Another reason' },
];

/** Why a step was not seen, in part or at all. Neither is a pass. */
export function Unseen({
  title,
  matters,
  onSay,
  onBack,
}: {
  readonly title: string;
  readonly matters: boolean;
  readonly onSay: (said: Said) => void;
  readonly onBack: () => void;
}) {
  const [isPart, setIsPart] = useState<boolean | null>(null);
  if (isPart === null)
    return (
      <>
        <Box component="h1" sx={{ fontSize: 26, my: 1.5, mx: 0 }}>
          {title}: how much could you see?
        </Box>
        <Choices>
          <BigButton
            onClick={() => {
              setIsPart(false);
            }}
          >
            Nothing of it
          </BigButton>
          <BigButton
            detail="Half seen is not seen"
            onClick={() => {
              setIsPart(true);
            }}
          >
            Only a part
          </BigButton>
        </Choices>
        <p>
          {matters
            ? 'It goes to the dispatcher as not checked, and the aircraft waits until somebody has seen it.'
            : 'It goes to the dispatcher as not checked.'}
        </p>
        <ThumbBar>
          <BigButton onClick={onBack}>Back</BigButton>
        </ThumbBar>
      </>
    );
  return (
    <>
      <Box component="h1" sx={{ fontSize: 26, my: 1.5, mx: 0 }}>
        Why not?
      </Box>
      <Choices>
        {REASONS.map(({ because, name, detail }) => (
          <BigButton
            key={because}
            {...(detail === undefined ? {} : { detail })}
            onClick={() => {
              onSay({ answer: isPart ? 'partly-seen' : 'not-seen', because });
            }}
          >
            {name}
          </BigButton>
        ))}
      </Choices>
      <ThumbBar>
        <BigButton
          onClick={() => {
            setIsPart(null);
          }}
        >
          Back
        </BigButton>
      </ThumbBar>
    </>
  );
}
