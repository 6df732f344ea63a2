import { DAYS_AHEAD, DAYS_BACK } from '@/contracts/aircraft/line-bounds';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** Steps of the slider on each side of now. */
export const STEPS = 300;

/**
 * How far from now a step of the slider lies, in milliseconds: near ones are an hour apart, far ones days. A cube to the back and a
 * square ahead, so that a week takes a fifth of the way although the end lies three years off.
 * @param step from -STEPS to STEPS
 */
export function offsetOf(step: number): number {
  const share = Math.min(1, Math.abs(step) / STEPS);
  const days = step < 0 ? -DAYS_BACK * share ** 3 : DAYS_AHEAD * share ** 2;
  const unit = Math.abs(days) < 7 ? HOUR : DAY;
  // Nothing is -0.
  return Math.round((days * DAY) / unit) * unit + 0;
}

/** The step of the slider that lies nearest to a moment so far from now. */
export function stepOf(offset: number): number {
  const days = Math.abs(offset) / DAY;
  const share = offset < 0 ? Math.cbrt(days / DAYS_BACK) : Math.sqrt(days / DAYS_AHEAD);
  return Math.round(Math.min(1, share) * STEPS) * Math.sign(offset) + 0;
}

/** The next whole five minutes: a moment to come that does not become one that is over while somebody looks at it. */
export const soon = (at: number): number => Math.ceil((at + 1) / 300_000) * 300_000;

/** What stands under the slider. */
export const MARKS = [
  [-3 * 365, '3 years'],
  [-365, '1 year'],
  [-91, '3 months'],
  [-14, '2 weeks'],
  [0, 'now'],
  [7, '7 days'],
  [30, '30 days'],
  [60, '60 days'],
].map(([days, label]) => ({ value: stepOf(Number(days) * DAY), label: String(label) }));
