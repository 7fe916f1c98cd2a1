import { paths, type Machine, type MachineIssued, type TillAnswer } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { and, eq, isNotNull } from 'drizzle-orm';
import * as t from '../database/schema';
import { HOUSE, NOW, problemOf, signedIn, startHouse } from '../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
let probes: readonly { readonly id: string; readonly name: string }[];
beforeAll(async () => {
  house = await startHouse();
  probes = await house.db.select({ id: t.probes.id, name: t.probes.name }).from(t.probes);
  const own = await house.get<{ probes: { id: string; name: string }[] }>(paths.cold(HOUSE));
  probes = own.probes;
});
afterAll(() => house.drop());

const letIn = async (start: object): Promise<MachineIssued> =>
  (await house.http.post(paths.issueMachine(HOUSE)).send(start).expect(201)).body as MachineIssued;
const probeOf = (n: number) => probes[n] as { id: string; name: string };
const probeStart = (n: number) => ({
  kind: 'probe',
  name: probeOf(n).name,
  probeId: probeOf(n).id,
});
const TILL = { kind: 'till', name: 'Counter', probeId: null };
const nowS = Date.parse(NOW) / 1000;
const readings = (n: number, atS: number) => ({
  probes: [{ probe: probeOf(n).name, atS: [atS], airC: [4] }],
});
const postAs = (token: string, path: string, body: object) =>
  house.as(null).post(path).set('Authorization', `Bearer ${token}`).send(body);
const READINGS = paths.addReadings(HOUSE);

describe('a token', () => {
  it('is told once, is kept nowhere, and is good until it is revoked', async () => {
    const key = '00000000-0000-4000-8000-00000000abcd';
    const sent = await house.http
      .post(paths.issueMachine(HOUSE))
      .set('Idempotency-Key', key)
      .send(probeStart(0))
      .expect(201);
    const { token, machine } = sent.body as MachineIssued;
    expect(machine).toMatchObject({ ...probeStart(0), lastSeenAt: null, revokedAt: null });
    const kept = JSON.stringify([
      await house.db.select().from(t.machines),
      await house.db.select().from(t.answers),
      await house.db.select().from(t.audit),
    ]);
    expect(kept).not.toContain(token);

    await postAs(token, READINGS, readings(0, nowS - 30)).expect(200);
    const [seen] = await house.get<Machine[]>(paths.machines(HOUSE));
    expect(seen?.lastSeenAt).not.toBeNull();
    await house.http.delete(paths.revokeMachine(HOUSE, machine.id)).expect(200);
    await postAs(token, READINGS, readings(0, nowS - 29)).expect(401);
    const [revoked] = await house.get<Machine[]>(paths.machines(HOUSE));
    expect(revoked?.revokedAt).not.toBeNull();
  });

  it('is good for its own probe, its own kind and its own house alone', async () => {
    const probe = await letIn(probeStart(0));
    const till = await letIn(TILL);
    const other = await postAs(probe.token, READINGS, readings(1, nowS - 20));
    expect(problemOf(other).errors).toMatchObject([{ code: 'probe.other' }]);
    await postAs(till.token, READINGS, readings(0, nowS - 20)).expect(403);
    await postAs(probe.token, paths.recordTillSales(HOUSE), { sales: [] }).expect(403);
    await postAs(probe.token, paths.addReadings('other-yard'), readings(0, nowS)).expect(401);
    const read = await house
      .as(null)
      .get(paths.book(HOUSE))
      .set('Authorization', `Bearer ${probe.token}`);
    expect(read.status).toBe(403);
  });

  it('is on each reading with when it came, and writes one line an hour', async () => {
    const { token, machine } = await letIn(probeStart(1));
    for (let i = 5; i > 0; i -= 1)
      await postAs(token, READINGS, readings(1, nowS - 10 * i)).expect(200);
    const [own] = await house.db.select().from(t.machines).where(eq(t.machines.id, machine.id));
    const rows = await house.db
      .select()
      .from(t.readings)
      .where(and(eq(t.readings.machineNo, own?.no ?? 0), isNotNull(t.readings.receivedS)));
    expect(rows).toHaveLength(5);
    const lines = await house.db.select().from(t.audit).where(eq(t.audit.machineId, machine.id));
    expect(lines).toMatchObject([{ personId: null, path: '/readings' }]);
  });
});

