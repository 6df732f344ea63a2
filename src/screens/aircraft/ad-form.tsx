'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { EQUIPMENT_KINDS, type EquipmentKind } from '@/core/records/aircraft/equipment';
import { HOUR_METERS, type HourMeter } from '@/core/records/meters/meters';
import { sentenceCase } from '@/explain/wording';
import { EQUIPMENT_NAMES, METER_NAMES_IN_WORDS } from '@/explain/names';
import type { Facts } from '@/queries/aircraft/facts';
import { FormChoice } from '../kit/form-choice';
import { FormTick } from '../kit/form-tick';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { intervalOf, IntervalFields, NO_INTERVAL, type IntervalText } from './interval-fields';
import { ListEntry } from './list-entry';
import { FactList } from './list-forms';
import { figure, said, useFact } from './use-fact';

const decimal = { htmlInput: { inputMode: 'decimal', className: 'figure' } } as const;

interface AdFields {
  readonly number: string;
  readonly title: string;
  readonly applies: 'yes' | 'no';
  readonly effectiveOn: string;
  readonly initial: IntervalText;
  readonly method: string;
  readonly ends: boolean;
  readonly repeats: IntervalText;
  readonly noFerry: boolean;
  /** Whether somebody has read which equipment it wants in working order: until then it may be any that is inoperative. */
  readonly wants: 'not-read' | 'none' | 'some';
  readonly equipment: readonly EquipmentKind[];
  readonly ofPart: boolean;
  readonly part: string;
  readonly partMeter: HourMeter;
  readonly partLimit: string;
  readonly partHours: string;
  readonly partReading: string;
}
const NO_AD: AdFields = {
  number: '',
  title: '',
  applies: 'yes',
  effectiveOn: '',
  initial: NO_INTERVAL,
  method: '',
  ends: false,
  repeats: NO_INTERVAL,
  noFerry: false,
  wants: 'not-read',
  equipment: [],
  ofPart: false,
  part: '',
  partMeter: 'time-in-service',
  partLimit: '',
  partHours: '',
  partReading: '',
};

const hours = (text: string) => (text.trim() === '' ? undefined : figure(text));
const componentOf = ({ ofPart, part, partMeter, partLimit, partHours, partReading }: AdFields) =>
  ofPart
    ? {
        component: {
          name: part,
          meter: partMeter,
          limit: figure(partLimit) ?? Number.NaN,
          hoursThen: hours(partHours),
          readingThen: hours(partReading),
        },
      }
    : {};

