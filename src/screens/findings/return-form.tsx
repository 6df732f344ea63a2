'use client';

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { ReturnToServiceInput } from '@/contracts/findings/return-to-service';
import type { FindingView } from '@/queries/aircraft/aircraft-page';
import { FormDay } from '../kit/form-day';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';

type Fields = Pick<
  ReturnToServiceInput,
  'work' | 'description' | 'completedOn' | 'certificateId' | 'password'
>;

/** Recording what was done about a finding and signing it. What is typed stays when the signature is refused. */
export function ReturnForm({
  finding,
  revision,
  today,
}: {
  readonly finding: FindingView;
  readonly revision: number;
  readonly today: string;
}) {
  const { post, trouble } = useCommand();
  const possible = finding.closings.filter(({ certificates }) => certificates.length > 0);
  const [first] = possible;
  const [id] = useState(() => crypto.randomUUID());
  const {
    register,
    handleSubmit,
    control,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      work: first?.work ?? 'repaired',
      description: '',
      completedOn: today,
      certificateId: first?.certificates[0]?.id ?? '',
      password: '',
    },
  });
  const work = useWatch({ control, name: 'work' });
  if (first === undefined)
    return <p className="small">None of your certificates on record may close this one today.</p>;
  const certificates = possible.find((closing) => closing.work === work)?.certificates ?? [];
  const submit = async (fields: Fields) => {
    const done = await post(
      'POST /api/returns',
      { ...fields, rectificationId: id, discrepancyId: finding.id, seenRevision: revision },
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
      spacing={1.75}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      sx={{ mt: 1.5, maxWidth: 620 }}
      aria-label={`Close: ${finding.what}`}
    >
      <TextField
        select
        label="What was done"
        {...register('work', {
          onChange: (event: { target: { value: string } }) => {
            setValue(
              'certificateId',
              possible.find((closing) => closing.work === event.target.value)?.certificates[0]?.id ?? '',
            );
          },
        })}
        defaultValue={first.work}
        {...field('work')}
      >
        {possible.map((closing) => (
          <MenuItem key={closing.work} value={closing.work}>
            {closing.name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="Description of the work, as the record needs it"
        multiline
        minRows={2}
        {...register('description', {
          validate: (text) => text.trim() !== '' || 'Describe the work: the record needs it.',
        })}
        {...field('description')}
      />
      <FormDay
        control={control}
        name="completedOn"
        label="Completed on"
        rules={{ required: 'Give the day on which it was completed.' }}
        max={today}
      />
      <TextField
        select
        label="Signed by certificate"
        {...register('certificateId')}
        defaultValue={certificates[0]?.id ?? ''}
        {...field('certificateId')}
      >
        {certificates.map((certificate) => (
          <MenuItem key={certificate.id} value={certificate.id}>
            {certificate.name}
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
      <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
        Sign and return to service
      </Button>
      <div className="small">
        Your signature approves only the work described here. It is kept with your name, certificate and the
        time, and cannot be changed afterwards.
      </div>
    </Stack>
  );
}
