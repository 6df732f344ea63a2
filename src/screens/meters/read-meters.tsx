'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { asksAtCheckOut, unanswered } from '@/core/metering/desk';
import type { Folder } from '@/queries/aircraft/folder-view';
import { enteredOf, ReadingFields, useReadings } from '../flights/readings';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';

interface Fields {
  readonly service: string;
  readonly above: boolean;
}

/** Reading the meters of an aircraft that stands: what agrees is fresh again, what is more counts at once. */
export function ReadMeters({ folder, onDone }: { readonly folder: Folder; readonly onDone: () => void }) {
  const { dials, service } = folder.panel;
  const state = useReadings();
  const { post, trouble } = useCommand();
  const [above, setAbove] = useState(false);
  const {
    register,
    handleSubmit,
    setError,
    setValue,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({ defaultValues: { service: '', above: false } });
  const entered = enteredOf(dials, state.readings);
  const asks = asksAtCheckOut(dials, entered);
  const submit = async (given: Fields) => {
    state.leave(dials.map(({ dial }) => dial.id));
    if (unanswered(asks, state.readings.accepted).length > 0) return;
    const done = await post(
      'POST /api/meters/readings',
      {
        aircraftId: folder.aircraftId,
        readings: entered,
        accepted: state.readings.accepted,
        service: service === null || given.service.trim() === '' ? null : Number(given.service),
        aboveMeter: given.above,
      },
      (path, message) => {
        if (path === 'aboveMeter') setAbove(true);
        else setError('service', { message });
      },
    );
    if (done) onDone();
  };
  return (
    <Stack
      component="form"
      spacing={1.75}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="Read the meters"
      sx={{ py: 1.25, px: 0 }}
    >
      <ReadingFields
        dials={dials}
        asks={asks}
        state={state}
        beside={({ lastText }) => `on record: ${lastText}`}
        stacked
      />
      {service === null ? null : (
        <TextField
          label="Time in service, by the logbook"
          {...register('service', {
            onChange: () => {
              setAbove(false);
              setValue('above', false);
            },
            validate: (text) =>
              dials.length > 0 && text.trim() === ''
                ? true
                : /^\d{1,6}(\.\d{1,2})?$/.test(text.trim()) || 'Write it as 4177.5.',
          })}
          error={errors.service !== undefined}
          helperText={errors.service?.message ?? `on record: ${service}`}
          slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
        />
      )}
      {above ? (
        <FormControlLabel
          control={<Checkbox {...register('above')} />}
          label="I have read it again: somebody flew and did not write it down"
        />
      ) : null}
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Keep what they show
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Stack>
    </Stack>
  );
}
