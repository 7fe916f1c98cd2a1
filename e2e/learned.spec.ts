import { expect, expectAccessible, test } from './house';

test('what the lots say of the trays is accepted, moves the plan’s windows, and is taken back', async ({
  page,
  at,
}) => {
  test.slow();
  const windowOfRounds = async () => {
    await page.goto(at('plan'));
    await page
      .getByRole('button', { name: /^Yard dough for Sat 28 Nov: .*Divide and ball/ })
      .first()
      .click({ timeout: 60_000 });
    const facts = page.getByRole('complementary', { name: 'Selected step' });
    const line = facts.getByText(/opens well/).first();
    await expect(line).toBeVisible({ timeout: 60_000 });
    return /opens well [^(]*/.exec((await line.textContent()) ?? '')?.[0];
  };
  await page.goto(at('plan'));
  await page.getByRole('button', { name: 'Make the schedule' }).click();
  await expect(page.getByText(/of the best\.|This is the best plan/)).toBeVisible({
    timeout: 60_000,
  });
  await page
    .getByRole('button', { name: 'Use this one' })
    .click({ timeout: 3000 })
    .catch(() => null);
  const before = await windowOfRounds();
  const proposal = page.getByRole('listitem').filter({ hasText: /^Dough in lidded trays/ });
  const region = (name: string) => page.getByRole('region', { name });

  await test.step('it is proposed with the lots behind it', async () => {
    await page.goto(at('house/learned'));
    await expect(page.getByText(/^Nothing learned yet\./)).toBeVisible();
    await page.getByRole('button', { name: 'Learn now' }).click();
    await expect(proposal).toBeVisible({ timeout: 30_000 });
    await expect(proposal).toContainText(/Windows open .* later\./);
    await proposal.getByText(/lots behind it$/).click();
    await expect(proposal.getByRole('link', { name: /^YR-11/ }).first()).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('accepted, it is in use and the plan goes by it', async () => {
    await proposal.getByRole('button', { name: /^Accept/ }).click();
    await expect(
      region('In use')
        .getByText(/^Dough in lidded trays/)
        .first(),
    ).toBeVisible();
    await expectAccessible(page);
    expect(await windowOfRounds()).not.toBe(before);
  });

  await test.step('taken back, it is as it was', async () => {
    await page.goto(at('house/learned'));
    await page.getByRole('button', { name: /^Back to what it was/ }).click();
    await expect(region('In use').getByText('As assumed of any dough.')).toBeVisible();
    expect(await windowOfRounds()).toBe(before);
  });
});
