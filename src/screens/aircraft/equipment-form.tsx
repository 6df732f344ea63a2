'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { listedAs } from '@/contracts/aircraft/aircraft-entry';
import type { EquipmentKind } from '@/core/records/aircraft/equipment';
import { EQUIPMENT_NAMES } from '@/explain/names';
import { list } from '@/explain/wording';
import type { EquipmentTemplate, Facts } from '@/queries/aircraft/facts';
import { DayField } from '../kit/day-field';
import { begunFrom, differences, restNotAsked, withLine, type Line, type Lines } from './equipment-lines';
import { EquipmentTable } from './equipment-table';
import { FactAnswer } from './fact-answer';
import { useFact, useInstead } from './use-fact';

/** How many differences are named; the table marks all. */
const NAMED = 6;

/** How the list stands beside the template that it was begun from. */
function Beside({
  name,
  different,
}: {
  readonly name: string;
  readonly different: readonly EquipmentKind[];
}) {
  if (different.length === 0)
    return (
      <Typography role="status">As {name}, line by line. The aircraft itself is what counts.</Typography>
    );
  const named = different.slice(0, NAMED).map((kind) => EQUIPMENT_NAMES[kind]);
  const more = different.length - named.length;
  return (
    <Typography role="status">
      {different.length === 1 ? 'One line differs' : `${different.length} lines differ`} from {name}:{' '}
      {list(more === 0 ? named : [...named, `${more} more`])}.
    </Typography>
  );
}

/** The equipment list compared with the aircraft, as one table. What is left at "not said" stays unknown, and closes what needs it. */
export function EquipmentForm({ facts }: { readonly facts: Facts }) {
  const [lines, setLines] = useState<Lines>(() => listedAs(facts.equipment?.items ?? []) as Lines);
  const [begun, setBegun] = useState('');
  const [on, setOn] = useState(facts.today);
  const [approved, setApproved] = useState(facts.equipment?.approved ?? false);
  const { enter, answer } = useFact(facts);
  const { instead, recorded, told } = useInstead(facts.equipment?.id ?? null);
  const template = facts.templates.find(({ name }) => name === begun) ?? null;
  const different = template === null ? [] : differences(lines, template);
  const [dayFault, setDayFault] = useState<string>();
  /** Takes over what is not said yet. The template has not seen the aircraft: somebody says when they did. */
  const fill = (from: EquipmentTemplate) => {
    setLines((before) => begunFrom(before, from));
    setOn('');
  };
  const open =
    template === null
      ? 0
      : template.lines.filter(({ kind, fitted }) => fitted !== null && lines[kind] === undefined).length;
  const save = async () => {
    if (on === '') {
      setDayFault('Say on which day it was compared with the aircraft.');
      return;
    }
    setDayFault(undefined);
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
      <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <TextField
          select
          size="small"
          label={facts.equipment === null ? 'Begin from' : 'Compare with'}
          value={begun}
          onChange={(event) => {
            const chosen = facts.templates.find(({ name }) => name === event.target.value);
            setBegun(event.target.value);
            // A list that is on record is compared; nothing is written into it unasked.
            if (chosen !== undefined && facts.equipment === null) fill(chosen);
          }}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ minWidth: 300 }}
        >
          <MenuItem value="">{facts.equipment === null ? 'an empty list' : 'nothing'}</MenuItem>
          {facts.templates.map(({ name, about }) => (
            <MenuItem key={name} value={name}>
              {name}, {about}
            </MenuItem>
          ))}
        </TextField>
        <DayField
          label="Compared with the aircraft on"
          value={on}
          onChange={setOn}
          max={facts.today}
          error={dayFault}
          size="small"
          sx={{ width: 230 }}
        />
        {template === null || open === 0 ? null : (
          <Button
            size="small"
            onClick={() => {
              fill(template);
            }}
          >
            Take over the {open} that are not said
          </Button>
        )}
      </Stack>
      <Typography className="small">
        “By the type”: the type was certificated with it for day flight. The next two columns: whether this
        aircraft’s own equipment list, or its list of kinds of operation, asks for it; no template knows that.
        What nobody has said counts as yes once it is inoperative. Enter goes a line down, Tab a column on,
        and a letter chooses.
      </Typography>
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
      {template === null ? null : <Beside name={template.name} different={different} />}
      <EquipmentTable
        lines={lines}
        different={different}
        onChange={(kind: EquipmentKind, change: Partial<Line>) => {
          setLines((before) => withLine(before, kind, change));
        }}
        onRest={(column) => {
          setLines((before) => restNotAsked(before, column));
        }}
      />
      <FactAnswer {...answer} />
      <div>
        <Button type="submit" variant="contained">
          Save this list
        </Button>
      </div>
    </Stack>
  );
}
