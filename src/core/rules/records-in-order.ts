import { ALL_USES } from '../envelope/use-set';
import type { KnownFacts } from '../records/facts';
import { isAheadOfItself, type RecordBase } from '../records/record';
import { constraint, lift, RECORD_KEEPER } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;

/** Kinds of records without a rule of their own that would notice. Papers, readings, inspections and work do. */
function dated(facts: KnownFacts): readonly (readonly [string, readonly RecordBase[]])[] {
  const { ramp } = facts;
  return [
    ['discrepancy', facts.discrepancies], ['equipment list', facts.equipment], ['locator', facts.locators], ['receiver check', facts.receiverChecks], ['database', facts.databases],
    ['flight', facts.flightsOut], ['club paper', facts.clubPapers], ['tow rope', facts.towRopes], ['closing', facts.tightenings],
    ...(ramp === null ? [] : [['measurement', ramp.measurements], ['fuel sample', ramp.samples], ['uplift', ramp.uplifts]] as const),
  ];
}

/** A record that claims to have happened after it was written down cannot be right; what rests on it is not known. */
export const recordsInOrder = rule({
  id: 'records-in-order',
  title: 'Records in order',
  source,
  explanation: 'Nothing can have happened after it was written down. A record that says so is wrong in one of its two times, and until that is corrected the aircraft stays closed: nobody knows which.',
  judge: (facts) => result(dated(facts).flatMap(([kind, records]) => records.filter(isAheadOfItself).map(({ id }) =>
    constraint({ key: id, certainty: 'unknown', source, reason: { code: 'record-ahead-of-itself', record: id, kind }, records: [id], closes: ALL_USES, lifts: [lift('correct-record', RECORD_KEEPER, id)] })))),
});
