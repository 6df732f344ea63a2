'use client';

import Box from '@mui/material/Box';
import type { DispatchLine } from '@/queries/flights/dispatch';
import { useSecondInAddress } from '../data/address';
import { useLive } from '../data/live';
import { useDispatch } from '../data/queries';
import { lazily } from '../kit/lazily';
import { ListLine, PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';

const FlightAtDispatch = lazily(
  () => import('./flight-at-dispatch').then((module) => module.FlightAtDispatch),
  600,
);

const ANSWERS = { yes: 'Can go', 'yes-after': 'After a step', no: 'Cannot go' } as const;
const STATES = { out: 'Out', overdue: 'Overdue', planned: '', back: 'Back' } as const;
const toneOf = ({ state, answer }: DispatchLine): string =>
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
  readonly lines: readonly DispatchLine[];
}) {
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      {lines.length === 0 ? <p className="small">{empty}</p> : null}
      <PlainList>
        {lines.map((line) => (
          <ListLine key={line.flightId} sx={{ p: 0 }}>
            <Box
              component={Link}
              href={`/dispatch/${line.flightId}`}
              className="row"
              sx={{
                display: 'grid',
                gridTemplateColumns: '150px 100px 240px minmax(0, 1fr) 120px',
                gap: 1.5,
                alignItems: 'baseline',
                py: 1.375,
                px: 1.25,
                borderLeft: `5px solid var(--${toneOf(line)})`,
                color: 'inherit',
                textDecoration: 'none',
                bgcolor: 'var(--card)',
              }}
            >
              <span className="mono">{line.when}</span>
              <Box component="span" className="figure" sx={{ fontSize: 17 }}>
                {line.registration}
              </Box>
              <span>
                <b>{line.person}</b>, {line.purpose}
              </span>
              <span>{line.words}</span>
              <Box component="b" sx={{ textAlign: 'right' }}>
                {line.answer === null ? STATES[line.state] : ANSWERS[line.answer]}
              </Box>
            </Box>
          </ListLine>
        ))}
      </PlainList>
    </section>
  );
}

function List() {
  const { data: list, error, refetch } = useDispatch();
  const deadSince = useLive();
  if (list === undefined)
    return (
      <DeskPage>
        <Coming query={{ error, refetch }} />
      </DeskPage>
    );
  const late = list.out.filter(({ state }) => state === 'overdue');
  return (
    <DeskPage at={list} deadSince={deadSince}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', justifyContent: 'space-between' }}>
        <h1>Dispatch</h1>
        <Link href="/handover">Hand over</Link>
      </Box>
      {late.length === 0 ? null : (
        <Box
          component="p"
          role="status"
          sx={{
            borderLeft: '5px solid var(--grounded)',
            background: 'var(--grounded-tint)',
            py: 1.25,
            px: 1.75,
          }}
        >
          <b>{late.length === 1 ? 'One aircraft is' : `${late.length} aircraft are`} not back.</b> Until a
          return is recorded, nobody else can take {late.length === 1 ? 'it' : 'them'}. Ask{' '}
          {late.map(({ person, registration }) => `${person} (${registration})`).join(', ')}; if nobody can be
          reached, start looking.
        </Box>
      )}
      <Lines title="Out" empty="No aircraft is out." lines={list.out} />
      <Lines title="Leaving today" empty="No further flight is planned today." lines={list.planned} />
      {list.back.length === 0 ? null : <Lines title="Back today" empty="" lines={list.back} />}
    </DeskPage>
  );
}

/** The dispatch page: who leaves, who is out, who is back; and one flight from check-out to return. */
export function DispatchScreen() {
  const flight = useSecondInAddress();
  return flight === null ? <List /> : <FlightAtDispatch key={flight} flightId={flight} />;
}
