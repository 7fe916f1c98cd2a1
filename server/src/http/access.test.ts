import { paths, type Crew, type CrewMember, type SignInOptions } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { and, eq, isNotNull } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { issueSetupCodes } from '../use-cases/access/setupCode';
import * as t from '../database/schema';
import {
  candidateOf,
  HOUSE,
  problemOf,
  signedIn,
  startHouse,
  TODAY,
} from '../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

/** Of the demo house's manager. */
const OWN = 'ostrel harbour';
const ID = '00000000-0000-4000-8000-000000000000';

describe('a session', () => {
  it('of one house opens no other', async () => {
    const cookie = await signedIn(house.db, 'other-yard');
    const [, token] = cookie.split('=');
    const res = await house.as(`calm_${HOUSE}=${token}`).get(paths.book(HOUSE));
    expect(res.status).toBe(401);
  });
});

describe('signing in', () => {
  const candidate = (name: string) => candidateOf(house, name);
  const attempt = (personId: string, secret: string) =>
    house.as(null).post(paths.signIn(HOUSE)).send({ personId, secret });

  it('lets in whoever knows their PIN or password, and out again', async () => {
    for (const name of ['Maro', 'Bashir']) {
      const { id, by, secret } = await candidate(name);
      expect(by).toBe(name === 'Maro' ? 'password' : 'pin');
      const res = await attempt(id, secret);
      expect(res.status).toBe(204);
      const [given = ''] = res.get('Set-Cookie') ?? [];
      expect(given).toMatch(/HttpOnly/);
      expect(given).toMatch(/SameSite=Strict/);
      const cookie = given.split(';')[0] ?? '';
      const me = house.as(cookie);
      expect((await me.get(paths.session(HOUSE))).body).toMatchObject({ personId: id, name });
      expect((await me.delete(paths.signOut(HOUSE))).status).toBe(204);
      expect((await house.as(cookie).get(paths.session(HOUSE))).status).toBe(401);
    }
  });

  it('keeps neither secrets nor tokens as they are, and tells nobody the hashes', async () => {
    const { id, secret } = await candidate('Bashir');
    const [row] = await house.db.select().from(t.people).where(eq(t.people.id, id));
    expect(row?.secretHash).toMatch(/^\$argon2id\$/);
    const cookie = await signedIn(house.db, HOUSE, 'Bashir');
    const tokens = await house.db.select().from(t.sessions);
    expect(JSON.stringify(tokens)).not.toContain(cookie.split('=')[1]);
    for (const path of [paths.book(HOUSE), paths.crew(HOUSE), paths.signInOptions(HOUSE)]) {
      expect((await house.http.get(path)).text).not.toContain('argon2');
    }
    expect(secret).not.toBe('');
  });

  it('stays shut after five wrong tries, for the right PIN too', async () => {
    const { id, secret } = await candidate('Wren');
    for (let i = 0; i < 4; i += 1) {
      expect(problemOf(await attempt(id, String(1000 + i))).type).toBe('/problems/wrong-secret');
    }
    const fifth = await attempt(id, '0000');
    expect(fifth.status).toBe(429);
    expect(Number(fifth.get('Retry-After'))).toBe(60);
    const right = await attempt(id, secret);
    expect(problemOf(right).type).toBe('/problems/rate-limited');
    expect(right.get('Set-Cookie')).toBeUndefined();
    // The clock of this house stands still: an hour later the door opens, and the tries are forgotten.
    const [row] = await house.db.select().from(t.people).where(eq(t.people.id, id));
    expect(row?.failedTries).toBe(5);
    await house.db.update(t.people).set({ lockedUntil: null }).where(eq(t.people.id, id));
    // One more wrong one shuts it for twice as long.
    expect(Number((await attempt(id, '0001')).get('Retry-After'))).toBe(120);
    await house.db.update(t.people).set({ lockedUntil: null }).where(eq(t.people.id, id));
    expect((await attempt(id, secret)).status).toBe(204);
    const [after] = await house.db.select().from(t.people).where(eq(t.people.id, id));
    expect(after?.failedTries).toBe(0);
  });

  it('counts tries that come at once one by one', async () => {
    const { id } = await candidate('Tilde');
    const all = await Promise.all(
      Array.from({ length: 12 }, (_x, i) => attempt(id, String(5000 + i))),
    );
    const told = all.map(({ status }) => status).sort();
    expect(told).toEqual([...Array<number>(4).fill(401), ...Array<number>(8).fill(429)]);
    await house.db
      .update(t.people)
      .set({ failedTries: 0, lockedUntil: null })
      .where(eq(t.people.id, id));
  });

  it('does not say whether it was the person or the secret', async () => {
    const res = await attempt(ID, '1234');
    expect(res.status).toBe(401);
    expect(problemOf(res).type).toBe('/problems/wrong-secret');
  });
});

