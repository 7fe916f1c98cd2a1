import { randomUUID } from 'node:crypto';
import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';

/*
 * Databases for tests are copied from templates: filling one takes many times as long. Each run of the tests makes its
 * own templates, on first need; test files that need one meanwhile wait for it.
 */

const PREFIX = 'calm_tray_test_';
/** Set once for all of a run's processes; a test file that is run by itself has templates of its own. */
const RUN = process.env['TEST_RUN'] ?? randomUUID().slice(0, 8);
/** Templates of runs that were ended go after so long. */
const OLD_MIN = 120;
const LONGEST_MAKING_S = 600;

const addressOf = (name: string): string => {
  const url = new URL(process.env['DATABASE_URL'] ?? '');
  url.pathname = `/${name}`;
  return url.href;
};

/** A database of its own on the server that DATABASE_URL names. */
export interface OwnDatabase {
  readonly url: string;
  drop(): Promise<void>;
}

/**
 * A copy of a template, made with its rows, keys and references.
 *
 * @param what names the template within this run
 * @param fill what is in it, given the address of an empty database
 */
export async function copyOf(
  what: string,
  fill: (url: string) => Promise<void>,
): Promise<OwnDatabase> {
  const server = await createConnection({ uri: process.env['DATABASE_URL'] ?? '' });
  const template = `${PREFIX}template_${RUN}_${what}`;
  await makeOnce(server, template, fill);
  const name = `${PREFIX}${randomUUID().replaceAll('-', '').slice(0, 16)}`;
  await create(server, name);
  await copyTables(server, template, name);
  return {
    url: addressOf(name),
    drop: async () => {
      await server.query(`DROP DATABASE ${name}`);
      await server.end();
    },
  };
}

const create = (server: Connection, name: string) =>
  server.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);

async function makeOnce(
  server: Connection,
  template: string,
  fill: (url: string) => Promise<void>,
): Promise<void> {
  await server.query('SELECT get_lock(?, ?)', [template, LONGEST_MAKING_S]);
  try {
    // It gets its name once it is whole: one that could not be filled is made again.
    if (await hasTables(server, template)) return;
    await dropOld(server);
    const making = `${template}_making`;
    await server.query(`DROP DATABASE IF EXISTS ${making}`);
    await create(server, making);
    await fill(addressOf(making));
    await server.query(`DROP DATABASE IF EXISTS ${template}`);
    await create(server, template);
    await copyTables(server, making, template);
    await server.query(`DROP DATABASE ${making}`);
  } finally {
    await server.query('SELECT release_lock(?)', [template]);
  }
}

async function tablesOf(server: Connection, database: string): Promise<string[]> {
  const [rows] = await server.query<RowDataPacket[]>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ?',
    [database],
  );
  return rows.map((row) => String(row['name']));
}

const hasTables = async (server: Connection, database: string) =>
  (await tablesOf(server, database)).length > 0;

async function copyTables(server: Connection, from: string, to: string): Promise<void> {
  await server.query(`USE ${to}`);
  await server.query('SET foreign_key_checks = 0, unique_checks = 0');
  const tables = await tablesOf(server, from);
  for (const table of tables) {
    const [[row]] = await server.query<RowDataPacket[]>(`SHOW CREATE TABLE ${from}.${table}`);
    await server.query(String(row?.['Create Table']));
  }
  await server.beginTransaction();
  for (const table of tables)
    await server.query(`INSERT INTO ${to}.${table} SELECT * FROM ${from}.${table}`);
  await server.commit();
  await server.query('SET foreign_key_checks = 1, unique_checks = 1');
}

async function dropOld(server: Connection): Promise<void> {
  const [rows] = await server.query<RowDataPacket[]>(
    `SELECT table_schema AS name FROM information_schema.tables WHERE table_schema LIKE ?
     GROUP BY table_schema HAVING max(create_time) < now() - INTERVAL ${OLD_MIN} MINUTE`,
    [`${PREFIX}%`],
  );
  for (const row of rows) await server.query(`DROP DATABASE IF EXISTS ${String(row['name'])}`);
}
