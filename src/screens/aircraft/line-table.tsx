'use client';

import Box from '@mui/material/Box';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Line, LineRow } from '@/queries/aircraft/line';
import { clock } from '../data/clock';
import { Hidden } from '../kit/layout';
import { drawnDay, LineRowView } from './line-row';

const HOUR = 3_600_000;
/** The head of the table, in pixels. */
const HEAD = 28;

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

interface Props {
  readonly line: Line;
  readonly now: number;
  readonly selected: LineRow | undefined;
  readonly onSelect: (registration: string) => void;
  /** Rows without an answer for the moment that is shown, by the aircraft’s id; absent while the Line shows now. */
  readonly without?: ReadonlyMap<string, 'asked' | 'not-yet'>;
  /** Where each aircraft stands in the whole Line, by registration. */
  readonly places: ReadonlyMap<string, number>;
  /** Is told which rows are drawn, by their first and last place in the whole Line. */
  readonly onRange: (first: number, last: number) => void;
}

/** A row of which nothing is said: its answer is on the way, or the aircraft was not on record then. */
function RowWithout({ row, why, height }: { row: LineRow; why: 'asked' | 'not-yet'; height: number }) {
  return (
    <Box component="tr" sx={{ height }}>
      <Box component="td" sx={{ px: 1.25, borderBottom: '1px solid var(--rule)' }} className="small">
        {why === 'asked' ? '…' : 'none'}
      </Box>
      <Box
        component="th"
        scope="row"
        sx={{ px: 1.25, borderBottom: '1px solid var(--rule)', textAlign: 'left' }}
      >
        <span className="figure">{row.registration}</span>
      </Box>
      <Box
        component="td"
        colSpan={4}
        sx={{ px: 1.25, borderBottom: '1px solid var(--rule)' }}
        className="small"
      >
        {why === 'asked' ? 'Being decided' : 'Nothing of it was on record yet.'}
      </Box>
    </Box>
  );
}

/** The Line's table: only the rows in sight are drawn, so that five hundred scroll as easily as five. */
export function LineTable({ line, now, selected, onSelect, without, places, onRange }: Props) {
  const router = useRouter();
  const scrolled = useRef<HTMLElement | null>(null);
  const [observed, room] = useHeight();
  const { rows, zone } = line;
  const drawn = drawnDay(line);
  // Few aircraft use the height there is; many restrict and scroll.
  const height = Math.floor(Math.min(56, Math.max(34, (room - HEAD - 2) / Math.max(1, rows.length))));
  // eslint-disable-next-line react-hooks/incompatible-library -- what it answers is used here alone and handed to no remembered part
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scrolled.current,
    estimateSize: () => height,
    overscan: 8,
    scrollMargin: HEAD,
  });
  const shown = virtual.getVirtualItems();
  const drawnPlaces = shown.map(({ index }) => places.get(rows[index]?.aircraftId ?? '') ?? 0);
  const [first, last] = [Math.min(...drawnPlaces, places.size), Math.max(...drawnPlaces, 0)];
  useEffect(() => {
    onRange(first, last);
  }, [onRange, first, last]);
  const above = (shown[0]?.start ?? HEAD) - HEAD;
  const below = virtual.getTotalSize() - ((shown.at(-1)?.end ?? HEAD) - HEAD);
  const move = (by: number) => {
    const at = rows.findIndex((row) => row === selected);
    const next = Math.min(rows.length - 1, Math.max(0, at + by));
    onSelect(rows[next]?.registration ?? '');
    virtual.scrollToIndex(next);
  };
  const keys = (event: React.KeyboardEvent) => {
    const steps: Readonly<Record<string, number>> = { ArrowDown: 1, ArrowUp: -1, PageDown: 10, PageUp: -10 };
    const step = steps[event.key];
    if (step !== undefined) {
      event.preventDefault();
      move(step);
    }
    if (event.key === 'Enter' && selected !== undefined && event.target === event.currentTarget)
      router.push(`/aircraft/${selected.registration}`);
  };
  return (
    <Box
      ref={(element: HTMLElement | null) => {
        scrolled.current = element;
        return observed(element);
      }}
      tabIndex={0}
      role="region"
      aria-label="The Line; arrow keys choose an aircraft, Enter opens it"
      onKeyDown={keys}
      sx={{ overflowY: 'auto', border: '1px solid var(--rule)', bgcolor: 'var(--card)' }}
    >
      <Hidden component="h1">The Line</Hidden>
      <Box
        component="table"
        aria-rowcount={rows.length + 1}
        sx={{ borderCollapse: 'collapse', width: '100%', tableLayout: 'fixed' }}
      >
        <thead>
          <Box component="tr" sx={{ height: HEAD, textAlign: 'left', fontSize: 13, color: 'var(--soft)' }}>
            {COLUMNS.map(([name, width]) => (
              <Box component="th" key={name} sx={{ py: 0.5, px: 1.25, width, whiteSpace: 'nowrap' }}>
                {name}
              </Box>
            ))}
            <Box component="th" sx={{ p: 0 }}>
              <Hidden>Today’s flights</Hidden>
              <Axis {...drawn} zone={zone} />
            </Box>
            <Box component="th" sx={{ py: 0.5, px: 1.25, width: { xs: 168, xl: 320 } }}>
              Reasons
            </Box>
          </Box>
        </thead>
        <tbody>
          {above <= 0 ? null : <Box component="tr" aria-hidden="true" sx={{ height: above }} />}
          {shown.map(({ index }) => {
            const row = rows[index];
            if (row === undefined) return null;
            const why = without?.get(row.aircraftId);
            return why !== undefined ? (
              <RowWithout key={row.aircraftId} row={row} why={why} height={height} />
            ) : (
              <LineRowView
                key={row.aircraftId}
                row={row}
                at={index + 2}
                line={line}
                now={now}
                day={drawn}
                selected={row === selected}
                isMoved={without !== undefined}
                height={height}
                onSelect={() => {
                  onSelect(row.registration);
                }}
              />
            );
          })}
          {below <= 0 ? null : <Box component="tr" aria-hidden="true" sx={{ height: below }} />}
        </tbody>
      </Box>
    </Box>
  );
}
