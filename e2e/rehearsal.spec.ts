import { arrived, expect, expectAccessible, test } from './house';

test('a plan is not rehearsed before it is known who comes', async ({ page, at }) => {
  let come = () => {};
  const hasCome = new Promise<void>((resolve) => {
    come = resolve;
  });
  await page.route(/\/forecast\?/, async (route) => {
    await hasCome;
    await route.continue();
  });
  await page.goto(at('plan/rehearsal'));
  await page.waitForRequest(/\/services\?/);
  const begin = page.getByRole('button', { name: 'Rehearse', exact: true });
  await expect(page.locator('[aria-busy=true]').first()).toBeVisible();
  await page.waitForTimeout(2000);
  await expect(begin).toBeHidden();
  come();
  await expect(begin).toBeVisible();
});

test('the plan is rehearsed, stopped and begun again; what strengthens it goes into the draft', async ({
  page,
  at,
}) => {
  test.setTimeout(180_000);
  await page.goto(at('plan'));
  await arrived(page);
  const schedule = page.getByRole('button', { name: /^(Make the schedule|Schedule the rest)$/ });
  await schedule.first().click();
  await expect(page.getByText(/of the best\.|This is the best plan/)).toBeVisible({
    timeout: 20_000,
  });
  await page
    .getByRole('button', { name: 'Use this one' })
    .click({ timeout: 3000 })
    .catch(() => null);
  await page.getByRole('link', { name: 'Rehearse' }).click();
  await expect(page.getByRole('heading', { name: 'Rehearse the plan' })).toBeVisible();
  await expectAccessible(page);

  await test.step('it says how far it is, and can be stopped', async () => {
    await page.getByRole('button', { name: 'Rehearse', exact: true }).click();
    await expect(page.getByRole('progressbar', { name: 'Rehearsing' })).toBeVisible();
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByRole('button', { name: 'Rehearse', exact: true })).toBeVisible({
      timeout: 15_000,
    });
  });

  const services = page.getByRole('region', { name: 'That hardly any guest is sent away' });
  await test.step('every service has its odds, the weakest why they are weak', async () => {
    await page.getByRole('button', { name: 'Rehearse', exact: true }).click();
    await expect(services).toBeVisible({ timeout: 90_000 });
    expect(await services.getByRole('meter').count()).toBeGreaterThanOrEqual(2);
    const weakest = page.getByRole('region', { name: 'The weakest that can still be changed' });
    const points = await weakest.getByRole('listitem').count();
    expect(points).toBeGreaterThan(0);
    expect(points).toBeLessThanOrEqual(3);
    await expect(weakest).toContainText('Most of them because');
    await expectAccessible(page);
  });

  await test.step('one press changes the draft, and another rehearsal is of the draft', async () => {
    const before = await services.innerText();
    const put = page.getByRole('button', { name: /^Put it into the draft/ }).first();
    await put.click();
    await expect(page.getByText('It is in the draft')).toBeVisible();
    await expect(page.getByText(/^The plan has changed since/)).toBeVisible();
    await expect(put).toBeDisabled();
    await page.getByRole('button', { name: 'Rehearse again' }).click();
    await expect(page.getByRole('progressbar', { name: 'Rehearsing' })).toBeVisible();
    await expect(services).toBeVisible({ timeout: 90_000 });
    expect(await services.innerText()).not.toBe(before);
    await page.getByRole('link', { name: 'To the plan' }).click();
    await arrived(page);
    await expect(page.getByRole('button', { name: /^Publish/ })).toBeEnabled();
    await expect(page.getByRole('button', { name: 'Undo', exact: true }).first()).toBeEnabled();
  });
});
