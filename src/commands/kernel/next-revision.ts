import type { Plain } from '@/core/decision/canonical';
import type { Instant } from '@/core/time/instant';
import { raiseRevision } from '@/db/aircraft/aircraft-facts';
import type { ClubTransaction } from '@/db/kernel/connection';
import { endReleases, withEnded } from '../releases/release-in-force';
import type { Actor } from './command';

/**
 * The next revision of an aircraft whose records were written just now. Every release that they speak against ends in the same transaction,
 * so that nobody leaves with one that was signed before. The only way to a new revision.
 * @returns the revision, and the ledger's record of the act with the releases that it ended
 */
export async function nextRevision(
  tx: ClubTransaction,
  actor: Pick<Actor, 'clubId' | 'personId'>,
  aircraftId: string,
  recordedAt: Instant,
): Promise<{ readonly revision: number; readonly withEnded: (record: Plain) => Plain }> {
  const revision = await raiseRevision(tx, aircraftId);
  const ended = await endReleases(tx, actor.clubId, aircraftId, recordedAt, actor.personId);
  return { revision, withEnded: (record) => withEnded(record, ended) };
}
