import { paths, type SignedInDevice } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { eq } from 'drizzle-orm';
import { administer } from '../admin';
import * as t from '../database/schema';
import { candidateOf, HOUSE, NOW, signedIn, startHouse } from '../test-support/testHouse';

/** A cookie that an answer sets, as a browser sends it back; empty when it sets none of the name. */
const cookieNamed = (res: { get(name: 'Set-Cookie'): string[] | undefined }, name: string) =>
  (res.get('Set-Cookie') ?? [])
    .map((set) => set.split(';')[0] ?? '')
    .find((set) => set.startsWith(`${name}=`)) ?? '';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

describe('signing in', () => {
  const candidate = (name: string) => candidateOf(house, name);

  it('lets the crew in where they signed in before, however many strangers try', async () => {
    const { id, secret } = await candidate('Ossian');
    const at = (cookie: string | null, tried: string) =>
      house.as(cookie).post(paths.signIn(HOUSE)).send({ personId: id, secret: tried });
    const first = await at(null, secret);
    const device = cookieNamed(first, `calm_device_${HOUSE}`);
    expect(device).not.toBe('');
    for (let i = 0; i < 6; i += 1) await at(null, `90${i}1`);
    expect((await at(null, secret)).status).toBe(429);
    expect((await at(device, secret)).status).toBe(204);
    // The stranger's tries are not forgotten by that.
    expect((await at(null, secret)).status).toBe(429);
    // A known device has tries of its own, whoever it tries to be.
    const others = ['Bashir', 'Tilde', 'Wren', 'Bashir', 'Tilde'];
    const tries = [];
    for (const name of others) {
      const other = await candidate(name);
      const body = { personId: other.id, secret: '90210' };
      tries.push((await house.as(device).post(paths.signIn(HOUSE)).send(body)).status);
    }
    expect(tries).toEqual([401, 401, 401, 401, 429]);
    expect((await at(device, secret)).status).toBe(429);
    await house.db.update(t.devices).set({ failedTries: 0, lockedUntil: null });
    await house.db.update(t.people).set({ failedTries: 0, lockedUntil: null });
  });

  it('ends the session that was open on the device', async () => {
    const { id, secret } = await candidate('Tilde');
    const body = { personId: id, secret };
    const first = await house.as(null).post(paths.signIn(HOUSE)).send(body);
    const old = cookieNamed(first, `calm_${HOUSE}`);
    expect((await house.as(old).post(paths.signIn(HOUSE)).send(body)).status).toBe(204);
    expect((await house.as(old).get(paths.session(HOUSE))).status).toBe(401);
  });
});

describe('at the server, when nobody gets in', () => {
  it('everybody may try again, or is given a new secret', async () => {
    const { id, secret } = await candidateOf(house, 'Bashir');
    const at = (tried: string) =>
      house.as(null).post(paths.signIn(HOUSE)).send({ personId: id, secret: tried });
    for (let i = 0; i < 5; i += 1) await at(`70${i}1`);
    expect((await at(secret)).status).toBe(429);
    await administer(house.db, ['unlock', HOUSE]);
    expect((await at(secret)).status).toBe(204);
    const told = await administer(house.db, ['new-secret', HOUSE, 'Bashir']);
    const given = /: (\d{6})$/.exec(told)?.[1] ?? '';
    expect((await at(secret)).status).toBe(401);
    expect((await at(given)).status).toBe(204);
    await expect(administer(house.db, ['new-secret', HOUSE, 'Nobody'])).rejects.toThrow(
      'no person',
    );
    await expect(administer(house.db, ['unlock', 'no-yard'])).rejects.toThrow('no house');
    await expect(administer(house.db, [])).rejects.toThrow('npm run admin');
  });
});

describe('where somebody is signed in', () => {
  it('is theirs to see and to end; nobody else’s', async () => {
    const [here, there, other] = [
      await signedIn(house.db, HOUSE, 'Wren'),
      await signedIn(house.db, HOUSE, 'Wren'),
      await signedIn(house.db, HOUSE, 'Bashir'),
    ];
    const list = async (cookie: string) =>
      (await house.as(cookie).get(paths.sessions(HOUSE))).body as SignedInDevice[];
    const all = await list(here);
    const elsewhere = all.find(({ isThis }) => !isThis);
    expect(all.filter(({ isThis }) => isThis)).toHaveLength(1);
    const end = (cookie: string) =>
      house.as(cookie).delete(paths.endSession(HOUSE, elsewhere?.id ?? ''));
    expect((await end(other)).status).toBe(404);
    expect((await end(here)).status).toBe(200);
    expect((await list(here)).map(({ id }) => id)).not.toContain(elsewhere?.id);
    await signedIn(house.db, HOUSE, 'Wren');
    expect((await house.as(here).delete(paths.endOtherSessions(HOUSE))).status).toBe(200);
    expect(await list(here)).toHaveLength(1);
    expect((await house.as(other).get(paths.session(HOUSE))).status).toBe(200);
    expect(there).not.toBe(here);
  });

  it('ends by itself on a device that asked for nothing for four hours', async () => {
    const cookie = await signedIn(house.db, HOUSE, 'Wren');
    const ago = (hours: number) => new Date(Date.parse(NOW) - hours * 3_600_000);
    await house.db.update(t.sessions).set({ seenAt: ago(3.9) });
    expect((await house.as(cookie).get(paths.session(HOUSE))).status).toBe(200);
    const [touched] = await house.db
      .select()
      .from(t.sessions)
      .where(eq(t.sessions.seenAt, new Date(NOW)));
    expect(touched).toBeDefined();
    await house.db.update(t.sessions).set({ seenAt: ago(4.1) });
    expect((await house.as(cookie).get(paths.session(HOUSE))).status).toBe(401);
    await house.db.update(t.sessions).set({ seenAt: new Date(NOW) });
  });
});
