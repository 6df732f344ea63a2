'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { Controller, useFieldArray, useForm, useWatch } from 'react-hook-form';
import { unitsOf } from '@/core/quantities/measure';
import { CATEGORIES, IFR_NAVIGATION } from '@/core/records/aircraft/aircraft';
import { FUEL_GRADES, QUANTITIES, QUANTITY_NAMES } from '@/core/records/walkround/measurement';
import { sentenceCase } from '@/explain/wording';
import { CATEGORY_NAMES, QUANTITY_NAMES_IN_WORDS } from '@/explain/names';
import type { Facts } from '@/queries/aircraft/facts';
import { FormChoice } from '../kit/form-choice';
import { FormTick } from '../kit/form-tick';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { type Fields, NAVIGATION, REMEDIES, UNITS, decimal, described, fieldsOf } from './description-values';
import { FactAnswer } from './fact-answer';
import { useFact, useInstead } from './use-fact';
import { UsesBoxes } from './uses-boxes';

/** What the aircraft is and what it may be used for, as a whole: saved, it takes the place of what was said before. */
export function DescriptionForm({ facts }: { readonly facts: Facts }) {
  const { enter, answer } = useFact(facts);
  const { instead, recorded, told } = useInstead(facts.descriptionId);
  const {
    register,
    control,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({ defaultValues: fieldsOf(facts.aircraft) });
  const tanks = useFieldArray({ control, name: 'tanks' as never });
  const limits = useFieldArray({ control, name: 'measured' as never });
  const [engine, measured, category, aircraftClass] = useWatch({
    control,
    name: ['engine', 'measured', 'category', 'aircraftClass'],
  });
  const glider = category === 'glider' || aircraftClass === 'glider';
  const submit = async (fields: Fields) => {
    const done = await enter(
      { kind: 'description', instead, description: described(fields) },
      (field, message) => {
        told(field);
        setError(field as keyof Fields, { message });
      },
    );
    if (done !== null) recorded(done);
  };
  const choice = (
    name: keyof Fields,
    label: string,
    options: readonly (readonly [string, string])[],
    help = '',
  ) => (
    <FormChoice
      key={name}
      control={control}
      name={name as 'category'}
      label={label}
      helperText={help}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      <MenuItem value="">not known</MenuItem>
      {options.map(([key, words]) => (
        <MenuItem key={key} value={key}>
          {words}
        </MenuItem>
      ))}
    </FormChoice>
  );
  const day = (name: keyof Fields, label: string, help = '') => (
    <FormDay key={name} control={control} name={name as 'firstFlownOn'} label={label} help={help} />
  );
  const line = (name: keyof Fields, label: string, help = '') => (
    <TextField
      key={name}
      label={label}
      {...register(name as 'serialNumber')}
      error={errors[name] !== undefined}
      helperText={errors[name]?.message ?? help}
    />
  );
  const unit = (name: 'burnUnit' | 'minimumUnit' | `tanks.${number}.unit`) => (
    <FormChoice control={control} name={name} label="Unit" sx={{ width: 110 }}>
      {UNITS.map((one) => (
        <MenuItem key={one} value={one}>
          {one}
        </MenuItem>
      ))}
    </FormChoice>
  );
  return (
    <Stack
      component="form"
      spacing={2}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="What it is"
    >
      <FieldGrid least={230}>
        {choice(
          'category',
          'Category of its certificate',
          CATEGORIES.map((one) => [one, sentenceCase(CATEGORY_NAMES[one])]),
        )}
        {choice('aircraftClass', 'Class of aircraft', [
          ['aeroplane', 'aeroplane'],
          ['glider', 'glider'],
        ])}
        {line('serialNumber', 'Serial number')}
        {day('firstFlownOn', 'First flown on')}
        {day('manufacturedOn', 'Made on', 'Decides about harnesses.')}
        {day('certificatedOn', 'Type certificated on', 'Decides about anticollision lights by day.')}
        <TextField
          label="Seats, the pilot’s included"
          {...register('seats')}
          slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
          error={errors.seats !== undefined}
          helperText={errors.seats?.message}
        />
        {choice('engine', 'Engine', [
          ['air', 'air-cooled'],
          ['liquid', 'liquid-cooled'],
          ['none', 'none'],
        ])}
        {choice('gear', 'Landing gear', [
          ['fixed', 'fixed'],
          ['retractable', 'retractable'],
        ])}
        {choice('fuses', 'Fuses that the pilot can replace', [
          ['yes', 'yes, so spares are needed by night'],
          ['no', 'no'],
        ])}
        {choice('electrical', 'Engine-driven electrical system', [
          ['yes', 'yes'],
          ['no', 'never had one'],
        ])}
        {glider
          ? choice('keptRigged', 'Between flights', [
              ['yes', 'kept rigged'],
              ['no', 'rigged for each day of flying'],
            ])
          : null}
        {choice('programme', 'Inspections', [
          ['annual', 'annual and 100-hour'],
          ['progressive', 'progressive, by segments'],
        ])}
        {choice(
          'ifrNavigation',
          'Navigation by instruments rests on',
          IFR_NAVIGATION.map((one) => [one, NAVIGATION[one]]),
        )}
        {line('manualRevision', 'Revision of its manual in force', '“none” where it has no revisions.')}
        {choice('minimumEquipmentList', 'Minimum equipment list', [
          ['none', 'none'],
          ['approved', 'approved, with its letter aboard'],
        ])}
      </FieldGrid>
      {engine === 'air' || engine === 'liquid' ? (
        <FormTick
          control={control}
          name="altitude"
          label="An altitude engine, which needs a manifold pressure gauge"
        />
      ) : null}
      {category === 'experimental' ? (
        <Stack direction="row" spacing={1.25} sx={{ flexWrap: 'wrap', alignItems: 'flex-start' }}>
          {(['night', 'instruments'] as const).map((name) => (
            <FormTick
              key={name}
              control={control}
              name={name}
              label={
                name === 'night'
                  ? 'Its operating limitations authorise flight by night'
                  : 'They authorise flight by instruments'
              }
            />
          ))}
        </Stack>
      ) : null}
      <Box
        component="fieldset"
        sx={{ border: '1px solid var(--rule)', p: '8px 14px 14px', m: 0, display: 'grid', gap: 1.25 }}
      >
        <legend>Fuel, from the handbook</legend>
        <Stack direction="row" spacing={1.25} sx={{ flexWrap: 'wrap', alignItems: 'flex-start' }}>
          <TextField label="Burnt in an hour at cruise" {...register('burn')} slotProps={decimal} />
          {unit('burnUnit')}
          <TextField
            label="Minimum for flight"
            {...register('minimum')}
            slotProps={decimal}
            helperText="Empty: the handbook names none."
          />
          {unit('minimumUnit')}
        </Stack>
        {tanks.fields.map(({ id }, at) => (
          <Stack direction="row" spacing={1.25} key={id} sx={{ flexWrap: 'wrap', alignItems: 'flex-start' }}>
            <TextField label="Tank" {...register(`tanks.${at}.id`)} />
            <TextField label="Usable when full" {...register(`tanks.${at}.usable`)} slotProps={decimal} />
            {unit(`tanks.${at}.unit`)}
            <Button
              size="small"
              onClick={() => {
                tanks.remove(at);
              }}
            >
              Remove
            </Button>
          </Stack>
        ))}
        <Stack direction="row" spacing={1.25} sx={{ flexWrap: 'wrap', alignItems: 'flex-start' }}>
          <TextField
            label="Fuel drains, by name"
            {...register('drains')}
            helperText="With commas between them: left, right, strainer"
            sx={{ minWidth: 320 }}
          />
          <FormChoice
            control={control}
            name="grades"
            label="Grades that it may have"
            slotProps={{ select: { multiple: true } }}
            sx={{ minWidth: 230 }}
          >
            {FUEL_GRADES.map((grade) => (
              <MenuItem key={grade} value={grade}>
                {grade}
              </MenuItem>
            ))}
          </FormChoice>
        </Stack>
        <div>
          <Button
            size="small"
            onClick={() => {
              tanks.append({ id: '', usable: '', unit: 'US gal' } as never);
            }}
          >
            Another tank
          </Button>
        </div>
      </Box>
      <Box
        component="fieldset"
        sx={{ border: '1px solid var(--rule)', p: '8px 14px 14px', m: 0, display: 'grid', gap: 1.25 }}
      >
        <legend>Limits of what is measured on the ramp</legend>
        {limits.fields.map(({ id }, at) => {
          const limit = measured[at];
          return (
            <Stack
              direction="row"
              spacing={1.25}
              key={id}
              sx={{ flexWrap: 'wrap', alignItems: 'flex-start' }}
            >
              <FormChoice
                control={control}
                name={`measured.${at}.quantity`}
                label="What"
                sx={{ minWidth: 170 }}
              >
                {QUANTITY_NAMES.map((one) => (
                  <MenuItem key={one} value={one}>
                    {sentenceCase(QUANTITY_NAMES_IN_WORDS[one])}
                  </MenuItem>
                ))}
              </FormChoice>
              <TextField label="Which" {...register(`measured.${at}.which`)} sx={{ width: 110 }} />
              <TextField
                label="At least"
                {...register(`measured.${at}.min`)}
                slotProps={decimal}
                sx={{ width: 100 }}
              />
              <TextField
                label="At most"
                {...register(`measured.${at}.max`)}
                slotProps={decimal}
                sx={{ width: 100 }}
              />
              <Controller
                control={control}
                name={`measured.${at}.unit`}
                render={({ field: { value, onChange } }) => {
                  const known = unitsOf(QUANTITIES[limit?.quantity ?? 'oil']);
                  return (
                    <TextField
                      select
                      label="Unit"
                      value={known.includes(value) ? value : ''}
                      onChange={onChange}
                      sx={{ width: 110 }}
                    >
                      {known.map((one) => (
                        <MenuItem key={one} value={one}>
                          {one}
                        </MenuItem>
                      ))}
                    </TextField>
                  );
                }}
              />
              <FormChoice
                control={control}
                name={`measured.${at}.remedy`}
                label="What helps"
                sx={{ minWidth: 180 }}
              >
                {Object.entries(REMEDIES).map(([key, words]) => (
                  <MenuItem key={key} value={key}>
                    {words}
                  </MenuItem>
                ))}
              </FormChoice>
              {limit?.uses === undefined ? null : (
                <span className="small">for some uses only, as on record</span>
              )}
              <Button
                size="small"
                onClick={() => {
                  limits.remove(at);
                }}
              >
                Remove
              </Button>
            </Stack>
          );
        })}
        <div>
          <Button
            size="small"
            onClick={() => {
              limits.append({
                quantity: 'oil',
                which: '',
                unit: 'US qt',
                min: '',
                max: '',
                open: false,
                uses: undefined,
                remedy: 'top-up',
                everyFlight: true,
              } as never);
            }}
          >
            Another limit
          </Button>
        </div>
      </Box>
      <Controller
        control={control}
        name="boxes"
        render={({ field: { value, onChange } }) => <UsesBoxes boxes={value} onChange={onChange} />}
      />
      <FactAnswer {...answer} />
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Save
        </Button>
      </div>
    </Stack>
  );
}
