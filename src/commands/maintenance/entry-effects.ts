import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import type { Signature } from '@/core/records/club/certificate';
import { workWithEffects } from '@/core/records/maintenance/work-effects';
import { insertOthers } from '@/db/aircraft/other-records';
import type { Changing } from '../kernel/change-aircraft';
import type { Actor, Ports } from '../kernel/command';
import { requireWithoutFault, signingHere } from './record-work';

/**
 * Writes the work that was done for an item or an AD, where it may have changed something.
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
  const { tx, recordedAt } = changing;
  const work = workWithEffects(
    { id: ports.newId(), recordedAt, completedOn: draft.completedOn, description, signedBy },
    effects,
  );
  if (work === null) return null;
  requireWithoutFault(work, signedBy, signingHere(changing));
  await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
    { id: work.id, kind: 'work', happenedAt: recordedAt, recordedAt, body: work },
  ]);
  return work.id;
}
