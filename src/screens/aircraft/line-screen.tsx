'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import type { Line } from '@/queries/aircraft/line';
import { clock, day as dayText, useServerClock } from '../data/clock';
import { useLive, useRenewalAt } from '../data/live';
import { useLine } from '../data/queries';
import { Hidden } from '../kit/layout';
import { DeskHeader } from '../shell/desk-header';
import { DeskWaiting } from '../shell/desk-page';
import { NotLive } from '../shell/not-live';
import { drawnDay, LineRowView } from './line-row';
import { needsNow } from './needs';
import { Selected } from './selected';

const HOUR = 3_600_000;

function Needs({
  line,
  onSelect,
}: {
  readonly line: Line;
  readonly onSelect: (registration: string) => void;
}) {
  const needs = needsNow(line);
  if (needs.length === 0) return null;
  return (
    <Stack direction="row" spacing={1.5} sx={{ p: '10px 20px 0' }}>
      {needs.map((need) => (
        <Box
          component="button"
          key={need.id}
          type="button"
          onClick={() => {
            onSelect(need.registration);
          }}
          sx={{
            flex: 1,
            textAlign: 'left',
            font: 'inherit',
            fontSize: 14,
            color: 'inherit',
            bgcolor: 'var(--card)',
            border: '1px solid var(--rule)',
            borderLeft: `5px solid var(--${need.tone})`,
            py: 1,
            px: 1.5,
            cursor: 'pointer',
          }}
        >
          <Box component="b" sx={{ display: 'block' }}>
            {need.headline}
          </Box>
          {need.why}
          {need.way === '' ? null : (
            <Box component="span" sx={{ display: 'block', color: 'var(--soft)' }}>
              → {need.way}
            </Box>
          )}
        </Box>
      ))}
    </Stack>
  );
}

function Axis({ from, to, zone }: { readonly from: number; readonly to: number; readonly zone: string }) {
  const first = Math.ceil(from / HOUR) * HOUR;
  const hours = Array.from(
    { length: Math.max(0, Math.ceil((to - first) / HOUR)) },
    (_, at) => first + at * HOUR,
  ).filter(
    (time) =>
      Number(clock(time, zone).slice(0, 2)) % 3 === 0 && time - from > HOUR / 2 && to - time > HOUR / 2,
  );
  return (
    <svg width="100%" height={16} aria-hidden="true" style={{ display: 'block' }}>
      {hours.map((time) => (
        <text
          key={time}
          x={`${((time - from) / (to - from)) * 100}%`}
          y={12}
          fontSize={12}
          fill="var(--soft)"
          textAnchor="middle"
        >
          {clock(time, zone).slice(0, 2)}
        </text>
      ))}
    </svg>
  );
}

/** The height that an element was given, as it changes. */
function useHeight(): readonly [(element: HTMLElement | null) => void, number] {
  const [height, setHeight] = useState(0);
  const observed = useCallback((element: HTMLElement | null) => {
    if (element === null) return undefined;
    const observer = new ResizeObserver(() => {
      setHeight(element.clientHeight);
    });
    observer.observe(element);
    return () => {
      observer.disconnect();
    };
  }, []);
  return [observed, height];
}

const COLUMNS = [
  ['Verdict', 112],
  ['Aircraft', 98],
  ['Available for', 104],
  ['Next limit', 146],
] as const;

