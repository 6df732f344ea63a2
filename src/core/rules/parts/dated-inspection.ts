import type { UseSet } from '../../envelope/use-set';
import type { KnownFacts } from '../../records/facts';
import {
  countingInspections,
  discountedEntries,
  refusal,
  type Inspection,
  type InspectionKind,
} from '../../records/maintenance/inspection';
import { lastDayOfCalendarMonths } from '../../time/civil-date';
import { endOfDay } from '../../time/zone';
import {
  from,
  remedy,
  RECORDED,
  type Act,
  type Begins,
  type Constraint,
  type Entitled,
  type Remedy,
  type Source,
} from './constraint';
import type { Reason } from './reason';

/** An inspection or test that counts for so many calendar months. */
export interface DatedInspection {
  readonly kind: InspectionKind;
  readonly months: number;
  readonly source: Source;
  readonly closes: UseSet;
  readonly act: Act;
  readonly by: Entitled;
}

/** Its constraints, what facts were missing, and the entry that counts. */
export function datedInspection(
  { inspections, place, authority }: KnownFacts,
  { kind, months, source, closes, act, by }: DatedInspection,
): {
  readonly constraints: readonly Constraint[];
  readonly missing: readonly string[];
  readonly last: Inspection | null;
} {
  const last = countingInspections(inspections, [kind], place.zone, authority).at(-1) ?? null;
  const discounted = discountedEntries(inspections, [kind], last, place.zone, authority);
  // A refused one closes by a rule of its own until its list is cleared; then it counts.
  if (refusal(inspections, kind, [kind], place.zone, authority) !== null)
    return { last, missing: [], constraints: [] };
  const remedies = [
    ...discounted
      .slice(0, 1)
      .map(({ completedOn }) =>
        remedy(
          'complete-inspection-entry',
          by,
          kind,
          null,
          from(endOfDay(lastDayOfCalendarMonths(completedOn, months), place.zone)),
        ),
      ),
    remedy(act, by),
  ];
  const made = (
    certainty: Constraint['certainty'],
    reason: Reason,
    records: readonly string[],
    begins: Begins,
    own: readonly Remedy[],
  ): Constraint => ({
    key: kind,
    certainty,
    source,
    reason,
    records,
    closes,
    begins,
    notBefore: null,
    ends: null,
    remedies: own,
    condition: false,
    atStart: false,
    notice: false,
    cap: null,
    permitMayCover: true,
  });
  if (last === null)
    return {
      last,
      missing: [`inspections (${kind})`],
      constraints: [
        made('unknown', { code: 'inspection-unknown', kind, discounted }, [], RECORDED, remedies),
      ],
    };
  const lastDay = lastDayOfCalendarMonths(last.completedOn, months);
  return {
    last,
    missing: [],
    constraints: [
      made(
        'failed',
        { code: 'inspection-expires', kind, completedOn: last.completedOn, lastDay, discounted },
        [last.id],
        from(endOfDay(lastDay, place.zone)),
        remedies,
      ),
    ],
  };
}
