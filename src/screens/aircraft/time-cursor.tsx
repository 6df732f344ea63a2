'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { CivilDate } from '@/core/time/civil-date';
import { momentsAt, type ZoneId } from '@/core/time/zone';
import { clock, day, wallClockOf } from '../data/clock';
import { DayField } from '../kit/day-field';
import { MARKS, offsetOf, soon, stepOf, STEPS } from './cursor-scale';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

interface Props {
  readonly at: number;
  readonly now: number;
  readonly zone: string;
  /** Whether what the table shows is of another moment still. */
  readonly isDeciding: boolean;
  readonly onMove: (at: number) => void;
  readonly onNow: () => void;
}

/** A day and a time on the field's clock; of two that the clock showed in one night, the first. */
function Exactly({ at, zone, onMove }: Pick<Props, 'at' | 'zone' | 'onMove'>) {
  const shown = wallClockOf(at, zone);
  const [typed, setTyped] = useState<{ readonly of: number; readonly text: string } | null>(null);
  const text = typed?.of === at ? typed.text : shown.clock;
  const go = (date: string, time: string) => {
    const [first] = momentsAt(date as CivilDate, time, zone as ZoneId);
    if (first !== undefined) onMove(first);
  };
  const isTime = /^([01]\d|2[0-3]):[0-5]\d$/.test(text);
  return (
    <>
      <DayField
        label="Day"
        size="small"
        sx={{ width: 170 }}
        value={shown.date}
        onChange={(date) => {
          if (date !== '') go(date, shown.clock);
        }}
      />
      <TextField
        label="Time"
        size="small"
        sx={{ width: 86 }}
        value={text}
        error={!isTime}
        helperText={isTime ? '' : 'such as 14:30'}
        slotProps={{ htmlInput: { className: 'mono', inputMode: 'numeric' } }}
        onChange={(event) => {
          setTyped({ of: at, text: event.target.value });
        }}
        onBlur={() => {
          if (isTime && text !== shown.clock) go(shown.date, text);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && isTime) go(shown.date, text);
        }}
      />
    </>
  );
}

/** Moves the Line to another moment: by slider, by steps of an hour and a day, or to a day and time exactly. */
export function TimeCursor({ at, now, zone, isDeciding, onMove, onNow }: Props) {
  const by = (step: number) => () => {
    onMove(at + step);
  };
  useHotkeys(',', by(-HOUR), [at]);
  useHotkeys('.', by(HOUR), [at]);
  useHotkeys('shift+comma', by(-DAY), [at]);
  useHotkeys('shift+period', by(DAY), [at]);
  useHotkeys('escape', onNow, [onNow]);
  const words = at < now ? 'As it was known then' : 'As it is planned';
  return (
    <Box
      component="section"
      aria-label="The Line at another moment"
      sx={{ borderBottom: '3px solid var(--sea)', bgcolor: 'var(--sea-tint)', px: 2.5, py: 1 }}
    >
      <Stack direction="row" spacing={3} sx={{ alignItems: 'center' }}>
        <Box role="status" sx={{ width: 440 }}>
          <b>{isDeciding ? 'Being decided …' : words}:</b>{' '}
          <span className="mono">
            {day(at, zone)} {wallClockOf(at, zone).date.slice(0, 4)}, {clock(at, zone)}
          </span>
          <div className="small">
            {at < now
              ? 'Only what had been recorded by then counts, decided by the club’s rules of today.'
              : 'Dates moved on, every planned flight flown. What will be found or repaired is not known.'}
          </div>
        </Box>
        <Box sx={{ flex: 1, minWidth: 0, px: 3 }}>
          <Slider
            size="small"
            aria-label="Moment"
            min={-STEPS}
            max={STEPS}
            track={false}
            marks={MARKS}
            value={stepOf(at - now)}
            getAriaValueText={() => `${day(at, zone)}, ${clock(at, zone)}`}
            // The slider is a field, and keys of the page do not work in fields.
            onKeyDown={(event) => {
              if (event.key === 'Escape') onNow();
            }}
            onChange={(_, step) => {
              onMove(soon(now + offsetOf(step)));
            }}
            sx={{ mb: 2, '& .MuiSlider-markLabel': { fontSize: 12, color: 'var(--soft)', top: 24 } }}
          />
        </Box>
      </Stack>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'center', pt: 1 }}>
        {(
          [
            ['−1 day', -DAY],
            ['−1 h', -HOUR],
            ['+1 h', HOUR],
            ['+1 day', DAY],
          ] as const
        ).map(([label, step]) => (
          <Button key={label} variant="outlined" onClick={by(step)} sx={{ bgcolor: 'var(--card)' }}>
            {label}
          </Button>
        ))}
        <Exactly at={at} zone={zone} onMove={onMove} />
        <Box sx={{ flex: 1 }} />
        <Button variant="contained" onClick={onNow}>
          Back to now
        </Button>
      </Stack>
    </Box>
  );
}
