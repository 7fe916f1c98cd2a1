import { paths, type Lot } from '@calm/contract';
import { arrived, expect, expectAccessible, signedInPage, test } from './house';

test('a method written by hand is planned, and weighed step by step on a tablet without a network', async ({
  browser,
  page,
  session,
  house,
  at,
  request,
}) => {
  await test.step('a twentieth of the water is held back, in a step of its own', async () => {
    await page.goto(at('formulas/crackle-dough'));
    await arrived(page);
    await page.getByRole('link', { name: 'Method', exact: true }).click();
    const method = page.getByRole('main');
    const water = method.getByRole('textbox', { name: /^Water and oil, Water/ });
    await water.fill('95');
    await water.press('Enter');
    await expect(method.getByText('Water: the steps add 95 % of it.')).toBeVisible();
    await method.getByRole('button', { name: 'Add a step' }).click();
    const title = method.getByRole('textbox', { name: /^Step \d+$/ }).last();
    await title.fill('Held-back water');
    await title.press('Enter');
    const held = method.getByRole('textbox', { name: /^Held-back water, Water/ });
    await held.fill('5');
    await held.press('Enter');
    await expect(method.getByText(/^Water: the steps add/)).toHaveCount(0);
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Save as version 2' }).click();
    await expect(page.getByText('Saved: Crackle dough, version 2.')).toBeVisible();
  });

  await test.step('it is planned', async () => {
    await page.goto(at('plan'));
    await page.getByRole('button', { name: 'Make the schedule', exact: true }).first().click();
    await expect(page.getByText(/of the best\.|This is the best plan/)).toBeVisible({
      timeout: 30_000,
    });
  });

  const tablet = await signedInPage(browser, session);
  await tablet.setViewportSize({ width: 820, height: 1180 });
  const turns = tablet.getByRole('list').filter({ hasText: 'Held-back water' });
  await test.step('on the tablet: its lot is started, and weighed step by step', async () => {
    await tablet.goto(at('mix/2026-11-28/crackle'));
    await tablet.getByRole('button', { name: 'Start this lot' }).click();
    await tablet.getByRole('link', { name: 'Weigh step by step' }).click();
    await expect(tablet.getByRole('button', { name: 'Step by step' })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await expectAccessible(tablet);
  });

  const count = await turns.getByRole('button').count();
  await test.step('without a network every turn is typed; the water held back is not used', async () => {
    await tablet.context().setOffline(true);
    for (let i = 0; i < count - 1; i += 1) {
      const wanted = (await tablet.locator('[class*=wanted]').textContent()) ?? '';
      const typed = tablet.getByRole('textbox', { name: /Or type what another scale shows/ });
      await typed.fill(wanted.replace(/[^\d.]/g, ''));
      await typed.press('Enter');
      await expect(turns.locator('[data-done=true]')).toHaveCount(i + 1);
    }
    await tablet.getByRole('button', { name: 'Not used' }).click();
    await expect(turns.locator('[data-done=true]')).toHaveCount(count);
    await expect(tablet.getByText(/changes are saved on this device/)).toBeVisible();
    await expect(tablet.getByRole('button', { name: 'By ingredient' })).toBeDisabled();
  });

  await test.step('back in the network the house has them, and the dough is drier by what stayed over', async () => {
    await tablet.context().setOffline(false);
    await expect(tablet.getByText(/saved on this device/)).toHaveCount(0, { timeout: 30_000 });
    const lotOf = async () => {
      const all = await request.get(
        `${process.env['E2E_URL']}${paths.lots(house, { from: '2026-11-28', days: 1 })}`,
      );
      return ((await all.json()) as Lot[]).find(({ code }) => code.startsWith('CR-'));
    };
    await expect.poll(async () => (await lotOf())?.weighed.length).toBe(count);
    const weighed = (await lotOf())?.weighed ?? [];
    const held = weighed.filter(({ content }) => content.key === 'water' && content.grams === 0);
    expect(held).toHaveLength(1);
    expect(held[0]?.content.wantedG).toBeGreaterThan(0);
    expect(weighed.every(({ content }) => content.step !== undefined)).toBe(true);
  });
});
