import type { Category } from '../../records/aircraft/aircraft';
import type { UseSet } from '../../envelope/use-set';
import { constraint, remedy, RECORD_KEEPER, type Constraint, type Source } from './constraint';

/**
 * The constraint of a rule that knows only some certification categories, or null when it knows this one.
 * An aircraft whose category has no rules is closed, not guessed.
 */
export function uncoveredCategory(
  category: Category | null,
  covered: readonly Category[],
  source: Source,
  closes: UseSet,
): Constraint | null {
  if (category !== null && covered.includes(category)) return null;
  return constraint({
    key: 'category',
    certainty: 'unknown',
    source,
    closes,
    reason: category === null ? { code: 'category-unknown' } : { code: 'category-without-rules', category },
    remedies: [remedy(category === null ? 'record-category' : 'use-covered-category', RECORD_KEEPER)],
  });
}
