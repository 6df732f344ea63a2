import { canonicalJson, type Plain } from '@/core/decision/canonical';
import type { FullBox } from '@/core/envelope/dimensions';
import type { Category } from '@/core/records/aircraft';
import type { AircraftDocument } from '@/core/records/document';
import type { Inspection } from '@/core/records/inspection';
import type { MeterReading } from '@/core/records/meter-reading';
import { decimalHours } from '@/core/quantities/hours';
import type { CivilDate } from '@/core/time/civil-date';
import { insertAircraft, insertInspections, insertReadings, insertSightings } from '@/db/folder-rows';
import { inClub } from '@/db/club-transaction';
import { appendToLedger } from '@/db/ledger';
import { refused, settle, type Actor, type Outcome, type Ports } from './command';

/** An aircraft with its records, as they are brought in at once. Times of the records are their own. */
export interface Folder {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly category: Category | null;
  readonly firstFlownOn: CivilDate | null;
  readonly approvedFor: readonly FullBox[] | null;
  readonly features: readonly string[] | null;
  readonly documents: readonly (AircraftDocument & { readonly keptWhere: string | null })[];
  readonly inspections: readonly Inspection[];
  readonly readings: readonly MeterReading[];
}

/**
 * Brings in one aircraft with its folder: all of it or nothing, with one ledger entry that holds a digest of its records.
 * Only a dispatcher may.
 */
export async function loadFolder(ports: Ports, actor: Actor, folder: Folder): Promise<Outcome<{ readonly aircraftId: string }>> {
  if (!actor.roles.includes('dispatcher')) return refused({ code: 'not-entitled', message: 'Only a dispatcher can bring in an aircraft.' });
  const recordedAt = ports.now();
  return settle(() => inClub(ports.db, actor.clubId, async (tx) => {
    await insertAircraft(tx, actor.clubId, folder, recordedAt);
    await insertSightings(tx, actor.clubId, folder.aircraftId, actor.personId, folder.documents);
    await insertInspections(tx, actor.clubId, folder.aircraftId, actor.personId, folder.inspections.map((inspection) => ({
      ...inspection, signatureId: inspection.signedBy === null ? null : ports.newId(), clearedSignatureId: inspection.listCleared === null ? null : ports.newId(),
      entered: inspection.timeInService === null ? null : decimalHours(inspection.timeInService, 2, 'down'),
    })));
    await insertReadings(tx, actor.clubId, folder.aircraftId, actor.personId, folder.readings.map((reading) => ({ ...reading, entered: decimalHours(reading.value, 2, 'down') })));
    const { documents, inspections, readings } = folder;
    const digest = ports.sha256(Buffer.from(canonicalJson({ documents, inspections, readings } as unknown as Plain), 'utf8'));
    await appendToLedger(tx, {
      clubId: actor.clubId, aircraftId: folder.aircraftId, revision: 1, act: 'load-folder', actor, recordedAt,
      record: { registration: folder.registration, digest: Buffer.from(digest).toString('hex'), documents: documents.length, inspections: inspections.length, readings: readings.length },
    }, ports.sha256);
    return { aircraftId: folder.aircraftId };
  }));
}

