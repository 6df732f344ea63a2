import { canonicalJson, type Plain } from '@/core/decision/canonical';
import type { AircraftDocument } from '@/core/records/documents/document';
import type { Inspection } from '@/core/records/maintenance/inspection';
import type { MeterReading } from '@/core/records/meters/meter-reading';
import { decimalHours, hoursFromSeconds } from '@/core/quantities/hours';
import { isHourMeter } from '@/core/records/meters/meters';
import { lockAircraft } from '@/db/aircraft/aircraft-facts';
import type { ClubTransaction } from '@/db/kernel/connection';
import { insertDials, type DialRow } from '@/db/meters/dials';
import { insertFlown } from '@/db/flights/insert-flights';
import { type DepartedFlight, type FlightReturn } from '@/db/flights/flight-records';
import { insertInspections, insertReadings, insertDocumentChecks } from '@/db/aircraft/folder-rows';
import { insertOthers } from '@/db/aircraft/other-records';
import { type OtherRecord } from '@/db/aircraft/other-kinds';
import { inClub } from '@/db/kernel/club-transaction';
import { appendToLedger } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import type { Moved } from '../meters/meter-standing';
import { denial } from './permissions';
import { Refused, refused, runCommand, type Actor, type Outcome, type Ports } from './command';
import { nextRevision } from './next-revision';

/** Records of one aircraft that are brought in together. Times of the records are their own. */
export interface RecordBatch {
  readonly documents: readonly (AircraftDocument & { readonly keptWhere: string | null })[];
  readonly inspections: readonly Inspection[];
  readonly readings: readonly (MeterReading & { readonly dialId?: string | null })[];
  readonly others: readonly OtherRecord[];
  readonly dials: readonly DialRow[];
  readonly flights: readonly (Omit<DepartedFlight, 'aircraftId'> & {
    readonly returned: FlightReturn | null;
  })[];
}

/** A batch without anything in it. */
export const NO_RECORDS: RecordBatch = {
  documents: [],
  inspections: [],
  readings: [],
  others: [],
  dials: [],
  flights: [],
};

/** What flights that are brought in do to who is out. */
export function movedBy({ flights }: Pick<RecordBatch, 'flights'>): Moved {
  const back = flights
    .filter(({ returned }) => returned !== null)
    .sort((a, b) => (a.returned?.at ?? 0) - (b.returned?.at ?? 0));
  return {
    out: flights.filter(({ returned }) => returned === null).map(({ id }) => id),
    back: back.map(({ id }) => id),
  };
}

/** A reading as people write it: decimal hours, or a count. */
function enteredText({ meter, value }: MeterReading): string {
  return isHourMeter(meter) ? decimalHours(hoursFromSeconds(value), 2, 'down') : String(value);
}

/** Writes a batch inside somebody's transaction and answers what the ledger keeps of it: how many, and a digest of all. */
export async function writeBatch(
  ports: Ports,
  tx: ClubTransaction,
  actor: Actor,
  aircraftId: string,
  { documents, inspections, readings, others, dials, flights }: RecordBatch,
): Promise<Plain> {
  await insertDocumentChecks(tx, actor.clubId, aircraftId, actor.personId, documents);
  await insertInspections(
    tx,
    actor.clubId,
    aircraftId,
    actor.personId,
    inspections.map((inspection) => ({
      ...inspection,
      signatureId: inspection.signedBy === null ? null : ports.newId(),
      clearedSignatureId: inspection.listCleared === null ? null : ports.newId(),
      entered: inspection.timeInService === null ? null : decimalHours(inspection.timeInService, 2, 'down'),
    })),
  );
  await insertDials(tx, actor.clubId, aircraftId, actor.personId, dials);
  await insertFlown(
    tx,
    actor.clubId,
    aircraftId,
    actor.personId,
    flights.map((flight) => ({ ...flight, aircraftId })),
  );
  await insertReadings(
    tx,
    actor.clubId,
    aircraftId,
    actor.personId,
    readings.map((reading) => ({ ...reading, entered: enteredText(reading) })),
  );
  await insertOthers(tx, actor.clubId, aircraftId, actor.personId, others);
  const digest = ports.sha256(
    Buffer.from(
      canonicalJson({ documents, inspections, readings, others, dials, flights } as unknown as Plain),
      'utf8',
    ),
  );
  return {
    digest: Buffer.from(digest).toString('hex'),
    documents: documents.length,
    inspections: inspections.length,
    readings: readings.length,
    others: others.length,
    meters: dials.length,
    flights: flights.length,
  };
}

/** Brings in records of an aircraft that is there: all or nothing, with one ledger entry that holds their digest. Only a dispatcher may. */
export async function loadRecords(
  ports: Ports,
  actor: Actor,
  aircraftId: string,
  batch: RecordBatch,
): Promise<Outcome<{ readonly revision: number }>> {
  const denied = denial(actor, 'import-rows');
  if (denied !== null) return refused(denied);
  const recordedAt = ports.now();
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      if ((await lockAircraft(tx, aircraftId)) === undefined)
        throw new Refused({ code: 'not-found', message: 'The club has no such aircraft.' });
      const record = await writeBatch(ports, tx, actor, aircraftId, batch);
      const { revision, withEnded } = await nextRevision(tx, actor, aircraftId, recordedAt, movedBy(batch));
      await appendToLedger(
        tx,
        {
          clubId: actor.clubId,
          aircraftId,
          revision,
          act: 'load-records',
          actor,
          recordedAt,
          record: withEnded(record),
        },
        ports.sha256,
      );
      await notifyChange(tx, { club: actor.clubId, aircraft: aircraftId, revision });
      return { revision };
    }),
  );
}
