import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import gammaQuantile from '@stdlib/stats-base-dists-gamma-quantile';

/** What each side of an interval of 95 % leaves out. */
const TAIL = 0.025;

/** So many events over an exposure, in whatever unit the caller counts it. */
export interface Counted {
  readonly events: number;
  readonly exposure: number;
}

/** Events for each unit of exposure, with the interval of 95 % in which the rate lies. */
export interface Rate extends Counted {
  readonly rate: number;
  readonly low: number;
  readonly high: number;
}

/** @throws RangeError for events that are no whole number from 0, or an exposure below 0 */
function requireCounted({ events, exposure }: Counted): void {
  if (!Number.isInteger(events) || events < 0)
    throw new RangeError(`events are a whole number from 0, not ${events}`);
  if (!(exposure >= 0)) throw new RangeError(`an exposure is 0 or more, not ${exposure}`);
}

/**
 * The rate of events that come independently of each other, with its exact interval of 95 %.
 * Method: F. Garwood 1936, Biometrika 28, 437–442 (from memory).
 * @returns null without exposure: nobody knows of a rate then
 */
export function rateOf(counted: Counted): Rate | null {
  requireCounted(counted);
  const { events, exposure } = counted;
  if (exposure === 0) return null;
  return {
    events,
    exposure,
    rate: events / exposure,
    low: events === 0 ? 0 : gammaQuantile(TAIL, events, 1) / exposure,
    high: gammaQuantile(1 - TAIL, events + 1, 1) / exposure,
  };
}

/** How many times as often something happens here as elsewhere, with its interval of 95 %. */
export interface RateRatio {
  /** Infinite where elsewhere there was none. */
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
}

/** The odds of a share; infinite for the whole. */
const odds = (share: number): number => (share === 1 ? Infinity : share / (1 - share));

/**
 * Compares two rates exactly: of all events, those that are here follow a binomial distribution.
 * Method: J. Przyborowski and H. Wilenski 1940, Biometrika 31, 313–323, with the interval of C. Clopper and E. Pearson 1934,
 * Biometrika 26, 404–413 (from memory).
 * @returns null where one of them has no exposure, or there was no event at all
 */
export function rateRatio(here: Counted, elsewhere: Counted): RateRatio | null {
  requireCounted(here);
  requireCounted(elsewhere);
  const [a, b] = [here.events, elsewhere.events];
  if (here.exposure === 0 || elsewhere.exposure === 0 || a + b === 0) return null;
  const scale = elsewhere.exposure / here.exposure;
  const low = a === 0 ? 0 : betaQuantile(TAIL, a, b + 1);
  const high = b === 0 ? 1 : betaQuantile(1 - TAIL, a + 1, b);
  return { ratio: odds(a / (a + b)) * scale, low: odds(low) * scale, high: odds(high) * scale };
}
