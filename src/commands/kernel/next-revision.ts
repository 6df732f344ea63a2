import type { Plain } from '@/core/decision/canonical';
import type { Instant } from '@/core/time/instant';
import { raiseRevision } from '@/db/aircraft/aircraft-facts';
import type { ClubTransaction } from '@/db/kernel/connection';
import { recordMeterStanding, type Moved } from '../meters/meter-standing';
import { endReleases, withEnded } from '../releases/release-in-force';
import type { Actor } from './command';

/**
 * The next revision of an aircraft whose records were written just now. Every release that they speak against ends in the same transaction,
 * so that nobody leaves with one that was signed before. The only way to a new revision.
 * @param moved which flights left and came back, where the records may say something of its meters: the core looks at those first, since
 * the releases are judged by them; null where they cannot
 * @returns the revision, and the ledger's record of the act with the releases that it ended
 */
export async function nextRevision(
  tx: ClubTransaction,
  { clubId, personId }: Pick<Actor, 'clubId' | 'personId'>,
  aircraftId: string,
  recordedAt: Instant,
  moved: Moved | null = null,
): Promise<{ readonly revision: number; readonly withEnded: (record: Plain) => Plain }> {
  const revision = await raiseRevision(tx, aircraftId);
  if (moved !== null) await recordMeterStanding(tx, clubId, aircraftId, revision, recordedAt, moved);
  const ended = await endReleases(tx, clubId, aircraftId, recordedAt, personId);
  return { revision, withEnded: (record) => withEnded(record, ended) };
}
