import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import type { Signature } from '@/core/records/club/certificate';
import type { WorkEntry } from '@/core/records/maintenance/work-entry';
import { insertOthers } from '@/db/aircraft/other-records';
import type { Changing } from '../kernel/change-aircraft';
import type { Actor, Ports } from '../kernel/command';
import { requireWithoutFault, signingHere, UNSAID } from './record-work';

/**
 * Writes the work that was done for an item or an AD, where it may have changed something: from then on it waits
 * for its check flight, its second inspection or its test as any other work does. Nothing is written where
 * nothing can have changed. Source: 14 CFR 91.407(b) (from memory).
 * @returns the work's id; null where there is none
 * @throws Refused where who signs may not return such work to service
 */
export async function enterEffects(
  ports: Ports,
  actor: Actor,
  changing: Changing,
  { aircraftId, draft, description, effects }: SignedEntry,
  signedBy: Signature,
): Promise<string | null> {
  if (effects === undefined || !Object.values(effects).includes(true)) return null;
  const { tx, recordedAt } = changing;
  const id = ports.newId();
  const work: WorkEntry = {
    id,
    recordedAt,
    completedOn: draft.completedOn,
    description,
    signedBy,
    ...UNSAID,
    ...effects,
  };
  requireWithoutFault(work, signedBy, signingHere(changing));
  await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
    { id, kind: 'work', happenedAt: recordedAt, recordedAt, body: work },
  ]);
  return id;
}
