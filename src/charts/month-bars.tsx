import { max, scaleBand, scaleLinear } from 'd3';

/** One bar. */
export interface Bar {
  readonly name: string;
  readonly value: number;
  readonly label: string;
}

/** Bars over months, with the highest one labelled. Plain data in, a picture out. */
export function MonthBars({
  bars,
  width,
  height,
  title,
}: {
  readonly bars: readonly Bar[];
  readonly width: number;
  readonly height: number;
  readonly title: string;
}) {
  const x = scaleBand()
    .domain(bars.map(({ name }) => name))
    .range([0, width])
    .padding(0.25);
  const y = scaleLinear()
    .domain([0, max(bars, ({ value }) => value) ?? 1])
    .range([0, height - 34]);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={`${title}: ${bars.map(({ name, label }) => `${name} ${label}`).join(', ')}`}
      style={{ display: 'block', maxWidth: width }}
    >
      {bars.map((bar) => {
        const left = x(bar.name) ?? 0;
        const tall = Math.max(1, y(bar.value));
        return (
          <g key={bar.name}>
            <rect x={left} y={height - 18 - tall} width={x.bandwidth()} height={tall} fill="var(--plan)" />
            <text
              x={left + x.bandwidth() / 2}
              y={height - 22 - tall}
              textAnchor="middle"
              fontSize={11}
              fill="var(--ink)"
            >
              {bar.label}
            </text>
            <text
              x={left + x.bandwidth() / 2}
              y={height - 4}
              textAnchor="middle"
              fontSize={11}
              fill="var(--soft)"
            >
              {bar.name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
