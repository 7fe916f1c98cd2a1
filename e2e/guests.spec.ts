import { arrived, expect, expectAccessible, test, watchConsole } from './house';

test('forty more come at six: where the balls come from, what tomorrow lacks, pulled and taken back', async ({
  page,
  at,
}) => {
  const said = watchConsole(page);
  await test.step('from Tonight to the question', async () => {
    await page.goto(at('tonight'));
    await page.getByRole('link', { name: 'What now?' }).first().click();
    await page.getByRole('link', { name: 'More or fewer guests' }).click();
    await expect(page.getByRole('heading', { name: 'More or fewer guests' })).toBeVisible();
    const more = page.getByRole('textbox', { name: 'Balls more' });
    await more.fill('40');
    await more.press('Enter');
  });

  const way = page.locator('section', { hasText: 'YR-1124-A' }).first();
  await test.step('each lot tells how many would open well, and what it costs a later service', async () => {
    await expect(way.getByText(/\d+ of \d+ balls open well/)).toBeVisible({ timeout: 15_000 });
    await expect(way.getByText(/Dinner, Thu 26 Nov then lacks \d+ balls?\./)).toBeVisible();
    await expect(page.getByText(/balls of dough begun now, warm all the way/)).toBeVisible();
    await expect(page.getByText(/Yard Round is sold out at about/)).toBeVisible();
    await expect(page.getByText(/^Dough begun now by its own way opens at/)).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('the count is raised, and the balls are pulled', async () => {
    await page.getByRole('button', { name: 'Count 148 for Dinner' }).click();
    await expect(page.getByText('Yard Round: 148 counted for Dinner.')).toBeVisible();
    await way.getByRole('button', { name: /^Do this: Pull/ }).click();
    await expect(page.getByText(/^YR-1124-A: \d+ trays of Yard Round pulled/)).toBeVisible();
  });

  await test.step('Tonight counts on them', async () => {
    await page.goto(at('tonight'));
    await arrived(page);
    const round = page.getByRole('region', { name: /Yard Round/ }).first();
    await expect(round.getByText('148 needed')).toBeVisible();
  });

  await test.step('with five thousand more, or thirty fewer, the answer is plain', async () => {
    await page.goto(at('tonight/guests?more=5000'));
    await expect(page.getByText(/^[\d\s]+ balls that nobody has: sell fewer/)).toBeVisible({
      timeout: 15_000,
    });
    await page.goto(at('tonight/guests?more=-30'));
    await expect(
      page.getByText('30 balls that nobody comes for, kept for Lunch, Thu 26 Nov.'),
    ).toBeVisible({ timeout: 15_000 });
    await expect(page.getByText(/back into the cold until /i)).toBeVisible();
    await expectAccessible(page);
  });
  expect(said).toEqual([]);
});
