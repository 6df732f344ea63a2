import type { UseSet } from '../../envelope/use-set';
import type { KnownFacts } from '../../records/facts';
import type { Meter } from '../../records/meters/meters';
import { ANYBODY, constraint, remedy, RECORD_KEEPER, type Constraint, type Source } from './constraint';

/**
 * What stands in the way of trusting a meter that a limit of `closes` counts on; null when it is known.
 * A contradiction names both records.
 */
export function meterTrouble(
  { meters }: KnownFacts,
  meter: Meter,
  source: Source,
  closes: UseSet,
): Constraint | null {
  const standing = meters[meter];
  const key = `meter-${meter}`;
  const correct = [remedy('correct-meter-reading', RECORD_KEEPER, meter)];
  switch (standing.state) {
    case 'known':
      return null;
    case 'unknown':
      return constraint({
        key,
        certainty: 'unknown',
        source,
        reason: { code: 'meter-unknown', meter },
        closes,
        remedies: [remedy('record-meter-reading', ANYBODY, meter)],
      });
    case 'ahead-of-itself':
      return constraint({
        key,
        certainty: 'unknown',
        source,
        reason: { code: 'meter-ahead-of-itself', meter, record: standing.record },
        records: [standing.record],
        closes,
        remedies: correct,
      });
    case 'contradiction': {
      const { earlier, later, earlierValue, laterValue } = standing;
      return constraint({
        key,
        certainty: 'unknown',
        source,
        reason: { code: 'meter-contradicts', meter, earlier, later, earlierValue, laterValue },
        records: [earlier, later],
        closes,
        remedies: correct,
      });
    }
    default: {
      const missing: never = standing;
      throw new RangeError(`no such standing: ${JSON.stringify(missing)}`);
    }
  }
}

/** The troubles of several meters, each once, and the paths of those that are not on record. */
export function meterTroubles(
  facts: KnownFacts,
  meters: Iterable<Meter>,
  source: Source,
  closes: UseSet,
): { readonly constraints: readonly Constraint[]; readonly missing: readonly string[] } {
  const constraints: Constraint[] = [];
  const missing: string[] = [];
  for (const meter of new Set(meters)) {
    const trouble = meterTrouble(facts, meter, source, closes);
    if (trouble === null) continue;
    constraints.push(trouble);
    if (trouble.reason.code === 'meter-unknown') missing.push(`meterReadings (${meter})`);
  }
  return { constraints, missing };
}
