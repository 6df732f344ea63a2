'use client';

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { CATEGORIES } from '@/core/records/aircraft/aircraft';
import { CATEGORY_NAMES } from '@/explain/names';
import { sentenceCase } from '@/explain/wording';
import { goTo } from '../data/leave';
import { FormChoice } from '../kit/form-choice';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';

interface Fields {
  readonly registration: string;
  readonly typeName: string;
  readonly category: string;
  readonly firstFlownOn: string;
  readonly serialNumber: string;
}

/** A new aircraft by what it is called; all else about it is entered on its own page. */
export function AddAircraft({ first }: { readonly first: boolean }) {
  const [aircraftId] = useState(() => crypto.randomUUID());
  const { post, trouble } = useCommand();
  const {
    register,
    control,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: { registration: '', typeName: '', category: '', firstFlownOn: '', serialNumber: '' },
  });
  const submit = async (fields: Fields) => {
    const registration = fields.registration.trim().toUpperCase();
    const given = {
      aircraftId,
      registration,
      typeName: fields.typeName,
      category: fields.category === '' ? null : fields.category,
      firstFlownOn: fields.firstFlownOn === '' ? null : fields.firstFlownOn,
      serialNumber: fields.serialNumber.trim() === '' ? null : fields.serialNumber,
    };
    if (
      await post('POST /api/fleet', given, (path, message) => {
        setError(path as keyof Fields, { message });
      })
    )
      goTo(`/aircraft-data/${registration}`);
  };
  const field = (name: keyof Fields) => ({
    ...register(name),
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="Enter an aircraft"
      sx={{ borderTop: '1px solid var(--rule)', pt: 1.5 }}
    >
      <b>{first ? 'Enter the first aircraft' : 'Enter an aircraft'}</b>
      <FieldGrid least={210}>
        <TextField
          label="Registration, as painted"
          {...field('registration')}
          slotProps={{ htmlInput: { className: 'figure', autoCapitalize: 'characters' } }}
        />
        <TextField label="Type" {...field('typeName')} />
        <FormChoice
          control={control}
          name="category"
          label="Category of its certificate"
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          <MenuItem value="">not known</MenuItem>
          {CATEGORIES.map((one) => (
            <MenuItem key={one} value={one}>
              {sentenceCase(CATEGORY_NAMES[one])}
            </MenuItem>
          ))}
        </FormChoice>
        <FormDay control={control} name="firstFlownOn" label="First flown on" />
        <TextField label="Serial number" {...field('serialNumber')} />
      </FieldGrid>
      <TroubleAlert trouble={trouble} />
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Add
        </Button>
      </div>
    </Stack>
  );
}
