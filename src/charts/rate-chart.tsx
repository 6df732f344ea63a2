import { scaleLinear } from 'd3';

/** A rate with its interval. */
export interface RateBar {
  readonly name: string;
  readonly rate: number;
  readonly low: number;
  readonly high: number;
}

const ROW = 26;
const NAMES = 84;
const END = 12;
const AXIS = 36;

/**
 * Rates below each other on one scale from zero: the rate as a dot, its interval as a bar. An interval that
 * goes on beyond the picture ends in an arrow. The words beside the picture tell the same.
 */
export function RateChart({
  bars,
  most,
  width,
  unit,
  title,
}: {
  readonly bars: readonly RateBar[];
  /** Where the scale ends. */
  readonly most: number;
  readonly width: number;
  /** What the scale counts, in words. */
  readonly unit: string;
  readonly title: string;
}) {
  const height = bars.length * ROW + AXIS;
  const x = scaleLinear()
    .domain([0, most])
    .nice(4)
    .range([NAMES, width - END])
    .clamp(true);
  const [, end = most] = x.domain();
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={title}
      style={{ display: 'block', maxWidth: width }}
    >
      {x.ticks(4).map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1={0} y2={height - AXIS} stroke="var(--rule)" />
          <text x={x(tick)} y={height - AXIS + 14} textAnchor="middle" fontSize={11} fill="var(--soft)">
            {tick}
          </text>
        </g>
      ))}
      <text x={width - END} y={height - 4} textAnchor="end" fontSize={11} fill="var(--soft)">
        {unit}
      </text>
      {bars.map(({ name, rate, low, high }, at) => {
        const y = at * ROW + ROW / 2;
        return (
          <g key={name}>
            <text x={0} y={y + 4} fontSize={12} fill="var(--ink)">
              {name}
            </text>
            <line x1={x(low)} x2={x(high)} y1={y} y2={y} stroke="var(--sea)" strokeWidth={5} />
            {high > end ? <path d={`M${width - END} ${y - 6} l8 6 l-8 6 z`} fill="var(--sea)" /> : null}
            <circle cx={x(rate)} cy={y} r={4.5} fill="var(--ink)" />
          </g>
        );
      })}
    </svg>
  );
}
