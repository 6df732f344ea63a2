import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { CERTIFICATE_KINDS } from '@/core/records/club/certificate';
import { sentenceCase } from '@/explain/formats';
import { CERTIFICATE_CHOICES } from '@/explain/names';
import type { PersonLine } from '@/queries/club/people';
import { useAct } from './people-acts';

export function CertificateForm({
  person,
  onDone,
}: {
  readonly person: PersonLine;
  readonly onDone: () => void;
}) {
  const { act, trouble } = useAct();
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
      (await act(
        '/api/people/certificates',
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
    <form
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label={`Certificate of ${person.name}`}
      style={{ display: 'grid', gap: 10, padding: '8px 0' }}
    >
      <p className="small" style={{ margin: 0 }}>
        Enter it from the certificate itself: the person who has it here signs by it.
      </p>
      <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(200px, 1fr))', gap: 10 }}>
        <Controller
          control={control}
          name="kind"
          render={({ field: { value, onChange } }) => (
            <TextField select label="Kind" value={value} onChange={onChange}>
              {CERTIFICATE_KINDS.map((kind) => (
                <MenuItem key={kind} value={kind}>
                  {sentenceCase(CERTIFICATE_CHOICES[kind])}
                </MenuItem>
              ))}
            </TextField>
          )}
        />
        <TextField label="Number" {...field('number')} helperText={errors.number?.message} />
        <TextField
          label="Valid from"
          type="date"
          slotProps={{ inputLabel: { shrink: true } }}
          {...field('validFrom')}
          helperText={errors.validFrom?.message}
        />
        <TextField
          label="Valid until"
          type="date"
          slotProps={{ inputLabel: { shrink: true } }}
          {...field('validUntil')}
          helperText={errors.validUntil?.message ?? 'Empty: it does not expire.'}
        />
      </div>
      {trouble === null ? null : (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      <div style={{ display: 'flex', gap: 8 }}>
        <Button type="submit" variant="outlined" disabled={isSubmitting}>
          Save
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
}
