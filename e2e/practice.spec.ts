import { arrived, expect, expectAccessible, test } from './house';

/** What a dent says, and what it says the least. */
const BY_DENT = {
  'springs back at once': { right: 'Too early', wrong: 'Too late' },
  'comes back slowly': { right: 'Right', wrong: 'Too late' },
  stays: { right: 'Too late', wrong: 'Too early' },
} as const;

test('dough is read: three wrong, then right; cut off, it is kept and sent later', async ({
  page,
  at,
  context,
}) => {
  // The same doughs each time.
  await page.addInitScript(() => {
    Math.random = () => 0.31;
  });
  await page.goto(at('crew/shift'));
  await page.getByRole('link', { name: 'Practice' }).first().click();
  await expect(page.getByRole('heading', { name: 'Practice', exact: true })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Begin' }).click();
  await arrived(page);

  const forms = new Set<string>();
  const read = async (how: 'right' | 'wrong') => {
    const seen = page.locator('dl');
    await expect(seen).toBeVisible({ timeout: 15_000 });
    forms.add((await page.getByText(/ in its tub: | a ball: /).innerText()).replace(/:.*/, ''));
    const words = (await seen.innerText()).split('\n').find((line) => line in BY_DENT);
    expect(words).toBeTruthy();
    const { [how]: answer } = BY_DENT[words as keyof typeof BY_DENT];
    await page.getByRole('button', { name: answer, exact: true }).click();
    const left = page.getByRole('button', { name: /^2\sh$/ });
    if (answer !== 'Too late') await left.click();
    await page.getByRole('button', { name: 'Say so' }).click();
    const told = page.getByRole('status').filter({ hasText: 'Your answer: ' });
    await expect(told).toBeVisible();
    return Number(/Your answer: (\d+)/.exec(await told.innerText())?.[1]);
  };
  const next = () => page.getByRole('button', { name: 'Next dough' }).click();

  const wrong: number[] = [];
  const right: number[] = [];
  await test.step('three wrong: the coach says what it was, and why', async () => {
    for (let i = 0; i < 3; i += 1) {
      wrong.push(await read('wrong'));
      if (i === 0) await expectAccessible(page);
      await next();
    }
  });

  await test.step('a reload loses nothing', async () => {
    await page.reload();
    await expect(page.getByText(/dough 4 of 6$/)).toBeVisible({ timeout: 15_000 });
  });

  await test.step('then right, with no line to the house', async () => {
    await context.setOffline(true);
    for (let i = 0; i < 3; i += 1) {
      right.push(await read('right'));
      if (i < 2) await next();
    }
    expect([...forms].join()).toMatch(/in its tub/);
    expect([...forms].join()).toMatch(/a ball/);
    const mean = (some: readonly number[]) => some.reduce((a, b) => a + b, 0) / some.length;
    expect(mean(right)).toBeGreaterThan(mean(wrong) + 30);
    await expect(page.getByText(/^That was the round: \d+ of a hundred/)).toBeVisible();
    await page.getByRole('link', { name: 'Stop here' }).click();
    await expect(page.getByRole('heading', { name: 'Practice', exact: true })).toBeVisible();
  });

  await test.step('it is kept with who practised, once the line is back', async () => {
    await context.setOffline(false);
    const row = page.getByRole('row').filter({ hasText: 'Maro' });
    await expect(row.getByRole('cell', { name: '6', exact: true })).toBeVisible({
      timeout: 30_000,
    });
    await expectAccessible(page);
  });
});
