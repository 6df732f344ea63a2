import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import type { DocumentCheckRoundInput } from '@/contracts/documents/document-check';
import type { DocumentCheckList, DocumentToCheck } from '@/queries/documents/document-check';
import { DayField } from '../kit/day-field';
import { FieldGrid } from '../kit/layout';
import { More } from '../kit/more';

type Seen = DocumentCheckRoundInput['documentChecks'][number];
/** What was tapped for one document, and what was written about it. */
export interface Tapped {
  readonly answer: 'ours' | 'flawed' | 'missing' | 'another' | 'unreadable' | 'no-tank';
  readonly shows: string;
  readonly issuedOn: string;
  readonly printedExpiry: string;
  readonly revision: string;
  readonly datedOn: string;
  readonly keptWhere: string;
  readonly number: string;
  readonly form: 'flight-manual' | 'placards-and-markings';
  readonly temporary: boolean;
}

const SHOWS_REGISTRATION: readonly DocumentToCheck['kind'][] = [
  'airworthiness-certificate',
  'registration-certificate',
];

export function question(paper: DocumentToCheck, { registration, serialNumber }: DocumentCheckList): string {
  if (SHOWS_REGISTRATION.includes(paper.kind)) return `Does it show ${registration}?`;
  if (paper.kind === 'operating-limitations')
    return serialNumber === null
      ? 'Is it this aircraft’s manual?'
      : `Is it for serial number ${serialNumber}?`;
  if (paper.kind === 'cabin-tank-form-337') return 'Is a fuel tank added in the cabin or the baggage space?';
  return 'Is it aboard, and this aircraft’s?';
}

export function seenOf(paper: DocumentToCheck, tapped: Tapped, list: DocumentCheckList, id: string): Seen {
  const { last } = paper;
  const day = (text: string) => (text === '' ? null : text);
  const aboard = tapped.answer !== 'missing' && tapped.answer !== 'no-tank';
  const ours = tapped.answer === 'ours' || tapped.answer === 'flawed';
  const whole = tapped.answer === 'ours';
  return {
    documentCheckId: id,
    kind: paper.kind,
    keptWhere: aboard ? (day(tapped.keptWhere.trim()) ?? paper.keptWhere) : paper.keptWhere,
    number: aboard ? (day(tapped.number.trim()) ?? paper.number) : paper.number,
    aboard,
    legible: aboard ? tapped.answer !== 'unreadable' : null,
    displayed: paper.kind === 'airworthiness-certificate' && aboard ? whole : null,
    registrationShown:
      SHOWS_REGISTRATION.includes(paper.kind) && aboard
        ? ours
          ? list.registration
          : tapped.answer === 'another' && tapped.shows.trim() !== ''
            ? tapped.shows.trim().toUpperCase()
            : null
        : null,
    serialShown:
      paper.kind === 'operating-limitations' && aboard
        ? ours
          ? (list.serialNumber ?? last.serialShown)
          : tapped.answer === 'another' && tapped.shows.trim() !== ''
            ? tapped.shows.trim()
            : null
        : null,
    issuedOn: paper.kind === 'registration-certificate' ? day(tapped.issuedOn) : null,
    printedExpiry:
      paper.kind === 'registration-certificate' && !tapped.temporary ? day(tapped.printedExpiry) : null,
    temporary: paper.kind === 'registration-certificate' && ours ? tapped.temporary : null,
    form: paper.kind === 'operating-limitations' ? tapped.form : null,
    revision: paper.kind === 'operating-limitations' ? day(tapped.revision) : null,
    placards: paper.kind === 'operating-limitations' && aboard ? whole : null,
    datedOn: paper.kind === 'weight-and-balance' ? day(tapped.datedOn) : null,
    tankFitted: paper.kind === 'cabin-tank-form-337' ? tapped.answer !== 'no-tank' : null,
  };
}

const YES: Readonly<Partial<Record<DocumentToCheck['kind'], string>>> = {
  'airworthiness-certificate': 'Yes, readable and in view',
  'operating-limitations': 'Yes, and placards are in place',
};
const FLAWED: Readonly<Partial<Record<DocumentToCheck['kind'], string>>> = {
  'airworthiness-certificate': 'Yes, but not in view',
  'operating-limitations': 'Yes, but a placard is missing',
};

export const NOTHING: Omit<Tapped, 'answer'> = {
  shows: '',
  issuedOn: '',
  printedExpiry: '',
  revision: '',
  datedOn: '',
  keptWhere: '',
  number: '',
  form: 'flight-manual',
  temporary: false,
};

