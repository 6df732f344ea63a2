'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { StruckKind } from '@/contracts/maintenance/corrections';
import type { Folder, Struck } from '@/queries/aircraft/folder-view';
import { useCommand } from '../data/command';
import { FormPassword } from '../kit/signing-fields';
import { TroubleAlert } from '../kit/trouble-alert';

interface Fields {
  readonly shown: string;
  readonly why: string;
  readonly password: string;
  readonly evenSo: boolean;
}

interface Props {
  readonly folder: Pick<Folder, 'aircraftId' | 'revision'>;
  readonly recordId: string;
  readonly kind: StruckKind;
  readonly what: string;
  readonly shown?: string;
}

/** The form behind the button: a reading gets what the meter really showed, anything else is struck out. */
function OpenForm({ folder, recordId, kind, what, shown, onDone }: Props & { readonly onDone: () => void }) {
  const [strikeId] = useState(() => crypto.randomUUID());
  const { post, trouble } = useCommand();
  const {
    register,
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({ defaultValues: { shown: shown ?? '', why: '', password: '', evenSo: false } });
  const [disputed, setDisputed] = useState(false);
  const wrong = (path: string, message: string) => {
    if (path === 'evenSo') setDisputed(true);
    else setError(path as keyof Fields, { message });
  };
  const submit = async (fields: Fields) => {
    const base = {
      strikeId,
      aircraftId: folder.aircraftId,
      seenRevision: folder.revision,
      why: fields.why,
      password: fields.password,
    };
    const done =
      shown === undefined
        ? await post('POST /api/strikes', { ...base, kind, recordId }, wrong)
        : await post(
            'POST /api/corrections',
            { ...base, readingId: recordId, shown: fields.shown.trim(), evenSo: fields.evenSo },
            wrong,
          );
    if (done) onDone();
    else setValue('password', '');
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
      aria-label={`Correct ${what}`}
      sx={{ maxWidth: 520, py: 1.25, px: 0 }}
    >
      <div className="small">
        The entry stays readable, struck out through, with your name and the reason.
      </div>
      {shown === undefined ? null : (
        <TextField
          label="What the meter really showed"
          {...register('shown', {
            required: 'Write what it showed.',
            onChange: () => {
              setDisputed(false);
              setValue('evenSo', false);
            },
          })}
          {...field('shown')}
          slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
        />
      )}
      <TextField
        label="Why it is corrected"
        {...register('why', {
          validate: (text) => text.trim() !== '' || 'Say why: the person who reads it later will ask.',
        })}
        {...field('why')}
      />
      <FormPassword control={control} name="password" />
      <TroubleAlert trouble={trouble} />
      {disputed ? (
        <FormControlLabel
          control={<Checkbox {...register('evenSo')} />}
          label="It is right even so: I correct the other reading next"
        />
      ) : null}
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          {shown === undefined ? 'Strike the entry' : 'Strike and write again'}
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Stack>
    </Stack>
  );
}

/** Correcting an entry. The old one stays readable. */
export function StrikeForm(props: Props) {
  const [open, setOpen] = useState(false);
  if (open)
    return (
      <OpenForm
        {...props}
        onDone={() => {
          setOpen(false);
        }}
      />
    );
  return (
    <Button
      size="small"
      aria-label={`Correct ${props.what}`}
      onClick={() => {
        setOpen(true);
      }}
    >
      Correct …
    </Button>
  );
}

/** Who struck out an entry, when and why. */
export function StruckText({ struck }: { readonly struck: Struck | null }) {
  return struck === null ? null : (
    <div className="small">
      <b>Struck</b> by {struck.by}, {struck.when}: {struck.why}
    </div>
  );
}
