import { paths, type AuditEntry, type Crew, type HouseBook } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { and, eq } from 'drizzle-orm';
import { administer } from '../../admin';
import * as t from '../../database/schema';
import { verifyAudit } from '../../store/access/auditLog';
import { HOUSE, problemOf, signedIn, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
let houseId: string;
let book: HouseBook;
beforeAll(async () => {
  house = await startHouse();
  book = await house.book();
  houseId = book.house.id;
});
afterAll(() => house.drop());

const latest = async (): Promise<AuditEntry> =>
  ((await house.http.get(paths.audit(HOUSE))).body as [AuditEntry])[0];

describe('a line of who did what', () => {
  it('says what a change was before and is after, and leaves out what stayed', async () => {
    const [product] = book.products;
    if (!product) throw new Error('the house sells something');
    const { id, slug: _s, version, ...content } = product;
    const change = { version, content: { ...content, ballWeightG: content.ballWeightG + 5 } };
    await house.http.put(paths.changeProduct(HOUSE, id)).send(change).expect(200);
    expect((await latest()).changes).toEqual([
      {
        what: 'product',
        id,
        before: { ballWeightG: content.ballWeightG, version },
        after: { ballWeightG: content.ballWeightG + 5, version: version + 1 },
      },
    ]);
  });

  it('names what was made', async () => {
    const person = { name: 'Oda', initials: 'OD', role: 'hand', skills: [] };
    const made = await house.http.post(paths.addPerson(HOUSE)).send(person).expect(201);
    const { changes } = await latest();
    expect(changes).toMatchObject([{ what: 'person', id: made.body.id, before: null }]);
    expect(changes[0]?.after).toMatchObject(person);
  });

  it('names a record of a lot, whose own row tells the rest', async () => {
    const [lot] = await house.lots();
    const id = '00000000-0000-4000-8000-0000000000aa';
    const record = { id, content: { kind: 'said', note: 'Slack' } };
    const res = await house.http.post(paths.addLotRecord(HOUSE, lot?.id ?? '')).send(record);
    expect(res.status).toBe(201);
    expect((await latest()).changes).toEqual([{ what: 'records', id, before: null, after: null }]);
  });

  it('never holds a secret', async () => {
    const hand = book.people.find(({ role }) => role === 'hand');
    const sent = { secret: '73519', ownSecret: 'ostrel harbour' };
    await house.http
      .put(paths.changeSecret(HOUSE, hand?.id ?? ''))
      .send(sent)
      .expect(200);
    const rows = await house.db.select().from(t.audit);
    expect(JSON.stringify(rows)).not.toMatch(/73519|ostrel harbour|argon2/);
    expect((await latest()).changes).toMatchObject([{ what: 'secret', id: hand?.id }]);
  });
});

describe('the chain of lines', () => {
  const scope = () => ({ tx: house.db, houseId });
  const line = async (no: number) => {
    const [row] = await house.db
      .select()
      .from(t.audit)
      .where(and(eq(t.audit.houseId, houseId), eq(t.audit.no, no)));
    if (!row) throw new Error(`line ${no} is there`);
    return row;
  };

  it('is whole after many writes at the same moment', async () => {
    const before = (await verifyAudit(scope())).lines;
    const name = (i: number) => ({ name: `Oda ${i}`, initials: 'OD', role: 'hand', skills: [] });
    const sent = await Promise.all(
      Array.from({ length: 12 }, (_, i) => house.http.post(paths.addPerson(HOUSE)).send(name(i))),
    );
    expect(sent.map(({ status }) => status)).toEqual(Array(12).fill(201));
    expect(await verifyAudit(scope())).toEqual({
      lines: before + 12,
      unchained: 0,
      brokenAt: null,
    });
    expect(await administer(house.db, ['verify-audit', HOUSE])).toMatch(/as they were written/);
  });

  it.each([
    ['who it was', { personId: null }],
    ['when', { at: new Date(0) }],
    ['what was changed', { changes: '[]' }],
    ['where', { path: '/elsewhere' }],
  ])('tells of a line in which %s is another', async (_what, change) => {
    const row = await line(2);
    const here = eq(t.audit.id, row.id);
    await house.db.update(t.audit).set(change).where(here);
    expect((await verifyAudit(scope())).brokenAt).toBe(2);
    await expect(administer(house.db, ['verify-audit', HOUSE])).rejects.toThrow(
      /line 2 is missing/,
    );
    await house.db.update(t.audit).set(row).where(here);
    expect((await verifyAudit(scope())).brokenAt).toBe(null);
  });

  it('tells of lines that are gone, in the middle and at the end', async () => {
    const { lines } = await verifyAudit(scope());
    for (const no of [3, lines]) {
      const row = await line(no);
      await house.db.delete(t.audit).where(eq(t.audit.id, row.id));
      expect((await verifyAudit(scope())).brokenAt).toBe(no);
      await house.db.insert(t.audit).values(row);
    }
    expect((await verifyAudit(scope())).brokenAt).toBe(null);
  });
});

describe('somebody who leaves the crew', () => {
  it('is signed out for good, keeps the name of what they did, and can come back', async () => {
    const tilde = book.people.find(({ name }) => name === 'Tilde');
    const id = tilde?.id ?? '';
    const own = house.as(await signedIn(house.db, HOUSE, 'Tilde'));
    const [lot] = await house.lots();
    const note = { note: 'Hers', version: lot?.version };
    await own
      .put(paths.changeNote(HOUSE, lot?.id ?? ''))
      .send(note)
      .expect(200);
    await house.http.delete(paths.removePerson(HOUSE, id)).expect(200);

    await own.get(paths.book(HOUSE)).expect(401);
    const crew = (await house.http.get(paths.crew(HOUSE))).body as Crew;
    expect(crew.people.map((person) => person.id)).not.toContain(id);
    expect(crew.formerPeople).toContainEqual({ id, name: 'Tilde', initials: tilde?.initials });
    expect((await house.book()).formerPeople).toEqual(crew.formerPeople);
    const options = await house.http.get(paths.signInOptions(HOUSE));
    expect(JSON.stringify(options.body.candidates)).not.toContain(id);
    const { version = 0, canSignIn: _c, id: _i, ...content } = { canSignIn: 0, ...tilde };
    const late = await house.http.put(paths.changePerson(HOUSE, id)).send({ version, content });
    expect(problemOf(late).type).toBe('/problems/not-found');
    await house.http.delete(paths.removePerson(HOUSE, id)).expect(404);

    const back = await house.http.put(paths.rejoinCrew(HOUSE, id)).expect(200);
    expect(back.body).toMatchObject({ id, name: 'Tilde', canSignIn: false });
    await house.http.put(paths.rejoinCrew(HOUSE, id)).expect(404);
    expect((await house.book()).formerPeople).toEqual([]);
  });
});
