import { createCipheriv, createDecipheriv, createHash, randomBytes, scryptSync } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { createInterface } from 'node:readline';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { StartError } from '../config';
import { writeWhole } from './wholeFile';

/*
 * A backup is lines of JSON, packed: a head, and for each table its columns, its rows and how many there were, with
 * their SHA-256. With a key all of it is encrypted (AES-256-GCM, the key stretched by scrypt): nobody without it reads
 * or changes anything.
 */

const FORMAT = 'calm-tray-backup';
const VERSION = 1;
/** What an encrypted one begins with, before salt and nonce. */
const MAGIC = Buffer.from('CALMTRAY-ENC1\n');
const [SALT_LENGTH, NONCE_LENGTH, TAG_LENGTH] = [16, 12, 16];
const CIPHER = 'aes-256-gcm';

/** What a backup says of itself. */
export interface BackupHead {
  readonly format: typeof FORMAT;
  readonly version: number;
  /** When it was taken, ISO 8601. */
  readonly at: string;
  /** How many changes of the tables it has seen. */
  readonly migrations: number;
}

/** A cell as text; null is null. Bytes are base64. */
export type Cell = string | null;

/** A table in a backup, by its columns; its rows come once, as they are read. */
export interface BackupTable {
  readonly table: string;
  readonly columns: readonly string[];
  /** Columns of bytes. */
  readonly binary: readonly string[];
  readonly rows: AsyncIterable<readonly Cell[]>;
}

const keyOf = (passphrase: string, salt: Buffer) => scryptSync(passphrase, salt, 32);

/**
 * Writes a backup whole, or leaves nothing behind.
 *
 * @param passphrase encrypts it; null does not
 * @returns rows by table
 * @throws StartError when the file cannot be written
 */
export async function writeBackup(
  file: string,
  head: Pick<BackupHead, 'at' | 'migrations'>,
  tables: AsyncIterable<BackupTable>,
  passphrase: string | null,
): Promise<ReadonlyMap<string, number>> {
  const counts = new Map<string, number>();
  await writeWhole(
    file,
    Readable.from(linesOf({ format: FORMAT, version: VERSION, ...head }, tables, counts)),
    createGzip(),
    ...(passphrase === null ? [] : [encrypting(passphrase)]),
  );
  return counts;
}

async function* linesOf(
  head: BackupHead,
  tables: AsyncIterable<BackupTable>,
  counts: Map<string, number>,
): AsyncGenerator<string> {
  const line = (value: unknown) => `${JSON.stringify(value)}\n`;
  yield line(head);
  for await (const { table, columns, binary, rows } of tables) {
    yield line({ table, columns, binary });
    const hash = createHash('sha256');
    let count = 0;
    for await (const row of rows) {
      const text = line(row);
      hash.update(text);
      count += 1;
      yield text;
    }
    counts.set(table, count);
    yield line({ end: table, rows: count, sha256: hash.digest('hex') });
  }
  yield line({ end: null, tables: counts.size });
}

function encrypting(passphrase: string): Transform {
  const [salt, nonce] = [randomBytes(SALT_LENGTH), randomBytes(NONCE_LENGTH)];
  const cipher = createCipheriv(CIPHER, keyOf(passphrase, salt), nonce);
  let hasBegun = false;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      if (!hasBegun) this.push(Buffer.concat([MAGIC, salt, nonce]));
      hasBegun = true;
      done(null, cipher.update(chunk));
    },
    flush(done) {
      this.push(cipher.final());
      done(null, cipher.getAuthTag());
    },
  });
}

/** A backup that is being read: its head, then its tables, each to be read before the next. */
export interface BackupReader {
  readonly head: BackupHead;
  readonly tables: AsyncGenerator<BackupTable>;
}

/**
 * Reads a backup. Each table's rows are held against its sum as they end, and the file against its end.
 *
 * @throws StartError when it is none, is damaged, cut short, of a later version, or encrypted with another key
 */
