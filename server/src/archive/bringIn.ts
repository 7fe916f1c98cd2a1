import { createHash, randomBytes } from 'node:crypto';
import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';
import { buffer, text } from 'node:stream/consumers';
import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import { openPromise, type Entry, type ZipFile } from 'yauzl';
import { StartError } from '../config';
import { openDatabase } from '../database/database';
import { knownMigrations, migrate, migrateUpTo } from '../database/migrations';
import { addressesOf } from '../database/nodes';
import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  MANIFEST,
  photoFile,
  tableFile,
  type Manifest,
  type TableSum,
} from './archiveFiles';
import type { ColumnKind } from './archivedTables';

/** What tables and columns are called: names of a file go into statements as they are. */
const NAME = /^[a-z_]{1,64}$/;

/** Rows of one insert. */
const AT_ONCE = 500;

/** A house that was brought in. */
export interface BroughtIn {
  readonly slug: string;
  readonly name: string;
  readonly rows: number;
}

/**
 * Brings an archived house into a database without it: one without tables, which may be of a later version, or one of
 * the archive's own version with other houses in it. An archive that is not whole changes nothing.
 *
 * @throws StartError when the file or the database will not do
 */
export async function bringIn(url: string, file: string): Promise<BroughtIn> {
  const archive = await openArchive(file);
  try {
    return await bringArchiveIn(url, file, archive);
  } finally {
    archive.zip.close();
  }
}

async function bringArchiveIn(url: string, file: string, archive: Archive): Promise<BroughtIn> {
  const { manifest } = archive;
  await checkWhole(archive);
  if (manifest.migrations > knownMigrations())
    throw new StartError(`${file} is of a later version of Calm Tray. Update it first.`);
  const { db, pool } = openDatabase(url);
  const connection = await createConnection({ uri: addressesOf(url)[0], timezone: 'Z' });
  try {
    const [there] = await connection.query<RowDataPacket[]>('show tables');
    if (there.length === 0) await migrateUpTo(db, manifest.migrations);
    else await checkPlace(connection, manifest);
    await connection.query('start transaction');
    try {
      await load(connection, archive);
      await connection.query('commit');
    } catch (error) {
      await connection.query('rollback').catch(() => null);
      throw error;
    }
    await migrate(db);
  } finally {
    await connection.end();
    await pool.end();
  }
  const rows = Object.values(manifest.tables).reduce((sum, table) => sum + table.rows, 0);
  return { ...manifest.house, rows };
}

/** Whether the database may take the house. @throws StartError */
async function checkPlace(connection: Connection, { migrations, house }: Manifest): Promise<void> {
  const [[seen]] = await connection.query<RowDataPacket[]>(
    'select count(*) n from __drizzle_migrations',
  );
  if (seen?.['n'] !== migrations)
    throw new StartError(
      'That database is of another version than the archive. Bring it into one without any tables.',
    );
  const [[same]] = await connection.query<RowDataPacket[]>('select 1 from houses where slug = ?', [
    house.slug,
  ]);
  if (same) throw new StartError(`There is a house ${house.slug} in that database already.`);
}

/** An archive that was found to be one. */
interface Archive {
  readonly zip: ZipFile;
  readonly manifest: Manifest;
  readonly has: (name: string) => boolean;
  readonly open: (name: string) => Promise<Readable>;
  readonly damaged: () => StartError;
}

async function openArchive(file: string): Promise<Archive> {
  const damaged = () => new StartError(`${file} is damaged. Nothing was brought in.`);
  const zip = await openPromise(file, { autoClose: false }).catch((error: unknown) => {
    const { code } = error as NodeJS.ErrnoException;
    throw new StartError(
      code ? `${file} cannot be read (${code}).` : `${file} is no archive of a house.`,
    );
  });
  const entries = new Map<string, Entry>();
  for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
  const open = async (name: string) => {
    const entry = entries.get(name);
    if (!entry) throw damaged();
    return zip.openReadStreamPromise(entry).catch(() => {
      throw damaged();
    });
  };
  const has = (name: string) => entries.has(name);
  const manifest = has(MANIFEST)
    ? (JSON.parse(await text(await open(MANIFEST))) as Partial<Manifest>)
    : null;
  if (manifest?.format !== ARCHIVE_FORMAT)
    throw new StartError(`${file} is no archive of a house.`);
  if (manifest.version !== ARCHIVE_VERSION)
    throw new StartError(`${file} was written by a later version. Update Calm Tray first.`);
  return { zip, manifest: manifest as Manifest, has, open, damaged };
}

