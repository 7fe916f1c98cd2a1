import { sql } from 'drizzle-orm';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import type { Queries } from './database';
import { addressesOf } from './nodes';

/** What is only ever added to: whoever serves the house can neither change nor delete it. */
const APPEND_ONLY = new Set(['audit']);
/** What only the migrator writes; whoever serves sees from it whether the tables are of its version. */
const READ_ONLY = new Set(['__drizzle_migrations']);

/** An account of the database. */
interface Account {
  readonly user: string;
  readonly host: string;
}

const NAME = /^[\w.%-]{1,80}$/;

/**
 * Gives the account that serves houses the rights it works with, table by table, and no others: it makes no tables, and
 * the record of who did what it only reads and adds to. Asked by the account that migrates, after each migration; does
 * nothing where the same account does both.
 *
 * @param url of the account that migrates
 * @param appUrl of the account that serves
 * @throws Error when a name is none that can stand in a grant, or the rights may not be given
 */
export async function grantLeastRights(tx: Queries, url: string, appUrl: string): Promise<void> {
  const [own, app] = [addressesOf(url)[0], addressesOf(appUrl)[0]];
  if (new URL(own).username === new URL(app).username) return;
  await grantOn(tx, new URL(app).pathname.slice(1), await accountOf(app));
}

/** Whom the database takes an address for: an account's host is where it comes from, which the address does not say. */
async function accountOf(address: string): Promise<Account> {
  const anyDatabase = new URL(address);
  anyDatabase.pathname = '/';
  const connection = await createConnection({ uri: anyDatabase.href });
  try {
    const [[row]] = await connection.query<RowDataPacket[]>('select current_user() account');
    const account = String(row?.['account']);
    const at = account.lastIndexOf('@');
    return { user: account.slice(0, at), host: account.slice(at + 1) };
  } finally {
    await connection.end();
  }
}

async function grantOn(tx: Queries, database: string, { user, host }: Account): Promise<void> {
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
