import type { Certificate } from '@/core/records/club/certificate';
import { insertSignature } from '../aircraft/folder-rows';
import type { Discrepancy, Rectification } from '@/core/records/findings/discrepancy';
import type { Instant } from '@/core/time/instant';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';

/** A discrepancy as it is stored: the core's record with what the reporter chose. */
export interface NewDiscrepancy {
  readonly clubId: string;
  readonly aircraftId: string;
  readonly discrepancyId: string;
  readonly station: string;
  readonly side: string | null;
  readonly step: string | null;
  readonly asListed: boolean;
  readonly what: string;
  readonly looks: string | null;
  readonly foundBy: { readonly personId: string; readonly name: string };
  readonly classification: NonNullable<Discrepancy['classification']>;
  readonly closesUses: Discrepancy['closesUses'];
  readonly equipment: Discrepancy['equipment'];
  readonly happenedAt: Instant;
  readonly recordedAt: Instant;
}

/** Writes a discrepancy. Answers false when one with this id is there already. */
export async function insertDiscrepancyOnce(tx: ClubTransaction, row: NewDiscrepancy): Promise<Once> {
  return insertOnce(
    tx,
    'discrepancy',
    {
      club_id: row.clubId,
      discrepancy_id: row.discrepancyId,
      aircraft_id: row.aircraftId,
      station: row.station,
      side: row.side,
      step: row.step,
      as_listed: row.asListed,
      what: row.what,
      looks: row.looks,
      found_by: row.foundBy.personId,
      found_by_name: row.foundBy.name,
      classification: row.classification,
      closes_uses: [...row.closesUses],
      equipment_kinds: [...row.equipment],
      happened_at: new Date(row.happenedAt),
      recorded_at: new Date(row.recordedAt),
    },
    ['club_id', 'discrepancy_id'],
  );
}

/** Where a discrepancy belongs, and whether something closed it already. */
export async function findDiscrepancy(tx: ClubTransaction, discrepancyId: string) {
  return tx
    .selectFrom('discrepancy as d')
    .leftJoin('rectification as r', (join) =>
      join.onRef('r.club_id', '=', 'd.club_id').onRef('r.discrepancy_id', '=', 'd.discrepancy_id'),
    )
    .select([
      'd.aircraft_id',
      'd.found_by',
      'd.found_by_name',
      'd.what',
      'r.rectification_id',
      'r.recorded_by',
    ])
    .where('d.discrepancy_id', '=', discrepancyId)
    .executeTakeFirst();
}

/** A certificate on record. */
export async function findCertificate(tx: ClubTransaction, certificateId: string, personId: string) {
  return tx
    .selectFrom('certificate as c')
    .selectAll('c')
    .where('c.certificate_id', '=', certificateId)
    .where('c.person_id', '=', personId)
    .where(({ not, exists, selectFrom }) =>
      not(
        exists(
          selectFrom('certificate_end as e')
            .select('e.certificate_id')
            .whereRef('e.club_id', '=', 'c.club_id')
            .whereRef('e.certificate_id', '=', 'c.certificate_id'),
        ),
      ),
    )
    .executeTakeFirst();
}

/** The signature and what it closes; the signature keeps the certificate as it was on record at that moment. */
export interface NewRectification {
  readonly clubId: string;
  readonly discrepancyId: string;
  readonly signatureId: string;
  readonly signer: { readonly personId: string; readonly name: string };
  readonly certificate: Certificate;
  readonly rectification: Rectification & {
    readonly work: string;
    readonly description: string;
    readonly completedOn: string;
  };
  /** What the core says of it: only an entry without faults closes the discrepancy. */
  readonly closes: boolean;
}

/** Writes the signature and the rectification. */
export async function insertRectification(
  tx: ClubTransaction,
  { clubId, discrepancyId, signatureId, signer, certificate, rectification, closes }: NewRectification,
): Promise<void> {
  const recordedAt = new Date(rectification.recordedAt);
  await insertSignature(
    tx,
    clubId,
    signatureId,
    { name: signer.name, certificate },
    rectification.recordedAt,
    signer.personId,
  );
  await tx
    .insertInto('rectification')
    .values({
      club_id: clubId,
      rectification_id: rectification.id,
      discrepancy_id: discrepancyId,
      work: rectification.work,
      description: rectification.description,
      completed_on: rectification.completedOn,
      signature_id: signatureId,
      closes,
      recorded_at: recordedAt,
      recorded_by: signer.personId,
    })
    .execute();
}
