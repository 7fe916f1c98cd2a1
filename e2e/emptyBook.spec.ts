import { expect, expectAccessible, tabTo, test, watchConsole } from './house';

test.use({ isBookEmpty: true });

test('from an empty book to a printed sheet, by keyboard alone', async ({ page, at }) => {
  const said = watchConsole(page);
  const { keyboard } = page;
  const cell = (name: string) => page.getByRole('textbox', { name, exact: true });
  const write = async (name: string, text: string) => {
    await tabTo(page, cell(name));
    await keyboard.press('Control+a');
    await keyboard.type(text);
    await keyboard.press('Enter');
  };
  const press = async (name: string | RegExp) => {
    await tabTo(page, page.getByRole('button', { name }));
    await keyboard.press('Enter');
  };
  const follow = async (name: string) => {
    await tabTo(page, page.getByRole('link', { name, exact: true }));
    await keyboard.press('Enter');
  };

  await test.step('the pantry gets two flours, with strength and allergens', async () => {
    await page.goto(at('formulas'));
    await expect(page.getByText('No formulas yet. Start with a new one.')).toBeVisible();
    await follow('Pantry');
    await expect(page.getByText('Nothing yet. Add the flours first')).toBeVisible();
    await press('Add an ingredient');
    await write('Name', 'harbour white');
    await expect(page.getByText('new ingredient')).toHaveCount(0);
    await expect(cell('harbour white, Bag (kg)')).toBeVisible();
    await write('harbour white, Cost (/kg)', '1.2');
    await write('harbour white, Bag (kg)', '25');
    await tabTo(page, page.getByRole('switch', { name: 'A flour' }));
    await keyboard.press('Space');
    await write('harbour white, Strength (W)', '300');
    await write('Allergens, with commas', 'wheat (gluten)');
    await expect(cell('Allergens, with commas')).toHaveValue('wheat (gluten)');
    await expectAccessible(page);
  });

  await test.step('a route is taken from the known ways and made the house’s own', async () => {
    await follow('Routes');
    await expect(page.getByText(/No routes yet/)).toBeVisible();
    await press('New route');
    await expect(page.getByRole('menuitem', { name: 'pre-ferment, in the pan' })).toBeVisible();
    await keyboard.type('pre');
    await keyboard.press('Enter');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('pre-ferment, in the pan');
    await write('Name', 'Quay way');
    await write('Bulk, usual (h)', '1');
    await expect(page.getByRole('img', { name: /plain dough from the mixer/ })).toBeVisible();
    await expectAccessible(page);
    await press('Save route');
    await expect(page.getByText('Created: Quay way.')).toBeVisible();
  });

  await test.step('two flours and a pre-ferment become a formula', async () => {
    await page.goto(at('formulas'));
    await press('New formula');
    await expect(page.getByRole('dialog')).toBeVisible();
    await keyboard.type('Quay dough');
    await keyboard.press('Tab');
    await keyboard.type('QD');
    await keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Quay dough', level: 1 })).toBeVisible();
    await press('Add a flour');
    await write('flour 2 (%)', '20');
    await tabTo(page, page.getByRole('combobox', { name: 'Name of flour 2' }));
    await keyboard.press('Control+a');
    await keyboard.type('semolina');
    await keyboard.press('Enter');
    await write('Water (%)', '66');
    await press('Add a pre-ferment');
    await write('Share of the flour (%)', '25');
    await press('Save as version 2');
    await expect(page.getByText('Saved: Quay dough, version 2.')).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('its method is a known one, with a step more', async () => {
    await follow('Method');
    await tabTo(page, page.getByRole('combobox', { name: 'Start from a standard method' }));
    await keyboard.press('Enter');
    await expect(page.getByRole('option', { name: 'Salt last' })).toBeVisible();
    for (let i = 0; i < 5; i += 1) await keyboard.press('ArrowDown');
    await keyboard.press('Enter');
    await expect(cell('Name of the method')).toHaveValue('Salt last');
    await press('Add a step');
    await write('Step 3', 'Into the tub');
    await expectAccessible(page);
    await press('Save as version 3');
    await expect(page.getByText('Saved: Quay dough, version 3.')).toBeVisible();
  });

  await test.step('a product is made of it, and any amount can be scaled', async () => {
    await press('Add a product');
    await expect(page.getByRole('dialog')).toBeVisible();
    await keyboard.type('Quay Round');
    await write('Ball weight (g)', '280');
    await press('Save');
    await expect(page.getByText('Created: Quay Round.')).toBeVisible();
    await follow('Make');
    await write('Quay Round', '120');
    await expect(page.getByRole('row', { name: /^Ahead: harbour white/ })).toBeVisible();
    await write('Quay Round', '3');
    await expect(page.getByRole('region', { name: 'Make' }).getByRole('alert')).toContainText('kg');
    await write('Quay Round', '120');
    await expectAccessible(page);
    await press(/^1 bag: \d+ Quay Round$/);
    await expect(page.getByRole('row', { name: /^harbour white .*of 25/ })).toBeVisible();
  });

  await test.step('Friday wants some, and its sheet goes on paper', async () => {
    await page.goto(at('demand?days=7'));
    await write('Quay Round, Dinner Fri 27 Nov', '60');
    await expect(page.getByText('Quay Round at Dinner: 60.')).toBeVisible();
    await page.goto(at('mix/2026-11-27/quay-round/paper'));
    await expect(page.getByRole('heading', { name: /^Quay dough for Fri 27 Nov/ })).toBeVisible();
    await expect(page.getByText('Into the tub').first()).toBeVisible();
    expect((await page.pdf({ format: 'A4' })).subarray(0, 4).toString()).toBe('%PDF');
    await expectAccessible(page);
  });
  expect(said).toEqual([]);
});
