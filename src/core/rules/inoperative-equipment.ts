import { compareTexts } from '../order';
import { ALL_USES, NO_USES, isEmpty, union, usesInAny, type UseSet } from '../envelope/use-set';
import type { Aircraft } from '../records/aircraft/aircraft';
import {
  deferralFaults,
  isDeferrable,
  REPAIR_CATEGORIES,
  type Deferral,
  type Discrepancy,
} from '../records/findings/discrepancy';
import { isWithinReachOfPermits } from '../records/maintenance/permit';
import { lineOf, type AskedFor, type EquipmentKind } from '../records/aircraft/equipment';
import type { KnownFacts } from '../records/facts';
import { countingInspections } from '../records/maintenance/inspection';
import { addDays, type CivilDate } from '../time/civil-date';
import { countingDone } from '../records/maintenance/maintenance-item';
import { civilDateAt, endOfDay, type ZoneId } from '../time/zone';
import { closedTogether } from './parts/closed-uses';
import type { Lessons } from './parts/for-hire';
import { isOpen } from './parts/inoperative';
import { isRemovedElt, eltUses } from './parts/elt-uses';
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
import type { InoperativeCause } from './parts/reason';
import { linesFor } from './parts/required-lists';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.213(d)' } as const;
const listed = { kind: 'regulation', citation: '14 CFR 91.213(a)' } as const;
const between = { kind: 'regulation', citation: '14 CFR 91.405(c)' } as const;

/** Uses that a document of the aircraft asks an item for; what is not known is asked for always. */
function askedUses(asked: AskedFor): UseSet {
  return asked === 'no' ? NO_USES : asked === 'always' || asked === null ? ALL_USES : usesInAny(asked);
}

/** Uses that the operating rules need the item for. */
function ruleUses(kind: EquipmentKind, aircraft: Aircraft, { lessons, steps }: Asking): UseSet {
  // A system of anticollision lights that is fitted is on by day and by night (14 CFR 91.209(b)), also in aircraft that need none by day: the strict
  // reading, and ours. Removed or deactivated with its steps it is no longer fitted, and only what the lists need it for stays closed.
  if (kind === 'anticollision-lights' && !steps) return ALL_USES;
  if (kind === 'elt') return eltUses(aircraft);
  const lines = linesFor(aircraft, lessons).filter(
    ({ equipment, needed }) => equipment === kind && needed(aircraft) !== false,
  );
  return lines.length === 0 ? NO_USES : union(...lines.map(({ uses }) => uses));
}

/** How the operating rules are asked: whether lessons are for hire, and whether the item has been removed or deactivated with its steps. */
interface Asking {
  readonly lessons: Lessons;
  readonly steps: boolean;
}

interface Answers {
  readonly closes: UseSet;
  readonly because: readonly InoperativeCause[];
  readonly ads: readonly string[];
}

/** The four questions for one kind: type certification and the day list, the aircraft's own lists, the operating rules, an AD. */
function fourQuestions(
  kind: EquipmentKind,
  { aircraft, equipmentList, ads }: KnownFacts,
  asking: Asking,
): Answers {
  const item = lineOf(equipmentList, kind);
  // An AD that does not apply asks for nothing; one that does not say what it wants in working order may ask for this.
  const wanting =
    ads
      ?.filter(({ applies, equipment }) => applies !== false && equipment?.includes(kind) !== false)
      .map(({ id }) => id)
      .sort() ?? [];
  const asked: readonly (readonly [InoperativeCause, UseSet])[] = [
    ['type-certification', item?.typeCertification === false ? NO_USES : ALL_USES],
    ['equipment-list', askedUses(item === null ? null : item.equipmentList)],
    ['kinds-of-operation', askedUses(item === null ? null : item.kindsOfOperation)],
    ['operating-rule', ruleUses(kind, aircraft, asking)],
    ['ad', ads === null || wanting.length > 0 ? ALL_USES : NO_USES],
  ];
  return together(asked, wanting);
}

function together(asked: readonly (readonly [InoperativeCause, UseSet])[], ads: readonly string[]): Answers {
  const closing = asked.filter(([, uses]) => !isEmpty(uses));
  return {
    because: [...new Set(closing.map(([cause]) => cause))],
    closes: closing.length === 0 ? NO_USES : union(...closing.map(([, uses]) => uses)),
    ads,
  };
}

/** What a finding keeps closed: the four questions for every kind that it names, and the uses that the walk-round list says need it. */
function answersFor({ equipment, closesUses }: Discrepancy, facts: KnownFacts, asking: Asking): Answers {
  const each = equipment.map((kind) => fourQuestions(kind, facts, asking));
  const asked = each.flatMap(({ because, closes }) =>
    because.map((cause): readonly [InoperativeCause, UseSet] => [cause, closes]),
  );
  const named: readonly (readonly [InoperativeCause, UseSet])[] =
    closesUses.length === 0 ? [] : [['walk-round', closedTogether(closesUses)]];
  return together([...asked, ...named], [...new Set(each.flatMap(({ ads }) => ads))].sort());
}

