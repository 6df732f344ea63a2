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
import type { Given } from '@/contracts/kernel/routes';
import type { Method } from '@/core/walkround/method';
import type { SchoolMethodView } from '@/queries/walkround/school-method';
import { useCommand } from '../data/command';
import { useSchoolMethod } from '../data/queries';
import { TroubleAlert } from '../kit/trouble-alert';
import { lazily } from '../kit/lazily';
import { Coming } from '../shell/coming';

// What arranges comes with what it is arranged by, when somebody does.
const OwnOrder = lazily(() => import('./own-order').then((module) => module.OwnOrder));

type Word = 'laps' | 'start' | 'direction' | 'samples' | 'tieDowns' | 'mode' | 'between';
const CHOICES: readonly {
  readonly name: Word;
  readonly label: string;
  readonly options: readonly (readonly [value: string, title: string])[];
}[] = [
  {
    name: 'laps',
    label: 'Lamps and pitot heat',
    options: [
      ['electrical-first', 'a lap of their own first, then power off'],
      ['one', 'by the way, at their place'],
    ],
  },
  {
    name: 'start',
    label: 'The round begins at',
    options: [
      ['left-wing', 'the left wing'],
      ['tail', 'the tail'],
      ['right-wing', 'the right wing'],
      ['nose', 'the nose'],
    ],
  },
  {
    name: 'direction',
    label: 'Seen from above it goes',
    options: [
      ['anticlockwise', 'anticlockwise'],
      ['clockwise', 'clockwise'],
    ],
  },
  {
    name: 'samples',
    label: 'Fuel samples',
    options: [
      ['at-each-tank', 'at each tank’s turn'],
      ['at-the-end', 'all at the end'],
    ],
  },
  {
    name: 'tieDowns',
    label: 'Ropes come off',
    options: [
      ['last', 'last'],
      ['at-their-place', 'at their place'],
    ],
  },
  {
    name: 'mode',
    label: 'Each step is',
    options: [
      ['read-and-do', 'read, then done'],
      ['do-then-verify', 'done, then verified at each station’s end'],
    ],
  },
  {
    name: 'between',
    label: 'A later flight of the day',
    options: [
      ['whole-list', 'asks for the whole list'],
      ['short-list', 'asks for the short list, where somebody saw everything that day'],
    ],
  },
];

function MethodForm({
  known,
  mayChange,
  done,
  onDone,
}: {
  readonly known: SchoolMethodView;
  readonly mayChange: boolean;
  readonly done: boolean;
  readonly onDone: (done: boolean) => void;
}) {
  const [method, setMethod] = useState<Method>(known.method);
  const [required, setRequired] = useState(known.required);
  const [numbers, setNumbers] = useState({
    batteryMinutes: known.method.batteryMinutes?.toString() ?? '',
    interruptedAfter: known.method.interruptedAfter.toString(),
  });
  const [isArranging, setIsArranging] = useState(known.method.order !== null);
  const [breaksRule, setBreaksRule] = useState(false);
  const [changeId, setChangeId] = useState(() => crypto.randomUUID());
  const { post, trouble, isRunning } = useCommand();
  const save = async () => {
    onDone(false);
    const value: Given<'POST /api/walkround/method'> = {
      changeId,
      seen: known.number,
      required,
      method: {
        ...method,
        batteryMinutes: numbers.batteryMinutes.trim() === '' ? null : Number(numbers.batteryMinutes),
        interruptedAfter: Number(numbers.interruptedAfter),
        drum: method.drum === null || method.drum.trim() === '' ? null : method.drum,
      },
    };
    if ((await post('POST /api/walkround/method', value)) === null) return;
    setChangeId(crypto.randomUUID());
    onDone(true);
  };
  return (
    <Stack spacing={1.5} sx={{ maxWidth: 640, mt: 1 }}>
      <Typography>
        How this school walks round. Some order is never a choice: the pitot cover is off before the heat is
        on, a gauge is read before the dip, every fuelling opens the samples again. A walk-round that was
        begun keeps the plan that it was begun with.
      </Typography>
      {CHOICES.map(({ name, label, options }) => (
        <TextField
          key={name}
          select
          label={label}
          value={method[name]}
          disabled={!mayChange}
          onChange={(event) => {
            setMethod({ ...method, [name]: event.target.value });
          }}
        >
          {options.map(([value, title]) => (
            <MenuItem key={value} value={value}>
              {title}
            </MenuItem>
          ))}
        </TextField>
      ))}
      <Stack direction="row" spacing={1.5}>
        <TextField
          label="Power on at most, minutes"
          value={numbers.batteryMinutes}
          disabled={!mayChange}
          helperText="Empty: no reminder"
          onChange={(event) => {
            setNumbers({ ...numbers, batteryMinutes: event.target.value });
          }}
        />
        <TextField
          label="Interrupted after, seconds"
          value={numbers.interruptedAfter}
          disabled={!mayChange}
          onChange={(event) => {
            setNumbers({ ...numbers, interruptedAfter: event.target.value });
          }}
        />
      </Stack>
      <TextField
        label="Where this field’s drum for used fuel stands"
        value={method.drum ?? ''}
        disabled={!mayChange}
        onChange={(event) => {
          setMethod({ ...method, drum: event.target.value });
        }}
      />
      <FormControlLabel
        disabled={!mayChange}
        control={
          <Checkbox
            checked={method.clearFuelBack}
            onChange={(_, on) => {
              setMethod({ ...method, clearFuelBack: on });
            }}
          />
        }
        label="Clear fuel may go back into the tank through a strainer"
      />
      <FormControlLabel
        disabled={!mayChange}
        control={
          <Checkbox
            checked={required}
            onChange={(_, on) => {
              setRequired(on);
            }}
          />
        }
        label="Every flight waits for a walk-round on the phone, also where nobody has begun one"
      />
      <FormControlLabel
        disabled={!mayChange}
        control={
          <Checkbox
            checked={isArranging}
            onChange={(_, on) => {
              setIsArranging(on);
              setBreaksRule(false);
              setMethod({ ...method, order: on ? known.method.order : null });
            }}
          />
        }
        label="This school walks in an order of its own"
      />
      {isArranging ? (
        <OwnOrder
          walked={known.walked}
          laps={method.laps}
          mayChange={mayChange}
          onOrder={(order) => {
            setBreaksRule(order === null);
            if (order !== null) setMethod({ ...method, order });
          }}
        />
      ) : null}
      {done ? (
        <Typography role="status" sx={{ fontWeight: 700 }}>
          It is on record.
        </Typography>
      ) : (
        <TroubleAlert trouble={trouble} />
      )}
      {mayChange ? (
        <Box>
          <Button
            variant="contained"
            disabled={isRunning || breaksRule}
            onClick={() => {
              void save();
            }}
          >
            Save
          </Button>
        </Box>
      ) : (
        <Typography>The administrator or an instructor changes this.</Typography>
      )}
    </Stack>
  );
}

/** How the school walks round. */
export function WalkRoundPart({ mayChange }: { readonly mayChange: boolean }) {
  const query = useSchoolMethod();
  // Kept here: what was saved comes back as another version, and with it another form.
  const [done, setDone] = useState(false);
  return query.data === undefined ? (
    <Coming query={query} what="how the school walks round" />
  ) : (
    <MethodForm
      key={query.data.number}
      known={query.data}
      mayChange={mayChange}
      done={done}
      onDone={setDone}
    />
  );
}
