import {
  minimumItem,
  type MinimumEquipmentList,
  type MinimumItem,
} from '../../records/aircraft/minimum-list';
import { signatureFaults } from '../../records/club/certificate';
import type { KnownFacts } from '../../records/facts';
import type { Deferral, Discrepancy } from '../../records/findings/discrepancy';
import { mergedBy } from '../../records/findings/triage';
import { isOpen } from './inoperative';

/** Why a deferral does not stand under the aircraft's minimum equipment list. */
export type ListFault =
  | 'list-not-followed'
  | 'not-on-minimum-list'
  | 'list-means-other-equipment'
  | 'list-gives-another-category'
  | 'fewer-than-required'
  | 'list-needs-mechanic';

/** Whether an approved list decides instead of 14 CFR 91.213(d): one that is on record binds, whatever the aircraft's data say of it. */
export const isByList = ({ aircraft, minimumList }: KnownFacts): boolean =>
  aircraft.particulars.minimumEquipmentList === 'approved' || minimumList !== null;

/** The items of a list under which a finding may be deferred: those that are all of the equipment which it names. */
export function itemsFor(
  list: MinimumEquipmentList,
  { equipment }: Pick<Discrepancy, 'equipment'>,
): readonly MinimumItem[] {
  return list.items.filter(
    (item) => equipment.length > 0 && equipment.every((kind) => item.equipment.includes(kind)),
  );
}

/** How many of an item are open under it, but for one finding. What is held to be the same as another finding is the same unit. */
export function othersDeferred(code: string, besides: string, facts: KnownFacts): number {
  const unitOf = (one: Discrepancy): string => mergedBy(one)?.sameAs ?? one.id;
  const own = facts.discrepancies.find(({ id }) => id === besides);
  const units = facts.discrepancies
    .filter((one) => one.deferral?.listed?.item === code && isOpen(one, facts))
    .map(unitOf);
  return new Set(units.filter((unit) => unit !== (own === undefined ? besides : unitOf(own)))).size;
}

/**
 * Every reason why a deferral does not stand under the aircraft's list; none where it needs no list. An item
 * is open only with its own category, and only while as many work as the list asks for. Source: 14 CFR
 * 91.213(a) (from memory).
 */
export function listFaults(
  discrepancy: Discrepancy,
  { listed, noHazard, deferredOn }: Pick<Deferral, 'listed' | 'noHazard' | 'deferredOn'>,
  facts: KnownFacts,
): readonly ListFault[] {
  if (!isByList(facts)) return listed === null ? [] : ['list-not-followed'];
  // Who holds an approved list may not fall back on deferring without it; and without the approval the list gives nothing.
  if (listed === null || facts.aircraft.particulars.minimumEquipmentList !== 'approved')
    return ['list-not-followed'];
  if (facts.minimumList === null && listed.item === undefined) {
    return listed.category === null ? ['list-gives-another-category'] : [];
  }
  const item = minimumItem(facts.minimumList, listed.item);
  if (item === null) return ['not-on-minimum-list'];
  const faults: ListFault[] = [];
  if (!discrepancy.equipment.every((kind) => item.equipment.includes(kind)))
    faults.push('list-means-other-equipment');
  if (item.category !== listed.category || (item.category === 'A' && item.days !== listed.days))
    faults.push('list-gives-another-category');
  if (item.installed - othersDeferred(item.code, discrepancy.id, facts) - 1 < item.required)
    faults.push('fewer-than-required');
  // A maintenance procedure of the list is done by who may return the aircraft to service.
  if (
    item.maintenance !== ''
    && (deferredOn === null
      || signatureFaults(noHazard, 'return-to-service', deferredOn, facts.authority).length > 0)
  )
    faults.push('list-needs-mechanic');
  return faults;
}
