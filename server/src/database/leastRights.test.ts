import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { sql } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { createConnection, type Connection } from 'mysql2/promise';
import { startHouse, type TestHouse } from '../test-support/testHouse';
import { grantLeastRights } from './leastRights';
import { databaseReadiness } from './readiness';

/** The second account of the private server; on a server of somebody's own one is made, which takes the right to. */
async function appAccount(): Promise<URL> {
  const given = process.env['DATABASE_APP_URL'];
  if (given) return new URL(given);
  const url = new URL(process.env['DATABASE_URL'] ?? '');
  const owner = await createConnection(url.href);
  url.username = 'calm_tray_test_app';
  url.password = randomUUID();
  const account = `'${url.username}'@'${url.hostname}'`;
  await owner.query(`CREATE OR REPLACE USER ${account} IDENTIFIED BY '${url.password}'`);
  await owner.end();
  return url;
}

describe('the account that serves houses', () => {
  let house: TestHouse;
  let app: Connection;
  let own: string;
  beforeAll(async () => {
    house = await startHouse();
    const url = await appAccount();
    url.pathname = new URL(house.url).pathname;
    own = url.href;
    await grantLeastRights(house.db, house.url, own);
    app = await createConnection(own);
  });
  afterAll(async () => {
    await app.end();
    await house.drop();
  });

  it('writes and deletes what a house has', async () => {
    await expect(app.query('UPDATE houses SET name = name')).resolves.toBeDefined();
    await expect(app.query('DELETE FROM sessions WHERE 1 = 0')).resolves.toBeDefined();
  });

  it.each([
    'UPDATE audit SET path = path',
    'DELETE FROM audit',
    'TRUNCATE audit',
    'DROP TABLE audit',
    'CREATE TABLE more (id int)',
    'ALTER TABLE houses ADD more int',
    'INSERT INTO __drizzle_migrations (hash) VALUES (1)',
    'SELECT * FROM mysql.user',
    "CREATE TRIGGER t BEFORE INSERT ON audit FOR EACH ROW SET NEW.path = ''",
  ])('is refused: %s', async (statement) => {
    await expect(app.query(statement)).rejects.toThrow(/denied/);
  });

  it('adds to the record of who did what, and reads it', async () => {
    await expect(app.query('SELECT count(*) FROM audit')).resolves.toBeDefined();
    const insert = `INSERT INTO audit (house_id, at, permission, method, path)
      SELECT id, now(), 'see', 'GET', '/' FROM houses LIMIT 1`;
    await expect(app.query(insert)).resolves.toBeDefined();
  });

  it('sees whether the tables are of its version', async () => {
    expect(await databaseReadiness(own)).toBe('ready');
    await house.db.execute(sql`INSERT INTO __drizzle_migrations (hash, created_at) VALUES (1, 1)`);
    expect(await databaseReadiness(own)).toBe('ahead');
    await house.db.execute(sql`DELETE FROM __drizzle_migrations ORDER BY id DESC LIMIT 2`);
    expect(await databaseReadiness(own)).toBe('behind');
    expect(await databaseReadiness(`${own}_not_there`)).toBe('away');
  });
});
