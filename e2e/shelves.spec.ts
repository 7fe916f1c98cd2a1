import { paths, type HouseBook } from '@calm/contract';
import type { APIRequestContext, Page } from '@playwright/test';
import { expect, expectAccessible, test, twoPeople, watchConsole } from './house';

const cell = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });
const write = async (page: Page, name: string, text: string) => {
  await cell(page, name).fill(text);
  await cell(page, name).press('Enter');
};
const bookOf = async (request: APIRequestContext, house: string) =>
  (await (await request.get(`${process.env['E2E_URL']}${paths.book(house)}`)).json()) as HouseBook;

test('a route is edited, drawn again, saved, fought over and taken back', async ({
  browser,
  session,
  at,
  house,
  request,
}) => {
  const [first, second] = await twoPeople(browser, session);
  const said = watchConsole(first);
  for (const page of [first, second]) {
    await page.goto(at('formulas/routes'));
    await page.getByRole('link', { name: 'Two nights cold' }).click();
    await expect(page.getByTestId('reading')).toContainText('Ready');
  }
  await test.step('hours stay in order, whichever is typed', async () => {
    await write(first, 'Cold, least (h)', '50');
    await expect(cell(first, 'Cold, usual (h)')).toHaveValue('50');
    await expect(first.getByTestId('reading')).not.toContainText('volume 1.80');
    await first.getByRole('heading', { level: 1 }).click();
    await first.keyboard.press('Control+z');
    await expect(cell(first, 'Cold, usual (h)')).toHaveValue('42');
  });
  await test.step('a stage goes down, comes back, and a stage more is a rest at the bench', async () => {
    const stages = first.getByRole('list', { name: 'Stages in order' }).getByRole('listitem');
    const before = await stages.count();
    await first.getByRole('button', { name: 'Add a rest' }).click();
    await expect(stages).toHaveCount(before + 1);
    await first.getByRole('button', { name: 'Remove Bulk' }).last().click();
    await expect(stages).toHaveCount(before);
    await first.getByRole('button', { name: 'Move Weigh down' }).click();
    await expect(stages.nth(1)).toContainText('Weigh');
    await first.getByRole('button', { name: 'Move Weigh up' }).click();
    await expectAccessible(first);
  });
  await test.step('the second to save is told, and chooses', async () => {
    // Both have begun before either saves: whoever begins later is shown what was saved meanwhile.
    await write(second, 'Cold, air (°C)', '2');
    await write(first, 'Cold, air (°C)', '5');
    await first.reload();
    await expect(cell(first, 'Cold, air (°C)')).toHaveValue('5');
    await first.getByRole('button', { name: 'Save route' }).click();
    await expect(first.getByText('Saved: Two nights cold.')).toBeVisible();
    await expect(cell(second, 'Cold, air (°C)')).toHaveValue('2');
    await second.getByRole('button', { name: 'Save route' }).click();
    await expect(second.getByText(/Somebody else changed Two nights cold meanwhile/)).toBeVisible();
    await second.getByRole('button', { name: 'Use yours' }).click();
    await expect(second.getByText('Saved: Two nights cold.')).toBeVisible();
    const { routes } = await bookOf(request, house);
    const saved = routes.find(({ name }) => name === 'Two nights cold');
    expect(saved?.version).toBe(3);
    expect(saved?.stages).toContainEqual(expect.objectContaining({ key: 'cold', airTempC: 2 }));
  });
  await test.step('a copy is a route of its own, and can be retired', async () => {
    await second.getByRole('button', { name: 'Copy' }).click();
    await expect(second.getByRole('heading', { level: 1 })).toHaveText('Two nights cold, copy');
    await second.getByRole('button', { name: 'Retire' }).click();
    await expect(second.getByRole('link', { name: 'Two nights cold, copy' })).toHaveCount(0);
  });
  expect(said).toEqual([]);
});

test('a product is changed, kept while dough of it is under way, and retired after', async ({
  page,
  at,
}) => {
  await page.goto(at('formulas/yard-dough'));
  const dialog = page.getByRole('dialog');
  await page.getByRole('button', { name: 'Yard Round' }).click();
  await write(page, 'Ball weight (g)', '260');
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved: Yard Round.')).toBeVisible();
  await expect(page.getByText(/^260\sg$/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/^275\sg$/)).toBeVisible();
  await page.getByRole('button', { name: 'Yard Round' }).click();
  await dialog.getByRole('button', { name: 'Retire' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Dough of it is under way');
  await dialog.getByRole('button', { name: 'Cancel' }).click();

  await page.getByRole('button', { name: 'Add a product' }).click();
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Yard Round');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByRole('alert')).toContainText('one of this name already');
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Dusk Round');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Dusk Round' })).toBeVisible();
  await page.getByRole('button', { name: 'Dusk Round' }).click();
  await dialog.getByRole('button', { name: 'Retire' }).click();
  await expect(page.getByText('Dusk Round is retired. What is on record keeps it.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Dusk Round' })).toHaveCount(0);

  await page.getByRole('button', { name: 'Retire' }).click();
  await expect(page.getByText('Products are made of it. Retire those first.')).toBeVisible();
  await page.getByRole('link', { name: 'Formulas' }).first().click();
  await page.getByText('Retired products: 1').click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Bring back Dusk Round' }).click();
  await expect(page.getByRole('link', { name: 'What if: Dusk Round' })).toBeVisible();
});

