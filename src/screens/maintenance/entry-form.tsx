'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { may } from '@/contracts/kernel/permissions';
import { CERTIFICATE_KINDS } from '@/core/records/club/certificate';
import { sentenceCase } from '@/explain/wording';
import { CERTIFICATE_CHOICES, METER_NAMES_IN_WORDS } from '@/explain/names';
import type { Folder } from '@/queries/aircraft/folder-view';
import { send } from '../data/fetching';
import { sendPhoto } from '../data/photos';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { PhotoField } from '../kit/photo-field';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';
import { COPIED, type Fields, choices, draftOf, signersOf, wording } from './entry-draft';
import { FormPassword } from '../kit/signing-fields';
import { Preview } from './entry-preview';
import { effectsOf, NO_ANSWER, WorkEffects } from './work-effects';

/** Recording an inspection, an item or an AD’s compliance: what the record needs, what is due next with the sum, and the signature. */
export function EntryForm({
  folder,
  roles,
  onDone,
}: {
  readonly folder: Folder;
  readonly roles: readonly string[];
  readonly onDone: () => void;
}) {
  const all = choices(folder);
  const copies = may(roles, 'copy-entry');
  const [photo, setPhoto] = useState<File | null>(null);
  const [photoTrouble, setPhotoTrouble] = useState<string | null>(null);
  const [entryId] = useState(() => crypto.randomUUID());
  const { post, trouble } = useCommand();
  const first = all.find((one) => signersOf(one, one.methods[0]?.id ?? '').length > 0) ?? all[0];
  const {
    register,
    handleSubmit,
    control,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      what: first?.value ?? '',
      completedOn: folder.today,
      reading: '',
      outcome: 'approved',
      excess: '',
      feet: '',
      method: first?.methods[0]?.id ?? '',
      description: first === undefined ? '' : wording(first.name, true),
      list: '',
      by: signersOf(first, first?.methods[0]?.id ?? '')[0]?.id ?? (copies ? COPIED : ''),
      name: '',
      kind: 'inspection-authorisation',
      number: '',
      from: '',
      until: '',
      above: false,
      effects: NO_ANSWER,
      password: '',
    },
  });
  const fields = useWatch({ control }) as Fields;
  const chosen = all.find(({ value }) => value === fields.what);
  const draft = draftOf(fields, chosen?.meters ?? []);
  const copied = fields.by === COPIED;
  const asksEffects = !copied && !fields.what.startsWith('inspection/');
  const isOpen = asksEffects && fields.effects.changed === '';
  const effects = asksEffects && !isOpen ? { effects: effectsOf(fields.effects) } : {};
  const { data: preview } = useQuery({
    queryKey: ['entry-preview', folder.aircraftId, folder.revision, draft, effects],
    queryFn: () => send('POST /api/entries/preview', { aircraftId: folder.aircraftId, draft, ...effects }),
    retry: false,
    staleTime: 10_000,
    placeholderData: (before) => before,
  });
  if (chosen === undefined) return null;
  // By some ways of complying with an AD a pilot signs, by others a mechanic.
  const certificates = signersOf(chosen, fields.method);
  const chooseSigner = (of: typeof chosen | undefined, method: string) => {
    setValue('by', signersOf(of, method)[0]?.id ?? (copies ? COPIED : ''));
  };
  const choose = (value: string) => {
    const next = all.find((one) => one.value === value);
    setValue('method', next?.methods[0]?.id ?? '');
    chooseSigner(next, next?.methods[0]?.id ?? '');
    setValue(
      'description',
      next === undefined
        ? ''
        : value.startsWith('inspection/')
          ? wording(next.name, fields.outcome === 'approved')
          : '',
    );
  };
  const submit = async (given: Fields) => {
    const signer =
      given.by === COPIED
        ? {
            by: 'copied-from-logbook',
            name: given.name,
            kind: given.kind,
            number: given.number,
            validFrom: given.from,
            validUntil: given.until === '' ? 'no-expiry' : given.until,
          }
        : { by: 'own-certificate', certificateId: given.by };
    const done = await post(
      'POST /api/entries',
      {
        entryId,
        aircraftId: folder.aircraftId,
        seenRevision: folder.revision,
        draft: draftOf(given, chosen.meters),
        description: given.description,
        list:
          given.what.startsWith('inspection/') && given.outcome === 'discrepancies-listed'
            ? given.list
                .split('\n')
                .map((line) => line.trim())
                .filter((line) => line !== '')
            : [],
        ...(given.by === COPIED || given.what.startsWith('inspection/')
          ? {}
          : { effects: effectsOf(given.effects) }),
        signer,
        aboveMeter: given.above,
        password: given.password,
      },
      (path, message) => {
        const last = path.split('.').at(-1) ?? path;
        setError(
          ((
            {
              timeInService: 'reading',
              shown: 'reading',
              certificateId: 'by',
              signer: 'by',
              validFrom: 'from',
              validUntil: 'until',
              aboveMeter: 'reading',
            } as Record<string, string>
          )[last] ?? last) as keyof Fields,
          { message },
        );
      },
    );
    if (!done) {
      setValue('password', '');
      return;
    }
    if (given.by !== COPIED || photo === null) {
      onDone();
      return;
    }
    try {
      await sendPhoto(entryId, photo);
      onDone();
    } catch (error) {
      setPhotoTrouble(
        `The entry is recorded; its photo is not: ${error instanceof Error ? error.message : 'that did not work'}`,
      );
    }
  };
  const field = (name: keyof Fields) => ({
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  const inspection = fields.what.startsWith('inspection/');
  return (
    <Stack
      component="form"
      spacing={1.75}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="Record maintenance"
      sx={{ maxWidth: 760, p: '10px 0 20px' }}
    >
      <TextField
        select
        label="What was done"
        value={fields.what}
        {...register('what', {
          onChange: (event: { target: { value: string } }) => {
            choose(event.target.value);
          },
        })}
      >
        {all.map(({ value, name }) => (
          <MenuItem key={value} value={value}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      {chosen.methods.length === 0 ? null : (
        <TextField
          select
          label="Method"
          value={fields.method}
          {...register('method', {
            onChange: (event: { target: { value: string } }) => {
              chooseSigner(chosen, event.target.value);
            },
          })}
          {...field('method')}
        >
          {chosen.methods.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      <FieldGrid>
        <FormDay control={control} name="completedOn" label="Completed on" max={folder.today} />
        {chosen.meters[0] === undefined ? null : (
          <TextField
            label={`${sentenceCase(METER_NAMES_IN_WORDS[chosen.meters[0]])} then`}
            {...register('reading', {
              onChange: () => {
                setValue('above', false);
              },
            })}
            {...field('reading')}
            slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
          />
        )}
        {inspection ? (
          <TextField
            select
            label="Outcome"
            value={fields.outcome}
            {...register('outcome', {
              onChange: (event: { target: { value: string } }) => {
                setValue('description', wording(chosen.name, event.target.value === 'approved'));
              },
            })}
          >
            <MenuItem value="approved">Airworthy, approved for return to service</MenuItem>
            <MenuItem value="discrepancies-listed">Not approved: a list was given</MenuItem>
          </TextField>
        ) : null}
        <TextField
          select
          label="If it was flown past its limit"
          value={fields.excess}
          {...register('excess')}
        >
          <MenuItem value="">not, or taken off the next interval</MenuItem>
          <MenuItem value="en-route-to-inspection">on the way to the inspection (taken off)</MenuItem>
          <MenuItem value="flown-on-uses-without-the-limit">only on uses that need no such limit</MenuItem>
        </TextField>
        {fields.what === 'inspection/altimeter-static' ? (
          <TextField
            label="Tested to, feet"
            {...register('feet')}
            {...field('feet')}
            slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
          />
        ) : null}
      </FieldGrid>
      <TextField
        label="Description, as the record needs it"
        multiline
        minRows={2}
        {...register('description', {
          validate: (text) => text.trim() !== '' || 'Describe the work: the record needs it.',
        })}
        {...field('description')}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      {inspection && fields.outcome === 'discrepancies-listed' ? (
        <TextField
          label="Items of the list, one on a line: each becomes an open item"
          multiline
          minRows={3}
          {...register('list')}
          {...field('list')}
        />
      ) : null}
      {!asksEffects ? null : <WorkEffects control={control} />}
      {preview === undefined ? null : <Preview preview={preview} copied={copied} isOpen={isOpen} />}
      {/* A box of its own for each figure: what is said of one is not said of another. */}
      {preview?.aboveMeter == null ? null : (
        <FormControlLabel
          key={fields.reading}
          control={<Checkbox {...register('above')} />}
          label={`${preview.aboveMeter} I have read the meter again.`}
        />
      )}
      <TextField select label="Signed by" value={fields.by} {...register('by')} {...field('by')}>
        {certificates.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            me, {name}
          </MenuItem>
        ))}
        {copies ? <MenuItem value={COPIED}>somebody else, in the paper logbook: I copy it</MenuItem> : null}
        {certificates.length === 0 && !copies ? (
          <MenuItem value="" disabled>
            none of your certificates may sign this
          </MenuItem>
        ) : null}
      </TextField>
      {copied ? (
        <FieldGrid>
          <TextField label="Who signed there" {...register('name')} {...field('name')} />
          <TextField
            select
            label="Kind of certificate"
            value={fields.kind}
            {...register('kind')}
            {...field('kind')}
          >
            {CERTIFICATE_KINDS.map((kind) => (
              <MenuItem key={kind} value={kind}>
                {sentenceCase(CERTIFICATE_CHOICES[kind])}
              </MenuItem>
            ))}
          </TextField>
          <TextField label="Certificate number" {...register('number')} {...field('number')} />
          <span />
          <FormDay control={control} name="from" label="Valid from" />
          <FormDay control={control} name="until" label="Valid until (empty: does not expire)" />
        </FieldGrid>
      ) : null}
      {copied ? (
        <>
          <Alert severity="info">
            A copy does not count until a mechanic or the administrator has compared it with the document and
            vouches for it. A photo of the entry helps them.
          </Alert>
          <PhotoField words="Photo of the entry" photo={photo} onChange={setPhoto} />
        </>
      ) : null}
      {photoTrouble === null ? null : (
        <Alert
          severity="error"
          role="alert"
          action={
            <Button color="inherit" size="small" onClick={onDone}>
              Cancel
            </Button>
          }
        >
          {photoTrouble}
        </Alert>
      )}
      <FormPassword control={control} name="password" />
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          {copied ? 'Record the copy' : 'Sign the entry'}
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Stack>
    </Stack>
  );
}
