/** Longest side of a photo that is kept, px. */
const LONGEST = 1280;
const QUALITY = 0.8;

/**
 * A photo as it is kept: no larger than it has to be, and without what a camera writes into it, place and
 * time among it.
 *
 * @returns base64
 * @throws when the file is no picture that this browser can read
 */
export async function smallJpeg(file: File): Promise<string> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  const pen = canvas.getContext('2d');
  if (!pen) throw new Error('no canvas');
  pen.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return canvas.toDataURL('image/jpeg', QUALITY).split(',')[1] ?? '';
}