describe('another site', () => {
  it.each([
    ['its origin', { Origin: 'https://elsewhere.example' }],
    ['an origin that is none', { Origin: 'null' }],
    ['the browser saying so', { 'Sec-Fetch-Site': 'cross-site' }],
    ['a sister site', { 'Sec-Fetch-Site': 'same-site' }],
  ])('cannot write with a stolen page: %s', async (_how, headers: Record<string, string>) => {
    const service = (await house.services())[0];
    const path = paths.changeCount(
      HOUSE,
      TODAY,
      service?.patternId ?? '',
      service?.counts[0]?.productId ?? '',
    );
    const body = { count: 7, version: service?.counts[0]?.version ?? 0 };
    const res = await house.http.put(path).set(headers).send(body);
    expect(res.status).toBe(403);
    expect(problemOf(res).type).toBe('/problems/cross-site');
    expect((await house.services())[0]?.counts[0]).toEqual(service?.counts[0]);
  });

  it('may not even read: the cookie stays at home, and no other origin is let in', async () => {
    const res = await house.http.get(paths.book(HOUSE)).set('Origin', 'https://elsewhere.example');
    expect(res.get('Access-Control-Allow-Origin')).toBeUndefined();
  });
});

describe('who did what', () => {
  it('has no line for somebody who was not signed in and signs out', async () => {
    const lines = async () => (await house.db.select({ id: t.audit.id }).from(t.audit)).length;
    const before = await lines();
    for (let i = 0; i < 3; i += 1)
      expect((await house.as(null).delete(paths.signOut(HOUSE))).status).toBe(204);
    expect(await lines()).toBe(before);
  });

  it('is on record with what was written, newest first, and not what was refused', async () => {
    const before = (await house.http.get(paths.audit(HOUSE))).body as { id: number }[];
    const hand = house.as(await signedIn(house.db, HOUSE, 'Tilde'));
    const [lot] = await house.lots();
    if (!lot) throw new Error('a lot is under way');
    const note = { note: 'A little slack', version: lot.version };
    expect((await hand.put(paths.changeNote(HOUSE, lot.id)).send(note)).status).toBe(200);
    expect((await hand.put(paths.changeNote(HOUSE, lot.id)).send(note)).status).toBe(409);
    expect((await hand.post(paths.addPerson(HOUSE)).send({})).status).toBe(403);
    const after = (await house.http.get(paths.audit(HOUSE))).body as Record<string, unknown>[];
    const [latest] = after;
    const tilde = (await house.book()).people.find(({ name }) => name === 'Tilde');
    expect(latest).toMatchObject({
      personId: tilde?.id,
      permission: 'make',
      method: 'PUT',
      path: `/lots/${lot.id}/note`,
    });
    expect(after.filter(({ id }) => Number(id) > (before[0]?.id ?? 0))).toHaveLength(1);
    const older = await house.http.get(paths.audit(HOUSE, { before: Number(latest?.['id']) }));
    expect(older.body).toEqual(after.slice(1));
  });
});

