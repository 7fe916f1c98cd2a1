import { countField, expect, expectAccessible, test, watchConsole, signedInPage } from './house';

test('from tonight’s counts to a batch sheet at the mixer, and back tomorrow', async ({
  page,
  house,
  at,
  browser,
  session,
  tomorrow,
}) => {
  const said = watchConsole(page);

  await test.step('Demand shows tonight and tomorrow; a count is changed', async () => {
    await page.goto(at('demand'));
    await expect(page.getByRole('heading', { name: 'Demand' })).toBeVisible();
    await expect(countField(page, 'Yard Round', 'Dinner', 'Wed 25 Nov')).toHaveValue('108');
    await expect(countField(page, 'Slab', 'Lunch', 'Thu 26 Nov')).toHaveValue('6');
    const crackle = countField(page, 'Crackle', 'Dinner', 'Thu 26 Nov');
    await crackle.fill('44');
    await crackle.press('Enter');
    await expect(page.getByText('Crackle at Dinner: 44.')).toBeVisible();
    await expectAccessible(page);
    await page.reload();
    await expect(crackle).toHaveValue('44');
  });

  await test.step('Mix opens the batch sheet of a product and date', async () => {
    await page.goto(at('mix'));
    await expectAccessible(page);
    await page.getByRole('link', { name: /Slab dough.*for Fri 27 Nov/ }).click();
    await expect(page.getByRole('heading', { name: 'Slab dough for Fri 27 Nov' })).toBeVisible();
  });

  await test.step('the sheet goes from balls to grams, with the working shown', async () => {
    // 22 × 820 g = 18.04 kg of balls
    await expect(page.getByText('18.04 kg').first()).toBeVisible();
    await page.getByRole('button', { name: 'Why this? = dough' }).click();
    await expect(page.getByText(/The formula adds up to 175\.01\s% of its flour/)).toBeVisible();
    await expect(
      page.getByText('Poolish-type pre-ferment', { exact: false }).first(),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Why this? Water' }).click();
    await expect(page.getByText(/It is the base sum’s line|base sum's line/)).toBeVisible();
    await expect(page.getByText(/learned from \d+ logged loads/)).toBeVisible();
  });

  await test.step('warmer flour asks for colder water at once', async () => {
    const water = page.getByTestId('water-temp');
    const before = Number.parseFloat(await water.innerText());
    const flour = page.getByRole('textbox', { name: 'Flour (°C)' });
    await flour.fill('36');
    // By what heat it holds: less than degree for degree.
    await expect(async () => {
      const colder = before - Number.parseFloat(await water.innerText());
      expect(colder).toBeGreaterThan(5);
      expect(colder).toBeLessThan(15);
    }).toPass();
    await flour.press('Enter');
    await page.reload();
    await expect(flour).toHaveValue('36');
    await expect(page.getByText(/ice \+ .* tap water/).first()).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('the lot is started, steps ticked, dough temperature written', async () => {
    await page.getByRole('button', { name: 'Start this lot' }).click();
    await expect(page.getByText('Started: SL-1125-A.')).toBeVisible();
    const step = page.getByRole('checkbox', { name: 'Pre-ferment and water' });
    await step.click();
    await expect(step).toBeChecked();
    await expect(page.getByText(/15:40/).first()).toBeVisible();
    const out = page.getByRole('textbox', { name: 'Dough temperature (°C)' });
    await out.fill('26,4');
    await out.press('Enter');
    await expect(page.getByText(/\+1\.4\s°C against 25\.0\s°C: it will run ahead/)).toBeVisible();
    await page.getByRole('checkbox', { name: 'Mix pre-ferment' }).click();
    await expect(page.getByText('Done: Mix pre-ferment.')).toBeVisible();
    const note = page.getByRole('textbox', { name: 'Note for the next shift' });
    await note.fill('Flour stood by the oven 🌡️');
    await note.blur();
    await expect(page.getByText('Note saved.')).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('Plan shows what is under way, by whom, and what has no plan yet', async () => {
    await page.goto(at('plan?hours=96'));
    const list = page.getByRole('region', { name: 'Thu 26 Nov' });
    await expect(list.getByText('Pull for Lunch').first()).toBeVisible();
    await expect(list.getByText('Bashir').first()).toBeVisible();
    await expect(page.getByText(/doughs of services have no plan yet/)).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('Tonight shows lots, where they are and what is next', async () => {
    await page.goto(at('tonight'));
    await expect(page.getByRole('heading', { name: 'Dinner, Wed 25 Nov' })).toBeVisible();
    await expect(page.getByText('Opens at 17:30, in')).toBeVisible();
    await expect(page.getByText('YR-1123-A', { exact: true })).toBeVisible();
    const slab = page.getByRole('listitem').filter({ hasText: 'SL-1125-A' });
    await expect(slab.getByText('Pre-ferment is working')).toBeVisible();
    await expect(slab.getByText(/Weigh Thu/)).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('the next day it is all there', async () => {
    const other = await signedInPage(browser, session);
    await other.goto(`${tomorrow}/${house}/tonight`);
    await expect(other.getByRole('heading', { name: 'Dinner, Thu 26 Nov' })).toBeVisible();
    await other.goto(`${tomorrow}/${house}/mix/2026-11-27/slab`);
    await expect(other.getByText('SL-1125-A', { exact: true })).toBeVisible();
    await expect(other.getByRole('checkbox', { name: 'Pre-ferment and water' })).toBeChecked();
    await expect(other.getByRole('textbox', { name: 'Dough temperature (°C)' })).toHaveValue(
      '26.4',
    );
    await expect(other.getByRole('textbox', { name: 'Note for the next shift' })).toHaveValue(
      'Flour stood by the oven 🌡️',
    );
    await other.goto(`${tomorrow}/${house}/demand`);
    await expect(countField(other, 'Crackle', 'Dinner', 'Thu 26 Nov')).toHaveValue('44');
  });

  expect(said).toEqual([]);
});
