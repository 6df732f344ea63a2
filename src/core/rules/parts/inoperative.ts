import { rectificationFaults, type Discrepancy } from '../../records/findings/discrepancy';
import type { EquipmentKind } from '../../records/aircraft/equipment';
import type { KnownFacts } from '../../records/facts';

/** True until an entry that counts has put it right. A deferral does not: it leaves the thing as it is. */
export function isOpen(
  discrepancy: Discrepancy,
  { place, authority }: Pick<KnownFacts, 'place' | 'authority'>,
): boolean {
  const { rectification } = discrepancy;
  return (
    rectification === null
    || rectificationFaults(discrepancy, rectification, place.zone, authority).length > 0
  );
}

/** The open discrepancies that name a kind of equipment: it is inoperative, or may be. */
export function inoperative(
  facts: Pick<KnownFacts, 'discrepancies' | 'place' | 'authority'>,
  kind: EquipmentKind,
): readonly Discrepancy[] {
  return facts.discrepancies.filter((one) => one.equipment.includes(kind) && isOpen(one, facts));
}
