import { migrate, openDatabase } from '@calm/server';
import { randomUUID } from 'node:crypto';
import { createConnection } from 'mysql2/promise';
import { NOW, startServer } from './server';

/** Before all journeys: a database of their own, and a server on it. After them: both away. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  const base = new URL(process.env['DATABASE_URL'] ?? '');
  const name = `calm_tray_test_${randomUUID().replaceAll('-', '').slice(0, 16)}`;
  const admin = await createConnection(base.href);
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  base.pathname = `/${name}`;
  const { db, pool } = openDatabase(base.href);
  await migrate(db);
  await pool.end();
  const server = await startServer(base.href, NOW);
  process.env['E2E_URL'] = server.url;
  process.env['E2E_DATABASE_URL'] = base.href;
  return async () => {
    await server.stop();
    await admin.query(`DROP DATABASE ${name}`);
    await admin.end();
  };
}
