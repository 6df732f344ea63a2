import { ALL_USES, difference, usesIn } from '../envelope/use-set';
import { checkFlightCounts, workFaults } from '../records/maintenance/work-entry';
import { constraint, remedy, MECHANICS, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.407' } as const;

/** The check flight itself, with nobody on board but the crew. */
const CHECK_FLIGHT = usesIn({
  purpose: ['maintenance-check-flight'],
  crew: ['rated-pilot'],
  passengers: ['none'],
});
const BUT_CHECK_FLIGHT = difference(ALL_USES, CHECK_FLIGHT);

/** Work is approved for return to service by an entry with every required element; work that may change how it flies needs a check flight first. */
export const maintenanceEntries = rule({
  id: 'maintenance-entries',
  title: 'Maintenance entries and check flights',
  source,
  explanation:
    'After maintenance nobody flies until an entry with description, date, name, certificate and signature approves it. If the work may have changed how the aircraft flies, a rated pilot flies it first with nobody aboard but the crew, and logs that, unless ground tests showed conclusively that nothing changed.',
  judge: ({ work, place, authority }) =>
    result(
      work.flatMap((entry): readonly Constraint[] => {
        const { id, completedOn, mayChangeFlight, groundTestsConclusive, checkFlight } = entry;
        const description = entry.description ?? '';
        const faults = workFaults(entry, place.zone, authority);
        if (faults.length > 0 || completedOn === null) {
          return [
            constraint({
              key: id,
              certainty: 'failed',
              source: { kind: 'regulation', citation: '14 CFR 91.407(a) and 43.9' },
              // Nobody has said that it is done, nor signed for it: that is no faulty entry.
              reason:
                completedOn === null && entry.signedBy === null
                  ? { code: 'work-in-progress', description }
                  : { code: 'work-entry-not-valid', description, faults },
              records: [id],
              closes: ALL_USES,
              remedies: [remedy('release-after-work', MECHANICS, id)],
              permitMayCover: true,
            }),
          ];
        }
        if (mayChangeFlight === false) return [];
        if (mayChangeFlight === null) {
          return [
            constraint({
              key: id,
              certainty: 'unknown',
              source,
              reason: { code: 'work-effect-unknown', description, effect: 'flight-characteristics' },
              records: [id],
              closes: BUT_CHECK_FLIGHT,
              remedies: [remedy('release-after-work', MECHANICS, id)],
            }),
          ];
        }
        if (groundTestsConclusive === true) return [];
        if (checkFlightCounts(entry, place.zone, authority)) return [];
        return [
          constraint({
            key: id,
            certainty: 'failed',
            source: { kind: 'regulation', citation: '14 CFR 91.407(b)' },
            reason: {
              code: 'check-flight-needed',
              description,
              completedOn,
              attempted: checkFlight !== null,
            },
            records: [id],
            closes: BUT_CHECK_FLIGHT,
            remedies: [
              remedy('fly-check-flight', { kind: 'certificate', anyOf: ['pilot', 'flight-instructor'] }, id),
              remedy('release-after-work', MECHANICS, id),
            ],
          }),
        ];
      }),
    ),
});
