import Box from '@mui/material/Box';
import type { PlanStep } from '@/core/walkround/plan-step';
import type { WalkOutcome } from '@/core/walkround/walk';

/** Steps by the place where they are done, in the order of the plan. */
export function placesOf(
  steps: readonly PlanStep[],
): readonly { readonly place: string; readonly keys: readonly string[] }[] {
  const places: { place: string; keys: string[] }[] = [];
  for (const { place, key } of steps) {
    const last = places.at(-1);
    if (last?.place === place) last.keys.push(key);
    else places.push({ place, keys: [key] });
  }
  return places;
}

/** The stations in a bar: filled when done, hatched where something was found or not seen, ringed where one is. */
export function StationBar({
  steps,
  answered,
  outcome,
  at,
}: {
  readonly steps: readonly PlanStep[];
  readonly answered: ReadonlySet<string>;
  readonly outcome: WalkOutcome;
  readonly at: string | null;
}) {
  const bad = new Set([...outcome.found, ...outcome.unseen.map(({ key }) => key)]);
  return (
    <Box
      role="img"
      aria-label={`${outcome.answered} of ${outcome.steps} steps answered`}
      sx={{ display: 'flex', gap: '2px', mt: 1 }}
    >
      {placesOf(steps).map(({ place, keys }, index) => {
        const isDone = keys.every((key) => answered.has(key));
        const isBad = keys.some((key) => bad.has(key));
        const isHere = at !== null && keys.includes(at);
        return (
          <Box
            key={`${place}${index}`}
            sx={{
              flex: keys.length,
              minWidth: 3,
              height: 10,
              boxSizing: 'border-box',
              border: isHere ? '3px solid var(--ink)' : '1px solid var(--rule)',
              background: isBad
                ? 'repeating-linear-gradient(45deg, var(--restricted) 0 3px, transparent 3px 6px)'
                : isDone
                  ? 'var(--sea)'
                  : 'transparent',
            }}
          />
        );
      })}
    </Box>
  );
}
