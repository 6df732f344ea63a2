import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import {
  type DefaultValues,
  type FieldValues,
  type Path,
  type UseFormReturn,
  useForm,
} from 'react-hook-form';
import type { FactInput } from '@/contracts/aircraft/aircraft-entry';
import { sentenceCase } from '@/explain/wording';
import type { FactLine, Facts } from '@/queries/aircraft/facts';
import { FormDay } from '../kit/form-day';
import { FieldGrid, PlainList } from '../kit/layout';
import { FactAnswer } from './fact-answer';
import { useFact } from './use-fact';

/** A small form for one record: the latest is told above it, and what is saved becomes the latest. */
export function RecordForm<F extends FieldValues>({
  facts,
  name,
  lines,
  none,
  empty,
  fact,
  children,
}: {
  readonly facts: Facts;
  readonly name: string;
  readonly lines: readonly FactLine[];
  readonly none: string;
  readonly empty: DefaultValues<F>;
  readonly fact: (fields: F) => FactInput;
  readonly children: (form: UseFormReturn<F>) => ReactNode;
}) {
  const { enter, answer } = useFact(facts);
  const form = useForm<F>({ defaultValues: empty });
  const submit = async (fields: F) => {
    if (
      (await enter(fact(fields), (field, message) => {
        form.setError(field as Path<F>, { message });
      })) !== null
    )
      form.reset(empty);
  };
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      onSubmit={(event) => {
        void form.handleSubmit(submit)(event);
      }}
      aria-label={name}
    >
      {lines.length === 0 ? (
        <Typography>{none}</Typography>
      ) : (
        <PlainList>
          {lines.map((line) => (
            <li key={line.id}>
              <b>{sentenceCase(line.text)}</b> <span className="small">{line.more}</span>
            </li>
          ))}
        </PlainList>
      )}
      <FieldGrid least={220}>{children(form)}</FieldGrid>
      <FactAnswer {...answer} />
      <div>
        <Button type="submit" variant="outlined" disabled={form.formState.isSubmitting}>
          Save
        </Button>
      </div>
    </Stack>
  );
}

const shrink = { inputLabel: { shrink: true } } as const;

export function Field<F extends FieldValues>({
  form,
  name,
  label,
  type = 'text',
  options,
  help = '',
}: {
  readonly form: UseFormReturn<F>;
  readonly name: Path<F>;
  readonly label: string;
  readonly type?: 'text' | 'date';
  readonly options?: readonly (readonly [string, string])[];
  readonly help?: string;
}) {
  const error = form.formState.errors[name];
  const shared = {
    label,
    error: error !== undefined,
    helperText: typeof error?.message === 'string' ? error.message : help,
    ...(options === undefined ? {} : { slotProps: { ...shrink, select: { displayEmpty: true } } }),
  };
  if (type === 'date') return <FormDay control={form.control} name={name} label={label} help={help} />;
  if (options === undefined) return <TextField {...shared} {...form.register(name)} />;
  return (
    <TextField select {...shared} value={form.watch(name) as string} {...form.register(name)}>
      {options.map(([key, words]) => (
        <MenuItem key={key} value={key}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
export const YES_NO = [
  ['', 'not known'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;
export const yes = (text: string): boolean | undefined => (text === '' ? undefined : text === 'yes');