export function Answers({
  paper,
  list,
  tapped,
  onTap,
}: {
  readonly paper: DocumentToCheck;
  readonly list: DocumentCheckList;
  readonly tapped: Tapped | undefined;
  readonly onTap: (change: Partial<Tapped>) => void;
}) {
  const { last } = paper;
  const buttons: readonly (readonly [Tapped['answer'], string])[] =
    paper.kind === 'cabin-tank-form-337'
      ? [
          ['no-tank', 'No tank'],
          ['ours', 'A tank, and its record is aboard'],
          ['missing', 'A tank, but no record'],
        ]
      : [
          ['ours', YES[paper.kind] ?? 'Yes, aboard and readable'],
          ...(FLAWED[paper.kind] === undefined ? [] : [['flawed', FLAWED[paper.kind] ?? ''] as const]),
          ['missing', 'Not there'],
          ['another', 'Another aircraft’s'],
          ['unreadable', 'Cannot be read'],
        ];
  const tap = (answer: Tapped['answer']) => {
    onTap({
      answer,
      ...(tapped === undefined
        ? {
            issuedOn: last.issuedOn ?? '',
            printedExpiry: last.printedExpiry ?? '',
            revision: last.revision ?? '',
            datedOn: last.datedOn ?? '',
            keptWhere: paper.keptWhere ?? '',
            number: paper.number ?? '',
            form: last.form ?? 'flight-manual',
            temporary: last.temporary ?? false,
          }
        : {}),
    });
  };
  const aboard = tapped !== undefined && tapped.answer !== 'missing' && tapped.answer !== 'no-tank';
  const text = (name: Exclude<keyof Tapped, 'answer' | 'form' | 'temporary'>, label: string) => (
    <TextField
      label={label}
      value={tapped?.[name] ?? ''}
      onChange={(event) => {
        onTap({ [name]: event.target.value });
      }}
    />
  );
  const day = (name: 'issuedOn' | 'printedExpiry' | 'datedOn', label: string) => (
    <DayField
      label={label}
      value={tapped?.[name] ?? ''}
      onChange={(chosen) => {
        onTap({ [name]: chosen });
      }}
    />
  );
  return (
    <Stack spacing={1}>
      <RadioGroup
        aria-label={question(paper, list)}
        value={tapped?.answer ?? ''}
        onChange={(_, answer) => {
          tap(answer as Tapped['answer']);
        }}
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', gap: 1 }}
      >
        {buttons.map(([answer, name]) => (
          <FormControlLabel
            key={answer}
            value={answer}
            label={name}
            control={<Radio color="primary" />}
            sx={{
              m: 0,
              minHeight: 52,
              pr: 1,
              border: '2px solid var(--sea)',
              borderRadius: '6px',
              bgcolor: tapped?.answer === answer ? 'var(--sea-tint)' : 'var(--card)',
              '& .MuiFormControlLabel-label': { fontWeight: 600, lineHeight: 1.2 },
            }}
          />
        ))}
      </RadioGroup>
      {tapped?.answer === 'another'
        ? text(
            'shows',
            paper.kind === 'operating-limitations' ? 'It is for serial number' : 'It shows the registration',
          )
        : null}
      {tapped?.answer === 'ours' && paper.kind === 'registration-certificate' ? (
        <>
          <TextField
            select
            label="What it is"
            value={tapped.temporary ? 'copy' : 'certificate'}
            onChange={(event) => {
              onTap({
                temporary: event.target.value === 'copy',
                issuedOn: event.target.value === 'copy' ? '' : (last.issuedOn ?? ''),
              });
            }}
          >
            <MenuItem value="certificate">the certificate</MenuItem>
            <MenuItem value="copy">a copy of the application (90 days)</MenuItem>
          </TextField>
          <FieldGrid>
            {day('issuedOn', tapped.temporary ? 'Day of the application' : 'Issued on')}
            {tapped.temporary ? null : day('printedExpiry', 'Printed expiry')}
          </FieldGrid>
        </>
      ) : null}
      {(tapped?.answer === 'ours' || tapped?.answer === 'flawed') && paper.kind === 'operating-limitations'
        ? text('revision', 'Revision of the manual aboard')
        : null}
      {(tapped?.answer === 'ours' || tapped?.answer === 'flawed')
      && paper.kind === 'operating-limitations'
      && last.form === null ? (
        <TextField
          select
          label="What it is"
          value={tapped.form}
          onChange={(event) => {
            onTap({
              form: event.target.value === 'flight-manual' ? 'flight-manual' : 'placards-and-markings',
            });
          }}
        >
          <MenuItem value="flight-manual">a flight manual</MenuItem>
          <MenuItem value="placards-and-markings">placards and markings alone</MenuItem>
        </TextField>
      ) : null}
      {tapped?.answer === 'ours' && paper.kind === 'weight-and-balance' ? day('datedOn', 'Dated') : null}
      {!aboard ? null : paper.keptWhere === null ? (
        <>
          {text('keptWhere', 'Where in the aircraft it is kept')}
          {text('number', 'Its number, where it has one')}
        </>
      ) : (
        <More summary="Kept elsewhere, or another number">
          <Stack spacing={1}>
            {text('keptWhere', 'Where in the aircraft it is kept')}
            {text('number', 'Its number, where it has one')}
          </Stack>
        </More>
      )}
    </Stack>
  );
}
