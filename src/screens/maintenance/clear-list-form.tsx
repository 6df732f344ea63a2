'use client';

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { Folder } from '@/queries/aircraft/folder-view';
import { FormDay } from '../kit/form-day';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';

interface Fields {
  readonly on: string;
  readonly description: string;
  readonly certificateId: string;
  readonly password: string;
}

/** Signing that every item of an inspection's list was cleared. */
export function ClearListForm({
  folder,
  list,
}: {
  readonly folder: Folder;
  readonly list: Folder['openLists'][number];
}) {
  const certificates =
    folder.sign.ads[0]?.certificates
    ?? folder.sign.inspections.find(({ kind }) => kind === 'hundred-hour')?.certificates
    ?? [];
  const [open, setOpen] = useState(false);
  const [clearanceId] = useState(() => crypto.randomUUID());
  const { post, trouble } = useCommand();
  const {
    register,
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      on: folder.today,
      description: '',
      certificateId: certificates[0]?.id ?? '',
      password: '',
    },
  });
  if (!open)
    return (
      <div>
        <Button
          variant="outlined"
          size="small"
          onClick={() => {
            setOpen(true);
          }}
        >
          Every item is cleared …
        </Button>
      </div>
    );
  const submit = async (fields: Fields) => {
    const done = await post(
      'POST /api/lists',
      {
        ...fields,
        clearanceId,
        aircraftId: folder.aircraftId,
        seenRevision: folder.revision,
        inspection: list.id,
      },
      (path, message) => {
        setError(path as keyof Fields, { message });
      },
    );
    if (!done) setValue('password', '');
  };
  const field = (name: keyof Fields) => ({
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
      aria-label={`Clear the list of the ${list.name}`}
      sx={{ maxWidth: 560, py: 1.25, px: 0 }}
    >
      <TextField
        label="What was done about each item"
        multiline
        minRows={2}
        {...register('description', {
          validate: (text) => text.trim() !== '' || 'Describe the work: the record needs it.',
        })}
        {...field('description')}
      />
      <FormDay control={control} name="on" label="Cleared on" max={folder.today} />
      <TextField
        select
        label="Signed by certificate"
        defaultValue={certificates[0]?.id ?? ''}
        {...register('certificateId')}
        {...field('certificateId')}
      >
        {certificates.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="Your password, as your signature"
        type="password"
        autoComplete="current-password"
        {...register('password', { required: 'Enter your password: it is your signature.' })}
        {...field('password')}
      />
      <TroubleAlert trouble={trouble} />
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Sign and return to service
        </Button>
      </div>
    </Stack>
  );
}
