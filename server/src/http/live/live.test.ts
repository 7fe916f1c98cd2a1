import { paths, type LiveEvent } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { ne } from 'drizzle-orm';
import * as t from '../../database/schema';
import { addWrite, readLatestWrite } from '../../store/writes';
import { HOUSE, NOW, signedIn, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
let server: Server;
let address: string;
let cookie: string;
beforeAll(async () => {
  house = await startHouse();
  server = createServer(house.app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  cookie = await signedIn(house.db, HOUSE);
});
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await house.drop();
});

/** A device that follows a house; what it hears, in order. */
async function device(slug = HOUSE, seen?: number, as = cookie) {
  const leaving = new AbortController();
  const own = slug === HOUSE ? as : await signedIn(house.db, slug);
  const answer = await fetch(address + paths.live(slug), {
    headers: { cookie: own, ...(seen !== undefined && { 'last-event-id': String(seen) }) },
    signal: leaving.signal,
  });
  const heard: LiveEvent[] = [];
  const reading = (async () => {
    let text = '';
    const decoder = new TextDecoder();
    for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
      text += decoder.decode(chunk, { stream: true });
      const events = text.split('\n\n');
      text = events.pop() ?? '';
      for (const event of events) {
        const data = /^data: (.*)$/m.exec(event)?.[1];
        if (data) heard.push(JSON.parse(data) as LiveEvent);
      }
    }
  })().catch(() => undefined);
  return {
    answer,
    heard,
    /** Resolves when the house has ended it. */
    ended: reading,
    leave: async () => {
      leaving.abort();
      await reading;
    },
    /** Resolves when something of this path was heard; throws after two seconds. */
    hears: async (path: RegExp) => {
      for (let i = 0; i < 100; i += 1) {
        const found = heard.find((event) => path.test(event.path));
        if (found) return found;
        await wait(20);
      }
      throw new Error(`nothing of ${path.source} in ${JSON.stringify(heard)}`);
    },
  };
}

const addBooking = async (note: string) => {
  const [service] = await house.services();
  const [product] = (await house.book()).products;
  const body = {
    date: '2026-11-28',
    patternId: service?.patternId,
    name: note,
    note,
    covers: 8,
    counts: [{ productId: product?.id, count: 8 }],
  };
  return house.http.post(paths.addBooking(HOUSE)).send(body);
};

const note = async (text: string) => {
  const [lot] = await house.lots();
  if (!lot) throw new Error('a lot is under way');
  const res = await house.http
    .put(paths.changeNote(HOUSE, lot.id))
    .send({ note: text, version: lot.version });
  expect(res.status).toBe(200);
  return lot.id;
};

describe('a device that follows a house', () => {
  it('hears of a write on another device within a second, and of none elsewhere', async () => {
    const [here, elsewhere] = [await device(), await device('other-yard')];
    expect(here.answer.headers.get('content-type')).toContain('text/event-stream');
    const id = await note('A little slack');
    const event = await here.hears(/note/);
    expect(event.path).toBe(`/lots/${id}/note`);
    await wait(100);
    expect(elsewhere.heard).toEqual([]);
    await Promise.all([here.leave(), elsewhere.leave()]);
  });

  it('hears nothing of what was refused', async () => {
    const here = await device();
    expect((await addBooking('').then((res) => res.status)) >= 400).toBe(true);
    await note('After what was refused');
    await here.hears(/note/);
    expect(here.heard.filter(({ path }) => path.includes('bookings'))).toEqual([]);
    await here.leave();
  });

  it('hears what another process has written', async () => {
    const here = await device();
    const houseId = (await house.book()).house.id;
    await addWrite({ tx: house.db, houseId }, '/plan', new Date(NOW));
    await here.hears(/^\/plan$/);
    await here.leave();
  });

  it('is told after a gap what it missed, from the last it has seen', async () => {
    const first = await device();
    await note('Before the gap');
    const seen = await first.hears(/note/);
    await first.leave();
    const ids = [];
    for (const text of ['One', 'Two', 'Three']) {
      await note(text);
      ids.push(await readLatestWrite(house.db));
    }
    const back = await device(HOUSE, seen.id);
    for (let i = 0; i < 100 && back.heard.length < 3; i += 1) await wait(20);
    expect(back.heard.map(({ id }) => id)).toEqual(expect.arrayContaining(ids));
    await back.leave();
  });

  it('hears a write that was begun earlier and done later', async () => {
    const here = await device();
    const houseId = (await house.book()).house.id;
    const [other] = await house.db.select().from(t.houses).where(ne(t.houses.id, houseId));
    const at = new Date(NOW);
    let release = () => undefined as void;
    const held = new Promise<void>((resolve) => {
      release = resolve;
    });
    const slow = house.db.transaction(async (tx) => {
      await addWrite({ tx, houseId }, '/slow', at);
      await held;
    });
    await wait(100);
    // Writes of one house wait for each other; another house's are numbered on, and looked at meanwhile.
    await addWrite({ tx: house.db, houseId: other?.id ?? '' }, '/quick', at);
    const quick = await readLatestWrite(house.db);
    await wait(1000);
    release();
    await slow;
    const late = await here.hears(/slow/);
    expect(late.id).toBeLessThan(quick);
    await here.leave();
  });

  it('hears nothing more once it is signed out, here or from another device', async () => {
    const [one, other] = [
      await signedIn(house.db, HOUSE, 'Wren'),
      await signedIn(house.db, HOUSE, 'Wren'),
    ];
    const here = await device(HOUSE, undefined, one);
    const there = await device(HOUSE, undefined, other);
    await house.as(one).delete(paths.endOtherSessions(HOUSE));
    await there.ended;
    await house.as(one).delete(paths.signOut(HOUSE));
    await here.ended;
    await note('After they left');
    expect(here.heard.some(({ path }) => path.includes('note'))).toBe(false);
  });

  it('has a dozen lines at most in one session', async () => {
    const own = await signedIn(house.db, HOUSE, 'Bashir');
    const lines = [];
    for (let i = 0; i < 12; i += 1) lines.push(await device(HOUSE, undefined, own));
    expect(lines.every(({ answer }) => answer.status === 200)).toBe(true);
    const more = await device(HOUSE, undefined, own);
    expect(more.answer.status).toBe(429);
    for (const line of lines) await line.leave();
    await wait(100);
    const again = await device(HOUSE, undefined, own);
    expect(again.answer.status).toBe(200);
    await again.leave();
  });

  it('has to be signed in', async () => {
    expect((await house.as(null).get(paths.live(HOUSE))).status).toBe(401);
  });
});
