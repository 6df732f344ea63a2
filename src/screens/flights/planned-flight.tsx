'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { PURPOSE_NAMES } from '@/explain/names';
import type { PlanLine } from '@/queries/flights/plan';
import Link from '../kit/link';
import { ANSWER_NAMES, toneOf } from './plan-words';
import { WaysOut } from './ways';

/** The flight that is chosen: its answer, and what can be done with it. */
export function ChosenFlight({
  flight,
  mayChange,
  mayCheckOut,
  onMove,
  onCancel,
}: {
  readonly flight: PlanLine;
  readonly mayChange: boolean;
  readonly mayCheckOut: boolean;
  readonly onMove: () => void;
  readonly onCancel: () => void;
}) {
  const { purpose } = flight.flight;
  const left = flight.answer === 'left';
  return (
    <Stack spacing={1.5} component="section" aria-label="The chosen flight">
      <div>
        <Box component="h2" sx={{ m: 0 }}>
          {flight.person}
          {purpose === null ? '' : `, ${PURPOSE_NAMES[purpose]}`}
        </Box>
        <Box sx={{ mt: 0.5 }}>
          <Link href={`/aircraft/${flight.registration}`} className="figure">
            {flight.registration}
          </Link>{' '}
          <span className="mono">
            {flight.starts}–{flight.ends}
          </span>
          {flight.airborne === '' ? null : <span className="small">, {flight.airborne} h in the air</span>}
        </Box>
      </div>
      <Box sx={{ borderLeft: `4px solid var(--${toneOf(flight.answer)})`, pl: 1.5 }}>
        <b>{ANSWER_NAMES[flight.answer]}</b>
        {flight.words === '' ? null : <div>{flight.words}</div>}
      </Box>
      {flight.answer === 'no' || flight.answer === 'yes-after' ? (
        <WaysOut flightId={flight.flightId} day={flight.date} />
      ) : null}
      <Stack direction="row" spacing={1} sx={{ flexWrap: 'wrap' }}>
        <Button variant="contained" component={Link} href={`/dispatch/${flight.flightId}`}>
          {left || !mayCheckOut ? 'At the dispatch page' : 'Check it out'}
        </Button>
        {left || !mayChange ? null : (
          <>
            <Button variant="outlined" onClick={onMove}>
              Move
            </Button>
            <Button onClick={onCancel}>Cancel it</Button>
          </>
        )}
      </Stack>
    </Stack>
  );
}
