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
import { effectsOf, NO_ANSWER, WorkEffects, type EffectFields } from '../maintenance/work-effects';
import { FormCertificate, FormPassword } from '../kit/signing-fields';
import { TroubleAlert } from '../kit/trouble-alert';

type Fields = Pick<
  ReturnToServiceInput,
  'work' | 'description' | 'completedOn' | 'certificateId' | 'password'
> & { readonly effects: EffectFields };

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
  const [workId] = useState(() => crypto.randomUUID());
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
      effects: NO_ANSWER,
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
      {
        ...fields,
        effects: fields.work === 'repaired' ? effectsOf(fields.effects) : null,
        workId,
        rectificationId: id,
        discrepancyId: finding.id,
        seenRevision: revision,
      },
      (path, message) => {
        setError((path.startsWith('effects') ? 'effects.changed' : path) as keyof Fields, { message });
      },
    );
    if (!done) setValue('password', '');
  };
  const field = (name: Exclude<keyof Fields, 'effects'>) => ({
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
      {work === 'repaired' ? <WorkEffects control={control} /> : null}
      <FormCertificate control={control} name="certificateId" certificates={certificates} />
      <FormPassword control={control} name="password" />
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
