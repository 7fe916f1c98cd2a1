import { paths, STANDARD_DISPLAY } from '@calm/contract';
import { arrived, countField, expect, expectAccessible, test, watchConsole } from './house';

test('the time cursor moves every page, says so, and snaps back', async ({ page, at }) => {
  await page.goto(at('tonight'));
  await expect(page.getByRole('link', { name: 'Walk-in, 3 lots' })).toBeVisible();
  const rail = page.getByRole('slider', { name: 'Time cursor' });
  await rail.focus();
  for (let i = 0; i < 4; i += 1) await rail.press('PageUp');
  await expect(page.getByText(/This page shows Thu 15:40, 24\sh ahead/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Dinner, Thu 26 Nov' })).toBeVisible();
  await expect(page).toHaveURL(/at=2026-11-26T14%3A40|at=2026-11-26T14:40/);
  await expectAccessible(page);

  await page.reload();
  await expect(page.getByRole('heading', { name: 'Dinner, Thu 26 Nov' })).toBeVisible();
  await page.getByRole('button', { name: 'Now', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Dinner, Wed 25 Nov' })).toBeVisible();
  await expect(page).not.toHaveURL(/at=/);
});

test('dragging the cursor is dragging time', async ({ page, at }) => {
  await page.goto(at('tonight'));
  const rail = page.getByRole('slider', { name: 'Time cursor' });
  await expect(page.getByText('YR-1123-A', { exact: true })).toBeVisible();
  const box = await rail.boundingBox();
  if (!box) throw new Error('no rail');
  await page.mouse.move(box.x + box.width / 3, box.y + 40);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.9, box.y + 40, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByRole('heading', { name: 'Lunch, Thu 26 Nov' })).toBeVisible();
});

test('everything goes by keyboard', async ({ page, at }) => {
  const said = watchConsole(page);
  await page.goto(at('tonight'));
  await arrived(page);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard shortcuts' })).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  for (const [digit, heading] of [
    ['3', 'Formulas'],
    ['6', 'Walk-in'],
    ['7', 'Crew'],
    ['8', 'Log'],
    ['9', 'House'],
    ['2', 'Demand'],
  ] as const) {
    await page.keyboard.press(digit);
    await expect(page.getByRole('heading', { name: heading, level: 1 })).toBeVisible();
    await expectAccessible(page);
  }
  const field = countField(page, 'Yard Round', 'Dinner', 'Thu 26 Nov');
  await field.focus();
  await page.keyboard.type('117');
  await page.keyboard.press('Enter');
  await expect(field).toHaveValue('117');
  await expect(page.getByText('Yard Round at Dinner: 117.')).toBeVisible();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Undone: Yard Round at Dinner: 117.')).toBeVisible();
  await expect(field).toHaveValue('116');
  expect(said).toEqual([]);
});

test('works on a tablet both ways up, without sideways scrolling', async ({ page, at }) => {
  for (const size of [
    { width: 1024, height: 768 },
    { width: 768, height: 1024 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    for (const path of ['tonight', 'demand', 'mix', 'mix/2026-11-27/yard-round', 'crew']) {
      await page.goto(at(path));
      await arrived(page);
      const main = page.getByRole('main');
      const over = await main.evaluate((el) => el.scrollWidth - el.clientWidth);
      expect(over, `${path} at ${size.width}`).toBeLessThanOrEqual(0);
    }
  }
  // A phone's menu is one row at its foot: the rest of the screen is for the dough.
  const menu = page.getByRole('navigation', { name: 'Main menu' });
  expect((await menu.boundingBox())?.height).toBeLessThan(90);
});

test('a second theme is one tap away and stays', async ({ page, at }) => {
  await page.goto(at('tonight'));
  const paper = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const before = await paper();
  await page.getByRole('button', { name: 'Dark colours' }).click();
  expect(await paper()).not.toBe(before);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Light colours' })).toBeVisible();
  await expectAccessible(page);
});

test('where the menu will be stands before any code has come', async ({
  page,
  at,
  house,
  context,
}) => {
  const CODE = '**/assets/index-*.js';
  const menuOf = async (what: string) => {
    await expect(page.locator(what)).toBeVisible();
    const { backgroundColor } = await page
      .locator(what)
      .evaluate((menu) => ({ ...getComputedStyle(menu) }));
    return { box: await page.locator(what).boundingBox(), backgroundColor };
  };
  const expectFrame = async () => {
    await page.goto(at('tonight'));
    await arrived(page);
    const there = await menuOf('nav');
    await page.route(CODE, (route) => route.abort());
    await page.goto(at('tonight'));
    expect(await menuOf('.frame > b')).toEqual(there);
    await page.unroute(CODE);
  };
  await expectFrame();
  await test.step('in the dark and narrow, as this device shows things', async () => {
    await page.goto(at('tonight'));
    await page.getByRole('button', { name: 'Dark colours' }).click();
    await page.getByRole('button', { name: 'Collapse menu' }).click();
    await expectFrame();
  });
  await test.step('on the right, where one reads from there', async () => {
    const address = `${process.env['E2E_URL']}${paths.changePreferences(house)}`;
    await context.request.put(address, { data: { ...STANDARD_DISPLAY, language: 'ar' } });
    await expectFrame();
  });
  await test.step('on a phone', async () => {
    await page.setViewportSize({ width: 390, height: 844 });
    await expectFrame();
  });
});
