import { lockAircraft, raiseRevision } from '@/db/aircraft-facts';
import { insertPhoto } from '@/db/aircraft-papers';
import { inClub } from '@/db/club-transaction';
import { findDiscrepancy } from '@/db/discrepancies';
import { appendToLedger } from '@/db/ledger';
import { notifyChange } from '@/db/notify';
import { Refused, settle, type Actor, type Outcome, type Ports } from './command';

/** Phones send up to this much; more is refused before it is read. */
export const MOST_PHOTO_BYTES = 16 * 1024 * 1024;

export interface PhotoAdded { readonly photoId: string; readonly isNew: boolean }

/**
 * Adds a photo to a finding. Only whoever reported the finding may. The picture is re-encoded: nothing of the phone's metadata
 * is kept. Sent apart from the finding, so that a slow picture never holds up the words. Sending it twice adds it once.
 */
export async function addPhoto(ports: Ports, actor: Actor, photo: { readonly photoId: string; readonly discrepancyId: string; readonly bytes: Uint8Array }): Promise<Outcome<PhotoAdded>> {
  const picture = photo.bytes.byteLength > MOST_PHOTO_BYTES ? null : await ports.reencodePhoto(photo.bytes);
  const recordedAt = ports.now();
  return settle(() => inClub(ports.db, actor.clubId, async (tx) => {
    if (picture === null) {
      throw new Refused({ code: 'invalid', message: 'This picture cannot be read. JPEG, PNG or WebP up to 16 MB will do: take it again, or leave it out. The finding itself is recorded.', problems: [{ path: 'photo', message: 'expected JPEG, PNG or WebP up to 16 MB' }] });
    }
    const found = await findDiscrepancy(tx, photo.discrepancyId);
    if (found === undefined) throw new Refused({ code: 'not-found', message: 'The finding that this picture belongs to has not arrived yet. It will be sent again.' });
    if (found.found_by !== actor.personId) throw new Refused({ code: 'not-entitled', message: 'Only whoever reported a finding can add pictures to it.' });
    await lockAircraft(tx, found.aircraft_id);
    const sha256 = ports.sha256(picture.bytes);
    const isNew = await insertPhoto(tx, { clubId: actor.clubId, photoId: photo.photoId, discrepancyId: photo.discrepancyId, ...picture, sha256, at: recordedAt });
    if (isNew) {
      const revision = await raiseRevision(tx, found.aircraft_id);
      await appendToLedger(tx, {
        clubId: actor.clubId, aircraftId: found.aircraft_id, revision, act: 'add-photo', actor, recordedAt,
        record: { id: photo.photoId, discrepancy: photo.discrepancyId, sha256: Buffer.from(sha256).toString('hex') },
      }, ports.sha256);
      await notifyChange(tx, { club: actor.clubId, aircraft: found.aircraft_id, revision });
    }
    return { photoId: photo.photoId, isNew };
  }));
}
