import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { knownMigrations } from './migrations';
import { addressesOf } from './nodes';

/** How a database is: with tables of this version, of an earlier or a later one, or not to be reached in time. */
export type Readiness = 'ready' | 'behind' | 'ahead' | 'away';

/** Longest that the database may take to say that it is there, ms. */
const PROBE_MS = 1000;

/** Asks the database how it is, on a connection of its own: the pool may be all taken. Of a cluster one node is enough. */
export async function databaseReadiness(url: string): Promise<Readiness> {
  let worst: Readiness = 'away';
  for (const uri of addressesOf(url)) {
    const node = await nodeReadiness(uri).catch(() => 'away' as const);
    if (node === 'ready') return node;
    if (node !== 'away') worst = node;
  }
  return worst;
}

async function nodeReadiness(uri: string): Promise<Readiness> {
  const connection = await createConnection({ uri, connectTimeout: PROBE_MS });
  try {
    // A table of each kind is there, and answers.
    const asked = { sql: 'select 1 from houses limit 1', timeout: PROBE_MS };
    const isThere = await connection.query(asked).then(() => true, isNoTable);
    if (!isThere) return 'behind';
    const [[row]] = await connection.query<RowDataPacket[]>({
      sql: 'select count(*) n from __drizzle_migrations',
      timeout: PROBE_MS,
    });
    const ahead = Number(row?.['n']) - knownMigrations();
    return ahead === 0 ? 'ready' : ahead < 0 ? 'behind' : 'ahead';
  } finally {
    connection.destroy();
  }
}

/** @returns false for a table that is not there @throws any other error */
function isNoTable(error: unknown): false {
  if ((error as NodeJS.ErrnoException).code === 'ER_NO_SUCH_TABLE') return false;
  throw error;
}
