import {
  arrived,
  expect,
  expectAccessible,
  keptActs,
  sessionOf,
  test,
  watchConsole,
} from './house';
import { NOW, startServer } from './server';

test.use({ viewport: { width: 1024, height: 768 } });

test('after its very first visit a tablet opens without a network, and keeps what is done on it', async ({
  browser,
  session,
  at,
}) => {
  const context = await browser.newContext({ serviceWorkers: 'allow' });
  await context.addCookies([session]);
  const page = await context.newPage();
  await page.goto(at('crew/shift'));
  await expect(page.getByRole('button', { name: 'Start' }).first()).toBeVisible();
  // The worker came after the page had asked: the page is to have asked once more through it.
  await expect(async () => {
    const [pages, answers] = await page.evaluate(() =>
      Promise.all(
        ['calm-pages', 'calm-board'].map(
          async (name) => (await (await caches.open(name)).keys()).length,
        ),
      ),
    );
    expect(pages).toBe(1);
    expect(answers).toBeGreaterThan(4);
  }).toPass();

  await context.setOffline(true);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Maro’s shift' })).toBeVisible();
  await page.getByRole('button', { name: 'Start' }).first().click();
  await expect(page.getByText(/1 change is saved on this device/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/1 change is saved on this device/)).toBeVisible();
  await expect(page.getByText(/started 15:40/).first()).toBeVisible();

  await context.setOffline(false);
  await expect(page.getByText(/saved on this device/)).toHaveCount(0, { timeout: 30_000 });
  await page.reload();
  await expect(page.getByText(/started 15:40/).first()).toBeVisible();
  await context.close();
});

test('says within five seconds that the house is not heard, and when it is again', async ({
  page,
  context,
  session,
  house,
  at,
}) => {
  const lost = page.getByText(/^No connection/);
  await page.goto(at('crew/shift'));
  await arrived(page);
  await context.setOffline(true);
  await expect(lost).toBeVisible({ timeout: 5000 });
  await context.setOffline(false);
  await expect(lost).toHaveCount(0);

  // A network that swallows everything: nothing fails, nothing comes.
  const server = await startServer(process.env['E2E_DATABASE_URL'] ?? '', NOW);
  await context.addCookies([{ ...session, url: server.url }]);
  await page.goto(`${server.url}/${house}/crew/shift`);
  await arrived(page);
  server.freeze();
  await expect(lost).toBeVisible({ timeout: 5000 });
  server.resume();
  await expect(lost).toHaveCount(0);
  await server.stop();
});

test('two did a step differently while one had no network: both sides are shown, none is dropped', async ({
  page,
  context,
  browser,
  house,
  at,
}) => {
  const sheet = at('mix/2026-11-26/slab');
  await page.goto(sheet);
  const pan = page.getByRole('checkbox', { name: 'Divide into pans' });
  await expect(pan).toBeVisible();
  await context.setOffline(true);
  await pan.click();
  await expect(page.getByText(/1 change is saved on this device/)).toBeVisible();

  const other = await browser.newContext();
  await other.addCookies([await sessionOf(house, 'Tilde')]);
  const tilde = await other.newPage();
  await tilde.goto(at('crew/shift'));
  const step = tilde.getByRole('region', { name: 'Divide into pans' });
  await step.getByRole('button', { name: 'Skip' }).click();
  await tilde.getByRole('textbox', { name: /Why skip Divide into pans/ }).fill('No pans left');
  await expectAccessible(tilde);
  await tilde.getByRole('dialog').getByRole('button', { name: 'Skip' }).click();
  await expect(tilde.getByText(/Skipped: Divide into pans/)).toBeVisible();
  await expect(async () => {
    expect(await keptActs(tilde)).toBe(0);
  }).toPass();

  await context.setOffline(false);
  const told = page.getByRole('alert').filter({ hasText: 'Not accepted' });
  await expect(told).toContainText('skipped, No pans left', { timeout: 30_000 });
  await expectAccessible(page);
  await page.reload();
  await told.getByRole('button', { name: 'Use mine' }).click();
  await expect(told).toHaveCount(0);
  await expect(pan).toBeChecked();
  await tilde.reload();
  await expect(tilde.getByText('Divide into pans').first()).toBeVisible();
  await other.close();
});

