import { ALL_USES } from '../envelope/use-set';
import { mayBeSignedBy, type Authority } from '../records/club/certificate';
import { uncoveredCategory } from './parts/category';
import type { Entitled } from './parts/constraint';
import { datedInspection } from './parts/dated-inspection';
import { result, rule } from './parts/rule';

const source = {
  kind: 'regulation',
  citation: '14 CFR 91.327(b)(2) and 91.319, as before 24 July 2026',
} as const;
const MONTHS = 12;
/** Those whose signature counts for an aircraft of the category. */
const conditionInspectors = (authority: Authority): Entitled => ({
  kind: 'certificate',
  anyOf: mayBeSignedBy('condition-inspection', authority),
});

/**
 * The condition inspection that stands in place of an annual for light-sport and experimental aircraft.
 * The text may differ from 24 July 2026 on; the stricter known reading is kept.
 */
export const conditionInspection = rule({
  id: 'condition-inspection',
  title: 'Condition inspection',
  source,
  explanation:
    'Light-sport and experimental aircraft have a condition inspection within the last 12 calendar months instead of an annual. A mechanic or a repair station may sign it; of a light-sport aircraft a repairman with a maintenance rating, of an experimental one the repairman who built it.',
  judge: (facts) => {
    const { category } = facts.aircraft;
    if (category === 'standard' || category === 'glider') return result([]);
    const closed = uncoveredCategory(category, ['light-sport', 'experimental'], source, ALL_USES);
    if (closed !== null) return result([closed], category === null ? ['aircraft.category'] : []);
    const { constraints, missing } = datedInspection(facts, {
      kind: 'condition',
      months: MONTHS,
      source,
      closes: ALL_USES,
      act: 'complete-condition-inspection',
      by: conditionInspectors(facts.authority),
    });
    return result(constraints, missing);
  },
});
