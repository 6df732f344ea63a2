'use client';

import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import type { Facts } from '@/queries/aircraft/facts';
import { CATEGORY_NAMES, QUANTITY_NAMES_IN_WORDS } from '@/explain/names';
import { dateText, list, sentenceCase } from '@/explain/wording';
import { lazily } from '../kit/lazily';
import { fieldsOf, NAVIGATION, REMEDIES, type Fields } from './description-values';
import { boxInWords } from './uses-words';

const DescriptionForm = lazily(
  () => import('./description-form').then((module) => module.DescriptionForm),
  600,
);

/** A value as it is on record, and what the rules take from it; null where it is not known. */
interface Value {
  readonly title: string;
  readonly value: string | null;
  readonly decides: string;
}

const said = (text: string): string | null => (text === '' ? null : sentenceCase(text));
const day = (text: string): string | null =>
  text === '' ? null : dateText(text as Parameters<typeof dateText>[0]);
const amount = (figure: string, unit: string): string | null => (figure === '' ? null : `${figure} ${unit}`);

const ENGINES = { air: 'air-cooled', liquid: 'liquid-cooled', none: 'none', '': '' } as const;

/** What the aircraft is, in the order in which people describe one. */
function identity(fields: Fields): readonly Value[] {
  const { category } = fields;
  return [
    {
      title: 'Category of its certificate',
      value: category === '' ? null : sentenceCase(CATEGORY_NAMES[category as keyof typeof CATEGORY_NAMES]),
      decides: 'Hire, towing and what its certificate allows.',
    },
    {
      title: 'Class of aircraft',
      value: said(fields.aircraftClass),
      decides: 'Which equipment lists are asked.',
    },
    { title: 'Serial number', value: fields.serialNumber || null, decides: 'Its documents must show it.' },
    { title: 'First flown on', value: day(fields.firstFlownOn), decides: '' },
    { title: 'Made on', value: day(fields.manufacturedOn), decides: 'Harnesses.' },
    {
      title: 'Type certificated on',
      value: day(fields.certificatedOn),
      decides: 'Anticollision lights by day.',
    },
    {
      title: 'Seats, the pilot’s included',
      value: fields.seats || null,
      decides: 'How many people may fly.',
    },
    {
      title: 'Engine',
      value: said(`${ENGINES[fields.engine]}${fields.altitude ? ', an altitude engine' : ''}`),
      decides: 'Gauges, oil and fuel samples.',
    },
    { title: 'Landing gear', value: said(fields.gear), decides: 'A gear position indicator.' },
    {
      title: 'Fuses that the pilot can replace',
      value: said(fields.fuses),
      decides: 'Spare fuses by night.',
    },
    {
      title: 'Engine-driven electrical system',
      value: said(fields.electrical),
      decides: 'Whether airspace excepts it from a transponder.',
    },
    ...(fields.keptRigged === ''
      ? []
      : [
          {
            title: 'Kept rigged between flights',
            value: said(fields.keptRigged),
            decides: 'Whether each day of flying asks for rigging.',
          },
        ]),
    {
      title: 'Inspections',
      value:
        fields.programme === ''
          ? null
          : fields.programme === 'progressive'
            ? 'Progressive, by segments'
            : 'Annual and 100-hour',
      decides: 'Which inspections come due.',
    },
    {
      title: 'Navigation by instruments rests on',
      value: fields.ifrNavigation === '' ? null : NAVIGATION[fields.ifrNavigation as keyof typeof NAVIGATION],
      decides: 'VOR checks and databases.',
    },
    {
      title: 'Revision of its manual in force',
      value: fields.manualRevision || null,
      decides: 'Which manual must be on board.',
    },
    {
      title: 'Minimum equipment list (MEL)',
      value: said(fields.minimumEquipmentList),
      decides: 'How inoperative equipment may be deferred.',
    },
  ];
}

function fuel(fields: Fields): readonly Value[] {
  return [
    {
      title: 'Burnt in an hour at cruise',
      value: amount(fields.burn, fields.burnUnit),
      decides: 'The fuel that a flight needs.',
    },
    {
      title: 'Minimum for flight',
      value: amount(fields.minimum, fields.minimumUnit),
      decides: 'No flight with less.',
    },
    {
      title: 'Tanks, usable when full',
      value:
        fields.tanks.length === 0
          ? null
          : list(fields.tanks.map(({ id, usable, unit }) => `${id} ${usable} ${unit}`)),
      decides: 'What a dip can show.',
    },
    { title: 'Fuel drains', value: fields.drains || null, decides: 'Each is sampled by itself.' },
    {
      title: 'Grades that it may have',
      value: fields.grades.length === 0 ? null : list(fields.grades),
      decides: 'Fuel of another grade closes it.',
    },
  ];
}

const limits = (fields: Fields): readonly Value[] =>
  fields.measured.map(({ quantity, which, min, max, unit, remedy }) => ({
    title: sentenceCase(`${QUANTITY_NAMES_IN_WORDS[quantity]} ${which}`.trim()),
    value: [min === '' ? '' : `at least ${min} ${unit}`, max === '' ? '' : `at most ${max} ${unit}`]
      .filter((text) => text !== '')
      .join(', '),
    decides: `Outside of it: ${REMEDIES[remedy]}.`,
  }));

const uses = ({ boxes }: Fields): readonly Value[] =>
  boxes.map((box, at) => ({
    title: boxes.length === 1 ? 'Approved for' : `Approved for, ${at + 1}`,
    value: boxInWords(box),
    decides: 'Anything else is never offered.',
  }));

function Values({ label, values }: { readonly label: string; readonly values: readonly Value[] }) {
  if (values.length === 0) return null;
  return (
    <Table size="small" aria-label={label} sx={{ bgcolor: 'var(--card)', mb: 2 }}>
      <TableHead>
        <TableRow>
          <TableCell sx={{ width: '30%' }}>{label}</TableCell>
          <TableCell sx={{ width: '36%' }}>On record</TableCell>
          <TableCell>What it decides</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {values.map(({ title, value, decides }) => (
          <TableRow key={title}>
            <TableCell component="th" scope="row">
              {title}
            </TableCell>
            <TableCell>{value === null ? <i>not known</i> : <b>{value}</b>}</TableCell>
            <TableCell>{decides}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** What is on record of what the aircraft is, what each value decides, and the form that replaces it as a whole. */
export function DescriptionShown({ facts }: { readonly facts: Facts }) {
  const empty = facts.aircraft.approvedFor === null;
  const [changing, setChanging] = useState(empty);
  if (changing) return <DescriptionForm facts={facts} />;
  const fields = fieldsOf(facts.aircraft);
  return (
    <>
      <Values label="What it is" values={identity(fields)} />
      <Values label="Fuel" values={fuel(fields)} />
      <Values label="Limits on the ramp" values={limits(fields)} />
      <Values label="Uses" values={uses(fields)} />
      {facts.mayReplace ? (
        <Button
          variant="outlined"
          size="small"
          onClick={() => {
            setChanging(true);
          }}
        >
          Change …
        </Button>
      ) : (
        <p className="small">A mechanic or the administrator changes this.</p>
      )}
    </>
  );
}
