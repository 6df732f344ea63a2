import { scaleLinear } from 'd3';

/** A bar of parts that come one after the other, from zero. */
export interface ShareBar {
  readonly name: string;
  readonly parts: readonly { readonly value: number; readonly fill: string; readonly isStriped?: boolean }[];
  /** What stands behind the bar, in words. */
  readonly label: string;
}

const ROW = 24;
const AXIS = 22;
const END = 92;

/**
 * Bars of parts below each other on one scale from zero. Parts differ by tone and by pattern; the table beside the picture tells the same in
 * figures. Plain data in, a picture out.
 * @param names room for the names, in pixels @param most where the scale ends @param unit what the scale counts
 */
export function ShareBars({
  bars,
  width,
  names,
  most,
  unit,
  title,
}: {
  readonly bars: readonly ShareBar[];
  readonly width: number;
  readonly names: number;
  readonly most: number;
  readonly unit: string;
  readonly title: string;
}) {
  const height = bars.length * ROW + AXIS;
  const x = scaleLinear()
    .domain([0, Math.max(most, 1e-9)])
    .range([names, width - END]);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={title}
      style={{ display: 'block', maxWidth: width }}
    >
      <defs>
        <pattern
          id="striped"
          width={6}
          height={6}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width={6} height={6} fill="var(--card)" />
          <rect width={3} height={6} fill="var(--grounded)" />
        </pattern>
      </defs>
      {x.ticks(5).map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1={0} y2={height - AXIS} stroke="var(--rule)" />
          <text x={x(tick)} y={height - AXIS + 14} textAnchor="middle" fontSize={11} fill="var(--soft)">
            {tick}
          </text>
        </g>
      ))}
      <text x={width - END + 24} y={height - AXIS + 14} fontSize={11} fill="var(--soft)">
        {unit}
      </text>
      {bars.map(({ name, parts, label }, row) => {
        const y = row * ROW + 3;
        const begins = parts.map((_, at) => parts.slice(0, at).reduce((sum, { value }) => sum + value, 0));
        return (
          <g key={name}>
            <text x={0} y={y + 13} fontSize={12} fill="var(--ink)">
              {name}
            </text>
            {parts.map(({ value, fill, isStriped }, at) => (
              <rect
                key={fill}
                x={x(begins[at] ?? 0)}
                y={y}
                width={Math.max(0, x((begins[at] ?? 0) + value) - x(begins[at] ?? 0))}
                height={ROW - 8}
                fill={isStriped === true ? 'url(#striped)' : fill}
                stroke="var(--ink)"
                strokeWidth={0.5}
              />
            ))}
            <text x={width - END + 8} y={y + 13} fontSize={12} fill="var(--ink)">
              {label}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
