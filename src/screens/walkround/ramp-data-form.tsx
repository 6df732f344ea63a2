'use client';

import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { FactInput } from '@/contracts/aircraft/aircraft-entry';
import { FEATURE_NAMES, FEATURES, type Feature } from '@/core/walkround/features';
import type { Facts } from '@/queries/aircraft/facts';
import { FactAnswer } from '../aircraft/fact-answer';
import { useFact, useInstead } from '../aircraft/use-fact';
import { dipLines, dipTable } from './dip-lines';

type Data = Extract<FactInput, { kind: 'ramp-data' }>['data'];

const GROUPS = [
  ['aircraft', 'The whole aircraft'],
  ['cabin', 'Cabin'],
  ['controls', 'Controls and surfaces'],
  ['gear', 'Gear'],
  ['engine', 'Engine, propeller, fuel'],
  ['equipment', 'Equipment'],
] as const;
const NOT_SAID = '';

/** What the walk-round of an aircraft rests on: what it has, how its oil is read, which way its tab goes, what its dipsticks read. */
export function RampDataForm({ facts }: { readonly facts: Facts }) {
  const { ramp } = facts;
  const { data } = ramp;
  const [features, setFeatures] = useState<ReadonlySet<string>>(() => new Set(ramp.features ?? []));
  const [without, setWithout] = useState<readonly string[]>(data?.without ?? []);
  const [words, setWords] = useState({
    tab: data?.tab ?? NOT_SAID,
    propeller: data?.propeller ?? NOT_SAID,
    oilMethod: data?.oilMethod ?? NOT_SAID,
    blades: data?.blades?.toString() ?? '',
    sampleSeconds: data?.sampleSeconds?.toString() ?? '',
  });
  const [sticks, setSticks] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(
      ramp.tanks.map((tank) => [tank, dipLines(data?.dips.find((stick) => stick.tank === tank))]),
    ),
  );
  const [bad, setBad] = useState<Readonly<Record<string, string>>>({});
  const { enter, answer } = useFact(facts);
  const { instead, recorded, told } = useInstead(ramp.id);
  const choice = (
    name: 'tab' | 'propeller' | 'oilMethod',
    label: string,
    options: readonly (readonly [string, string])[],
  ) => (
    <TextField
      select
      label={label}
      value={words[name]}
      onChange={(event) => {
        setWords({ ...words, [name]: event.target.value });
      }}
      sx={{ minWidth: 260 }}
    >
      <MenuItem value={NOT_SAID}>not known</MenuItem>
      {options.map(([value, title]) => (
        <MenuItem key={value} value={value}>
          {title}
        </MenuItem>
      ))}
    </TextField>
  );
  const number = (name: 'blades' | 'sampleSeconds', label: string) => (
    <TextField
      label={label}
      value={words[name]}
      onChange={(event) => {
        setWords({ ...words, [name]: event.target.value });
      }}
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      sx={{ width: 180 }}
    />
  );
  const save = async () => {
    const tables = ramp.tanks.map((tank) => [tank, dipTable(sticks[tank] ?? '')] as const);
    const wrong = Object.fromEntries(
      tables.flatMap(([tank, table]) =>
        'bad' in table ? [[tank, `“${table.bad}” is no line such as 3 = 9.5`]] : [],
      ),
    );
    setBad(wrong);
    if (Object.keys(wrong).length > 0) return;
    const figure = (text: string) => (text.trim() === '' ? null : Number(text));
    const id = await enter(
      {
        kind: 'ramp-data',
        instead,
        data: {
          features: FEATURE_NAMES.filter((name) => features.has(name)) as Feature[],
          without: [...without],
          blades: figure(words.blades),
          sampleSeconds: figure(words.sampleSeconds),
          tab: (words.tab === NOT_SAID ? null : words.tab) as Data['tab'],
          propeller: (words.propeller === NOT_SAID ? null : words.propeller) as Data['propeller'],
          oilMethod: (words.oilMethod === NOT_SAID ? null : words.oilMethod) as Data['oilMethod'],
          dips: tables.flatMap(([tank, table]) =>
            'points' in table && table.points.length > 0
              ? [{ tank, unit: 'stick', points: [...table.points] }]
              : [],
          ),
        },
      },
      told,
    );
    if (id !== null) recorded(id);
  };
  return (
    <Stack spacing={1.5}>
      <Box component="p" className="small" sx={{ m: 0 }}>
        What is not ticked leaves its steps out of the walk-round.{' '}
        {ramp.features === null ? 'Nobody has said yet what it has, so every step is asked for.' : ''}
      </Box>
      {GROUPS.map(([group, title]) => (
        <Box key={group} component="fieldset" sx={{ border: 0, p: 0, m: 0 }}>
          <Box component="legend" sx={{ fontWeight: 700, p: 0 }}>
            {title}
          </Box>
          <Box sx={{ columns: { sm: 2, lg: 3 } }}>
            {FEATURE_NAMES.filter((name) => FEATURES[name].group === group).map((name) => (
              <FormControlLabel
                key={name}
                sx={{ display: 'flex', breakInside: 'avoid' }}
                control={
                  <Checkbox
                    size="small"
                    checked={features.has(name)}
                    onChange={(_, on) => {
                      const next = new Set(features);
                      if (on) next.add(name);
                      else next.delete(name);
                      setFeatures(next);
                    }}
                  />
                }
                label={FEATURES[name].name}
              />
            ))}
          </Box>
        </Box>
      ))}
      <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap' }}>
        {choice('tab', 'Tab of the tail', [
          ['anti-servo', 'moves the same way as its surface'],
          ['servo', 'moves the opposite way'],
        ])}
        {choice('propeller', 'Propeller by hand', [
          ['never', 'never'],
          ['hub-twist', 'a gentle twist at the hub'],
          ['turn-for-oil', 'turned forward before the oil is read'],
        ])}
        {choice('oilMethod', 'The oil is read', [
          ['stick-screwed-in', 'with the stick screwed in'],
          ['stick-not-screwed-in', 'with the stick resting'],
          ['after-turning', 'after turning until it gurgles'],
        ])}
        {number('blades', 'Blades')}
        {number('sampleSeconds', 'Sample, seconds')}
      </Stack>
      <Autocomplete
        multiple
        options={ramp.steps.map(({ code }) => code)}
        getOptionLabel={(code) => ramp.steps.find((step) => step.code === code)?.title ?? code}
        value={[...without]}
        onChange={(_, next) => {
          setWithout(next);
        }}
        renderInput={(params) => (
          <TextField {...params} label="Steps whose item this aircraft does not have" />
        )}
      />
      {ramp.tanks.map((tank) => (
        <TextField
          key={tank}
          multiline
          minRows={2}
          label={`Dipstick of the ${tank} tank`}
          value={sticks[tank] ?? ''}
          error={bad[tank] !== undefined}
          helperText={
            bad[tank]
            ?? 'A line for each level: what the stick reads = US gallons. Empty where the stick reads gallons.'
          }
          onChange={(event) => {
            setSticks({ ...sticks, [tank]: event.target.value });
          }}
        />
      ))}
      <FactAnswer {...answer} />
      <Box>
        <Button
          variant="contained"
          onClick={() => {
            void save();
          }}
        >
          Save
        </Button>
      </Box>
    </Stack>
  );
}
