import { paths } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { eq } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import * as t from '../database/schema';
import { HOUSE, problemOf, signedIn, startHouse } from '../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const event = (name: string) => ({
  date: '2026-12-05',
  patternId: null,
  name,
  expectedPercent: 120,
  note: '',
});
const send = (key: string, name: string, path = paths.addEvent(HOUSE)) =>
  house.http.post(path).set('Idempotency-Key', key).send(event(name));
const named = async (name: string) => {
  const rows = await house.db.select({ name: t.events.name }).from(t.events);
  return rows.filter((row) => row.name === name).length;
};

describe('a write that is sent again under its key', () => {
  it('is done once and answered the same each time', async () => {
    const key = randomUUID();
    const first = await send(key, 'Regatta');
    const again = await send(key, 'Regatta');
    expect(first.status).toBe(201);
    expect(again.status).toBe(201);
    expect(again.body).toEqual(first.body);
    expect(await named('Regatta')).toBe(1);
  });

  it('is done once, too, when it is sent many times at once', async () => {
    const key = randomUUID();
    const all = await Promise.all(Array.from({ length: 8 }, () => send(key, 'Night market')));
    expect(new Set(all.map(({ status }) => status))).toEqual(new Set([201]));
    expect(new Set(all.map(({ body }) => (body as { id: string }).id)).size).toBe(1);
    expect(await named('Night market')).toBe(1);
  });

  it('may be tried again after it was refused', async () => {
    const key = randomUUID();
    expect((await send(key, '')).status).toBe(400);
    expect((await send(key, 'Lantern walk')).status).toBe(201);
  });

  it('is another write under another key, and a key is good for one address', async () => {
    const key = randomUUID();
    await send(key, 'Boat race');
    await send(randomUUID(), 'Boat race');
    expect(await named('Boat race')).toBe(2);
    const elsewhere = await send(key, 'Boat race', paths.addBooking(HOUSE));
    expect(elsewhere.status).toBe(400);
    const other = await house.http
      .put(paths.changeEvent(HOUSE, randomUUID()))
      .set('Idempotency-Key', key)
      .send({ version: 1, content: event('Boat race') });
    expect(problemOf(other).errors).toMatchObject([{ code: 'key.taken' }]);
  });

  it('is of one person and one body: nobody else gets its answer, and nothing else is taken for it', async () => {
    const key = randomUUID();
    const first = await send(key, 'Harvest');
    const changed = await send(key, 'Harvest moved');
    expect(problemOf(changed).errors).toMatchObject([{ code: 'key.taken' }]);
    const content = { name: 'Second', initials: 'SE', role: 'manager', skills: [] };
    await house.http.post(paths.addPerson(HOUSE)).send(content);
    const second = house.as(await signedIn(house.db, HOUSE, 'Second'));
    const theirs = await second
      .post(paths.addEvent(HOUSE))
      .set('Idempotency-Key', key)
      .send(event('Harvest'));
    expect(problemOf(theirs).errors).toMatchObject([{ code: 'key.taken' }]);
    expect(first.status).toBe(201);
    expect(await named('Harvest')).toBe(1);
  });

  it('is known again by a server that keeps more of it than the one before', async () => {
    const key = randomUUID();
    const first = await send(key, 'Old key');
    await house.db
      .update(t.answers)
      .set({ what: `POST ${paths.addEvent(HOUSE).replace('/api/v1', '')}` })
      .where(eq(t.answers.key, key));
    expect((await send(key, 'Old key')).body).toEqual(first.body);
    expect(await named('Old key')).toBe(1);
  });

  it('keeps no session of anybody under a key', async () => {
    const before = await house.db.select().from(t.answers);
    await house
      .as(null)
      .post(paths.signIn(HOUSE))
      .set('Idempotency-Key', randomUUID())
      .send({ personId: randomUUID(), secret: '1234' });
    expect(await house.db.select().from(t.answers)).toHaveLength(before.length);
  });
});
