'use client';

import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import type { Folder } from '@/queries/aircraft/folder-view';
import { FormDay } from '../kit/form-day';
import { useCommand } from '../data/command';
import { FormCertificate, FormPassword } from '../kit/signing-fields';
import { TroubleAlert } from '../kit/trouble-alert';

interface SignedFields {
  readonly on: string;
  readonly description: string;
  readonly certificateId: string;
  readonly password: string;
}

/** What somebody signs for: work, described, with a day and a certificate. */
export interface SignedWork {
  /** Words of the button that opens the form. */
  readonly opens: string;
  /** The form's name. */
  readonly label: string;
  /** Words over the description. */
  readonly describe: string;
  /** Words of the button that signs; a return to service where none are given. */
  readonly signs?: string;
  /** What the day is of; of the work where nothing is given. */
  readonly day?: string;
}

/** A form in which work is described and signed. @param children told before it is signed */
export function SignedWorkForm({
  folder,
  work: { opens, label, describe, signs = 'Sign and return to service', day = 'Done on' },
  send,
  children = null,
}: {
  readonly folder: Folder;
  readonly work: SignedWork;
  /** Sends it; answers whether it was taken. `id` is made once, so that sending twice records once. */
  readonly send: (
    post: ReturnType<typeof useCommand>['post'],
    fields: SignedFields & { readonly id: string },
    place: (path: string, message: string) => void,
  ) => Promise<unknown>;
  readonly children?: ReactNode;
}) {
  const certificates =
    folder.sign.ads[0]?.certificates
    ?? folder.sign.inspections.find(({ kind }) => kind === 'hundred-hour')?.certificates
    ?? [];
  const [open, setOpen] = useState(false);
  const [id, setId] = useState(() => crypto.randomUUID());
  const { post, trouble } = useCommand();
  const {
    register,
    control,
    handleSubmit,
    reset,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<SignedFields>({
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
          {opens}
        </Button>
      </div>
    );
  const submit = async (fields: SignedFields) => {
    const done = await send(post, { ...fields, id }, (path, message) => {
      setError(path as keyof SignedFields, { message });
    });
    if (done === null || done === false) {
      setValue('password', '');
      return;
    }
    // What is entered next is another record.
    setId(crypto.randomUUID());
    reset();
    setOpen(false);
  };
  const field = (name: keyof SignedFields) => ({
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
      aria-label={label}
      sx={{ maxWidth: 560, py: 1.25, px: 0 }}
    >
      {children}
      <TextField
        label={describe}
        multiline
        minRows={2}
        {...register('description', {
          validate: (text) => text.trim() !== '' || 'Describe the work: the record needs it.',
        })}
        {...field('description')}
      />
      <FormDay control={control} name="on" label={day} max={folder.today} />
      <FormCertificate control={control} name="certificateId" certificates={certificates} />
      <FormPassword control={control} name="password" />
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          {signs}
        </Button>
        <Button
          onClick={() => {
            setOpen(false);
          }}
        >
          Cancel
        </Button>
      </Stack>
    </Stack>
  );
}
