import { hoursFromSeconds } from '../core/quantities/hours';
import { MEASURE_UNITS } from '../core/quantities/measure';
import { VOLUME_UNITS } from '../core/quantities/volume';
import { QUANTITIES } from '../core/records/walkround/measurement';
import { FEWEST, type Trend, type Trended, type WaterTrend } from '../core/walkround/trends';
import { momentText, readingText } from './formats';
import { QUANTITY_NAMES_IN_WORDS } from './names';
import type { ZoneId } from '../core/time/zone';
import { sentenceCase } from './wording';

/** The unit that a trend is told in, and how many base units it is. */
function unitOf(of: Trended): { readonly unit: string; readonly factor: number } {
  if (of === 'gauge-error') return { unit: 'US gal', factor: VOLUME_UNITS['US gal'] };
  if (of === 'oil-use') return { unit: 'US qt an hour', factor: VOLUME_UNITS['US qt'] };
  const base = QUANTITIES[of];
  if (base === 'um')
    return of === 'propeller' || of === 'strut'
      ? { unit: 'cm', factor: 10_000 }
      : { unit: 'mm', factor: 1000 };
  if (base === 'Pa') return { unit: 'psi', factor: MEASURE_UNITS.Pa['psi'] ?? 1 };
  return base === 'mV' ? { unit: 'V', factor: 1000 } : { unit: 'rpm', factor: 1 };
}

/** A trend in words and figures, ready to be drawn. */
export interface TrendView {
  readonly name: string;
  readonly unit: string;
  readonly points: readonly { readonly x: number; readonly y: number; readonly when: string }[];
  /** The line through them, from the first to the last; null where there is none. */
  readonly line: { readonly from: number; readonly to: number } | null;
  readonly min: number | null;
  readonly max: number | null;
  /** What it says, in a sentence or two. */
  readonly says: string;
  readonly isNear: boolean;
}

const NAMES: Readonly<Record<'gauge-error' | 'oil-use', string>> = {
  'gauge-error': 'Gauge less dip',
  'oil-use': 'Oil use',
};
const MONTH = 30;
/** A limit that is met within so many days is near. Common practice, no source. */
const NEAR_DAYS = 60;

const figure = (value: number): string => String(Number(value.toPrecision(2))).replace('-', '−');

function saysOf({ slope, goes, points, meetsLimitIn, of, max }: Trend, factor: number, unit: string): string {
  if (of === 'oil-use')
    return max === null
      ? 'What was added, over the hours since the time before.'
      : goes === 'up'
        ? 'The middle of the last uplifts is over the club’s limit.'
        : 'The middle of the last uplifts is within the club’s limit.';
  if (slope === null)
    return points.length < FEWEST
      ? `${points.length} figures: too few to say where it goes.`
      : 'The figures say nothing of where it goes.';
  const month = (value: number) => figure((value * MONTH) / factor);
  const [low, high] = [slope.low, slope.high].map((value) =>
    month(goes === 'unsure' ? value : Math.abs(value)),
  );
  const [least, most] = goes === 'down' ? [high, low] : [low, high];
  const interval = `${least} to ${most}, 95 % interval`;
  if (goes === 'unsure')
    return `No direction can be told (${least} to ${most} ${unit} in ${MONTH} days, 95 % interval).`;
  const where = `${goes === 'up' ? 'Rises' : 'Falls'} by ${month(Math.abs(slope.slope))} ${unit} in ${MONTH} days (${interval}).`;
  return meetsLimitIn === null
    ? where
    : `${where} It may meet its limit ${meetsLimitIn < 1 ? 'now' : `in ${Math.floor(meetsLimitIn)} days`}.`;
}

/** A trend as it is shown. */
export function tellTrend(trend: Trend, zone: ZoneId): TrendView {
  const { of, which, points, slope, min, max, meetsLimitIn, goes } = trend;
  const { unit, factor } = unitOf(of);
  const name =
    of === 'gauge-error' || of === 'oil-use' ? NAMES[of] : sentenceCase(QUANTITY_NAMES_IN_WORDS[of]);
  const first = points[0]?.x ?? 0;
  const last = points.at(-1)?.x ?? 0;
  const at = (x: number) => (slope === null ? 0 : (slope.at0 + slope.slope * x) / factor);
  return {
    name: which === null ? name : `${name}, ${which}`,
    unit,
    points: points.map(({ x, value, at: when }) => ({
      x,
      y: value / factor,
      when: when === null ? readingText(hoursFromSeconds(x)) : momentText(when, zone),
    })),
    line: slope === null ? null : { from: at(first), to: at(last) },
    min: min === null ? null : min / factor,
    max: max === null ? null : max / factor,
    says: saysOf(trend, factor, unit),
    isNear: (meetsLimitIn !== null && meetsLimitIn <= NEAR_DAYS) || (of === 'oil-use' && goes === 'up'),
  };
}

/** How often a drain's cup showed water. */
export function tellWater({ drain, wet, samples, low, high }: WaterTrend): string {
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  const cups = `${samples} ${samples === 1 ? 'cup' : 'cups'}`;
  const interval = `95 % interval ${percent(low)} to ${percent(high)}`;
  return `${sentenceCase(drain)}: water in ${wet} of the last ${cups} (${interval}).`;
}
