/** A point of a series. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A slope with the interval in which it lies, in units of y for each unit of x. */
export interface Slope {
  readonly slope: number;
  readonly low: number;
  readonly high: number;
  /** The height of the line at x = 0, through the middle of the points. */
  readonly at0: number;
}

/** The normal deviate of 95 % on both sides. */
const Z95 = 1.959963984540054;

/** The median of figures; NaN of none. */
export function median(figures: readonly number[]): number {
  const sorted = [...figures].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return sorted.length % 2 === 1
    ? (sorted[Math.floor(middle)] ?? Number.NaN)
    : ((sorted[middle - 1] ?? Number.NaN) + (sorted[middle] ?? Number.NaN)) / 2;
}

/** What ties take off the variance of Kendall's S. */
function tied(figures: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const figure of figures) counts.set(figure, (counts.get(figure) ?? 0) + 1);
  return [...counts.values()].reduce((sum, k) => sum + k * (k - 1) * (2 * k + 5), 0);
}

/** The slopes between every two points that differ in x, in their order. */
export function slopesBetween(points: readonly Point[]): readonly number[] {
  return points
    .flatMap((a, at) => points.slice(at + 1).map((b) => ({ dx: b.x - a.x, dy: b.y - a.y })))
    .filter(({ dx }) => dx !== 0)
    .map(({ dx, dy }) => dy / dx)
    .sort((a, b) => a - b);
}

/**
 * The median of the slopes between every two points, which one odd figure does not move, with its interval of 95 %.
 * Method: H. Theil 1950 and P. K. Sen 1968, Journal of the American Statistical Association 63, 1379–1389 (from memory).
 * @returns null where no two points differ in x, or ties leave no interval
 */
export function robustSlope(points: readonly Point[]): Slope | null {
  const slopes = slopesBetween(points);
  if (slopes.length === 0) return null;
  const n = points.length;
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  const variance = (n * (n - 1) * (2 * n + 5) - tied(xs) - tied(ys)) / 18;
  if (variance < 0) return null;
  const reach = Z95 * Math.sqrt(variance);
  const last = slopes.length - 1;
  const lowest = Math.max(Math.round((slopes.length - reach) / 2) - 1, 0);
  const highest = Math.min(Math.round((slopes.length + reach) / 2), last);
  const slope = median(slopes);
  return {
    slope,
    low: slopes[lowest] ?? slope,
    high: slopes[highest] ?? slope,
    at0: median(ys) - slope * median(xs),
  };
}

/**
 * The share of tries in which something was so, with its interval of 95 %.
 * Method: E. B. Wilson 1927, Journal of the American Statistical Association 22, 209–212 (from memory).
 * @param tries at least one
 */
export function shareOf(
  hits: number,
  tries: number,
): { readonly share: number; readonly low: number; readonly high: number } {
  const share = hits / tries;
  const z2 = Z95 * Z95;
  const middle = (share + z2 / (2 * tries)) / (1 + z2 / tries);
  const reach =
    (Z95 / (1 + z2 / tries)) * Math.sqrt((share * (1 - share)) / tries + z2 / (4 * tries * tries));
  return { share, low: Math.max(0, middle - reach), high: Math.min(1, middle + reach) };
}
