'use client';

import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { readFlightLine, type FlightLine } from '@/contracts/flights/flight-line';
import type { DayPlan } from '@/queries/flights/plan';

/**
 * A flight typed as one says it: what the line says goes into the fields below, where it is seen before it is added. Enter leaves it for
 * the fields: a line alone plans nothing.
 */
export function LineField({
  plan,
  onSaid,
}: {
  readonly plan: DayPlan;
  readonly onSaid: (said: FlightLine) => void;
}) {
  const [text, setText] = useState('');
  const { said, unclear } = readFlightLine(text, knownFrom(plan));
  return (
    <TextField
      label="In a line"
      placeholder="N02TB tomorrow 10-11:30 lesson Okoro 1.2h"
      autoFocus
      value={text}
      error={unclear.length > 0}
      helperText={
        unclear.length > 0 ? unclear.join(' ') : 'Aircraft, day, from-to, who and what for, in any order.'
      }
      onChange={(event) => {
        setText(event.target.value);
        const next = readFlightLine(event.target.value, knownFrom(plan)).said;
        // Most letters say nothing yet: the fields are touched only where something else is said.
        if (JSON.stringify(next) !== JSON.stringify(said)) onSaid(next);
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        event.currentTarget.closest('form')?.querySelector<HTMLElement>('button[type="submit"]')?.focus();
      }}
    />
  );
}

/** What a line is read with. */
export const knownFrom = ({ today, aircraft, people }: DayPlan) => ({
  today,
  registrations: aircraft.map(({ registration }) => registration),
  people: people.map(({ name }) => name),
});
