'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { DIMENSIONS } from '@/core/envelope/dimensions';
import { addDays, parseCivilDate } from '@/core/time/civil-date';
import { dateText, sentenceCase } from '@/explain/wording';
import { PURPOSE_NAMES } from '@/explain/names';
import { MOST_WEEKS, type FlightLine } from '@/contracts/flights/flight-line';
import type { FlightDraftInput } from '@/contracts/flights/plan';
import type { DayPlan, PlanLine } from '@/queries/flights/plan';
import { useCommand } from '../data/command';
import { send } from '../data/fetching';
import { useSettled } from '../data/settled';
import { FormDay } from '../kit/form-day';
import { More } from '../kit/more';
import { TroubleAlert } from '../kit/trouble-alert';
import { Reasons } from '../shell/reasons';
import { ANSWERS, CLOCK, CREWS, type Fields, clockFrom, draftOf, nameOfRange, shown } from './flight-draft';
import { LineField } from './line-field';
import { PlacesFields, placesOf } from './places-fields';
import { othersFor, ranked } from './ranked';
import { WhoField } from './who-field';

/** How long somebody pauses before the answer is asked for, in milliseconds. */
const SETTLED_MS = 120;

interface Props {
  readonly plan: DayPlan;
  readonly moving: PlanLine | null;
  /** The aircraft that it is to go to, and when; null where that is still to be chosen. */
  readonly sent: {
    readonly to: string | null;
    readonly time: Readonly<Record<'date' | 'starts' | 'ends' | 'airborne', string>> | null;
  } | null;
  /** The only person for whom the reader plans: themselves; null for the desk. */ readonly onlyFor:
    string | null;
  readonly onDone: () => void;
}

/** Fields that are named otherwise than what is sent. */
const FIELDS: Readonly<Record<string, keyof Fields>> = {
  endsClock: 'ends',
  fuelPlanned: 'fuel',
  altitudeFeet: 'altitude',
  alternateMinutes: 'alternate',
};
/** The field that a path of what was sent is shown at. */
function placeInForm(path: string): keyof Fields {
  const [part = path] = path.replace(/^flight\./, '').split('.');
  return FIELDS[part] ?? (part as keyof Fields);
}

/** The aircraft that a new flight begins with: one that is released, as far as there is one. */
const firstToOffer = ({ aircraft }: DayPlan): string =>
  (aircraft.find(({ verdict }) => verdict === 'Released') ?? aircraft[0])?.aircraftId ?? '';

/** The day so many weeks later; what is no day yet stays as it is. */
function dateAfter(date: string, weeks: number): string {
  const day = parseCivilDate(date);
  return day === undefined ? date : addDays(day, weeks * 7);
}

/** The same in words; empty while no day is chosen. */
function dayIn(date: string, weeks: number): string {
  const day = parseCivilDate(dateAfter(date, weeks));
  return day === undefined ? '' : dateText(day);
}

