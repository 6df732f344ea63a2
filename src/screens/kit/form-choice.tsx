'use client';

import TextField, { type TextFieldProps } from '@mui/material/TextField';
import {
  useController,
  type Control,
  type FieldPath,
  type FieldValues,
  type RegisterOptions,
} from 'react-hook-form';

/** One of some words of a form, with what the form says of it. @param helperText stands there while the form says nothing */
export function FormChoice<F extends FieldValues>({
  control,
  name,
  rules,
  helperText,
  ...rest
}: Omit<TextFieldProps, 'name' | 'value' | 'onChange' | 'onBlur' | 'error' | 'select'> & {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
  readonly rules?: Omit<RegisterOptions<F>, 'setValueAs' | 'disabled' | 'valueAsNumber' | 'valueAsDate'>;
}) {
  const { field, fieldState } = useController({ control, name, ...(rules === undefined ? {} : { rules }) });
  return (
    <TextField
      {...rest}
      select
      value={field.value as string}
      onChange={field.onChange}
      error={fieldState.error !== undefined}
      helperText={fieldState.error?.message ?? helperText}
    />
  );
}
