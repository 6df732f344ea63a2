import type { DipPoint } from '../records/walkround/ramp-data';

/** Why a calibration cannot be used. */
export type DipFault = 'too-few' | 'not-rising' | 'below-nothing';

/** What is wrong with a calibration; null where nothing is. It needs two points, and both figures must rise from one to the next. */
export function dipFault(points: readonly DipPoint[]): DipFault | null {
  if (points.length < 2) return 'too-few';
  if (points.some(({ reads, holds }) => reads < 0 || holds < 0)) return 'below-nothing';
  return points.every((point, at) => {
    const before = points[at - 1];
    return before === undefined || (point.reads > before.reads && point.holds > before.holds);
  })
    ? null
    : 'not-rising';
}

/**
 * What is in a tank by what the stick reads: exact at each point of the calibration, straight between two of them, rounded down, since what there is
 * rounds down. Below the first point there may be nothing, and above the last nobody knows.
 * @param reads thousandths of the stick's unit, at least 0
 * @returns picolitres, or null above the last point
 */
export function dipped(points: readonly DipPoint[], reads: number): number | null {
  const above = points.findIndex((point) => point.reads >= reads);
  const upper = points[above];
  if (upper === undefined) return null;
  if (upper.reads === reads) return upper.holds;
  const lower = points[above - 1];
  if (lower === undefined) return 0;
  const share = BigInt(reads - lower.reads) * BigInt(upper.holds - lower.holds);
  return lower.holds + Number(share / BigInt(upper.reads - lower.reads));
}
