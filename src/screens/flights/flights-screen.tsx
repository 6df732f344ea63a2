'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Skeleton from '@mui/material/Skeleton';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { lazy, Suspense, useState } from 'react';
import { may } from '@/contracts/kernel/permissions';
import { dateText } from '@/explain/wording';
import { PURPOSE_NAMES } from '@/explain/names';
import type { PlanLine } from '@/queries/flights/plan';
import { setHash, useHash } from '../data/address';
import { clock, day as dayName } from '../data/clock';
import { useLive } from '../data/live';
import { useDayPlan, useMe } from '../data/queries';
import { lazily } from '../kit/lazily';
import { DeskHeader } from '../shell/desk-header';
import { WaitingBelow } from '../shell/desk-page';
import { NotLive } from '../shell/not-live';
import { ANSWER_NAMES, toneOf } from './plan-words';
import { ChosenFlight } from './planned-flight';

const FlightForm = lazy(() => import('./flight-form'));
const FlightsFile = lazily(() => import('./flights-file').then((module) => module.FlightsFile), 0);
const CancelFlight = lazily(() => import('./cancel-flight').then((module) => module.CancelFlight), 0);

/** A day and a flight of it behind the # of the address. */
const addressOf = (day: string | null, flightId: string | null): string =>
  new URLSearchParams({
    ...(day === null ? {} : { day }),
    ...(flightId === null ? {} : { flight: flightId }),
  }).toString();

type Doing =
  | { readonly kind: 'entering'; readonly number: number }
  | { readonly kind: 'moving'; readonly flight: PlanLine }
  | { readonly kind: 'cancelling'; readonly flight: PlanLine }
  | { readonly kind: 'bringing-in' }
  | null;

/** On a phone aircraft and person stand under the time. */
const ONLY_NARROW = { display: { md: 'none' } };
const ONLY_WIDE = { display: { xs: 'none', md: 'table-cell' } };

/** Who flies, and what for. */
function Who({ flight }: { readonly flight: PlanLine }) {
  const { purpose } = flight.flight;
  return (
    <>
      <b>{flight.person}</b>
      {purpose === null ? '' : `, ${PURPOSE_NAMES[purpose]}`}
    </>
  );
}

