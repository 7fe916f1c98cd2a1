import { arrived, expect, expectAccessible, test, watchConsole } from './house';

test('anything is found from anywhere: a lot, a dough, a page, a question', async ({
  page,
  at,
}) => {
  const said = watchConsole(page);
  const dialog = page.getByRole('dialog', { name: 'Search' });
  const field = dialog.getByRole('combobox');
  const search = async (text: string) => {
    await page.keyboard.press('Control+k');
    await field.fill(text);
  };
  await page.goto(at('walk-in'));
  await arrived(page);

  await test.step('a lot by its code', async () => {
    await search('yr-1122');
    await expect(dialog.getByRole('option')).toHaveCount(1);
    await expectAccessible(page);
    await field.press('Enter');
    await expect(page).toHaveURL(/\/log\/YR-1122-A$/);
    await expect(page.getByRole('heading', { level: 1, name: /YR-1122-A/ })).toBeFocused();
  });

  await test.step('a dough by its name, by arrow keys', async () => {
    await search('crackle');
    await expect(dialog.getByRole('option').first()).toContainText('Crackle');
    await field.press('ArrowDown');
    await field.press('ArrowUp');
    await field.press('Enter');
    await expect(page).toHaveURL(/\/formulas\/crackle/);
    await arrived(page);
  });

  await test.step('what is not there is said; Escape leads back', async () => {
    await search('nothing has this name');
    await expect(dialog.getByText(/^Nothing found for/)).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveCount(0);
  });

  await test.step('a question opens the manual beside the page', async () => {
    await search('tare scale flour dust');
    await expect(dialog.getByText(/^Nothing found/)).toBeVisible();
    await field.fill('flour dust');
    await dialog.getByRole('option', { name: /Weigh off/ }).click();
    const help = page.getByRole('complementary', { name: 'Help' });
    await expect(help.getByRole('heading', { name: 'Weigh off' })).toBeFocused();
    await expect(page).toHaveURL(/\/formulas\/crackle.*help=weigh-off/);
    await expectAccessible(page);
    await help.getByRole('link', { name: /^Walk-in/ }).click();
    await expect(help.getByRole('heading', { name: /^Walk-in/ })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(help).toHaveCount(0);
  });
  expect(said).toEqual([]);
});

test('each page opens its own page of the manual, with the words that stand on its buttons', async ({
  page,
  at,
}) => {
  await page.goto(at('plan'));
  await arrived(page);
  const opener = page.getByRole('button', { name: 'Help', exact: true });
  await opener.click();
  const help = page.getByRole('complementary', { name: 'Help' });
  await expect(help.getByRole('heading', { name: /^Plan/ })).toBeFocused();
  await expect(help).toContainText('Publish makes it the crew’s plan');
  await expect(help).not.toContainText('[[');
  await page.keyboard.press('Escape');
  await expect(help).toHaveCount(0);
  await expect(opener).toBeFocused();
});

test('the log is sorted by any heading', async ({ page, at }) => {
  await page.goto(at('log'));
  const codes = page.getByRole('rowheader');
  await expect(codes.first()).toBeVisible();
  const asCame = await codes.allTextContents();
  await page.getByRole('button', { name: 'Lot', exact: true }).click();
  await expect(codes.first()).toHaveText(/^CR-/);
  expect(await codes.allTextContents()).not.toEqual(asCame);
  await page.getByRole('button', { name: 'Lot', exact: true }).click();
  await expect(codes.first()).toHaveText(/^YR-/);
});
