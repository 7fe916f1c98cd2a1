import { paths, type Lot } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request as plainRequest, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { pino } from 'pino';
import { ownClock } from '../clock';
import {
  HOUSE,
  NOW,
  problemOf,
  roundStart,
  startHouse,
  stepOf,
  TODAY,
} from '../test-support/testHouse';
import { createApp } from './app';
import { LOOPBACK_SITE } from './site';

/*
 * What nobody sends by mistake. None of it may cost more than its answer, end in an error of ours, or be kept.
 */

let house: Awaited<ReturnType<typeof startHouse>>;
let server: Server;
const webDir = mkdtempSync(join(tmpdir(), 'calm-web-'));

beforeAll(async () => {
  house = await startHouse();
  mkdirSync(join(webDir, 'assets'));
  writeFileSync(join(webDir, 'index.html'), '<!doctype html>');
  writeFileSync(join(webDir, 'assets', 'page-1.js'), 'let a = 1;');
  const app = createApp({
    db: house.db,
    live: house.live,
    clock: ownClock(NOW),
    log: pino({ level: 'silent' }),
    site: LOOPBACK_SITE,
    webDir,
    health: { isTakingWork: () => true, database: () => Promise.resolve('ready') },
    counts: null,
  });
  server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
});
afterAll(async () => {
  await new Promise((resolve) => server.close(resolve));
  rmSync(webDir, { recursive: true });
  await house.drop();
});

/** A request with any address and any headers, also those that no library would send. */
function ask(
  method: string,
  path: string,
  headers: Readonly<Record<string, string>> = {},
  body?: string | Buffer,
): Promise<{ status: number; text: string }> {
  const { port } = server.address() as AddressInfo;
  return new Promise((resolve, reject) => {
    const req = plainRequest({ port, host: '127.0.0.1', method, path, headers }, (res) => {
      let text = '';
      res.on('data', (chunk: Buffer) => (text += chunk.toString()));
      res.on('end', () => resolve({ status: res.statusCode ?? 0, text }));
    });
    req.on('error', reject);
    req.end(body);
  });
}

const JSON_TYPE = { 'content-type': 'application/json' };

describe('a body', () => {
  it('is not read of whoever may not', async () => {
    const broken = '{"version": ';
    const closed = await ask(
      'PUT',
      `/api/v1${paths.changeSettings(HOUSE)}`.replace('/api/v1/api/v1', '/api/v1'),
      JSON_TYPE,
      broken,
    );
    expect(closed.status).toBe(401);
  });

  it('that is packed is refused before it is unpacked', async () => {
    const bomb = gzipSync(Buffer.alloc(8_000_000, '['));
    const before = process.cpuUsage();
    const res = await ask(
      'POST',
      paths.signIn(HOUSE),
      { ...JSON_TYPE, 'content-encoding': 'gzip' },
      bomb,
    );
    expect(res.status).toBe(415);
    expect(process.cpuUsage(before).user / 1000).toBeLessThan(500);
  });

  it.each([
    ['lists in lists', '['.repeat(2000) + ']'.repeat(2000)],
    ['objects in objects', '{"a":'.repeat(300) + '1' + '}'.repeat(300)],
  ])('that nests without end is refused: %s', async (_name, body) => {
    const res = await ask('POST', paths.signIn(HOUSE), JSON_TYPE, body);
    expect(res.status).toBe(400);
    expect(res.text).toContain('too deep');
  });

  it('of whoever is not signed in is small', async () => {
    const body = JSON.stringify({ personId: randomUUID(), secret: 'x'.repeat(8000) });
    expect((await ask('POST', paths.signIn(HOUSE), JSON_TYPE, body)).status).toBe(413);
  });

  it('with a million faults costs one of them', async () => {
    const counts = Array.from({ length: 60_000 }, () => 0);
    const before = process.cpuUsage();
    const res = await house.http.post(paths.changeCounts(HOUSE)).send({ counts });
    expect(res.status).toBe(400);
    expect(problemOf(res).errors?.length).toBe(1);
    expect(process.cpuUsage(before).user / 1000).toBeLessThan(1000);
  });
});