test('a step is handed to somebody, and is theirs', async ({ page, browser, house, at }) => {
  await page.goto(at('crew/shift'));
  const step = page.getByRole('region', { name: 'Divide into pans' });
  await step.getByRole('button', { name: 'Reassign' }).click();
  await expectAccessible(page);
  await page.getByRole('dialog').getByRole('button', { name: /^Wren/ }).click();
  await expect(page.getByText('Divide into pans is now with Wren.')).toBeVisible();
  await expect(step).toHaveCount(0);
  const other = await browser.newContext();
  await other.addCookies([await sessionOf(house, 'Wren')]);
  const wren = await other.newPage();
  await wren.goto(at('crew/shift'));
  await expect(wren.getByRole('region', { name: 'Divide into pans' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(step).toBeVisible();
  await other.close();
});

test('a load is weighed off at the scale and by typing; pieces run on a chart', async ({
  page,
  at,
}) => {
  const said = watchConsole(page);
  await page.addInitScript(() => {
    const own = navigator.wakeLock.request.bind(navigator.wakeLock);
    navigator.wakeLock.request = (type) => {
      document.documentElement.dataset['wakeLock'] = type ?? '';
      return own(type);
    };
  });
  await page.goto(at('mix/2026-11-27/yard-round'));
  await expect(page.locator('html')).not.toHaveAttribute('data-wake-lock');
  await page.getByRole('link', { name: 'Weigh off' }).click();
  // Nobody taps a dark screen with flour on their hands.
  await expect(page.locator('html')).toHaveAttribute('data-wake-lock', 'screen');
  await test.step('on the scale: hold, wait until it settles, take', async () => {
    const pour = page.getByRole('button', { name: 'Hold to pour' });
    await pour.hover();
    await page.mouse.down();
    await expect(page.getByText('on target').first()).toBeVisible({ timeout: 20_000 });
    await page.mouse.up();
    const take = page.getByRole('button', { name: 'Take this weight' });
    await expect(take).toBeEnabled();
    await take.click();
    await expect(page.getByRole('heading', { name: 'Water' })).toBeVisible();
    await expectAccessible(page);
  });
  await test.step('by typing; too much is said', async () => {
    const typed = page.getByRole('textbox', { name: /Or type what another scale shows/ });
    await typed.fill('13000');
    await typed.press('Enter');
    await expect(page.getByRole('button', { name: /^Water.*53\s?g over/ })).toBeVisible();
    // A wrong weight is put right: the line is chosen, and weighed again.
    await page.getByRole('button', { name: /^Water/ }).click();
    await typed.fill('12947');
    await typed.press('Enter');
    await expect(page.getByRole('button', { name: /^Water.*on target/ })).toBeVisible();
  });
  await test.step('yeast that is off by enough moves the window, and that is said at once', async () => {
    const typed = page.getByRole('textbox', { name: /Or type what another scale shows/ });
    await page.getByRole('button', { name: /yeast/i }).click();
    await typed.fill('125');
    await typed.press('Enter');
    await expect(page.getByText(/than planned/)).toBeVisible();
    await page.getByRole('button', { name: /yeast/i }).click();
    await typed.fill('0');
    await typed.press('Enter');
    await expect(page.getByText(/this dough will not open well/)).toBeVisible();
  });
  await test.step('pieces: the last ten say how the hand runs', async () => {
    await page.goto(at('mix/2026-11-27/yard-round/ball'));
    const round = page.getByRole('region', { name: 'Yard Round' });
    const typed = round.getByRole('textbox', { name: /Or type what another scale shows/ });
    for (let i = 0; i < 10; i += 1) {
      await typed.fill(String(281 + (i % 3)));
      await typed.press('Enter');
    }
    await expect(round.getByText(/The last 10 are \d\.\d\s?g heavy/)).toBeVisible();
    await expectAccessible(page);
    await round.getByRole('button', { name: 'Next piece' }).click();
    await expect(round.getByRole('button', { name: 'Take this weight' })).toBeEnabled();
  });
  expect(said).toEqual([]);
});

test('the log: a lot is found, opened, put right, and taken out as a table', async ({
  page,
  at,
}) => {
  const said = watchConsole(page);
  await page.goto(at('log'));
  await expect(page.getByRole('link', { name: /^YR-/ }).first()).toBeVisible();
  await expectAccessible(page);
  await test.step('what is looked for is in the address', async () => {
    await page.getByRole('textbox', { name: 'Code or note' }).fill('SL-11');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('link', { name: /^YR-/ })).toHaveCount(0);
    await expect(page.getByRole('link', { name: /^SL-/ }).first()).toBeVisible();
    await page.getByRole('combobox', { name: 'Result' }).click();
    await page.getByRole('option', { name: 'gummy' }).click();
    await expect(page).toHaveURL(/text=SL-11&found=gummy|found=gummy&text=SL-11/);
    await page.goto(at('log?text=nowhere'));
    await expect(page.getByText(/No lot matches/)).toBeVisible();
  });
  await test.step('a lot tells all of itself; a note is put right and stays to be read', async () => {
    await page.goto(at('log?text=YR-1123'));
    await page.getByRole('link', { name: 'YR-1123-A' }).click();
    await expect(page.getByRole('heading', { name: 'YR-1123-A, Yard dough' })).toBeVisible();
    await expect(page.getByRole('img', { name: /thick as it rose/ })).toBeVisible();
    await expect(page.getByText(/By its record it opened well from/)).toBeVisible();
    await page.getByRole('textbox', { name: 'Anything else worth knowing' }).fill('Best this week');
    await page.keyboard.press('Enter');
    const said1 = page.getByRole('listitem').filter({ hasText: '“Best this week”' });
    await said1.getByRole('button', { name: 'Correct' }).click();
    await page.getByRole('textbox', { name: 'Note', exact: true }).fill('Best of the month');
    await page.keyboard.press('Enter');
    await expect(page.getByText('“Best of the month”')).toBeVisible();
    await expect(page.getByText('corrects an earlier one').first()).toBeVisible();
    await expect(said1).toHaveCount(1);
    await expectAccessible(page);
  });
  await test.step('a look narrows the lot’s own window, and says how sure that is', async () => {
    await page.getByRole('button', { name: 'early', exact: true }).click();
    await expect(
      page.getByText(/^By what was seen of it: from .*, eight times in ten between /),
    ).toBeVisible({ timeout: 30_000 });
  });
  await test.step('a photo is made small, kept and shown; what is no picture is said', async () => {
    const input = page.locator('input[type="file"]');
    await input.setInputFiles({
      name: 'dough.png',
      mimeType: 'image/png',
      buffer: await page.screenshot(),
    });
    const photo = page.getByRole('img', { name: 'Photo of YR-1123-A' });
    // A photo is fetched when somebody comes to it.
    await photo.evaluate((img) => img.scrollIntoView());
    await expect(photo).toBeVisible();
    expect(await photo.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0);
    const text = { name: 'dough.png', mimeType: 'image/png', buffer: Buffer.from('no picture') };
    await input.setInputFiles(text);
    await expect(page.getByText('This device cannot read that picture.')).toBeVisible();
  });
  await test.step('the table goes out as it is looked for', async () => {
    await page.goto(at('log?text=YR-1123'));
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Export CSV' }).click(),
    ]);
    expect(download.suggestedFilename()).toMatch(/\.csv$/);
  });
  expect(said).toEqual([]);
});
