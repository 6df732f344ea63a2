'use client';

import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import NativeSelect from '@mui/material/NativeSelect';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { type KeyboardEvent, memo, useCallback, useEffect, useRef } from 'react';
import { EQUIPMENT_KINDS, type EquipmentKind } from '@/core/records/aircraft/equipment';
import { EQUIPMENT_NAMES } from '@/explain/names';
import { sentenceCase } from '@/explain/wording';
import { DayField } from '../kit/day-field';
import type { ASKED, Line, Lines } from './equipment-lines';

/** Things that run out by themselves. */
const DATED: readonly EquipmentKind[] = [
  'fire-extinguisher',
  'monoxide-detector',
  'flotation',
  'pyrotechnic-signal',
];

const cellId = (column: string, kind: EquipmentKind) => `equipment-${column}-${kind}`;

/** Enter goes to the next line's cell of the same column that can be chosen in; at the end it stays. */
function down(event: KeyboardEvent, column: string, kind: EquipmentKind): void {
  if (event.key !== 'Enter') return;
  event.preventDefault();
  for (const next of EQUIPMENT_KINDS.slice(EQUIPMENT_KINDS.indexOf(kind) + 1)) {
    const cell = document.getElementById(cellId(column, next));
    if (cell !== null) {
      cell.focus();
      return;
    }
  }
}

/** A cell in which one of a few words is chosen. */
function Choice({
  column,
  kind,
  label,
  value,
  words,
  onChoose,
}: {
  readonly column: string;
  readonly kind: EquipmentKind;
  readonly label: string;
  readonly value: string;
  readonly words: readonly (readonly [value: string, word: string])[];
  readonly onChoose: (value: string) => void;
}) {
  return (
    <NativeSelect
      input={<InputBase sx={{ fontSize: 15, width: '100%' }} />}
      value={value}
      onChange={(event) => {
        onChoose(event.target.value);
      }}
      inputProps={{
        id: cellId(column, kind),
        'aria-label': label,
        onKeyDown: (event: KeyboardEvent) => {
          down(event, column, kind);
        },
      }}
    >
      {words.map(([key, word]) => (
        <option key={key} value={key}>
          {word}
        </option>
      ))}
    </NativeSelect>
  );
}

const FITTED = [
  ['', 'not said'],
  ['yes', 'fitted'],
  ['no', 'not fitted'],
] as const;
const BY_TYPE = [
  ['', 'not known'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;
const WANTED = [
  ['', 'not known'],
  ['no', 'no'],
  ['always', 'yes'],
] as const;

const ofAnswer = (value: boolean | undefined): string => (value === undefined ? '' : value ? 'yes' : 'no');
const answerOf = (text: string): boolean | undefined => (text === '' ? undefined : text === 'yes');

/** A line of the list. One that did not change is not drawn again: there are fifty, with four choices each. */
const Row = memo(function Row({
  kind,
  line,
  differs,
  onChange,
}: {
  readonly kind: EquipmentKind;
  readonly line: Line | undefined;
  readonly differs: boolean;
  readonly onChange: (kind: EquipmentKind, change: Partial<Line>) => void;
}) {
  const name = EQUIPMENT_NAMES[kind];
  const asked = (column: (typeof ASKED)[number], label: string) => {
    const value = line?.[column];
    if (value !== undefined && typeof value !== 'string') return <span className="small">for some uses</span>;
    return (
      <Choice
        column={column}
        kind={kind}
        label={`${name}: ${label}`}
        value={value ?? ''}
        words={WANTED}
        onChoose={(text) => {
          onChange(kind, { [column]: text === '' ? undefined : (text as 'no' | 'always') });
        }}
      />
    );
  };
  return (
    <TableRow sx={differs ? { bgcolor: 'var(--restricted-tint)' } : {}}>
      <TableCell component="th" scope="row" sx={{ fontWeight: 600, fontSize: 15 }}>
        {sentenceCase(name)}
        {differs ? <span className="small"> – differs</span> : null}
      </TableCell>
      <TableCell>
        <Choice
          column="fitted"
          kind={kind}
          label={name}
          value={ofAnswer(line?.fitted)}
          words={FITTED}
          onChoose={(text) => {
            onChange(kind, { fitted: answerOf(text) });
          }}
        />
      </TableCell>
      {line?.fitted === true ? (
        <>
          <TableCell>
            <Choice
              column="typeCertification"
              kind={kind}
              label={`${name}: by the type`}
              value={ofAnswer(line.typeCertification)}
              words={BY_TYPE}
              onChoose={(text) => {
                onChange(kind, { typeCertification: answerOf(text) });
              }}
            />
          </TableCell>
          <TableCell>{asked('equipmentList', 'its equipment list asks for it')}</TableCell>
          <TableCell>{asked('kindsOfOperation', 'its kinds of operation ask for it')}</TableCell>
          <TableCell>
            {DATED.includes(kind) ? (
              <DayField
                label="Its own date"
                size="small"
                value={line.expiresOn === 'no-expiry' ? '' : (line.expiresOn ?? '')}
                onChange={(day) => {
                  onChange(kind, { expiresOn: day === '' ? undefined : day });
                }}
                sx={{ width: 180 }}
              />
            ) : null}
          </TableCell>
        </>
      ) : (
        <TableCell colSpan={4} />
      )}
    </TableRow>
  );
});

/** The equipment list as one table, filled by keyboard. @param different lines that are not as the template has them */
export function EquipmentTable({
  lines,
  different,
  onChange,
  onRest,
}: {
  readonly lines: Lines;
  readonly different: readonly EquipmentKind[];
  readonly onChange: (kind: EquipmentKind, change: Partial<Line>) => void;
  readonly onRest: (column: (typeof ASKED)[number]) => void;
}) {
  // Rows are given the same function each time, which calls the newest.
  const latest = useRef(onChange);
  useEffect(() => {
    latest.current = onChange;
  });
  const change = useCallback((kind: EquipmentKind, to: Partial<Line>) => {
    latest.current(kind, to);
  }, []);
  const rest = (column: (typeof ASKED)[number], title: string) => {
    const open = EQUIPMENT_KINDS.filter(
      (kind) => lines[kind]?.fitted === true && lines[kind][column] === undefined,
    ).length;
    return (
      <>
        {title}
        {open === 0 ? null : (
          <Button
            size="small"
            aria-label={`${title}: the ${open} that are not known are not asked for`}
            onClick={() => {
              onRest(column);
            }}
          >
            the other {open}: no
          </Button>
        )}
      </>
    );
  };
  return (
    <TableContainer>
      <Table
        size="small"
        stickyHeader
        aria-label="Equipment list"
        sx={{ bgcolor: 'var(--card)', '& td, & th': { py: 0.25 } }}
      >
        <TableHead>
          <TableRow>
            <TableCell>Equipment</TableCell>
            <TableCell sx={{ width: 120 }}>Fitted</TableCell>
            <TableCell sx={{ width: 110 }}>By the type</TableCell>
            <TableCell sx={{ width: 150 }}>{rest('equipmentList', 'Its equipment list')}</TableCell>
            <TableCell sx={{ width: 150 }}>{rest('kindsOfOperation', 'Kinds of operation')}</TableCell>
            <TableCell sx={{ width: 190 }}>Its own date</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {EQUIPMENT_KINDS.map((kind) => (
            <Row
              key={kind}
              kind={kind}
              line={lines[kind]}
              differs={different.includes(kind)}
              onChange={change}
            />
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}
