import { countField, expect, expectAccessible, test, twoPeople } from './house';

test('two people change one count: the second is told and chooses', async ({
  browser,
  session,
  at,
}) => {
  const [mara, ben] = await twoPeople(browser, session);
  const field = (page: typeof mara) => countField(page, 'Yard Round', 'Dinner', 'Thu 26 Nov');
  await ben.route('**/live', (route) => route.abort());
  await mara.goto(at('demand'));
  await ben.goto(at('demand'));
  await expect(field(ben)).toHaveValue('116');

  await field(mara).fill('130');
  await field(mara).press('Enter');
  await expect(mara.getByText('Yard Round at Dinner: 130.')).toBeVisible();

  await field(ben).fill('124');
  await field(ben).press('Enter');
  const told = ben.getByRole('alert');
  await expect(told).toContainText('now 130, you have 124');
  await expect(field(ben)).toHaveValue('124');
  await expectAccessible(ben);

  await ben.reload();
  await expect(field(ben)).toHaveValue('124');
  await ben.getByRole('button', { name: 'Try again' }).first().click();
  await expect(field(ben)).toHaveValue('124');
  await mara.reload();
  await expect(field(mara)).toHaveValue('124');
});

test('keeping theirs drops mine and nothing else', async ({ browser, session, at }) => {
  const [mara, ben] = await twoPeople(browser, session);
  const field = (page: typeof mara) => countField(page, 'Slab', 'Dinner', 'Thu 26 Nov');
  await ben.route('**/live', (route) => route.abort());
  await mara.goto(at('demand'));
  await ben.goto(at('demand'));
  await expect(field(ben)).toHaveValue('10');
  await field(mara).fill('12');
  await field(mara).press('Enter');
  await expect(mara.getByText('Slab at Dinner: 12.')).toBeVisible();
  await field(ben).fill('9');
  await field(ben).press('Enter');
  await ben.getByRole('button', { name: 'Keep 12' }).click();
  await expect(field(ben)).toHaveValue('12');
  await expect(ben.getByRole('alert')).toHaveCount(0);
});

test('two hands at one load: both sides are shown', async ({ browser, session, at }) => {
  const [mara, ben] = await twoPeople(browser, session);
  const sheet = at('mix/2026-11-27/yard-round');
  const flour = (page: typeof mara) => page.getByRole('textbox', { name: 'Flour (°C)' });
  // Ben's device does not hear what others write: live, he would see it before he types.
  await ben.route('**/live', (route) => route.abort());
  await mara.goto(sheet);
  await ben.goto(sheet);
  await expect(flour(ben)).not.toHaveValue('');
  await flour(mara).fill('25');
  await flour(mara).press('Enter');
  await expect(flour(mara)).toHaveValue('25');
  await flour(ben).fill('18');
  await flour(ben).press('Enter');
  const told = ben.getByRole('alert').filter({ hasText: 'Not accepted' });
  await expect(told).toContainText(/load 1: temperatures Meanwhile: 25\.0/);
  await ben.getByRole('button', { name: 'Use mine' }).click();
  await expect(told).toHaveCount(0);
  await mara.reload();
  await expect(flour(mara)).toHaveValue('18');
});
