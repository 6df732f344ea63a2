'use client';

import Link from 'next/link';
import type { CounterLine } from '@/queries/flights/counter';
import { useSecondInAddress } from '../data/address';
import { clock, day } from '../data/clock';
import { useLive } from '../data/live';
import { useCounter } from '../data/queries';
import { DeskHeader } from '../shell/desk-header';
import { NotLive } from '../shell/not-live';
import { Trouble } from '../shell/trouble';
import { FlightAtCounter } from './flight-at-counter';

const ANSWERS = { yes: 'Can go', 'yes-after': 'After a step', no: 'Cannot go' } as const;
const STATES = { out: 'Out', overdue: 'Overdue', planned: '', back: 'Back' } as const;
const toneOf = ({ state, answer }: CounterLine): string =>
  state === 'overdue' || answer === 'no'
    ? 'grounded'
    : answer === 'yes-after'
      ? 'restricted'
      : state === 'out'
        ? 'sea'
        : 'rule';

function Lines({
  title,
  empty,
  lines,
}: {
  readonly title: string;
  readonly empty: string;
  readonly lines: readonly CounterLine[];
}) {
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      {lines.length === 0 ? <p className="small">{empty}</p> : null}
      <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {lines.map((line) => (
          <li key={line.flightId} style={{ borderTop: '1px solid var(--rule)' }}>
            <Link
              href={`/counter/${line.flightId}`}
              className="row"
              style={{
                display: 'grid',
                gridTemplateColumns: '150px 100px 240px minmax(0, 1fr) 120px',
                gap: 12,
                alignItems: 'baseline',
                padding: '11px 10px',
                borderLeft: `5px solid var(--${toneOf(line)})`,
                color: 'inherit',
                textDecoration: 'none',
                background: 'var(--card)',
              }}
            >
              <span className="mono">{line.when}</span>
              <span className="figure" style={{ fontSize: 17 }}>
                {line.registration}
              </span>
              <span>
                <b>{line.person}</b>, {line.purpose}
              </span>
              <span>{line.words}</span>
              <b style={{ textAlign: 'right' }}>
                {line.answer === null ? STATES[line.state] : ANSWERS[line.answer]}
              </b>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

function List() {
  const { data: list, error, refetch } = useCounter();
  const deadSince = useLive();
  if (list === undefined)
    return (
      <>
        <DeskHeader />
        <main>
          {error === null ? (
            <p style={{ padding: 24 }}>Loading …</p>
          ) : (
            <Trouble
              error={error}
              retry={() => {
                void refetch();
              }}
            />
          )}
        </main>
      </>
    );
  const late = list.out.filter(({ state }) => state === 'overdue');
  return (
    <>
      <DeskHeader>
        <span>{list.field}</span>
        <span className="mono">
          {day(list.now, list.zone)}&nbsp; {clock(list.now, list.zone)}
        </span>
      </DeskHeader>
      <NotLive since={deadSince} zone={list.zone} />
      <main style={{ padding: '16px 20px 40px', maxWidth: 1240, margin: '0 auto' }}>
        <h1>Counter</h1>
        {late.length === 0 ? null : (
          <p
            role="status"
            style={{
              borderLeft: '5px solid var(--grounded)',
              background: 'var(--grounded-tint)',
              padding: '10px 14px',
            }}
          >
            <b>{late.length === 1 ? 'One aircraft is' : `${late.length} aircraft are`} not back.</b> Until a
            return is recorded, nobody else can take {late.length === 1 ? 'it' : 'them'}. Ask{' '}
            {late.map(({ person, registration }) => `${person} (${registration})`).join(', ')}; if nobody can
            be reached, start looking.
          </p>
        )}
        <Lines title="Out" empty="No aircraft is out." lines={list.out} />
        <Lines title="Leaving today" empty="No further flight is planned today." lines={list.planned} />
        {list.back.length === 0 ? null : <Lines title="Back today" empty="" lines={list.back} />}
      </main>
    </>
  );
}

/** The Counter: who leaves, who is out, who is back; and one flight from the handing out to the return. */
export function CounterScreen() {
  const flight = useSecondInAddress();
  return flight === null ? <List /> : <FlightAtCounter flightId={flight} />;
}