/** The plan of a day: enter, move and cancel flights by keyboard; each is decided as it stands now. */
export function FlightsScreen() {
  const address = new URLSearchParams(useHash());
  const [day, chosen, to, on, at, until, air] = ['day', 'flight', 'to', 'on', 'at', 'until', 'air'].map(
    (name) => address.get(name),
  );
  const [doing, setDoing] = useState<Doing>(null);
  const { data: plan, error, refetch } = useDayPlan(day ?? null);
  const { data: me } = useMe();
  const deadSince = useLive();
  if (plan === undefined)
    return (
      <>
        <DeskHeader />
        <WaitingBelow query={{ error, refetch }} />
      </>
    );
  const selected =
    plan.flights.find(({ flightId }) => flightId === chosen)
    ?? plan.flights.find(({ answer }) => answer !== 'past' && answer !== 'left')
    ?? plan.flights[0];
  const open = (flight: PlanLine | undefined) => flight !== undefined && flight.answer !== 'left';
  const forOthers = may(me?.roles ?? [], 'plan-flight-of-others');
  const mayChange = (flight: PlanLine) =>
    forOthers || (me !== undefined && flight.owners.includes(me.personId));
  const setChosen = (flightId: string | null) => {
    setHash(addressOf(day ?? null, flightId), 'the same');
  };
  const shift = (to: string) => {
    setHash(addressOf(to, null), 'new');
  };
  // From the dispatch page or from what would let it go: the flight is to go to another aircraft, or at another time.
  const moves =
    selected !== undefined && selected.flightId === chosen && open(selected) && mayChange(selected);
  const time =
    on != null && at != null && until != null && air != null
      ? { date: on, starts: at, ends: until, airborne: air }
      : null;
  const sent = moves && (to != null || time !== null) ? { to: to ?? null, time } : null;
  const done = () => {
    setDoing(null);
    if (sent !== null) setChosen(selected?.flightId ?? null);
  };
  const form =
    doing?.kind === 'entering' || doing?.kind === 'moving'
      ? doing
      : sent !== null && selected !== undefined && doing === null
        ? ({ kind: 'moving', flight: selected } as const)
        : null;
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
        shift(plan.dayBefore);
      },
      ArrowRight: () => {
        shift(plan.dayAfter);
      },
      n: () => {
        setDoing({ kind: 'entering', number: performance.now() });
      },
      m: () => {
        if (selected !== undefined && open(selected) && mayChange(selected))
          setDoing({ kind: 'moving', flight: selected });
      },
      x: () => {
        if (selected !== undefined && open(selected) && mayChange(selected))
          setDoing({ kind: 'cancelling', flight: selected });
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
        <Box component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
          {plan.field}
        </Box>
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
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 400px' },
          gap: 3.5,
          maxWidth: 1720,
          my: 0,
          mx: 'auto',
        }}
      >
        <div>
          <Stack direction="row" sx={{ alignItems: 'center', gap: 1.25, flexWrap: 'wrap', mb: 1.25 }}>
            <Box component="h1" sx={{ m: 0, flex: { xs: '1 0 100%', md: 1 } }}>
              {dateText(plan.date)}
              {plan.date === plan.today ? ', today' : ''}
            </Box>
            <Button
              onClick={() => {
                shift(plan.dayBefore);
              }}
            >
              Day before
            </Button>
            <Button
              onClick={() => {
                setHash('', 'new');
              }}
              disabled={plan.date === plan.today}
            >
              Today
            </Button>
            <Button
              onClick={() => {
                shift(plan.dayAfter);
              }}
            >
              Day after
            </Button>
            <Button
              variant="contained"
              onClick={() => {
                setDoing({ kind: 'entering', number: performance.now() });
              }}
            >
              Enter a flight
            </Button>
            {forOthers ? (
              <Button
                onClick={() => {
                  setDoing({ kind: 'bringing-in' });
                }}
              >
                Import flights
              </Button>
            ) : null}
          </Stack>
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
                  {['When', 'Aircraft', 'Who', 'Answer'].map((name) => (
                    <TableCell
                      key={name}
                      sx={{ fontWeight: 400, ...(name === 'Aircraft' || name === 'Who' ? ONLY_WIDE : {}) }}
                    >
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
                    <TableCell sx={{ borderLeft: `5px solid var(--${toneOf(flight.answer)})` }}>
                      <Box component="span" className="mono" sx={{ whiteSpace: 'nowrap' }}>
                        {flight.starts}–{flight.ends}
                      </Box>
                      <Box sx={ONLY_NARROW}>
                        <span className="figure">{flight.registration}</span> <Who flight={flight} />
                      </Box>
                    </TableCell>
                    <TableCell className="figure" sx={{ fontSize: 17, ...ONLY_WIDE }}>
                      {flight.registration}
                    </TableCell>
                    <TableCell sx={ONLY_WIDE}>
                      <Who flight={flight} />
                    </TableCell>
                    <TableCell>
                      <b>{ANSWER_NAMES[flight.answer]}</b>
                      {flight.words === '' ? null : <div className="small">{flight.words}</div>}
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
        <Box
          component="aside"
          sx={{
            borderLeft: { md: '1px solid var(--rule)' },
            pl: { md: 3 },
            order: { xs: -1, md: 0 },
            position: { md: 'sticky' },
            top: 16,
            alignSelf: 'start',
          }}
        >
          {form !== null ? (
            <Suspense fallback={<Skeleton variant="rounded" height={480} />}>
              <FlightForm
                onlyFor={forOthers ? null : (me?.name ?? null)}
                key={
                  form.kind === 'entering'
                    ? form.number
                    : `${form.flight.flightId} ${to ?? ''} ${at ?? ''} ${until ?? ''}`
                }
                plan={plan}
                moving={form.kind === 'moving' ? form.flight : null}
                sent={sent}
                onDone={done}
              />
            </Suspense>
          ) : selected === undefined ? null : (
            <ChosenFlight
              flight={selected}
              mayChange={open(selected) && mayChange(selected)}
              mayCheckOut={may(me?.roles ?? [], 'check-out')}
              onMove={() => {
                setDoing({ kind: 'moving', flight: selected });
              }}
              onCancel={() => {
                setDoing({ kind: 'cancelling', flight: selected });
              }}
            />
          )}
          {doing?.kind !== 'bringing-in' ? null : (
            <FlightsFile
              plan={plan}
              onClose={() => {
                setDoing(null);
              }}
            />
          )}
          {doing?.kind !== 'cancelling' ? null : (
            <CancelFlight
              flight={doing.flight}
              onClose={() => {
                setDoing(null);
              }}
            />
          )}
        </Box>
      </Box>
    </>
  );
}
