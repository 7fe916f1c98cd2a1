import { arrived, expect, expectAccessible, test, twoPeople } from './house';
import { roomOnlyLot } from './roomOnlyLot';

test('dough that waits: what can be done is shown side by side, chosen, and followed everywhere', async ({
  browser,
  session,
  at,
}) => {
  const [mara, ben] = await twoPeople(browser, session);
  await mara.goto(at('tonight'));
  await arrived(mara);
  await ben.goto(at('tonight/what-now/YR-1123-A'));
  await arrived(ben);

  await test.step('from Tonight to what can be done, the best first', async () => {
    await mara.getByRole('link', { name: 'What now?' }).first().click();
    await expect(mara.getByRole('heading', { name: 'A lot does not go as planned' })).toBeVisible();
    await expectAccessible(mara);
    await mara.getByRole('link', { name: 'YR-1123-A, Yard dough' }).click();
    await expect(mara.getByRole('heading', { name: 'What now? YR-1123-A' })).toBeVisible();
    await expect(mara.getByText(/balls open well/).first()).toBeVisible();
    await expect(mara.getByText('Leave it as it is')).toBeVisible();
    await expect(mara.getByText(/back into the cold until /i)).toBeVisible();
    await expectAccessible(mara);
  });

  await test.step('one is chosen: what is there then is what was told', async () => {
    const choice = mara.getByRole('listitem').filter({
      has: mara.getByRole('button', { name: /^Do this: Pull/ }),
    });
    const told = (await choice.getByText(/^\d+ of \d+ balls open well$/).textContent()) ?? '';
    const take = choice.getByRole('button', { name: /^Do this: Pull/ });
    const said = mara.getByRole('status').filter({ hasText: / decided: Pull/ });
    await take.click();
    await expect(said).toBeVisible();
    // Taken back, it is as it was.
    await mara.getByRole('button', { name: 'Undo' }).click();
    await expect(said).toBeHidden();
    await take.click();
    await expect(said).toBeVisible();
    const keep = mara.getByRole('listitem').filter({ hasText: 'Leave it as it is' });
    await expect(keep.getByText(told)).toBeVisible();
  });

  await test.step('what it does to the other balls of the lot is a press away', async () => {
    await mara.getByRole('button', { name: 'Sprout' }).click();
    await expect(mara).toHaveURL(/of=sprout/);
    await expect(mara.getByText(/^\d+ of \d+ balls open well$/).first()).toBeVisible();
    await expectAccessible(mara);
    await mara.getByRole('button', { name: 'Yard Round' }).click();
  });

  await test.step('whoever looks at the same lot is shown it', async () => {
    await expect(ben.getByRole('status').filter({ hasText: / decided: Pull/ })).toBeVisible();
  });

  await test.step('its chosen way is the plan: Tonight has the pull when it was decided', async () => {
    const told = /, at (\d\d:\d\d)\./.exec(
      (await ben.getByRole('status').filter({ hasText: ' decided: ' }).textContent()) ?? '',
    )?.[1];
    expect(told).toBeTruthy();
    await mara.goto(at('tonight'));
    const pull = new RegExp(`^(Planned for|Pull \\d+ trays? at) ${told}`);
    await expect(mara.getByText(pull).first()).toBeVisible({ timeout: 15_000 });
    await mara.goto(at('tonight/what-now/YR-1123-A'));
  });

  await test.step('it is in the log, with what it was meant to do', async () => {
    await mara.getByRole('link', { name: 'Its record' }).click();
    await expect(
      mara.getByText(/^Decided: Pull\. Meant: \d+ balls open well/).last(),
    ).toBeVisible();
    const asked = mara.getByRole('region', { name: 'How did it open?' });
    await asked.getByRole('button', { name: 'tears', exact: true }).click();
    await expect(mara.getByText(/did not do what it was meant to/)).toBeVisible();
    await expectAccessible(mara);
  });
});

test('a lot that is not there, or not mixed yet, gets a plain answer', async ({ page, at }) => {
  await page.goto(at('tonight/what-now/ZZ-0101-A'));
  await expect(page.getByText('There is no such lot among those of these days.')).toBeVisible();
  await expectAccessible(page);
});

test('an over-proofed lot is saved: balled again, and another lot is pulled before it', async ({
  page,
  house,
  tomorrow,
}) => {
  const code = await test.step('balls have stood at room temperature for a day', () =>
    roomOnlyLot(page.request, house));

  await test.step('balled again they open, as they are they do not; somebody has the minutes', async () => {
    await page.goto(`${tomorrow}/${house}/tonight/what-now/${code}`);
    const again = page.getByRole('listitem').filter({
      has: page.getByRole('button', { name: /^Do this: Ball again/ }),
    });
    const keep = page.getByRole('listitem').filter({ hasText: 'Leave it as it is' });
    await expect(again.getByText(/^Takes \d+\smin\./)).toBeVisible({ timeout: 15_000 });
    const ballsIn = async (row: typeof again) =>
      Number(/^\d+/.exec((await row.getByText(/balls open well$/).textContent()) ?? '')?.[0]);
    expect(await ballsIn(again)).toBeGreaterThan(await ballsIn(keep));
    await expectAccessible(page);
    await again.getByRole('button', { name: /^Do this: / }).click();
    await expect(page.getByText(/decided: Ball again/)).toBeVisible();
  });

  await test.step('meanwhile other balls are pulled for the first guests', async () => {
    await page.goto(`${tomorrow}/${house}/tonight/guests?more=12`);
    await page
      .getByRole('button', { name: /^Do this: Pull/ })
      .first()
      .click({ timeout: 15_000 });
    await expect(page.getByText(/: \d+ trays? of Yard Round pulled/)).toBeVisible();
  });
});
