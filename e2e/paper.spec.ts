import { expect, expectAccessible, test } from './house';

/** Pages of a PDF, counted by its page objects. */
const pagesOf = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g)?.length;

test('a lot goes on paper: a page a load, a label a tray', async ({ page, at }) => {
  await page.goto(at('mix/2026-11-27/yard-round'));
  await page.getByRole('link', { name: 'On paper' }).click();
  await expect(
    page.getByRole('heading', { name: /Yard dough for Fri 27 Nov, on paper/ }),
  ).toBeVisible();
  await expect(page.getByText(/Load 2 of 2/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'Code that leads to this lot' })).toHaveCount(2);
  await expectAccessible(page);

  for (const format of ['A4', 'Letter']) {
    expect(pagesOf(await page.pdf({ format }))).toBe(2);
  }
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print or save as PDF' })).toBeHidden();
  await expect(page.getByRole('link', { name: 'Tonight' })).toBeHidden();
  await page.emulateMedia({ media: null });

  await page.getByRole('button', { name: 'Tray labels, sheet' }).click();
  await expect(page.getByText('Tray 20 of 20 · 12 balls')).toBeVisible();
  await expect(page.getByText(/Opens Fri 1\d:\d\d to 1\d:\d\d/).first()).toBeVisible();
  await expect(page.getByText('Contains wheat (gluten)').first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Tray labels, 62-mm roll' }).click();
  await expect(page).toHaveURL(/as=roll/);
  await expect(page.getByRole('button', { name: 'Tray labels, 62-mm roll' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByText('Tray 20 of 20 · 12 balls')).toBeVisible();
  const roll = await page.pdf({ preferCSSPageSize: true });
  expect(pagesOf(roll)).toBe(21);
  expect(roll.toString('latin1')).toMatch(/MediaBox \[0 0 17[56]/);
});

test('a pre-ferment’s sheet fits one page, and a lot there is not has no paper', async ({
  page,
  at,
}) => {
  await page.goto(at('mix/2026-11-28/slab/paper'));
  await expect(page.getByRole('heading', { name: 'poolish-type pre-ferment' })).toBeVisible();
  expect(pagesOf(await page.pdf({ format: 'Letter' }))).toBe(1);
  await page.goto(at('mix/2026-11-28/pancake/paper'));
  await expect(page.getByRole('heading', { name: 'Batch sheet not found' })).toBeVisible();
});

test('what is weighed as ice stands on paper as on the screen', async ({ page, at }) => {
  await page.goto(at('mix/2026-11-27/slab'));
  await page.getByRole('button', { name: 'Start this lot' }).click();
  await expect(page.getByText('Started: SL-1125-A.')).toBeVisible();
  for (const [name, value] of [
    ['Flour (°C)', '32'],
    ['Room (°C)', '34'],
    ['Tap water (°C)', '26'],
  ] as const) {
    await page.getByRole('textbox', { name, exact: true }).fill(value);
    await page.keyboard.press('Enter');
  }
  const split = page.getByText(/^\d.* ice \+ .* tap water$/);
  const said = await split.first().innerText();
  await page.getByRole('link', { name: 'On paper' }).click();
  await expect(page.getByText(said, { exact: true })).toBeVisible();
});
