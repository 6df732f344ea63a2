import type { PaneState, WindowPicture } from '@/core/envelope/window-picture';

interface Cell {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly state: PaneState;
}

function Part({ x, y, w, h, state }: Cell) {
  switch (state) {
    case 'open':
      return <rect x={x} y={y} width={w} height={h} fill="var(--sea)" />;
    case 'absent':
      return (
        <rect x={x} y={y} width={w} height={h} fill="none" stroke="var(--ghost)" strokeDasharray="1.5 2" />
      );
    case 'closed':
      return (
        <>
          <rect x={x} y={y} width={w} height={h} fill="var(--card)" stroke="var(--sea)" />
          <path d={`M${x} ${y + h}L${x + w} ${y}`} stroke="var(--sea)" />
        </>
      );
    case 'partly':
      return (
        <>
          <rect x={x} y={y} width={w} height={h} fill="var(--card)" stroke="var(--sea)" />
          <path d={`M${x} ${y + h}V${y}L${x + w} ${y + h}Z`} fill="var(--sea)" />
        </>
      );
    default: {
      const missing: never = state;
      throw new RangeError(`no such pane: ${String(missing)}`);
    }
  }
}

/**
 * What an aircraft is open for: panes day | dusk and night over VFR / IFR; sills rental, lesson, hire, tow.
 * Filled: open. Half: partly. Struck: closed. Dotted: never fitted or approved. `text` says the same exactly.
 */
export function WindowMark({
  window,
  text,
  scale = 1,
}: {
  readonly window: WindowPicture;
  readonly text: string;
  readonly scale?: number;
}) {
  const { panes, sills } = window;
  const cells: readonly Cell[] = [
    { x: 1, y: 1, w: 20.5, h: 10.5, state: panes['day-vfr'] },
    { x: 22.5, y: 1, w: 20.5, h: 10.5, state: panes['night-vfr'] },
    { x: 1, y: 12.5, w: 20.5, h: 10.5, state: panes['day-ifr'] },
    { x: 22.5, y: 12.5, w: 20.5, h: 10.5, state: panes['night-ifr'] },
    { x: 1, y: 26, w: 9.6, h: 6, state: sills.rental },
    { x: 11.8, y: 26, w: 9.6, h: 6, state: sills.lesson },
    { x: 22.6, y: 26, w: 9.6, h: 6, state: sills.hire },
    { x: 33.4, y: 26, w: 9.6, h: 6, state: sills.tow },
  ];
  return (
    <svg
      width={44 * scale}
      height={34 * scale}
      viewBox="0 0 44 34"
      role="img"
      aria-label={text}
      style={{ display: 'block', flexShrink: 0 }}
    >
      <title>{text}</title>
      {cells.map((cell) => (
        <Part key={`${cell.x}-${cell.y}`} {...cell} />
      ))}
    </svg>
  );
}
