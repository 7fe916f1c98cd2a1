import { loadLanternYard } from '@calm/demo';
import { openDatabase } from '@calm/server';
import { paths, type HouseBook, type Probe } from '@calm/contract';
import type { Page } from '@playwright/test';
import { createECDH, randomBytes } from 'node:crypto';
import { mailCatcher, postCatcher } from '../server/src/test-support/standIns';
import { arrived, expect, expectAccessible, sessionOf, signedInPage, tablet, test } from './house';
import { ownDatabase } from './ownDatabase';
import { NOW, startServer } from './server';

/*
 * An alarm at night: whoever is first in the order is told on their phone, a quarter of an hour later the next by
 * e-mail, and nobody any more once one of them has acknowledged it. The makers of browsers, the mail server and a
 * program of the house are stand-ins of this machine; the browser's own way to its maker is stood in for, too.
 */

/** Eight minutes past three at Lantern Yard. */
const NIGHT = '2026-11-26T02:08:00.000Z';
const HOUSE = 'lantern-yard';
/** The house's minutes go by in so many of ours. */
const SPEED = 60;

/** A browser whose maker is the stand-in: what it is told goes there. */
async function withMaker(page: Page, url: string): Promise<void> {
  const ecdh = createECDH('prime256v1');
  const subscription = {
    endpoint: `${url}/tilde`,
    keys: {
      p256dh: ecdh.generateKeys('base64url'),
      auth: randomBytes(16).toString('base64url'),
    },
  };
  await page.context().grantPermissions(['notifications']);
  await page.addInitScript((given) => {
    Object.defineProperty(navigator.serviceWorker, 'ready', {
      value: Promise.resolve({
        pushManager: { subscribe: () => Promise.resolve({ toJSON: () => given }) },
      }),
    });
    Notification.requestPermission = () => Promise.resolve('granted');
  }, subscription);
}

