import { robustSlope, shareOf, type Slope } from '../quantities/robust-slope';
import { oilPerHour, oilSteps } from '../records/meters/oil-trend';
import type {
  FuelSample,
  MeasureLimit,
  Measurement,
  Quantity,
  Uplift,
} from '../records/walkround/measurement';
import { fuellings } from '../records/walkround/measurement';
import type { Instant } from '../time/instant';

/** What is followed over time: what wears, the gauges' error, and what the engine uses. Common practice, no source. */
export const TRENDED = [
  'strut',
  'tyre-pressure',
  'brake-pad',
  'belt-play',
  'propeller',
  'battery',
  'ignition-drop',
  'ignition-difference',
] as const satisfies readonly Quantity[];
export type Trended = (typeof TRENDED)[number] | 'gauge-error' | 'oil-use';

/** One series of figures with its limits and where it goes. */
export interface Trend {
  readonly of: Trended;
  /** Which of several: a side, a wheel, a tank; null where there is only one. */
  readonly which: string | null;
  /** In base units, over days since the first; over seconds in service for oil use. */
  readonly points: readonly { readonly x: number; readonly value: number; readonly at: Instant | null }[];
  /** Base units a day; null for fewer than four figures, and for oil use, whose figure is a rate itself. */
  readonly slope: Slope | null;
  /** `unsure` where the interval holds none: it may be going either way. */
  readonly goes: 'up' | 'down' | 'unsure';
  readonly min: number | null;
  readonly max: number | null;
  /** Days from now until the line meets a limit, at the least, by the interval's steeper end; null where it goes nowhere near one. */
  readonly meetsLimitIn: number | null;
}

/** How often a drain's cup showed water. */
export interface WaterTrend {
  readonly drain: string;
  readonly wet: number;
  readonly samples: number;
  readonly low: number;
  readonly high: number;
  readonly isOften: boolean;
}

const DAY_MS = 86_400_000;
/** Fewer figures than this have no trend. */
export const FEWEST = 4;
/** So many of the newest figures are looked at. */
const NEWEST = 40;
/** Of so many of the newest cups of a drain, so many with water are often. Common practice, no source. */
const CUPS = 20;
const OFTEN = 2;
/** A gauge and a dip further apart than this, in milliseconds, are of two walk-rounds. */
const TOGETHER_MS = 2 * 3_600_000;

/** Nobody knows what is further ahead than this. */
const AHEAD_DAYS = 730;

type Figure = Pick<Measurement, 'which' | 'value' | 'happenedAt'>;

function series(
  of: Trended,
  which: string | null,
  figures: readonly Figure[],
  limits: readonly MeasureLimit[],
  now: Instant,
): Trend {
  const sorted = figures.toSorted((a, b) => a.happenedAt - b.happenedAt).slice(-NEWEST);
  const first = sorted[0]?.happenedAt ?? 0;
  const points = sorted.map(({ happenedAt, value }) => ({
    x: (happenedAt - first) / DAY_MS,
    value,
    at: happenedAt,
  }));
  const slope = points.length < FEWEST ? null : robustSlope(points.map(({ x, value }) => ({ x, y: value })));
  const own = limits.filter((limit) => limit.which === which);
  const held = own.length > 0 ? own : limits.filter((limit) => limit.which === null);
  const least = held.flatMap(({ min }) => (min === null ? [] : [min]));
  const most = held.flatMap(({ max }) => (max === null ? [] : [max]));
  const min = least.length === 0 ? null : Math.max(...least);
  const max = most.length === 0 ? null : Math.min(...most);
  const goes = slope === null ? 'unsure' : slope.low > 0 ? 'up' : slope.high < 0 ? 'down' : 'unsure';
  const last = points.at(-1);
  const standing = slope === null || last === undefined ? null : slope.at0 + slope.slope * last.x;
  const since = last === undefined ? 0 : (now - last.at) / DAY_MS;
  const until = (limit: number | null, steepest: number) => {
    if (limit === null || standing === null) return null;
    const days = Math.max(0, (limit - standing) / steepest - since);
    return days > AHEAD_DAYS ? null : days;
  };
  return {
    of,
    which,
    points,
    slope,
    goes,
    min,
    max,
    meetsLimitIn:
      slope === null || goes === 'unsure'
        ? null
        : goes === 'up'
          ? until(max, slope.high)
          : until(min, slope.low),
  };
}

