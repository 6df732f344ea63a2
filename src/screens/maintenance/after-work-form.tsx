import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import type { OfferedCertificate } from '@/queries/kernel/own-certificates';
import type { OpenWork } from '@/queries/maintenance/open-work';
import { useCommand } from '../data/command';
import { FormChoice } from '../kit/form-choice';
import { FormDay } from '../kit/form-day';
import { FormCertificate, FormPassword } from '../kit/signing-fields';
import { TroubleAlert } from '../kit/trouble-alert';

interface Fields {
  readonly result: '' | 'as-it-should' | 'not-as-it-should';
  /** A flight, or that it is not on record here. */
  readonly flight: string;
  readonly description: string;
  readonly on: string;
  readonly certificateId: string;
  readonly password: string;
}

const ELSEWHERE = 'elsewhere';

const WORDS = {
  'check-flight': {
    title: 'Check flight after',
    describe: 'What was flown and looked at, as it is logged',
    signs: 'Sign: flown and logged',
  },
  inspection: {
    title: 'Second inspection of',
    describe: 'What was inspected, and how',
    signs: 'Sign the second inspection',
  },
} as const;

/** The check flight or the second inspection after work, signed by the person who did it. */
export function AfterWorkForm({
  page,
  work,
  step,
  certificates,
  onDone,
}: {
  readonly page: AircraftPage;
  readonly work: OpenWork;
  readonly step: keyof typeof WORDS;
  readonly certificates: readonly OfferedCertificate[];
  readonly onDone: () => void;
}) {
  const { post, trouble } = useCommand();
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
      // Nothing is taken for granted: who flew it says how.
      result: '',
      flight: work.flights.length === 0 ? ELSEWHERE : '',
      description: '',
      on: page.today,
      certificateId: certificates[0]?.id ?? '',
      password: '',
    },
  });
  const result = useWatch({ control, name: 'result' });
  const words = WORDS[step];
  const submit = async ({ result: flew, flight, ...fields }: Fields) => {
    const common = {
      ...fields,
      workId: work.id,
      aircraftId: page.aircraftId,
      seenRevision: page.revision,
    };
    const place = (path: string, message: string) => {
      setError((path === 'flightId' ? 'flight' : path) as keyof Fields, { message });
    };
    const done =
      step === 'check-flight'
        ? await post(
            'POST /api/work-entries/check-flights',
            {
              ...common,
              checkFlightId: id,
              flightId: flight === ELSEWHERE ? null : flight,
              result: flew === '' ? 'not-as-it-should' : flew,
            },
            place,
          )
        : await post('POST /api/work-entries/inspections', { ...common, inspectionId: id }, place);
    if (done) onDone();
    else setValue('password', '');
  };
  return (
    <Stack
      component="form"
      spacing={1.75}
      noValidate
      aria-label={`${words.title}: ${work.description}`}
      sx={{ maxWidth: 620, py: 1.25 }}
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
    >
      {step === 'check-flight' ? (
        <FormChoice
          control={control}
          name="result"
          label="How it flew"
          rules={{ required: 'Say how it flew.' }}
        >
          <MenuItem value="as-it-should">As it should</MenuItem>
          <MenuItem value="not-as-it-should">Not as it should</MenuItem>
        </FormChoice>
      ) : null}
      {step !== 'check-flight' ? null : work.flights.length === 0 ? (
        <p className="small">
          No flight of it is on record here since the work. If it was not checked out here, enter its flight
          too: its hours count.
        </p>
      ) : (
        <FormChoice
          control={control}
          name="flight"
          label="Which flight it was"
          rules={{ required: 'Say which flight it was.' }}
        >
          {work.flights.map(({ id: flightId, words: flown }) => (
            <MenuItem key={flightId} value={flightId}>
              {flown}
            </MenuItem>
          ))}
          <MenuItem value={ELSEWHERE}>None of these: it is not on record here</MenuItem>
        </FormChoice>
      )}
      <TextField
        label={result === 'not-as-it-should' ? 'What was not as it should be' : words.describe}
        multiline
        minRows={2}
        {...register('description', {
          validate: (text) => text.trim() !== '' || 'Describe it: the record needs it.',
        })}
        error={errors.description !== undefined}
        helperText={errors.description?.message}
      />
      <FormDay control={control} name="on" label="Done on" max={page.today} />
      <FormCertificate control={control} name="certificateId" certificates={certificates} />
      <FormPassword control={control} name="password" />
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          {result === 'not-as-it-should' ? 'Sign, and report it as a finding' : words.signs}
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Stack>
      {result === 'not-as-it-should' ? (
        <div className="small">It grounds the aircraft until a mechanic has dealt with it.</div>
      ) : null}
    </Stack>
  );
}
