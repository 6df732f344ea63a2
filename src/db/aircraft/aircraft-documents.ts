import { sql } from 'kysely';
import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';
import { describedAircraft } from './descriptions';

/** The aircraft with a registration; undefined when the club has none such. */
export async function findByRegistration(tx: ClubTransaction, registration: string) {
  const [found] = await describedAircraft(tx).where('a.registration', '=', registration).execute();
  return found;
}

/** Every aircraft of the club by registration, with what a phone needs to report on it. */
export async function listAircraft(tx: ClubTransaction) {
  return tx
    .selectFrom('aircraft')
    .select(['aircraft_id', 'registration', 'type_name', 'features'])
    .orderBy('registration')
    .execute();
}

/** Document checks that were not struck out, with who made each and what anybody vouched for. */
const documentChecks = (tx: ClubTransaction, aircraftId: string) =>
  tx
    .selectFrom('counted_document_sighting as s')
    .leftJoin('membership as m', (join) =>
      join.onRef('m.club_id', '=', 's.club_id').onRef('m.person_id', '=', 's.recorded_by'),
    )
    .leftJoin('vouch as v', (join) =>
      join.onRef('v.club_id', '=', 's.club_id').onRef('v.record_id', '=', 's.sighting_id'),
    )
    .select([
      's.sighting_id',
      's.kind',
      's.kept_where',
      's.number',
      's.aboard',
      's.legible',
      's.displayed',
      's.tank_fitted',
      's.registration_shown',
      's.serial_shown',
      's.revision',
      's.issued_on',
      's.temporary',
      's.printed_expiry',
      's.form',
      's.placards',
      's.dated_on',
      's.happened_at',
      'm.display_name',
    ])
    .where('s.aircraft_id', '=', aircraftId);

/** Each kind of document by its latest document check that was not struck out: where it is kept, what it says, and who saw it when. */
export async function documentsOf(tx: ClubTransaction, aircraftId: string) {
  return documentChecks(tx, aircraftId)
    .distinctOn('s.kind')
    .where((where) => where.or([where('s.awaits_vouch', '=', false), where('v.vouch_id', 'is not', null)]))
    .orderBy('s.kind')
    .orderBy('s.happened_at', 'desc')
    .orderBy(sql`greatest(s.recorded_at, v.recorded_at) desc, v.recorded_at desc nulls last`)
    .orderBy('s.sighting_id', 'desc')
    .execute();
}

/** What members saw of documents and nobody has vouched for yet, newest first; what somebody has re-checked since is past. */
export async function waitingPapersOf(tx: ClubTransaction, aircraftId: string) {
  return documentChecks(tx, aircraftId)
    .where('s.awaits_vouch', '=', true)
    .where('v.vouch_id', 'is', null)
    .where(({ not, exists, selectFrom }) =>
      not(
        exists(
          selectFrom('counted_document_sighting as n')
            .select('n.sighting_id')
            .whereRef('n.club_id', '=', 's.club_id')
            .whereRef('n.aircraft_id', '=', 's.aircraft_id')
            .whereRef('n.kind', '=', 's.kind')
            .whereRef('n.happened_at', '>', 's.happened_at')
            .where((where) =>
              where.or([
                where('n.awaits_vouch', '=', false),
                where('n.recorded_by', '=', where.ref('s.recorded_by')),
              ]),
            ),
        ),
      ),
    )
    .orderBy('s.happened_at', 'desc')
    .orderBy('s.sighting_id')
    .execute();
}

/** A discrepancy with what people look at: photos, how bad it looked, and what was done. */
export interface ReadDiscrepancy {
  readonly id: string;
  readonly looks: string | null;
  readonly photos: readonly string[];
  readonly done: {
    readonly work: string;
    readonly description: string;
    readonly completedOn: string;
    readonly by: string;
    readonly certificate: string;
    readonly number: string;
    readonly recordedAt: Instant;
  } | null;
}

