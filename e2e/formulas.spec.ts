import { expect, expectAccessible, test, twoPeople, watchConsole } from './house';

test('a formula is written, counted two ways, saved as versions, compared and brought back', async ({
  page,
  at,
}) => {
  const said = watchConsole(page);
  const cell = (name: string) => page.getByRole('textbox', { name, exact: true });
  const type = async (name: string, value: string) => {
    await cell(name).fill(value);
    await cell(name).press('Enter');
  };
  const facts = page.getByRole('complementary', { name: 'Totals' });

  await test.step('a new one is put into the book, from the keyboard', async () => {
    await page.goto(at('formulas'));
    await page.getByRole('button', { name: 'New formula' }).press('Enter');
    await page.keyboard.type('Harbour dough');
    await page.keyboard.press('Tab');
    await page.keyboard.type('yr');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/lots already start with YR/)).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('textbox', { name: 'Lot code' }).fill('HB');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Harbour dough', level: 1 })).toBeVisible();
    await expect(page.getByText('Lots start with HB · version 1')).toBeVisible();
  });

  await test.step('two flours and a pre-ferment; the other flour makes room', async () => {
    await page.getByRole('button', { name: 'Add a flour' }).click();
    await type('strong white (%)', '20');
    await expect(cell('medium white (%)')).toHaveValue('80');
    await type('Water (%)', '65');
    await page.getByRole('button', { name: 'Add a pre-ferment' }).click();
    await type('Share of the flour (%)', '25');
    await expect(page.getByText(/Left for the bowl, of total flour: .*water 40\s%/)).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('per litre agrees with percent, whichever is typed', async () => {
    await page.getByRole('button', { name: 'Per litre of water' }).click();
    await expect(cell('medium white (g/L)')).toHaveValue('1230.8');
    await type('Salt (g/L)', '40');
    await page.getByRole('button', { name: 'Total flour = 100' }).click();
    await expect(cell('Salt (%)')).toHaveValue('2.6');
    await type('Salt in the batch (g)', '180');
    await expect(cell('Salt (%)')).toHaveValue('1.8');
    await expect(facts).toContainText(/under 2\s% dough tastes bland/);
    await page.getByRole('heading', { level: 1 }).click();
    await page.keyboard.press('Control+z');
    await expect(cell('Salt (%)')).toHaveValue('2.6');
  });

  await test.step('what cannot be is said at its cell, and nothing typed is lost', async () => {
    await cell('Salt (%)').fill('150');
    await expect(page.getByText('At most 10.')).toBeVisible();
    await cell('Salt (%)').fill('two');
    await expect(page.getByText('Enter a number.')).toBeVisible();
    await cell('Salt (%)').press('Escape');
    await expect(cell('Salt (%)')).toHaveValue('2.6');
    await page.reload();
    await expect(cell('medium white (%)')).toHaveValue('80');
  });

  await test.step('saved as version 2, compared with version 1, and back', async () => {
    await page.getByRole('textbox', { name: 'What was changed, and why' }).fill('Softer crust');
    await page.getByRole('button', { name: 'Save as version 2' }).click();
    await expect(page.getByText('Saved: Harbour dough, version 2.')).toBeVisible();
    const versions = page.getByRole('region', { name: 'Versions' });
    await expect(versions.getByText('Softer crust')).toBeVisible();
    await versions.getByRole('button', { name: 'Version 1' }).click();
    await expect(versions.getByRole('row', { name: /^Water 62\s%.*65\s%/ })).toBeVisible();
    await expectAccessible(page);
    await versions.getByRole('button', { name: 'Bring version 1 back to this page' }).click();
    await expect(cell('Water (%)')).toHaveValue('62');
    await page.getByRole('button', { name: 'Save as version 3' }).click();
    await expect(versions.getByRole('listitem')).toHaveCount(3);
  });

  await test.step('it is found in the book', async () => {
    await page.goto(at('formulas'));
    await page.getByRole('textbox', { name: 'Find a formula or product' }).fill('harb');
    await expect(page.getByRole('link', { name: 'Harbour dough' })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Yard dough' })).toHaveCount(0);
    await page.getByRole('textbox', { name: 'Find a formula or product' }).fill('sprout');
    await expect(page.getByRole('link', { name: 'Yard dough' })).toBeVisible();
    await page.getByRole('textbox', { name: 'Find a formula or product' }).fill('pancake');
    await expect(page.getByText('No formula or product has that name.')).toBeVisible();
  });
  expect(said.filter((line) => !line.includes('400'))).toEqual([]);
});

test('two people edit one formula: the second is told, and chooses', async ({
  browser,
  session,
  at,
}) => {
  const [first, second] = await twoPeople(browser, session);
  for (const page of [first, second]) {
    await page.goto(at('formulas/yard-dough'));
    await expect(page.getByRole('heading', { name: 'Yard dough', level: 1 })).toBeVisible();
  }
  const water = (page: typeof first) => page.getByRole('textbox', { name: 'Water (%)' });
  await water(first).fill('63');
  await water(first).press('Enter');
  await water(second).fill('64');
  await water(second).press('Enter');
  await first.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(first.getByText('Saved: Yard dough, version 2.')).toBeVisible();
  await second.getByRole('button', { name: /^Save as version/ }).click();
  await expect(second.getByText(/Somebody else changed Yard dough meanwhile/)).toBeVisible();
  await expectAccessible(second);
  await second.getByRole('button', { name: 'Use yours' }).click();
  await expect(second.getByText('Saved: Yard dough, version 3.')).toBeVisible();
  await first.reload();
  await expect(water(first)).toHaveValue('64');
  await expect(first.getByRole('region', { name: 'Versions' }).getByRole('listitem')).toHaveCount(
    3,
  );
});
