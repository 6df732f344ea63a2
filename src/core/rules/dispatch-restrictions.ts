import { usesInAny } from '../envelope/use-set';
import { constraint, DISPATCHER, remedy, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

/** What somebody on duty closed beyond the records. It can only restrict, and it has a reason. */
export const dispatchRestrictions = rule({
  id: 'dispatch-restrictions',
  title: 'Dispatch restrictions',
  source: { kind: 'club-policy' },
  explanation:
    'A dispatcher, instructor or mechanic may restrict an aircraft, or some uses of it, or hold it to a number, beyond what the records ask, with a reason and an end. Nobody can restrict it less than the records do.',
  judge: (facts) =>
    result(
      facts.dispatchRestrictions.flatMap((one): readonly Constraint[] => {
        if (one.withdrawn !== null) return [];
        const { id, why, by, cap, until } = one;
        return [
          constraint({
            key: id,
            certainty: 'failed',
            source: { kind: 'club-policy' },
            reason: { code: 'restricted', why, by, cap },
            records: [id],
            closes: usesInAny(one.uses),
            ends: until,
            cap:
              cap === null
                ? null
                : { ...cap, own: cap.quantity === 'persons' ? facts.aircraft.particulars.seats : null },
            remedies: [remedy('withdraw-dispatch-restriction', DISPATCHER, id)],
          }),
        ];
      }),
    ),
});
