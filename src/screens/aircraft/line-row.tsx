import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import { DayStrip, type Block, type Shade } from '@/charts/day-strip';
import { PURPOSE_NAMES } from '@/explain/names';
import type { Line, LineFlight, LineRow, Today } from '@/queries/aircraft/line';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import { Hidden } from '../kit/layout';
import { against } from './needs';

const HOUR = 3_600_000;

/** The part of the day that is drawn: from an hour before the first light or flight to an hour after the last. */
export function drawnDay({ today, rows }: Line): { readonly from: number; readonly to: number } {
  const flights = rows.flatMap((row) => row.flights);
  return {
    from: Math.max(
      today.from,
      Math.min(today.dawn ?? today.from, ...flights.map(({ starts }) => starts)) - HOUR,
    ),
    to: Math.min(today.to, Math.max(today.nightfall ?? today.to, ...flights.map(({ ends }) => ends)) + HOUR),
  };
}

/** Night and dusk as grounds of the strip. */
export function shades({ from, to, dawn, sunrise, sunset, nightfall }: Today): readonly Shade[] {
  const stretch = (a: number | null, b: number | null, fill: string): readonly Shade[] =>
    a === null || b === null || a >= b ? [] : [{ from: a, to: b, fill }];
  return [
    ...stretch(from, dawn, 'var(--night)'),
    ...stretch(dawn, sunrise, 'var(--dusk)'),
    ...stretch(sunset, nightfall, 'var(--dusk)'),
    ...stretch(nightfall, to, 'var(--night)'),
  ];
}

const STATE: Readonly<Record<LineFlight['answer'], Block['state']>> = {
  past: 'past',
  yes: 'planned',
  'yes-after': 'after',
  no: 'refused',
};

const whose = ({ name, purpose }: LineFlight) =>
  purpose === null ? name : `${name}, ${PURPOSE_NAMES[purpose]}`;
const block = (flight: LineFlight): Block => ({
  id: flight.id,
  from: flight.starts,
  to: flight.ends,
  state: STATE[flight.answer],
  label: flight.name,
  title: flight.words === '' ? whose(flight) : `${whose(flight)}: ${flight.words}`,
});

/** At most two lines; the whole text is in the panel beside. */
function Clamped({ children }: { readonly children: ReactNode }) {
  return (
    <Box
      component="span"
      sx={{ display: '-webkit-box', WebkitLineClamp: 2, WebkitBoxOrient: 'vertical', overflow: 'hidden' }}
    >
      {children}
    </Box>
  );
}

interface Props {
  readonly row: LineRow;
  /** Its row of the whole table, of which only a part is drawn. */
  readonly at: number;
  readonly line: Line;
  readonly now: number;
  readonly day: { readonly from: number; readonly to: number };
  readonly selected: boolean;
  /** Whether the row is about another moment than now. */
  readonly isMoved: boolean;
  readonly height: number;
  readonly onSelect: () => void;
}

/** One aircraft on the Line. */
export function LineRowView({ row, at, line, now, day, selected, isMoved, height, onSelect }: Props) {
  const [first, second] = row.next;
  const told = against(row);
  const cell = { py: 0, px: 1.25, borderBottom: '1px solid var(--rule)' } as const;
  return (
    <Box
      component="tr"
      onClick={onSelect}
      aria-selected={selected}
      aria-rowindex={at}
      sx={{ height: height, background: selected ? 'var(--sea-tint)' : 'var(--card)', cursor: 'pointer' }}
    >
      <Box component="td" sx={cell}>
        <Stack
          component="span"
          direction="row"
          spacing={0.75}
          sx={{ alignItems: 'center', fontSize: 14, fontWeight: 600 }}
        >
          <GateMark verdict={row.verdict} size={24} />
          {row.verdict}
        </Stack>
      </Box>
      <Box component="th" scope="row" sx={{ ...cell, textAlign: 'left', fontWeight: 400 }}>
        <Box
          component="button"
          type="button"
          onClick={onSelect}
          className="figure"
          sx={{
            all: 'unset',
            fontFamily: "'Atkinson Hyperlegible Mono Variable'",
            fontWeight: 700,
            fontSize: 17,
            lineHeight: 1.1,
            display: 'block',
            cursor: 'pointer',
          }}
        >
          {row.registration}
        </Box>
        <Box className="small" sx={{ lineHeight: 1.1 }}>
          {row.typeName}
        </Box>
      </Box>
      <Box component="td" sx={cell}>
        <WindowMark window={row.window} text={row.windowText} />
      </Box>
      <Box component="td" sx={{ ...cell, lineHeight: 1.15 }}>
        {first === undefined ? (
          <span className="small">nothing ahead</span>
        ) : (
          <>
            <Clamped>
              <Box component="span" className="figure" sx={{ fontSize: 16 }}>
                {first.figure === 'now' && isMoved ? 'then' : first.figure}
              </Box>{' '}
              <span className="small">{first.of}</span>
            </Clamped>
            {second === undefined ? null : (
              <Box
                className="small"
                title={`${second.figure} ${second.of}`}
                sx={{ whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis', maxWidth: 130 }}
              >
                <span className="mono">{second.figure}</span> {second.of}
              </Box>
            )}
          </>
        )}
      </Box>
      <Box component="td" sx={{ ...cell, p: 0 }}>
        <DayStrip
          from={day.from}
          to={day.to}
          now={now}
          shades={shades(line.today)}
          blocks={row.flights.map(block)}
          walls={row.flights.flatMap(({ wall }) => (wall === null ? [] : [wall]))}
          height={height - 2}
        />
        <Hidden>
          {row.flights
            .map(
              (flight) =>
                `${whose(flight)}: ${flight.answer === 'past' ? 'has begun' : flight.words === '' ? 'can go' : flight.words}`,
            )
            .join(' ')}
        </Hidden>
      </Box>
      <Box component="td" sx={{ ...cell, fontSize: 13, lineHeight: 1.15 }}>
        {row.out === null ? null : told[0] === undefined ? (
          <b title={row.out}>
            <Clamped>{row.out}</Clamped>
          </b>
        ) : (
          <Box
            component="b"
            sx={{ display: 'block', whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' }}
            title={row.out}
          >
            {row.out}
          </Box>
        )}
        {told[0] === undefined ? (
          row.out !== null ? null : (
            <span className="small">none</span>
          )
        ) : (
          <Clamped>
            {told.length > 1 ? <b>{told.length}: </b> : null}
            {told[0]}
          </Clamped>
        )}
      </Box>
    </Box>
  );
}