describe('nothing ends in an error of ours', () => {
  it.each<[string, string, string, Record<string, string>, string]>([
    [
      'a body in latin1',
      'POST',
      'session',
      { 'content-type': 'application/json; charset=latin1' },
      '{}',
    ],
    [
      'a body in nonsense',
      'POST',
      'session',
      { 'content-type': 'application/json; charset=%' },
      '{}',
    ],
    [
      'a body packed in nonsense',
      'POST',
      'session',
      { ...JSON_TYPE, 'content-encoding': 'zzz' },
      '{}',
    ],
    [
      'a body that is no gzip',
      'POST',
      'session',
      { ...JSON_TYPE, 'content-encoding': 'gzip' },
      '{}',
    ],
    [
      'a cookie that says it is JSON',
      'GET',
      'session',
      { cookie: `calm_${HOUSE}=j%3A%7B%22a%22%3A1%7D` },
      '',
    ],
    [
      'a cookie that is half of a percent',
      'GET',
      'session',
      { cookie: `calm_${HOUSE}=%E0%A4%A` },
      '',
    ],
    ['an address in braces', 'GET', 'lots/%7B00000000-0000-4000-8000-000000000000%7D', {}, ''],
    ['a date at the end of all days', 'GET', 'services?from=9999-12-31&days=62', {}, ''],
    ['a date before all days', 'GET', 'services?from=0000-01-01&days=1', {}, ''],
    ['a parameter given twice', 'GET', 'services?from=2026-11-25&from=2026-11-26&days=1', {}, ''],
    ['a parameter that is an object', 'GET', 'services?from[a]=1&days[]=2', {}, ''],
    ['a half of a character', 'POST', 'bookings', JSON_TYPE, '{"name":"\\ud800"}'],
  ])('%s', async (_name, method, path, headers, body) => {
    const cookie = headers['cookie'] ?? house.cookie;
    const res = await ask(method, `/api/v1/houses/${HOUSE}/${path}`, { ...headers, cookie }, body);
    expect(res.status).toBeGreaterThanOrEqual(400);
    expect(res.status).toBeLessThan(500);
  });

  it.each<[string, string, Record<string, string>]>([
    ['a stretch beyond a file', '/assets/page-1.js', { range: 'bytes=900-1000' }],
    ['a file as it never was', '/assets/page-1.js', { 'if-match': '"nothing"' }],
    ['a way out of the folder', '/assets/..%2f..%2fetc%2fpasswd', {}],
    ['a way out of the page’s folder', '/..%2f..%2fetc%2fpasswd', {}],
    ['a zero in an address', '/assets/%00', {}],
  ])('%s', async (_name, path, headers) => {
    const { status } = await ask('GET', path, headers);
    expect(status).toBeLessThan(500);
  });
});

