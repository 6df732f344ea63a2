import { ask } from './fetching';

/** Sends a photo of a finding, or of a record that waits for somebody to vouch for it. Throws Refusal or NoSignal. */
export async function sendPhoto(
  of: string,
  photo: Blob,
  photoId: string = crypto.randomUUID(),
): Promise<void> {
  await ask('PUT /api/findings/[id]/photos/[photo]', { params: { id: of, photo: photoId }, body: photo });
}
