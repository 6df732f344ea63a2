import { lockAircraft } from '@/db/aircraft/aircraft-facts';
import { insertPhotoOnce } from '@/db/aircraft/aircraft-documents';
import { inClub } from '@/db/kernel/club-transaction';
import type { ClubTransaction } from '@/db/kernel/connection';
import { findOther } from '@/db/aircraft/other-records';
import { findDiscrepancy } from '@/db/findings/discrepancies';
import { appendToLedger } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { findAnyPhoto, insertRecordPhotoOnce } from '@/db/findings/record-photos';
import { findWaiting } from '@/db/documents/vouching';
import { Refused, refused, runCommand, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { nextRevision } from '../kernel/next-revision';

/** Phones send up to this much; more is refused while it is read. */
export const MAX_PHOTO_BYTES = 16 * 1024 * 1024;

export interface PhotoAdded {
  readonly photoId: string;
  readonly isNew: boolean;
}
interface NewPhoto {
  readonly photoId: string;
  readonly of: string;
  readonly bytes: Uint8Array;
}

/** What a picture belongs to: a finding, a known mark, or a record that waits for somebody to vouch for it. */
interface Subject {
  readonly kind: 'finding' | 'record';
  readonly aircraftId: string;
  readonly by: string;
}

async function findSubject(tx: ClubTransaction, id: string): Promise<Subject> {
  const finding = await findDiscrepancy(tx, id);
  if (finding !== undefined)
    return { kind: 'finding', aircraftId: finding.aircraft_id, by: finding.found_by };
  const record = await findWaiting(tx, id);
  if (record !== undefined) return { kind: 'record', aircraftId: record.aircraftId, by: record.recordedBy };
  const mark = await findOther(tx, id);
  if (mark?.kind === 'known-mark')
    return { kind: 'record', aircraftId: mark.aircraftId, by: mark.recordedBy };
  throw new Refused({
    code: 'not-found',
    message: 'What this picture belongs to has not arrived yet. It will be sent again.',
  });
}

async function ownSubject(tx: ClubTransaction, actor: Actor, id: string): Promise<Subject> {
  const subject = await findSubject(tx, id);
  if (subject.by !== actor.personId)
    throw new Refused({
      code: 'not-entitled',
      message: 'Only the person who reported a finding or made an entry adds pictures to it.',
    });
  return subject;
}

/**
 * Adds a photo to a finding, or to a record that waits. Only the person who reported or entered that may. The picture is re-encoded: nothing
 * of the phone's metadata is kept; and it is decoded only after it was seen that it belongs to something. Sent apart from the words, so
 * that a slow picture never holds them up. The same picture twice is kept once; another one under its id is refused.
 */
export async function addPhoto(ports: Ports, actor: Actor, photo: NewPhoto): Promise<Outcome<PhotoAdded>> {
  const denied = denial(actor, 'add-photo');
  if (denied !== null) return refused(denied);
  const looked = await runCommand(() =>
    inClub(ports.db, actor.clubId, (tx) => ownSubject(tx, actor, photo.of)),
  );
  if (!looked.ok) return looked;
  const picture = photo.bytes.byteLength > MAX_PHOTO_BYTES ? null : await ports.reencodePhoto(photo.bytes);
  if (picture === null) {
    return refused({
      code: 'invalid',
      message:
        'This picture cannot be read. JPEG, PNG or WebP up to 16 MB will do: take it again, or leave it out. What it belongs to is recorded.',
      problems: [{ path: 'photo', message: 'expected JPEG, PNG or WebP up to 16 MB' }],
    });
  }
  const recordedAt = ports.now();
  const sha256 = ports.sha256(picture.bytes);
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      const { kind, aircraftId } = await ownSubject(tx, actor, photo.of);
      await lockAircraft(tx, aircraftId);
      // An id may be taken by a picture of the other kind, too.
      const known = await findAnyPhoto(tx, photo.photoId);
      const written =
        known !== undefined
          ? 'there-already'
          : kind === 'finding'
            ? await insertPhotoOnce(tx, {
                clubId: actor.clubId,
                photoId: photo.photoId,
                discrepancyId: photo.of,
                ...picture,
                sha256,
                at: recordedAt,
              })
            : await insertRecordPhotoOnce(tx, actor.clubId, {
                photoId: photo.photoId,
                aircraftId,
                recordId: photo.of,
                ...picture,
                sha256,
                at: recordedAt,
                by: actor.personId,
              });
      if (written === 'there-already') {
        const there = known ?? (await findAnyPhoto(tx, photo.photoId));
        if (there?.of === photo.of && Buffer.from(there.sha256).equals(Buffer.from(sha256)))
          return { photoId: photo.photoId, isNew: false };
        throw new Refused({
          code: 'invalid',
          message:
            'Another picture has this id already, so this one was not kept. Take it again, or choose it once more.',
          problems: [{ path: 'photo', message: 'its id is in use' }],
        });
      }
      const { revision, withEnded } = await nextRevision(tx, actor, aircraftId, recordedAt);
      await appendToLedger(
        tx,
        {
          clubId: actor.clubId,
          aircraftId,
          revision,
          act: 'add-photo',
          actor,
          recordedAt,
          record: withEnded({
            id: photo.photoId,
            [kind === 'finding' ? 'discrepancy' : 'of']: photo.of,
            sha256: Buffer.from(sha256).toString('hex'),
          }),
        },
        ports.sha256,
      );
      await notifyChange(tx, { club: actor.clubId, aircraft: aircraftId, revision });
      return { photoId: photo.photoId, isNew: true };
    }),
  );
}
