import {
  paths,
  STANDARD_DISPLAY,
  type AlarmCalls,
  type OwnContact,
  type WebhookIssued,
} from '@calm/contract';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { MINUTE_MS } from '@calm/core';
import { eq } from 'drizzle-orm';
import { createECDH, randomBytes, randomUUID } from 'node:crypto';
import * as t from '../database/schema';
import { mailer } from '../notify/mail';
import { newPushKeys, pusher } from '../notify/push';
import { postWebhook, signatureOf } from '../notify/webhook';
import { keepOutlets } from '../store/access/installation';
import { insertAlarm } from '../store/cold/alarms';
import { mailCatcher, postCatcher } from '../test-support/standIns';
import { HOUSE, signedIn, startHouse } from '../test-support/testHouse';
import { notifyOnce, type Ways } from './notifier';

/** Ten past three at night at Lantern Yard, a week later: all that the demo has is over. */
const NIGHT_MS = Date.parse('2026-12-03T02:10:00.000Z');
const at = (min: number) => new Date(NIGHT_MS + min * MINUTE_MS);
const ORIGIN = 'https://dough.example.org';

let house: Awaited<ReturnType<typeof startHouse>>;
let mail: Awaited<ReturnType<typeof mailCatcher>>;
let outside: Awaited<ReturnType<typeof postCatcher>>;
let ways: Ways;
const keys = newPushKeys();
const idOf = new Map<string, string>();

beforeAll(async () => {
  house = await startHouse();
  for (const { id, name } of (await house.book()).people) idOf.set(name, id);
  await keepOutlets(house.db, keys, 'tray@example.org');
});
afterAll(() => house.drop());

beforeEach(async () => {
  [mail, outside] = [await mailCatcher(), await postCatcher()];
  ways = {
    origin: ORIGIN,
    mail: mailer({ url: mail.url, from: 'tray@example.org' }),
    push: pusher(keys, 'mailto:tray@example.org', true),
    webhook: (target, id, content) => postWebhook(target, id, content, true),
  };
});
afterEach(async () => {
  await Promise.all([mail.stop(), outside.stop()]);
  for (const table of [t.notifications, t.webhooks, t.pushDevices, t.contacts, t.coldAlarms])
    await house.db.delete(table);
});

const as = async (name: string) => house.as(await signedIn(house.db, HOUSE, name));
const personOf = (name: string) => idOf.get(name) ?? '';
/** Everything that is due at a minute of the night, as the server does it. */
const look = (min: number) => notifyOnce(house.db, at(min), ways);
const addressees = () => mail.mails.flatMap(({ to }) => to);

async function hasMail(
  name: string,
  quiet: { fromMin: number; untilMin: number } | null = null,
  isWeekSent = false,
) {
  const own = await as(name);
  const { contact } = (await own.get(paths.ownContact(HOUSE))).body as OwnContact;
  const email = `${name.toLowerCase()}@example.org`;
  const put = await own
    .put(paths.changeContact(HOUSE))
    .send({ ...contact, email, quiet, isWeekSent });
  expect(put.status).toBe(200);
}

/** Whom the house tells, in their order. */
async function tells(...names: readonly string[]) {
  const { version } = (await house.book()).house;
  const alarmCalls = { order: names.map(personOf), nextAfterMin: 15 };
  const put = await house.http.put(paths.changeSettings(HOUSE)).send({ version, alarmCalls });
  expect(put.status).toBe(200);
}

/** The walk-in is too warm from ten past three. */
async function alarm(): Promise<string> {
  const [probe] = await house.db
    .select()
    .from(t.probes)
    .where(eq(t.probes.houseId, (await house.book()).house.id));
  const scope = { tx: house.db, houseId: probe?.houseId ?? '' };
  const found = { kind: 'above', untilS: null, worstC: 9.4, meanC: 8.1, roseCPerH: 6 } as const;
  await insertAlarm(scope, probe?.id ?? '', { ...found, fromS: NIGHT_MS / 1000 }, []);
  const [row] = await house.db.select().from(t.coldAlarms).where(eq(t.coldAlarms.worstC, 9.4));
  return row?.id ?? '';
}
const acknowledge = (id: string) =>
  house.http.put(paths.acknowledgeAlarm(HOUSE, id)).send({ version: 1, cause: 'door', note: '' });

