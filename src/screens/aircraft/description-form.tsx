'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { Controller, useFieldArray, useForm, useWatch } from 'react-hook-form';
import { describedAs, type DescriptionInput } from '@/contracts/aircraft/aircraft-entry';
import { unitsOf } from '@/core/quantities/measure';
import { VOLUME_UNITS, type VolumeUnit } from '@/core/quantities/volume';
import { CATEGORIES, IFR_NAVIGATION } from '@/core/records/aircraft/aircraft';
import { FUEL_GRADES, QUANTITIES, QUANTITY_NAMES, type Quantity } from '@/core/records/walkround/measurement';
import { sentenceCase } from '@/explain/formats';
import { CATEGORY_NAMES, QUANTITY_NAMES_IN_WORDS } from '@/explain/names';
import type { Facts } from '@/queries/aircraft/facts';
import { FactAnswer } from './fact-answer';
import { figure, said, useFact, useInstead } from './use-fact';
import { UsesBoxes, type TickedBox } from './uses-boxes';

type Measured = NonNullable<DescriptionInput['measured']>[number];
interface Limit {
  readonly quantity: Quantity;
  readonly which: string;
  readonly unit: string;
  readonly min: string;
  readonly max: string;
  readonly open: boolean;
  readonly uses: Measured['uses'];
  readonly remedy: Measured['remedy'];
  readonly everyFlight: boolean;
}
interface Fields {
  readonly category: string;
  readonly firstFlownOn: string;
  readonly serialNumber: string;
  readonly manufacturedOn: string;
  readonly certificatedOn: string;
  readonly seats: string;
  readonly engine: '' | 'none' | 'air' | 'liquid';
  readonly altitude: boolean;
  readonly gear: string;
  readonly programme: string;
  readonly ifrNavigation: string;
  readonly aircraftClass: string;
  readonly fuses: '' | 'yes' | 'no';
  readonly electrical: '' | 'yes' | 'no';
  readonly keptRigged: '' | 'yes' | 'no';
  readonly night: boolean;
  readonly instruments: boolean;
  readonly drains: string;
  readonly grades: readonly string[];
  readonly manualRevision: string;
  readonly minimumEquipmentList: string;
  readonly burn: string;
  readonly burnUnit: VolumeUnit;
  readonly minimum: string;
  readonly minimumUnit: VolumeUnit;
  readonly tanks: readonly { readonly id: string; readonly usable: string; readonly unit: VolumeUnit }[];
  readonly measured: readonly Limit[];
  readonly boxes: readonly TickedBox[];
}

const UNITS = Object.keys(VOLUME_UNITS) as readonly VolumeUnit[];
const text = (value: string | number | undefined): string => (value === undefined ? '' : String(value));
const NAVIGATION = {
  'vor-only': 'VOR only',
  'satellite-only': 'satellites only',
  either: 'either of the two',
} as const;
const REMEDIES = {
  'top-up': 'top it up, a step before flight',
  service: 'service, a step before flight',
  mechanic: 'a mechanic',
} as const;

const yesOrNo = (value: boolean | undefined) => (value === undefined ? '' : value ? 'yes' : 'no');
const toldYes = (value: '' | 'yes' | 'no') => (value === '' ? undefined : value === 'yes');

function fieldsOf(aircraft: Facts['aircraft']): Fields {
  const known = describedAs(aircraft);
  const { engine, fuel, measured, approvedFor } = known;
  return {
    category: text(known.category),
    firstFlownOn: text(known.firstFlownOn),
    serialNumber: text(known.serialNumber),
    manufacturedOn: text(known.manufacturedOn),
    certificatedOn: text(known.certificatedOn),
    seats: text(known.seats),
    engine: engine === undefined ? '' : engine === 'none' ? 'none' : engine.cooling,
    altitude: engine !== undefined && engine !== 'none' && engine.altitude,
    gear: text(known.gear),
    programme: text(known.programme),
    ifrNavigation: text(known.ifrNavigation),
    manualRevision: text(known.manualRevision),
    aircraftClass: text(known.aircraftClass),
    fuses: yesOrNo(known.fuses),
    electrical: yesOrNo(known.engineDrivenElectrical),
    keptRigged: yesOrNo(known.keptRigged),
    night: known.authorised?.includes('night') ?? false,
    instruments: known.authorised?.includes('instruments') ?? false,
    drains: (fuel?.drains ?? []).join(', '),
    grades: fuel?.grades ?? [],
    minimumEquipmentList: text(known.minimumEquipmentList),
    burn: text(fuel?.burnPerHour?.amount),
    burnUnit: fuel?.burnPerHour?.unit ?? 'US gal',
    minimum: text(fuel?.minimum?.amount),
    minimumUnit: fuel?.minimum?.unit ?? 'US gal',
    tanks: (fuel?.tanks ?? []).map(({ id, usable }) => ({
      id,
      usable: text(usable.amount),
      unit: usable.unit,
    })),
    measured: (measured ?? []).map((one) => ({
      quantity: one.quantity,
      which: one.which ?? '',
      unit: one.unit,
      min: text(one.min),
      max: text(one.max),
      open: one.open ?? false,
      uses: one.uses,
      remedy: one.remedy,
      everyFlight: one.everyFlight ?? false,
    })),
    // Nobody has said: nothing is ticked before somebody does.
    boxes: approvedFor === undefined ? [] : (approvedFor as unknown as readonly TickedBox[]),
  };
}

