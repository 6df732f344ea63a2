import type { UseSet } from '../../envelope/use-set';
import { addHours, hours } from '../../quantities/hours';
import type { KnownFacts } from '../../records/facts';
import { hourInterval } from '../../records/hour-interval';
import { countingInspections, discountedEntries, refusal } from '../../records/inspection';
import type { Constraint, Lift, RuleResult, Source } from './constraint';
import type { Reason } from './reason';

/** The interval of 14 CFR 91.409(b), and how far it may be flown past while en route to the inspection (from memory). */
const INTERVAL = hours('100');
const OVERRUN = hours('10');
/** An annual stands in for the hundred-hour inspection, not the reverse. */
const KINDS = ['hundred-hour', 'annual'] as const;

const inspect: Lift = { act: 'complete-hundred-hour', by: { kind: 'certificate', anyOf: ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'] } };
const annual: Lift = { act: 'complete-annual', by: { kind: 'certificate', anyOf: ['inspection-authorisation', 'repair-station'] } };
const completeEntry: Lift = { act: 'complete-inspection-entry', by: { kind: 'certificate', anyOf: ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'] } };
const clearList: Lift = { act: 'clear-inspection-list', by: { kind: 'certificate', anyOf: ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'] } };
const readMeter: Lift = { act: 'record-meter-reading', by: { kind: 'anybody-at-the-aircraft' } };
const correctMeter: Lift = { act: 'correct-meter-reading', by: { kind: 'record-keeper' } };
const excessReason: Lift = { act: 'record-excess-reason', by: { kind: 'certificate', anyOf: ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'] } };

/**
 * The hundred-hour limit as constraints on `closes`. An annual stands in for the hundred-hour inspection, not the reverse.
 * `positioning`, where given, are the uses that may be flown up to ten hours past it on the way to the inspection.
 */
export function hundredHours({ inspections, meter: now, place }: KnownFacts, source: Source, closes: UseSet, positioning: UseSet | null): RuleResult {
  const constraint = (key: string, certainty: Constraint['certainty'], reason: Reason, records: readonly string[], begins: Constraint['begins'], lifts: readonly Lift[], uses = closes): Constraint =>
    ({ key, certainty, source, reason, records, closes: uses, begins, ends: null, lifts, condition: false });
  const constraints: Constraint[] = [];
  const missing: string[] = [];

  const refused = refusal(inspections, KINDS, place.zone);
  if (refused?.kind === 'hundred-hour') {
    constraints.push(constraint('refused', 'failed', { code: 'inspection-not-approved', kind: refused.kind, completedOn: refused.completedOn }, [refused.id], { kind: 'recorded' }, [clearList]));
  }
  const counting = countingInspections(inspections, KINDS, place.zone);
  const discounted = discountedEntries(inspections, KINDS, counting.at(-1) ?? null, place.zone);
  const state = hourInterval(counting, INTERVAL);
  const entryLifts = discounted.length > 0 ? [completeEntry] : [];
  if (state === null) {
    missing.push('inspections (hundred-hour or annual)');
    constraints.push(constraint('inspection', 'unknown', { code: 'hundred-hour-unknown', discounted }, [], { kind: 'recorded' }, [...entryLifts, inspect, annual]));
  } else {
    const { last, lastAt, dueAt, takenOff } = state;
    const reasonLift = takenOff > 0 && last.excess === null ? [excessReason] : [];
    constraints.push(constraint('due', 'failed', { code: 'hundred-hour-due', dueAt, lastAt, lastKind: last.kind, takenOff, discounted }, [last.id],
      { kind: 'hours', at: dueAt }, [...entryLifts, ...reasonLift, inspect, annual]));
    if (positioning !== null) {
      const overrunTo = addHours(dueAt, OVERRUN);
      constraints.push(constraint('overrun', 'failed', { code: 'hundred-hour-overrun-ends', dueAt, overrunTo }, [last.id], { kind: 'hours', at: overrunTo }, [inspect, annual], positioning));
    }
  }

  if (now.state === 'unknown') {
    missing.push('meterReadings');
    constraints.push(constraint('meter', 'unknown', { code: 'time-in-service-unknown' }, [], { kind: 'recorded' }, [readMeter]));
  } else if (now.state === 'contradiction') {
    const { earlier, later, earlierValue, laterValue } = now;
    constraints.push(constraint('meter', 'unknown', { code: 'time-in-service-contradicts', earlier, later, earlierValue, laterValue }, [earlier, later], { kind: 'recorded' }, [correctMeter]));
  } else if (now.state === 'ahead-of-itself') {
    constraints.push(constraint('meter', 'unknown', { code: 'time-in-service-ahead-of-itself', record: now.record }, [now.record], { kind: 'recorded' }, [correctMeter]));
  }
  return { constraints, missing };
}
