import { paths, type Lot, type LotLog, type PublishedPlan } from '@calm/contract';
import { HOUR_MS } from '@calm/core';
import { expect, test as base, type Page } from '@playwright/test';
import { expectAccessible } from './house';
import { ownDatabase } from './ownDatabase';
import { NOW, startServer } from './server';

/** A server without a house yet. */
export interface OwnServer {
  readonly url: string;
  /** With which its first house begins. */
  readonly code: string;
  readonly databaseUrl: string;
}

/** A server on a database of its own in which there is no house yet, with the code that it printed. */
export const test = base.extend<{ server: OwnServer }>({
  server: async ({}, use) => {
    const database = await ownDatabase(process.env['E2E_DATABASE_URL'] ?? '');
    const server = await startServer(database.url, NOW);
    const code = /first house of this server: (\S+)/.exec(server.output())?.[1] ?? '';
    await use({ url: server.url, code, databaseUrl: database.url });
    await server.stop();
    await database.drop();
  },
});

/** Hands at a page, each press and each filled field counted. */
export function handsOn(page: Page) {
  let count = 0;
  const counted = async (act: Promise<unknown>) => {
    count += 1;
    await act;
  };
  const dialog = page.getByRole('dialog');
  return {
    count: () => count,
    press: (name: string | RegExp, isExact = true) =>
      counted(page.getByRole('button', { name, exact: isExact }).first().click()),
    save: () => counted(dialog.getByRole('button', { name: 'Save', exact: true }).click()),
    follow: (name: string) =>
      counted(page.getByRole('link', { name, exact: true }).first().click()),
    choose: async (label: string, option: string | RegExp) => {
      // By keyboard: a slow page may take the end of a press for a choice.
      await counted(page.getByRole('combobox', { name: label }).press('Enter'));
      await counted(page.getByRole('option', { name: option }).click());
    },
    pick: (item: string) => counted(page.getByRole('menuitem', { name: item }).click()),
    uncheck: (label: string) => counted(page.getByRole('checkbox', { name: label }).click()),
    turn: (label: string) => counted(page.getByRole('switch', { name: label }).click()),
    type: async (name: string, text: string) => {
      const field = page.getByRole('textbox', { name, exact: true }).last();
      await counted(field.fill(text));
      await field.press('Tab');
    },
  };
}

/** Begins the first house by the page that a server without one shows. */
export async function begin(
  page: Page,
  server: OwnServer,
  name: string,
  starter: string | null = null,
) {
  const hands = handsOn(page);
  await page.goto(server.url);
  await expect(page.getByRole('heading', { name: 'Set up your house' })).toBeVisible();
  await expectAccessible(page);
  await hands.type('Set-up code', server.code);
  await hands.type('Name', 'Odile Marr');
  await page.getByLabel('Password').fill('long enough to keep');
  await hands.type('Name of the house', name);
  if (starter !== null) await hands.choose('Begin with', new RegExp(`^${starter}`));
  await hands.press('Create the house');
  await expect(page.getByRole('region', { name: 'Set up the house' })).toBeVisible();
  return hands;
}

/** Has the coming week scheduled, leaves out what there is no time left to make, and publishes it. */
export async function planTheWeek(
  page: Page,
  hands: ReturnType<typeof handsOn>,
  url: string,
  house: string,
): Promise<PublishedPlan> {
  await page.goto(`${url}/${house}/plan`);
  await hands.press('Make the schedule');
  const conflict = page.getByRole('region', { name: 'The conflict' });
  const fits = page.getByText(/^Everything fits/);
  const best = page.getByText(/of the best\.|This is the best plan/);
  for (let i = 0; i < 2; i += 1) {
    await expect(conflict.or(best).or(fits).first()).toBeVisible({ timeout: 20_000 });
    if (!(await conflict.isVisible())) break;
    await hands.press(/^Leave (it|all \d+) out and schedule the rest$/, false);
    await expect(page.getByRole('region', { name: 'This plan assumes:' })).toBeVisible();
  }
  await page
    .getByRole('button', { name: 'Use this one' })
    .click({ timeout: 3000 })
    .catch(() => null);
  await expect(fits).toBeVisible({ timeout: 20_000 });
  await hands.press('Publish…');
  await hands.press('Publish');
  await expect(page.getByText('Published. This is now the crew’s plan.').last()).toBeVisible();
  const answer = await page.request.get(`${url}${paths.plan(house)}`);
  return (await answer.json()) as PublishedPlan;
}

/** The only lot that a house has begun. */
export async function begunLot(page: Page, url: string, house: string): Promise<Lot> {
  const days = paths.lots(house, { from: '2026-11-25', days: 7 });
  const lots = (await (await page.request.get(`${url}${days}`)).json()) as Lot[];
  expect(lots).toHaveLength(1);
  return lots[0] as Lot;
}

/**
 * On a lot's evening its trays are pulled, and it is said how it turned out.
 *
 * @param pulledH so many hours before doors its first trays come out; null where none do
 */
export async function serveLot(
  page: Page,
  server: OwnServer,
  house: string,
  lot: Lot,
  pulledH: number | null,
): Promise<void> {
  const before = (pulledH ?? 0.5) * HOUR_MS;
  const evening = new Date(Date.parse(lot.doorsAt) - before).toISOString();
  const later = await startServer(server.databaseUrl, evening);
  try {
    await page.goto(`${later.url}/${house}/tonight`);
    // Two days on she has to come in again.
    await page.getByRole('button', { name: /Odile Marr/ }).click();
    await page.getByLabel('Password').fill('long enough to keep');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: /, (Fri|Sat|Sun) 2/, level: 1 })).toBeVisible();
    if (pulledH !== null) {
      const pull = page.getByRole('button', { name: /^Pull \d+ trays?$/ }).first();
      await expect(pull).toBeVisible({ timeout: 30_000 });
      await pull.click();
      await expect(page.getByText(/trays? of .* pulled/).first()).toBeVisible();
    }
    await expectAccessible(page);
    await page.goto(`${later.url}/${house}/log/${lot.code}`);
    await page
      .getByRole('region', { name: 'How did it open?' })
      .getByRole('button', { name: 'springs back' })
      .click();
    await expect(page.getByText('Opened: springs back')).toBeVisible();
    const pulled = pulledH === null ? [] : ['pulled'];
    // The page shows what it was told before the house has it.
    const kinds = async () => {
      const read = await page.request.get(`${later.url}${paths.lotLog(house, lot.id)}`);
      return new Set(((await read.json()) as LotLog).records.map(({ content }) => content.kind));
    };
    await expect.poll(kinds).toEqual(new Set(['weighed', 'opened', ...pulled]));
  } finally {
    await later.stop();
  }
}
