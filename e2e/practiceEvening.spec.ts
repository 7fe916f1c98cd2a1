import { runOut } from './eveningRun';
import { arrived, expect, expectAccessible, test } from './house';

test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true });

test('a first evening is run to its end on a tablet, cut off, left and gone on with, and told afterwards', async ({
  page,
  at,
  context,
}) => {
  await page.goto(at('crew/practice/evenings'));
  await arrived(page);
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Begin: The hottest day' }).click();
  await expect(page.getByRole('heading', { name: 'The hottest day' })).toBeVisible();
  const clock = page.getByRole('status').filter({ hasText: 'Doors open at' });
  await expect(clock).toContainText('15:30');
  const round = page.getByRole('region', { name: 'Yard Round' });
  const goOn = page.getByRole('button', { name: /^Go on 30/ });
  await expect(round).toContainText('6 trays in the cold');
  await expectAccessible(page);

  await test.step('what is decided can be undone until the clock goes on; the coach explains it', async () => {
    await round.getByRole('button', { name: 'Pull' }).click();
    await expect(round).toContainText('5 trays in the cold');
    await expect(round.getByText(/What you pulled opens from \d\d:\d\d/)).toBeVisible();
    await round.getByRole('link', { name: 'Read about it' }).click();
    const manual = page.getByRole('complementary', { name: 'Help' });
    await expect(manual.getByRole('heading', { name: /^What if/ })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(round).toContainText('5 trays in the cold');
    await page.getByRole('button', { name: 'Undo the last' }).click();
    await expect(round).toContainText('6 trays in the cold');
  });

  await test.step('a look shows a ball, a dent and a probe', async () => {
    await round.getByRole('button', { name: 'Look closely' }).click();
    await expect(round.getByText(/springs back|comes back|stays/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Undo the last' })).toBeDisabled();
    await round.getByRole('button', { name: 'Ask somebody who knows' }).click();
    await expect(round.getByText(/Pulled now, it opens/)).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('after a reload it goes on where it was, and without a line to the house', async () => {
    await goOn.click();
    await goOn.click();
    await round.getByRole('button', { name: 'One tray more' }).click();
    await round.getByRole('button', { name: 'Pull' }).click();
    await expect(round).toContainText('2 trays out since 16:30');
    await page.reload();
    await expect(clock).toContainText('16:30', { timeout: 15_000 });
    await expect(round).toContainText('2 trays out since 16:30');
    await context.setOffline(true);
  });

  await test.step('the clock runs until doors, and to what happens after them', async () => {
    const event = page.getByRole('button', { name: 'Go on until something happens' });
    await event.click();
    await expect(clock).toContainText('18:00');
    await round.getByRole('button', { name: 'Pull' }).click();
    await page
      .getByRole('region', { name: 'Crackle' })
      .getByRole('button', { name: 'Stop selling it' })
      .click();
    await runOut(page);
  });

  await test.step('the truth is told beside what was believed, the best, and the plain rule', async () => {
    const costs = page.getByRole('table').first();
    const total = async (name: string) =>
      Number(await costs.getByRole('row', { name }).getByRole('cell').last().innerText());
    const [you, best] = [await total('You'), await total('The best in hindsight')];
    expect(best).toBeLessThanOrEqual(you);
    expect(best).toBeLessThan(await total('Half for doors, half later'));
    await expect(page.getByRole('img', { name: /Yard Round: \d+ guests came/ })).toBeVisible();
    await expect(page.getByText('The bench was 9 °C warmer than planned.')).toBeVisible();
    const decisions = page.getByRole('table').last();
    await expect(decisions.getByRole('row', { name: /2 trays pulled saved/ })).toBeVisible();
    await expect(decisions.getByRole('row', { name: /Stopped selling it/ })).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('how it went is kept with who ran it, once the line is back', async () => {
    await context.setOffline(false);
    await page.goto(at('crew/practice'));
    const row = page.getByRole('row').filter({ hasText: 'Running an evening' });
    await expect(row).toContainText('Maro', { timeout: 30_000 });
  });
});

test('an evening of one’s own is added with one press; a manager’s rule warns in Plan', async ({
  page,
  at,
}) => {
  await page.goto(at('crew/practice/evenings'));
  await arrived(page);
  await page.getByRole('button', { name: 'Add one of your evenings' }).click();
  const offered = page.getByRole('dialog').getByRole('button', { name: /Guests: \d/ });
  const title = (await offered.first().innerText()).split('\n')[0] ?? '';
  await expectAccessible(page);
  await offered.first().click();
  await expect(page.getByRole('heading', { name: title })).toBeVisible();
  await page.getByRole('link', { name: `Begin: ${title}` }).click();
  await expect(page.getByText('An evening of this house, as it went.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Yard Round' })).toContainText('in the cold');

  await page.goto(at('plan'));
  await arrived(page);
  const warnings = page.getByRole('region', { name: 'Not there yet' });
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible();
  await expect(warnings).toBeHidden();

  await page.goto(at('crew/practice'));
  await page.getByRole('button', { name: 'Change: Pulls alone' }).click();
  const dialog = page.getByRole('dialog', { name: 'Pulls alone' });
  await dialog.getByRole('button', { name: 'Ask for something' }).click();
  await expect(dialog.getByRole('group', { name: 'Reading dough' })).toBeVisible();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Reading dough: 70 of a hundred, 6 times')).toBeVisible();
  await page.goto(at('plan'));
  await expect(warnings).toContainText('Pulls alone');
  await expect(warnings).toContainText('Still to practise: Reading dough');
  await expectAccessible(page);
});
