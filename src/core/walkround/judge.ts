import type { MeasureLimit } from '../records/walkround/measurement';
import type { SampleResult } from '../records/walkround/measurement';

/** True for a value outside a limit. */
export function isOutside(
  value: number,
  { min, max, open }: Pick<MeasureLimit, 'min' | 'max' | 'open'>,
): boolean {
  return (
    (min !== null && (open ? value <= min : value < min))
    || (max !== null && (open ? value >= max : value > max))
  );
}

/** What a figure comes to: inside every limit, or the strictest of those that it breaks. */
export type FigureJudgement<L> =
  { readonly is: 'inside' } | { readonly is: 'below' | 'above'; readonly limit: L };

/** From the strictest to the mildest. */
const REMEDIES = ['mechanic', 'service', 'top-up'] as const;

/**
 * A figure against the limits of what was measured. Limits of every use come before those of some.
 * @param value in the base unit of the quantity
 */
export function judgeFigure<L extends Pick<MeasureLimit, 'min' | 'max' | 'open' | 'remedy' | 'uses'>>(
  value: number,
  limits: readonly L[],
): FigureJudgement<L> {
  const [broken] = limits
    .filter((limit) => isOutside(value, limit))
    .sort(
      (a, b) =>
        Number(a.uses !== null) - Number(b.uses !== null)
        || REMEDIES.indexOf(a.remedy) - REMEDIES.indexOf(b.remedy),
    );
  if (broken === undefined) return { is: 'inside' };
  const low = broken.min !== null && (broken.open ? value <= broken.min : value < broken.min);
  return { is: low ? 'below' : 'above', limit: broken };
}

/** How much is to be added to reach a wanted amount; nothing where it is there already. Both in the same unit, exactly. */
export const toAdd = (wanted: number, aboard: number): number => Math.max(0, wanted - aboard);

/** How long fuel lasts at a burn, in whole seconds, rounded down; null where the burn is nothing. @param aboard and @param burnPerHour in picolitres */
export function enduranceSeconds(aboard: number, burnPerHour: number): number | null {
  return burnPerHour <= 0 ? null : Number((BigInt(aboard) * 3600n) / BigInt(burnPerHour));
}

/** What was seen in a cup. */
export interface CupLook {
  readonly colour: 'right' | 'wrong';
  readonly clear: boolean;
  readonly water: boolean;
  readonly dirt: boolean;
  readonly smell: 'right' | 'wrong';
}

/**
 * What a cup shows, by its worst: a wrong colour or smell is not cured by draining again, and comes first; then water, then dirt. A cup that is not
 * clear and shows neither is not known, and counts as water.
 */
export function judgeCup({ colour, clear, water, dirt, smell }: CupLook): SampleResult {
  if (colour === 'wrong') return 'wrong-colour';
  if (smell === 'wrong') return 'wrong-smell';
  if (water) return 'water';
  if (dirt) return 'dirt';
  return clear ? 'clean' : 'water';
}
