import { runOut } from './eveningRun';
import { arrived, expect, expectAccessible, test } from './house';

test('several evenings in a row: what stays cold is there the next evening, and what is made is chosen', async ({
  page,
  at,
}) => {
  await page.goto(at('crew/practice/evenings'));
  await arrived(page);
  await page.getByRole('link', { name: 'Begin: A new delivery' }).click();
  const round = page.getByRole('region', { name: 'Yard Round' });
  const crackle = page.getByRole('region', { name: 'Crackle' });
  await expect(page.getByRole('heading', { name: 'A new delivery: evening 1 of 3' })).toBeVisible();
  await expect(round).toContainText('5 trays in the cold');
  await expect(round).not.toContainText('left over');
  await crackle.getByRole('button', { name: 'Pull' }).click();
  await runOut(page);

  await test.step('after it stands what is left, and how much is made is said and kept', async () => {
    await expect(page.getByText('Yard Round: 5 trays · balls: 60')).toBeVisible();
    const made = page.getByRole('status', { name: 'Crackle, How many trays' });
    await expect(made).toHaveText('2');
    await page.getByRole('button', { name: 'Crackle, One tray more' }).click();
    await expect(made).toHaveText('3');
    await expectAccessible(page);
    await page.reload();
    await expect(made).toHaveText('3', { timeout: 90_000 });
    await page.getByRole('button', { name: 'The next evening' }).click();
  });

  await test.step('the next evening has both: what was made, and what was left', async () => {
    await expect(
      page.getByRole('heading', { name: 'A new delivery: evening 2 of 3' }),
    ).toBeVisible();
    await expect(round).toContainText('5 trays in the cold · balls: 60, left over for 1 night');
    await expect(crackle).toContainText('3 trays in the cold');
    await expect(crackle).toContainText('1 tray in the cold · balls: 15, left over for 1 night');
    await runOut(page);
    await page.getByRole('button', { name: 'The next evening' }).click();
    await expect(
      page.getByRole('heading', { name: 'A new delivery: evening 3 of 3' }),
    ).toBeVisible();
    await runOut(page);
    await expect(page.getByRole('heading', { name: 'What is made now' })).toBeHidden();
    await page.getByRole('button', { name: 'How it all went' }).click();
  });

  await test.step('at the end each evening stands beside its best, and all together', async () => {
    const rows = page.getByRole('row');
    await expect(rows).toHaveCount(5);
    const last = async (name: string) =>
      (await page.getByRole('row', { name }).getByRole('cell').allInnerTexts()).map(Number);
    const evenings = await Promise.all([1, 2, 3].map((i) => last(`Evening ${i} of 3`)));
    const all = await last('All together');
    const [you, best] = [3, 4];
    for (const each of evenings) expect(each[best]).toBeLessThanOrEqual(each[you] ?? 0);
    const sum = evenings.reduce((total, each) => total + (each[you] ?? 0), 0);
    expect(Math.abs(sum - (all[you] ?? 0))).toBeLessThan(0.2);
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Run it again' }).click();
    await expect(
      page.getByRole('heading', { name: 'A new delivery: evening 1 of 3' }),
    ).toBeVisible();
  });
});

test('evenings of one’s own in a row are added with one press, as they went', async ({
  page,
  at,
}) => {
  await page.goto(at('crew/practice/evenings'));
  await arrived(page);
  await page.getByRole('button', { name: 'Add one of your evenings' }).click();
  const offered = page.getByRole('dialog').getByRole('button', { name: /^Dinner from/ });
  await expect(offered).toContainText('Evenings in a row: 6');
  await offered.click();
  await page.getByRole('link', { name: /^Begin: Dinner from/ }).click();
  await expect(page.getByText('Evenings of this house, as they went.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Yard Round' })).toContainText('in the cold');
});
