'use client';

import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useController, type Control } from 'react-hook-form';
import type { DayPlan } from '@/queries/flights/plan';
import type { Fields } from './flight-draft';

interface Props {
  readonly control: Control<Fields>;
  readonly people: DayPlan['people'];
  /** The only person for whom the reader plans: themselves; null for the desk. */
  readonly onlyFor: string | null;
}

/** Who flies: a member who is chosen, or a guest who is named. */
export function WhoField({ control, people, onlyFor }: Props) {
  const { field, fieldState } = useController({
    control,
    name: 'person',
    rules: { validate: (text) => text.trim() !== '' || 'Say who flies.' },
  });
  const { field: member } = useController({ control, name: 'personId' });
  if (onlyFor !== null)
    return (
      <TextField label="Who" value={field.value} slotProps={{ htmlInput: { readOnly: true } }} autoFocus />
    );
  const named = people.filter(({ name }) => name === field.value.trim());
  const help =
    fieldState.error?.message
    ?? (field.value.trim() === '' || named.length === 1
      ? undefined
      : named.length > 1 && member.value === null
        ? 'Several members have this name: choose one.'
        : named.length === 0
          ? 'A guest: no member has this name.'
          : undefined);
  return (
    <Autocomplete
      freeSolo
      options={[...people]}
      getOptionLabel={(one) => (typeof one === 'string' ? one : one.name)}
      getOptionKey={(one) => (typeof one === 'string' ? one : one.personId)}
      inputValue={field.value}
      onInputChange={(_, text) => {
        // Letter by letter it is a name; the member is the only one who has it, until one is chosen.
        const [only, ...more] = people.filter(({ name }) => name === text.trim());
        field.onChange(text);
        member.onChange(only !== undefined && more.length === 0 ? only.personId : null);
      }}
      onChange={(_, chosen) => {
        if (chosen === null || typeof chosen === 'string') return;
        field.onChange(chosen.name);
        member.onChange(chosen.personId);
      }}
      onBlur={field.onBlur}
      renderInput={(params) => (
        <TextField
          {...params}
          label="Who"
          autoFocus
          error={fieldState.error !== undefined}
          helperText={help}
        />
      )}
    />
  );
}
