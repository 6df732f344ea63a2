'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControl from '@mui/material/FormControl';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import FormLabel from '@mui/material/FormLabel';
import MenuItem from '@mui/material/MenuItem';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { FUEL_UNITS, OIL_UNITS } from '@/contracts/flights/amounts';
import type { CheckInInput } from '@/contracts/flights/dispatch';
import type { VolumeUnit } from '@/core/quantities/volume';
import { asksAtCheckIn, unanswered } from '@/core/metering/desk';
import { readingOf } from '@/core/metering/slips';
import { shownText } from '@/explain/meter-asks';
import type { DispatchFlight } from '@/queries/flights/dispatch';
import { wallClockOf } from '../data/clock';
import { useCommand } from '../data/command';
import { FormDay } from '../kit/form-day';
import { TroubleAlert } from '../kit/trouble-alert';
import { Part } from './part';
import { enteredOf, ReadingFields, useReadings } from './readings';

interface Fields {
  readonly date: string;
  readonly clock: string;
  readonly airborne: string;
  readonly landings: string;
  readonly tows: string;
  readonly fuel: string;
  readonly fuelUnit: string;
  readonly grade: string;
  readonly oil: string;
  readonly oilUnit: string;
  readonly nothing: boolean;
  readonly words: string;
  readonly defect: '' | 'no' | 'yes';
}

const MS = 1000;
const count = (text: string) => (/^\d{1,3}$/.test(text.trim()) ? Number(text.trim()) : null);

/** The field that a path of what was sent is shown at. */
function placeInForm(path: string): keyof Fields {
  if (path.startsWith('at')) return 'clock';
  if (path.startsWith('fuelAdded')) return 'fuel';
  if (path.startsWith('oilAdded')) return 'oil';
  return path as keyof Fields;
}

