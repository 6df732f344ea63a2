import Box from '@mui/material/Box';

/** A limit drawn on the bar, with its words under it. */
export interface Tick {
  readonly at: number;
  readonly words: string;
  /** A limit of the aircraft is heavier than what was planned. */
  readonly strong: boolean;
}

/** A figure against its limits, drawn while it is typed. All in one unit; `most` is the end of the bar. */
export function LimitBar({
  value,
  most,
  ticks,
  label,
}: {
  readonly value: number | null;
  readonly most: number;
  readonly ticks: readonly Tick[];
  readonly label: string;
}) {
  const x = (at: number) => Math.max(0, Math.min(330, (at / most) * 330));
  return (
    <Box
      component="svg"
      viewBox="0 0 330 44"
      role="img"
      aria-label={label}
      sx={{ display: 'block', width: '100%', mt: 0.5 }}
    >
      <rect x={0} y={8} width={330} height={14} fill="none" stroke="var(--rule)" strokeWidth={2} />
      {value === null ? null : <rect x={0} y={8} width={x(value)} height={14} fill="var(--sea)" />}
      {ticks.map(({ at, words, strong }) => (
        <g key={words}>
          <line
            x1={x(at)}
            x2={x(at)}
            y1={2}
            y2={28}
            stroke={strong ? 'var(--grounded)' : 'var(--ink)'}
            strokeWidth={strong ? 4 : 2}
          />
          <text
            x={Math.max(24, Math.min(306, x(at)))}
            y={42}
            fontSize={13}
            textAnchor="middle"
            fill="var(--ink)"
          >
            {words}
          </text>
        </g>
      ))}
    </Box>
  );
}
