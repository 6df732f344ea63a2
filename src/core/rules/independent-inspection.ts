import { ALL_USES } from '../envelope/use-set';
import { mayBeSignedBy } from '../records/club/certificate';
import { independentInspectionCounts } from '../records/maintenance/work-entry';
import { constraint, remedy, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: 'CAR 1988 reg 42G' } as const;
const second = { kind: 'certificate', anyOf: ['licensed-engineer', 'repair-station', 'pilot'] } as const;

/** After work on flight controls a second person inspects them, who is not the one who did the work. */
export const independentInspection = rule({
  id: 'independent-inspection',
  title: 'Second inspection of flight controls',
  source,
  explanation:
    'Whenever flight controls were worked on, two people inspect them, one after the other and each on their own. The aircraft does not fly before the second has signed.',
  judge: ({ work, place, authority }) =>
    result(
      work.flatMap((entry): readonly Constraint[] => {
        const { id, flightControls } = entry;
        if (flightControls === false) return [];
        const description = entry.description ?? '';
        if (flightControls === null)
          return [
            constraint({
              key: id,
              certainty: 'unknown',
              source,
              reason: { code: 'work-effect-unknown', description, effect: 'flight-controls' },
              records: [id],
              closes: ALL_USES,
              remedies: [
                remedy(
                  'release-after-work',
                  { kind: 'certificate', anyOf: mayBeSignedBy('return-to-service', authority) },
                  id,
                ),
              ],
              permitMayCover: true,
            }),
          ];
        const counts = independentInspectionCounts(entry, place.zone, authority);
        return counts
          ? []
          : [
              constraint({
                key: id,
                certainty: 'failed',
                source,
                reason: { code: 'independent-inspection-needed', description },
                records: [id],
                closes: ALL_USES,
                remedies: [remedy('inspect-independently', second, id)],
              }),
            ];
      }),
    ),
});
