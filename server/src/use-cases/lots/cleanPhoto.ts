import { LARGEST_PHOTO } from '@calm/contract';
import sharp from 'sharp';

/** More pixels than any tablet's camera; a small file may say that it has billions. */
const MOST_PIXELS = 60_000_000;
/** Longest side of what is kept, pixels: as much as a screen shows. */
const LONGEST_SIDE = 2400;
const QUALITY = 85;

/**
 * A photo made anew from its pixels: what the camera wrote beside them (where, when, by which device) and whatever
 * else the file carries is gone.
 *
 * @returns the JPEG to keep; null when it is no photo, or too large
 */
export async function cleanPhoto(bytes: Buffer): Promise<Buffer | null> {
  if (bytes.length > LARGEST_PHOTO) return null;
  try {
    const photo = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    if ((await photo.metadata()).format !== 'jpeg') return null;
    const jpeg = await photo
      .rotate()
      .resize({
        width: LONGEST_SIDE,
        height: LONGEST_SIDE,
        fit: 'inside',
        withoutEnlargement: true,
      })
      .jpeg({ quality: QUALITY })
      .toBuffer();
    return jpeg.length <= LARGEST_PHOTO ? jpeg : null;
  } catch {
    // Broken, or none at all.
    return null;
  }
}
