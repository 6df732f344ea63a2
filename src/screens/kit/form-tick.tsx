'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import type { ReactNode } from 'react';
import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';

/** Yes or no of a form, as a tick with its words. */
export function FormTick<F extends FieldValues>({
  control,
  name,
  label,
}: {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
  readonly label: ReactNode;
}) {
  const { field } = useController({ control, name });
  return (
    <FormControlLabel
      control={
        <Checkbox
          checked={field.value as boolean}
          onChange={(_, on) => {
            field.onChange(on);
          }}
        />
      }
      label={label}
    />
  );
}
