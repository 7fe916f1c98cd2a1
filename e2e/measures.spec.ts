import { arrived, expect, expectAccessible, test, twoPeople } from './house';

/** A picture of one dot: what is tapped is where, not what is seen. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
  'base64',
);

test('a mark on a photo narrows a lot’s window, at once on another device too', async ({
  browser,
  session,
  at,
}) => {
  const [mara, ben] = await twoPeople(browser, session);
  const seen = (page: typeof mara) =>
    page.getByText(/^By what was seen of it: from .*, eight times in ten between /);
  await mara.goto(at('log/YR-1123-A'));
  await ben.goto(at('mix/2026-11-25/yard-round'));
  await arrived(ben);
  // Somebody may have looked at it before: then it says something else.
  const before = await seen(ben).allTextContents();

  await test.step('three taps, and it says how much that is', async () => {
    await mara.getByRole('button', { name: 'Rise', exact: true }).click();
    const dialog = mara.getByRole('dialog', { name: 'Rise' });
    await dialog
      .locator('input[type=file]')
      .setInputFiles({ name: 'tub.png', mimeType: 'image/png', buffer: DOT });
    const photo = dialog.getByRole('button', { name: 'Photo of the dough' });
    await expect(dialog.getByText('Tap the floor of the tub.')).toBeVisible();
    await photo.getByRole('img').evaluate((img: HTMLImageElement) => img.decode());
    const box = await photo.boundingBox();
    const tap = (share: number) =>
      photo.click({ position: { x: 40, y: share * (box?.height ?? 0) } });
    for (const share of [0.45, 0.2, 0.15]) await tap(share);
    await expect(dialog.getByText('Now 1.20× what it was.')).toBeVisible();
    await expectAccessible(mara);
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(mara.getByText('YR-1123-A: Risen 1.20× in the tub.').first()).toBeVisible();
  });

  await test.step('both devices say what it makes of the window, and why', async () => {
    await expect(seen(mara)).toBeVisible();
    await expect(seen(ben)).toBeVisible();
    await expect.poll(() => seen(ben).allTextContents()).not.toEqual(before);
    await ben.getByText('What narrowed it').click();
    await expect(ben.getByText(/^Before that: from /)).toBeVisible();
    await expectAccessible(ben);
  });

  await test.step('fingers, thermometers and a slip that is taken back', async () => {
    await mara.getByRole('button', { name: 'Poke' }).click();
    await mara.getByRole('button', { name: 'comes back slowly' }).click();
    await expect(
      mara.getByRole('listitem').filter({ hasText: 'Poke: comes back slowly.' }).first(),
    ).toBeVisible();
    // What the page shows at once the house has taken, too.
    await expect(mara.getByText(/^Not accepted/)).toHaveCount(0);
    await mara.getByRole('button', { name: 'Core temperature' }).click();
    await mara.getByRole('textbox', { name: 'Core temperature' }).fill('80');
    await mara.getByRole('button', { name: 'Save' }).click();
    await expect(mara.getByRole('dialog')).toBeVisible();
    await mara.getByRole('textbox', { name: 'Core temperature' }).fill('5.5');
    await mara.getByRole('button', { name: 'Save' }).click();
    await expect(mara.getByRole('listitem').filter({ hasText: 'Core 5.5' }).first()).toBeVisible();
  });
});

test('a step that is not as it should be gets what it needs, and one that is, is done', async ({
  page,
  at,
}) => {
  await page.goto(at('mix/2026-11-27/slab'));
  await page.getByRole('button', { name: 'Start this lot' }).click();
  const steps = page
    .getByRole('list')
    .filter({ has: page.getByRole('button', { name: /: not yet$/ }) });
  const notYet = steps.getByRole('button', { name: /: not yet$/ }).first();
  const title = ((await notYet.getAttribute('aria-label')) ?? '').replace(': not yet', '');
  await notYet.click();
  await page.getByRole('menuitem', { name: 'Look again later' }).click();
  await page.getByRole('button', { name: `${title}: as it should be` }).click();
  await expect(page.getByRole('checkbox', { name: title })).toBeChecked();
});