/** The form as it is sent: what was left empty is not known. */
function described(fields: Fields): DescriptionInput {
  const drains = fields.drains
    .split(',')
    .map((drain) => drain.trim())
    .filter((drain) => drain !== '');
  const authorised = [...(fields.night ? ['night'] : []), ...(fields.instruments ? ['instruments'] : [])];
  const fuel =
    fields.burn.trim() === ''
    && fields.minimum.trim() === ''
    && fields.tanks.length === 0
    && drains.length === 0
    && fields.grades.length === 0
      ? undefined
      : {
          drains: drains.length === 0 ? undefined : drains,
          grades: fields.grades.length === 0 ? undefined : [...fields.grades],
          burnPerHour:
            fields.burn.trim() === ''
              ? undefined
              : { amount: figure(fields.burn) ?? 0, unit: fields.burnUnit },
          minimum:
            fields.minimum.trim() === ''
              ? undefined
              : { amount: figure(fields.minimum) ?? 0, unit: fields.minimumUnit },
          tanks: fields.tanks.map(({ id, usable, unit }) => ({
            id,
            usable: { amount: figure(usable) ?? Number.NaN, unit },
          })),
        };
  const chosen = {
    category: said(fields.category),
    firstFlownOn: said(fields.firstFlownOn),
    serialNumber: said(fields.serialNumber),
    manufacturedOn: said(fields.manufacturedOn),
    certificatedOn: said(fields.certificatedOn),
    seats: figure(fields.seats),
    engine:
      fields.engine === ''
        ? undefined
        : fields.engine === 'none'
          ? 'none'
          : { cooling: fields.engine, altitude: fields.altitude },
    gear: said(fields.gear),
    programme: said(fields.programme),
    ifrNavigation: said(fields.ifrNavigation),
    manualRevision: said(fields.manualRevision),
    aircraftClass: said(fields.aircraftClass),
    fuses: toldYes(fields.fuses),
    engineDrivenElectrical: toldYes(fields.electrical),
    keptRigged: toldYes(fields.keptRigged),
    authorised: authorised.length === 0 ? undefined : authorised,
    minimumEquipmentList: said(fields.minimumEquipmentList),
    fuel,
    measured: fields.measured.map(({ which, min, max, ...one }) => ({
      ...one,
      which: said(which),
      min: figure(min),
      max: figure(max),
    })),
    approvedFor: fields.boxes.length === 0 ? undefined : fields.boxes,
  };
  // The server checks every value; what the choices offer is what it knows.
  return chosen as unknown as DescriptionInput;
}

