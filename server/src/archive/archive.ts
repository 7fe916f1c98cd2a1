import type { House, HouseSettings } from '@calm/contract';
import { and, asc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import type { MySqlColumn } from 'drizzle-orm/mysql-core';
import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import { ZipFile } from 'yazl';
import type { Database, Queries } from '../database/database';
import * as t from '../database/schema';
import { takeSnapshot, type Snapshot } from '../database/snapshot';
import { DatabaseBusy } from '../database/transaction';
import { knownMigrations } from '../database/migrations';
import { logCsv } from '../use-cases/lots/log';
import { salesCsv } from '../use-cases/demand/salesCsv';
import { ARCHIVED_TABLES, type ArchivedTable } from './archivedTables';
import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  MANIFEST,
  photoFile,
  tableFile,
  type Manifest,
  type TableSum,
} from './archiveFiles';

/** Longest that somebody may take to fetch an archive, ms: it holds a connection meanwhile. */
const FETCHED_WITHIN_MS = 15 * 60_000;
/** Databases of which an archive is being taken: one at a time each, so that others find connections. */
const taking = new WeakSet<Database>();

/** Rows that are read at once. */
const AT_ONCE = 2000;

/**
 * A house as one file, as of one moment, while people work in it: a ZIP of its tables as lines of JSON
 * (docs/formats/archive.schema.json), its photos, and its lots and sales as tables for people.
 *
 * @param db read on a connection of its own, which goes when the stream has ended or is destroyed
 * @returns the file as it is read; it breaks off when something goes wrong, or after a quarter of an hour
 * @throws DatabaseBusy when another archive is being taken from this database, or there is no connection in time
 */
export async function archiveHouse(db: Database, house: House, now: Date): Promise<Readable> {
  if (taking.has(db)) throw new DatabaseBusy('An archive is being taken already.');
  taking.add(db);
  try {
    const snapshot = await takeSnapshot(db);
    const archive = await archiveOf(snapshot, house, now).catch((error: unknown) => {
      snapshot.end();
      throw error;
    });
    const late = setTimeout(() => archive.destroy(), FETCHED_WITHIN_MS).unref();
    archive.once('close', () => {
      clearTimeout(late);
      snapshot.end();
      taking.delete(db);
    });
    return archive;
  } catch (error) {
    taking.delete(db);
    throw error;
  }
}

async function archiveOf({ tx }: Snapshot, house: House, now: Date): Promise<Readable> {
  const zip = new ZipFile();
  const out = Readable.from(zip.outputStream as AsyncIterable<Buffer>);
  zip.on('error', (error) => out.destroy(error));
  const scope = { tx, houseId: house.id };
  const sums: Record<string, TableSum> = {};
  const add = (name: string, parts: () => Iterable<string> | AsyncIterable<string | Buffer>) =>
    zip.addReadStreamLazy(name, { mtime: now }, (ready) => {
      const stream = Readable.from(parts(), { objectMode: false });
      stream.once('error', (error) => out.destroy(error));
      ready(null, stream);
    });
  const photos = await tx
    .select({ id: t.lotPhotos.id })
    .from(t.lotPhotos)
    .where(eq(t.lotPhotos.houseId, house.id))
    .orderBy(asc(t.lotPhotos.id));
  for (const table of ARCHIVED_TABLES)
    add(tableFile(table.name), () =>
      linesOf(tx, table, house.id, (sum) => (sums[table.name] = sum)),
    );
  for (const { id } of photos) add(photoFile(id), () => photoOf(tx, id));
  add('csv/log.csv', () => logCsv((work) => work(scope), {}));
  add('csv/sales.csv', () => onlyPart(salesCsv(scope, house, now)));
  add(MANIFEST, () => [
    JSON.stringify({
      format: ARCHIVE_FORMAT,
      version: ARCHIVE_VERSION,
      at: now.toISOString(),
      migrations: knownMigrations(),
      house: { slug: house.slug, name: house.name },
      tables: sums,
      photos: photos.length,
    } satisfies Manifest),
  ]);
  zip.end();
  return out;
}

async function* onlyPart(text: Promise<string>): AsyncGenerator<string> {
  yield await text;
}

async function* photoOf(tx: Queries, id: string): AsyncGenerator<Buffer> {
  const [photo] = await tx
    .select({ jpeg: t.lotPhotos.jpeg })
    .from(t.lotPhotos)
    .where(eq(t.lotPhotos.id, id));
  if (photo) yield photo.jpeg;
}

/** A table's lines; its sum is told when they end. */
async function* linesOf(
  tx: Queries,
  table: ArchivedTable,
  houseId: string,
  tell: (sum: TableSum) => void,
): AsyncGenerator<string> {
  const hash = createHash('sha256');
  let rows = 0;
  for await (const part of partsOf(tx, table, await whose(tx, table, houseId))) {
    const text = part.map((row) => `${JSON.stringify(lineOf(table, row))}\n`).join('');
    hash.update(text);
    rows += part.length;
    if (text !== '') yield text;
  }
  const columns = Object.fromEntries([...table.columns].map(([name, { kind }]) => [name, kind]));
  tell({ rows, sha256: hash.digest('hex'), columns });
}

/** Which rows are the house's. */
async function whose(tx: Queries, { of, table }: ArchivedTable, houseId: string): Promise<SQL> {
  if (of === 'itself') return eq(t.houses.id, houseId);
  const columns = table as typeof t.lots & typeof t.readings;
  if (of === 'house') return eq(columns.houseId, houseId);
  const probes = await tx
    .select({ no: t.probes.no })
    .from(t.probes)
    .where(eq(t.probes.houseId, houseId));
  return probes.length === 0
    ? sql`false`
    : inArray(
        columns.probeNo,
        probes.map(({ no }) => no),
      );
}

type Row = Readonly<Record<string, unknown>>;

/** Rows in the order of their key, so many at a time: each part begins after the last of the one before. */
async function* partsOf(
  tx: Queries,
  { table, key, read }: ArchivedTable,
  ours: SQL,
): AsyncGenerator<readonly Row[]> {
  const columns = key.map((property) => read[property] as MySqlColumn);
  const list = (values: readonly unknown[]) =>
    sql`(${sql.join(
      values.map((value) => sql`${value}`),
      sql`, `,
    )})`;
  let last: Row | undefined;
  do {
    const values = last && key.map((property) => last?.[property]);
    const rows: Row[] = await tx
      .select(read)
      .from(table)
      .where(and(ours, values && sql`${list(columns)} > ${list(values)}`))
      .orderBy(...columns.map((column) => asc(column)))
      .limit(AT_ONCE);
    yield rows;
    last = rows.length < AT_ONCE ? undefined : rows.at(-1);
  } while (last);
}

/** A row by the columns' own names. */
function lineOf({ name, columns }: ArchivedTable, row: Row): Row {
  const line = Object.fromEntries(
    [...columns].map(([column, { property }]) => [column, row[property]]),
  );
  return name === 'houses' ? { ...line, settings: withoutSecrets(line['settings']) } : line;
}

/** A made-up house tells everybody its secrets; they are nobody's any more elsewhere. */
function withoutSecrets(settings: unknown): HouseSettings {
  const { demoSecrets: _secrets, ...rest } = settings as HouseSettings;
  return rest;
}
