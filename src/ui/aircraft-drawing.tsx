import type { MouseEvent, ReactNode } from 'react';

/** A place on the drawing, in thousandths of its width and height. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** An aeroplane of no type, seen from above with its nose up, and from its left side below. */
const OUTLINE = [
  // From above: fuselage, wings, tailplane, propeller.
  'M500 60 C530 62 542 92 544 140 L546 330 C546 420 528 520 516 600 L484 600 C472 520 454 420 454 330 L456 140 C458 92 470 62 500 60 Z',
  'M456 196 L120 226 C98 228 92 244 92 262 C92 280 100 290 120 292 L455 300 Z',
  'M544 196 L880 226 C902 228 908 244 908 262 C908 280 900 290 880 292 L545 300 Z',
  'M488 540 L372 556 C360 558 356 570 358 582 C360 592 366 598 378 598 L490 598 Z',
  'M512 540 L628 556 C640 558 644 570 642 582 C640 592 634 598 622 598 L510 598 Z',
  'M430 58 L570 58',
  // From the left: body, fin, wheels, propeller.
  'M130 800 C150 776 196 766 262 764 L330 736 C382 722 450 724 500 752 L812 772 L870 690 L916 690 L900 806 C780 822 420 852 250 842 C186 838 140 826 130 800 Z',
  'M126 748 L126 852',
  'M262 842 L250 880',
  'M440 846 L452 884',
] as const;
const WHEELS = [
  [248, 890],
  [454, 894],
] as const;

interface Props {
  readonly label: string;
  readonly onPlace?: ((spot: Spot) => void) | undefined;
  readonly children?: ReactNode;
}

/** The drawing on which lasting marks are shown. With `onPlace` a tap chooses a place. Children are drawn on it, in the same thousandths. */
export function AircraftDrawing({ label, onPlace, children }: Props) {
  const place = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    onPlace?.({
      x: Math.round(((event.clientX - box.left) / box.width) * 1000),
      y: Math.round(((event.clientY - box.top) / box.height) * 1000),
    });
  };
  return (
    <svg
      viewBox="0 0 1000 940"
      preserveAspectRatio="none"
      width="100%"
      style={{
        display: 'block',
        aspectRatio: '1000 / 940',
        cursor: onPlace === undefined ? 'default' : 'crosshair',
        background: 'var(--card)',
        border: '1px solid var(--rule)',
      }}
      role="img"
      aria-label={label}
      onClick={onPlace === undefined ? undefined : place}
    >
      {OUTLINE.map((path) => (
        <path
          key={path}
          d={path}
          fill="none"
          stroke="var(--soft)"
          strokeWidth={4}
          strokeLinejoin="round"
          strokeLinecap="round"
        />
      ))}
      {WHEELS.map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r={18} fill="none" stroke="var(--soft)" strokeWidth={4} />
      ))}
      <text x={60} y={360} fontSize={26} fill="var(--soft)">
        left
      </text>
      <text x={880} y={360} fontSize={26} fill="var(--soft)">
        right
      </text>
      {children}
    </svg>
  );
}

/** A mark on the drawing: a numbered ring, so that it reads without colour. @param scale larger where the drawing is small */
export function MarkOnDrawing({
  x,
  y,
  number,
  scale = 1,
}: Spot & { readonly number: number | null; readonly scale?: number }) {
  return (
    <g transform={`translate(${x} ${y * 0.94}) scale(${scale})`}>
      <circle r={22} fill="var(--paper)" stroke="var(--sea)" strokeWidth={6} />
      <text textAnchor="middle" y={9} fontSize={26} fontWeight={700} fill="var(--ink)">
        {number ?? '+'}
      </text>
    </g>
  );
}
