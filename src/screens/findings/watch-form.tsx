import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { TriageRow } from '@/queries/findings/triage';
import { useCommand } from '../data/command';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { FormCertificate, FormPassword } from '../kit/signing-fields';
import { TroubleAlert } from '../kit/trouble-alert';

interface Fields {
  readonly note: string;
  readonly recheckBy: string;
  readonly recheckAt: string;
  readonly correctBy: string;
  readonly certificateId: string;
  readonly password: string;
}

const HOURS = /^\d{1,6}(\.\d)?$/u;

/** Signing that a finding is watched: how large it is, when it is looked at again, and when it is corrected at the latest. */
export function WatchForm({
  row,
  today,
  onDone,
}: {
  readonly row: TriageRow;
  readonly today: string;
  readonly onDone: (isDone: boolean) => void;
}) {
  const { post, trouble } = useCommand();
  const [id] = useState(() => crypto.randomUUID());
  const certificates = row.watch ?? [];
  const {
    register,
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      note: '',
      recheckBy: '',
      recheckAt: '',
      correctBy: '',
      certificateId: certificates[0]?.id ?? '',
      password: '',
    },
  });
  const submit = async ({ recheckBy, recheckAt, correctBy, ...fields }: Fields) => {
    const done = await post(
      'POST /api/triage',
      {
        ...fields,
        triageId: id,
        discrepancyId: row.id,
        aircraftId: row.aircraftId,
        seenRevision: row.revision,
        decision: 'watch',
        recheckBy: recheckBy === '' ? null : recheckBy,
        recheckAt: recheckAt.trim() === '' ? null : Number(recheckAt),
        correctBy: correctBy === '' ? null : correctBy,
      },
      (path, message) => {
        setError(path as keyof Fields, { message });
      },
    );
    if (done) onDone(true);
    else setValue('password', '');
  };
  return (
    <Stack
      component="form"
      spacing={1.75}
      noValidate
      aria-label={`Watch: ${row.what}`}
      sx={{ maxWidth: 620, py: 1.25 }}
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
    >
      <TextField
        label="How large it is now, and what would end the watching"
        multiline
        minRows={2}
        autoFocus
        {...register('note', {
          validate: (text) =>
            text.trim() !== '' || 'Say how large it is: the next who looks compares with it.',
        })}
        error={errors.note !== undefined}
        helperText={errors.note?.message}
      />
      <FieldGrid least={200}>
        <FormDay
          control={control}
          name="recheckBy"
          label="Looked at again by"
          min={today}
          rules={{
            validate: (value, form) =>
              value !== ''
              || form.recheckAt.trim() !== ''
              || 'Say by which day or reading it is looked at again.',
          }}
        />
        <TextField
          label="or at time in service, h"
          {...register('recheckAt', {
            validate: (text) =>
              text.trim() === '' || HOURS.test(text.trim()) || 'Hours and tenths, such as 4150.0.',
          })}
          error={errors.recheckAt !== undefined}
          helperText={errors.recheckAt?.message}
          slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
        />
        <FormDay control={control} name="correctBy" label="Corrected by (may stay empty)" min={today} />
      </FieldGrid>
      <FormCertificate control={control} name="certificateId" certificates={certificates} />
      <FormPassword control={control} name="password" />
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Sign: it may fly, and is watched
        </Button>
        <Button
          onClick={() => {
            onDone(false);
          }}
        >
          Cancel
        </Button>
      </Stack>
    </Stack>
  );
}
