'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { listedAs, type EquipmentInput } from '@/contracts/aircraft/aircraft-entry';
import { EQUIPMENT_KINDS, type EquipmentKind } from '@/core/records/aircraft/equipment';
import { sentenceCase } from '@/explain/wording';
import { EQUIPMENT_NAMES } from '@/explain/names';
import type { Facts } from '@/queries/aircraft/facts';
import { DayField } from '../kit/day-field';
import { ListLine, PlainList } from '../kit/layout';
import { FactAnswer } from './fact-answer';
import { useFact, useInstead } from './use-fact';

type Line = Exclude<NonNullable<EquipmentInput[EquipmentKind]>, string>;
type Lines = Partial<Record<EquipmentKind, Line>>;

const STATES = [
  ['', 'not said'],
  ['fitted', 'fitted'],
  ['not-fitted', 'not fitted'],
] as const;
const ASKED = [
  ['', 'not known: counts as yes'],
  ['no', 'no'],
  ['always', 'yes, always'],
] as const;
/** Things that run out by themselves. */
const DATED: readonly EquipmentKind[] = [
  'fire-extinguisher',
  'monoxide-detector',
  'flotation',
  'pyrotechnic-signal',
];

function Asked({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: Line['equipmentList'];
  readonly onChange: (value: Line['equipmentList']) => void;
}) {
  if (value !== undefined && typeof value !== 'string')
    return <span className="small">{label}: for some uses, as on record</span>;
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value ?? ''}
      onChange={(event) => {
        onChange(event.target.value === '' ? undefined : (event.target.value as 'no' | 'always'));
      }}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ width: 200 }}
    >
      {ASKED.map(([key, words]) => (
        <MenuItem key={key} value={key}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** The equipment list compared with the aircraft, line by line. What is left at "not said" stays unknown, and closes what needs it. */
export function EquipmentForm({ facts }: { readonly facts: Facts }) {
  const [lines, setLines] = useState<Lines>(() => listedAs(facts.equipment?.items ?? []) as Lines);
  const [on, setOn] = useState(facts.today);
  const [approved, setApproved] = useState(facts.equipment?.approved ?? false);
  const { enter, answer } = useFact(facts);
  const { instead, recorded, told } = useInstead(facts.equipment?.id ?? null);
  const set = (kind: EquipmentKind, change: Partial<Line> | null) => {
    setLines((before) =>
      change === null
        ? Object.fromEntries(Object.entries(before).filter(([key]) => key !== kind))
        : { ...before, [kind]: { ...before[kind], ...change } },
    );
  };
  const save = async () => {
    const done = await enter(
      {
        kind: 'equipment',
        instead,
        on,
        list: { items: lines, ...(facts.authority === 'au' ? { approved } : {}) },
      },
      told,
    );
    if (done !== null) recorded(done);
  };
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
      aria-label="Equipment"
    >
      <Typography className="small">
        “By the type” means that the type was certificated with it for day flight; the next two ask whether
        the aircraft’s own equipment list, or its list of kinds of operation, wants it. Not known counts as
        yes once it is inoperative.
      </Typography>
      <DayField
        label="Compared with the aircraft on"
        value={on}
        onChange={(day) => {
          setOn(day);
        }}
        max={facts.today}
        sx={{ width: 220 }}
      />
      {facts.authority === 'au' ? (
        <FormControlLabel
          control={
            <Checkbox
              checked={approved}
              onChange={(_, yes) => {
                setApproved(yes);
              }}
            />
          }
          label="It was compared with an approved equipment list. Until then the aircraft is closed for instrument flight and for hire."
        />
      ) : null}
      <PlainList>
        {EQUIPMENT_KINDS.map((kind) => {
          const line = lines[kind];
          const state = line?.fitted === undefined ? '' : line.fitted ? 'fitted' : 'not-fitted';
          return (
            <ListLine key={kind} sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, alignItems: 'center' }}>
              <Box component="span" sx={{ width: 220, fontWeight: 600 }}>
                {sentenceCase(EQUIPMENT_NAMES[kind])}
              </Box>
              <TextField
                select
                size="small"
                value={state}
                onChange={(event) => {
                  set(kind, event.target.value === '' ? null : { fitted: event.target.value === 'fitted' });
                }}
                slotProps={{
                  select: { displayEmpty: true },
                  htmlInput: { 'aria-label': EQUIPMENT_NAMES[kind] },
                }}
                sx={{ width: 130 }}
              >
                {STATES.map(([key, words]) => (
                  <MenuItem key={key} value={key}>
                    {words}
                  </MenuItem>
                ))}
              </TextField>
              {state !== 'fitted' || line === undefined ? null : (
                <>
                  <TextField
                    select
                    size="small"
                    label="By the type"
                    value={line.typeCertification === undefined ? '' : line.typeCertification ? 'yes' : 'no'}
                    onChange={(event) => {
                      set(kind, {
                        typeCertification:
                          event.target.value === '' ? undefined : event.target.value === 'yes',
                      });
                    }}
                    slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
                    sx={{ width: 130 }}
                  >
                    <MenuItem value="">not known</MenuItem>
                    <MenuItem value="yes">yes</MenuItem>
                    <MenuItem value="no">no</MenuItem>
                  </TextField>
                  <Asked
                    label="Its equipment list wants it"
                    value={line.equipmentList}
                    onChange={(equipmentList) => {
                      set(kind, { equipmentList });
                    }}
                  />
                  <Asked
                    label="Its kinds of operation want it"
                    value={line.kindsOfOperation}
                    onChange={(kindsOfOperation) => {
                      set(kind, { kindsOfOperation });
                    }}
                  />
                  {!DATED.includes(kind) ? null : (
                    <DayField
                      label="Its own date"
                      value={line.expiresOn === 'no-expiry' ? '' : (line.expiresOn ?? '')}
                      onChange={(day) => {
                        set(kind, { expiresOn: day === '' ? undefined : day });
                      }}
                      sx={{ width: 160 }}
                    />
                  )}
                </>
              )}
            </ListLine>
          );
        })}
      </PlainList>
      <FactAnswer {...answer} />
      <div>
        <Button type="submit" variant="contained">
          Save this list
        </Button>
      </div>
    </Stack>
  );
}