describe('a house that never had an owner', () => {
  const owner = { name: 'Odile', initials: 'OD', password: 'long enough to keep' };
  const start = (slug: string, sent: object) =>
    house.as(null).post(paths.startOwner(slug)).send(sent);
  const optionsOf = async (slug: string) =>
    (await house.as(null).get(paths.signInOptions(slug))).body as SignInOptions;
  /** A new house as an installation makes one, and the code that its server printed. */
  async function newHouse(slug: string): Promise<string> {
    const [settings] = await house.db.select().from(t.houses);
    if (!settings) throw new Error('there is a house');
    await house.db.insert(t.houses).values({ ...settings, id: randomUUID(), slug, name: slug });
    const issued = await issueSetupCodes(house.db);
    return issued.find((each) => each.slug === slug)?.code ?? '';
  }

  it('takes its first account from whoever has the code, once', async () => {
    const code = await newHouse('first-yard');
    expect(await optionsOf('first-yard')).toMatchObject({ isUnowned: true, candidates: [] });
    const weak = await start('first-yard', { ...owner, code, password: 'short' });
    expect(problemOf(weak).errors).toMatchObject([{ path: 'password', code: 'string.min' }]);
    const stranger = await start('first-yard', { ...owner, code: 'ABCD-EFGH-JKMN' });
    expect(problemOf(stranger).errors).toMatchObject([{ path: 'code', code: 'code.wrong' }]);
    const made = await start('first-yard', { ...owner, code: code.toLowerCase() });
    expect(made.status).toBe(201);
    const cookie = made.get('Set-Cookie')?.[0]?.split(';')[0] ?? '';
    const me = await house.as(cookie).get(paths.session('first-yard'));
    expect(me.body).toMatchObject({ name: 'Odile', role: 'manager' });
    const again = await start('first-yard', { ...owner, code });
    expect(problemOf(again).errors).toMatchObject([{ code: 'owner.there' }]);
  });

  it('makes one owner of eight at once', async () => {
    const code = await newHouse('eight-yard');
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => start('eight-yard', { ...owner, code })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([
      201, 400, 400, 400, 400, 400, 400, 400,
    ]);
    expect((await optionsOf('eight-yard')).candidates).toHaveLength(1);
  });

  it('has a new code at each start, and the one before it no longer counts', async () => {
    const old = await newHouse('restarted-yard');
    const code = (await issueSetupCodes(house.db)).find(({ slug }) => slug === 'restarted-yard');
    expect((await start('restarted-yard', { ...owner, code: old })).status).toBe(400);
    expect((await start('restarted-yard', { ...owner, code: code?.code })).status).toBe(201);
    expect((await issueSetupCodes(house.db)).map(({ slug }) => slug)).not.toContain(
      'restarted-yard',
    );
  });

  it('is what no house becomes that had one: not when everybody lost their secret either', async () => {
    const [{ id = '' } = {}] = await house.db
      .select()
      .from(t.houses)
      .where(eq(t.houses.slug, 'other-yard'));
    await house.db.update(t.people).set({ secretHash: null }).where(eq(t.people.houseId, id));
    expect(await optionsOf('other-yard')).toMatchObject({ isUnowned: false });
    const answer = await start('other-yard', { ...owner, code: 'ABCD-EFGH-JKMN' });
    expect(problemOf(answer).errors).toMatchObject([{ code: 'owner.there' }]);
  });
});

describe('two managers', () => {
  it('who remove or demote each other at the same moment leave one', async () => {
    for (let round = 0; round < 4; round += 1) {
      const { people } = await house.get<Crew>(paths.crew(HOUSE));
      const managers = people.filter(({ role }) => role === 'manager');
      const [maro] = managers;
      if (!maro) throw new Error('somebody looks after the house');
      const second = { name: `Second ${round}`, initials: 'SE', role: 'manager', skills: [] };
      const made = await house.http.post(paths.addPerson(HOUSE)).send(second);
      const { id: secondId } = made.body as CrewMember;
      await house.http
        .put(paths.changeSecret(HOUSE, secondId))
        .send({ secret: 'long enough to keep', ownSecret: OWN });
      const as = async (name: string) => house.as(await signedIn(house.db, HOUSE, name));
      const [one, other] = [await as(maro.name), await as(second.name)];
      const stepDown = { ...second, role: 'hand' };
      await Promise.all([
        other.delete(paths.removePerson(HOUSE, maro.id)),
        one
          .put(paths.changePerson(HOUSE, secondId))
          .send({ version: (made.body as CrewMember).version, content: stepDown }),
      ]);
      const left = await house.db
        .select()
        .from(t.people)
        .where(and(eq(t.people.role, 'manager'), isNotNull(t.people.secretHash)));
      const [own] = await house.db.select().from(t.houses).where(eq(t.houses.slug, HOUSE));
      expect(left.filter(({ houseId }) => houseId === own?.id).length).toBeGreaterThan(0);
      if (!left.some(({ id }) => id === maro.id)) break;
      await house.http.delete(paths.removePerson(HOUSE, secondId));
    }
  });
});

describe('a device that tries everybody', () => {
  it('slows a device down that tries everybody', async () => {
    const codes: number[] = [];
    for (let i = 0; i < 60 && codes.at(-1) !== 429; i += 1)
      codes.push(
        (await house.as(null).post(paths.signIn(HOUSE)).send({ personId: ID, secret: '1' })).status,
      );
    expect(codes.at(-1)).toBe(429);
  });
});
