import { readFileSync } from 'node:fs';
import {
  countField,
  dateField,
  expect,
  expectAccessible,
  test,
  typeDate,
  watchConsole,
} from './house';

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
    await expect(page.getByText('No service', { exact: true }).first()).toBeVisible();
    await friday.focus();
    await expect(panel.getByRole('heading', { level: 2 })).toHaveText(
      'Yard Round, Dinner Fri 4 Dec',
    );
    await expect(panel.getByText(/\d+ expected; 8 times in 10 between/)).toBeVisible();
    await panel.getByRole('button', { name: /^Why this/ }).click();
    await expect(
      panel.getByText(/of this weekday|an average day|usual, adjusted by/i).first(),
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

  await test.step('a festival is marked, moves its day, is changed and removed', async () => {
    const expected = async () => {
      await friday.focus();
      const text = await panel.getByText(/expected; 8 times in 10/).innerText();
      return Number.parseInt(text, 10);
    };
    const before = await expected();
    await page.getByRole('button', { name: 'Mark an event on Fri 4 Dec' }).click();
    await page.keyboard.type('Regatta');
    await page.getByRole('textbox', { name: 'Compared with an ordinary day (%)' }).fill('150');
    await page.getByRole('textbox', { name: 'Compared with an ordinary day (%)' }).press('Enter');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('button', { name: /Regatta 150/ })).toBeVisible();
    await expect.poll(async () => (await expected()) / before).toBeCloseTo(1.5, 1);
    await page.getByRole('button', { name: /Regatta 150/ }).click();
    await page.getByRole('button', { name: 'Delete' }).click();
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
    await page.getByRole('button', { name: 'Use the forecast for all' }).click();
    await expect(page.getByText(/\d+ counts set from the forecast/)).toBeVisible();
    await expect(lunch).not.toHaveValue(usual);
    await expect(friday).toHaveValue('180');
    await page.getByRole('heading', { level: 1 }).click();
    await page.keyboard.press('Control+z');
    await expect(lunch).toHaveValue(usual);
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

  await page.getByRole('link', { name: 'Stock is kept in the Pantry.' }).click();
  const store = page.getByRole('textbox', { name: 'strong white, In store (kg)' });
  await store.fill('900');
  await store.press('Enter');
  const item = page.getByRole('listitem').filter({ has: store });
  await typeDate(item, 'Good until', '2026-12-01');
  await expect(dateField(item, 'Good until')).toContainText('01/12/2026');
  await page.goto(at('demand/shopping?days=next'));
  await expect(flour).toContainText(/900\.0\skg/);
  await expect(flour).toContainText(/\d+ bags/);

  await page.goto(at('formulas/pantry'));
  await typeDate(item, 'Good until', '2027-01-31');
  await expect(dateField(item, 'Good until')).toContainText('31/01/2027');
  await page.goto(at('demand/shopping?days=next'));
  await expect(flour).toContainText('enough');
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export CSV' }).click();
  const text = readFileSync(await (await coming).path(), 'utf8');
  expect(text).toContain('ingredient,takes (g),in store (g),out of date (g),buy (g),bags');
  expect(text).toMatch(/strong white,\d+,900000,0,0,0/);
});

