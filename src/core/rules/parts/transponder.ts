import type { UseSet } from '../../envelope/use-set';
import { lineOf } from '../../records/aircraft/equipment';
import type { KnownFacts } from '../../records/facts';
import {
  constraint,
  remedy,
  type Constraint,
  type Entitled,
  type RuleResult,
  type Source,
  MECHANICS,
} from './constraint';
import { datedInspection } from './dated-inspection';

const MONTHS = 24;
const station: Entitled = { kind: 'certificate', anyOf: ['repair-station'] };

/** How a lapsed test restricts. The first is the text read as 'using': off, and the airspace that needs it closed. */
export const LAPSED_TRANSPONDER = ['switched-off', 'aircraft-closed'] as const;

/** The transponder's 24 months, and the test after work that could make it report a wrong altitude, as constraints on `closes`. */
export function transponderTests(facts: KnownFacts, source: Source, closes: UseSet): RuleResult {
  // Not fitted is a stated value: there is nothing to test, and the airspace is closed by the equipment lists.
  if (lineOf(facts.equipmentList, 'transponder')?.fitted === false) return { constraints: [], missing: [] };
  const { constraints, missing, last } = datedInspection(facts, {
    kind: 'transponder',
    months: MONTHS,
    source,
    closes,
    act: 'test-transponder',
    by: station,
  });
  const more: Constraint[] = [];
  for (const { id, completedOn, altitudeReportingTouched, description } of facts.work) {
    if (
      altitudeReportingTouched === false
      || (last !== null && completedOn !== null && last.completedOn >= completedOn)
    )
      continue;
    more.push(
      constraint({
        key: `touched-${id}`,
        certainty: altitudeReportingTouched === null ? 'unknown' : 'failed',
        source,
        records: [id],
        closes,
        permitMayCover: true,
        remedies: [
          ...(altitudeReportingTouched === null ? [remedy('release-after-work', MECHANICS, id)] : []),
          remedy('test-transponder', station),
        ],
        reason:
          altitudeReportingTouched === null || completedOn === null
            ? { code: 'work-effect-unknown', description: description ?? '', effect: 'altitude-reporting' }
            : { code: 'test-needed-after-work', kind: 'transponder', workedOn: completedOn },
      }),
    );
  }
  return { constraints: [...constraints, ...more], missing };
}
