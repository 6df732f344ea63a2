import { ALL_USES, NO_USES, isEmpty, union, usesInAny, type UseSet } from '../envelope/use-set';
import type { Aircraft } from '../records/aircraft';
import { deferralFaults, isDeferrable, rectificationFaults, REPAIR_CATEGORIES, type Deferral, type Discrepancy } from '../records/discrepancy';
import { lineOf, type AskedFor, type EquipmentKind } from '../records/equipment';
import type { KnownFacts } from '../records/facts';
import { countingInspections } from '../records/inspection';
import { addDays, type CivilDate } from '../time/civil-date';
import { endOfDay } from '../time/zone';
import { atReading, constraint, from, lift, MECHANICS, PILOT_OR_MECHANIC, type Constraint, type Source } from './parts/constraint';
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
function ruleUses(kind: EquipmentKind, aircraft: Aircraft): UseSet {
  // An anticollision light that is fitted is on by day and by night (14 CFR 91.209(b)): the strict reading, though aircraft before 1996 do not have it on the day list.
  if (kind === 'anticollision-lights') return ALL_USES;
  const lines = linesFor(aircraft).filter(({ equipment, needed }) => equipment === kind && needed(aircraft) !== false);
  return lines.length === 0 ? NO_USES : union(...lines.map(({ uses }) => uses));
}

interface Answers { readonly closes: UseSet; readonly because: readonly InoperativeCause[]; readonly directives: readonly string[] }

/** The four questions: type certification and the day list, the aircraft's own lists, the operating rules, a directive. */
function fourQuestions(kind: EquipmentKind, { aircraft, equipmentList, directives }: KnownFacts): Answers {
  const item = lineOf(equipmentList, kind);
  // A directive that does not apply asks for nothing; one that does not say what it wants in working order may ask for this.
  const asking = directives?.filter(({ applies, equipment }) => applies !== false && equipment?.includes(kind) !== false).map(({ id }) => id).sort() ?? [];
  const asked: readonly (readonly [InoperativeCause, UseSet])[] = [
    ['type-certification', item?.typeCertification === false ? NO_USES : ALL_USES],
    ['equipment-list', askedUses(item === null ? null : item.equipmentList)],
    ['kinds-of-operation', askedUses(item === null ? null : item.kindsOfOperation)],
    ['operating-rule', ruleUses(kind, aircraft)],
    ['directive', directives === null || asking.length > 0 ? ALL_USES : NO_USES],
  ];
  const closing = asked.filter(([, uses]) => !isEmpty(uses));
  return { because: closing.map(([cause]) => cause), closes: closing.length === 0 ? NO_USES : union(...closing.map(([, uses]) => uses)), directives: asking };
}

/** The last day of a deferral: its own, or that of its repair category, the day of record not counted. */
function lastDayOf({ deferredOn, until, listed: category }: Deferral): CivilDate | null {
  const own = until === null ? [] : [until];
  if (category === null || deferredOn === null) return own[0] ?? null;
  const days = category.category === 'A' ? category.days : REPAIR_CATEGORIES[category.category];
  // Category A without its number of days gives none.
  return [...own, days === null ? deferredOn : addDays(deferredOn, days)].sort()[0] ?? null;
}