test('an alarm at 03:10 wakes one, at 03:25 the next, and nobody after somebody has acknowledged it', async ({
  browser,
}) => {
  test.setTimeout(150_000);
  const [mail, maker, program] = [await mailCatcher(), await postCatcher(), await postCatcher()];
  // One server of a database tells: these need one of their own.
  const database = await ownDatabase(process.env['E2E_DATABASE_URL'] ?? '');
  const { db, pool } = openDatabase(database.url);
  await loadLanternYard(db, { slug: HOUSE, now: new Date(NOW), weeks: 2 });
  await pool.end();
  const as = async (name: string) =>
    signedInPage(browser, await sessionOf(HOUSE, name, NIGHT, database.url));
  const settings = {
    CALM_SMTP_URL: mail.url,
    CALM_MAIL_FROM: 'tray@example.org',
    CALM_TELL_INSIDE: 'yes',
  };
  // It says that there is a mail server now, and stands still until all have said how they are told.
  const before = await startServer(database.url, NIGHT, 0, { settings });

  // Tilde is told on her phone.
  const at = (path: string) => `${before.url}/${HOUSE}/${path}`;
  const phone = await as('Tilde');
  await withMaker(phone, maker.url);
  await phone.goto(at('crew/shift'));
  await phone.getByRole('button', { name: 'Alarms' }).click();
  const hers = phone.getByRole('dialog', { name: 'How you are told' });
  await hers.getByRole('button', { name: 'Tell this device too' }).click();
  await expect(hers.getByText('Computer')).toBeVisible();
  await expectAccessible(phone);
  await phone.close();

  // Maro by e-mail, and he says in which order.
  const page = await as('Maro');
  await page.goto(at('crew/shift'));
  await page.getByRole('button', { name: 'Alarms' }).click();
  const his = page.getByRole('dialog', { name: 'How you are told' });
  await expect(his.getByText('It will come from tray@example.org.')).toBeVisible();
  await his.getByLabel('E-mail').fill('maro at example');
  await his.getByRole('button', { name: 'Save' }).click();
  await expect(his).toBeVisible();
  await his.getByLabel('E-mail').fill('maro@example.org');
  await his.getByRole('button', { name: 'Send a test' }).click();
  await expect.poll(() => mail.mails.length).toBe(1);
  await expect(his.getByText('sent', { exact: false }).last()).toBeVisible();
  await his.getByRole('button', { name: 'Cancel' }).click();

  await page.goto(at('house'));
  const told = page.getByRole('region', { name: 'Who is told of alarms' });
  await expect(told.getByText('Nobody: an alarm at night')).toBeVisible();
  await told.getByRole('button', { name: 'Change Who is told of alarms' }).click();
  const order = page.getByRole('dialog', { name: 'Who is told of alarms' });
  for (const name of ['Maro', 'Tilde', 'Wren']) {
    await order.getByRole('combobox', { name: 'Add' }).click();
    await page.getByRole('option', { name }).click();
  }
  await order.getByRole('button', { name: 'Earlier: Tilde' }).click();
  await expectAccessible(page);
  await order.getByRole('button', { name: 'Save' }).click();
  await expect(told.getByRole('listitem').first()).toHaveText('Tilde 1 device');

  await told.getByRole('button', { name: 'Post them to a program too' }).click();
  await told.getByLabel('Name').fill('Board in the office');
  await told.getByLabel('Address').fill(`${program.url}/alarms`);
  await told.getByRole('button', { name: 'Save' }).click();
  await expect(told.getByText('It is shown once.')).toBeVisible();
  await expectAccessible(page);
  await before.stop();

  // The night: the walk-in has been too warm for an hour.
  const night = await startServer(database.url, NIGHT, SPEED, { settings });
  try {
    const read = async <T>(path: string) => (await (await page.request.get(path)).json()) as T;
    const book = await read<HouseBook>(`${night.url}${paths.book(HOUSE)}`);
    const { probes } = await read<{ probes: Probe[] }>(`${night.url}${paths.cold(HOUSE)}`);
    const walkIn = book.places.find(({ name }) => name === 'Walk-in');
    const probe = probes.find(({ placeId }) => placeId === walkIn?.id);
    const tenPast = Date.parse(NIGHT) / 1000 + 120;
    // Twelve hours as they should be, and the last one not.
    const atS = Array.from({ length: 13 * 60 }, (_, i) => tenPast - (13 * 60 - i) * 60);
    const airC = atS.map((each) => (each < tenPast - 3600 ? 3.2 : 9.4));
    const start = { probes: [{ probe: probe?.id, atS, airC }] };
    const headers = { origin: night.url };
    const posted = await page.request.post(`${night.url}${paths.addReadings(HOUSE)}`, {
      data: start,
      headers,
    });
    expect(posted.status()).toBe(200);

    await expect.poll(() => maker.posts.length, { timeout: 20_000 }).toBe(1);
    expect(mail.mails).toHaveLength(1);
    await expect.poll(() => mail.mails.length, { timeout: 40_000 }).toBe(2);
    const text = mail.mails[1]?.text ?? '';
    expect(text).toContain('To: maro@example.org');
    expect(text).toMatch(/Walk-in, .*above the limit since Thu 0[23]:/);

    // The link leads to the alarm, and he has it.
    const link = /http\S+\/walk-in\/alarms\/\S+/.exec(text)?.[0] ?? '';
    await page.goto(link);
    await arrived(page);
    await page.getByRole('button', { name: 'I am on it' }).click();
    const events = () =>
      program.posts.map(({ body }) => (JSON.parse(body.toString()) as { event: string }).event);
    await expect.poll(events, { timeout: 20_000 }).toEqual(['begun', 'acknowledged']);
    // Another quarter of an hour and more goes by at night.
    await page.waitForTimeout((20 * 60_000) / SPEED);
    expect(mail.mails).toHaveLength(2);
    expect(maker.posts).toHaveLength(1);
  } finally {
    await page.close();
    await night.stop();
  }
  await database.drop();
  await Promise.all([mail.stop(), maker.stop(), program.stop()]);
});

test('what a browser is told is shown while no page is open, once for each alarm', async ({
  browser,
  house,
  at,
}) => {
  const { context, page } = await tablet(browser, house, at('tonight'));
  await context.grantPermissions(['notifications'], { origin: new URL(page.url()).origin });
  const devTools = await context.newCDPSession(page);
  const registered = new Promise<string>((resolve) => {
    devTools.on('ServiceWorker.workerRegistrationUpdated', ({ registrations }) => {
      const [first] = registrations;
      if (first) resolve(first.registrationId);
    });
  });
  await devTools.send('ServiceWorker.enable');
  const registrationId = await registered;
  const tell = (body: string) =>
    devTools.send('ServiceWorker.deliverPushMessage', {
      origin: new URL(page.url()).origin,
      registrationId,
      data: JSON.stringify({ title: 'Lantern Yard: alarm', body, url: at('walk-in'), tag: 'one' }),
    });
  const shown = () =>
    page.evaluate(async () => {
      const worker = await navigator.serviceWorker.ready;
      return (await worker.getNotifications()).map(({ title, body }) => `${title} – ${body}`);
    });
  await tell('Walk-in, back: rising.');
  await expect.poll(shown).toEqual(['Lantern Yard: alarm – Walk-in, back: rising.']);
  await tell('Walk-in, back: above the limit.');
  await expect.poll(shown).toEqual(['Lantern Yard: alarm – Walk-in, back: above the limit.']);
  await context.close();
});