/** The last day of a deferral: its own, or that of its repair category, the day of record not counted. */
function lastDayOf({ deferredOn, until, listed: category }: Deferral): CivilDate | null {
  const own = until === null ? [] : [until];
  if (category === null || deferredOn === null) return own[0] ?? null;
  const days = category.category === 'A' ? category.days : REPAIR_CATEGORIES[category.category];
  // Category A without its number of days gives none.
  return [...own, days === null ? deferredOn : addDays(deferredOn, days)].sort()[0] ?? null;
}

/**
 * The required inspection that came and went after an item was found inoperative, and left it so; null where none did. One of the day
 * on which it was deferred inspected it: the list of 43.11(b) may defer.
 */
function passedOver(
  { happenedAt, deferral }: Discrepancy,
  { inspections, items, place: { zone }, authority }: KnownFacts,
): { readonly id: string; readonly completedOn: CivilDate } | null {
  const foundOn = civilDateAt(happenedAt, zone);
  const whole = countingInspections(inspections, ['annual', 'hundred-hour', 'condition'], zone, authority);
  const segments = (items ?? [])
    .filter(({ signedAs }) => signedAs === 'progressive-segment')
    .flatMap(({ done, signedAs }) => countingDone(done, signedAs, zone, authority));
  return (
    [...whole, ...segments]
      .filter(({ completedOn }) => completedOn > foundOn && completedOn !== deferral?.deferredOn)
      .sort((a, b) => compareTexts(a.completedOn, b.completedOn))[0] ?? null
  );
}

function judgeOne(discrepancy: Discrepancy, facts: KnownFacts, lessons: Lessons): readonly Constraint[] {
  const { id, what, deferral, equipment } = discrepancy;
  const { place, aircraft } = facts;
  const zone = place.zone;
  const faults = deferral === null ? [] : deferralFaults(discrepancy, deferral, zone, facts.authority);
  const { closes, because, ads } = answersFor(discrepancy, facts, {
    lessons,
    steps: deferral !== null && faults.length === 0,
  });
  const approvedList = aircraft.particulars.minimumEquipmentList === 'approved';
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
    // Repaired, replaced, removed or inspected at the next required inspection: one that came and went without it ends every deferral of it.
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
  // Who holds an approved list may not fall back on deferring without it.
  if (
    faults.length > 0
    || (approvedList && deferral.listed === null)
    || (!approvedList && deferral.listed !== null)
  ) {
    const all = faults.length > 0 ? faults : (['record-missing'] as const);
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
  }
  return [...constraints, ...held(discrepancy, deferral, base, aircraft, zone, repair)];
}

/** What a deferral that counts keeps closed, holds to a number, and when it ends. */
function held(
  { id, what, equipment }: Discrepancy,
  deferral: Deferral,
  base: Pick<Constraint, 'source' | 'records' | 'permitMayCover'>,
  { particulars }: Aircraft,
  zone: ZoneId,
  repair: Remedy,
): readonly Constraint[] {
  const made = (given: Pick<Constraint, 'key' | 'reason' | 'closes'> & Partial<Constraint>) =>
    constraint({ ...base, certainty: 'failed', remedies: [repair], ...given });
  const lastDay = lastDayOf(deferral);
  const { cap, untilTimeInService } = deferral;
  return [
    // Told though it closes nothing: the person who flies sees a placard.
    made({
      key: `${id}.deferred`,
      reason: { code: 'item-deferred', equipment, what, deferredOn: deferral.deferredOn },
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
    ...(cap === null
      ? []
      : [
          made({
            key: `${id}.cap`,
            reason: { code: 'deferral-holds-to', what, cap },
            closes: ALL_USES,
            cap: { ...cap, own: cap.quantity === 'persons' ? particulars.seats : null },
          }),
        ]),
    ...(lastDay === null
      ? []
      : [
          made({
            key: `${id}.until`,
            reason: { code: 'deferral-expires', what, lastDay },
            closes: ALL_USES,
            begins: from(endOfDay(lastDay, zone)),
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
 * A finding on things of which somebody has said since, comparing the list with the aircraft, that they are not there: nothing of them can be
 * removed, deactivated or placarded. A list of before contradicts the finding, and then the stricter holds.
 */
function isNotFitted({ equipment, happenedAt }: Discrepancy, { equipmentList }: KnownFacts): boolean {
  return (
    equipmentList !== null
    && equipmentList.happenedAt > happenedAt
    && equipment.every((kind) => lineOf(equipmentList, kind)?.fitted === false)
  );
}

/**
 * What the operating rules need an item for after sunset, by instruments and in airspace: a special flight permit speaks of an aircraft that is not
 * airworthy, and takes nothing of that away, whatever else the item is needed for. Told by itself only where there is a permit.
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

/** What a finding on instruments and equipment that may be deferred closes; those of a stricter class are closed by the rule of open discrepancies. */
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

/** Inoperative instruments and equipment: the four questions of 14 CFR 91.213(d)(2), then what has to be done, and what stays closed meanwhile. */
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