/** Every open discrepancy of an aircraft and its newest closed ones, with their photos and repairs. */
export async function readDiscrepancies(
  tx: ClubTransaction,
  aircraftId: string,
  most: number,
): Promise<readonly ReadDiscrepancy[]> {
  const rows = await tx
    .selectFrom('discrepancy as d')
    .leftJoin('rectification as r', (join) =>
      join.onRef('r.club_id', '=', 'd.club_id').onRef('r.discrepancy_id', '=', 'd.discrepancy_id'),
    )
    .leftJoin('signature as s', (join) =>
      join.onRef('s.club_id', '=', 'r.club_id').onRef('s.signature_id', '=', 'r.signature_id'),
    )
    .select([
      'd.discrepancy_id',
      'd.looks',
      'r.work',
      'r.description',
      'r.completed_on',
      'r.recorded_at',
      's.name',
      's.certificate_kind',
      's.certificate_number',
    ])
    .where('d.aircraft_id', '=', aircraftId)
    .orderBy((order) => order.fn.coalesce('r.closes', sql<boolean>`false`))
    .orderBy('d.recorded_at', 'desc')
    // However many are open: none of them may fall off the page.
    .limit(
      sql<number>`greatest(${most}, (select count(*) from discrepancy o left join rectification q using (club_id, discrepancy_id) where o.aircraft_id = ${aircraftId} and q.closes is not true))`,
    )
    .execute();
  const photos =
    rows.length === 0
      ? []
      : await tx
          .selectFrom('photo')
          .select(['photo_id', 'discrepancy_id'])
          .where(
            'discrepancy_id',
            'in',
            rows.map((row) => row.discrepancy_id),
          )
          .orderBy('recorded_at')
          .execute();
  return rows.map((row) => ({
    id: row.discrepancy_id,
    looks: row.looks,
    photos: photos
      .filter((photo) => photo.discrepancy_id === row.discrepancy_id)
      .map((photo) => photo.photo_id),
    done:
      row.work === null || row.description === null || row.completed_on === null || row.recorded_at === null
        ? null
        : {
            work: row.work,
            description: row.description,
            completedOn: row.completed_on,
            by: row.name ?? '',
            certificate: row.certificate_kind ?? '',
            number: row.certificate_number ?? '',
            recordedAt: storedInstant(row.recorded_at),
          },
  }));
}

/** The bytes of a photo, of a finding or of a record. */
export async function readPhoto(tx: ClubTransaction, photoId: string): Promise<Uint8Array | undefined> {
  const finding = await tx
    .selectFrom('photo')
    .select('bytes')
    .where('photo_id', '=', photoId)
    .executeTakeFirst();
  return (
    finding
    ?? (await tx
      .selectFrom('record_photo')
      .select('bytes')
      .where('photo_id', '=', photoId)
      .executeTakeFirst())
  )?.bytes;
}

/** Writes a photo; one with this id that is there already stays as it is. Answers whether it was written. */
export async function insertPhotoOnce(
  tx: ClubTransaction,
  photo: {
    readonly clubId: string;
    readonly photoId: string;
    readonly discrepancyId: string;
    readonly bytes: Uint8Array;
    readonly width: number;
    readonly height: number;
    readonly sha256: Uint8Array;
    readonly at: Instant;
  },
): Promise<Once> {
  return insertOnce(
    tx,
    'photo',
    {
      club_id: photo.clubId,
      photo_id: photo.photoId,
      discrepancy_id: photo.discrepancyId,
      width: photo.width,
      height: photo.height,
      bytes: Buffer.from(photo.bytes),
      sha256: Buffer.from(photo.sha256),
      happened_at: new Date(photo.at),
      recorded_at: new Date(photo.at),
    },
    ['club_id', 'photo_id'],
  );
}

/** The certificates that a person can sign by. */
export async function certificatesOf(tx: ClubTransaction, personId: string) {
  return tx
    .selectFrom('certificate as c')
    .leftJoin('certificate_end as e', (join) =>
      join.onRef('e.club_id', '=', 'c.club_id').onRef('e.certificate_id', '=', 'c.certificate_id'),
    )
    .select(['c.certificate_id', 'c.kind', 'c.number', 'c.valid_from', 'c.valid_until'])
    .where('c.person_id', '=', personId)
    .where('e.certificate_id', 'is', null)
    .orderBy('c.kind')
    .execute();
}

/** One document check. */
export async function findDocumentCheck(tx: ClubTransaction, documentCheckId: string) {
  return tx
    .selectFrom('document_sighting')
    .select(['aircraft_id', 'kind', 'aboard', 'ended_on'])
    .where('sighting_id', '=', documentCheckId)
    .executeTakeFirst();
}

/** Whether a document check was recorded under this id already. */
export async function documentCheckExists(tx: ClubTransaction, documentCheckId: string): Promise<boolean> {
  return (await findDocumentCheck(tx, documentCheckId)) !== undefined;
}
