import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm, useWatch, type Control } from 'react-hook-form';
import type { DeferInput } from '@/contracts/findings/defer';
import type { FindingView } from '@/queries/aircraft/aircraft-page';
import type { ListedItem } from '@/core/rules/deferral-path';
import type { DeferralView } from '@/queries/findings/deferral';
import { useCommand } from '../data/command';
import { FormChoice } from '../kit/form-choice';
import { FormDay } from '../kit/form-day';
import { FormCertificate, FormPassword } from '../kit/signing-fields';
import { TroubleAlert } from '../kit/trouble-alert';

interface Fields {
  readonly action: DeferInput['action'] | '';
  readonly placarded: boolean;
  readonly entered: DeferInput['entered'] | '';
  readonly description: string;
  readonly deferredOn: string;
  readonly until: string;
  readonly item: string;
  readonly category: 'A' | 'B' | 'C' | 'D' | '';
  readonly days: string;
  readonly certificateId: string;
  readonly password: string;
}

/** The item of the aircraft's list that it is, with what the list asks for. */
function ListedItemChoice({
  control,
  offered,
  chosen,
}: {
  readonly control: Control<Fields>;
  readonly offered: readonly ListedItem[];
  readonly chosen: ListedItem | undefined;
}) {
  return (
    <>
      <FormChoice
        control={control}
        name="item"
        label="Item on the minimum equipment list"
        rules={{ required: 'Choose the item of the list that it is.' }}
      >
        {offered.map(({ code, name, category, days, installed, required }) => (
          <MenuItem key={code} value={code}>
            {code} {name},{' '}
            {category === null
              ? 'no category'
              : `category ${category}${days === null ? '' : `, ${days} days`}`}
            , {required} of {installed} required
          </MenuItem>
        ))}
      </FormChoice>
      {chosen === undefined || (chosen.maintenance === '' && chosen.operations === '') ? null : (
        <Alert severity="info">
          {chosen.maintenance === '' ? null : <div>Before it is deferred: {chosen.maintenance}</div>}
          {chosen.operations === '' ? null : <div>For the pilot: {chosen.operations}</div>}
        </Alert>
      )}
    </>
  );
}

/** What was done to the item, and the determination, signed. What is typed stays when the signature is refused. */
export function DeferForm({
  finding,
  view,
  certificates,
  revision,
  today,
}: {
  readonly finding: FindingView;
  readonly view: DeferralView;
  readonly certificates: readonly { readonly id: string; readonly name: string }[];
  readonly revision: number;
  readonly today: string;
}) {
  const { post, trouble } = useCommand();
  const offered = (view.items ?? []).filter(({ enoughWork }) => enoughWork);
  const [id] = useState(() => crypto.randomUUID());
  const {
    register,
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      // Nothing is taken for granted: who signs says what was done.
      action: '',
      placarded: false,
      entered: '',
      description: '',
      deferredOn: today,
      until: '',
      item: offered.length === 1 ? (offered[0]?.code ?? '') : '',
      category: '',
      days: '',
      certificateId: certificates[0]?.id ?? '',
      password: '',
    },
  });
  const action = useWatch({ control, name: 'action' });
  const category = useWatch({ control, name: 'category' });
  const item = useWatch({ control, name: 'item' });
  const chosen = offered.find(({ code }) => code === item);
  const submit = async ({
    action: way,
    entered: record,
    placarded,
    until,
    item: code,
    category: listed,
    days,
    ...fields
  }: Fields) => {
    // The form asks for each of them before it comes here.
    if (way === '' || record === '') return;
    const done = await post(
      'POST /api/deferrals',
      {
        ...fields,
        action: way,
        entered: record,
        placarded: placarded as true,
        until: until === '' ? null : until,
        untilTimeInService: null,
        listed: !view.byList
          ? null
          : view.items === null
            ? { category: listed === '' ? null : listed, days: days === '' ? null : Number(days) }
            : { category: chosen?.category ?? null, days: chosen?.days ?? null, item: code },
        deferralId: id,
        discrepancyId: finding.id,
        aircraftId: view.aircraftId,
        seenRevision: revision,
      },
      (path, message) => {
        setError(path as keyof Fields, { message });
      },
    );
    if (!done) setValue('password', '');
  };
  const field = (name: keyof Fields) => ({
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  return (
    <Stack
      component="form"
      spacing={1.75}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      sx={{ mt: 1.5, maxWidth: 620 }}
      aria-label={`Defer: ${finding.what}`}
    >
      <FormChoice
        control={control}
        name="action"
        label="What was done to it"
        rules={{ required: 'Say whether it was deactivated or removed.' }}
      >
        <MenuItem value="deactivated">It was deactivated</MenuItem>
        <MenuItem value="removed">It was removed</MenuItem>
      </FormChoice>
      <TextField
        label="How, as the record needs it"
        multiline
        minRows={2}
        {...register('description', {
          validate: (text) => text.trim() !== '' || 'Describe what was done: the record needs it.',
        })}
        {...field('description')}
      />
      <FormChoice
        control={control}
        name="entered"
        label="Maintenance record"
        rules={{ required: 'Say whether it is entered in the maintenance record.' }}
      >
        <MenuItem value="entered">Entered in the maintenance record</MenuItem>
        {action === 'removed' ? null : (
          <MenuItem value="not-maintenance">No maintenance was needed to deactivate it</MenuItem>
        )}
      </FormChoice>
      {view.items === null ? null : <ListedItemChoice control={control} offered={offered} chosen={chosen} />}
      {view.byList && view.items === null ? (
        <Stack direction="row" spacing={1.5}>
          <FormChoice
            control={control}
            name="category"
            label="Repair category on the list"
            rules={{ required: 'Choose the category that stands on the list.' }}
          >
            <MenuItem value="A">A, its own days</MenuItem>
            <MenuItem value="B">B, 3 days</MenuItem>
            <MenuItem value="C">C, 10 days</MenuItem>
            <MenuItem value="D">D, 120 days</MenuItem>
          </FormChoice>
          {category === 'A' ? (
            <TextField label="Days" inputMode="numeric" {...register('days')} {...field('days')} />
          ) : null}
        </Stack>
      ) : null}
      <FormDay control={control} name="deferredOn" label="Done on" max={today} />
      <FormDay
        control={control}
        name="until"
        label="At the latest repaired on (may stay empty)"
        min={today}
      />
      <div>
        <FormControlLabel
          control={
            <Checkbox
              {...register('placarded', {
                required: 'Put the placard up first: nothing is deferred without it.',
              })}
            />
          }
          label="The placard “INOPERATIVE” is up where the pilot sees it"
        />
        {errors.placarded === undefined ? null : (
          <FormHelperText error>{errors.placarded.message}</FormHelperText>
        )}
      </div>
      <FormCertificate control={control} name="certificateId" certificates={certificates} />
      <FormPassword control={control} name="password" />
      <TroubleAlert trouble={trouble} />
      <Button type="submit" variant="contained" disabled={isSubmitting}>
        Sign: no hazard to the aircraft
      </Button>
    </Stack>
  );
}
