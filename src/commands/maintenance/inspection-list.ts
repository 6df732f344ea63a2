import type { Inspection } from '@/core/records/maintenance/inspection';
import { classifyFinding } from '@/core/walkround/classify';
import { insertDiscrepancyOnce } from '@/db/findings/discrepancies';
import { INSPECTION_NAMES } from '@/explain/names';
import { dateText } from '@/explain/wording';
import type { Changing } from '../kernel/change-aircraft';
import { Refused, type Actor, type Ports } from '../kernel/command';

/** Where a finding stands that came from the list of an inspection: by it the list knows its items again. */
const placeOf = ({ kind, completedOn }: Pick<Inspection, 'kind' | 'completedOn'>): string =>
  `List of the ${INSPECTION_NAMES[kind]} of ${dateText(completedOn)}`;

/**
 * Takes the items of an inspection's list over as findings, each of which grounds the aircraft until a mechanic has dealt with it. Source: 14 CFR
 * 43.11(b) (from memory).
 */
export async function takeOverList(
  ports: Ports,
  actor: Actor,
  { tx, recordedAt }: Changing,
  aircraftId: string,
  inspection: Pick<Inspection, 'kind' | 'completedOn'>,
  items: readonly string[],
): Promise<void> {
  const { classification, closesUses, equipment } = classifyFinding(null, false, 'would-not-fly');
  for (const what of items) {
    const written = await insertDiscrepancyOnce(tx, {
      clubId: actor.clubId,
      aircraftId,
      discrepancyId: ports.newId(),
      station: placeOf(inspection),
      side: null,
      step: null,
      asListed: false,
      what,
      looks: 'would-not-fly',
      foundBy: { personId: actor.personId, name: actor.name },
      classification,
      closesUses,
      equipment,
      happenedAt: recordedAt,
      recordedAt,
    });
    if (written === 'there-already')
      throw new Refused({
        code: 'invalid',
        message: 'Another finding has the id of an item already, so nothing was recorded. Send it once more.',
        problems: [{ path: 'list', message: 'its id is in use' }],
      });
  }
}

/** Looks whether every item that was taken over is closed. @throws Refused with those that are not */
export function requireItemsClosed(
  discrepancies: readonly {
    readonly what: string;
    readonly where: string | null;
    readonly rectification: unknown;
  }[],
  inspection: Pick<Inspection, 'kind' | 'completedOn'>,
): void {
  const place = placeOf(inspection);
  const open = discrepancies.filter(({ where, rectification }) => where === place && rectification === null);
  if (open.length === 0) return;
  throw new Refused({
    code: 'invalid',
    message: `${open.length === 1 ? 'One item of the list is' : `${open.length} items of the list are`} still open: ${open
      .map(({ what }) => `“${what}”`)
      .join(', ')}. Close each under Open items, then clear the list.`,
    problems: [{ path: 'description', message: 'items are still open' }],
  });
}
