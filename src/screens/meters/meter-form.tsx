'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { isHourMeter, METER_NAMES, type Meter } from '@/core/records/meters/meters';
import { sentenceCase } from '@/explain/wording';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import type { Folder } from '@/queries/aircraft/folder-view';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';

interface Fields {
  readonly name: string;
  readonly meter: Meter;
  readonly bills: boolean;
  readonly shows: string;
  readonly standsAt: string;
  readonly wraps: string;
  readonly lastShown: string;
  readonly why: string;
}

/** Entering a meter, or the exchange of one. @param dial the one that is exchanged; null enters another */
export function MeterForm({
  folder,
  dial,
}: {
  readonly folder: Folder;
  readonly dial: Folder['dials'][number] | null;
}) {
  const [open, setOpen] = useState(false);
  const [dialId, setDialId] = useState(() => crypto.randomUUID());
  const { post, trouble } = useCommand();
  const {
    register,
    handleSubmit,
    control,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      name: dial?.name ?? '',
      meter: 'time-in-service',
      bills: false,
      shows: '',
      standsAt: '',
      wraps: '',
      lastShown: '',
      why: '',
    },
  });
  const meter = useWatch({ control, name: 'meter' });
  if (!open)
    return (
      <Button
        size="small"
        onClick={() => {
          setOpen(true);
        }}
      >
        {dial === null ? 'Enter a meter …' : 'Exchanged …'}
      </Button>
    );
  const submit = async (fields: Fields) => {
    const base = {
      dialId,
      aircraftId: folder.aircraftId,
      seenRevision: folder.revision,
      name: fields.name,
      wrapsAt: fields.wraps.trim() === '' ? null : fields.wraps.trim(),
    };
    const tell = (path: string, message: string) => {
      setError(
        (path === 'counts'
          ? 'standsAt'
          : path === 'firstShown'
            ? 'shows'
            : path === 'wrapsAt'
              ? 'wraps'
              : path) as keyof Fields,
        { message },
      );
    };
    const done =
      dial === null
        ? await post(
            'POST /api/meters',
            {
              ...base,
              unit: isHourMeter(fields.meter) ? 'h' : 'count',
              bills: fields.bills,
              counts: [
                {
                  meter: fields.meter,
                  standsAt: fields.standsAt.trim() === '' ? fields.shows.trim() : fields.standsAt.trim(),
                },
              ],
              shows: fields.shows.trim(),
            },
            tell,
          )
        : await post(
            'POST /api/meters/exchange',
            {
              ...base,
              replaces: dial.id,
              lastShown: fields.lastShown.trim(),
              firstShown: fields.shows.trim(),
              why: fields.why,
            },
            tell,
          );
    if (done) {
      setOpen(false);
      setDialId(crypto.randomUUID());
    }
  };
  const field = (name: keyof Fields) => ({
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  const figure = { htmlInput: { inputMode: 'decimal', className: 'figure' } } as const;
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label={dial === null ? 'Enter a meter' : `Exchange ${dial.name}`}
      sx={{ py: 1.25, px: 0 }}
    >
      <TextField label="Name, as people call it" {...register('name')} {...field('name')} />
      {dial === null ? (
        <>
          <TextField select label="Counts towards" defaultValue="time-in-service" {...register('meter')}>
            {METER_NAMES.map((name) => (
              <MenuItem key={name} value={name}>
                {sentenceCase(METER_NAMES_IN_WORDS[name])}
                {name === 'time-in-service' ? ' (inspections count on it)' : ''}
              </MenuItem>
            ))}
          </TextField>
          <TextField label="It shows now" {...register('shows')} {...field('shows')} slotProps={figure} />
          <TextField
            label={`The ${METER_NAMES_IN_WORDS[meter]} is then (empty: the same)`}
            {...register('standsAt')}
            {...field('standsAt')}
            slotProps={figure}
          />
          <FormControlLabel control={<Checkbox {...register('bills')} />} label="Flights are billed by it" />
        </>
      ) : (
        <>
          <TextField
            label="The old one showed last"
            {...register('lastShown')}
            {...field('lastShown')}
            slotProps={figure}
          />
          <TextField
            label="The new one shows"
            {...register('shows')}
            {...field('shows')}
            slotProps={figure}
          />
          <TextField
            label="Why it was exchanged"
            {...register('why', { validate: (text) => text.trim() !== '' || 'Say why.' })}
            {...field('why')}
          />
        </>
      )}
      <TextField
        label="Starts again from zero at (empty: never)"
        {...register('wraps')}
        {...field('wraps')}
        slotProps={figure}
      />
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          {dial === null ? 'Enter this meter' : 'Record the exchange'}
        </Button>
        <Button
          onClick={() => {
            setOpen(false);
          }}
        >
          Cancel
        </Button>
      </Stack>
    </Stack>
  );
}
