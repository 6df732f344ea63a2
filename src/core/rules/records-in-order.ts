import { ALL_USES } from '../envelope/use-set';
import { contradictions } from '../records/contradictions';
import { constraint, remedy, RECORD_KEEPER } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;

/** A record whose own times contradict each other cannot be right; what rests on it is not known. */
export const recordsInOrder = rule({
  id: 'records-in-order',
  title: 'Records in order',
  source,
  explanation:
    'Nothing can have happened after it was written down, come back before it left, or been corrected before it was found. A record that says so is wrong in one of its times, and until it is corrected the aircraft is not available: nobody knows which. Nor is an aircraft of which a record cannot be read.',
  judge: (facts) => {
    const seen = new Set<string>();
    const unreadable =
      facts.unreadable === undefined
        ? []
        : [
            constraint({
              key: 'unreadable',
              certainty: 'unknown',
              source,
              reason: { code: 'record-unreadable', why: facts.unreadable },
              closes: ALL_USES,
              // Nobody at the desk can clear it: who runs the server restores what was written.
              remedies: [],
            }),
          ];
    return result([
      ...unreadable,
      ...contradictions(facts)
        .filter(({ id }) => !seen.has(id) && seen.add(id).size > 0)
        .map(({ id, kind, how }) =>
          constraint({
            key: id,
            certainty: 'unknown',
            source,
            reason:
              how === 'ahead-of-itself'
                ? { code: 'record-ahead-of-itself', record: id, kind }
                : { code: 'record-contradicts-itself', record: id, kind, how },
            records: [id],
            closes: ALL_USES,
            remedies: [remedy('correct-record', RECORD_KEEPER, id)],
          }),
        ),
    ]);
  },
});
