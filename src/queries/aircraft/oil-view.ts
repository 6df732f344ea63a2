import type { Uplift } from '@/core/records/walkround/measurement';
import { oilPerHour, oilSteps } from '@/core/records/meters/oil-trend';
import { hoursFromSeconds } from '@/core/quantities/hours';
import { decimalVolume } from '@/core/quantities/volume';
import { readingText } from '@/explain/formats';
import type { Folder } from './folder-view';

/** So many steps of the oil use are drawn. */
const OIL_STEPS = 10;

export function oilOf(uplifts: readonly Uplift[]): Folder['oil'] {
  const trend = oilPerHour(uplifts);
  return {
    steps: oilSteps(uplifts)
      .slice(-OIL_STEPS)
      .map(({ at, perHour }) => ({
        at: readingText(hoursFromSeconds(at)),
        use: Number(decimalVolume(perHour, 'US qt', 3, 'up')),
      })),
    trend: trend === null ? null : `${decimalVolume(trend.perHour, 'US qt', 2, 'up')} US qt an hour`,
  };
}
