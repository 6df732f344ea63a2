import { extent, line, scaleLinear } from 'd3';

/** A figure of a series. */
export interface TrendPoint {
  readonly x: number;
  readonly y: number;
  /** When it was, in words. */
  readonly when: string;
}

const MARGIN = { top: 10, right: 10, bottom: 20, left: 44 };

/** Figures over time as dots, the line through them dashed, limits as named bars. The words beside the picture tell the same. */
export function TrendChart({
  points,
  through,
  min,
  max,
  width,
  height,
  title,
}: {
  readonly points: readonly TrendPoint[];
  /** The line's height at the first and at the last figure; null for none. */
  readonly through: { readonly from: number; readonly to: number } | null;
  readonly min: number | null;
  readonly max: number | null;
  readonly width: number;
  readonly height: number;
  readonly title: string;
}) {
  const [first = 0, last = 1] = extent(points, ({ x }) => x);
  const heights = [
    ...points.map(({ y }) => y),
    ...(min === null ? [] : [min]),
    ...(max === null ? [] : [max]),
  ];
  const [low = 0, high = 1] = extent(heights);
  const x = scaleLinear()
    .domain([first, last === first ? first + 1 : last])
    .range([MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear()
    .domain(low === high ? [low - 1, high + 1] : [low, high])
    .nice(4)
    .range([height - MARGIN.bottom, MARGIN.top]);
  const [oldest, newest] = [points[0], points.at(-1)];
  const path = line<{ readonly x: number; readonly y: number }>()
    .x((point) => x(point.x))
    .y((point) => y(point.y));
  const ends =
    through === null
      ? null
      : [
          { x: first, y: through.from },
          { x: last, y: through.to },
        ];
  const limits = [
    ...(min === null ? [] : [{ at: min, words: 'least' }]),
    ...(max === null ? [] : [{ at: max, words: 'most' }]),
  ];
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={title}
      style={{ display: 'block', maxWidth: width }}
    >
      {y.ticks(3).map((tick) => (
        <g key={tick}>
          <line
            x1={MARGIN.left}
            x2={width - MARGIN.right}
            y1={y(tick)}
            y2={y(tick)}
            stroke="var(--rule)"
            strokeWidth={1}
          />
          <text x={MARGIN.left - 6} y={y(tick) + 4} textAnchor="end" fontSize={11} fill="var(--soft)">
            {tick}
          </text>
        </g>
      ))}
      {limits.map(({ at, words }) => (
        <g key={words}>
          <line
            x1={MARGIN.left}
            x2={width - MARGIN.right}
            y1={y(at)}
            y2={y(at)}
            stroke="var(--grounded)"
            strokeWidth={3}
          />
          <text
            x={width - MARGIN.right}
            y={y(at) + (words === 'most' ? 14 : -6)}
            textAnchor="end"
            fontSize={11}
            fill="var(--grounded)"
          >
            {words}
          </text>
        </g>
      ))}
      {[oldest, newest].map((point, at) =>
        point === undefined ? null : (
          <text
            key={point.when}
            x={at === 0 ? MARGIN.left : width - MARGIN.right}
            y={height - 2}
            textAnchor={at === 0 ? 'start' : 'end'}
            fontSize={11}
            fill="var(--soft)"
          >
            {point.when}
          </text>
        ),
      )}
      {ends === null ? null : (
        <path d={path(ends) ?? ''} fill="none" stroke="var(--sea)" strokeWidth={2} strokeDasharray="6 4" />
      )}
      {points.map((point) => (
        <circle key={`${point.x}/${point.y}`} cx={x(point.x)} cy={y(point.y)} r={3.5} fill="var(--ink)" />
      ))}
    </svg>
  );
}
