'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { FormChoice } from './form-choice';

/** The password as a signature. It is asked for each time, and never kept. */
export function FormPassword<F extends FieldValues>({
  control,
  name,
}: {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
}) {
  const { field, fieldState } = useController({
    control,
    name,
    rules: { required: 'Enter your password: it is your signature.' },
  });
  return (
    <TextField
      label="Your password, as your signature"
      type="password"
      autoComplete="current-password"
      inputRef={field.ref}
      value={field.value as string}
      onChange={field.onChange}
      onBlur={field.onBlur}
      error={fieldState.error !== undefined}
      helperText={fieldState.error?.message}
    />
  );
}

/** By which of the reader's own certificates it is signed. */
export function FormCertificate<F extends FieldValues>({
  control,
  name,
  certificates,
}: {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
  readonly certificates: readonly { readonly id: string; readonly name: string }[];
}) {
  return (
    <FormChoice control={control} name={name} label="Signed by certificate">
      {certificates.map((certificate) => (
        <MenuItem key={certificate.id} value={certificate.id}>
          {certificate.name}
        </MenuItem>
      ))}
    </FormChoice>
  );
}
