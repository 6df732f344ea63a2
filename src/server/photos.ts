import sharp from 'sharp';

/** A phone's picture fits; a bomb of a few bytes that unpacks to gigabytes does not. */
const MOST_PIXELS = 80_000_000;
const LONGEST_SIDE = 2000;
const ACCEPTED = ['jpeg', 'png', 'webp', 'heif', 'gif'];

/**
 * Reads a picture by its content, turns it upright, bounds its size and writes it again as WebP without any metadata (place, camera, time).
 * Answers null for bytes that are no picture of an accepted kind.
 */
export async function reencodePhoto(
  bytes: Uint8Array,
): Promise<{ bytes: Uint8Array; width: number; height: number } | null> {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { format } = await picture.metadata();
    if (!ACCEPTED.includes(format)) return null;
    const { data, info } = await picture
      .rotate()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 80 })
      .toBuffer({ resolveWithObject: true });
    return { bytes: data, width: info.width, height: info.height };
  } catch {
    // sharp says the same for 'not a picture', 'cut off' and 'too large'; the person is told what is accepted.
    return null;
  }
}
