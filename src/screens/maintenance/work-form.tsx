import Button from '@mui/material/Button';
import ListSubheader from '@mui/material/ListSubheader';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import {
  PREVENTIVE_MAINTENANCE,
  type PreventiveTask,
} from '@/core/records/maintenance/preventive-maintenance';
import { LOGBOOKS, type LogbookKind } from '@/core/records/maintenance/work-details';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import type { OpenWork } from '@/queries/maintenance/open-work';
import { useCommand } from '../data/command';
import { FormChoice } from '../kit/form-choice';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { FormCertificate, FormPassword } from '../kit/signing-fields';
import { TroubleAlert } from '../kit/trouble-alert';
import { effectsOf, NO_ANSWER, WorkEffects, type EffectFields } from './work-effects';

type Kind = 'work' | 'major' | PreventiveTask;
interface Fields {
  readonly kind: Kind;
  readonly description: string;
  readonly logbook: LogbookKind;
  readonly timeInService: string;
  readonly references: string;
  readonly parts: readonly {
    readonly name: string;
    readonly number: string;
    readonly serialOff: string;
    readonly serialOn: string;
  }[];
  readonly form: string;
  readonly effects: EffectFields;
  readonly on: string;
  readonly certificateId: string;
  readonly password: string;
}

const LOGBOOK_WORDS: Readonly<Record<LogbookKind, string>> = {
  airframe: 'Airframe',
  engine: 'Engine',
  propeller: 'Propeller',
};
const orNull = (text: string) => (text.trim() === '' ? null : text.trim());
const PREVENTIVE = Object.entries(PREVENTIVE_MAINTENANCE) as [PreventiveTask, string][];

/**
 * Signs for work: done just now, or on record and waiting for its approval. The fields are those of the maintenance record; what is typed stays when the
 * signature is refused.
 * @param approves the work on record that it approves; null for new work
 */