function groupedBy<T, K>(all: readonly T[], keyOf: (one: T) => K): ReadonlyMap<K, readonly T[]> {
  const groups = new Map<K, T[]>();
  for (const one of all) groups.set(keyOf(one), [...(groups.get(keyOf(one)) ?? []), one]);
  return groups;
}
const grouped = (figures: readonly Figure[]) => groupedBy(figures, ({ which }) => which);

/** How far each gauge read above its dip, where both were read together with no fuelling between. */
function gaugeErrors(measurements: readonly Measurement[], fuelled: readonly Instant[]): readonly Figure[] {
  const dips = measurements.filter(({ quantity }) => quantity === 'fuel-dip');
  return measurements
    .filter(({ quantity }) => quantity === 'fuel-gauge')
    .flatMap((gauge): readonly Figure[] => {
      const near = dips
        .filter(
          ({ which, happenedAt }) =>
            which === gauge.which && Math.abs(happenedAt - gauge.happenedAt) <= TOGETHER_MS,
        )
        .toSorted(
          (a, b) => Math.abs(a.happenedAt - gauge.happenedAt) - Math.abs(b.happenedAt - gauge.happenedAt),
        )[0];
      if (near === undefined) return [];
      const [from, to] = [near.happenedAt, gauge.happenedAt].toSorted((a, b) => a - b);
      if (fuelled.some((at) => at >= (from ?? at) && at <= (to ?? at))) return [];
      return [{ which: gauge.which, value: gauge.value - near.value, happenedAt: gauge.happenedAt }];
    });
}

/**
 * Every series of an aircraft that has at least two figures, the ones that come nearest to a limit first.
 * @param limits of the aircraft on what is measured
 * @param oilLimit of the club on oil use, picolitres an hour; null where it has none
 * @param now from which the days until a limit are counted
 */
export function trendsOf(
  measurements: readonly Measurement[],
  uplifts: readonly Uplift[],
  limits: readonly MeasureLimit[],
  oilLimit: number | null,
  now: Instant,
): readonly Trend[] {
  const measured = TRENDED.flatMap((quantity) =>
    [...grouped(measurements.filter((one) => one.quantity === quantity))].map(([which, figures]) =>
      series(
        quantity,
        which,
        figures,
        limits.filter((limit) => limit.quantity === quantity),
        now,
      ),
    ),
  );
  const errors = [...grouped(gaugeErrors(measurements, fuellings(uplifts)))].map(([which, figures]) =>
    series('gauge-error', which, figures, [], now),
  );
  const steps = oilSteps(uplifts).slice(-NEWEST);
  const use = oilPerHour(uplifts);
  const oil: readonly Trend[] = [
    {
      of: 'oil-use',
      which: null,
      points: steps.map(({ at, perHour }) => ({ x: at, value: perHour, at: null })),
      slope: null,
      goes: use !== null && oilLimit !== null && use.perHour > oilLimit ? 'up' : 'unsure',
      min: null,
      max: oilLimit,
      meetsLimitIn: null,
    },
  ];
  return [...measured, ...errors, ...oil]
    .filter(({ points }) => points.length >= 2)
    .toSorted(
      (a, b) =>
        (a.meetsLimitIn ?? Number.POSITIVE_INFINITY) - (b.meetsLimitIn ?? Number.POSITIVE_INFINITY)
        || b.points.length - a.points.length,
    );
}

/** How often each drain's newest cups showed water; the wettest first. What was said of every drain at once tells nothing of one. */
export function waterTrends(samples: readonly FuelSample[]): readonly WaterTrend[] {
  const named = samples.filter(({ drain, result }) => drain !== null && drain !== 'every' && result !== null);
  return [...groupedBy(named, ({ drain }) => drain ?? '')]
    .map(([drain, all]) => {
      const cups = all.toSorted((a, b) => b.happenedAt - a.happenedAt).slice(0, CUPS);
      const wet = cups.filter(({ result }) => result === 'water').length;
      const { low, high } = shareOf(wet, cups.length);
      return { drain, wet, samples: cups.length, low, high, isOften: wet >= OFTEN };
    })
    .toSorted((a, b) => b.wet / b.samples - a.wet / a.samples || (a.drain < b.drain ? -1 : 1));
}