/** The Line: every aircraft, its verdict, what limits it next, today's flights laid over it. */
export function LineScreen() {
  const router = useRouter();
  const { data: line, error, refetch } = useLine();
  const deadSince = useLive();
  const now = useServerClock(line?.now, line?.pinned ?? true);
  const [chosen, setChosen] = useState<string | null>(null);
  const [table, room] = useHeight();
  useRenewalAt(
    [
      ...(line?.rows.map(({ holdsUntil }) => holdsUntil) ?? []),
      ...(line === undefined ? [] : [line.today.to]),
      ...(line?.rows.flatMap((row) =>
        row.flights.filter(({ answer }) => answer !== 'past').map(({ starts }) => starts),
      ) ?? []),
    ],
    line?.now,
    line?.pinned ?? true,
  );
  if (line === undefined) return <DeskWaiting query={{ error, refetch }} what="the Line" />;

  const { rows, today, zone } = line;
  const selected =
    rows.find(({ registration }) => registration === chosen)
    ?? rows.find(({ verdict }) => verdict !== 'Released')
    ?? rows[0];
  const move = (by: number) => {
    const at = rows.findIndex((row) => row === selected);
    setChosen(rows[Math.min(rows.length - 1, Math.max(0, at + by))]?.registration ?? null);
  };
  const keys = (event: React.KeyboardEvent) => {
    if (event.key === 'ArrowDown') {
      event.preventDefault();
      move(1);
    }
    if (event.key === 'ArrowUp') {
      event.preventDefault();
      move(-1);
    }
    if (event.key === 'Enter' && selected !== undefined && event.target === event.currentTarget)
      router.push(`/aircraft/${selected.registration}`);
  };
  const drawn = drawnDay(line);
  // Few aircraft use the height there is; many restrict and scroll.
  const height = Math.round(Math.min(56, Math.max(36, (room - 30) / rows.length)));
  const at = (moment: number | null) => (moment === null ? '–' : clock(moment, zone));
  return (
    <Stack sx={{ height: '100vh' }}>
      <DeskHeader>
        <span>{line.field}</span>
        <span className="mono">
          {dayText(now ?? line.now, zone)}&nbsp; {clock(now ?? line.now, zone)}
        </span>
        <Box component="span" sx={{ color: 'var(--bar-soft)' }}>
          sunset <span className="mono">{at(today.sunset)}</span> · night from{' '}
          <span className="mono">{at(today.nightfall)}</span>
        </Box>
      </DeskHeader>
      <NotLive since={deadSince} zone={zone} />
      <Needs line={line} onSelect={setChosen} />
      {rows.length === 0 ? (
        <Box component="main" sx={{ p: 3 }}>
          <h1>There is no aircraft yet.</h1>
          <p>Nothing is decided until an aircraft with its documents and inspections is on record.</p>
        </Box>
      ) : (
        <Box
          component="main"
          sx={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) 330px',
            gap: 1.75,
            p: '10px 20px 14px',
            flex: 1,
            minHeight: 0,
          }}
        >
          <Box
            ref={table}
            tabIndex={0}
            role="region"
            aria-label="The Line; arrow keys choose an aircraft, Enter opens it"
            onKeyDown={keys}
            sx={{ overflowY: 'auto', border: '1px solid var(--rule)', bgcolor: 'var(--card)' }}
          >
            <Hidden component="h1">The Line</Hidden>
            <Box component="table" sx={{ borderCollapse: 'collapse', width: '100%', tableLayout: 'fixed' }}>
              <thead>
                <Box component="tr" sx={{ textAlign: 'left', fontSize: 13, color: 'var(--soft)' }}>
                  {COLUMNS.map(([name, width]) => (
                    <Box
                      component="th"
                      key={name}
                      sx={{ py: 0.5, px: 1.25, width: width, whiteSpace: 'nowrap' }}
                    >
                      {name}
                    </Box>
                  ))}
                  <Box component="th" sx={{ p: 0 }}>
                    <Hidden>Today’s flights</Hidden>
                    <Axis {...drawn} zone={zone} />
                  </Box>
                  <Box component="th" sx={{ py: 0.5, px: 1.25, width: 168 }}>
                    Reasons
                  </Box>
                </Box>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <LineRowView
                    key={row.aircraftId}
                    row={row}
                    line={line}
                    now={now ?? line.now}
                    day={drawn}
                    selected={row === selected}
                    height={height}
                    onSelect={() => {
                      setChosen(row.registration);
                    }}
                  />
                ))}
              </tbody>
            </Box>
          </Box>
          {selected === undefined ? null : <Selected row={selected} zone={zone} />}
        </Box>
      )}
    </Stack>
  );
}
