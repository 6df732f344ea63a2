'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { may } from '@/contracts/kernel/permissions';
import { addDays } from '@/core/time/civil-date';
import { dateText } from '@/explain/formats';
import { PURPOSE_NAMES } from '@/explain/names';
import type { PlanLine } from '@/queries/flights/plan';
import { clock, day as dayName } from '../data/clock';
import { send } from '../data/fetching';
import { useLive } from '../data/live';
import { useDayPlan, useMe } from '../data/queries';
import Link from '../kit/link';
import { DeskHeader } from '../shell/desk-header';
import { DeskWaiting } from '../shell/desk-page';
import { NotLive } from '../shell/not-live';
import { FlightForm } from './flight-form';

const ANSWERS: Readonly<Record<PlanLine['answer'], string>> = {
  yes: 'Can go',
  'yes-after': 'After a step',
  no: 'Cannot go',
  past: 'Not checked out',
  left: 'Handed out',
};
const toneOf = (answer: PlanLine['answer']) =>
  answer === 'no' ? 'grounded' : answer === 'yes-after' ? 'restricted' : 'rule';

type Doing =
  | { readonly kind: 'entering'; readonly number: number }
  | { readonly kind: 'moving'; readonly flight: PlanLine }
  | null;

/** The plan of a day: enter, move and cancel flights by keyboard; each is decided as it stands now. */
export function PlanScreen() {
  const client = useQueryClient();
  const [day, setDay] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [doing, setDoing] = useState<Doing>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { data: plan, error, refetch } = useDayPlan(day);
  const { data: me } = useMe();
  const deadSince = useLive();
  if (plan === undefined) return <DeskWaiting query={{ error, refetch }} />;
  const selected =
    plan.flights.find(({ flightId }) => flightId === chosen)
    ?? plan.flights.find(({ answer }) => answer !== 'past' && answer !== 'left')
    ?? plan.flights[0];
  const open = (flight: PlanLine | undefined) => flight !== undefined && flight.answer !== 'left';
  const forOthers = may(me?.roles ?? [], 'plan-flight-of-others');
  const mayChange = (flight: PlanLine) =>
    forOthers || (me !== undefined && flight.owners.includes(me.personId));
  const shift = (by: number) => {
    setDay(addDays(plan.date, by));
    setChosen(null);
  };
  const cancel = async (flight: PlanLine) => {
    setTrouble(null);
    try {
      await send('/api/plan/cancel', { flightId: flight.flightId, aircraftId: flight.aircraftId, why: null });
    } catch (problem) {
      setTrouble(problem instanceof Error ? problem.message : 'It was not cancelled. Try again.');
    }
    await client.invalidateQueries();
  };
  const keys = (event: React.KeyboardEvent) => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey || event.altKey) return;
    const at = plan.flights.findIndex((flight) => flight === selected);
    const act: Readonly<Record<string, () => void>> = {
      ArrowDown: () => {
        setChosen(plan.flights[Math.min(plan.flights.length - 1, at + 1)]?.flightId ?? null);
      },
      ArrowUp: () => {
        setChosen(plan.flights[Math.max(0, at - 1)]?.flightId ?? null);
      },
      ArrowLeft: () => {
        shift(-1);
      },
      ArrowRight: () => {
        shift(1);
      },
      n: () => {
        setDoing({ kind: 'entering', number: Date.now() });
      },
      m: () => {
        if (selected !== undefined && open(selected) && mayChange(selected))
          setDoing({ kind: 'moving', flight: selected });
      },
      x: () => {
        if (selected !== undefined && open(selected)) void cancel(selected);
      },
    };
    const found = act[event.key];
    if (found === undefined) return;
    event.preventDefault();
    found();
  };
  return (
    <>
      <DeskHeader>
        <span>{plan.field}</span>
        <span className="mono">
          {dayName(plan.now, plan.zone)}&nbsp; {clock(plan.now, plan.zone)}
        </span>
      </DeskHeader>
      <NotLive since={deadSince} zone={plan.zone} />
      <Box
        component="main"
        sx={{
          p: '16px 20px 40px',
          display: 'grid',
          gridTemplateColumns: 'minmax(0, 1fr) 400px',
          gap: 3.5,
          maxWidth: 1320,
          my: 0,
          mx: 'auto',
        }}
      >
        <div>
          <Stack direction="row" spacing={1.25} sx={{ alignItems: 'center', mb: 1.25 }}>
            <Box component="h1" sx={{ m: 0, flex: 1 }}>
              {dateText(plan.date)}
              {plan.date === plan.today ? ', today' : ''}
            </Box>
            <Button
              onClick={() => {
                shift(-1);
              }}
            >
              Day before
            </Button>
            <Button
              onClick={() => {
                setDay(null);
              }}
              disabled={plan.date === plan.today}
            >
              Today
            </Button>
            <Button
              onClick={() => {
                shift(1);
              }}
            >
              Day after
            </Button>
            <Button
              variant="contained"
              onClick={() => {
                setDoing({ kind: 'entering', number: Date.now() });
              }}
            >
              Enter a flight
            </Button>
          </Stack>
          {trouble === null ? null : (
            <Alert severity="error" role="alert">
              {trouble}
            </Alert>
          )}
          <Box
            tabIndex={0}
            role="region"
            aria-label="Flights; arrow keys choose, n enters, m moves, x cancels, left and right change the day"
            onKeyDown={keys}
            sx={{ border: '1px solid var(--rule)', bgcolor: 'var(--card)' }}
          >
            {plan.flights.length === 0 ? (
              <Box component="p" sx={{ p: 2 }}>
                No flight is planned for this day. Press n, or “Enter a flight”.
              </Box>
            ) : null}
            <Table>
              <TableHead className="small">
                <TableRow>
                  {['When', 'Aircraft', 'Who', 'Answer', 'Do'].map((name) => (
                    <TableCell key={name} sx={{ fontWeight: 400 }}>
                      {name}
                    </TableCell>
                  ))}
                </TableRow>
              </TableHead>
              <TableBody>
                {plan.flights.map((flight) => (
                  <TableRow
                    key={flight.flightId}
                    aria-selected={flight === selected}
                    onClick={() => {
                      setChosen(flight.flightId);
                    }}
                    sx={{
                      background: flight === selected ? 'var(--sea-tint)' : 'transparent',
                      cursor: 'pointer',
                    }}
                  >
                    <TableCell
                      className="mono"
                      sx={{ borderLeft: `5px solid var(--${toneOf(flight.answer)})`, whiteSpace: 'nowrap' }}
                    >
                      {flight.starts}–{flight.ends}
                    </TableCell>
                    <TableCell className="figure" sx={{ fontSize: 17 }}>
                      {flight.registration}
                    </TableCell>
                    <TableCell>
                      <b>{flight.person}</b>
                      {flight.flight.purpose === null ? '' : `, ${PURPOSE_NAMES[flight.flight.purpose]}`}
                    </TableCell>
                    <TableCell>
                      <b>{ANSWERS[flight.answer]}</b>
                      {flight.words === '' ? null : <div className="small">{flight.words}</div>}
                    </TableCell>
                    <TableCell sx={{ textAlign: 'right', whiteSpace: 'nowrap' }}>
                      {open(flight) ? (
                        <>
                          <Button size="small" component={Link} href={`/counter/${flight.flightId}`}>
                            Counter
                          </Button>
                          {mayChange(flight) ? (
                            <>
                              <Button
                                size="small"
                                onClick={() => {
                                  setDoing({ kind: 'moving', flight });
                                }}
                              >
                                Move
                              </Button>
                              <Button
                                size="small"
                                onClick={() => {
                                  void cancel(flight);
                                }}
                              >
                                Cancel
                              </Button>
                            </>
                          ) : null}
                        </>
                      ) : (
                        <Button size="small" component={Link} href={`/counter/${flight.flightId}`}>
                          Counter
                        </Button>
                      )}
                    </TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
          </Box>
          <p className="small">
            Every flight is decided as the records stand now, and again whenever they change. Keys: arrows
            choose a flight and a day, n enters, m moves, x cancels.
          </p>
        </div>
        <Box component="aside" sx={{ borderLeft: '1px solid var(--rule)', pl: 3 }}>
          {doing === null ? (
            <p className="small">Choose a flight to move or cancel it, or enter a new one.</p>
          ) : (
            <FlightForm
              onlyFor={forOthers ? null : (me?.name ?? null)}
              key={doing.kind === 'entering' ? doing.number : doing.flight.flightId}
              plan={plan}
              moving={doing.kind === 'moving' ? doing.flight : null}
              onDone={() => {
                setDoing(null);
              }}
            />
          )}
        </Box>
      </Box>
    </>
  );
}
