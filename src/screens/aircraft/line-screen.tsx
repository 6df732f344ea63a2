'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import type { Line } from '@/queries/aircraft/line';
import { clock, day as dayText, useServerClock } from '../data/clock';
import { useLive, useRenewalAt } from '../data/live';
import { useLine } from '../data/queries';
import { DeskHeader } from '../shell/desk-header';
import { NotLive } from '../shell/not-live';
import { Trouble } from '../shell/trouble';
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
    <div style={{ display: 'flex', gap: 12, padding: '10px 20px 0' }}>
      {needs.map((need) => (
        <button
          key={need.id}
          type="button"
          onClick={() => {
            onSelect(need.registration);
          }}
          style={{
            flex: 1,
            textAlign: 'left',
            font: 'inherit',
            fontSize: 14,
            color: 'inherit',
            background: 'var(--card)',
            border: '1px solid var(--rule)',
            borderLeft: `5px solid var(--${need.tone})`,
            padding: '8px 12px',
            cursor: 'pointer',
          }}
        >
          <b style={{ display: 'block' }}>{need.headline}</b>
          {need.why}
          {need.way === '' ? null : (
            <span style={{ display: 'block', color: 'var(--soft)' }}>→ {need.way}</span>
          )}
        </button>
      ))}
    </div>
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
  if (line === undefined)
    return (
      <>
        <DeskHeader />
        <main>
          {error === null ? (
            <p style={{ padding: 24 }}>Loading the Line …</p>
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
    <div style={{ display: 'flex', flexDirection: 'column', height: '100vh' }}>
      <DeskHeader>
        <span>{line.field}</span>
        <span className="mono">
          {dayText(now ?? line.now, zone)}&nbsp; {clock(now ?? line.now, zone)}
        </span>
        <span style={{ color: 'var(--bar-soft)' }}>
          sunset <span className="mono">{at(today.sunset)}</span> · night from{' '}
          <span className="mono">{at(today.nightfall)}</span>
        </span>
      </DeskHeader>
      <NotLive since={deadSince} zone={zone} />
      <Needs line={line} onSelect={setChosen} />
      {rows.length === 0 ? (
        <main style={{ padding: 24 }}>
          <h1>There is no aircraft yet.</h1>
          <p>Nothing is decided until an aircraft with its documents and inspections is on record.</p>
        </main>
      ) : (
        <main
          style={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) 330px',
            gap: 14,
            padding: '10px 20px 14px',
            flex: 1,
            minHeight: 0,
          }}
        >
          <div
            ref={table}
            tabIndex={0}
            role="region"
            aria-label="The Line; arrow keys choose an aircraft, Enter opens it"
            onKeyDown={keys}
            style={{ overflowY: 'auto', border: '1px solid var(--rule)', background: 'var(--card)' }}
          >
            <h1
              style={{
                position: 'absolute',
                width: 1,
                height: 1,
                overflow: 'hidden',
                clipPath: 'inset(50%)',
              }}
            >
              The Line
            </h1>
            <table style={{ borderCollapse: 'collapse', width: '100%', tableLayout: 'fixed' }}>
              <thead>
                <tr style={{ textAlign: 'left', fontSize: 13, color: 'var(--soft)' }}>
                  {COLUMNS.map(([name, width]) => (
                    <th key={name} style={{ padding: '4px 10px', width, whiteSpace: 'nowrap' }}>
                      {name}
                    </th>
                  ))}
                  <th style={{ padding: 0 }}>
                    <span
                      style={{
                        position: 'absolute',
                        width: 1,
                        height: 1,
                        overflow: 'hidden',
                        clipPath: 'inset(50%)',
                      }}
                    >
                      Today’s flights
                    </span>
                    <Axis {...drawn} zone={zone} />
                  </th>
                  <th style={{ padding: '4px 10px', width: 168 }}>Reasons</th>
                </tr>
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
            </table>
          </div>
          {selected === undefined ? null : <Selected row={selected} zone={zone} />}
        </main>
      )}
    </div>
  );
}
