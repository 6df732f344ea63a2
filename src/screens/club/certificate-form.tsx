import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { CERTIFICATE_KINDS } from '@/core/records/club/certificate';
import { sentenceCase } from '@/explain/wording';
import { CERTIFICATE_CHOICES } from '@/explain/names';
import type { PersonLine } from '@/queries/club/people';
import { FormChoice } from '../kit/form-choice';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';

export function CertificateForm({
  person,
  onDone,
}: {
  readonly person: PersonLine;
  readonly onDone: () => void;
}) {
  const { post, trouble } = useCommand();
  const [certificateId] = useState(() => crypto.randomUUID());
  const {
    register,
    control,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({ defaultValues: { kind: 'pilot', number: '', validFrom: '', validUntil: '' } });
  const submit = async ({
    validUntil,
    ...given
  }: {
    kind: string;
    number: string;
    validFrom: string;
    validUntil: string;
  }) => {
    if (
      (await post(
        'POST /api/people/certificates',
        {
          certificateId,
          personId: person.personId,
          ...given,
          validUntil: validUntil === '' ? 'no-expiry' : validUntil,
        },
        (path, message) => {
          setError(path as 'number', { message });
        },
      )) !== null
    )
      onDone();
  };
  const field = (name: 'number' | 'validFrom' | 'validUntil') => ({
    ...register(name),
    error: errors[name] !== undefined,
  });
  return (
    <Stack
      component="form"
      spacing={1.25}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label={`Certificate of ${person.name}`}
      sx={{ py: 1, px: 0 }}
    >
      <Typography className="small">
        Enter it from the certificate itself: the person who has it here signs by it.
      </Typography>
      <FieldGrid least={200}>
        <FormChoice control={control} name="kind" label="Kind">
          {CERTIFICATE_KINDS.map((kind) => (
            <MenuItem key={kind} value={kind}>
              {sentenceCase(CERTIFICATE_CHOICES[kind])}
            </MenuItem>
          ))}
        </FormChoice>
        <TextField label="Number" {...field('number')} helperText={errors.number?.message} />
        <FormDay control={control} name="validFrom" label="Valid from" />
        <FormDay control={control} name="validUntil" label="Valid until" help="Empty: it does not expire." />
      </FieldGrid>
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="outlined" disabled={isSubmitting}>
          Save
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Stack>
    </Stack>
  );
}
