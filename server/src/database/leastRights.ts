import { sql } from 'drizzle-orm';
import type { Queries } from './database';

/** What is only ever added to: whoever serves the house can neither change nor delete it. */
const APPEND_ONLY = new Set(['audit']);
/** What only the migrator writes; whoever serves sees from it whether the tables are of its version. */
const READ_ONLY = new Set(['__drizzle_migrations']);

/** An account of the database, as it comes in. */
export interface Account {
  readonly user: string;
  readonly host: string;
}

const NAME = /^[\w.%-]{1,80}$/;

/**
 * Gives the account that serves houses the rights it works with, table by table, and no others: it makes no tables, and
 * the record of who did what it only reads and adds to. Asked by the account that migrates, after each migration.
 *
 * @throws Error when a name is none that can stand in a grant, or the rights may not be given
 */
export async function grantLeastRights(
  tx: Queries,
  database: string,
  { user, host }: Account,
): Promise<void> {
  if (![database, user, host].every((name) => NAME.test(name)))
    throw new Error(`Not names of a database and an account: ${database}, ${user}@${host}`);
  const [rows] = (await tx.execute(
    sql`select table_name as name from information_schema.tables where table_schema = ${database}`,
  )) as unknown as [{ name: string }[]];
  for (const { name } of rows) {
    const rights = rightsOn(name);
    await tx.execute(
      sql.raw(`grant ${rights} on \`${database}\`.\`${name}\` to '${user}'@'${host}'`),
    );
  }
}

function rightsOn(table: string): string {
  if (READ_ONLY.has(table)) return 'select';
  return APPEND_ONLY.has(table) ? 'select, insert' : 'select, insert, update, delete';
}
