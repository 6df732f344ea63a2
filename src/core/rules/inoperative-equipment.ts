import { ALL_USES, NO_USES, isEmpty, union, usesInAny } from '../envelope/use-set';
import { minimumItem } from '../records/aircraft/minimum-list';
import {
  deferralFaults,
  isDeferrable,
  REPAIR_CATEGORIES,
  type Deferral,
  type Discrepancy,
} from '../records/findings/discrepancy';
import { isWithinReachOfPermits } from '../records/maintenance/permit';
import type { KnownFacts } from '../records/facts';
import { addDays, type CivilDate } from '../time/civil-date';
import { civilDateAt, endOfDay } from '../time/zone';
import { closedTogether } from './parts/closed-uses';
import type { Lessons } from './parts/for-hire';
import { isOpen } from './parts/inoperative';
import { isRemovedElt } from './parts/elt-uses';
import { answersFor, isNotFitted, passedOver } from './parts/four-questions';
import { isByList, listFaults } from './parts/minimum-list';
import {
  atReading,
  constraint,
  from,
  remedy,
  MECHANICS,
  PILOT_OR_MECHANIC,
  type Constraint,
  type Remedy,
} from './parts/constraint';
import { linesFor } from './parts/required-lists';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.213(d)' } as const;
const listed = { kind: 'regulation', citation: '14 CFR 91.213(a)' } as const;
const between = { kind: 'regulation', citation: '14 CFR 91.405(c)' } as const;

/**
 * The last day of a deferral: its own, or that of its repair category, the day of discovery not counted: to defer late, or again, wins
 * no day.
 * @param foundOn the day on which it was found
 */
export function lastDayOf({ until, listed: category }: Deferral, foundOn: CivilDate): CivilDate | null {
  const own = until === null ? [] : [until];
  // Without a list, or where the list gives the item no category, it is open to the next required inspection.
  if (category?.category == null) return own[0] ?? null;
  const days = category.category === 'A' ? category.days : REPAIR_CATEGORIES[category.category];
  // Category A without its number of days gives none.
  return [...own, days === null ? foundOn : addDays(foundOn, days)].sort()[0] ?? null;
}

function judgeOne(discrepancy: Discrepancy, facts: KnownFacts, lessons: Lessons): readonly Constraint[] {
  const { id, what, deferral, equipment } = discrepancy;
  const { place } = facts;
  const zone = place.zone;
  const faults = deferral === null ? [] : deferralFaults(discrepancy, deferral, zone, facts.authority);
  const { closes, because, ads } = answersFor(discrepancy, facts, {
    lessons,
    steps: deferral !== null && faults.length === 0,
  });
  const approvedList = isByList(facts);
  const passed = passedOver(discrepancy, facts);
  const repair = remedy('repair-and-return-to-service', MECHANICS, id);
  // What an inspection passed over is not opened by deferring it again.
  const defer =
    passed === null
      ? [
          remedy(
            'defer-item',
            PILOT_OR_MECHANIC,
            id,
            answersFor(discrepancy, facts, { lessons, steps: true }).closes,
          ),
          repair,
        ]
      : [repair];
  const base = {
    source: approvedList ? listed : source,
    records: deferral === null ? [id] : [id, deferral.id],
    permitMayCover: true,
  } satisfies Partial<Constraint>;
  const constraints: Constraint[] = [];
  if (!isEmpty(closes))
    constraints.push(
      constraint({
        ...base,
        key: `${id}.needed`,
        records: [...base.records, ...ads],
        certainty: 'failed',
        reason: { code: 'item-inoperative', equipment, what, because, deferred: deferral !== null },
        closes,
        remedies: [repair],
      }),
    );
  if (passed !== null) {
    // Repaired, replaced, removed or inspected at the next required inspection: one that came and went without it ends every deferral of
    // it.
    constraints.push(
      constraint({
        ...base,
        source: between,
        key: `${id}.inspection`,
        certainty: 'failed',
        reason: {
          code: 'deferral-not-addressed',
          what,
          foundOn: civilDateAt(discrepancy.happenedAt, zone),
          inspectedOn: passed.completedOn,
        },
        records: [...base.records, passed.id],
        closes: ALL_USES,
        remedies: [repair],
      }),
    );
  }
  if (deferral === null) {
    // Until it is removed or deactivated, placarded, entered and judged no hazard, nothing is open.
    return [
      ...constraints,
      constraint({
        ...base,
        key: `${id}.defer`,
        certainty: 'failed',
        reason: { code: 'item-not-deferred', equipment, what },
        closes: ALL_USES,
        remedies: defer,
        condition: passed === null,
      }),
    ];
  }
  const all = [...faults, ...listFaults(discrepancy, deferral, facts)];
  if (all.length > 0)
    return [
      ...constraints,
      constraint({
        ...base,
        key: `${id}.defer`,
        certainty: 'failed',
        reason: { code: 'deferral-not-valid', what, faults: all },
        closes: ALL_USES,
        remedies: defer,
        condition: passed === null,
      }),
    ];
  return [...constraints, ...held(discrepancy, deferral, base, facts, repair)];
}