const three = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fill, minmax(230px, 1fr))',
  gap: 12,
} as const;
const row = { display: 'flex', flexWrap: 'wrap', gap: 10, alignItems: 'flex-start' } as const;
const shrink = { inputLabel: { shrink: true } } as const;
const decimal = { htmlInput: { inputMode: 'decimal', className: 'figure' } } as const;

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
    <Controller
      key={name}
      control={control}
      name={name as 'category'}
      render={({ field: { value, onChange } }) => (
        <TextField
          select
          label={label}
          value={value}
          onChange={onChange}
          helperText={help}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          <MenuItem value="">not known</MenuItem>
          {options.map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
  const day = (name: keyof Fields, label: string, help = '') => (
    <TextField
      key={name}
      label={label}
      type="date"
      slotProps={shrink}
      {...register(name as 'firstFlownOn')}
      error={errors[name] !== undefined}
      helperText={errors[name]?.message ?? help}
    />
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
    <Controller
      control={control}
      name={name}
      render={({ field: { value, onChange } }) => (
        <TextField select label="Unit" value={value} onChange={onChange} style={{ width: 110 }}>
          {UNITS.map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
  return (
    <form
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="What it is"
      style={{ display: 'grid', gap: 16 }}
    >
      <div style={three}>
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
      </div>
      {engine === 'air' || engine === 'liquid' ? (
        <Controller
          control={control}
          name="altitude"
          render={({ field: { value, onChange } }) => (
            <FormControlLabel
              control={
                <Checkbox
                  checked={value}
                  onChange={(_, on) => {
                    onChange(on);
                  }}
                />
              }
              label="An altitude engine, which needs a manifold pressure gauge"
            />
          )}
        />
      ) : null}
      {category === 'experimental' ? (
        <div style={row}>
          {(['night', 'instruments'] as const).map((name) => (
            <Controller
              key={name}
              control={control}
              name={name}
              render={({ field: { value, onChange } }) => (
                <FormControlLabel
                  control={
                    <Checkbox
                      checked={value}
                      onChange={(_, on) => {
                        onChange(on);
                      }}
                    />
                  }
                  label={
                    name === 'night'
                      ? 'Its operating limitations authorise flight by night'
                      : 'They authorise flight by instruments'
                  }
                />
              )}
            />
          ))}
        </div>
      ) : null}
      <fieldset
        style={{
          border: '1px solid var(--rule)',
          padding: '8px 14px 14px',
          margin: 0,
          display: 'grid',
          gap: 10,
        }}
      >
        <legend>Fuel, from the handbook</legend>
        <div style={row}>
          <TextField label="Burnt in an hour at cruise" {...register('burn')} slotProps={decimal} />
          {unit('burnUnit')}
          <TextField
            label="Minimum for flight"
            {...register('minimum')}
            slotProps={decimal}
            helperText="Empty: the handbook names none."
          />
          {unit('minimumUnit')}
        </div>
        {tanks.fields.map(({ id }, at) => (
          <div key={id} style={row}>
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
          </div>
        ))}
        <div style={row}>
          <TextField
            label="Fuel drains, by name"
            {...register('drains')}
            helperText="With commas between them: left, right, strainer"
            style={{ minWidth: 320 }}
          />
          <Controller
            control={control}
            name="grades"
            render={({ field: { value, onChange } }) => (
              <TextField
                select
                label="Grades that it may have"
                value={value}
                onChange={onChange}
                slotProps={{ select: { multiple: true } }}
                style={{ minWidth: 230 }}
              >
                {FUEL_GRADES.map((grade) => (
                  <MenuItem key={grade} value={grade}>
                    {grade}
                  </MenuItem>
                ))}
              </TextField>
            )}
          />
        </div>
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
      </fieldset>
      <fieldset
        style={{
          border: '1px solid var(--rule)',
          padding: '8px 14px 14px',
          margin: 0,
          display: 'grid',
          gap: 10,
        }}
      >
        <legend>Limits of what is measured on the ramp</legend>
        {limits.fields.map(({ id }, at) => {
          const limit = measured[at];
          return (
            <div key={id} style={row}>
              <Controller
                control={control}
                name={`measured.${at}.quantity`}
                render={({ field: { value, onChange } }) => (
                  <TextField select label="What" value={value} onChange={onChange} style={{ minWidth: 170 }}>
                    {QUANTITY_NAMES.map((one) => (
                      <MenuItem key={one} value={one}>
                        {sentenceCase(QUANTITY_NAMES_IN_WORDS[one])}
                      </MenuItem>
                    ))}
                  </TextField>
                )}
              />
              <TextField label="Which" {...register(`measured.${at}.which`)} style={{ width: 110 }} />
              <TextField
                label="At least"
                {...register(`measured.${at}.min`)}
                slotProps={decimal}
                style={{ width: 100 }}
              />
              <TextField
                label="At most"
                {...register(`measured.${at}.max`)}
                slotProps={decimal}
                style={{ width: 100 }}
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
                      style={{ width: 110 }}
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
              <Controller
                control={control}
                name={`measured.${at}.remedy`}
                render={({ field: { value, onChange } }) => (
                  <TextField
                    select
                    label="What helps"
                    value={value}
                    onChange={onChange}
                    style={{ minWidth: 180 }}
                  >
                    {Object.entries(REMEDIES).map(([key, words]) => (
                      <MenuItem key={key} value={key}>
                        {words}
                      </MenuItem>
                    ))}
                  </TextField>
                )}
              />
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
            </div>
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
      </fieldset>
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
    </form>
  );
}