describe('what is posted', () => {
  it('is neither of a time to come nor of long ago, and never a hand’s', async () => {
    const { token } = await letIn(probeStart(0));
    const codes = async (atS: number) =>
      problemOf(await postAs(token, READINGS, readings(0, atS))).errors?.map(({ code }) => code);
    expect(await codes(nowS + 600)).toEqual(['at.ahead']);
    expect(await codes(Date.parse('2000-01-01') / 1000)).toEqual(['at.too-old']);
    const hand = house.as(await signedIn(house.db, HOUSE, 'Tilde'));
    await hand.post(READINGS).send(readings(0, nowS)).expect(403);
    const oven = house.as(await signedIn(house.db, HOUSE, 'Wren'));
    await oven.post(paths.recordTillSales(HOUSE)).send({ sales: [] }).expect(403);
  });
});

describe('a till', () => {
  /** A till at the first service of a day: what it posts, and the house's own count there. */
  async function tillAt(date: string, name: string) {
    const { token } = await letIn({ ...TILL, name });
    const [service] = await house.services(date, 1);
    if (!service) throw new Error(`nothing is served on ${date}`);
    const productId = service.counts[0]?.productId ?? '';
    const at = new Date(Date.parse(service.startsAt) + 20 * 60_000).toISOString();
    const post = async (number: string, balls: number) =>
      (
        await postAs(token, paths.recordTillSales(HOUSE), {
          sales: [{ number, at, productId, balls }],
        }).expect(200)
      ).body as TillAnswer;
    const sold = async () =>
      (
        await house.get<{ productId: string; patternId: string; sold: number }[]>(
          paths.sales(HOUSE, { from: date, days: 1 }),
        )
      ).find((sale) => sale.productId === productId && sale.patternId === service.patternId)
        ?.sold ?? 0;
    return { post, sold };
  }

  it('takes back what it sold, and nothing that people counted', async () => {
    const { post, sold } = await tillAt('2026-11-24', TILL.name);
    const before = await sold();
    expect(await post('A-1', -500)).toMatchObject({ added: 0, overdrawn: ['A-1'] });
    expect(await sold()).toBe(before);
    expect(await post('A-2', 6)).toMatchObject({ added: 1, overdrawn: [] });
    expect(await post('A-3', -4)).toMatchObject({ added: 1, overdrawn: [] });
    expect(await post('A-3', -4)).toMatchObject({ known: 1, overdrawn: [] });
    expect(await post('A-4', -3)).toMatchObject({ added: 0, overdrawn: ['A-4'] });
    expect(await sold()).toBe(before + 2);
  });

  it('takes back once what is taken back by several lines at the same moment', async () => {
    const { post, sold } = await tillAt('2026-11-21', 'Door');
    const before = await sold();
    for (let i = 0; i < 6; i += 1) {
      await post(`D-${i}`, 6);
      const backs = await Promise.all(['a', 'b', 'c'].map((line) => post(`D-${i}-${line}`, -6)));
      expect(backs.map(({ added }) => added).sort()).toEqual([0, 0, 1]);
    }
    expect(await sold()).toBe(before);
  });

  it('sells nothing in the future', async () => {
    const { token } = await letIn({ ...TILL, name: 'Bar' });
    const [product] = (await house.book()).products;
    const sale = { number: 'B-1', productId: product?.id, balls: 1 };
    const at = new Date(Date.parse(NOW) + 4 * 3_600_000).toISOString();
    const res = await postAs(token, paths.recordTillSales(HOUSE), { sales: [{ ...sale, at }] });
    expect(problemOf(res).errors).toMatchObject([{ code: 'at.outside' }]);
  });
});

describe('what somebody enters late', () => {
  it('is on record with when the house took it', async () => {
    const place = (await house.book()).places.find(({ room }) => room !== null);
    const content = { kind: 'action', placeId: place?.id, note: 'Door seal wiped' };
    const id = '00000000-0000-4000-8000-00000000beef';
    const at = new Date(Date.parse(NOW) - 20 * 3_600_000).toISOString();
    const sent = await house.http.post(paths.addColdNote(HOUSE)).send({ id, at, content });
    expect(sent.body).toMatchObject({ at, receivedAt: expect.stringMatching(/^2026-11-25T14:/) });
    const from = { from: '2026-11-24', days: 2 };
    const csv = await house.http.get(paths.coldRecordCsv(HOUSE, from));
    expect(csv.text).toMatch(/Door seal wiped.*2026-11-25/);
    const tooOld = new Date(Date.parse(NOW) - 40 * 86_400_000).toISOString();
    const refused = await house.http
      .post(paths.addColdNote(HOUSE))
      .send({ id: id.replace('beef', 'beee'), at: tooOld, content });
    expect(problemOf(refused).errors).toMatchObject([{ code: 'at.too-old' }]);
  });
});
