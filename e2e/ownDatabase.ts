import { migrate, openDatabase } from '@calm/server';
import { randomUUID } from 'node:crypto';
import { createConnection } from 'mysql2/promise';

/**
 * A database of its own, with every table and no house.
 *
 * @param server where it is made: an address of any database there
 */
export async function ownDatabase(server: string) {
  const url = new URL(server);
  const name = `calm_tray_test_${randomUUID().replaceAll('-', '').slice(0, 16)}`;
  const admin = await createConnection(url.href);
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  url.pathname = `/${name}`;
  const { db, pool } = openDatabase(url.href);
  await migrate(db);
  await pool.end();
  return {
    url: url.href,
    drop: async () => {
      await admin.query(`DROP DATABASE ${name}`);
      await admin.end();
    },
  };
}
