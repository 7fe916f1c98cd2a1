import { loadLanternYard } from '@calm/demo';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { eq } from 'drizzle-orm';
import { freshDatabase, NOW } from '../test-support/testHouse';
import * as t from './schema';
import { unreliableDatabase } from '../test-support/unreliableDatabase';
import { openDatabase, type Queries } from './database';
import { DatabaseBusy, errorNumber, inTransaction, isDuplicate, reading } from './transaction';

let database: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => {
  database = await freshDatabase();
  await loadLanternYard(database.db, { now: new Date(NOW), weeks: 1 });
});
afterAll(() => database.drop());

describe('inTransaction', () => {
  it('runs work again after a real deadlock, and loses neither side', async () => {
    const { db } = database;
    const [a, b] = await db.select({ id: t.people.id }).from(t.people).limit(2);
    if (!a || !b) throw new Error('two people needed');
    let attempts = 0;
    let meet: () => void = () => undefined;
    const bothHoldOne = new Promise<void>((resolve) => (meet = resolve));
    let holding = 0;
    const rename = (first: string, second: string, initials: string) =>
      inTransaction(db, async (tx) => {
        attempts += 1;
        await tx.update(t.people).set({ initials }).where(eq(t.people.id, first));
        holding += 1;
        if (holding >= 2) meet();
        await bothHoldOne;
        await tx.update(t.people).set({ initials }).where(eq(t.people.id, second));
      });
    await Promise.all([rename(a.id, b.id, 'X1'), rename(b.id, a.id, 'X2')]);
    expect(attempts).toBeGreaterThan(2);
    const after = await db.select({ initials: t.people.initials, id: t.people.id }).from(t.people);
    const of = (id: string) => after.find((row) => row.id === id)?.initials;
    expect(of(a.id)).toBe(of(b.id));
  });

  it('gives up after five tries', async () => {
    let attempts = 0;
    const always = inTransaction(database.db, () => {
      attempts += 1;
      return Promise.reject(Object.assign(new Error('deadlock'), { errno: 1213 }));
    });
    await expect(always).rejects.toThrow('deadlock');
    expect(attempts).toBe(5);
  });

  it('does not repeat a mistake', async () => {
    let attempts = 0;
    const twice = inTransaction(database.db, async (tx) => {
      attempts += 1;
      const [person] = await tx.select().from(t.people).limit(1);
      if (person) await tx.insert(t.people).values(person);
    });
    const error = await twice.catch((e: unknown) => e);
    expect(isDuplicate(error)).toBe(true);
    expect(errorNumber(new Error('plain'))).toBe(0);
    expect(attempts).toBe(1);
  });
});

describe('a database that is not well', () => {
  let broken: Awaited<ReturnType<typeof unreliableDatabase>>;
  let through: ReturnType<typeof openDatabase>;
  beforeAll(async () => {
    broken = await unreliableDatabase(database.url);
    through = openDatabase(broken.url);
  });
  afterAll(async () => {
    broken.be('well');
    await through.pool.end();
    await broken.close();
  });
  const people = (tx: Queries) => tx.select({ id: t.people.id }).from(t.people);
  const HURRY = { connectionMs: 300, workMs: 300 };
  /** More at once than the pool has connections. */
  const many = (patience = { connectionMs: 5000, workMs: 5000 }) =>
    Promise.all(
      Array.from({ length: 15 }, () =>
        inTransaction(through.db, people, patience).catch((error: unknown) => error),
      ),
    );

  it('is served from again after a node refused every statement: no connection is lost', async () => {
    broken.be('rejecting');
    const refused = await many();
    expect(refused.map(errorNumber)).toEqual(refused.map(() => 1047));
    broken.be('well');
    const served = await many();
    expect(served.every((rows) => Array.isArray(rows) && rows.length > 0)).toBe(true);
  });

  it('keeps nobody waiting while it is frozen, and is served from again after', async () => {
    broken.be('frozen');
    const refused = await many(HURRY);
    expect(refused.every((error) => error instanceof DatabaseBusy)).toBe(true);
    broken.be('well');
    const served = await many();
    expect(served.every((rows) => Array.isArray(rows) && rows.length > 0)).toBe(true);
  });
});

describe('a row that somebody does not let go of', () => {
  it('costs whoever wants it a few seconds, and nobody else their connection', async () => {
    const { db } = database;
    const [person] = await db.select({ id: t.people.id }).from(t.people).limit(1);
    const where = eq(t.people.id, person?.id ?? '');
    let letGo: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (letGo = resolve));
    let hasIt: () => void = () => undefined;
    const has = new Promise<void>((resolve) => (hasIt = resolve));
    const slow = inTransaction(db, async (tx) => {
      await tx.update(t.people).set({ initials: 'SL' }).where(where);
      hasIt();
      await held;
    });
    await has;
    const began = Date.now();
    const writers = Array.from({ length: 12 }, () =>
      inTransaction(db, (tx) => tx.update(t.people).set({ initials: 'WR' }).where(where)).catch(
        (error: unknown) => error,
      ),
    );
    const refused = await Promise.all(writers);
    expect(refused.every((error) => error instanceof DatabaseBusy)).toBe(true);
    expect(Date.now() - began).toBeLessThan(12_000);
    letGo();
    await slow;
    expect(await reading(db, (tx) => tx.select().from(t.people).where(where))).toHaveLength(1);
  }, 20_000);
});

describe('the database itself', () => {
  it('refuses a row that points into another house', async () => {
    const { db } = database;
    await loadLanternYard(db, {
      now: new Date(NOW),
      slug: 'other-yard',
      name: 'Other Yard',
      weeks: 1,
    });
    const [mine] = await db.select().from(t.houses).where(eq(t.houses.slug, 'lantern-yard'));
    const [other] = await db.select().from(t.houses).where(eq(t.houses.slug, 'other-yard'));
    const [theirs] = await db
      .select()
      .from(t.people)
      .where(eq(t.people.houseId, other?.id ?? ''));
    const crossing = db.insert(t.shiftPatterns).values({
      id: '00000000-0000-4000-8000-000000000001',
      houseId: mine?.id ?? '',
      personId: theirs?.id ?? '',
      weekday: 1,
      startMin: 0,
      endMin: 60,
    });
    const error = await crossing.catch((e: unknown) => e);
    expect(errorNumber(error)).toBe(1452);
  });

  it('holds the demo house the same each time it is loaded', async () => {
    const { db } = database;
    const read = () => db.select().from(t.loads).orderBy(t.loads.lotId, t.loads.number);
    const before = await read();
    await loadLanternYard(db, { now: new Date(NOW), weeks: 1 });
    expect(await read()).toEqual(before);
    expect(before.length).toBeGreaterThan(50);
  });
});
