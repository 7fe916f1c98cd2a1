import { countField, expect, test, twoPeople } from './house';

test('a bad number is told at its field and never saved', async ({ page, at }) => {
  await page.goto(at('demand'));
  const field = countField(page, 'Yard Round', 'Dinner', 'Wed 25 Nov');
  for (const [typed, says] of [
    ['-4', 'At least 0.'],
    ['12o', 'Enter a number.'],
    ['🥖', 'Enter a number.'],
    ['3.5', 'Enter a whole number.'],
    ['99999', 'At most 20\u202f000.'],
    ['', 'Enter a number.'],
  ] as const) {
    await field.fill(typed);
    await expect(page.getByText(says)).toBeVisible();
    await field.press('Enter');
    await expect(field).toHaveValue(typed);
  }
  await field.press('Escape');
  await expect(field).toHaveValue('108');
  await page.reload();
  await expect(field).toHaveValue('108');
});

test('a load no mixer can take says what would fit', async ({ page, at }) => {
  await page.goto(at('demand?days=7'));
  for (const service of ['Lunch', 'Dinner']) {
    const slab = countField(page, 'Slab', service, 'Fri 27 Nov');
    await slab.fill('3');
    await slab.press('Enter');
    await expect(page.getByText(`Slab at ${service}: 3.`)).toBeVisible();
  }
  await page.goto(at('mix/2026-11-27/slab'));
  await expect(page.getByRole('alert')).toContainText('under this mixer');
  await expect(page.getByRole('alert')).toContainText(/What fits: 1 × 6\.0\skg/);
  await expect(page.getByRole('button', { name: 'Start this lot' })).toBeDisabled();
  await page.getByRole('combobox', { name: 'Mixer' }).click();
  await page.getByRole('option', { name: /12 kg planetary/ }).click();
  await expect(page.getByRole('button', { name: 'Start this lot' })).toBeEnabled();
});

test('a lot that is taken back elsewhere is missed, not crashed', async ({
  browser,
  session,
  at,
}) => {
  const [mara, ben] = await twoPeople(browser, session);
  // Ben's device does not hear of it: live, the lot would be gone before he touches it.
  await ben.route('**/live', (route) => route.abort());
  const sheet = at('mix/2026-11-27/yard-round');
  await mara.goto(sheet);
  await ben.goto(sheet);
  await expect(ben.getByText('YR-1125-A', { exact: true })).toBeVisible();
  await mara.getByRole('button', { name: 'Cancel this lot' }).click();
  await expect(mara.getByText('YR-1125-A is cancelled.')).toBeVisible();
  await ben.getByRole('checkbox', { name: 'Pull' }).click();
  const told = ben.getByRole('alert').filter({ hasText: 'Not accepted: YR-1125-A' });
  await expect(told).toBeVisible();
  await ben.getByRole('button', { name: 'Discard' }).click();
  await expect(told).toHaveCount(0);

  await mara.getByRole('button', { name: 'Undo' }).last().click();
  await expect(mara.getByText('YR-1125-A', { exact: true })).toBeVisible();
});

test('addresses that lead nowhere say so and lead back', async ({ page, at }) => {
  await page.goto(at('mix/2026-13-45/yard-round'));
  await expect(page.getByRole('heading', { name: 'Batch sheet not found' })).toBeVisible();
  await page.goto(at('mix/2026-11-30/yard-round'));
  await expect(page.getByRole('heading', { name: 'No service that day' })).toBeVisible();
  await page.goto(at('ovens'));
  await page.getByRole('link', { name: 'Tonight', exact: true }).last().click();
  await expect(page.getByRole('heading', { name: 'Dinner, Wed 25 Nov' })).toBeVisible();
  await page.goto(`${process.env['E2E_URL']}/no-such-house/tonight`);
  await expect(page.getByRole('heading', { name: 'Not found' })).toBeVisible();
});

test('without the server nothing typed is lost', async ({ page, at, context }) => {
  await page.goto(at('demand'));
  const field = countField(page, 'Sprout', 'Dinner', 'Wed 25 Nov');
  await expect(field).toHaveValue('6');
  await context.setOffline(true);
  await field.fill('9');
  await field.press('Enter');
  await expect(page.getByText(/Not saved yet: no connection/)).toBeVisible();
  await context.setOffline(false);
  await page.reload();
  await expect(field).toHaveValue('9');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('Sprout at Dinner: 9.')).toBeVisible();
});