test('a party, a closed day, other hours: the numbers follow, and all of it goes back', async ({
  page,
  at,
}) => {
  const friday = countField(page, 'Yard Round', 'Dinner', 'Fri 4 Dec');
  const panel = page.getByRole('complementary', facts);
  await page.goto(at('demand?days=next'));
  await friday.focus();
  const expected = async () => {
    await friday.focus();
    const text = await panel.getByText(/expected; 8 times in 10/).innerText();
    return Number.parseInt(text, 10);
  };
  const before = await expected();

  await test.step('a party comes on top', async () => {
    await page.getByRole('button', { name: 'Add a party on Fri 4 Dec' }).click();
    await page.keyboard.type('Harbour choir');
    await page.getByRole('textbox', { name: 'Guests' }).fill('40');
    await page.getByRole('textbox', { name: 'Yard Round for the party' }).fill('30');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Harbour choir, 40 guests' })).toBeVisible();
    await expect.poll(expected).toBe(before + 30);
    await panel.getByRole('button', { name: /^Why this/ }).click();
    await expect(panel.getByText('30 for parties that are booked, on top.')).toBeVisible();
  });

  await test.step('the day is closed, and open again', async () => {
    await page.getByRole('button', { name: 'Other hours on Thu 3 Dec' }).click();
    await page.getByRole('textbox', { name: 'Note' }).fill('Stock-taking');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    const closed = page.getByRole('button', { name: 'The whole day closed: Stock-taking' });
    await expect(closed).toBeVisible();
    await expect(countField(page, 'Yard Round', 'Dinner', 'Thu 3 Dec')).toHaveCount(0);
    await page.getByRole('link', { name: 'Services' }).click();
    await expect(
      page.getByRole('button', { name: /Thu 3 Dec The whole day: closed/ }),
    ).toBeVisible();
    await expectAccessible(page);
    await page.goBack();
    await closed.click();
    await page.getByRole('button', { name: 'Delete' }).click();
    await expect(countField(page, 'Yard Round', 'Dinner', 'Thu 3 Dec')).toBeVisible();
  });

  await test.step('two services are one for a day, and a summer is closed every year', async () => {
    await page.getByRole('button', { name: 'Other hours on Thu 3 Dec' }).click();
    await page.getByRole('combobox', { name: 'When' }).click();
    await page.getByRole('option', { name: 'Lunch' }).click();
    await page.getByRole('combobox', { name: 'On that day the service is' }).click();
    await page.getByRole('option', { name: 'one with Dinner' }).click();
    await expect(page.getByText('Dinner is open for both')).toBeVisible();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    const asOne = page.getByRole('button', { name: 'Lunch is one with Dinner' });
    await expect(asOne).toBeVisible();
    await expect(countField(page, 'Yard Round', 'Lunch', 'Thu 3 Dec')).toHaveCount(0);
    await expect(countField(page, 'Yard Round', 'Dinner', 'Thu 3 Dec')).toBeVisible();
    await asOne.click();
    await page.getByRole('button', { name: 'Delete' }).click();
    await expect(countField(page, 'Yard Round', 'Lunch', 'Thu 3 Dec')).toBeVisible();

    await page.getByRole('link', { name: 'Services' }).click();
    await page.getByRole('button', { name: 'Add days' }).click();
    await typeDate(page, 'First day', '2027-08-10');
    await typeDate(page, 'Last day', '2027-08-24');
    await page.getByRole('checkbox', { name: 'Every year' }).check();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(
      page.getByRole('button', {
        name: /Tue 10 Aug–Tue 24 Aug The whole day: closed \(every year\)/,
      }),
    ).toBeVisible();
  });

  await test.step('holidays of a country or of a file are closed on, and opened again at once', async () => {
    await page.getByRole('button', { name: 'Holidays' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('combobox', { name: 'Country' }).click();
    await page.getByRole('option', { name: 'Austria' }).click();
    await dialog.getByRole('checkbox', { name: /^Fri 25 Dec / }).check();
    await dialog.getByRole('checkbox', { name: /^Fri 1 Jan / }).check();
    await expectAccessible(page);
    await dialog.getByRole('button', { name: 'Save' }).click();
    const christmas = page.getByRole('button', { name: /Fri 25 Dec The whole day: closed/ });
    await expect(christmas).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect(christmas).toHaveCount(0);

    await page.getByRole('button', { name: 'Holidays' }).click();
    const file = (name: string, text: string) =>
      dialog
        .locator('input[type=file]')
        .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
    await file('days.csv', 'a,b');
    await expect(dialog.getByRole('alert')).toContainText('No days were found');
    await file('days.csv', '2026-12-31,Lantern walk\n');
    await dialog.getByRole('checkbox', { name: 'Thu 31 Dec Lantern walk' }).check();
    await dialog.getByRole('combobox', { name: 'On these days' }).click();
    await page.getByRole('option', { name: 'another demand is expected' }).click();
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Days saved: 1.')).toBeVisible();
    await page.goto(at('demand?days=next'));
  });

  await test.step('an order that no service sells is dough of its own day, changed and taken back', async () => {
    await page.getByRole('button', { name: 'Order or stock' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('textbox', { name: 'What it is for' }).fill('Regatta');
    await typeDate(page, 'Day', '2026-12-03');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(dialog.getByRole('alert')).toContainText('at least one product');
    const balls = dialog.getByRole('textbox', { name: 'Yard Round for the party' });
    await balls.fill('60');
    await balls.press('Tab');
    await expectAccessible(page);
    await dialog.getByRole('button', { name: 'Save' }).click();
    const order = page.getByRole('button', { name: 'Order: Regatta' });
    await expect(order).toBeVisible();
    const count = countField(page, 'Yard Round', 'Regatta', 'Thu 3 Dec');
    await expect(count).toHaveValue('60');
    await order.click();
    await expect(balls).toHaveValue('60');
    await balls.fill('80');
    await balls.press('Tab');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(count).toHaveCount(1);
    await expect(count).toHaveValue('80');
    await count.click();
    await page.getByRole('button', { name: /^Why this/ }).click();
    await expect(page.getByText('80 for parties that are booked, on top.')).toBeVisible();
    await order.click();
    await dialog.getByRole('button', { name: 'Delete' }).click();
    await expect(order).toHaveCount(0);
    await expect(count).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect(count).toHaveValue('80');
  });

  await test.step('a late service that ends the next morning is added to the week', async () => {
    await page.getByRole('link', { name: 'Services' }).click();
    await page.getByRole('button', { name: 'Add a service' }).click();
    await page.keyboard.type('Late');
    await page.getByRole('button', { name: 'Fri', exact: true }).click();
    await page.getByLabel(/^From/).fill('22:30');
    await page.getByLabel(/^To(?!\w)/).fill('02:00');
    await expect(page.getByText('Ends the next morning')).toBeVisible();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('button', { name: /Late 22:30–02:00/ })).toBeVisible();
    await page.goto(at('demand?days=next'));
    const late = countField(page, 'Slab', 'Late', 'Fri 4 Dec');
    await late.fill('12');
    await late.press('Enter');
    await expect(page.getByText('Slab at Late: 12.')).toBeVisible();
  });

  await test.step('a service that has sold something is ended, not removed', async () => {
    await page.getByRole('link', { name: 'Services' }).click();
    await page
      .getByRole('button', { name: /Dinner 17:30–22:30/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Delete' }).click();
    await expect(page.getByRole('alert')).toContainText('it was not deleted');
    await typeDate(page, 'Last day', '2026-12-31');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('button', { name: /until Thu 31 Dec/ })).toBeVisible();
  });
});

test('what was left last night is counted, carried to tonight and taken off what is to be made', async ({
  page,
  at,
}) => {
  const said = watchConsole(page);
  await page.goto(at('demand?days=7'));
  const totals = page.getByText(/^Yard dough [\d.]+\skg/);
  const saturday = page.getByRole('textbox', { name: 'Yard Round, Lunch Sat 28 Nov' });
  await expect(saturday).toBeVisible();
  const tonight = page.getByRole('cell').filter({
    has: countField(page, 'Yard Round', 'Dinner', 'Wed 25 Nov'),
  });

  await page.getByRole('button', { name: 'Last 7 days' }).click();
  const sold = page.getByRole('textbox', { name: 'Yard Round sold, Dinner Tue 24 Nov' });
  await sold.focus();
  const panel = page.getByRole('complementary', facts);
  await expect(panel.getByRole('heading', { level: 2 })).toHaveText(
    'Yard Round, Dinner Tue 24 Nov',
  );
  const left = panel.getByRole('textbox', { name: 'Left and kept' });
  await left.fill('0');
  await left.press('Enter');
  await expect(page.getByText(/Yard Round at Dinner: \d+ sold\./)).toBeVisible();
  await page.getByRole('button', { name: 'This week' }).click();
  await expect(tonight).not.toContainText('carried');
  const without = await totals.allInnerTexts();

  await page.getByRole('button', { name: 'Last 7 days' }).click();
  await sold.focus();
  await left.fill('24');
  await left.press('Enter');
  await expect(page.getByRole('cell').filter({ has: sold })).toContainText('24 left');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'This week' }).click();
  await expect(tonight).toContainText('24 carried');
  await countField(page, 'Yard Round', 'Dinner', 'Wed 25 Nov').focus();
  await expect(panel.getByText(/24 of YR-1122-A/)).toBeVisible();
  // The first dough that is not under way yet is made smaller by what tonight does not need.
  await expect.poll(() => totals.allInnerTexts()).not.toEqual(without);

  await page.keyboard.press('Escape');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Control+z');
  await expect(tonight).not.toContainText('carried');
  expect(said).toEqual([]);
});

test('what running out weighs is said in money, and every number follows', async ({ page, at }) => {
  await page.goto(at('demand?days=next'));
  const friday = countField(page, 'Yard Round', 'Dinner', 'Fri 4 Dec');
  const panel = page.getByRole('complementary', facts);
  await friday.focus();
  await expect(panel.getByRole('button', { name: /^Set to \d+ \(covers 80\s%/ })).toBeVisible();
  await panel.getByRole('button', { name: /^Target: enough/ }).click();
  await page.getByRole('radio', { name: 'Set by cost' }).check();
  await page.getByRole('textbox', { name: 'A missing ball costs' }).fill('9');
  await page.getByRole('textbox', { name: 'A missing ball costs' }).press('Enter');
  await page.getByRole('textbox', { name: 'A left ball costs' }).fill('1');
  await page.getByRole('textbox', { name: 'A left ball costs' }).press('Enter');
  await expect(page.getByText(/is then enough 90\s% of the time/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(panel.getByRole('button', { name: /^Set to \d+ \(covers 90\s%/ })).toBeVisible();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Control+z');
  await friday.focus();
  await expect(panel.getByRole('button', { name: /^Set to \d+ \(covers 80\s%/ })).toBeVisible();
});