export async function readBackup(file: string, passphrase: string | null): Promise<BackupReader> {
  const lines = linesFrom(file, passphrase);
  const first = await lines.next();
  const head = first.done ? null : (parsed(file, first.value) as Partial<BackupHead>);
  if (head?.format !== FORMAT) throw new StartError(`${file} is no backup of Calm Tray.`);
  if (head.version !== VERSION)
    throw new StartError(`${file} was written by a later version. Update Calm Tray first.`);
  return { head: head as BackupHead, tables: tablesFrom(file, lines) };
}

async function* tablesFrom(
  file: string,
  lines: AsyncGenerator<string>,
): AsyncGenerator<BackupTable> {
  for (;;) {
    const next = await lines.next();
    if (next.done) throw cutShort(file);
    const begun = parsed(file, next.value) as { end?: null } & Omit<BackupTable, 'rows'>;
    if (begun.end === null) return;
    const { table, columns, binary } = begun;
    let isRead = false;
    async function* rows(): AsyncGenerator<readonly Cell[]> {
      const hash = createHash('sha256');
      for (let count = 0; ; count += 1) {
        const line = await lines.next();
        if (line.done) throw cutShort(file);
        const value = parsed(file, line.value);
        if (Array.isArray(value)) {
          hash.update(`${line.value}\n`);
          yield value as Cell[];
          continue;
        }
        const end = value as { end: string; rows: number; sha256: string };
        const isWhole = end.rows === count && end.sha256 === hash.digest('hex');
        if (end.end !== table || !isWhole) throw damaged(file);
        isRead = true;
        return;
      }
    }
    yield { table, columns, binary, rows: rows() };
    if (!isRead) throw new Error(`the rows of ${table} were not read`);
  }
}

/** The lines of a file, decrypted and unpacked. */
async function* linesFrom(file: string, passphrase: string | null): AsyncGenerator<string> {
  const failed = { error: null as unknown };
  const source = await openBackup(file, passphrase);
  const unpacked = createGunzip();
  const done = pipeline([...source, unpacked] as unknown as [Readable, Transform]).catch(
    (error: unknown) => {
      failed.error = error;
    },
  );
  try {
    for await (const line of createInterface({ input: unpacked, crlfDelay: Infinity })) yield line;
  } catch {
    throw damaged(file);
  }
  await done;
  if (failed.error) throw damaged(file);
}

async function openBackup(
  file: string,
  passphrase: string | null,
): Promise<(Readable | Transform)[]> {
  const begins = MAGIC.length + SALT_LENGTH + NONCE_LENGTH;
  let start: Buffer;
  let tag: Buffer;
  let size: number;
  try {
    const handle = await open(file, 'r');
    try {
      ({ size } = await handle.stat());
      start = Buffer.alloc(begins);
      await handle.read(start, 0, begins, 0);
      tag = Buffer.alloc(TAG_LENGTH);
      await handle.read(tag, 0, TAG_LENGTH, Math.max(0, size - TAG_LENGTH));
    } finally {
      await handle.close();
    }
  } catch (error) {
    throw new StartError(`${file} cannot be read (${(error as NodeJS.ErrnoException).code}).`);
  }
  if (!start.subarray(0, MAGIC.length).equals(MAGIC)) return [createReadStream(file)];
  if (passphrase === null)
    throw new StartError(
      `${file} is encrypted: set CALM_BACKUP_KEY to the key it was written with.`,
    );
  const salt = start.subarray(MAGIC.length, MAGIC.length + SALT_LENGTH);
  const nonce = start.subarray(MAGIC.length + SALT_LENGTH);
  const decipher = createDecipheriv(CIPHER, keyOf(passphrase, salt), nonce).setAuthTag(tag);
  return [createReadStream(file, { start: begins, end: size - TAG_LENGTH - 1 }), decipher];
}

function parsed(file: string, line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    throw damaged(file);
  }
}

const damaged = (file: string) =>
  new StartError(`${file} is damaged, or was written with another key. Nothing was restored.`);
const cutShort = (file: string) => new StartError(`${file} is cut short. Nothing was restored.`);
