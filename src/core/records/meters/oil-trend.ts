import { median, slopesBetween } from '../../quantities/robust-slope';
import type { Volume } from '../../quantities/volume';
import type { Uplift } from '../walkround/measurement';

const SECONDS_PER_HOUR = 3600;
/** Fewer uplifts than this say nothing about a trend. */
const FEWEST = 4;
const MOST = 12;

/**
 * Oil use an hour as the median of the slopes between every two of the last uplifts (Theil and Sen): the running sum of oil
 * added over time in service. Null with fewer than four uplifts that state their hours. Rounded up to a whole picolitre.
 */
export function oilPerHour(
  uplifts: readonly Uplift[],
): { readonly perHour: Volume; readonly records: readonly string[] } | null {
  const used = uplifts
    .flatMap((one) =>
      one.what === 'oil' && one.timeInService !== null
        ? [{ id: one.id, at: one.timeInService, added: one.added }]
        : [],
    )
    .sort((a, b) => a.at - b.at || a.added - b.added)
    .slice(-MOST);
  if (used.length < FEWEST) return null;
  let sum = 0;
  const points = used.map(({ at, added }) => {
    sum += added;
    return { x: at, y: sum * SECONDS_PER_HOUR };
  });
  const slopes = slopesBetween(points);
  if (slopes.length === 0) return null;
  const perHour = Math.ceil(median(slopes)) as Volume;
  return { perHour, records: used.map(({ id }) => id) };
}

/** Oil use from each top-up to the next that came later: what was added then, over the time in service between. Rounded up to a whole picolitre. */
export function oilSteps(
  uplifts: readonly Uplift[],
): readonly { readonly at: number; readonly perHour: Volume }[] {
  const byTime = new Map<number, number>();
  for (const { what, timeInService, added } of uplifts)
    if (what === 'oil' && timeInService !== null)
      byTime.set(timeInService, (byTime.get(timeInService) ?? 0) + added);
  const points = [...byTime].sort(([a], [b]) => a - b);
  return points.slice(1).map(([at, added], before) => ({
    at,
    perHour: Math.ceil((added * SECONDS_PER_HOUR) / (at - (points[before]?.[0] ?? 0))) as Volume,
  }));
}
