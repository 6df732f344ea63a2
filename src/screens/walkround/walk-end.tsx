'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { kindOf, type PlanKind } from '@/core/walkround/plan-kinds';
import type { PlanStep } from '@/core/walkround/plan-step';
import { BECAUSE_NAMES } from '@/explain/not-seen';
import { watchWalk } from '../data/kept-walks';
import { BigButton } from '../findings/big-button';
import { Choices, ThumbBar } from '../findings/ramp-frame';
import { BarLink } from '../findings/bar-link';
import { BACK_TO_STAND, LIST_WORDS } from './list-words';
import { Consequence } from './notices';
import type { Walk } from './use-walk';

/** What the walk-round came to, before it is signed. */
export function WalkEnd({
  walk,
  name,
  onAgain,
  onSign,
}: {
  readonly walk: Walk;
  readonly name: string;
  readonly onAgain: (step: PlanStep) => void;
  /** @param helper who held the surfaces of a glider; null for other lists */
  readonly onSign: (helper: string | null) => void;
}) {
  const [helper, setHelper] = useState('');
  const { outcome } = walk;
  const kind = walk.walk === null ? 'walk-round' : kindOf(walk.walk.plan);
  const isRigging = kind === 'rigging';
  const steps = walk.walk?.plan.steps ?? [];
  const of = (key: string) => steps.find((step) => step.key === key);
  const waits = outcome.unseen.filter(({ matters }) => matters).length;
  return (
    <>
      <Box component="h1" sx={{ fontSize: 27, my: 1.5, mx: 0 }}>
        Every step is answered
      </Box>
      <Box component="p" sx={{ fontSize: 18, m: 0 }}>
        {outcome.steps - outcome.unseen.length - outcome.found.length} fine, {outcome.found.length} with
        something found, {outcome.unseen.length} not seen.
      </Box>
      {outcome.found.length === 0 ? null : (
        <Box component="section" aria-label="Found" sx={{ mt: 1.5 }}>
          <b>Found</b>
          <Box component="ul" sx={{ m: '4px 0 0', pl: 2.5 }}>
            {outcome.found.map((key) => (
              <li key={key}>
                {of(key)?.title} <span className="small">{of(key)?.place}</span>
              </li>
            ))}
          </Box>
        </Box>
      )}
      {outcome.unseen.length === 0 ? null : (
        <Box component="section" aria-label="Not seen" sx={{ mt: 1.5 }}>
          <b>Not seen. Tap one to look again.</b>
          <Choices>
            {outcome.unseen.map(({ key, title, place, answer, because }) => (
              <BigButton
                key={key}
                detail={`${place}, ${answer === 'partly-seen' ? 'only in part' : 'nothing of it'}${because === null ? '' : `: ${BECAUSE_NAMES[because]}`}`}
                onClick={() => {
                  const step = of(key);
                  if (step !== undefined) onAgain(step);
                }}
              >
                {title}
              </BigButton>
            ))}
          </Choices>
        </Box>
      )}
      {waits === 0 ? null : (
        <Consequence isBad>
          {kind === 'run-up' ? `${BACK_TO_STAND} ` : ''}The aircraft waits until somebody has seen{' '}
          {waits === 1 ? 'it' : `these ${waits}`}. You can sign anyway: your signature says what you did.
        </Consequence>
      )}
      {kind === 'run-up' && outcome.found.length > 0 && waits === 0 ? (
        <Consequence isBad>{BACK_TO_STAND}</Consequence>
      ) : null}
      {isRigging ? (
        <TextField
          label="Who held the surfaces?"
          value={helper}
          onChange={({ target }) => {
            setHelper(target.value);
          }}
          helperText="Somebody holds each while you move the stick; alone it is no positive control check. Where nobody did, enter no name: the glider stays unavailable."
          slotProps={{ htmlInput: { maxLength: 80 } }}
          fullWidth
          sx={{ mt: 2 }}
        />
      ) : null}
      <Box component="p" sx={{ fontSize: 16, mt: 1.5, color: 'var(--soft)' }}>
        Groval advises. The pilot in command decides to fly; mechanics, the aircraft’s approved documents and
        local law come first.
      </Box>
      <ThumbBar>
        <BigButton
          strong
          onClick={() => {
            onSign(helper.trim() === '' ? null : helper.trim());
          }}
        >
          Sign as {name}
        </BigButton>
      </ThumbBar>
    </>
  );
}

/** Signed: what the desk has of it. */
export function WalkSigned({
  walkroundId,
  kind,
  registration,
  onDone,
}: {
  readonly walkroundId: string;
  readonly kind: PlanKind;
  readonly registration: string;
  readonly onDone: () => void;
}) {
  const [waiting, setWaiting] = useState<number | null>(null);
  useEffect(() => watchWalk(walkroundId, setWaiting), [walkroundId]);
  return (
    <>
      <Box component="h1" role="status" sx={{ fontSize: 27, my: 1.5, mx: 0 }}>
        {waiting === 0 ? 'Signed. The desk has all of it.' : 'Signed, and kept on this phone.'}
      </Box>
      <Box component="p" sx={{ fontSize: 18 }}>
        {waiting === 0
          ? LIST_WORDS[kind].signed
          : `${waiting ?? 'Some'} ${waiting === 1 ? 'record has' : 'records have'} not been sent: the desk has not heard all of it. They are sent when there is a signal; keep this page, or open it again.`}
      </Box>
      {kind === 'daily-inspection' && waiting === 0 ? (
        <BarLink href={`/aircraft/${registration}#release`}>Certify the daily inspection …</BarLink>
      ) : null}
      <ThumbBar>
        <BigButton strong onClick={onDone}>
          Done
        </BigButton>
      </ThumbBar>
    </>
  );
}
