'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { COUNTERS, HOUR_METERS, isHourMeter, METER_NAMES, type Meter } from '@/core/records/meters/meters';
import { sentenceCase } from '@/explain/wording';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import { figure } from './use-fact';

/** An interval as a form holds it. */
export interface IntervalText {
  readonly months: string;
  readonly days: string;
  readonly every: string;
  readonly meter: Meter;
  readonly whichever: 'first' | 'later';
}
export const NO_INTERVAL: IntervalText = {
  months: '',
  days: '',
  every: '',
  meter: 'time-in-service',
  whichever: 'first',
};

/** The same as it is sent; undefined where nothing was entered. */
export function intervalOf({ months, days, every, meter, whichever }: IntervalText) {
  const metered =
    every.trim() === ''
      ? {}
      : isHourMeter(meter)
        ? {
            hours: [
              {
                meter: HOUR_METERS.find((one) => one === meter) ?? 'time-in-service',
                every: figure(every) ?? Number.NaN,
              },
            ],
          }
        : {
            counts: [
              {
                meter: COUNTERS.find((one) => one === meter) ?? 'landings',
                every: figure(every) ?? Number.NaN,
              },
            ],
          };
  const interval = {
    ...(months.trim() === '' ? {} : { months: figure(months) }),
    ...(days.trim() === '' ? {} : { days: figure(days) }),
    ...metered,
  };
  return Object.keys(interval).length === 0
    ? undefined
    : { ...interval, ...(whichever === 'later' ? { whichever } : {}) };
}

/** Months, days and a meter: whichever comes first of what is filled in, or later where that may be chosen. */
export function IntervalFields({
  label,
  value,
  onChange,
  help = '',
  mayBeLater = false,
}: {
  readonly mayBeLater?: boolean;
  readonly label: string;
  readonly value: IntervalText;
  readonly onChange: (value: IntervalText) => void;
  readonly help?: string;
}) {
  const number = (name: 'months' | 'days' | 'every', words: string, width: number) => (
    <TextField
      label={words}
      value={value[name]}
      onChange={(event) => {
        onChange({ ...value, [name]: event.target.value });
      }}
      slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
      sx={{ width: width }}
    />
  );
  return (
    <Stack
      direction="row"
      spacing={1.25}
      role="group"
      aria-label={label}
      sx={{ flexWrap: 'wrap', alignItems: 'center' }}
    >
      <Box component="span" sx={{ width: 120, fontWeight: 600 }}>
        {label}
      </Box>
      {number('months', 'Months', 100)}
      {number('days', 'Days', 100)}
      {number('every', isHourMeter(value.meter) ? 'Hours' : 'Count', 110)}
      <TextField
        select
        label="on"
        value={value.meter}
        onChange={(event) => {
          onChange({ ...value, meter: METER_NAMES.find((one) => one === event.target.value) ?? value.meter });
        }}
        sx={{ minWidth: 190 }}
      >
        {METER_NAMES.map((meter) => (
          <MenuItem key={meter} value={meter}>
            {sentenceCase(METER_NAMES_IN_WORDS[meter])}
          </MenuItem>
        ))}
      </TextField>
      {mayBeLater ? (
        <TextField
          select
          label="Whichever comes"
          value={value.whichever}
          onChange={(event) => {
            onChange({ ...value, whichever: event.target.value === 'later' ? 'later' : 'first' });
          }}
          sx={{ minWidth: 140 }}
        >
          <MenuItem value="first">first</MenuItem>
          <MenuItem value="later">later</MenuItem>
        </TextField>
      ) : null}
      {help === '' ? null : <span className="small">{help}</span>}
    </Stack>
  );
}
