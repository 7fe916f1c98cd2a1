import { arrived, expect, expectAccessible, test } from './house';

test('a fault is explained by its lot’s record, noted for the next, and looked up without a lot', async ({
  page,
  at,
}) => {
  await page.goto(at('log/YR-1122-A'));
  const why = page.getByRole('region', { name: 'Why did it…?' });
  await why.getByRole('button', { name: 'springs back' }).click();
  await expect(why.getByRole('listitem').first()).toBeVisible();
  await expect(why.getByText(/^To be sure:/).first()).toBeVisible();
  await expectAccessible(page);
  await why
    .getByRole('button', { name: /^Note it for the next lot/ })
    .first()
    .click();
  await expect(page.getByRole('listitem').filter({ hasText: '“To try: ' }).first()).toBeVisible();

  await page.goto(at('log'));
  await page.getByRole('link', { name: 'Find a fault’s cause' }).click();
  await page.getByRole('button', { name: 'dry skin' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'it stood uncovered' })).toBeVisible();
  await expectAccessible(page);
});

test('eight weeks are charted with what stands out, and the last week is printed on a page', async ({
  page,
  at,
}) => {
  await page.goto(at('log/consistency'));
  await arrived(page);
  const week = page.getByRole('region', { name: /^The week Mon 16 Nov to Sun 22 Nov/ });
  await expect(week.getByText(/ lots, .* balls$/)).toBeVisible({ timeout: 30_000 });
  const heavy = page.getByRole('region', { name: 'Ball weight, Ossian, Yard Round' });
  await expect(heavy.getByText(/, above\./).first()).toBeVisible();
  await expect(heavy.getByText(/^Look at: the scale/)).toBeVisible();
  await expectAccessible(page);
  await heavy.getByText('The lots').first().click();
  await expect(heavy.getByRole('link', { name: /^YR-/ }).first()).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(week).toBeVisible();
  await expect(heavy).toBeHidden();
});
