'use client';

import TextField from '@mui/material/TextField';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { PlanLine } from '@/queries/flights/plan';
import { send } from '../data/fetching';
import { Confirm } from '../kit/confirm';

/** Asks whether a planned flight is to be cancelled, and why. */
export function CancelFlight({
  flight,
  onClose,
}: {
  readonly flight: PlanLine;
  readonly onClose: () => void;
}) {
  const client = useQueryClient();
  const [why, setWhy] = useState('');
  const cancel = () =>
    send('POST /api/flights/cancel', {
      flightId: flight.flightId,
      aircraftId: flight.aircraftId,
      why: why.trim() === '' ? null : why.trim(),
    }).finally(() => {
      // Refused, it has mostly left or been moved meanwhile: the plan behind the dialog shows which.
      void client.invalidateQueries({ queryKey: ['plan'] });
    });
  return (
    <Confirm
      title={`Cancel ${flight.person}’s flight?`}
      does="Cancel the flight"
      instead="Keep it"
      onConfirm={cancel}
      onClose={onClose}
    >
      <p>
        <span className="figure">{flight.registration}</span>, {flight.starts}–{flight.ends}. A cancelled
        flight stays readable and does not come back; it would be entered again.
      </p>
      <TextField
        label="Why, if it matters"
        fullWidth
        value={why}
        onChange={(event) => {
          setWhy(event.target.value);
        }}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
    </Confirm>
  );
}
