import type { HouseBook, Lot, LotStart, Problem, Service } from '@calm/contract';
import { paths } from '@calm/contract';
import { loadLanternYard } from '@calm/demo';
import { randomUUID } from 'node:crypto';
import { createConnection } from 'mysql2/promise';
import { pino } from 'pino';
import request from 'supertest';
import { fixedClock } from '../clock';
import { createApp } from '../http/app';
import { migrate, openDatabase, type Database } from '../store/database';

/** A Wednesday afternoon: lunch is over, dinner is in two hours. */
export const NOW = '2026-11-25T14:40:00.000Z';
export const TODAY = '2026-11-25';
export const HOUSE = 'lantern-yard';

/** A database of its own for one test file, migrated, on the server that DATABASE_URL names. */
export async function freshDatabase(): Promise<{
  url: string;
  db: Database;
  drop: () => Promise<void>;
}> {
  const base = new URL(process.env['DATABASE_URL'] ?? '');
  const name = `calm_tray_test_${randomUUID().replaceAll('-', '').slice(0, 16)}`;
  const admin = await createConnection(base.href);
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  const url = new URL(base.href);
  url.pathname = `/${name}`;
  const { db, pool } = openDatabase(url.href);
  await migrate(db);
  return {
    url: url.href,
    db,
    drop: async () => {
      await pool.end();
      await admin.query(`DROP DATABASE ${name}`);
      await admin.end();
    },
  };
}

/** The real application over a fresh database with the demo house and, beside it, a second one. */
export async function startHouse() {
  const database = await freshDatabase();
  const { db } = database;
  await loadLanternYard(db, { now: new Date(NOW) });
  await loadLanternYard(db, { now: new Date(NOW), slug: 'other-yard', name: 'Other Yard' });
  const app = createApp({
    db,
    clock: fixedClock(NOW),
    log: pino({ level: 'silent' }),
    webDir: null,
    isTakingWork: () => true,
  });
  const http = request(app);
  const get = async <T>(path: string): Promise<T> => {
    const res = await http.get(path);
    if (res.status !== 200) throw new Error(`${path}: ${res.status} ${res.text}`);
    return res.body as T;
  };
  return {
    ...database,
    http,
    get,
    book: (house = HOUSE) => get<HouseBook>(paths.book(house)),
    services: (from = TODAY, days = 2, house = HOUSE) =>
      get<Service[]>(paths.services(house, from, days)),
    lots: (from = TODAY, days = 3, house = HOUSE) => get<Lot[]>(paths.lots(house, from, days)),
  };
}

/** A body that starts a Yard Round lot on a date when none is under way yet. */
export function roundStart(book: HouseBook, change: Partial<LotStart> = {}): LotStart {
  const round = book.products.find((p) => p.slug === 'yard-round');
  const spiral = book.mixers.find((m) => m.kind === 'spiral');
  if (!round || !spiral) throw new Error('the demo house has a round and a spiral');
  return {
    productId: round.id,
    serviceDate: '2026-11-29',
    mixerId: spiral.id,
    items: [{ productId: round.id, count: 120 }],
    temps: { roomTempC: 22, flourTempC: 21, tapTempC: 14, prefermentTempC: null },
    ...change,
  };
}

/** The body of an answer that must be a problem document. */
export function problemOf<Both = unknown>(res: request.Response): Problem<Both> {
  expectType(res, 'application/problem+json');
  return JSON.parse(res.text) as Problem<Both>;
}

function expectType(res: request.Response, type: string) {
  const actual = String(res.headers['content-type']);
  if (!actual.startsWith(type)) throw new Error(`expected ${type}, got ${actual}: ${res.text}`);
}