/** Taking back: meters, landings, fuel, oil, what the pilot reports. What does not add up is asked while the person is still here. */
export function ComingBack({
  flight,
  out,
}: {
  readonly flight: DispatchFlight;
  readonly out: NonNullable<DispatchFlight['out']>;
}) {
  const state = useReadings();
  const { post, say, trouble } = useCommand();
  const [findingId] = useState(() => crypto.randomUUID());
  const now = wallClockOf(flight.now, flight.zone);
  const {
    register,
    handleSubmit,
    control,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      date: now.date,
      clock: now.clock,
      airborne: '',
      landings: '',
      tows: '',
      fuel: '',
      fuelUnit: 'US gal',
      grade: '',
      oil: '',
      oilUnit: 'US qt',
      nothing: false,
      words: '',
      defect: '',
    },
  });
  const nothing = useWatch({ control, name: 'nothing' });
  const { dials } = flight;
  const entered = enteredOf(dials, state.readings);
  // The time by the clock as it is now; the server asks again with the time that was entered.
  const asks = asksAtCheckIn(dials, entered, Math.ceil((flight.now - out.leftAt) / MS), flight.usual);
  const biller = dials.find(({ dial }) => dial.bills);
  const billed =
    biller === undefined || biller.last === null
      ? null
      : (readingOf((state.readings.shown[biller.dial.id] ?? '').trim(), biller.dial.unit) ?? Number.NaN)
        - biller.last;
  const submit = async (fields: Fields) => {
    state.leave(dials.map(({ dial }) => dial.id));
    if (unanswered(asks, state.readings.accepted).length > 0) {
      say('Nothing was recorded yet: the meters ask something above.');
      return;
    }
    const amount = (text: string, unit: string, grade: string) =>
      text.trim() === ''
        ? null
        : {
            amount: text.trim(),
            unit: unit as VolumeUnit,
            grade: grade === '' ? null : (grade as 'leaded' | 'unleaded' | 'jet'),
          };
    const entry: CheckInInput = {
      flightId: flight.flightId,
      aircraftId: flight.aircraftId,
      at: { date: fields.date, clock: fields.clock },
      readings: entered,
      accepted: [...state.readings.accepted],
      airborne: fields.airborne.trim() === '' ? null : Number(fields.airborne),
      landings: count(fields.landings) ?? -1,
      towLaunches: count(fields.tows),
      fuelAdded: amount(fields.fuel, fields.fuelUnit, fields.grade),
      oilAdded: amount(fields.oil, fields.oilUnit, ''),
      remarks: fields.nothing
        ? 'nothing-to-report'
        : { words: fields.words, noDefect: fields.defect === 'no' },
      defects: fields.nothing || fields.defect !== 'yes' ? [] : [{ findingId, what: fields.words.trim() }],
    };
    await post('POST /api/dispatch/in', entry, (path, message) => {
      setError(placeInForm(path), { message });
    });
  };
  const field = (name: keyof Fields) => ({
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  const pair = { display: 'grid', gridTemplateColumns: 'repeat(4, minmax(0, 1fr))', gap: 2 } as const;
  return (
    <form
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="Take back"
    >
      <p>
        Out since <span className="mono">{out.left}</span>
        {out.fuelAboard === null ? '' : `, fuel ${out.fuelAboard}`}
        {out.oilAboard === null ? '' : `, oil ${out.oilAboard}`}.
      </p>
      <Part title="Back at">
        <Box sx={pair}>
          <FormDay control={control} name="date" label="Day" max={now.date} />
          <TextField
            label="Time at the field"
            {...register('clock')}
            {...field('clock')}
            slotProps={{ htmlInput: { className: 'figure' } }}
          />
          <TextField
            label="Landings"
            {...register('landings', {
              validate: (text) => count(text) !== null || 'Say how many landings.',
            })}
            {...field('landings')}
            slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
          />
          {flight.tows ? (
            <TextField
              label="Tow launches"
              {...register('tows', { validate: (text) => count(text) !== null || 'Say how many launches.' })}
              {...field('tows')}
              slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
            />
          ) : null}
          {flight.asksAirborne ? (
            <TextField
              label="Hours in the air"
              {...register('airborne', {
                validate: (text) =>
                  /^\d{1,2}(\.\d{1,2})?$/.test(text.trim()) || 'Say how long, such as 0.75.',
              })}
              {...field('airborne')}
              slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
            />
          ) : null}
        </Box>
      </Part>
      <Part title="Meters">
        <ReadingFields
          dials={dials}
          asks={asks}
          state={state}
          beside={({ lastText }) => `at check-out: ${lastText}`}
        />
        <Box component="p" className="small" sx={{ mb: 0 }}>
          Billing time:{' '}
          <b className="mono">
            {biller === undefined
              ? 'by the clock'
              : billed === null || Number.isNaN(billed) || billed < 0
                ? 'once the meter is read'
                : `${shownText('h', billed)} by ${biller.dial.name}`}
          </b>
        </Box>
      </Part>
      <Part title="Fuel and oil added">
        <Box sx={pair}>
          <TextField
            label="Fuel"
            {...register('fuel')}
            {...field('fuel')}
            slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
          />
          <TextField select label="Unit of fuel" defaultValue="US gal" {...register('fuelUnit')}>
            {FUEL_UNITS.map((unit) => (
              <MenuItem key={unit} value={unit}>
                {unit}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label="Grade"
            defaultValue=""
            helperText="Where it is not said no flight goes until it is."
            {...register('grade')}
          >
            <MenuItem value="">not said</MenuItem>
            <MenuItem value="leaded">leaded</MenuItem>
            <MenuItem value="unleaded">unleaded</MenuItem>
            <MenuItem value="jet">jet fuel</MenuItem>
          </TextField>
          <span />
          <TextField
            label="Oil"
            {...register('oil')}
            {...field('oil')}
            slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
          />
          <TextField select label="Unit of oil" defaultValue="US qt" {...register('oilUnit')}>
            {OIL_UNITS.map((unit) => (
              <MenuItem key={unit} value={unit}>
                {unit}
              </MenuItem>
            ))}
          </TextField>
        </Box>
      </Part>
      <Part title="The pilot’s report">
        <FormControlLabel control={<Checkbox {...register('nothing')} />} label="Nothing to report" />
        {nothing ? null : (
          <>
            <TextField
              fullWidth
              label="What the pilot reports"
              multiline
              minRows={1}
              {...register('words', {
                validate: (text, { nothing: none }) =>
                  none || text.trim() !== '' || 'Write it down, or choose that there is nothing to report.',
              })}
              {...field('words')}
            />
            <FormControl error={errors.defect !== undefined} sx={{ mt: 1.5 }}>
              <FormLabel id="any-defect">Is any of it a defect of the aircraft?</FormLabel>
              <Controller
                control={control}
                name="defect"
                rules={{
                  validate: (answer, { nothing: none }) =>
                    none || answer !== '' || 'Say whether any of it is a defect.',
                }}
                render={({ field: answered }) => (
                  <RadioGroup aria-labelledby="any-defect" {...answered}>
                    <FormControlLabel control={<Radio />} value="no" label="No. The next pilot is told." />
                    <FormControlLabel
                      control={<Radio />}
                      value="yes"
                      label="Yes, or not sure. The aircraft stays on the ground until a mechanic has looked."
                    />
                  </RadioGroup>
                )}
              />
              {errors.defect === undefined ? null : <FormHelperText>{errors.defect.message}</FormHelperText>}
            </FormControl>
          </>
        )}
      </Part>
      <TroubleAlert trouble={trouble} sx={{ mb: 1.5 }} />
      <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
        Take back {flight.registration}
      </Button>
    </form>
  );
}
