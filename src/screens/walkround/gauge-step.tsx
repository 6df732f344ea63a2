import Box from '@mui/material/Box';
import type { PointerEvent } from 'react';
import { factorOf } from './figures';

/** Marks of the scale, in eighths of a tank. */
const MARKS = [
  [0, 'empty'],
  [2, '¼'],
  [4, '½'],
  [6, '¾'],
  [8, 'full'],
] as const;
/** A needle is read to half a unit, no closer. */
const STEP = 0.5;

/** A gauge as it stands in the panel: a tap puts the needle there, to the nearest half. The buttons move it by as much. */
export function GaugeScale({
  holds,
  unit,
  text,
  onText,
}: {
  readonly holds: number;
  readonly unit: string;
  readonly text: string;
  readonly onText: (text: string) => void;
}) {
  const most = holds / factorOf('fuel-gauge', unit);
  const put = (amount: number) => {
    onText(String(Math.round(Math.max(0, Math.min(most, amount)) / STEP) * STEP));
  };
  const value = text === '' ? null : Number(text);
  const tap = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    put((((event.clientX - box.left) / box.width) * 340 - 10) * (most / 320));
  };
  const x = (amount: number) => 10 + (amount / most) * 320;
  return (
    <Box sx={{ mt: 1 }}>
      <Box
        component="svg"
        viewBox="0 0 340 120"
        role="slider"
        tabIndex={0}
        aria-label="Where the needle stands"
        aria-valuemin={0}
        aria-valuemax={most}
        aria-valuenow={value ?? 0}
        aria-valuetext={value === null ? 'not read yet' : `${value} ${unit}`}
        onPointerDown={tap}
        onKeyDown={(event) => {
          if (event.key === 'ArrowRight') put((value ?? 0) + STEP);
          if (event.key === 'ArrowLeft') put((value ?? 0) - STEP);
        }}
        sx={{
          display: 'block',
          width: '100%',
          touchAction: 'none',
          cursor: 'pointer',
          border: '2px solid var(--ink)',
          borderRadius: '6px',
        }}
      >
        {value === null ? null : (
          <rect x={10} y={20} width={x(value) - 10} height={56} fill="var(--sea)" opacity={0.25} />
        )}
        {Array.from({ length: 9 }, (_, eighths) => (
          <line
            key={eighths}
            x1={10 + eighths * 40}
            x2={10 + eighths * 40}
            y1={eighths % 2 === 0 ? 20 : 44}
            y2={76}
            stroke="var(--ink)"
            strokeWidth={eighths % 2 === 0 ? 3 : 1.5}
          />
        ))}
        {MARKS.map(([eighths, words]) => (
          <text
            key={words}
            x={Math.max(22, Math.min(318, 10 + eighths * 40))}
            y={100}
            fontSize={18}
            fontWeight={700}
            textAnchor="middle"
            fill="var(--ink)"
          >
            {words}
          </text>
        ))}
        {value === null ? null : (
          <line x1={x(value)} x2={x(value)} y1={8} y2={80} stroke="var(--grounded)" strokeWidth={6} />
        )}
      </Box>
    </Box>
  );
}