describe('the review of a week', () => {
  const monday = (time: string) => notifyOnce(house.db, new Date(`2026-11-30T${time}Z`), ways);

  it('comes on Monday morning by e-mail, once, to whoever wants it', async () => {
    await hasMail('Maro', null, true);
    await hasMail('Tilde');
    await notifyOnce(house.db, new Date('2026-11-29T12:00:00Z'), ways);
    await monday('05:50:00');
    expect(mail.mails).toEqual([]);
    for (const time of ['06:00:10', '06:00:20', '11:00:00', '22:00:00']) await monday(time);
    expect(addressees()).toEqual(['maro@example.org']);
    const text = mail.mails[0]?.text ?? '';
    expect(text).toContain('Subject: Lantern Yard: The week Mon 23 Nov to Sun 29 Nov');
    expect(text).toMatch(/Lots and balls: [1-9]\d* lots, \d+ balls\s/);
    expect(text).toMatch(/Services that ran short: \d+ of \d+\s/);
    expect(text).toContain(`${ORIGIN}/${HOUSE}/log/consistency`);
  });

  it('waits for the end of somebody’s quiet hours, and reads in their language', async () => {
    await hasMail('Maro', { fromMin: 22 * 60, untilMin: 9 * 60 }, true);
    await house.db
      .update(t.people)
      .set({ preferences: { ...STANDARD_DISPLAY, language: 'it' } })
      .where(eq(t.people.id, personOf('Maro')));
    await monday('07:00:00');
    expect(mail.mails).toEqual([]);
    await monday('08:00:10');
    expect(addressees()).toEqual(['maro@example.org']);
    expect(mail.mails[0]?.text).toContain('Servizi rimasti senza');
  });
});

describe('people are told at night', () => {
  it('one after the other until somebody has acknowledged it, and never twice', async () => {
    for (const name of ['Maro', 'Tilde', 'Wren']) await hasMail(name);
    await tells('Tilde', 'Maro', 'Wren');
    const id = await alarm();
    for (let min = 0; min < 15; min += 1) await look(min);
    expect(addressees()).toEqual(['tilde@example.org']);
    for (let min = 15; min < 20; min += 1) await look(min);
    expect(addressees()).toEqual(['tilde@example.org', 'maro@example.org']);
    expect((await acknowledge(id)).status).toBe(200);
    for (let min = 20; min < 60; min += 5) await look(min);
    expect(addressees()).toEqual(['tilde@example.org', 'maro@example.org']);

    const [first] = mail.mails;
    expect(first?.text).toContain(`${ORIGIN}/${HOUSE}/walk-in/alarms/${id}`);
    expect(first?.text).toMatch(/above the limit since Thu 03:10/);
    expect(first?.text).toMatch(/by 03:25, the next of the crew is told/);
  });

  it('not in their quiet hours, nor once it is over', async () => {
    await hasMail('Tilde', { fromMin: 22 * 60, untilMin: 6 * 60 });
    await hasMail('Maro');
    await hasMail('Wren');
    await tells('Tilde', 'Maro', 'Wren');
    await alarm();
    await look(0);
    expect(addressees()).toEqual(['maro@example.org']);
    await house.db.update(t.coldAlarms).set({ untilAt: at(10) });
    await look(15);
    await look(240);
    expect(addressees()).toEqual(['maro@example.org']);
  });

  it('by what this server has: without a mail server whoever has only e-mail is passed over', async () => {
    await hasMail('Tilde');
    await tells('Tilde');
    await alarm();
    await keepOutlets(house.db, keys, null);
    await look(0);
    expect((await house.get<AlarmCalls>(paths.alarmCalls(HOUSE))).people).toEqual([]);
    await keepOutlets(house.db, keys, 'tray@example.org');
    expect(addressees()).toEqual([]);
    await look(1);
    expect(addressees()).toEqual(['tilde@example.org']);
  });

  it('once, though two servers look at the same moment', async () => {
    await hasMail('Tilde');
    await tells('Tilde');
    await alarm();
    await Promise.all([look(0), look(0), look(0)]);
    await look(1);
    expect(addressees()).toEqual(['tilde@example.org']);
  });

  it('again and again while their mail server is not there, and the next in the meantime', async () => {
    await hasMail('Tilde');
    await tells('Tilde');
    await alarm();
    mail.state.refusesWith = 451;
    await look(0);
    await look(1);
    expect(addressees()).toEqual([]);
    mail.state.refusesWith = 0;
    await look(4);
    await look(10);
    expect(addressees()).toEqual(['tilde@example.org']);
    const { notifications } = await house.get<AlarmCalls>(paths.alarmCalls(HOUSE));
    expect(notifications).toMatchObject([{ fault: null, isGivenUp: false }]);
    expect(notifications[0]?.sentAt).toBe(at(4).toISOString());
  });

  it('no more once they have left the crew: where they read their mail is forgotten', async () => {
    const added = await house.http
      .post(paths.addPerson(HOUSE))
      .send({ name: 'Ravi', initials: 'RV', role: 'hand', skills: [] });
    const { id } = added.body as { id: string };
    idOf.set('Ravi', id);
    await hasMail('Ravi');
    await tells('Ravi');
    await alarm();
    expect((await house.http.delete(paths.removePerson(HOUSE, id))).status).toBe(200);
    await look(0);
    expect(addressees()).toEqual([]);
    expect(await house.db.select().from(t.contacts)).toEqual([]);
  });

  it('what a server took and never answered for is not told again', async () => {
    await hasMail('Tilde');
    await tells('Tilde');
    await alarm();
    const never = new Promise<never>(() => undefined);
    void notifyOnce(house.db, at(0), { ...ways, mail: () => never });
    await new Promise((resolve) => setTimeout(resolve, 500));
    await look(60);
    expect(addressees()).toEqual([]);
    const { notifications } = await house.get<AlarmCalls>(paths.alarmCalls(HOUSE));
    expect(notifications).toMatchObject([{ sentAt: null, isGivenUp: true }]);
  });
});