/** Once through all of it before anything is written. @throws StartError when it is damaged */
async function checkWhole(archive: Archive): Promise<void> {
  const photos: string[] = [];
  for (const [name, sum] of Object.entries(archive.manifest.tables)) {
    if (![name, ...Object.keys(sum.columns)].every((each) => NAME.test(each)))
      throw archive.damaged();
    for await (const rows of partsOf(archive, name, sum))
      if (name === 'lot_photos') photos.push(...rows.map(({ id }) => photoFile(String(id))));
  }
  const isWhole = photos.length === archive.manifest.photos && photos.every(archive.has);
  if (!isWhole) throw archive.damaged();
}

/** All of it, or nothing: whoever calls holds a transaction. */
async function load(connection: Connection, archive: Archive): Promise<void> {
  const shifted = await numbersFrom(connection);
  for (const [name, sum] of Object.entries(archive.manifest.tables)) {
    for await (const rows of partsOf(archive, name, sum)) {
      const whole = await Promise.all(
        rows.map(async (row) => ({
          ...shifted(name, row),
          ...(await unwritten(archive, name, row)),
        })),
      );
      await insert(connection, name, whole);
    }
  }
}

type Line = Readonly<Record<string, unknown>>;

/** What an archive does not hold, or holds in a file of its own. */
async function unwritten(archive: Archive, table: string, row: Line): Promise<Line> {
  if (table === 'lot_photos')
    return { jpeg: await buffer(await archive.open(photoFile(String(row['id'])))) };
  // Nobody has this token: the machine gets a new one from whoever looks after the house.
  if (table === 'machines') return { token_hash: randomBytes(32).toString('hex') };
  return {};
}

/** Numbers of probes and machines are counted by the database: they go on from those that it has. */
async function numbersFrom(connection: Connection): Promise<(table: string, row: Line) => Line> {
  const last = async (table: 'probes' | 'machines') => {
    const [[row]] = await connection.query<RowDataPacket[]>(`select max(no) n from ${table}`);
    return Number(row?.['n'] ?? 0);
  };
  const [probes, machines] = [await last('probes'), await last('machines')];
  const columns: Readonly<Record<string, Readonly<Record<string, number>>>> = {
    probes: { no: probes },
    machines: { no: machines },
    readings: { probe_no: probes, machine_no: machines },
    reading_buckets: { probe_no: probes },
  };
  return (table, row) => {
    const moved = Object.entries(columns[table] ?? {}).flatMap(([column, by]) => {
      const value = row[column];
      return typeof value === 'number' ? [[column, value + by]] : [];
    });
    return { ...row, ...Object.fromEntries(moved) };
  };
}

/** A table's rows as the database takes them, so many at a time, held against their sum as they end. */
async function* partsOf(
  { open, damaged }: Archive,
  name: string,
  { columns, rows: wanted, sha256 }: TableSum,
): AsyncGenerator<readonly Line[]> {
  const hash = createHash('sha256');
  const stream = await open(tableFile(name));
  let part: Line[] = [];
  let count = 0;
  try {
    for await (const line of createInterface({ input: stream, crlfDelay: Infinity })) {
      hash.update(`${line}\n`);
      count += 1;
      part.push(cellsOf(JSON.parse(line) as Line, columns));
      if (part.length < AT_ONCE) continue;
      yield part;
      part = [];
    }
  } catch (error) {
    throw error instanceof SyntaxError || stream.errored ? damaged() : error;
  }
  if (part.length > 0) yield part;
  if (count !== wanted || hash.digest('hex') !== sha256) throw damaged();
}

const cellsOf = (row: Line, columns: Readonly<Record<string, ColumnKind>>): Line =>
  Object.fromEntries(
    Object.entries(columns).map(([column, kind]) => [column, cellOf(row[column] ?? null, kind)]),
  );

function cellOf(value: unknown, kind: ColumnKind): unknown {
  if (value === null) return null;
  if (kind === 'instant') return new Date(String(value));
  if (kind === 'json') return JSON.stringify(value);
  return kind === 'number' ? Number(value) : String(value);
}

async function insert(connection: Connection, table: string, rows: readonly Line[]): Promise<void> {
  const columns = Object.keys(rows[0] ?? {});
  const names = columns.map((column) => `\`${column}\``).join(',');
  const places = `(${columns.map(() => '?').join(',')})`;
  await connection.query(
    `insert into \`${table}\` (${names}) values ${rows.map(() => places).join(',')}`,
    rows.flatMap((row) => columns.map((column) => row[column])),
  );
}
