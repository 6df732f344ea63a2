import type { FullBox } from '@/core/envelope/dimensions';
import type { Category, Particulars } from '@/core/records/aircraft/aircraft';
import type { CivilDate } from '@/core/time/civil-date';
import { insertAircraft } from '@/db/aircraft/folder-rows';
import type { Plain } from '@/core/decision/canonical';
import { inClub } from '@/db/kernel/club-transaction';
import { appendToLedger } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { denial } from './permissions';
import { refused, runCommand, type Actor, type Outcome, type Ports } from './command';
import { recordMeterStanding } from '../meters/meter-standing';
import { movedBy, writeBatch, type RecordBatch } from './load-records';

/** An aircraft with its records, as they are brought in at once. */
export interface Folder extends RecordBatch {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly category: Category | null;
  readonly firstFlownOn: CivilDate | null;
  readonly approvedFor: readonly FullBox[] | null;
  readonly features: readonly string[] | null;
  readonly particulars: Particulars;
}

/**
 * Brings in one aircraft with its folder: all of it or nothing, with one ledger entry that holds a digest of its records.
 * Only a dispatcher may.
 */
export async function loadFolder(
  ports: Ports,
  actor: Actor,
  folder: Folder,
): Promise<Outcome<{ readonly aircraftId: string }>> {
  const denied = denial(actor, 'import-rows');
  if (denied !== null) return refused(denied);
  return bringIn(ports, actor, folder);
}

/** The same for the person who was found entitled. */
export function bringIn(
  ports: Ports,
  actor: Actor,
  folder: Folder,
): Promise<Outcome<{ readonly aircraftId: string }>> {
  const recordedAt = ports.now();
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      const {
        aircraftId,
        registration,
        typeName,
        category,
        firstFlownOn,
        approvedFor,
        features,
        particulars,
      } = folder;
      await insertAircraft(tx, actor.clubId, folder, recordedAt);
      const records = await writeBatch(ports, tx, actor, aircraftId, folder);
      await recordMeterStanding(tx, actor.clubId, aircraftId, 1, recordedAt, movedBy(folder));
      await appendToLedger(
        tx,
        {
          clubId: actor.clubId,
          aircraftId,
          revision: 1,
          act: 'load-folder',
          actor,
          recordedAt,
          record: {
            registration,
            typeName,
            category,
            firstFlownOn,
            approvedFor: approvedFor?.map((box) => ({ ...box })) ?? null,
            features: features === null ? null : [...features],
            particulars: particulars as unknown as Plain,
            records,
          },
        },
        ports.sha256,
      );
      await notifyChange(tx, { club: actor.clubId, aircraft: aircraftId, revision: 1 });
      return { aircraftId };
    }),
  );
}