/** Entering or moving a flight: who, which aircraft, when, what for. The answer comes while it is typed. */
export default function FlightForm({ plan, moving, sent, onlyFor, onDone }: Props) {
  // One id for each week, made once: what is sent again is the same flight.
  const [flightIds] = useState(() => Array.from({ length: MOST_WEEKS }, () => crypto.randomUUID()));
  const [weeks, setWeeks] = useState(1);
  // Weeks that are planned already, where one after them was refused: they stay as they were entered.
  const [plannedWeeks, setPlannedWeeks] = useState(0);
  const { post, say, trouble } = useCommand();
  const flight = moving?.flight;
  const {
    register,
    handleSubmit,
    control,
    setValue,
    setError,
    formState: { errors, isSubmitting, isDirty },
  } = useForm<Fields>({
    defaultValues: {
      aircraftId: sent?.to ?? moving?.aircraftId ?? firstToOffer(plan),
      person: moving?.person ?? onlyFor ?? '',
      personId: moving?.personId ?? null,
      date: sent?.time?.date ?? moving?.date ?? plan.date,
      starts: sent?.time?.starts ?? moving?.starts ?? '',
      ends: sent?.time?.ends ?? moving?.ends ?? '',
      airborne: sent?.time?.airborne ?? moving?.airborne ?? '',
      purpose: flight?.purpose ?? 'private-rental',
      crew: flight?.crew ?? 'rated-pilot',
      rules: flight?.rules ?? 'vfr',
      range: flight?.range ?? 'local',
      passengers: flight?.passengers ?? false,
      transponder: flight?.transponderAirspace ?? false,
      broadcast: flight?.adsbAirspace ?? false,
      water: flight?.beyondGlideOverWater ?? false,
      vor: flight?.reliesOnVor ?? false,
      database: flight?.reliesOnDatabase ?? false,
      persons: shown(flight?.persons),
      landings: shown(flight?.landings),
      fuel: moving?.fuel ?? '',
      tows: flight?.towLaunches ?? null,
      altitude: shown(flight?.altitudeFeet),
      alternate: shown(flight?.toAlternate == null ? null : flight.toAlternate / 60),
      excepted: flight?.exceptedAirspace ?? false,
      near: flight?.trainingWithin50Miles ?? false,
      withoutTransponder: flight?.authorisedWithout.includes('transponder') ?? false,
      withoutAdsb: flight?.authorisedWithout.includes('ads-b-out') ?? false,
      places:
        flight?.places.map(({ name, latitude, longitude, zone }) => ({
          name,
          latitude: String(latitude),
          longitude: String(longitude),
          timeZone: zone,
        })) ?? [],
    },
  });
  const fields = useWatch({ control }) as Fields;
  const draft = draftOf(fields);
  const complete =
    CLOCK.test(draft.starts.clock)
    && CLOCK.test(draft.endsClock)
    && parseCivilDate(fields.date) !== undefined
    && !Number.isNaN(draft.airborne ?? 0)
    && placesOf(fields.places) !== null;
  // The text is compared, not the object, which is another one at every stroke.
  const typed = complete ? JSON.stringify(draft) : null;
  const asked = useSettled(typed, SETTLED_MS);
  const {
    data: answer,
    error: unanswered,
    isPlaceholderData: ofBefore,
  } = useQuery({
    queryKey: ['plan', 'draft', asked, moving?.flightId ?? null],
    queryFn: () =>
      send('POST /api/flights/preview', {
        flight: JSON.parse(asked ?? '{}') as FlightDraftInput,
        replaces: moving?.flightId ?? null,
      }),
    enabled: asked !== null,
    retry: false,
    placeholderData: (before) => before,
  });
  // The answer stands for what was asked: nobody may take it for what is typed now.
  const current = typed !== null && typed === asked && !ofBefore ? answer : undefined;
  const submit = async (given: Fields) => {
    say(null);
    // A place that is not complete would be left out, and with it the light there.
    if (placesOf(given.places) === null) {
      say('Name every place with its latitude and longitude in degrees, or take it away.');
      return;
    }
    const draft = draftOf(given);
    for (const [week, flightId] of flightIds.slice(0, weeks).entries()) {
      if (week < plannedWeeks) continue;
      const date = dateAfter(given.date, week);
      const planned = await post(
        'POST /api/flights',
        {
          flightId,
          replaces: moving?.flightId ?? null,
          flight: { ...draft, starts: { ...draft.starts, date } },
        },
        (path, message) => {
          setError(placeInForm(path), {
            message: week === 0 ? message : `${dayIn(date, 0)}: ${message}`,
          });
        },
      );
      if (planned === null) {
        setPlannedWeeks(week);
        return;
      }
    }
    onDone();
  };
  /** Puts what a line of text says into its fields. */
  const fill = (said: FlightLine) => {
    const aircraft = plan.aircraft.find(({ registration }) => registration === said.registration);
    const member = plan.people.find(({ name }) => name === said.person);
    const set = (name: keyof Fields, value: string | null | undefined) => {
      if (value !== undefined) setValue(name, value, { shouldDirty: true });
    };
    set('aircraftId', aircraft?.aircraftId);
    set('date', said.date);
    set('starts', said.starts);
    set('ends', said.ends);
    set('airborne', said.airborne);
    set('purpose', said.purpose);
    set('crew', said.crew);
    set('rules', said.rules);
    if (onlyFor === null && said.person !== undefined) {
      set('person', said.person);
      set('personId', member?.personId ?? null);
    }
    if (said.weeks !== undefined) setWeeks(said.weeks);
  };
  const field = (name: keyof Fields) => ({
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  const clockField = (name: 'starts' | 'ends', label: string) => (
    <TextField
      label={label}
      placeholder="0930"
      {...register(name, {
        validate: (text) => CLOCK.test(clockFrom(text)) || 'A time such as 0930.',
        onBlur: () => {
          setValue(name, clockFrom(fields[name]));
        },
      })}
      {...field(name)}
      slotProps={{ htmlInput: { className: 'figure' } }}
    />
  );
  const figure = (name: 'altitude' | 'alternate', label: string, form: RegExp, helps: string) => (
    <TextField
      label={label}
      {...register(name, { validate: (text) => text.trim() === '' || form.test(text.trim()) || helps })}
      {...field(name)}
      slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
    />
  );
  const others = othersFor(fields.aircraftId, current);
  const pair = { display: 'grid', gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', gap: 1.5 } as const;
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      onKeyDown={(event) => {
        // What was typed is not lost to a key: then the button cancels.
        if (event.key === 'Escape' && !isDirty) onDone();
      }}
      aria-label={moving === null ? 'Enter a flight' : 'Move a flight'}
    >
      <Box component="h2" sx={{ m: 0 }}>
        {moving === null ? 'Enter a flight' : `Move ${moving.person}’s flight`}
      </Box>
      {moving === null ? <LineField plan={plan} onSaid={fill} /> : null}
      <WhoField control={control} people={plan.people} onlyFor={onlyFor} />
      <TextField
        select
        label="Aircraft"
        value={fields.aircraftId}
        {...register('aircraftId')}
        {...field('aircraftId')}
      >
        {ranked(plan, complete ? answer : undefined).map(({ aircraftId, registration, typeName, words }) => (
          <MenuItem key={aircraftId} value={aircraftId}>
            <span className="figure">{registration}</span>&nbsp; {typeName}, {words}
          </MenuItem>
        ))}
      </TextField>
      <Box sx={pair}>
        <FormDay control={control} name="date" label="Day" min={plan.today} />
        <TextField
          label="Hours in the air"
          {...register('airborne', {
            validate: (text) =>
              text.trim() === ''
              || /^\d{1,2}(\.\d{1,2})?$/.test(text.trim())
              || 'Such as 1.2; empty counts the whole time.',
          })}
          {...field('airborne')}
          slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
        />
        {clockField('starts', 'From')}
        {clockField('ends', 'To')}
        <TextField select label="What for" value={fields.purpose} {...register('purpose')}>
          {DIMENSIONS.purpose.map((purpose) => (
            <MenuItem key={purpose} value={purpose}>
              {sentenceCase(PURPOSE_NAMES[purpose])}
            </MenuItem>
          ))}
        </TextField>
        <TextField select label="Who flies it" value={fields.crew} {...register('crew')}>
          {DIMENSIONS.crew.map((crew) => (
            <MenuItem key={crew} value={crew}>
              {sentenceCase(CREWS[crew])}
            </MenuItem>
          ))}
        </TextField>
        <TextField select label="Flight rules" value={fields.rules} {...register('rules')}>
          {DIMENSIONS.rules.map((rules) => (
            <MenuItem key={rules} value={rules}>
              {rules.toUpperCase()}
            </MenuItem>
          ))}
        </TextField>
        <TextField select label="How far" value={fields.range} {...register('range')}>
          {DIMENSIONS.range.map((range) => (
            <MenuItem key={range} value={range}>
              {sentenceCase(nameOfRange(range))}
            </MenuItem>
          ))}
        </TextField>
        {fields.rules !== 'ifr' ? null : (
          <>
            {figure('altitude', 'Highest altitude, ft', /^\d{1,5}$/, 'Whole feet, such as 6000.')}
            {figure('alternate', 'Alternate, minutes', /^\d{1,3}$/, 'Whole minutes; 0 where none is needed.')}
          </>
        )}
      </Box>
      <More summary="Airspace, people, landings, fuel">
        <Box sx={{ ...pair, mt: 1.25 }}>
          <TextField
            label="People aboard"
            {...register('persons')}
            {...field('persons')}
            slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
          />
          <TextField
            label="Landings"
            {...register('landings')}
            {...field('landings')}
            slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
          />
          <TextField
            label="Fuel at start, US gal"
            {...register('fuel')}
            {...field('fuel')}
            slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
          />
          <span />
          {(
            [
              ['passengers', 'Carries passengers'],
              ['transponder', 'In transponder airspace'],
              ['broadcast', 'In ADS-B airspace'],
              ['water', 'Beyond gliding distance over water'],
              ['vor', 'Navigates by VOR'],
              ['database', 'Navigates by a database'],
              ['near', 'Training within 50 NM of the field'],
              ['excepted', 'Only in airspace that 91.215(b) excepts'],
              ['withoutTransponder', 'ATC authorised it without transponder'],
              ['withoutAdsb', 'ATC authorised it without ADS-B Out'],
            ] as const
          ).map(([name, label]) => (
            <FormControlLabel
              key={name}
              control={<Checkbox checked={fields[name]} {...register(name)} />}
              label={label}
            />
          ))}
        </Box>
      </More>
      {moving !== null ? null : (
        <TextField
          select
          label="How often"
          disabled={plannedWeeks > 0}
          value={String(weeks)}
          onChange={(event) => {
            setWeeks(Number(event.target.value));
          }}
          {...(weeks === 1
            ? {}
            : {
                helperText: `The last on ${dayIn(fields.date, weeks - 1)}. Each is decided for itself.`,
              })}
        >
          {Array.from({ length: MOST_WEEKS }, (_, at) => at + 1).map((count) => (
            <MenuItem key={count} value={String(count)}>
              {count === 1 ? 'once' : `${count} times, every week`}
            </MenuItem>
          ))}
        </TextField>
      )}
      <PlacesFields
        places={fields.places}
        plan={plan}
        onChange={(places) => {
          setValue('places', places);
        }}
      />
      {typed === null ? null : current === undefined ? (
        <Box role="status" sx={{ borderLeft: '4px solid var(--rule)', pl: 1.5 }}>
          {unanswered === null || typed !== asked ? 'Asking …' : `There is no answer: ${unanswered.message}`}
        </Box>
      ) : (
        <Box
          role="status"
          sx={{
            borderLeft: `4px solid var(--${current.answer === 'no' ? 'grounded' : current.answer === 'yes-after' ? 'restricted' : 'sea'})`,
            pl: 1.5,
          }}
        >
          <b>{ANSWERS[current.answer]}</b> {current.words}
          {current.clashes.length === 0 ? null : (
            <div>
              <b>Already planned then:</b> {current.clashes.join('; ')}.
            </div>
          )}
          {others.length === 0 ? null : (
            <Stack direction="row" spacing={0.75} sx={{ flexWrap: 'wrap', alignItems: 'center', mt: 0.75 }}>
              Could take it:{' '}
              {others.map((one) => (
                <Button
                  key={one.aircraftId}
                  size="small"
                  variant="outlined"
                  className="figure"
                  onClick={() => {
                    setValue('aircraftId', one.aircraftId);
                  }}
                >
                  {one.registration}
                </Button>
              ))}
            </Stack>
          )}
          {current.against.length === 0 ? null : (
            <More summary="Why, and what would open it" sx={{ mt: 0.75 }}>
              <Box sx={{ mt: 1 }}>
                <Reasons reasons={current.against} />
              </Box>
            </More>
          )}
        </Box>
      )}
      <TroubleAlert trouble={trouble} />
      {plannedWeeks === 0 ? null : (
        <Box role="status">
          {plannedWeeks === 1
            ? 'The first flight is planned'
            : `The first ${plannedWeeks} flights are planned`}{' '}
          as they were entered, up to {dayIn(fields.date, plannedWeeks - 1)}. What you add now goes on after
          them.
        </Box>
      )}
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          {moving !== null ? 'Move it' : weeks === 1 ? 'Add' : `Add all ${weeks}`}
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Stack>
    </Stack>
  );
}
