import { arrived, expect, expectAccessible, test } from './house';
import { roomOnlyLot } from './roomOnlyLot';

test('a flour runs out: which doughs lack it, and what each other flour would do', async ({
  page,
  at,
}) => {
  await page.goto(at('tonight/what-now'));
  await page.getByRole('link', { name: 'A flour runs out' }).click();
  await page.getByRole('combobox', { name: 'Flour' }).click();
  await page.getByRole('option', { name: 'strong white' }).click();
  const left = page.getByRole('textbox', { name: 'Left in the store' });
  await left.fill('12');
  await left.press('Enter');
  await expect(page.getByText(/needs [\d.]+\skg, lacks [\d.]+\skg/).first()).toBeVisible();
  const row = page.getByRole('row', { name: /^medium white / }).first();
  await expect(row.getByText(/%\sless$|% less$/)).toBeVisible();
  await expect(row.getByText(/times in 10$/)).toBeVisible({ timeout: 15_000 });
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Open its formula' }).first().click();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});

test('an oven does not heat: the services that are too much for the others are named', async ({
  page,
  at,
}) => {
  await page.goto(at('tonight/oven'));
  await page.getByRole('combobox', { name: 'Which does not heat' }).click();
  await page.getByRole('option', { name: 'Stone oven' }).click();
  await expect(page.getByText('What is left: Deck oven, 45 an hour.')).toBeVisible();
  await expect(page.getByText(/more than the 45 that the ovens bake/).first()).toBeVisible();
  await expect(page.getByText(/That can be baked\.$/).first()).toBeVisible();
  await expectAccessible(page);
});

test('the mixer is down at noon, then a hand leaves at three: the least change, told to whom it concerns', async ({
  page,
  at,
}) => {
  const dialog = page.getByRole('dialog', { name: 'What if…' });
  const publish = async () => {
    await page.getByRole('button', { name: 'Publish…' }).click();
    const told = page.getByRole('dialog', { name: 'What changes for whom' });
    await told.getByRole('button', { name: 'Publish', exact: true }).click();
    await expect(page.getByText('Published. This is now the crew’s plan.').last()).toBeVisible();
  };
  const from = async (time: string) => {
    const field = dialog.getByRole('textbox', { name: 'From' });
    await field.fill(time);
    await field.press('Enter');
  };
  const settled = async () => {
    await dialog.getByRole('button', { name: 'See what breaks' }).click();
    await expect(dialog.getByRole('status')).toBeVisible({ timeout: 30_000 });
    await expect(dialog.getByText(/changes? fix(es)? it:|Nothing has to move/)).toBeVisible();
    await expectAccessible(page);
    await dialog.getByRole('button', { name: 'Add to draft' }).click();
    await expect(page.getByText(/^Everything fits in this draft/)).toBeVisible();
  };

  await test.step('the house has a plan', async () => {
    await page.goto(at('plan'));
    await page.getByRole('button', { name: 'Make the schedule', exact: true }).first().click();
    await expect(page.getByText(/of the best\.|This is the best plan/)).toBeVisible({
      timeout: 30_000,
    });
    await page
      .getByRole('button', { name: 'Use this one' })
      .click({ timeout: 3000 })
      .catch(() => null);
    await publish();
  });

  await test.step('asked from the shift: the spiral from Friday noon on', async () => {
    await page.goto(at('tonight/what-now'));
    await page.getByRole('link', { name: 'A mixer is down' }).click();
    await expect(dialog).toBeVisible();
    await dialog.getByRole('combobox', { name: 'Mixer' }).click();
    await page.getByRole('option', { name: '40 kg spiral' }).click();
    await dialog.getByRole('combobox', { name: 'Day' }).click();
    await page.getByRole('option', { name: 'Fri 27 Nov' }).click();
    await from('12:00');
    await expect(dialog.getByText(/40 kg spiral does not run Fri 12:00/)).toBeVisible();
    await settled();
    await expect(page.getByText(/40 kg spiral does not run Fri 12:00/)).toBeVisible();
    await publish();
  });

  await test.step('and Tilde leaves at three on Friday', async () => {
    await page.goto(at('tonight/what-now'));
    await page.getByRole('link', { name: 'Somebody is away' }).click();
    await dialog.getByRole('combobox', { name: 'Who' }).click();
    await page.getByRole('option', { name: 'Tilde' }).click();
    await dialog.getByRole('combobox', { name: 'Day' }).click();
    await page.getByRole('option', { name: 'Fri 27 Nov' }).click();
    await from('15:00');
    await expect(dialog.getByText(/Tilde is not in Fri 15:00/)).toBeVisible();
    await settled();
    await publish();
    await expect(dialog).toHaveCount(0);
  });
});

test('balls that only ever stand at room temperature go into the fridge, and out again', async ({
  page,
  at,
  house,
  tomorrow,
}) => {
  const code = await test.step('a dough without any cold is mixed and balled two days early', () =>
    roomOnlyLot(page.request, house));

  await test.step('what can be done: the fridge until it is wanted', async () => {
    await page.goto(at(`tonight/what-now/${code}`));
    const chill = page.getByRole('listitem').filter({
      has: page.getByRole('button', { name: /^Do this: Chill: / }),
    });
    await expect(chill.getByText(/\d+ of \d+ balls open well/)).toBeVisible({ timeout: 15_000 });
    await expect(chill.getByText(/^(Back to where it is opened|Then into: )/)).toBeVisible();
    await expectAccessible(page);
    await chill.getByRole('button', { name: /^Do this: / }).click();
    await expect(page.getByText(/decided: Chill: /)).toBeVisible();
  });

  await test.step('a day on they stand there still, and open when it was meant', async () => {
    await page.goto(`${tomorrow}/${house}/tonight/what-now/${code}`);
    await arrived(page);
    await expect(page.getByText(/decided: Chill: /)).toBeVisible();
    const keep = page.getByRole('listitem').filter({ hasText: 'Leave it as it is' }).first();
    await expect(keep.getByText(/^Sat \d\d:\d\d to \d\d:\d\d, 9 times in 10$/)).toBeVisible({
      timeout: 15_000,
    });
    await page.goto(`${tomorrow}/${house}/log/${code}`);
    await expect(page.getByText(/^Decided: Chill\. Meant: \d+ balls open well/)).toBeVisible();
  });
});