export function WorkForm({
  page,
  approves,
  onDone,
}: {
  readonly page: AircraftPage;
  readonly approves: OpenWork | null;
  readonly onDone: () => void;
}) {
  const { post, trouble } = useCommand();
  const [id] = useState(() => crypto.randomUUID());
  const { sign } = page.work;
  const certificatesFor = (kind: Kind) =>
    kind === 'major' ? sign.major : kind === 'work' ? sign.work : sign.preventive;
  const first: Kind = sign.work.length > 0 ? 'work' : 'c1';
  const {
    register,
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      kind: first,
      description: approves?.description ?? '',
      logbook: 'airframe',
      timeInService: page.timeInService?.replace(/[^\d.]/gu, '') ?? '',
      references: '',
      parts: [],
      form: '',
      effects: NO_ANSWER,
      on: page.today,
      certificateId: certificatesFor(first)[0]?.id ?? '',
      password: '',
    },
  });
  const parts = useFieldArray({ control, name: 'parts' as never });
  const kind = useWatch({ control, name: 'kind' });
  const submit = async (fields: Fields) => {
    const common = {
      aircraftId: page.aircraftId,
      seenRevision: page.revision,
      on: fields.on,
      description: fields.description,
      effects: effectsOf(fields.effects),
      major: fields.kind === 'major',
      details: {
        logbook: fields.logbook,
        references: orNull(fields.references),
        parts: fields.parts.map(({ name, number, serialOff, serialOn }) => ({
          name,
          number: orNull(number),
          serialOff: orNull(serialOff),
          serialOn: orNull(serialOn),
        })),
        timeInService: fields.timeInService.trim() === '' ? null : Number(fields.timeInService),
        form: orNull(fields.form),
      },
      certificateId: fields.certificateId,
      password: fields.password,
    };
    const place = (path: string, message: string) => {
      const name = path.startsWith('effects') ? 'effects.changed' : path.replace(/^details\./u, '');
      setError(name as keyof Fields, { message });
    };
    const done =
      approves === null
        ? await post(
            'POST /api/work-entries',
            {
              ...common,
              workId: id,
              preventive: fields.kind === 'work' || fields.kind === 'major' ? null : fields.kind,
            },
            place,
          )
        : await post(
            'POST /api/work-entries/approvals',
            { ...common, approvalId: id, workId: approves.id },
            place,
          );
    if (done) onDone();
    else setValue('password', '');
  };
  const field = (name: Exclude<keyof Fields, 'effects' | 'parts'>) => ({
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  const words = approves === null ? 'Record work' : `Approve: ${approves.description}`;
  return (
    <Stack
      component="form"
      spacing={1.75}
      noValidate
      aria-label={words}
      sx={{ maxWidth: 680, py: 1.25 }}
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
    >
      <FormChoice
        control={control}
        name="kind"
        label="Kind of work"
        rules={{
          onChange: (event: { readonly target: { readonly value: Kind } }) => {
            setValue('certificateId', certificatesFor(event.target.value)[0]?.id ?? '');
          },
        }}
      >
        {sign.work.length === 0 ? null : <MenuItem value="work">Maintenance or repair</MenuItem>}
        {sign.major.length === 0 ? null : <MenuItem value="major">Major repair or alteration</MenuItem>}
        {approves === null && sign.preventive.length > 0 ? (
          <ListSubheader>Preventive maintenance, 14 CFR part 43, appendix A(c)</ListSubheader>
        ) : null}
        {approves === null && sign.preventive.length > 0
          ? PREVENTIVE.map(([task, name]) => (
              <MenuItem key={task} value={task} sx={{ whiteSpace: 'normal' }}>
                ({task.slice(1)}) {name}
              </MenuItem>
            ))
          : null}
      </FormChoice>
      <TextField
        label="Description of the work, as the record needs it"
        multiline
        minRows={2}
        {...register('description', {
          validate: (text) => text.trim() !== '' || 'Describe the work: the record needs it.',
        })}
        {...field('description')}
      />
      <TextField
        label="Done by reference to (manual, chapter, bulletin)"
        {...register('references')}
        {...field('references')}
      />
      <FieldGrid least={180}>
        <FormChoice control={control} name="logbook" label="Logbook">
          {LOGBOOKS.map((one) => (
            <MenuItem key={one} value={one}>
              {LOGBOOK_WORDS[one]}
            </MenuItem>
          ))}
        </FormChoice>
        <TextField
          label="Total time in service, h"
          {...register('timeInService', {
            validate: (text) =>
              text.trim() === ''
              || /^\d{1,6}(\.\d)?$/u.test(text.trim())
              || 'Hours and tenths, such as 4108.7.',
          })}
          {...field('timeInService')}
          slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
        />
        <FormDay control={control} name="on" label="Completed on" max={page.today} />
      </FieldGrid>
      {kind === 'major' ? (
        <TextField
          label="Form that describes it: number or day"
          {...register('form', {
            validate: (text) =>
              text.trim() !== '' || 'A major repair or alteration is described on its own form: name it.',
          })}
          {...field('form')}
        />
      ) : null}
      {parts.fields.map((part, index) => (
        <FieldGrid key={part.id} least={140}>
          <TextField
            label="Part"
            {...register(`parts.${index}.name` as never, {
              validate: (text: unknown) => String(text).trim() !== '' || 'Name the part.',
            })}
            error={errors.parts?.[index]?.name !== undefined}
            helperText={errors.parts?.[index]?.name?.message}
          />
          <TextField label="Part number" {...register(`parts.${index}.number` as never)} />
          <TextField label="Serial off" {...register(`parts.${index}.serialOff` as never)} />
          <TextField label="Serial on" {...register(`parts.${index}.serialOn` as never)} />
          <Button
            size="small"
            onClick={() => {
              parts.remove(index);
            }}
          >
            Remove this part
          </Button>
        </FieldGrid>
      ))}
      <div>
        <Button
          size="small"
          variant="outlined"
          disabled={parts.fields.length >= 20}
          onClick={() => {
            parts.append({ name: '', number: '', serialOff: '', serialOn: '' } as never);
          }}
        >
          Add a part that was changed
        </Button>
      </div>
      <WorkEffects control={control} />
      <FormCertificate control={control} name="certificateId" certificates={certificatesFor(kind)} />
      <FormPassword control={control} name="password" />
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Sign and return to service
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Stack>
      <div className="small">Your signature approves only the work described here.</div>
    </Stack>
  );
}
