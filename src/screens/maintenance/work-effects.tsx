import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import FormControl from '@mui/material/FormControl';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import FormLabel from '@mui/material/FormLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { Fragment } from 'react';
import { useController, useWatch, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import type { WorkEffectsGiven } from '@/contracts/maintenance/work';
import { EQUIPMENT_KINDS, type EquipmentKind } from '@/core/records/aircraft/equipment';
import { touchedByExchange } from '@/core/records/aircraft/exchange';
import { EQUIPMENT_NAMES } from '@/explain/names';
import { FormTick } from '../kit/form-tick';

/** What the work may have changed, as a form holds it. Nothing is taken for granted: the first question has no answer to begin with. */
export interface EffectFields {
  readonly changed: '' | 'nothing' | 'something';
  readonly mayChangeFlight: boolean;
  readonly groundTestsConclusive: boolean;
  readonly flightControls: boolean;
  readonly staticOpened: boolean;
  readonly altitudeReportingTouched: boolean;
  readonly weightChanged: boolean;
  readonly isExchange: boolean;
  readonly exchanged: readonly EquipmentKind[];
}

export const NO_ANSWER: EffectFields = {
  changed: '',
  mayChangeFlight: false,
  groundTestsConclusive: false,
  flightControls: false,
  staticOpened: false,
  altitudeReportingTouched: false,
  weightChanged: false,
  isExchange: false,
  exchanged: [],
};

/** The same as it is sent. */
export function effectsOf({ changed, ...ticked }: EffectFields): WorkEffectsGiven {
  const some = changed === 'something';
  const mayChangeFlight = some && ticked.mayChangeFlight;
  const exchanged = some && ticked.isExchange ? [...ticked.exchanged] : [];
  const touched = touchedByExchange(exchanged);
  return {
    mayChangeFlight,
    groundTestsConclusive: mayChangeFlight ? ticked.groundTestsConclusive : null,
    flightControls: some && ticked.flightControls,
    staticOpened: (some && ticked.staticOpened) || touched.staticOpened,
    altitudeReportingTouched: (some && ticked.altitudeReportingTouched) || touched.altitudeReportingTouched,
    weightChanged: some && ticked.weightChanged,
    ...(exchanged.length === 0 ? {} : { exchanged }),
  };
}

const TICKS = [
  ['mayChangeFlight', 'how it flies: controls, rigging, engine, propeller, surfaces'],
  ['flightControls', 'flight controls: a second person inspects them where the rules ask for it'],
  ['staticOpened', 'the static system: it was opened'],
  ['altitudeReportingTouched', 'the altitude that the transponder reports'],
  ['weightChanged', 'weight or balance: weighed, or equipment changed'],
  ['isExchange', 'equipment that was exchanged for another unit'],
] as const;

const KINDS = EQUIPMENT_KINDS.filter((kind) => kind !== 'other');

/** Which equipment was exchanged, and what follows from it. */
function Exchanged<F extends FieldValues & { readonly effects: EffectFields }>({
  control,
}: {
  readonly control: Control<F>;
}) {
  const { field } = useController({ control, name: 'effects.exchanged' as FieldPath<F> });
  const kinds = field.value as EquipmentKind[];
  const { staticOpened, altitudeReportingTouched } = touchedByExchange(kinds);
  return (
    <Box sx={{ pl: 4 }}>
      <Autocomplete
        multiple
        size="small"
        options={KINDS}
        value={kinds}
        getOptionLabel={(kind) => EQUIPMENT_NAMES[kind]}
        onChange={(_, chosen) => {
          field.onChange(chosen);
        }}
        renderInput={(props) => <TextField {...props} label="Equipment exchanged" />}
      />
      <FormHelperText>
        What is on record of the old unit says nothing of the new one: its test, its check, its battery, its
        database and the last day on its label are entered again.
        {staticOpened ? ' The static system was opened: it is tested before instrument flight.' : ''}
        {altitudeReportingTouched
          ? ' The altitude that it reports is tested before it is used where the rules ask for it.'
          : ''}
      </FormHelperText>
    </Box>
  );
}

/** Asks the person who signs what the work may have changed. @param name where in the form its fields stand */
export function WorkEffects<F extends FieldValues & { readonly effects: EffectFields }>({
  control,
}: {
  readonly control: Control<F>;
}) {
  const at = (field: keyof EffectFields) => `effects.${field}` as FieldPath<F>;
  const { field, fieldState } = useController({
    control,
    name: at('changed'),
    rules: {
      validate: (value: unknown, form: F) =>
        value === ''
          ? 'Say whether the work may have changed any of this.'
          : value === 'something' && TICKS.every(([name]) => !form.effects[name])
            ? 'Tick what it may have changed.'
            : value === 'something' && form.effects.isExchange && form.effects.exchanged.length === 0
              ? 'Choose the equipment that was exchanged.'
              : true,
    },
  });
  const flies = useWatch({ control, name: at('mayChangeFlight') }) as boolean;
  const weighs = useWatch({ control, name: at('weightChanged') }) as boolean;
  const isExchange = useWatch({ control, name: at('isExchange') }) as boolean;
  return (
    <FormControl error={fieldState.error !== undefined}>
      <FormLabel id="work-effects">
        Could it have changed how the aircraft flies, its controls, static system, reported altitude or
        weight, or was equipment exchanged?
      </FormLabel>
      <RadioGroup aria-labelledby="work-effects" value={field.value as string} onChange={field.onChange} row>
        <FormControlLabel value="nothing" control={<Radio />} label="None of these" />
        <FormControlLabel value="something" control={<Radio />} label="Some of these" />
      </RadioGroup>
      {field.value === 'something' ? (
        <Stack sx={{ pl: 1 }}>
          {TICKS.map(([name, words]) => (
            <Fragment key={name}>
              <FormTick control={control} name={at(name)} label={words} />
              {name === 'mayChangeFlight' && flies ? (
                <Box sx={{ pl: 4 }}>
                  <FormTick
                    control={control}
                    name={at('groundTestsConclusive')}
                    label="ground tests and inspection showed conclusively that it flies as before"
                  />
                  <FormHelperText>
                    Unless they did, a rated pilot flies a check flight first, with nobody aboard but required
                    crew.
                  </FormHelperText>
                </Box>
              ) : null}
              {name === 'weightChanged' && weighs ? (
                <FormHelperText sx={{ pl: 4 }}>
                  Then bring the equipment list and the weight-and-balance data up to date under Aircraft
                  data: the decision goes by them.
                </FormHelperText>
              ) : null}
              {name === 'isExchange' && isExchange ? <Exchanged control={control} /> : null}
            </Fragment>
          ))}
        </Stack>
      ) : null}
      <FormHelperText>{fieldState.error?.message}</FormHelperText>
    </FormControl>
  );
}
