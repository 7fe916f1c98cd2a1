import { loadLanternYard } from '@calm/demo';
import { hashSecret, openDatabase, openSession, schema } from '@calm/server';
import { test as base, expect, type Browser, type Locator, type Page } from '@playwright/test';
import { and, eq } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { violationsOn } from './axe';
import { NOW, startServer, TOMORROW } from './server';

/** A cookie as a browser takes it. */
export interface SessionCookie {
  readonly name: string;
  readonly value: string;
  readonly url: string;
}

/** What every journey has: a house of its own, so that journeys never meet. */
interface HouseFixture {
  /** The house's slug: the first part of its addresses. */
  readonly house: string;
  /** Whether the house begins without anything in its book. */
  readonly isBookEmpty: boolean;
  /** The cookie of the house's manager, by whom journeys go unless they say otherwise. */
  readonly session: SessionCookie;
  /** Absolute address of a page of the house. */
  readonly at: (path: string) => string;
  /** Address of a second server on the same data, a day later; stopped after the journey. */
  readonly tomorrow: string;
}

export const test = base.extend<HouseFixture>({
  isBookEmpty: [false, { option: true }],
  house: async ({ isBookEmpty }, use) => {
    const slug = `yard-${randomUUID().slice(0, 8)}`;
    const { db, pool } = openDatabase(process.env['E2E_DATABASE_URL'] ?? '');
    await loadLanternYard(db, { slug, now: new Date(NOW), weeks: 2, isBookEmpty });
    await pool.end();
    await use(slug);
  },
  session: async ({ house }, use) => {
    await use(await sessionOf(house));
  },
  context: async ({ context, session }, use) => {
    await context.addCookies([session]);
    await use(context);
  },
  // Requests beside the pages come from the same person.
  request: async ({ context }, use) => {
    await use(context.request);
  },
  tomorrow: async ({}, use) => {
    const server = await startServer(process.env['E2E_DATABASE_URL'] ?? '', TOMORROW);
    await use(server.url);
    await server.stop();
  },
  at: async ({ house }, use) => {
    await use((path) => `${process.env['E2E_URL']}/${house}/${path}`);
  },
});

export { expect };

/** A page has come, with all it shows: nothing stands in for it any more. */
export async function arrived(page: Page): Promise<void> {
  const isHere = async () => {
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
  };
  await isHere();
  // A page may lead on to another once it knows who has come.
  await stoodStill(page);
  await isHere();
}

/** A button in the middle of changing its colours has a contrast that it never shows for long. */
export async function stoodStill(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
    for (;;) {
      // What has just been put there begins to change with the frame after the next.
      await frame();
      await frame();
      const changing = document.getAnimations().filter((each) => each instanceof CSSTransition);
      if (changing.length === 0) return;
      await Promise.allSettled(changing.map((each) => each.finished));
    }
  });
}

