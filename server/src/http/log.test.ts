import { paths } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { pino } from 'pino';
import request from 'supertest';
import { ownClock } from '../clock';
import { HOUSE, NOW, signedIn, startHouse } from '../test-support/testHouse';
import { createApp } from './app';
import { LOOPBACK_SITE } from './site';
import { LiveHub } from './live/liveHub';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

describe('the log', () => {
  it('says what was asked and how it ended, and nothing by which somebody could sign in', async () => {
    const lines: string[] = [];
    const log = pino({ level: 'debug' }, { write: (line: string) => void lines.push(line) });
    const app = createApp({
      db: house.db,
      clock: ownClock(NOW),
      log,
      live: new LiveHub(house.db, log),
      webDir: null,
      site: LOOPBACK_SITE,
      health: { isTakingWork: () => true, database: () => Promise.resolve('ready') },
      counts: null,
    });
    const cookie = await signedIn(house.db, HOUSE, 'Tilde');
    const [, token = ''] = cookie.split('=');
    const as = (path: string) => request(app).get(path).set('Cookie', cookie);
    await as(paths.session(HOUSE)).expect(200);
    await as(paths.audit(HOUSE)).expect(403);
    await as('/api/v1/nothing').expect(404);
    const person = (await house.book()).people.find(({ name }) => name === 'Tilde');
    const signIn = { personId: person?.id, secret: '0000' };
    await request(app).post(paths.signIn(HOUSE)).send(signIn).expect(401);
    const secret = 'a'.repeat(43);
    await request(app).get(paths.calendarFeed(HOUSE, secret)).expect(404);
    const all = lines.join('');
    expect(all).toContain(paths.audit(HOUSE));
    expect(all).toContain('"statusCode":403');
    expect(token.length).toBeGreaterThan(20);
    expect(all).not.toContain(token);
    expect(all).not.toMatch(/cookie/i);
    expect(all).not.toContain('0000"');
    expect(all).toContain('/calendars/…');
    expect(all).not.toContain(secret);
  });
});