test('any amount is scaled: loads, bags, old dough, and what no mixer can take', async ({
  page,
  at,
}) => {
  await page.goto(at('formulas/yard-dough/make'));
  const make = page.getByRole('region', { name: 'Make' });
  const flour = make.getByRole('row', { name: /^strong white/ });
  await write(page, 'Yard Round', '240');
  await expect(make.getByText(/^2 × 33/)).toBeVisible();
  await expect(flour).toContainText('1 × 25.0\u00a0kg');

  const weighed = async () =>
    Number((await flour.getByRole('cell').first().innerText()).replace(/\D/g, ''));

  await make.getByRole('button', { name: /^2 bags: \d+ Yard Round$/ }).click();
  await expect.poll(weighed).toBeGreaterThan(49_600);
  expect(await weighed()).toBeLessThanOrEqual(50_000);
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'Yard Round')).toHaveValue('240');

  // Seventeen kilograms of the flour: how many balls?
  await write(page, 'strong white, all of it (kg)', '17');
  await expect.poll(weighed).toBeLessThanOrEqual(17_000);
  expect(await weighed()).toBeGreaterThan(16_700);
  await expect(cell(page, 'Yard Round')).toHaveValue('100');

  await write(page, 'Yard Round', '240');
  const before = await weighed();
  await write(page, 'Old dough returned (g)', '1650');
  await expect(make.getByRole('row', { name: /^old dough/ })).toContainText(/1\s650\sg/);
  // 1650 g of this dough is 1000 g of flour.
  expect(Math.abs(before - (await weighed()) - 1000)).toBeLessThan(15);

  await write(page, 'Yard Round', '12');
  await expect(make.getByRole('alert')).toContainText('6');
  await page.reload();
  await expect(cell(page, 'Yard Round')).toHaveValue('12');
  await page.getByRole('combobox', { name: 'Mixer' }).click();
  await page.getByRole('option', { name: '12 kg planetary' }).click();
  await expect(make.getByRole('alert')).toHaveCount(0);
  await expectAccessible(page);
});

test('who reads ounces, °F and commas does; the house keeps grams and °C', async ({
  page,
  at,
  house,
  request,
}) => {
  await page.goto(at('formulas/yard-dough'));
  await page.getByRole('button', { name: 'Language & units' }).click();
  for (const [of, value] of [
    ['Weights', 'ounces, pounds'],
    ['Temperatures', 'Fahrenheit'],
    ['Decimal separator', 'Comma: 2,5'],
  ] as const) {
    await page.getByRole('combobox', { name: of }).click();
    await page.getByRole('option', { name: value }).click();
  }
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(cell(page, 'Dough off the mixer (°F)')).toHaveValue('75,2');
  await expect(cell(page, 'Water (%)')).toHaveValue('62');
  await expect(page.getByText(/^9,70\soz$/)).toBeVisible();

  await write(page, 'Dough off the mixer (°F)', '77');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('Saved: Yard dough, version 2.')).toBeVisible();
  const { formulas } = await bookOf(request, house);
  expect(formulas.find(({ code }) => code === 'YR')?.doughTempC).toBe(25);

  await page.reload();
  await expect(cell(page, 'Dough off the mixer (°F)')).toHaveValue('77');
  await page.goto(at('mix/2026-11-27/yard-round'));
  await expect(page.getByTestId('water-temp')).toContainText('°F');
  await expect(page.getByRole('textbox', { name: 'Flour (°F)' })).toHaveValue(/^\d\d,\d$/);
});

test('the pantry tells every label at once what is in a dough', async ({ page, at }) => {
  await page.goto(at('formulas/pantry'));
  const salt = page.getByRole('listitem').filter({ has: cell(page, 'salt, Cost (/kg)') });
  await salt.getByRole('textbox', { name: 'Allergens, with commas' }).fill('celery');
  await salt.getByRole('textbox', { name: 'Allergens, with commas' }).press('Enter');
  await expectAccessible(page);
  await page.goto(at('formulas/yard-dough'));
  const facts = page.getByRole('complementary', { name: 'Totals' });
  await expect(facts).toContainText('wheat (gluten), celery');
  await page.goto(at('formulas/pantry'));
  await salt.getByRole('button', { name: 'Remove salt' }).click();
  await expect(salt).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(salt.getByRole('textbox', { name: 'Allergens, with commas' })).toHaveValue('celery');
});
