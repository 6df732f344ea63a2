'use client';

import Alert from '@mui/material/Alert';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import type { DocumentCheckRoundInput } from '@/contracts/documents/document-check';
import { list as listed } from '@/explain/formats';
import type { DocumentToCheck, DocumentCheckList } from '@/queries/documents/document-check';
import { useSecondInAddress } from '../data/address';
import { send } from '../data/fetching';
import { sendPhoto } from '../data/photos';
import { PhotoField } from '../kit/photo-field';
import { useDocumentCheckList } from '../data/queries';
import { BigButton } from '../findings/big-button';
import { Trouble } from '../shell/trouble';

type Seen = DocumentCheckRoundInput['documentChecks'][number];
/** What was tapped for one document, and what was written about it. */
interface Tapped {
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

function question(paper: DocumentToCheck, { registration, serialNumber }: DocumentCheckList): string {
  if (SHOWS_REGISTRATION.includes(paper.kind)) return `Does it show ${registration}?`;
  if (paper.kind === 'operating-limitations')
    return serialNumber === null
      ? 'Is it this aircraft’s manual?'
      : `Is it for serial number ${serialNumber}?`;
  if (paper.kind === 'cabin-tank-form-337') return 'Is a fuel tank added in the cabin or the baggage space?';
  return 'Is it aboard, and this aircraft’s?';
}

function seenOf(paper: DocumentToCheck, tapped: Tapped, list: DocumentCheckList, id: string): Seen {
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

const NOTHING: Omit<Tapped, 'answer'> = {
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

function Answers({
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
  const text = (
    name: Exclude<keyof Tapped, 'answer' | 'form' | 'temporary'>,
    label: string,
    type: 'text' | 'date' = 'text',
  ) => (
    <TextField
      label={label}
      type={type}
      value={tapped?.[name] ?? ''}
      onChange={(event) => {
        onTap({ [name]: event.target.value });
      }}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <div
        role="radiogroup"
        aria-label={question(paper, list)}
        style={{ display: 'grid', gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', gap: 8 }}
      >
        {buttons.map(([answer, name]) => (
          <button
            key={answer}
            type="button"
            role="radio"
            aria-checked={tapped?.answer === answer}
            onClick={() => {
              tap(answer);
            }}
            style={{
              minHeight: 52,
              font: 'inherit',
              fontWeight: 600,
              color: tapped?.answer === answer ? 'var(--on-sea)' : 'var(--ink)',
              background: tapped?.answer === answer ? 'var(--sea)' : 'var(--card)',
              border: '2px solid var(--sea)',
              borderRadius: 6,
              padding: '6px 10px',
            }}
          >
            {name}
          </button>
        ))}
      </div>
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
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 8 }}>
            {text('issuedOn', tapped.temporary ? 'Day of the application' : 'Issued on', 'date')}
            {tapped.temporary ? null : text('printedExpiry', 'Printed expiry', 'date')}
          </div>
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
      {tapped?.answer === 'ours' && paper.kind === 'weight-and-balance'
        ? text('datedOn', 'Dated', 'date')
        : null}
      {!aboard ? null : paper.keptWhere === null ? (
        <>
          {text('keptWhere', 'Where in the aircraft it is kept')}
          {text('number', 'Its number, where it has one')}
        </>
      ) : (
        <details>
          <summary style={{ padding: '12px 0', cursor: 'pointer' }}>
            Kept elsewhere, or another number
          </summary>
          <div style={{ display: 'grid', gap: 8 }}>
            {text('keptWhere', 'Where in the aircraft it is kept')}
            {text('number', 'Its number, where it has one')}
          </div>
        </details>
      )}
    </div>
  );
}

/** What was seen beyond what is on record: it waits, and a photo lets the person who decides about it see it. */
function WaitingPhotos({
  waiting,
}: {
  readonly waiting: readonly { readonly id: string; readonly name: string }[];
}) {
  const [sent, setSent] = useState<Readonly<Record<string, string>>>({});
  if (waiting.length === 0) return null;
  const take = async (id: string, photo: File | null) => {
    if (photo === null) return;
    try {
      await sendPhoto(id, photo);
      setSent((before) => ({ ...before, [id]: 'The photo is recorded.' }));
    } catch (error) {
      setSent((before) => ({
        ...before,
        [id]: error instanceof Error ? error.message : 'The photo was not sent. Take it again.',
      }));
    }
  };
  return (
    <Alert severity="warning" sx={{ my: 2 }}>
      <b>Does not count yet:</b> {listed(waiting.map(({ name }) => name.toLowerCase()))}. It was missing,
      expired or another aircraft’s before, or you entered a new date or number. A dispatcher or mechanic
      decides; a photo lets them see it from the desk.
      <Stack spacing={1.5} sx={{ mt: 1.5 }}>
        {waiting.map(({ id, name }) => (
          <div key={id}>
            <b>{name}</b>
            <PhotoField
              words={`Photo of the ${name.toLowerCase()}`}
              photo={null}
              onChange={(photo) => {
                void take(id, photo);
              }}
            />
            {sent[id] === undefined ? null : <span role="status">{sent[id]}</span>}
          </div>
        ))}
      </Stack>
    </Alert>
  );
}

function Round({ list }: { readonly list: DocumentCheckList }) {
  const client = useQueryClient();
  const [tapped, setTapped] = useState<Readonly<Partial<Record<DocumentToCheck['kind'], Tapped>>>>({});
  // What was tapped again is another round: one of which the answer got lost stands as it was sent.
  const fresh = () => Object.fromEntries(list.papers.map(({ kind }) => [kind, crypto.randomUUID()]));
  const [ids, setIds] = useState(fresh);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [done, setDone] = useState(false);
  const [sending, setSending] = useState(false);
  const [waiting, setWaiting] = useState<readonly { readonly id: string; readonly name: string }[]>([]);
  const answered = list.papers.filter(({ kind }) => tapped[kind] !== undefined);
  const wrong = answered.filter(
    ({ kind }) => tapped[kind]?.answer !== 'ours' && tapped[kind]?.answer !== 'no-tank',
  );
  const submit = async () => {
    setSending(true);
    setTrouble(null);
    try {
      const { waiting: waitingIds } = await send<{ readonly waiting: readonly string[] }>(
        '/api/document-check',
        {
          aircraftId: list.aircraftId,
          seenAt: new Date().toISOString(),
          documentChecks: answered.flatMap((paper) => {
            const one = tapped[paper.kind];
            return one === undefined ? [] : [seenOf(paper, one, list, ids[paper.kind] ?? '')];
          }),
        },
      );
      await client.invalidateQueries();
      setWaiting(
        list.papers
          .filter(({ kind }) => waitingIds.includes(ids[kind] ?? ''))
          .map(({ kind, name }) => ({ id: ids[kind] ?? '', name })),
      );
      setDone(true);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'It was not recorded. Try again.');
    }
    setSending(false);
  };
  if (done)
    return (
      <main style={{ padding: 20 }}>
        <h1>Recorded.</h1>
        <p role="status">
          {wrong.length === 0
            ? waiting.length === 0
              ? 'Every document that you looked at is there and belongs to this aircraft.'
              : 'Your check is recorded.'
            : `${wrong.map(({ name }) => name).join(', ')}: what is missing closes its uses from now on. The dispatcher sees it.`}
        </p>
        <WaitingPhotos waiting={waiting} />
        <Link href={`/aircraft/${list.registration}`}>Folder of {list.registration}</Link>
      </main>
    );
  return (
    <main style={{ padding: '12px 16px 120px', maxWidth: 640, margin: '0 auto' }}>
      <h1>
        The documents of <span className="figure">{list.registration}</span>
      </h1>
      <p>Take each into your hand. One behind another gets its own answer.</p>
      {list.papers.map((paper) => (
        <section
          key={paper.kind}
          aria-label={paper.name}
          style={{ borderTop: '1px solid var(--rule)', padding: '12px 0' }}
        >
          <h2 style={{ margin: 0 }}>{paper.name}</h2>
          <div className="small" style={{ fontSize: 15 }}>
            {[paper.keptWhere ?? 'place not recorded', paper.lastWords]
              .filter((text) => text !== '')
              .join(' · ')}
          </div>
          <p style={{ margin: '8px 0' }}>{question(paper, list)}</p>
          <Answers
            paper={paper}
            list={list}
            tapped={tapped[paper.kind]}
            onTap={(change) => {
              setIds(fresh());
              setTapped((now) => ({
                ...now,
                [paper.kind]: { answer: 'ours', ...NOTHING, ...now[paper.kind], ...change },
              }));
            }}
          />
        </section>
      ))}
      {trouble === null ? null : (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      <div
        style={{
          position: 'fixed',
          left: 0,
          right: 0,
          bottom: 0,
          background: 'var(--paper)',
          borderTop: '1px solid var(--rule)',
          padding: 12,
        }}
      >
        <div style={{ maxWidth: 640, margin: '0 auto', display: 'flex' }}>
          <BigButton
            strong
            disabled={answered.length === 0 || sending}
            onClick={() => {
              void submit();
            }}
          >
            {answered.length === 0
              ? 'Tap what you see'
              : `Keep ${answered.length} of ${list.papers.length}${wrong.length === 0 ? '' : `, ${wrong.length} not in order`}`}
          </BigButton>
        </div>
      </div>
    </main>
  );
}

/** One pass over the documents of an aircraft, with taps: aboard and this aircraft's, or not. */
export function DocumentCheckScreen() {
  const registration = useSecondInAddress();
  const { data: list, error, refetch } = useDocumentCheckList(registration);
  return (
    <div className="stark" style={{ minHeight: '100vh' }}>
      <header
        style={{ background: 'var(--bar)', color: 'var(--bar-ink)', padding: '12px 16px', fontWeight: 700 }}
      >
        <Link
          href={registration === null ? '/line' : `/aircraft/${registration}`}
          style={{ color: 'inherit', textDecoration: 'none' }}
        >
          ← {registration ?? 'Groval'}
        </Link>
      </header>
      {list === undefined ? (
        error === null ? (
          <p style={{ padding: 16 }}>Loading …</p>
        ) : (
          <Trouble
            error={error}
            retry={() => {
              void refetch();
            }}
          />
        )
      ) : (
        <Round key={list.aircraftId} list={list} />
      )}
    </div>
  );
}
