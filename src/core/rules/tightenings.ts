import { usesInAny } from '../envelope/use-set';
import { constraint, DISPATCHER, lift, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

/** What somebody on duty closed beyond the records. It can only tighten, and it has a reason. */
export const tightenings = rule({
  id: 'tightenings',
  title: 'Closed by the club',
  source: { kind: 'club-policy' },
  explanation: 'A dispatcher, instructor or mechanic may close an aircraft, or some uses of it, or hold it to a number, beyond what the records ask, with a reason and an end. Nobody can loosen what a record closes.',
  judge: (facts) => result(facts.tightenings.flatMap((one): readonly Constraint[] => {
    if (one.lifted !== null) return [];
    const { id, why, by, cap, until } = one;
    return [constraint({
      key: id, certainty: 'failed', source: { kind: 'club-policy' }, reason: { code: 'tightened', why, by, cap }, records: [id], closes: usesInAny(one.uses), ends: until,
      cap: cap === null ? null : { ...cap, own: cap.quantity === 'persons' ? facts.aircraft.particulars.seats : null }, lifts: [lift('lift-tightening', DISPATCHER, id)],
    })];
  })),
});
