import Box from '@mui/material/Box';
import type { PlanStep } from '@/core/walkround/plan-step';

/** Where each station lies on the small drawing, in its own units: left and right are the aircraft's, seen from above with its nose up. */
const SPOTS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  approach: [88, 14],
  'cabin-power-off': [52, 34],
  'power-on': [52, 30],
  wing: [26, 38],
  fuel: [36, 40],
  'main-gear': [42, 48],
  fuselage: [45, 58],
  tail: [38, 74],
  'nose-engine': [52, 16],
  propeller: [52, 8],
  'nose-tail-gear': [52, 20],
  glider: [52, 44],
  final: [88, 80],
};

/** A small aeroplane from above with a dot where the step is. Decoration: the words beside it say the same. */
export function PlaceDrawing({ step }: { readonly step: Pick<PlanStep, 'station' | 'side'> }) {
  const [x, y] = SPOTS[step.station] ?? [52, 44];
  const at = step.side === 'right' ? 104 - x : x;
  return (
    <Box
      component="svg"
      viewBox="0 0 104 92"
      aria-hidden
      sx={{ width: 92, height: 82, flex: 'none', mt: 1.5 }}
    >
      <g fill="none" stroke="var(--soft)" strokeWidth={2} strokeLinejoin="round">
        <path d="M52 8c5 0 6 8 6 16v46c0 5-3 10-6 10s-6-5-6-10V24c0-8 1-16 6-16z" />
        <path d="M46 32 8 36v9l38-2M58 32l38 4v9l-38-2M47 70l-15 5v6l15-2M57 70l15 5v6l-15-2M40 8h24" />
      </g>
      <circle cx={at} cy={y} r={7} fill="var(--sea)" />
    </Box>
  );
}
