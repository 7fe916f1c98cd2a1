import {
  type HouseBook,
  type Lot,
  type LotStart,
  type Problem,
  type Service,
  type SignInOptions,
  paths,
} from '@calm/contract';
import { stageKey } from '@calm/core';
import { loadLanternYard } from '@calm/demo';
import { and, eq } from 'drizzle-orm';
import { createConnection } from 'mysql2/promise';
import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import request from 'supertest';
import { ownClock } from '../clock';
import { createApp } from '../http/app';
import { LOOPBACK_SITE, type Site } from '../http/site';
import { LiveHub } from '../http/live/liveHub';
import { openDatabase, type Database } from '../database/database';
import { migrate } from '../database/migrations';
import { databaseReadiness } from '../database/readiness';
import * as t from '../database/schema';
import { copyOf, type OwnDatabase } from './templates';
import { openSession } from '../store/access/sessions';

/** A Wednesday afternoon: lunch is over, dinner is in two hours. */
export const NOW = '2026-11-25T14:40:00.000Z';
export const TODAY = '2026-11-25';
export const HOUSE = 'lantern-yard';

async function filled(url: string, fill: (db: Database) => Promise<unknown>): Promise<void> {
  const { db, pool } = openDatabase(url);
  try {
    await fill(db);
  } finally {
    await pool.end();
  }
}

type OpenDatabase = Awaited<ReturnType<typeof openCopy>>;

export const openCopy = async ({ url, drop }: OwnDatabase) => {
  const { db, pool } = openDatabase(url);
  return {
    url,
    db,
    drop: async () => {
      await pool.end();
      await drop();
    },
  };
};

/** An empty database without any tables. */
export async function bareDatabase(): Promise<OwnDatabase> {
  const url = new URL(process.env['DATABASE_URL'] ?? '');
  const name = `calm_tray_test_${randomUUID().replaceAll('-', '').slice(0, 16)}`;
  const admin = await createConnection(url.href);
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  url.pathname = `/${name}`;
  return {
    url: url.href,
    drop: async () => {
      await admin.query(`DROP DATABASE ${name}`);
      await admin.end();
    },
  };
}

/** A database of its own for one test file, migrated, on the server that DATABASE_URL names. */
export const freshDatabase = async () =>
  openCopy(await copyOf('empty', (url) => filled(url, migrate)));

/** One with the demo house and, beside it, a second one. */
const databaseWithHouses = async () =>
  openCopy(
    await copyOf('houses', (url) =>
      filled(url, async (db) => {
        await migrate(db);
        const now = new Date(NOW);
        await loadLanternYard(db, { now, readingDays: 5 });
        await loadLanternYard(db, { now, slug: 'other-yard', name: 'Other Yard', readingDays: 1 });
      }),
    ),
  );

/** The real application on a database, at whatever time. */
function appsOn({ db, url }: Pick<OpenDatabase, 'db' | 'url'>, site: Site = LOOPBACK_SITE) {
  const log = pino({ level: 'silent' });
  const live = new LiveHub(db, log);
  const appAt = (now: string) =>
    createApp({
      db,
      clock: ownClock(now),
      log,
      live,
      webDir: null,
      health: { isTakingWork: () => true, database: () => databaseReadiness(url) },
      counts: null,
      site,
    });
  return { live, appAt };
}

/** The real application over a database, which goes with it. */
export function startServerOn(database: OpenDatabase) {
  const { live, appAt } = appsOn(database);
  return {
    ...database,
    app: appAt(NOW),
    drop: async () => {
      await live.stop();
      await database.drop();
    },
  };
}

/** The real application over a database in which there is no house yet. */
export const startEmptyServer = async () => startServerOn(await freshDatabase());

/** The real application over a fresh database with the demo house and, beside it, a second one. */
export async function startHouse(site: Site = LOOPBACK_SITE) {
  const database = await databaseWithHouses();
  const { db } = database;
  const { live, appAt } = appsOn(database, site);
  const app = appAt(NOW);
  const manager = await signedIn(db, HOUSE);
  // Whoever looks after one of the houses looks after the other too, so that crossing them can be tried.
  const both = `${manager}; ${await signedIn(db, 'other-yard')}`;
  const http = request.agent(app).set('Cookie', both);
  const get = async <T>(path: string): Promise<T> => {
    const res = await http.get(path);
    if (res.status !== 200) throw new Error(`${path}: ${res.status} ${res.text}`);
    return res.body as T;
  };
  return {
    ...database,
    drop: async () => {
      await live.stop();
      await database.drop();
    },
    app,
    live,
    http,
    /** Of the manager of both houses. */
    cookie: both,
    /** Somebody else, or nobody: `signedIn` gives cookies. */
    as: (cookie: string | null) =>
      cookie ? request.agent(app).set('Cookie', cookie) : request(app),
    /** The manager of the demo house at another time, in the same database. */
    later: async (now: string) =>
      request.agent(appAt(now)).set('Cookie', await signedIn(db, HOUSE, 'Maro', new Date(now))),
    get,
    book: (house = HOUSE) => get<HouseBook>(paths.book(house)),
    services: (from = TODAY, days = 2, house = HOUSE) =>
      get<Service[]>(paths.services(house, { from, days })),
    lots: (from = TODAY, days = 3, house = HOUSE) => get<Lot[]>(paths.lots(house, { from, days })),
  };
}

export type TestHouse = Awaited<ReturnType<typeof startHouse>>;

/** The cookie of somebody of a house; of its manager unless another is named. */
export async function signedIn(
  db: Database,
  slug: string,
  name = 'Maro',
  now = new Date(NOW),
): Promise<string> {
  const [person] = await db
    .select({ houseId: t.people.houseId, id: t.people.id })
    .from(t.people)
    .innerJoin(t.houses, eq(t.houses.id, t.people.houseId))
    .where(and(eq(t.houses.slug, slug), eq(t.people.name, name)));
  if (!person) throw new Error(`${name} works at ${slug}`);
  const scope = { tx: db, houseId: person.houseId };
  return `calm_${slug}=${await openSession(scope, person.id, now)}`;
}

/** Somebody at the demo house's door, and what they come in by. */
export async function candidateOf({ as }: Pick<TestHouse, 'as'>, name: string) {
  const { candidates, demo } = (await as(null).get(paths.signInOptions(HOUSE)))
    .body as SignInOptions;
  const person = candidates.find((each) => each.name === name);
  if (!person) throw new Error(`${name} may come in`);
  return { ...person, secret: demo?.[person.id] ?? '' };
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

/** The key of a lot's n-th stage, from 0; of its last for -1. */
export const stepOf = ({ recipe: { route } }: Lot, n: number): string => {
  const index = n < 0 ? route.length + n : n;
  return stageKey({ index, key: route[index]?.key ?? '' });
};

/** The body of an answer that must be a problem document. */
export function problemOf<Both = unknown>(res: request.Response): Problem<Both> {
  expectType(res, 'application/problem+json');
  return JSON.parse(res.text) as Problem<Both>;
}

function expectType(res: request.Response, type: string) {
  const actual = String(res.headers['content-type']);
  if (!actual.startsWith(type)) throw new Error(`expected ${type}, got ${actual}: ${res.text}`);
}
