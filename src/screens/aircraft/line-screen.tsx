'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import type { Theme } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Line } from '@/queries/aircraft/line';
import { clock, day as dayText, useServerClock } from '../data/clock';
import { useLive, useRenewalAt } from '../data/live';
import { useLine } from '../data/queries';
import { useSettled } from '../data/settled';
import { lazily } from '../kit/lazily';
import { DeskHeader } from '../shell/desk-header';
import { Coming } from '../shell/coming';
import { WaitingBelow } from '../shell/desk-page';
import { NotLive } from '../shell/not-live';
import { soon } from './cursor-scale';
import { LineBar } from './line-bar';
import { LineCards } from './line-cards';
import { LineTable } from './line-table';
import { NeedsBar } from './needs-bar';
import { Selected } from './selected';
import { renewalsOf } from './line-pages';
import { rowsOf } from './line-view';
import { useLineMoment } from './use-line-moment';
import { useLineView } from './use-line-view';

const TimeCursor = lazily(() => import('./time-cursor').then((module) => module.TimeCursor), 84);
/** A slider that is drawn asks for where it rests, not for all that it passes. */
const REST_MS = 60;

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
  const { view, choose, at, move } = useLineView();
  const [inSight, setInSight] = useState({ first: 0, last: 0 });
  const seen = useCallback((first: number, last: number) => {
    setInSight({ first, last });
  }, []);
  const places = useMemo(
    () => new Map(line?.rows.map(({ aircraftId }, place) => [aircraftId, place])),
    [line?.rows],
  );
  const rested = useSettled(at, REST_MS);
  const moved = useLineMoment(line, at === null ? null : (rested ?? at), inSight);
  useHotkeys(
    't',
    () => {
      if (line !== undefined) move(soon(now ?? line.now));
    },
    [line, now, move],
  );
  useRenewalAt(renewalsOf(line), line?.now, line?.pinned ?? true);
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

  const whole = moved.shown?.line ?? line;
  const without = moved.shown?.without;
  const isDeciding = at !== null && moved.showsAt !== at;
  const { zone } = whole;
  const moment = at === null ? (now ?? line.now) : whole.now;
  const rows = rowsOf(whole, view, moment, ({ aircraftId }) => without?.has(aircraftId) === true);
  const shown = { ...whole, rows };
  const bar = (
    <LineBar
      line={whole}
      now={moment}
      view={view}
      isEmpty={rows.length === 0}
      onChoose={choose}
      onMove={
        at === null
          ? () => {
              move(soon(now ?? line.now));
            }
          : null
      }
    />
  );
  const selected =
    rows.find(({ registration }) => registration === chosen)
    ?? rows.find(({ verdict }) => verdict !== 'Released')
    ?? rows[0];
  if (line.rows.length === 0)
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
        {at === null ? null : (
          <Box role="status" sx={{ px: 1.5, pt: 1, fontWeight: 700 }}>
            The address asks for another moment. On a narrow screen the Line shows now.
          </Box>
        )}
        {bar}
        <LineCards line={{ ...line, rows: rowsOf(line, view, now ?? line.now) }} />
      </>
    );
  return (
    <Stack sx={{ height: '100vh' }}>
      {frame}
      {at === null ? (
        <NeedsBar line={line} onSelect={setChosen} />
      ) : (
        <TimeCursor
          at={at}
          now={now ?? line.now}
          zone={zone}
          isDeciding={isDeciding}
          onMove={move}
          onNow={() => {
            move(null);
          }}
        />
      )}
      {bar}
      {at === null || moved.error === null ? null : (
        <Box sx={{ p: 2 }}>
          <Coming query={{ error: moved.error, refetch: moved.askAgain }} />
        </Box>
      )}
      <Box
        component="main"
        aria-busy={isDeciding}
        sx={{
          opacity: isDeciding ? 0.5 : 1,
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr) 330px', xl: 'minmax(0, 1fr) 420px' },
          gridTemplateRows: 'minmax(0, 1fr)',
          gap: 1.75,
          p: '8px 20px 10px',
          flex: 1,
          minHeight: 0,
        }}
      >
        <LineTable
          line={shown}
          places={places}
          now={moment}
          selected={selected}
          onSelect={setChosen}
          onRange={seen}
          {...(without === undefined ? {} : { without })}
        />
        {selected === undefined || without?.has(selected.aircraftId) === true ? (
          <div />
        ) : (
          <Selected
            row={selected}
            zone={zone}
            at={at === null ? null : shown.now}
            date={shown.today.date}
            isOver={at !== null && shown.now < line.now}
          />
        )}
      </Box>
    </Stack>
  );
}