describe('browsers are told', () => {
  const device = () => {
    const ecdh = createECDH('prime256v1');
    return {
      name: 'Phone',
      endpoint: `${outside.url}/phone`,
      p256dh: ecdh.generateKeys('base64url'),
      auth: randomBytes(16).toString('base64url'),
    };
  };

  it('in a way that only they can read, and are forgotten once they are gone', async () => {
    const tilde = await as('Tilde');
    const added = await tilde.post(paths.registerPushDevice(HOUSE)).send(device());
    expect(added.status).toBe(201);
    await tells('Tilde');
    await alarm();
    await look(0);
    expect(outside.posts).toHaveLength(1);
    const [{ headers, body, path }] = outside.posts as [(typeof outside.posts)[number]];
    expect(path).toBe('/phone');
    expect(headers).toMatchObject({ 'content-encoding': 'aes128gcm', urgency: 'high' });
    expect(headers['authorization']).toContain(keys.publicKey);
    expect(body.toString('latin1')).not.toContain('above');

    outside.state.status = 410;
    expect((await tilde.post(paths.testContact(HOUSE))).status).toBe(201);
    await look(5);
    const { devices } = (await tilde.get(paths.ownContact(HOUSE))).body as OwnContact;
    expect(devices).toEqual([]);
  });

  it('on devices of their own only', async () => {
    const [tilde, maro] = [await as('Tilde'), await as('Maro')];
    const added = await tilde.post(paths.registerPushDevice(HOUSE)).send(device());
    const [{ id }] = (added.body as OwnContact).devices as [OwnContact['devices'][number]];
    expect((await maro.delete(paths.forgetPushDevice(HOUSE, id))).status).toBe(404);
    expect((await tilde.delete(paths.forgetPushDevice(HOUSE, id))).status).toBe(200);
  });
});

describe('programs are told', () => {
  it('that it began, is acknowledged, is over: signed, once each, in their order', async () => {
    const issued = await house.http
      .post(paths.issueWebhook(HOUSE))
      .send({ name: 'Board', url: `${outside.url}/board` });
    const { webhook, secret } = issued.body as WebhookIssued;
    await house.db.update(t.webhooks).set({ issuedAt: at(-60) });
    const id = await alarm();
    await look(0);
    await acknowledge(id);
    await look(2);
    await house.db.update(t.coldAlarms).set({ untilAt: at(4) });
    await look(5);
    await look(6);
    const told = outside.posts.map(({ body }) => JSON.parse(body.toString()) as { event: string });
    expect(told.map(({ event }) => event)).toEqual(['begun', 'acknowledged', 'ended']);
    expect(told[1]).toMatchObject({ house: HOUSE, alarm: { id }, text: /Maro/ });
    for (const { headers, body } of outside.posts) {
      const [post, atS] = [String(headers['webhook-id']), Number(headers['webhook-timestamp'])];
      const signed = signatureOf(secret, post, atS, body.toString());
      expect(headers['webhook-signature']).toBe(`v1,${signed}`);
    }
    expect(webhook.url).toBe(`${outside.url}/board`);
    // The secret is told once.
    expect(JSON.stringify(await house.get(paths.alarmCalls(HOUSE)))).not.toContain(secret);
  });

  it('not inside the house’s own network, unless whoever runs the server says so', async () => {
    const refused = async (url: string) =>
      postWebhook({ url, secret: '' }, randomUUID(), {}, false);
    for (const url of [
      outside.url,
      outside.url.replace('http:', 'https:'),
      'https://localhost/x',
      'https://[::1]/x',
      'https://[::ffff:10.0.0.1]/x',
      'https://192.168.1.1/x',
      'https://169.254.169.254/latest',
      'https://0x7f000001/x',
    ])
      expect(await refused(url)).toMatchObject({ kind: 'never' });
    expect(outside.posts).toEqual([]);
  });
});
