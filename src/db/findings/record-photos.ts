import type { Instant } from '@/core/time/instant';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';

/** A picture of what a record was made from: an entry of the paper logbook, a document. */
export interface RecordPhoto {
  readonly photoId: string;
  readonly aircraftId: string;
  readonly recordId: string;
  readonly width: number;
  readonly height: number;
  readonly bytes: Uint8Array;
  readonly sha256: Uint8Array;
  readonly at: Instant;
  readonly by: string;
}

/** Writes such a picture. */
export function insertRecordPhotoOnce(
  tx: ClubTransaction,
  clubId: string,
  photo: RecordPhoto,
): Promise<Once> {
  const at = new Date(photo.at);
  return insertOnce(
    tx,
    'record_photo',
    {
      club_id: clubId,
      photo_id: photo.photoId,
      aircraft_id: photo.aircraftId,
      record_id: photo.recordId,
      width: photo.width,
      height: photo.height,
      bytes: Buffer.from(photo.bytes),
      sha256: Buffer.from(photo.sha256),
      happened_at: at,
      recorded_at: at,
      recorded_by: photo.by,
    },
    ['club_id', 'photo_id'],
  );
}

/** What is kept of a picture of a finding or a record: to compare one that comes a second time; undefined where there is none. */
export async function findAnyPhoto(
  tx: ClubTransaction,
  photoId: string,
): Promise<{ readonly of: string; readonly sha256: Uint8Array } | undefined> {
  const finding = await tx
    .selectFrom('photo')
    .select(['discrepancy_id', 'sha256'])
    .where('photo_id', '=', photoId)
    .executeTakeFirst();
  if (finding !== undefined) return { of: finding.discrepancy_id, sha256: finding.sha256 };
  const record = await tx
    .selectFrom('record_photo')
    .select(['record_id', 'sha256'])
    .where('photo_id', '=', photoId)
    .executeTakeFirst();
  return record === undefined ? undefined : { of: record.record_id, sha256: record.sha256 };
}

/** The pictures of some records, oldest first. */
export async function photosOfRecords(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<ReadonlyMap<string, readonly string[]>> {
  const rows = await tx
    .selectFrom('record_photo')
    .select(['photo_id', 'record_id'])
    .where('aircraft_id', '=', aircraftId)
    .orderBy('recorded_at')
    .orderBy('photo_id')
    .execute();
  const photos = new Map<string, string[]>();
  for (const row of rows) photos.set(row.record_id, [...(photos.get(row.record_id) ?? []), row.photo_id]);
  return photos;
}
