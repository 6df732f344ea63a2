'use client';

import Skeleton from '@mui/material/Skeleton';
import { lazy, Suspense } from 'react';
import {
  useController,
  type Control,
  type FieldPath,
  type FieldValues,
  type RegisterOptions,
} from 'react-hook-form';
import type { DayFieldProps } from './day-props';

const Picker = lazy(() => import('./day-picker'));

/** A day: typed as 24 Nov 2026, or chosen from a calendar. Until the calendar is here its place is kept, with nothing to type into. */
export function DayField(props: DayFieldProps) {
  return (
    <Suspense fallback={<Skeleton variant="rounded" height={props.size === 'small' ? 40 : 56} />}>
      <Picker {...props} />
    </Suspense>
  );
}

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
