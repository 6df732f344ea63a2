'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useState } from 'react';
import { BECAUSE_NAMES } from '@/explain/not-seen';
import { sentenceCase } from '@/explain/wording';
import type { DispatchFlight } from '@/queries/flights/dispatch';
import { send } from '../data/fetching';
import { Part } from '../flights/part';
import { Confirm } from '../kit/confirm';
import { ListLine, PlainList } from '../kit/layout';

interface Named {
  readonly title: string;
  readonly place: string;
}

function Names({ title, steps }: { readonly title: string; readonly steps: readonly Named[] }) {
  if (steps.length === 0) return null;
  return (
    <Box component="section" aria-label={title} sx={{ mt: 1 }}>
      <b>{title}</b>
      <PlainList>
        {steps.map((step, at) => (
          <ListLine key={`${step.title}${at}`}>
            {step.title} <span className="small">{step.place}</span>
          </ListLine>
        ))}
      </PlainList>
    </Box>
  );
}

/** The walk-round as it is done on the ramp, from its first step on; what was not seen, what was found, and what was announced. */
export function RampProgressPart({ flight }: { readonly flight: DispatchFlight }) {
  const [isAsking, setIsAsking] = useState(false);
  const { walkround, lists, announced } = flight.ramp;
  return (
    <Part title="Walk-round">
      {walkround === null ? (
        <Box component="p" sx={{ m: 0 }}>
          Nobody has begun one on the phone since the last flight.
        </Box>
      ) : (
        <>
          <Box component="p" sx={{ m: '0 0 6px' }}>
            <b>
              {walkround.name === 'walk-round' ? '' : `${sentenceCase(walkround.name)}, `}
              {walkround.by}: {walkround.answered} of {walkround.steps} steps
            </b>
            {walkround.signed === null
              ? `, not signed${walkround.lastAt === null ? '' : `, last answer ${walkround.lastAt}`}`
              : `, signed ${walkround.signed}`}
            .{' '}
            <span className="small">
              Begun {walkround.begun}
              {walkround.list === 'short' ? ', the short list' : ''}
              {walkround.interruptions === 0
                ? ''
                : `, ${walkround.interruptions} ${walkround.interruptions === 1 ? 'interruption' : 'interruptions'}`}
            </span>
          </Box>
          <LinearProgress
            variant="determinate"
            value={(walkround.answered / Math.max(1, walkround.steps)) * 100}
            aria-label="Steps answered"
            sx={{ height: 8, maxWidth: 480 }}
          />
          {walkround.unseen.length === 0 ? null : (
            <Box component="section" aria-label="Not seen" sx={{ mt: 1 }}>
              <b>Not seen</b>
              <PlainList>
                {walkround.unseen.map(({ title, place, answer, because, matters }, at) => (
                  <ListLine key={`${title}${at}`}>
                    {title}{' '}
                    <span className="small">
                      {place}, {answer === 'partly-seen' ? 'only in part' : 'nothing of it'}
                      {because === null ? '' : `: ${BECAUSE_NAMES[because]}`}
                      {matters ? '. Uses wait until somebody has seen it' : ''}
                    </span>
                  </ListLine>
                ))}
              </PlainList>
            </Box>
          )}
          <Names title="Found" steps={walkround.found} />
          <Names
            title="Answered faster than it can be done; ask about these"
            steps={walkround.tooFast.slice(0, 8)}
          />
          {walkround.tooFast.length <= 8 ? null : (
            <p className="small">and {walkround.tooFast.length - 8} more.</p>
          )}
          {walkround.signed === null ? (
            <Button
              size="small"
              onClick={() => {
                setIsAsking(true);
              }}
            >
              Give this walk-round up …
            </Button>
          ) : null}
          {isAsking ? (
            <Confirm
              title={`Give up the walk-round of ${walkround.by}?`}
              does="Give it up"
              instead="Keep it"
              onConfirm={() =>
                send('POST /api/walkround/end', {
                  walkroundId: walkround.walkroundId,
                  aircraftId: flight.aircraftId,
                  how: 'given-up',
                  at: new Date().toISOString(),
                })
              }
              onClose={() => {
                setIsAsking(false);
              }}
            >
              What was found and measured stays; the rest counts for nothing, and somebody begins again.
            </Confirm>
          ) : null}
        </>
      )}
      {lists.length === 0 ? null : (
        <Box component="section" aria-label="Other lists" sx={{ mt: 1 }}>
          <b>Other lists</b>
          <PlainList>
            {lists.map((one) => (
              <ListLine key={one.walkroundId}>
                {sentenceCase(one.name)}{' '}
                <span className="small">
                  {one.by}, {one.answered} of {one.steps} steps
                  {one.signed === null ? ', not signed' : `, signed ${one.signed}`}
                  {one.found.length === 0 ? '' : `. Found: ${one.found.map(({ title }) => title).join(', ')}`}
                  {one.unseen.length === 0
                    ? ''
                    : `. Not seen: ${one.unseen.map(({ title }) => title).join(', ')}`}
                </span>
              </ListLine>
            ))}
          </PlainList>
        </Box>
      )}
      {announced.length === 0 ? null : (
        <Box component="section" aria-label="To be done before the flight" sx={{ mt: 1 }}>
          <b>To be done before the flight</b>
          <PlainList>
            {announced.map(({ id, words, by, when }) => (
              <ListLine key={id}>
                {words}{' '}
                <span className="small">{`announced by ${by}, ${when}; recorded on the phone when it is done`}</span>
              </ListLine>
            ))}
          </PlainList>
        </Box>
      )}
    </Part>
  );
}
