import { readFileSync } from 'node:fs';
import { countField, expect, expectAccessible, test, watchConsole } from './house';

const facts = { name: 'Behind the number' };

test('next week’s numbers are there, with why; a festival moves them; all of it goes back', async ({
  page,
  at,
}) => {
  const said = watchConsole(page);
  const friday = countField(page, 'Yard Round', 'Dinner', 'Fri 4 Dec');
  const panel = page.getByRole('complementary', facts);

  await test.step('the coming week, with what is expected under each number', async () => {
    await page.goto(at('demand'));
    await page.getByRole('button', { name: 'Next week' }).click();
    await expect(page.getByText('No service. A day to make dough, not to sell it.')).toBeVisible();
    await friday.focus();
    await expect(panel.getByRole('heading', { level: 2 })).toHaveText(
      'Yard Round, Dinner Fri 4 Dec',
    );
    await expect(panel.getByText(/\d+ expected; eight times in ten between/)).toBeVisible();
    await panel.getByRole('button', { name: /^Why this/ }).click();
    await expect(
      panel.getByText(/of this weekday|an average day|usual, moved by/i).first(),
    ).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('cells are gone through like a sheet, without a mouse', async () => {
    await friday.focus();
    await page.keyboard.press('ArrowRight');
    await expect(countField(page, 'Slab', 'Dinner', 'Fri 4 Dec')).toBeFocused();
    await page.keyboard.press('ArrowDown');
    await expect(countField(page, 'Slab', 'Lunch', 'Sat 5 Dec')).toBeFocused();
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.type('177');
    await page.keyboard.press('Enter');
    await expect(countField(page, 'Yard Round', 'Lunch', 'Sat 5 Dec')).toBeFocused();
    await expect(page.getByText('Yard Round at Dinner: 177.')).toBeVisible();
    await expect(friday).toHaveValue('177');
  });

  await test.step('a festival is marked, moves its day, is changed and taken out', async () => {
    const expected = async () => {
      await friday.focus();
      const text = await panel.getByText(/expected; eight times in ten/).innerText();
      return Number.parseInt(text, 10);
    };
    const before = await expected();
    await page.getByRole('button', { name: 'Mark an event on Fri 4 Dec' }).click();
    await page.keyboard.type('Regatta');
    await page.getByRole('textbox', { name: 'Of an ordinary day (%)' }).fill('150');
    await page.getByRole('textbox', { name: 'Of an ordinary day (%)' }).press('Enter');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('button', { name: /Regatta 150/ })).toBeVisible();
    await expect.poll(async () => (await expected()) / before).toBeCloseTo(1.5, 1);
    await page.getByRole('button', { name: /Regatta 150/ }).click();
    await page.getByRole('button', { name: 'Take it out' }).click();
    await expect(page.getByRole('button', { name: /Regatta/ })).toHaveCount(0);
    await expect.poll(expected).toBe(before);
  });

  await test.step('the number is dragged along its curve', async () => {
    await friday.focus();
    const slider = panel.getByRole('slider');
    await expect(panel.getByText(/^177: enough/)).toBeVisible();
    for (let i = 0; i < 3; i += 1) await slider.press('ArrowRight');
    await expect(friday).toHaveValue('180');
    await expect(panel.getByText(/^180: enough \d+\s% of the time; on average/)).toBeVisible();
  });

  await test.step('everything that nobody chose is taken from the forecast, and back', async () => {
    const lunch = countField(page, 'Yard Round', 'Lunch', 'Thu 3 Dec');
    const usual = await lunch.inputValue();
    await page.getByRole('button', { name: 'Have what the forecast says' }).click();
    await expect(page.getByText(/\d+ counts taken from the forecast/)).toBeVisible();
    await expect(lunch).not.toHaveValue(usual);
    await expect(friday).toHaveValue('180');
    await page.getByRole('heading', { level: 1 }).click();
    await page.keyboard.press('Control+z');
    await expect(lunch).toHaveValue(usual);
  });

  await test.step('the history goes out as a table', async () => {
    const coming = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Sales as CSV' }).click();
    const text = readFileSync(await (await coming).path(), 'utf8');
    expect(text.split('\r\n')[0]).toBe('date,service,product,sold,sold out,event,forecast');
    expect(text).toContain('Dinner,Yard Round,');
  });
  expect(said).toEqual([]);
});

test('a shopping list for the week: what the store has not, in whole bags, out as a table', async ({
  page,
  at,
}) => {
  await page.goto(at('demand?days=next'));
  await page.getByRole('link', { name: 'Shopping list' }).click();
  await expect(page.getByRole('heading', { name: 'Shopping list' })).toBeVisible();
  const flour = page.getByRole('row', { name: /^strong white/ });
  await expect(flour).toContainText(/\d+ bags/);
  await expectAccessible(page);

  await page.getByRole('link', { name: 'The store is kept in the Pantry.' }).click();
  const store = page.getByRole('textbox', { name: 'strong white, In store (kg)' });
  await store.fill('900');
  await store.press('Enter');
  const item = page.getByRole('listitem').filter({ has: store });
  await item.getByLabel('Good until').fill('2026-12-01');
  await expect(item.getByLabel('Good until')).toHaveValue('2026-12-01');
  await page.goto(at('demand/shopping?days=next'));
  await expect(flour).toContainText(/900\.0\skg/);
  await expect(flour).toContainText(/\d+ bags/);

  await page.goto(at('formulas/pantry'));
  await item.getByLabel('Good until').fill('2027-01-31');
  await expect(item.getByLabel('Good until')).toHaveValue('2027-01-31');
  await page.goto(at('demand/shopping?days=next'));
  await expect(flour).toContainText('enough');
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take out as CSV' }).click();
  const text = readFileSync(await (await coming).path(), 'utf8');
  expect(text).toContain('ingredient,takes (g),in store (g),out of date (g),buy (g),bags');
  expect(text).toMatch(/strong white,\d+,900000,0,0,0/);
});
