import { compareTexts } from '../../order';
import { ALL_USES, NO_USES, isEmpty, union, usesInAny, type UseSet } from '../../envelope/use-set';
import type { Aircraft } from '../../records/aircraft/aircraft';
import { lineOf, type AskedFor, type EquipmentKind } from '../../records/aircraft/equipment';
import type { KnownFacts } from '../../records/facts';
import type { Discrepancy } from '../../records/findings/discrepancy';
import { countingInspections } from '../../records/maintenance/inspection';
import { countingDone } from '../../records/maintenance/maintenance-item';
import type { CivilDate } from '../../time/civil-date';
import { civilDateAt } from '../../time/zone';
import { closedTogether } from './closed-uses';
import { eltUses } from './elt-uses';
import type { Lessons } from './for-hire';
import type { InoperativeCause } from './reason';
import { linesFor } from './required-lists';

/** Uses that a document of the aircraft asks an item for; what is not known is asked for always. */
function askedUses(asked: AskedFor): UseSet {
  return asked === 'no' ? NO_USES : asked === 'always' || asked === null ? ALL_USES : usesInAny(asked);
}

/** Uses that the operating rules need the item for. */
function ruleUses(kind: EquipmentKind, aircraft: Aircraft, { lessons, steps }: Asking): UseSet {
  // A system of anticollision lights that is fitted is on by day and by night (14 CFR 91.209(b)), also in
  // aircraft that need none by day: the strict reading, and ours. Removed or deactivated with its steps it is
  // no longer fitted, and only what the lists need it for stays closed.
  if (kind === 'anticollision-lights' && !steps) return ALL_USES;
  if (kind === 'elt') return eltUses(aircraft);
  const lines = linesFor(aircraft, lessons).filter(
    ({ equipment, needed }) => equipment === kind && needed(aircraft) !== false,
  );
  return lines.length === 0 ? NO_USES : union(...lines.map(({ uses }) => uses));
}

/** How the operating rules are asked: whether lessons are for hire, and whether the item has been removed or deactivated with its steps. */
export interface Asking {
  readonly lessons: Lessons;
  readonly steps: boolean;
}

export interface Answers {
  readonly closes: UseSet;
  readonly because: readonly InoperativeCause[];
  readonly ads: readonly string[];
}

/** One of the questions, with the uses that its answer closes: none where it does not ask for the item. */
export type Question = readonly [InoperativeCause, UseSet];

/** The four questions for one kind: type certification and the day list, the aircraft's own lists, the operating rules, an AD. */
export function fourQuestions(
  kind: EquipmentKind,
  { aircraft, equipmentList, ads }: KnownFacts,
  asking: Asking,
): { readonly asked: readonly Question[]; readonly wanting: readonly string[] } {
  const item = lineOf(equipmentList, kind);
  // An AD that does not apply asks for nothing; one that does not say what it wants in working order may ask for this.
  const wanting =
    ads
      ?.filter(({ applies, equipment }) => applies !== false && equipment?.includes(kind) !== false)
      .map(({ id }) => id)
      .sort() ?? [];
  const asked: readonly Question[] = [
    ['type-certification', item?.typeCertification === false ? NO_USES : ALL_USES],
    ['equipment-list', askedUses(item === null ? null : item.equipmentList)],
    ['kinds-of-operation', askedUses(item === null ? null : item.kindsOfOperation)],
    ['operating-rule', ruleUses(kind, aircraft, asking)],
    ['ad', ads === null || wanting.length > 0 ? ALL_USES : NO_USES],
  ];
  return { asked, wanting };
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
export function answersFor(
  { equipment, closesUses }: Discrepancy,
  facts: KnownFacts,
  asking: Asking,
): Answers {
  const each = equipment.map((kind) => {
    const { asked, wanting } = fourQuestions(kind, facts, asking);
    return together(asked, wanting);
  });
  const asked = each.flatMap(({ because, closes }) =>
    because.map((cause): readonly [InoperativeCause, UseSet] => [cause, closes]),
  );
  const named: readonly (readonly [InoperativeCause, UseSet])[] =
    closesUses.length === 0 ? [] : [['walk-round', closedTogether(closesUses)]];
  return together([...asked, ...named], [...new Set(each.flatMap(({ ads }) => ads))].sort());
}

/**
 * The required inspection that came and went after an item was found inoperative, and left it so; null where none did. One of the day
 * on which it was deferred inspected it: the list of 43.11(b) may defer.
 */
export function passedOver(
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

/**
 * A finding on things of which somebody has said since, comparing the list with the aircraft, that they are
 * not there: nothing of them can be removed, deactivated or placarded. A list of before contradicts the
 * finding, and then the stricter holds.
 */
export function isNotFitted({ equipment, happenedAt }: Discrepancy, { equipmentList }: KnownFacts): boolean {
  return (
    equipmentList !== null
    && equipmentList.happenedAt > happenedAt
    && equipment.every((kind) => lineOf(equipmentList, kind)?.fitted === false)
  );
}