describe('nonsense is not kept', () => {
  const put = async (name: 'addBooking' | 'addEvent' | 'addPerson', change: object) => {
    const [service] = await house.services();
    const bodies = {
      addBooking: {
        date: TODAY,
        patternId: service?.patternId,
        name: 'Party',
        guests: 8,
        balls: [],
        note: '',
      },
      addEvent: { date: TODAY, patternId: null, name: 'Market', expectedPercent: 120, note: '' },
      addPerson: { name: 'Ilo', initials: 'IL', role: 'hand', skills: [] },
    };
    return house.http.post(paths[name](HOUSE)).send({ ...bodies[name], ...change });
  };

  it.each([
    '0000-01-01',
    '1999-12-31',
    '2100-01-01',
    '9999-12-31',
    '2026-02-30',
    '2026-11-25T00:00',
  ])('a party on %s', async (date) => {
    expect((await put('addBooking', { date })).status).toBe(400);
  });

  it.each([
    ['blanks', '   '],
    ['no width', '\u200b\u2060\ufeff'],
    ['a half of a character', 'A\ud83c'],
  ])('a name of %s', async (_name, name) => {
    for (const route of ['addBooking', 'addEvent', 'addPerson'] as const)
      expect((await put(route, { name })).status).toBe(400);
  });

  it.each(['0000', '1234', '8642', '987654', '111111'])('the PIN %s', async (secret) => {
    const { people } = await house.book();
    const hand = people.find(({ role }) => role === 'hand');
    const res = await house.http
      .put(paths.changeSecret(HOUSE, hand?.id ?? ''))
      .send({ secret, ownSecret: 'ostrel harbour' });
    expect(problemOf(res).errors).toMatchObject([{ code: 'secret.weak' }]);
  });

  it.each(['          ', 'aaaaaaaaaaaa', 'ab ab ab ab ab'])('the password "%s"', async (secret) => {
    const { people } = await house.book();
    const manager = people.find(({ role }) => role === 'manager');
    const res = await house.http
      .put(paths.changeSecret(HOUSE, manager?.id ?? ''))
      .send({ secret, ownSecret: 'ostrel harbour' });
    expect(problemOf(res).errors).toMatchObject([{ code: 'secret.weak' }]);
  });

  it.each([
    'password123',
    'qwertyuiop1',
    'Lantern Yard',
    'lanternyard1',
    'iloveyou123',
    'marolantern',
  ])('the password "%s", as anybody would guess it', async (secret) => {
    const manager = (await house.book()).people.find(({ name }) => name === 'Maro');
    const res = await house.http
      .put(paths.changeSecret(HOUSE, manager?.id ?? ''))
      .send({ secret, ownSecret: 'ostrel harbour' });
    expect(problemOf(res).errors).toMatchObject([{ path: 'secret', code: 'secret.guessable' }]);
  });

  it('records of no weight, of a lorry, of another house, of no such load', async () => {
    const [lot] = await house.lots();
    const { products } = await house.book('other-yard');
    const own = (await house.book()).products[0]?.id ?? '';
    const add = (content: object, more: object = {}) =>
      house.http
        .post(paths.addLotRecord(HOUSE, lot?.id ?? ''))
        .send({ id: randomUUID(), content, ...more })
        .then((res) => res.status);
    expect(await add({ kind: 'piece', productId: own, grams: 265 })).toBe(201);
    expect(await add({ kind: 'piece', productId: own, grams: 1e-300 })).toBe(400);
    expect(await add({ kind: 'piece', productId: own, grams: 1e7 })).toBe(400);
    expect(await add({ kind: 'piece', productId: products[0]?.id, grams: 265 })).toBe(400);
    const weighed = { kind: 'weighed', key: 'flour', grams: 100, wantedG: 100 };
    expect(await add({ ...weighed, loadNumber: 99 })).toBe(400);
    const spot = { placeId: randomUUID(), zone: 'Top', position: 1 };
    const moved = { kind: 'moved', productId: own, from: spot, to: null, trays: 1, balls: 1 };
    expect(await add(moved)).toBe(400);
    expect(await add({ kind: 'said', note: 'Fine' }, { at: '2026-11-25T12:00:00' })).toBe(400);
  });

  it('a note of a place of another house', async () => {
    const { places } = await house.book('other-yard');
    const content = { kind: 'action', placeId: places[0]?.id, note: 'Wedged' };
    const res = await house.http.post(paths.addColdNote(HOUSE)).send({ id: randomUUID(), content });
    expect(res.status).toBe(400);
  });

  it('marks on a step that the lot has not, or that end before they began', async () => {
    const start = roundStart(await house.book(), { serviceDate: '2026-12-02' });
    const lot = (await house.http.post(paths.startLot(HOUSE)).send(start)).body as Lot;
    const first = stepOf(lot, 0);
    const mark = (step: string, load: number, body: object) =>
      house.http.put(paths.changeMark(HOUSE, lot.id, load, step)).send(body);
    expect((await mark('9-nothing', 0, { version: 0, isStarted: true })).status).toBe(404);
    expect((await mark(first, 1, { version: 0, isStarted: true })).status).toBe(404);
    expect((await mark(first, 0, { version: 0, isStarted: true })).status).toBe(200);
    const early = { version: 1, isDone: true, at: '2026-11-24T08:00:00+05:00' };
    const done = (await mark(first, 0, early)).body as { startedAt: string; doneAt: string };
    expect(done.doneAt >= done.startedAt).toBe(true);
  });

  it('a plan in which work ends before it begins', async () => {
    const publish = (startMin: number, endMin: number) => {
      const away = { kind: 'away', personId: 'x', when: { startMin, endMin } };
      const content = { lots: [], pins: [], assumptions: [away] };
      return house.http.put(paths.publishPlan(HOUSE)).send({ version: 99, content });
    };
    expect((await publish(30, 60)).status).not.toBe(400);
    expect((await publish(60, 30)).status).toBe(400);
  });
});
