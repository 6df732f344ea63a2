'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Line, LineFlight, LineRow } from '@/queries/aircraft/line';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import { clock, day as dayText, useServerClock } from '../data/clock';
import { Refusal } from '../data/fetching';
import { useLive, useRenewalAt } from '../data/live';
import { useLine } from '../data/queries';
import { WaitingBelow } from '../shell/desk-page';
import { against } from './needs';
import { pagesOf, renewalsOf } from './line-pages';

/** So many aircraft stand on one page: what is read across a room. */
const A_PAGE = 20;
/** How long a page stands before the next one comes, in milliseconds. */
const TURN_MS = 15_000;

const ANSWERS: Readonly<Record<LineFlight['answer'], string>> = {
  past: '',
  yes: '',
  'yes-after': 'after a step',
  no: 'cannot go',
};

/** The flight that comes next, with what is said of it. */
function Next({ row, zone }: { readonly row: LineRow; readonly zone: string }) {
  if (row.out !== null) return <b>{row.out}</b>;
  const flight = row.flights.find(({ answer }) => answer !== 'past');
  if (flight === undefined) return <Box sx={{ color: 'var(--soft)' }}>no more flights today</Box>;
  const word = ANSWERS[flight.answer];
  return (
    <Box sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
      <span className="mono">{clock(flight.starts, zone)}</span> {flight.name}
      {word === '' ? null : (
        <Box
          component="b"
          sx={{
            ml: 1,
            borderLeft: `6px solid var(--${flight.answer === 'no' ? 'grounded' : 'restricted'})`,
            pl: 1,
          }}
        >
          {word}
        </Box>
      )}
    </Box>
  );
}

function Aircraft({ row, zone }: { readonly row: LineRow; readonly zone: string }) {
  const [reason] = against(row);
  const [limit] = row.next;
  return (
    <Box
      component="li"
      sx={{
        bgcolor: 'var(--card)',
        border: '1px solid var(--rule)',
        px: 2,
        py: 1.25,
        minWidth: 0,
        display: 'flex',
        flexDirection: 'column',
        justifyContent: 'space-between',
        fontSize: 'clamp(15px, 1.2vw, 26px)',
        lineHeight: 1.25,
      }}
    >
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
        <GateMark verdict={row.verdict} size={56} />
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Box className="figure" sx={{ fontSize: 'clamp(22px, 2.2vw, 50px)', lineHeight: 1.05 }}>
            {row.registration}
          </Box>
          <b>{row.verdict}</b> <Box component="span">{row.typeName}</Box>
        </Box>
        <WindowMark window={row.window} text={row.windowText} scale={1.4} />
      </Stack>
      <Next row={row} zone={zone} />
      <Box
        sx={{ overflow: 'hidden', display: '-webkit-box', WebkitLineClamp: 2, WebkitBoxOrient: 'vertical' }}
      >
        {reason !== undefined ? (
          <b>{reason}</b>
        ) : limit === undefined ? (
          'nothing ahead'
        ) : (
          <>
            <span className="mono">{limit.figure}</span> {limit.of}
          </>
        )}
      </Box>
    </Box>
  );
}

/** What stands over everything else where the wall may be old. */
function Old({ children }: { readonly children: string }) {
  return (
    <Box
      role="alert"
      sx={{
        bgcolor: 'var(--grounded-tint)',
        borderBottom: '6px solid var(--grounded)',
        p: 1.5,
        fontSize: 26,
      }}
    >
      <b>{children}</b>
    </Box>
  );
}

/** The page that stands now; several take turns. */
function usePage(count: number): number {
  const [page, setPage] = useState(0);
  useEffect(() => {
    if (count < 2) return undefined;
    const timer = setInterval(() => {
      setPage((now) => now + 1);
    }, TURN_MS);
    return () => {
      clearInterval(timer);
    };
  }, [count]);
  return count === 0 ? 0 : page % count;
}

function Fleet({ line }: { readonly line: Line }) {
  const pages = pagesOf(line.rows, A_PAGE);
  const page = usePage(pages.length);
  const rows = pages[page] ?? [];
  return (
    <>
      <Box
        component="ul"
        aria-label="Aircraft"
        sx={{
          listStyle: 'none',
          m: 0,
          p: 1.5,
          flex: 1,
          minHeight: 0,
          display: 'grid',
          gap: 1.25,
          // As many columns as rows: every aircraft gets as much of the screen as there is.
          gridTemplateColumns: {
            xs: '1fr',
            md: `repeat(${Math.ceil(Math.sqrt(rows.length))}, minmax(0, 1fr))`,
          },
          gridAutoRows: { md: 'minmax(0, 1fr)' },
          overflowY: { xs: 'auto', md: 'visible' },
        }}
      >
        {rows.map((row) => (
          <Aircraft key={row.aircraftId} row={row} zone={line.zone} />
        ))}
      </Box>
      {pages.length < 2 ? null : (
        <Box sx={{ px: 2, pb: 1, fontSize: 18 }}>
          Page {page + 1} of {pages.length}: {rows[0]?.registration} to {rows.at(-1)?.registration} of{' '}
          {line.rows.length} aircraft
        </Box>
      )}
    </>
  );
}

/**
 * The Line for a big screen in the room: nothing to press, read from afar. It follows by itself, comes back by itself after a lost
 * connection, and says meanwhile since when it may be old. Escape leaves it.
 */
export function WallScreen() {
  const router = useRouter();
  const query = useLine();
  const { data: line, error } = query;
  const deadSince = useLive();
  const now = useServerClock(line?.now, line?.pinned ?? true);
  useRenewalAt(renewalsOf(line), line?.now, line?.pinned ?? true);
  useHotkeys('escape', () => {
    router.push('/line');
  });
  if (line === undefined) return <WaitingBelow query={query} what="the Line" />;
  const at = now ?? line.now;
  const isSignedOut = error instanceof Refusal && error.status === 401;
  return (
    <Stack component="main" sx={{ height: '100vh', overflow: 'hidden' }}>
      {isSignedOut ? (
        <Old>{`Signed out. What you see was true at ${clock(line.now, line.zone)}. Sign in on this computer again.`}</Old>
      ) : deadSince === null ? null : (
        <Old>{`No connection since ${clock(deadSince, line.zone)} on this computer’s clock. What you see may be out of date. It comes back by itself.`}</Old>
      )}
      <Stack
        direction="row"
        spacing={3}
        sx={{ bgcolor: 'var(--bar)', color: 'var(--bar-ink)', px: 2.5, py: 1, alignItems: 'baseline' }}
      >
        <Box component="h1" sx={{ m: 0, fontSize: 'clamp(22px, 1.8vw, 40px)' }}>
          {line.field}
        </Box>
        <Box className="mono" sx={{ fontSize: 'clamp(22px, 1.8vw, 40px)' }}>
          {dayText(at, line.zone)} {clock(at, line.zone)}
        </Box>
        <Box sx={{ flex: 1, textAlign: 'right', fontSize: 'clamp(16px, 1.2vw, 28px)' }}>
          {line.today.sunset === null ? null : (
            <>
              sunset <span className="mono">{clock(line.today.sunset, line.zone)}</span>
            </>
          )}
          {line.today.nightfall === null ? null : (
            <>
              {' '}
              · night from <span className="mono">{clock(line.today.nightfall, line.zone)}</span>
            </>
          )}
        </Box>
      </Stack>
      <Fleet line={line} />
    </Stack>
  );
}
