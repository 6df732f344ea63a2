'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import type { Theme } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Line } from '@/queries/aircraft/line';
import { clock, day as dayText, useServerClock } from '../data/clock';
import { useLive, useRenewalAt } from '../data/live';
import { useLine } from '../data/queries';
import { DeskHeader } from '../shell/desk-header';
import { WaitingBelow } from '../shell/desk-page';
import { NotLive } from '../shell/not-live';
import { LineCards } from './line-cards';
import { LineTable } from './line-table';
import { NeedsBar } from './needs-bar';
import { Selected } from './selected';

/** Moments at which what the Line says may become another: limits, the end of the day, flights that begin. */
const renewals = (line: Line | undefined): readonly (number | null)[] =>
  line === undefined
    ? []
    : [
        ...line.rows.map(({ holdsUntil }) => holdsUntil),
        line.today.to,
        ...line.rows.flatMap((row) =>
          row.flights.filter(({ answer }) => answer !== 'past').map(({ starts }) => starts),
        ),
      ];

/** Date, time, sunset and night at the field. */
function FieldNow({ line, now }: { readonly line: Line; readonly now: number }) {
  const { zone, today } = line;
  const at = (moment: number | null) => (moment === null ? '–' : clock(moment, zone));
  return (
    <>
      <Box component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
        {line.field}
      </Box>
      <span className="mono">
        {dayText(now, zone)}&nbsp; {clock(now, zone)}
      </span>
      <Box component="span" sx={{ color: 'var(--bar-soft)', display: { xs: 'none', sm: 'inline' } }}>
        sunset <span className="mono">{at(today.sunset)}</span> · night from{' '}
        <span className="mono">{at(today.nightfall)}</span>
      </Box>
    </>
  );
}

/** The Line: every aircraft, its verdict, what limits it next, today's flights laid over it. */
export function LineScreen() {
  const router = useRouter();
  const query = useLine();
  const { data: line } = query;
  const deadSince = useLive();
  const narrow = useMediaQuery((theme: Theme) => theme.breakpoints.down('md'), { noSsr: true });
  const now = useServerClock(line?.now, line?.pinned ?? true);
  const [chosen, setChosen] = useState<string | null>(null);
  useRenewalAt([...renewals(line)], line?.now, line?.pinned ?? true);
  // One bar before and after the answer comes: what is open in it stays open.
  const frame = (
    <>
      <DeskHeader>{line === undefined ? null : <FieldNow line={line} now={now ?? line.now} />}</DeskHeader>
      {line === undefined ? null : <NotLive since={deadSince} zone={line.zone} />}
    </>
  );
  if (line === undefined)
    return (
      <>
        {frame}
        <WaitingBelow query={query} what="the Line" />
      </>
    );

  const { rows, zone } = line;
  const selected =
    rows.find(({ registration }) => registration === chosen)
    ?? rows.find(({ verdict }) => verdict !== 'Released')
    ?? rows[0];
  if (rows.length === 0)
    return (
      <>
        {frame}
        <Box component="main" sx={{ p: 3 }}>
          <h1>There is no aircraft yet.</h1>
          <p>Nothing is decided until an aircraft with its documents and inspections is on record.</p>
        </Box>
      </>
    );
  if (narrow)
    return (
      <>
        {frame}
        <NeedsBar
          line={line}
          onSelect={(registration) => {
            router.push(`/aircraft/${registration}`);
          }}
        />
        <LineCards line={line} />
      </>
    );
  return (
    <Stack sx={{ height: '100vh' }}>
      {frame}
      <NeedsBar line={line} onSelect={setChosen} />
      <Box
        component="main"
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr) 330px', xl: 'minmax(0, 1fr) 420px' },
          gridTemplateRows: 'minmax(0, 1fr)',
          gap: 1.75,
          p: '10px 20px 14px',
          flex: 1,
          minHeight: 0,
        }}
      >
        <LineTable line={line} now={now ?? line.now} selected={selected} onSelect={setChosen} />
        {selected === undefined ? null : <Selected row={selected} zone={zone} />}
      </Box>
    </Stack>
  );
}
