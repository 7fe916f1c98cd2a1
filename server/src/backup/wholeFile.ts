import { createWriteStream } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import type { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { StartError } from '../config';

/**
 * Writes a file whole, readable by its owner alone, or leaves nothing behind.
 *
 * @param streams what is written, and what it goes through on the way
 * @throws StartError when the file cannot be written
 */
export async function writeWhole(
  file: string,
  ...streams: readonly [Readable, ...Transform[]]
): Promise<void> {
  const part = `${file}.part`;
  try {
    await pipeline([...streams, createWriteStream(part, { mode: 0o600 })]);
    await rename(part, file);
  } catch (error) {
    await rm(part, { force: true });
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'ENOSPC')
      throw new StartError(`No room left for ${file}. Nothing was kept of it.`);
    if (code === 'ENOENT' || code === 'EACCES' || code === 'EISDIR' || code === 'ENOTDIR')
      throw new StartError(`${file} cannot be written (${code}).`);
    throw error;
  }
}
