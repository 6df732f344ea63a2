import { ALL_USES, isEmpty, NO_USES, type UseSet } from '../envelope/use-set';
import {
  CLOSERS,
  isDeferrable,
  rectificationFaults,
  type Discrepancy,
} from '../records/findings/discrepancy';
import { watchSignedAs } from '../records/findings/triage';
import type { Hours } from '../quantities/hours';
import type { CivilDate } from '../time/civil-date';
import { civilDateAt, endOfDay, type ZoneId } from '../time/zone';
import {
  atReading,
  constraint,
  from,
  remedy,
  type Constraint,
  type Remedy,
  type Source,
} from './parts/constraint';
import { result, rule } from './parts/rule';

const airworthiness: Source = { kind: 'regulation', citation: '14 CFR 91.7 and 91.405' };

/** What an open discrepancy closes. One on the deferral path that names no equipment closes everything: nobody can answer the four questions for it. */
export function usesClosedBy({ classification }: Pick<Discrepancy, 'classification'>): UseSet {
  switch (classification) {
    case 'watch':
    case 'note':
      return NO_USES;
    case 'deferral-path':
    case 'ground-until-mechanic':
    case 'service-before-flight':
    case 'tell-instructor':
    case null:
      return ALL_USES;
    default: {
      const missing: never = classification;
      throw new RangeError(`no such classification: ${String(missing)}`);
    }
  }
}

function usualRemedy(discrepancy: Discrepancy): Remedy {
  const classification = discrepancy.classification ?? 'ground-until-mechanic';
  const act =
    classification === 'service-before-flight'
      ? 'service-and-record'
      : classification === 'tell-instructor'
        ? 'instructor-judges'
        : 'repair-and-return-to-service';
  return remedy(act, { kind: 'certificate', anyOf: CLOSERS[classification] }, discrepancy.id);
}

/** A watched thing closes when it was to be re-checked, or corrected, and was not. */
function watched(discrepancy: Discrepancy, zone: ZoneId): readonly Constraint[] {
  const { id, what, watch } = discrepancy;
  if (watch === null) return [];
  const made = (
    key: string,
    lastDay: CivilDate | null,
    dueAt: Hours | null,
    trigger: 'look-again' | 'fix-by',
  ): readonly Constraint[] => {
    const begins =
      lastDay !== null
        ? from(endOfDay(lastDay, zone))
        : dueAt !== null
          ? atReading('time-in-service', dueAt)
          : null;
    if (begins === null) return [];
    // What a mechanic put on watch an instructor neither closes nor watches on.
    const isJudged = watchSignedAs(discrepancy) === 'judgement';
    const remedies = [
      remedy(
        trigger === 'fix-by' || !isJudged ? 'repair-and-return-to-service' : 'instructor-judges',
        { kind: 'certificate', anyOf: isJudged ? CLOSERS.watch : CLOSERS['ground-until-mechanic'] },
        id,
      ),
    ];
    return [
      constraint({
        key: `${id}.${key}`,
        certainty: 'failed',
        source: { kind: 'common-practice' },
        reason: { code: 'watch-due', what, lastDay, dueAt, trigger },
        records: [id],
        closes: ALL_USES,
        begins,
        remedies,
      }),
    ];
  };
  return [
    ...made('look-again', watch.recheckBy, null, 'look-again'),
    ...made('look-again-hours', null, watch.recheckAt, 'look-again'),
    ...made('fix-by', watch.correctBy, null, 'fix-by'),
  ];
}

/** Open discrepancies close what their class closes, until an entry that counts has closed them. */
export const openDiscrepancies = rule({
  id: 'open-discrepancies',
  title: 'Open discrepancies',
  source: airworthiness,
  explanation:
    'With a discrepancy that is not yet corrected, deferred or cleared by an entitled person the aircraft is not available, or not for the uses that need the item. A watched item restricts it once its re-check is overdue; a known mark that did not change restricts nothing.',
  judge: ({ discrepancies, place, authority }) =>
    result(
      discrepancies.flatMap((discrepancy): readonly Constraint[] => {
        const { id, what, where, rectification, foundBy, closesUses } = discrepancy;
        // An inoperative instrument that may be deferred has a rule of its own, however mildly somebody classed it.
        if (discrepancy.equipment.length > 0 && isDeferrable(discrepancy.classification)) return [];
        const faults =
          rectification === null
            ? null
            : rectificationFaults(discrepancy, rectification, place.zone, authority);
        if (faults?.length === 0) return [];
        const closes = usesClosedBy(discrepancy);
        if (isEmpty(closes)) return watched(discrepancy, place.zone);
        const classification = discrepancy.classification ?? 'ground-until-mechanic';
        return [
          constraint({
            key: id,
            certainty: 'failed',
            closes,
            source:
              classification === 'service-before-flight' || classification === 'tell-instructor'
                ? { kind: 'common-practice' }
                : airworthiness,
            records: rectification === null ? [id] : [id, rectification.id],
            reason:
              faults === null
                ? {
                    code: 'discrepancy-open',
                    what,
                    where,
                    classification,
                    classified: discrepancy.classification !== null,
                    closesUses,
                    foundBy,
                    foundOn: civilDateAt(discrepancy.happenedAt, place.zone),
                  }
                : { code: 'discrepancy-repair-not-valid', what, where, faults, classification },
            remedies:
              faults === null
                ? [usualRemedy(discrepancy)]
                : [
                    remedy(
                      'complete-repair-entry',
                      { kind: 'certificate', anyOf: CLOSERS[classification] },
                      id,
                    ),
                    usualRemedy(discrepancy),
                  ],
            condition: classification === 'service-before-flight' || classification === 'tell-instructor',
            permitMayCover: true,
          }),
        ];
      }),
    ),
});