/** Fails on anything that axe calls serious or critical on the page as it stands. */
export async function expectAccessible(page: Page): Promise<void> {
  await stoodStill(page);
  const violations = await violationsOn(page);
  const grave = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  const told = grave.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join('\n  ')}`);
  expect(told).toEqual([]);
}

/** Fails when the page says anything to the console that it should not have to. */
export function watchConsole(page: Page): string[] {
  const said: string[] = [];
  page.on('console', (message) => {
    // Journeys keep the worker away that answers without a network; the page is told so.
    if (message.text().startsWith('Service Worker registration blocked')) return;
    if (message.type() === 'error' || message.type() === 'warning') said.push(message.text());
  });
  page.on('pageerror', (error) => said.push(error.message));
  return said;
}

/** A count on Demand. */
export function countField(page: Page, product: string, service: string, date: string) {
  return page.getByRole('textbox', { name: `${product}, ${service} ${date}` });
}

/** Two people, each with a browser of their own. */
export async function twoPeople(browser: Browser, session: SessionCookie): Promise<[Page, Page]> {
  const open = () => signedInPage(browser, session);
  return [await open(), await open()];
}

/** One more browser in which somebody is signed in. */
export async function signedInPage(browser: Browser, session: SessionCookie): Promise<Page> {
  const context = await browser.newContext();
  await context.addCookies([session]);
  return context.newPage();
}

/** Somebody's session in a house, good for tomorrow's server too. @param at when they came in */
export async function sessionOf(
  house: string,
  name = 'Maro',
  at = TOMORROW,
  databaseUrl = process.env['E2E_DATABASE_URL'] ?? '',
): Promise<SessionCookie> {
  const { db, pool } = openDatabase(databaseUrl);
  const { people, houses } = schema;
  const [person] = await db
    .select({ id: people.id, houseId: people.houseId })
    .from(people)
    .innerJoin(houses, eq(houses.id, people.houseId))
    .where(and(eq(houses.slug, house), eq(people.name, name)));
  if (!person) throw new Error(`${name} works at ${house}`);
  const scope = { tx: db, houseId: person.houseId };
  const value = await openSession(scope, person.id, new Date(at));
  await pool.end();
  return { name: `calm_${house}`, value, url: process.env['E2E_URL'] ?? '' };
}

/** How many things that were done on a page's device are kept there, because the house has not got them yet. */
export const keptActs = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const asked = indexedDB.open('calm-tray', 1);
        asked.onerror = () => reject(new Error('the outbox cannot be read'));
        asked.onsuccess = () => {
          const db = asked.result;
          const count = db.transaction('outbox').objectStore('outbox').count();
          count.onsuccess = () => {
            db.close();
            resolve(count.result);
          };
        };
      }),
  );

/** Takes everybody's password and PIN away: the house stands as on its first day, with this set-up code. */
export async function disown(house: string, code: string): Promise<void> {
  const { db, pool } = openDatabase(process.env['E2E_DATABASE_URL'] ?? '');
  const { people, houses } = schema;
  const [own] = await db.select({ id: houses.id }).from(houses).where(eq(houses.slug, house));
  await db
    .update(people)
    .set({ secretHash: null })
    .where(eq(people.houseId, own?.id ?? ''));
  await db
    .update(schema.houseAccess)
    .set({ ownedAt: null, setupHash: await hashSecret(code) })
    .where(eq(schema.houseAccess.houseId, own?.id ?? ''));
  await pool.end();
}

/** The field of a date; what it is named by stands once in the scope. */
export const dateField = (scope: Page | Locator, label: string) =>
  scope.getByRole('group', { name: label, exact: true });

/** Types a date, `2026-11-27`, into a date field as hands do: day, month, year. */
export async function typeDate(scope: Page | Locator, label: string, date: string): Promise<void> {
  const field = dateField(scope, label);
  // The calendar comes once somebody goes to the first of a page's dates.
  const toRead = scope.getByRole('textbox', { name: label, exact: true });
  await toRead.or(field).click();
  await field.getByRole('spinbutton', { name: 'Day' }).click();
  await field.page().keyboard.type(date.split('-').reverse().join(''));
  // Past the calendar's button: what was typed is taken on leaving.
  await field.page().keyboard.press('Tab');
  await field.page().keyboard.press('Tab');
}

/** Goes there as hands without a mouse do. */
export async function tabTo(page: Page, to: Locator): Promise<void> {
  await expect(to).toBeVisible();
  for (let i = 0; i < 120; i += 1) {
    if (await to.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error('not reached by the keyboard');
}

/**
 * A tablet of its own, on which Maro is signed in, and which has its pages without a network.
 *
 * @param address of the page that is open on it
 */
export async function tablet(browser: Browser, house: string, address: string) {
  const context = await browser.newContext({ serviceWorkers: 'allow' });
  await context.addCookies([await sessionOf(house)]);
  const page = await context.newPage();
  await page.goto(address);
  await arrived(page);
  await expect(async () => {
    const kept = await page.evaluate(
      async () => (await (await caches.open('calm-board')).keys()).length,
    );
    expect(kept).toBeGreaterThan(4);
  }).toPass();
  return { context, page };
}
