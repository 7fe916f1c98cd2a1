import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import { addressesOf } from '../database/nodes';
import { writeBackup, type BackupTable, type Cell } from './backupFile';

const BYTES = new Set(['tinyblob', 'blob', 'mediumblob', 'longblob', 'binary', 'varbinary']);
/** What the migrator keeps of itself: a backup says how many there were, and is restored onto them. */
const MIGRATIONS = '__drizzle_migrations';

/**
 * Writes everything that a database holds, as of one moment, while it is worked in.
 *
 * @returns how many rows of how many tables
 * @throws StartError when the file cannot be written
 */
export async function backUp(
  url: string,
  file: string,
  now: Date,
  passphrase: string | null,
): Promise<{ readonly tables: number; readonly rows: number }> {
  const connection = await createConnection({ uri: addressesOf(url)[0], dateStrings: true });
  try {
    await connection.query('set transaction isolation level repeatable read');
    await connection.query('start transaction with consistent snapshot, read only');
    const [[{ n }]] = (await connection.query(
      `select count(*) n from ${MIGRATIONS}`,
    )) as unknown as [[{ n: number }]];
    const head = { at: now.toISOString(), migrations: n };
    const counts = await writeBackup(file, head, tablesOf(connection), passphrase);
    return { tables: counts.size, rows: [...counts.values()].reduce((sum, rows) => sum + rows, 0) };
  } finally {
    await connection.end();
  }
}

async function* tablesOf(connection: Connection): AsyncGenerator<BackupTable> {
  const [columns] = await connection.query<RowDataPacket[]>(
    `select table_name as tbl, column_name as col, data_type as kind
     from information_schema.columns where table_schema = database() and table_name <> ?
     order by table_name, ordinal_position`,
    [MIGRATIONS],
  );
  for (const table of new Set(columns.map((row) => String(row['tbl'])))) {
    const own = columns.filter((row) => row['tbl'] === table);
    const names = own.map((row) => String(row['col']));
    const binary = own.flatMap((row) =>
      BYTES.has(String(row['kind'])) ? [String(row['col'])] : [],
    );
    yield { table, columns: names, binary, rows: rowsOf(connection, table, names, binary) };
  }
}

/** Rows as text that comes back the same: numbers and times as the database writes them, bytes as base64. */
async function* rowsOf(
  connection: Connection,
  table: string,
  columns: readonly string[],
  binary: readonly string[],
): AsyncGenerator<readonly Cell[]> {
  const picked = columns.map((name) =>
    binary.includes(name) ? `to_base64(\`${name}\`)` : `cast(\`${name}\` as char)`,
  );
  const core = connection as unknown as {
    connection: { query(options: object): { stream(): AsyncIterable<Cell[]> } };
  };
  const sql = `select ${picked.join(', ')} from \`${table}\``;
  yield* core.connection.query({ sql, rowsAsArray: true }).stream();
}
