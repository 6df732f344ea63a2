import Box from '@mui/material/Box';
import { useState } from 'react';
import type { RampList } from '@/queries/walkround/ramp-walk';
import { BigButton } from '../findings/big-button';
import { Choices } from '../findings/ramp-frame';
import { LIST_WORDS } from './list-words';
import { Consequence } from './notices';

/** Where another list starts: what it is for, who may go through it, how far it is. */
export function ListStart({
  list,
  left,
  isOffline,
  onBegin,
  onTakenApart,
  onBack,
}: {
  readonly list: RampList;
  /** Steps left of an own one that was begun here; null where there is none. */
  readonly left: number | null;
  readonly isOffline: string | null;
  readonly onBegin: () => void;
  readonly onTakenApart: () => Promise<void>;
  readonly onBack: () => void;
}) {
  const [isApart, setIsApart] = useState(false);
  const { current, plan } = list;
  const { title, about } = LIST_WORDS[list.kind];
  return (
    <>
      {isOffline === null ? null : (
        <Consequence isBad={false}>
          No signal. This is what the desk knew {isOffline}; what you enter is kept here and sent later.
        </Consequence>
      )}
      <Box component="h1" sx={{ fontSize: 26, m: '18px 0 4px' }}>
        {title}
      </Box>
      <Box component="p" sx={{ fontSize: 17, m: 0 }}>
        {about}
      </Box>
      <Box component="p" sx={{ fontSize: 17, m: '8px 0 0' }}>
        {left === null ? `${plan.steps.length} steps.` : `${left} of ${plan.steps.length} steps are left.`}
      </Box>
      {current === null || left !== null ? null : (
        <Consequence isBad={false}>
          {current.signed
            ? `${current.by} has done and signed it since the last flight.`
            : `${current.by} is doing it: ${current.answers.length} answered.`}
        </Consequence>
      )}
      {list.denied === null || left !== null ? null : <Consequence isBad>{list.denied}</Consequence>}
      {isApart ? (
        <Consequence isBad={false}>
          Kept: it is apart, and unavailable until it is rigged by this list.
        </Consequence>
      ) : null}
      <Box sx={{ mt: 'auto', pt: 2 }}>
        <Choices columns={2}>
          <BigButton strong wide disabled={list.denied !== null && left === null} onClick={onBegin}>
            {left === null ? 'Begin' : 'Go on'}
          </BigButton>
          {list.kind === 'rigging' ? (
            <BigButton
              disabled={isApart}
              onClick={() => {
                void onTakenApart().then(() => {
                  setIsApart(true);
                });
              }}
            >
              It was taken apart
            </BigButton>
          ) : null}
          <BigButton onClick={onBack}>Back</BigButton>
        </Choices>
      </Box>
    </>
  );
}