/** What a deferral that counts keeps closed, holds to a number, and when it ends. */
function held(
  { id, what, equipment, happenedAt }: Discrepancy,
  deferral: Deferral,
  base: Pick<Constraint, 'source' | 'records' | 'permitMayCover'>,
  { place, aircraft, minimumList }: KnownFacts,
  repair: Remedy,
): readonly Constraint[] {
  const made = (given: Pick<Constraint, 'key' | 'reason' | 'closes'> & Partial<Constraint>) =>
    constraint({ ...base, certainty: 'failed', remedies: [repair], ...given });
  const lastDay = lastDayOf(deferral, civilDateAt(happenedAt, place.zone));
  const item = minimumItem(minimumList, deferral.listed?.item);
  const { cap, untilTimeInService } = deferral;
  return [
    // Told though it closes nothing: the person who flies sees a placard.
    made({
      key: `${id}.deferred`,
      reason: {
        code: 'item-deferred',
        equipment,
        what,
        deferredOn: deferral.deferredOn,
        // The pilot flies by it while the item is inoperative.
        ...(item === null || item.operations === '' ? {} : { operations: item.operations }),
      },
      closes: NO_USES,
      notice: true,
    }),
    ...(deferral.closes.length === 0
      ? []
      : [
          made({
            key: `${id}.own`,
            reason: { code: 'item-inoperative', equipment, what, because: [], deferred: true },
            closes: usesInAny(deferral.closes),
          }),
        ]),
    ...(item === null || item.closes.length === 0
      ? []
      : [
          made({
            key: `${id}.list`,
            reason: { code: 'item-inoperative', equipment, what, because: [], deferred: true },
            closes: closedTogether(item.closes),
          }),
        ]),
    ...(cap === null
      ? []
      : [
          made({
            key: `${id}.cap`,
            reason: { code: 'deferral-holds-to', what, cap },
            closes: ALL_USES,
            cap: { ...cap, own: cap.quantity === 'persons' ? aircraft.particulars.seats : null },
          }),
        ]),
    ...(lastDay === null
      ? []
      : [
          made({
            key: `${id}.until`,
            reason: { code: 'deferral-expires', what, lastDay },
            closes: ALL_USES,
            begins: from(endOfDay(lastDay, place.zone)),
          }),
        ]),
    ...(untilTimeInService === null
      ? []
      : [
          made({
            key: `${id}.hours`,
            reason: { code: 'deferral-due', what, dueAt: untilTimeInService },
            closes: ALL_USES,
            begins: atReading('time-in-service', untilTimeInService),
          }),
        ]),
  ];
}

/**
 * What the operating rules need an item for after sunset, by instruments and in airspace: a special flight
 * permit speaks of an aircraft that is not airworthy, and takes nothing of that away, whatever else the item
 * is needed for. Told by itself only where there is a permit.
 */
function bindsPermits(
  { id, what, equipment, deferral }: Discrepancy,
  facts: KnownFacts,
  lessons: Lessons,
): readonly Constraint[] {
  const needed = equipment.map((kind) =>
    union(
      NO_USES,
      ...linesFor(facts.aircraft, lessons)
        .filter(
          (line) =>
            line.equipment === kind
            && line.needed(facts.aircraft) !== false
            && !isWithinReachOfPermits(line.uses),
        )
        .map(({ uses }) => uses),
    ),
  );
  const closes = union(NO_USES, ...needed);
  if (isEmpty(closes)) return [];
  return [
    constraint({
      key: `${id}.operating`,
      certainty: 'failed',
      source,
      reason: {
        code: 'item-inoperative',
        equipment,
        what,
        because: ['operating-rule'],
        deferred: deferral !== null,
      },
      records: [id],
      closes,
      remedies: [remedy('repair-and-return-to-service', MECHANICS, id)],
    }),
  ];
}

/**
 * What a finding on instruments and equipment that may be deferred closes; those of a stricter class are closed by the rule of open
 * discrepancies.
 */
function judgeFinding(discrepancy: Discrepancy, facts: KnownFacts, lessons: Lessons): readonly Constraint[] {
  const { id, equipment, closesUses, what } = discrepancy;
  if (equipment.length === 0 || !isDeferrable(discrepancy.classification) || !isOpen(discrepancy, facts))
    return [];
  if (isRemovedElt(discrepancy, facts)) return [];
  if (!isNotFitted(discrepancy, facts)) return judgeOne(discrepancy, facts, lessons);
  // What needs them is closed by the lists; a finding that names uses closes those, and one that names none closes all.
  const closes = closesUses.length === 0 ? ALL_USES : closedTogether(closesUses);
  return [
    constraint({
      key: `${id}.needed`,
      certainty: 'failed',
      source,
      reason: { code: 'item-inoperative', equipment, what, because: ['walk-round'], deferred: false },
      records: [id],
      closes,
      remedies: [remedy('repair-and-return-to-service', MECHANICS, id)],
      permitMayCover: true,
    }),
  ];
}

/**
 * Inoperative instruments and equipment: the four questions of 14 CFR 91.213(d)(2), then what has to be done, and what stays closed
 * meanwhile.
 */
export const inoperativeEquipment = rule({
  id: 'inoperative-equipment',
  title: 'Inoperative instruments and equipment',
  source,
  explanation:
    'With an inoperative item the aircraft is not available for any use that type certification, the aircraft’s own lists, the operating rules or an AD need it for. For the rest it must be removed or deactivated, placarded, entered where that was maintenance, and determined to be no hazard by a rated pilot or a mechanic; until then it is not available for any use. An anticollision system that is fitted has to be on by day too: that reading of 91.209(b) is ours, and removing or deactivating it is the way to fly by day where the day list does not ask for it. It is repaired or inspected at the next required inspection, by its own date, and within the days of an approved list.',
  judge: (facts, { lessons }: { readonly lessons: Lessons }) =>
    result(
      facts.discrepancies.flatMap((discrepancy): readonly Constraint[] => {
        if (facts.permits.length > 0 && isOpen(discrepancy, facts))
          return [...bindsPermits(discrepancy, facts, lessons), ...judgeFinding(discrepancy, facts, lessons)];
        return judgeFinding(discrepancy, facts, lessons);
      }),
    ),
});
