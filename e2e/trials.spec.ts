import { expect, expectAccessible, test, twoPeople } from './house';

test('a fault’s cause is tried blind: two lots, verdicts of two people, and what chance alone would do', async ({
  browser,
  session,
  at,
}) => {
  const [mara, ben] = await twoPeople(browser, session);
  const trial = (page: typeof mara) => page.getByRole('listitem', { name: 'Salt in earlier' });
  const choose = async (label: string, option: RegExp) => {
    await mara.getByRole('combobox', { name: label }).click();
    await mara.getByRole('option', { name: option }).first().click();
  };
  await test.step('from a lot’s fault to a trial of what is proposed', async () => {
    await mara.goto(at('log/YR-1122-A'));
    const why = mara.getByRole('region', { name: 'Why did it…?' });
    await why.getByRole('button', { name: 'big bubbles' }).click();
    await why
      .getByRole('link', { name: /^Try it: / })
      .first()
      .click();
    const dialog = mara.getByRole('dialog', { name: 'New trial' });
    await expect(dialog.getByRole('textbox', { name: 'What is changed' })).not.toHaveValue('');
    await dialog.getByRole('textbox', { name: 'What is changed' }).fill('Salt in earlier');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(dialog.getByText('Choose two different lots.')).toBeVisible();
    await choose('The lot as ever', /^YR-1122-A/);
    await choose('The changed lot', /^YR-1120-A/);
    await expectAccessible(mara);
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(trial(mara)).toBeVisible();
  });

  await test.step('two judge, on two devices, and are told nothing', async () => {
    await ben.goto(at('log/trials'));
    await trial(ben).getByRole('button', { name: 'X is better' }).click();
    await trial(mara).getByRole('button', { name: 'No difference' }).click();
    for (let i = 0; i < 3; i += 1) {
      await trial(ben).getByRole('button', { name: 'X is better' }).click();
      await expect(trial(ben).getByText(new RegExp(`^${i + 3} verdicts so far`))).toBeVisible();
    }
    await expect(trial(ben).getByText(/Changed:/)).toHaveCount(0);
    await expectAccessible(ben);
  });

  await test.step('ended, it says which was which and how far chance goes', async () => {
    await trial(mara).getByRole('button', { name: 'End it, and tell which was which' }).click();
    await expect(trial(mara).getByText(/better 4 times, .* 0; no difference 1\./)).toBeVisible();
    await expect(trial(mara).getByText(/in 13.% of trials: ask more people/)).toBeVisible();
    await expect(trial(ben).getByText(/Changed:/)).toBeVisible();
    await expectAccessible(mara);
  });
});