function judgeOne(discrepancy: Discrepancy, kind: EquipmentKind, facts: KnownFacts): readonly Constraint[] {
  const { id, what, deferral } = discrepancy;
  const { place, aircraft } = facts;
  const zone = place.zone;
  const { closes, because, directives } = fourQuestions(kind, facts);
  const approvedList = aircraft.particulars.minimumEquipmentList === 'approved';
  const repair = lift('repair-and-return-to-service', MECHANICS, id);
  const defer = lift('defer-item', PILOT_OR_MECHANIC, id, closes);
  const src: Source = approvedList ? listed : source;
  const base = { source: src, records: deferral === null ? [id] : [id, deferral.id], permitMayCover: true, knownSince: deferral === null ? discrepancy.recordedAt : deferral.recordedAt };
  const needed = isEmpty(closes) ? [] : [constraint({ ...base, key: `${id}.needed`, records: [...base.records, ...directives], certainty: 'failed', reason: { code: 'item-inoperative', equipment: kind, what, because, deferred: deferral !== null }, closes, lifts: [repair] })];
  if (deferral === null) {
    // Until it is removed or deactivated, placarded, entered and judged no hazard, nothing is open.
    return [...needed, constraint({ ...base, key: `${id}.defer`, certainty: 'failed', reason: { code: 'item-not-deferred', equipment: kind, what }, closes: ALL_USES, lifts: [defer, repair], condition: true })];
  }
  const faults = deferralFaults(discrepancy, deferral, zone, facts.authority);
  // Who holds an approved list may not fall back on deferring without it.
  if (faults.length > 0 || (approvedList && deferral.listed === null) || (!approvedList && deferral.listed !== null)) {
    const all = faults.length > 0 ? faults : (['record-missing'] as const);
    return [...needed, constraint({ ...base, key: `${id}.defer`, certainty: 'failed', reason: { code: 'deferral-not-valid', what, faults: all }, closes: ALL_USES, lifts: [defer, repair], condition: true })];
  }
  const constraints: Constraint[] = [...needed];
  if (deferral.closes.length > 0) constraints.push(constraint({ ...base, key: `${id}.own`, certainty: 'failed', reason: { code: 'item-inoperative', equipment: kind, what, because: [], deferred: true }, closes: usesInAny(deferral.closes), lifts: [repair] }));
  if (deferral.cap !== null) constraints.push(constraint({ ...base, key: `${id}.cap`, certainty: 'failed', reason: { code: 'deferral-holds-to', what, cap: deferral.cap }, closes: ALL_USES, cap: { ...deferral.cap, own: deferral.cap.quantity === 'persons' ? aircraft.particulars.seats : null }, lifts: [repair] }));
  const lastDay = lastDayOf(deferral);
  if (lastDay !== null) constraints.push(constraint({ ...base, key: `${id}.until`, certainty: 'failed', reason: { code: 'deferral-expires', what, lastDay }, closes: ALL_USES, begins: from(endOfDay(lastDay, zone)), lifts: [repair] }));
  if (deferral.untilTimeInService !== null) constraints.push(constraint({ ...base, key: `${id}.hours`, certainty: 'failed', reason: { code: 'deferral-due', what, dueAt: deferral.untilTimeInService }, closes: ALL_USES, begins: atReading('time-in-service', deferral.untilTimeInService), lifts: [repair] }));
  const inspected = countingInspections(facts.inspections, ['annual', 'hundred-hour', 'condition'], zone, facts.authority).find(({ completedOn }) => deferral.deferredOn !== null && completedOn > deferral.deferredOn);
  if (inspected !== undefined && deferral.deferredOn !== null) {
    // Repaired, replaced, removed or inspected at the next required inspection: one that came and went without it ends the deferral.
    constraints.push(constraint({ ...base, source: between, key: `${id}.inspection`, certainty: 'failed', reason: { code: 'deferral-not-addressed', what, deferredOn: deferral.deferredOn, inspectedOn: inspected.completedOn }, records: [id, deferral.id, inspected.id], closes: ALL_USES, lifts: [repair, defer] }));
  }
  return constraints;
}

/** Inoperative instruments and equipment: the four questions of 14 CFR 91.213(d)(2), then what has to be done, and what stays closed meanwhile. */
export const inoperativeEquipment = rule({
  id: 'inoperative-equipment',
  title: 'Inoperative instruments and equipment',
  source,
  explanation: 'An inoperative item closes every use that type certification, the aircraft’s own lists, the operating rules or a directive need it for. For the rest it must be removed or deactivated, placarded, entered where that was maintenance, and judged no hazard by a rated pilot or a mechanic; until then nothing is open. It comes back at the next required inspection, at its own date, and by the days of an approved list.',
  judge: (facts) => result(facts.discrepancies.flatMap((discrepancy): readonly Constraint[] => {
    if (discrepancy.equipment === null || !isDeferrable(discrepancy.classification)) return [];
    if (discrepancy.rectification !== null && rectificationFaults(discrepancy, discrepancy.rectification, facts.place.zone, facts.authority).length === 0) return [];
    return judgeOne(discrepancy, discrepancy.equipment, facts);
  })),
});
