/** A stretch of the axis with its own ground. Times are milliseconds. */
export interface Shade {
  readonly from: number;
  readonly to: number;
  readonly fill: string;
}

/** Something planned, drawn as a block. `refused` is hollow with a broken edge. */
export interface Block {
  readonly id: string;
  readonly from: number;
  readonly to: number;
  readonly state: 'past' | 'planned' | 'refused' | 'after';
  readonly label: string;
  readonly title: string;
}

export interface DayStripProps {
  readonly from: number;
  readonly to: number;
  readonly now: number;
  readonly shades: readonly Shade[];
  readonly blocks: readonly Block[];
  /** Moments at which a limit bites: nothing goes on beyond them. */
  readonly walls: readonly number[];
  readonly height: number;
}

const LOOK: Readonly<
  Record<Block['state'], { readonly fill: string; readonly stroke: string; readonly dash?: string }>
> = {
  past: { fill: 'var(--past)', stroke: 'var(--soft)' },
  planned: { fill: 'var(--plan)', stroke: 'var(--sea)' },
  after: { fill: 'var(--restricted-tint)', stroke: 'var(--restricted)' },
  refused: { fill: 'var(--card)', stroke: 'var(--grounded)', dash: '4 3' },
};

/** A label needs about this much of the axis, in percent. */
const LABEL = 17;

/** Where a block's label goes: inside when it fits, else beside it where there is room, else cut off inside, whole in its title. */
export function labelPlace(
  block: Pick<Block, 'from' | 'to'>,
  others: readonly Pick<Block, 'from' | 'to'>[],
  from: number,
  to: number,
): 'inside' | 'right' | 'left' | 'none' {
  const share = ((to - from) * LABEL) / 100;
  if (block.to - block.from >= share) return 'inside';
  const free = (a: number, b: number) =>
    a >= from && b <= to && others.every((other) => other.to <= a || other.from >= b);
  if (free(block.to, block.to + share)) return 'right';
  return free(block.from - share, block.from) ? 'left' : 'none';
}

/** A day as a strip that takes whatever width there is: positions are percentages. */
export function DayStrip({ from, to, now, shades, blocks, walls, height }: DayStripProps) {
  // A share of the day in percent; the whole of a library of scales would be a tenth of what the Line loads.
  const x = (at: number) => Math.min(100, Math.max(0, ((at - from) / (to - from)) * 100));
  const at = (time: number) => `${x(time).toFixed(3)}%`;
  const width = (a: number, b: number) => `${Math.max(0.4, x(b) - x(a)).toFixed(3)}%`;
  const tall = Math.min(24, height - 8);
  const top = (height - tall) / 2;
  return (
    <svg width="100%" height={height} aria-hidden="true" focusable="false" style={{ display: 'block' }}>
      {shades.map((shade) => (
        <rect
          key={shade.from}
          x={at(shade.from)}
          width={width(shade.from, shade.to)}
          y="0"
          height={height}
          fill={shade.fill}
        />
      ))}
      {blocks.map((block) => {
        const look = LOOK[block.state];
        const place = labelPlace(
          block,
          [
            ...blocks.filter((other) => other !== block),
            ...walls.map((wall) => ({ from: wall, to: wall + 1 })),
          ],
          from,
          to,
        );
        const label = { fontSize: 12.5, fontWeight: 600, fill: 'var(--ink)', y: height / 2 + 4.5 } as const;
        return (
          <g key={block.id}>
            <title>{block.title}</title>
            <rect
              x={at(block.from)}
              width={width(block.from, block.to)}
              y={top}
              height={tall}
              rx="2"
              fill={look.fill}
              stroke={look.stroke}
              strokeWidth={block.state === 'refused' ? 2 : 1}
              strokeDasharray={look.dash}
            />
            {place === 'inside' || place === 'right' ? (
              <text {...label} x={at(place === 'inside' ? block.from : block.to)} dx="5">
                {block.label}
              </text>
            ) : null}
            {place === 'none' ? (
              <svg x={at(block.from)} width={width(block.from, block.to)} y="0" height={height}>
                <text {...label} x="3">
                  {block.label}
                </text>
              </svg>
            ) : null}
            {place === 'left' ? (
              <text {...label} x={at(block.from)} dx="-5" textAnchor="end">
                {block.label}
              </text>
            ) : null}
          </g>
        );
      })}
      {walls.map((wall) => (
        <rect key={wall} x={at(wall)} width="4" y="1" height={height - 2} fill="var(--grounded)" />
      ))}
      <rect x={at(now)} width="1.5" y="0" height={height} fill="var(--ink)" />
    </svg>
  );
}