/** Airworthiness directives. */
export function Ads({ facts }: { readonly facts: Facts }) {
  const [open, setOpen] = useState(false);
  const { enter, answer } = useFact(facts);
  const {
    register,
    control,
    handleSubmit,
    reset,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<AdFields>({ defaultValues: NO_AD });
  const [wants, ofPart] = useWatch({ control, name: ['wants', 'ofPart'] });
  const submit = async (fields: AdFields) => {
    const { number, title, applies, effectiveOn, initial, method, ends, repeats, noFerry } = fields;
    const again = intervalOf(repeats);
    if (applies === 'yes' && !ends && again === undefined) {
      setError('method', { message: 'Say how long it holds once done, or that it ends the AD.' });
      return;
    }
    const methods =
      method.trim() === ''
        ? {}
        : { method: { name: method, ...(ends || again === undefined ? {} : { repeats: again }) } };
    if (
      (await enter(
        {
          kind: 'ad',
          ad: {
            number,
            title,
            applies: applies === 'yes',
            effectiveOn: said(effectiveOn),
            initial: intervalOf(initial),
            noFerry,
            ...(fields.wants === 'not-read'
              ? {}
              : { equipment: fields.wants === 'none' ? [] : [...fields.equipment] }),
            ...componentOf(fields),
            methods,
          },
        },
        (field, message) => {
          setError(field as 'number', { message });
        },
      )) !== null
    ) {
      reset(NO_AD);
      setOpen(false);
    }
  };
  const field = (name: keyof AdFields) => ({
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  return (
    <FactList facts={facts} list="ads" lines={facts.ads} none="No AD is on record.">
      <ListEntry
        what="an AD"
        open={open}
        onOpen={setOpen}
        answer={answer}
        busy={isSubmitting}
        onSubmit={(event) => {
          void handleSubmit(submit)(event);
        }}
      >
        <FieldGrid>
          <TextField
            label="Number"
            {...register('number', { validate: (words) => words.trim() !== '' || 'Enter its number.' })}
            {...field('number')}
          />
          <TextField
            label="What it is about"
            {...register('title', { validate: (words) => words.trim() !== '' || 'Say what it is about.' })}
            {...field('title')}
          />
          <FormDay control={control} name="effectiveOn" label="In force from" />
          <FormChoice control={control} name="applies" label="This aircraft">
            <MenuItem value="yes">it applies</MenuItem>
            <MenuItem value="no">does not apply, looked at</MenuItem>
          </FormChoice>
        </FieldGrid>
        <Controller
          control={control}
          name="initial"
          render={({ field: { value, onChange } }) => (
            <IntervalFields
              label="First within"
              value={value}
              onChange={onChange}
              mayBeLater
              help="Empty: before further flight."
            />
          )}
        />
        <FormTick
          control={control}
          name="ofPart"
          label="It counts the hours of a part, which was put in with hours of its own"
        />
        {ofPart ? (
          <FieldGrid>
            <TextField
              label="Part"
              {...register('part', { validate: (words) => words.trim() !== '' || 'Name the part.' })}
              {...field('part')}
            />
            <TextField
              label="First by these hours of the part"
              {...register('partLimit', {
                validate: (words) => figure(words) !== undefined || 'Enter the hours.',
              })}
              {...field('partLimit')}
              slotProps={decimal}
            />
            <FormChoice control={control} name="partMeter" label="It runs with the">
              {HOUR_METERS.map((meter) => (
                <MenuItem key={meter} value={meter}>
                  {METER_NAMES_IN_WORDS[meter]}
                </MenuItem>
              ))}
            </FormChoice>
            <TextField
              label="Hours it had when put in"
              {...register('partHours')}
              slotProps={decimal}
              helperText="Empty is not known, and then it counts as overdue."
            />
            <TextField label="What the meter showed then" {...register('partReading')} slotProps={decimal} />
          </FieldGrid>
        ) : null}
        <TextField label="What is done" {...register('method')} {...field('method')} />
        <Controller
          control={control}
          name="repeats"
          render={({ field: { value, onChange } }) => (
            <IntervalFields label="Then again after" value={value} onChange={onChange} mayBeLater />
          )}
        />
        <div>
          <FormTick control={control} name="ends" label="Done once, it is done for good" />
          <FormTick
            control={control}
            name="noFerry"
            label="It forbids the ferry flight on a special permit"
          />
        </div>
        <FieldGrid>
          <FormChoice
            control={control}
            name="wants"
            label="Equipment it wants in working order"
            helperText="Until somebody has read it for that, no inoperative item can be deferred."
          >
            <MenuItem value="not-read">nobody has read it for that</MenuItem>
            <MenuItem value="none">none</MenuItem>
            <MenuItem value="some">what is chosen here</MenuItem>
          </FormChoice>
          {wants === 'some' ? (
            <FormChoice
              control={control}
              name="equipment"
              label="Which"
              slotProps={{ select: { multiple: true } }}
            >
              {EQUIPMENT_KINDS.map((kind) => (
                <MenuItem key={kind} value={kind}>
                  {sentenceCase(EQUIPMENT_NAMES[kind])}
                </MenuItem>
              ))}
            </FormChoice>
          ) : null}
        </FieldGrid>
      </ListEntry>
    </FactList>
  );
}
