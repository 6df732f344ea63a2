'use client';

import {
  useController,
  type Control,
  type FieldPath,
  type FieldValues,
  type RegisterOptions,
} from 'react-hook-form';
import { DayField } from './day-field';
import type { DayFieldProps } from './day-props';

/** A day of a form, with what the form says of it. */
export function FormDay<F extends FieldValues>({
  control,
  name,
  rules,
  ...rest
}: Omit<DayFieldProps, 'value' | 'onChange' | 'onBlur' | 'error'> & {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
  readonly rules?: Omit<RegisterOptions<F>, 'setValueAs' | 'disabled' | 'valueAsNumber' | 'valueAsDate'>;
}) {
  const { field, fieldState } = useController({ control, name, ...(rules === undefined ? {} : { rules }) });
  return (
    <DayField
      {...rest}
      value={field.value as string}
      onChange={field.onChange}
      onBlur={field.onBlur}
      error={fieldState.error?.message}
    />
  );
}
