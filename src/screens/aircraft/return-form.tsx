'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { parseCivilDate } from '@/core/time/civil-date';
import { dateText } from '@/explain/formats';
import type { ReturnToServiceInput } from '@/contracts/return-to-service';
import type { FindingView } from '@/queries/aircraft-page';
import { Refusal, send } from '../data/fetching';

type Fields = Pick<ReturnToServiceInput, 'work' | 'description' | 'completedOn' | 'certificateId' | 'password'>;

/** What somebody who looked earlier has missed. */
interface Changed { readonly act: string; readonly actorName: string }

const ACTS: Readonly<Record<string, string>> = { 'report-finding': 'reported a finding', 'add-photo': 'added a photo', 'return-to-service': 'closed a finding' };

/** Browsers write a day in many ways; in words it cannot be read wrongly. */
function dayInWords(text: string): string {
  const date = parseCivilDate(text);
  return date === undefined ? '' : dateText(date);
}

/** Recording what was done about a finding and signing it. What is typed stays when the signature is refused. */
export function ReturnForm({ finding, revision, today }: { readonly finding: FindingView; readonly revision: number; readonly today: string }) {
  const client = useQueryClient();
  const possible = finding.closings.filter(({ certificates }) => certificates.length > 0);
  const [first] = possible;
  const [id] = useState(() => crypto.randomUUID());
  const [trouble, setTrouble] = useState<{ readonly message: string; readonly changes: readonly Changed[] } | null>(null);
  const { register, handleSubmit, control, setValue, setError, formState: { errors, isSubmitting } } = useForm<Fields>({
    defaultValues: { work: first?.work ?? 'repaired', description: '', completedOn: today, certificateId: first?.certificates[0]?.id ?? '', password: '' },
  });
  const [work, completedOn] = useWatch({ control, name: ['work', 'completedOn'] });
  if (first === undefined) return <p className="small">None of your certificates on record may close this one today.</p>;
  const certificates = possible.find((closing) => closing.work === work)?.certificates ?? [];
  const submit = async (fields: Fields) => {
    setTrouble(null);
    try {
      await send('/api/returns', { ...fields, rectificationId: id, discrepancyId: finding.id, seenRevision: revision });
      await client.invalidateQueries();
    } catch (error) {
      if (error instanceof Refusal) for (const { path, message } of error.details.problems ?? []) setError(path as keyof Fields, { message });
      setTrouble({ message: error instanceof Error ? error.message : 'It was not signed.', changes: (error instanceof Refusal ? error.details.changes ?? [] : []) as readonly Changed[] });
      setValue('password', '');
      await client.invalidateQueries({ queryKey: ['aircraft'] });
    }
  };
  const field = (name: keyof Fields) => ({ error: errors[name] !== undefined, helperText: errors[name]?.message });
  return (
    <form noValidate onSubmit={(event) => { void handleSubmit(submit)(event); }} style={{ display: 'grid', gap: 14, marginTop: 12, maxWidth: 620 }} aria-label={`Close: ${finding.what}`}>
      <TextField select label="What was done" {...register('work', { onChange: (event: { target: { value: string } }) => { setValue('certificateId', possible.find((closing) => closing.work === event.target.value)?.certificates[0]?.id ?? ''); } })} defaultValue={first.work} {...field('work')}>{possible.map((closing) => <MenuItem key={closing.work} value={closing.work}>{closing.name}</MenuItem>)}</TextField>
      <TextField label="Description of the work, as the record needs it" multiline minRows={2} {...register('description', { validate: (text) => text.trim() !== '' || 'Describe the work: the record needs it.' })} {...field('description')} />
      <TextField label="Completed on" type="date" slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }} {...register('completedOn', { required: 'Give the day on which it was completed.' })} error={errors.completedOn !== undefined} helperText={errors.completedOn?.message ?? dayInWords(completedOn)} />
      <TextField select label="Signed by certificate" {...register('certificateId')} defaultValue={certificates[0]?.id ?? ''} {...field('certificateId')}>{certificates.map((certificate) => <MenuItem key={certificate.id} value={certificate.id}>{certificate.name}</MenuItem>)}</TextField>
      <TextField label="Your password, as your signature" type="password" autoComplete="current-password" {...register('password', { required: 'Enter your password: it is your signature.' })} {...field('password')} />
      {trouble === null ? null : (
        <Alert severity="error" role="alert">{trouble.message}
          {trouble.changes.length === 0 ? null : <ul>{trouble.changes.map((change, at) => <li key={at}>{change.actorName} {ACTS[change.act] ?? change.act}</li>)}</ul>}
        </Alert>
      )}
      <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>Sign and return to service</Button>
      <div className="small">Your signature approves only the work described here. It is kept with your name, certificate and the time, and cannot be changed afterwards.</div>
    </form>
  );
}
