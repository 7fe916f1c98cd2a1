import { afterEach, describe, expect, it } from '@jest/globals';
import { migrate as migrateFrom } from 'drizzle-orm/mysql2/migrator';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { openDatabase } from './database';
import { migrate } from './migrations';

const FOLDER = fileURLToPath(new URL('./migrations', import.meta.url));

/** The migrations up to a number, in a folder of their own. */
function migrationsUpTo(last: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'calm-migrations-'));
  cpSync(FOLDER, folder, { recursive: true });
  const file = join(folder, 'meta/_journal.json');
  const journal = JSON.parse(readFileSync(file, 'utf8')) as { entries: { idx: number }[] };
  const entries = journal.entries.filter(({ idx }) => idx <= last);
  writeFileSync(file, JSON.stringify({ ...journal, entries }));
  return folder;
}

const cleanUps: (() => Promise<unknown>)[] = [];
afterEach(async () => {
  for (const cleanUp of cleanUps.splice(0)) await cleanUp();
});

/** An empty database as it was after a migration. */
async function databaseAfter(last: number) {
  const base = new URL(process.env['DATABASE_URL'] ?? '');
  const name = `calm_tray_test_${randomUUID().replaceAll('-', '').slice(0, 16)}`;
  const admin = await createConnection(base.href);
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  const url = new URL(base.href);
  url.pathname = `/${name}`;
  const { db, pool } = openDatabase(url.href);
  const migrationsFolder = migrationsUpTo(last);
  cleanUps.push(async () => {
    await pool.end();
    await admin.query(`DROP DATABASE ${name}`);
    await admin.end();
    rmSync(migrationsFolder, { recursive: true });
  });
  await migrateFrom(db, { migrationsFolder });
  const query = async (sql: string, values: unknown[] = []) =>
    (await pool.query<RowDataPacket[]>(sql, values))[0];
  return { db, query };
}

describe('data of earlier versions', () => {
  it('come under their standard names, and are otherwise as they were (0012)', async () => {
    const { db, query } = await databaseAfter(11);
    const id = randomUUID();
    const settings = { residuePercent: 1, stakes: { kind: 'often', enoughPercent: 85 } };
    const plan = {
      lots: [],
      pins: [],
      asIfs: [
        { kind: 'way-out', way: { kind: 'more-bench', people: 4 } },
        { kind: 'warm-tap', byC: 2 },
      ],
    };
    await query('INSERT INTO houses (id, slug, name, time_zone, settings) VALUES (?, ?, ?, ?, ?)', [
      id,
      'yard',
      'A yard with "stakes"',
      'Europe/Vienna',
      JSON.stringify(settings),
    ]);
    await query(
      'INSERT INTO plans (house_id, version, published_at, content) VALUES (?, 1, ?, ?)',
      [id, '2026-11-20 10:00:00.000', JSON.stringify(plan)],
    );
    for (const deed of ['door', 'make']) {
      await query('INSERT INTO audit (house_id, at, deed, method, path) VALUES (?, ?, ?, ?, ?)', [
        id,
        '2026-11-20 10:00:00.000',
        deed,
        'POST',
        '/lots',
      ]);
    }

    await migrate(db);

    const [house] = await query('SELECT * FROM houses');
    const asJson = (value: unknown) =>
      (typeof value === 'string' ? JSON.parse(value) : value) as object;
    expect(house?.['name']).toBe('A yard with "stakes"');
    expect(asJson(house?.['settings'])).toEqual({
      residuePercent: 1,
      serviceLevel: { kind: 'often', enoughPercent: 85 },
    });
    const [published] = await query('SELECT content FROM plans');
    expect(asJson(published?.['content'])).toEqual({
      lots: [],
      pins: [],
      assumptions: [
        { kind: 'relaxation', relaxation: { kind: 'more-bench', people: 4 } },
        { kind: 'warm-tap', byC: 2 },
      ],
    });
    const entries = await query('SELECT permission FROM audit ORDER BY id');
    expect(entries.map((row) => row['permission'] as string)).toEqual(['sign-in', 'make']);
  });

  it('keep their owners: a house that has one never takes another without them (0016)', async () => {
    const { db, query } = await databaseAfter(15);
    const houseOf = async (slug: string) => {
      const id = randomUUID();
      await query(
        'INSERT INTO houses (id, slug, name, time_zone, settings) VALUES (?, ?, ?, ?, ?)',
        [id, slug, slug, 'Europe/Vienna', '{}'],
      );
      return id;
    };
    const [owned, begun] = [await houseOf('owned'), await houseOf('begun')];
    for (const [houseId, secret] of [
      [owned, 'a hash'],
      [begun, null],
    ]) {
      await query(
        'INSERT INTO people (id, house_id, name, initials, role, skills, secret_hash) VALUES (?, ?, ?, ?, ?, ?, ?)',
        [randomUUID(), houseId, 'Maro', 'MA', 'manager', '[]', secret],
      );
    }

    await migrate(db);

    const rows = await query('SELECT house_id, owned_at IS NOT NULL AS owned FROM house_access');
    const isOwned = new Map(rows.map((row) => [row['house_id'], row['owned'] === 1]));
    expect([isOwned.get(owned), isOwned.get(begun)]).toEqual([true, false]);
  });
});
