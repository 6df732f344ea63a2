import type { UseSet } from '../../envelope/use-set';
import { addHours, hours } from '../../quantities/hours';
import type { KnownFacts } from '../../records/facts';
import { mayBeSignedBy } from '../../records/club/certificate';
import { hourInterval } from '../../records/maintenance/hour-interval';
import {
  ANNUALS,
  countingInspections,
  discountedEntries,
  refusal,
  type InspectionKind,
} from '../../records/maintenance/inspection';
import {
  atReading,
  constraint,
  INSPECTORS,
  remedy,
  MECHANICS,
  type Constraint,
  type Remedy,
  type RuleResult,
  type Source,
} from './constraint';
import { remediesAt } from './due';
import { meterTroubles } from './meter';

/** The interval of 14 CFR 91.409(b) (from memory). */
const INTERVAL = hours('100');

const annual: Remedy = remedy('complete-annual', INSPECTORS);

/**
 * The hundred-hour limit as constraints on `closes`. An annual stands in for the hundred-hour inspection, not the reverse; of a
 * light-sport aircraft its condition inspection does.
 * It says nothing of flights to the workshop: nobody is carried or taught for hire on them.
 */
export function hundredHours(facts: KnownFacts, source: Source, closes: UseSet): RuleResult {
  const { inspections, place, authority } = facts;
  const kinds: readonly InspectionKind[] =
    facts.aircraft.category === 'light-sport' || facts.aircraft.category === 'experimental'
      ? ['hundred-hour', 'condition']
      : ['hundred-hour', ...ANNUALS];
  const whole = kinds.includes('condition')
    ? remedy('complete-condition-inspection', {
        kind: 'certificate',
        anyOf: mayBeSignedBy('condition-inspection', authority),
      })
    : annual;
  const inspect = remedy('complete-hundred-hour', {
    kind: 'certificate',
    anyOf: mayBeSignedBy('hundred-hour-inspection', authority),
  });
  const constraints: Constraint[] = [];
  const missing: string[] = [];
  // A refused hundred-hour closes by a rule of its own until its list is cleared; then it counts here.
  const refused = refusal(inspections, 'hundred-hour', kinds, place.zone, authority);
  const counting = countingInspections(inspections, kinds, place.zone, authority);
  const discounted = discountedEntries(inspections, kinds, counting.at(-1) ?? null, place.zone, authority);
  const state = hourInterval(counting, INTERVAL);
  // Completing an entry that states its hours counts from those; one that does not may turn out to be of any.
  const entryRemedies = discounted
    .slice(0, 1)
    .map(({ timeInService: then }) =>
      remedy(
        refused === null ? 'complete-inspection-entry' : 'clear-inspection-list',
        MECHANICS,
        'hundred-hour',
        null,
        then === null ? null : atReading('time-in-service', addHours(then, INTERVAL)),
      ),
    );
  if (state === null) {
    missing.push('inspections (hundred-hour or annual)');
    constraints.push(
      constraint({
        key: 'inspection',
        certainty: 'unknown',
        source,
        reason: { code: 'hundred-hour-unknown', discounted },
        closes,
        remedies: [...entryRemedies, inspect, whole],
        permitMayCover: true,
      }),
    );
  } else {
    const { last, lastAt, dueAt, takenOff } = state;
    const reasonRemedy =
      takenOff > 0 && last.excess === null
        ? [
            remedy(
              'record-excess-reason',
              MECHANICS,
              'hundred-hour',
              null,
              atReading('time-in-service', addHours(lastAt, INTERVAL)),
            ),
          ]
        : [];
    constraints.push(
      constraint({
        key: 'due',
        certainty: 'failed',
        source,
        reason: { code: 'hundred-hour-due', dueAt, lastAt, lastKind: last.kind, takenOff, discounted },
        records: [last.id],
        closes,
        begins: atReading('time-in-service', dueAt),
        remedies: remediesAt(facts, 'time-in-service', dueAt, [
          ...entryRemedies,
          ...reasonRemedy,
          inspect,
          whole,
        ]),
        permitMayCover: true,
      }),
    );
  }
  const meter = meterTroubles(facts, ['time-in-service'], source, closes);
  return { constraints: [...constraints, ...meter.constraints], missing: [...missing, ...meter.missing] };
}
