import type { Page } from '@playwright/test';
import { arrived, expect, expectAccessible, keptActs, sessionOf, tablet, test } from './house';

/*
 * What goes wrong between a tablet and the house: nothing that was done may be lost, done twice, or done in the
 * name of somebody who did not do it.
 */

test.use({ viewport: { width: 1024, height: 768 } });

/** Does something without a network. */
const doSomething = async (page: Page) => {
  await page.getByRole('button', { name: 'Start' }).first().click();
  await expect(page.getByText(/saved on this device/)).toBeVisible();
};

test('a device without room says so, keeps what was done on the page, and sends it from there', async ({
  browser,
  house,
  at,
}) => {
  const context = await browser.newContext();
  await context.addCookies([await sessionOf(house)]);
  const page = await context.newPage();
  const { origin } = new URL(at('crew/shift'), process.env['E2E_URL']);
  const protocol = await context.newCDPSession(page);
  await protocol.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: 1 });
  await page.goto(at('crew/shift'));
  await arrived(page);
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Start' }).first().click();
  const full = page.getByRole('alert').filter({ hasText: 'This device has no room left' });
  await expect(full).toBeVisible();
  await expectAccessible(page);
  expect(await keptActs(page)).toBe(0);
  await expect(page.getByText(/started 15:40/).first()).toBeVisible();
  await context.setOffline(false);
  await expect(full).toHaveCount(0, { timeout: 30_000 });
  await page.reload();
  await expect(page.getByText(/started 15:40/).first()).toBeVisible();
  await context.close();
});

test('what was done without a network after a session was ended waits for whoever did it', async ({
  browser,
  house,
  at,
}) => {
  const { context, page } = await tablet(browser, house, at('crew/shift'));
  await context.setOffline(true);
  await page.reload();
  await doSomething(page);
  // Elsewhere every other device is signed out.
  const elsewhere = await browser.newContext();
  await elsewhere.addCookies([await sessionOf(house)]);
  const desk = await elsewhere.newPage();
  await desk.goto(at('crew/shift'));
  await desk.getByRole('button', { name: /^Maro is here/ }).click();
  const devices = desk.getByRole('dialog');
  await expect(devices.getByText('This device')).toBeVisible();
  await expectAccessible(desk);
  await devices.getByRole('button', { name: 'Sign out A device' }).click();
  await expect(devices.getByText('A device')).toHaveCount(0);
  await context.setOffline(false);
  await expect(page.getByRole('heading', { name: 'Who are you?' })).toBeVisible({
    timeout: 30_000,
  });
  expect(await keptActs(page)).toBe(1);

  // Somebody else comes in: it is not theirs to send.
  await page.getByRole('button', { name: 'Tilde' }).click();
  for (const digit of '2741') await page.keyboard.press(digit);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/made here by Maro/)).toBeVisible();
  await page.getByRole('button', { name: /^Tilde is here/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: 'Sign out', exact: true })
    .last()
    .click();

  await page.getByRole('button', { name: 'Maro' }).click();
  await page.getByLabel('Password').fill('ostrel harbour');
  await page.keyboard.press('Enter');
  const asked = page.getByRole('alert').filter({ hasText: 'was not sent before you signed out' });
  await expect(asked).toBeVisible();
  await expectAccessible(page);
  expect(await keptActs(page)).toBe(1);
  await asked.getByRole('button', { name: 'These are mine: send' }).click();
  await expect(asked).toHaveCount(0);
  await expect(async () => expect(await keptActs(page)).toBe(0)).toPass();
  await elsewhere.close();
  await context.close();
});

test('signing out without a network locks the device at once, and the house is told later', async ({
  browser,
  house,
  at,
}) => {
  const { context, page } = await tablet(browser, house, at('crew/shift'));
  await context.setOffline(true);
  await page.getByRole('button', { name: /^Maro is here/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: 'Sign out', exact: true })
    .last()
    .click();
  await expect(page.getByRole('heading', { name: 'Maro’s shift' })).toHaveCount(0);
  await page.reload();
  await expect(page.getByText('No connection to Calm Tray')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Maro’s shift' })).toHaveCount(0);
  await context.setOffline(false);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Who are you?' })).toBeVisible();
  await expect(async () => {
    const answer = await page.request.get(
      new URL(`/api/v1/houses/${house}/session`, page.url()).href,
    );
    expect(answer.status()).toBe(401);
  }).toPass();
  await context.close();
});
