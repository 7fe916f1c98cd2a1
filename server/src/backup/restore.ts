import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import { StartError } from '../config';
import { openDatabase, type Database } from '../database/database';
import { knownMigrations, migrate, migrateUpTo } from '../database/migrations';
import { addressesOf } from '../database/nodes';
import { readBackup, type BackupTable, type Cell } from './backupFile';

/** Bytes of one insert. */
const MOST_BYTES = 4_000_000;
const MOST_ROWS = 500;

/**
 * Puts a backup into a database without a house: the tables as they were when it was taken, its rows, and then
 * whatever has changed in the tables since. A backup that is not whole changes nothing.
 *
 * @returns when it was taken, and how many rows it had
 * @throws StartError when the file or the database will not do
 */
export async function restore(
  url: string,
  file: string,
  passphrase: string | null,
): Promise<{ readonly at: string; readonly rows: number }> {
  const { head, tables } = await readBackup(file, passphrase);
  // Once through the whole of it before anything is written.
  for await (const { rows } of tables) for await (const _row of rows);
  const known = knownMigrations();
  if (head.migrations > known)
    throw new StartError(`${file} is of a later version of Calm Tray. Update it first.`);
  const { db, pool } = openDatabase(url);
  const connection = await createConnection({ uri: addressesOf(url)[0] });
  try {
    await emptyTables(db, connection, head.migrations);
    const again = await readBackup(file, passphrase);
    const rows = await load(connection, again.tables);
    await migrate(db);
    return { at: head.at, rows };
  } finally {
    await connection.end();
    await pool.end();
  }
}

/** Tables as they were after so many migrations, with no house in them. */
async function emptyTables(db: Database, connection: Connection, migrations: number) {
  const [there] = await connection.query<RowDataPacket[]>('show tables');
  if (there.length === 0) return migrateUpTo(db, migrations);
  const [houses] = await connection
    .query<RowDataPacket[]>('select slug from houses limit 1')
    .catch(() => [[{ slug: 'other tables' }]]);
  if (houses.length > 0)
    throw new StartError('That database is not empty. Restore into one that has no house yet.');
  const [[seen]] = await connection.query<RowDataPacket[]>(
    'select count(*) n from __drizzle_migrations',
  );
  if (seen?.['n'] !== migrations)
    throw new StartError(
      'That database is of another version than the backup. Restore into one without any tables.',
    );
}

/** All rows, or none. */
async function load(connection: Connection, tables: AsyncIterable<BackupTable>): Promise<number> {
  let count = 0;
  await connection.query('set foreign_key_checks = 0');
  await connection.query('start transaction');
  try {
    for await (const table of tables) {
      await connection.query(`delete from \`${table.table}\``);
      for await (const batch of batchesOf(table.rows)) {
        await insert(connection, table, batch);
        count += batch.length;
      }
    }
    await connection.query('commit');
  } catch (error) {
    await connection.query('rollback').catch(() => null);
    throw error;
  }
  return count;
}

async function insert(
  connection: Connection,
  { table, columns, binary }: BackupTable,
  rows: readonly (readonly Cell[])[],
): Promise<void> {
  const cell = columns.map((name) => (binary.includes(name) ? 'from_base64(?)' : '?')).join(',');
  const names = columns.map((name) => `\`${name}\``).join(',');
  await connection.query(
    `insert into \`${table}\` (${names}) values ${rows.map(() => `(${cell})`).join(',')}`,
    rows.flat(),
  );
}

async function* batchesOf(
  rows: AsyncIterable<readonly Cell[]>,
): AsyncGenerator<(readonly Cell[])[]> {
  let batch: (readonly Cell[])[] = [];
  let size = 0;
  for await (const row of rows) {
    batch.push(row);
    size += row.reduce((sum, cell) => sum + (cell?.length ?? 0), 0);
    if (batch.length < MOST_ROWS && size < MOST_BYTES) continue;
    yield batch;
    [batch, size] = [[], 0];
  }
  if (batch.length > 0) yield batch;
}
