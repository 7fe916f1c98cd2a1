import {
  disown,
  expect,
  expectAccessible,
  sessionOf,
  signedInPage,
  tabTo,
  test,
  typeDate,
  watchConsole,
} from './house';

test.use({ viewport: { width: 1024, height: 768 } });

test('somebody taps their name, types their PIN, hands the tablet over', async ({
  page,
  context,
  at,
}) => {
  await context.clearCookies();
  const said = watchConsole(page);
  await test.step('the door shows who may come in, and nothing of the house', async () => {
    await page.goto(at('mix'));
    await expect(page.getByRole('heading', { name: 'Who are you?' })).toBeVisible();
    await expect(page.getByRole('navigation')).toHaveCount(0);
    await expectAccessible(page);
  });

  await test.step('a wrong PIN is said, the right one opens the page that was asked for', async () => {
    await page.getByRole('button', { name: 'Tilde' }).click();
    for (const digit of ['1', '1', '1', '1']) {
      await page.getByRole('button', { name: digit, exact: true }).click();
    }
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert')).toHaveText('That is not it. Try again.');
    await expectAccessible(page);
    const pin = /signs in with (\d+)/.exec(
      await page.getByText('This house is made up').innerText(),
    );
    await page.keyboard.type(pin?.[1] ?? '');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Mix', level: 1 })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Tilde is here. Sign out' })).toBeVisible();
  });

  await test.step('a reload keeps them in; out is asked once, and the next one comes in', async () => {
    await page.reload();
    await page.getByRole('button', { name: 'Tilde is here. Sign out' }).click();
    const leaving = page.getByRole('dialog', { name: 'Sign out Tilde?' });
    await expectAccessible(page);
    await leaving.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('button', { name: 'Maro' }).click();
    const words = /signs in with (.+)\./.exec(
      await page.getByText('This house is made up').innerText(),
    );
    await page.getByLabel('Password').fill(words?.[1] ?? '');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Maro is here. Sign out' })).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Mix', level: 1 })).toBeVisible();
  });
  // Being nobody is told as 401; nothing else is.
  expect(said.filter((line) => !line.includes('401'))).toEqual([]);
});

test('a manager writes the crew: somebody new with a PIN, their week, a day away', async ({
  page,
  browser,
  house,
  at,
}) => {
  const said = watchConsole(page);
  await test.step('somebody new, by keyboard', async () => {
    await page.goto(at('crew'));
    await tabTo(page, page.getByRole('button', { name: 'Add crew member' }));
    await page.keyboard.press('Enter');
    await page.keyboard.type('Ilka');
    await page.keyboard.press('Tab');
    await page.keyboard.type('il');
    await page.getByRole('checkbox', { name: 'balling' }).check();
    await page.getByLabel(/PIN$/).fill('12');
    await page.getByLabel('Your own password').fill('ostrel harbour');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('alert')).toHaveText(/^A PIN is 4 to 8 digits/);
    await page.getByLabel(/PIN$/).fill('');
    await page.getByRole('button', { name: 'Save' }).click();
    const row = page.getByRole('row', { name: /^Ilka Dough hand balling/ });
    await expect(row.getByText('has no PIN or password yet')).toBeVisible();
    await row.getByRole('button', { name: 'Ilka' }).click();
    await page.getByLabel(/PIN$/).fill('6204');
    // An unlocked tablet is not enough to give somebody a way in.
    await page.getByLabel('Your own password').fill('not this one');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('alert')).toHaveText('That is not your own password.');
    await page.getByLabel('Your own password').fill('ostrel harbour');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(row.getByText('has no PIN or password yet')).toHaveCount(0);
  });

  await test.step('their week, and back', async () => {
    await page.getByRole('button', { name: 'Add a shift for Ilka, Fri' }).click();
    await page.getByRole('dialog').getByLabel('From').fill('16:00');
    await page.getByRole('dialog').getByLabel('To').fill('01:00');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('button', { name: 'Ilka, Fri 16:00–01:00' })).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('button', { name: 'Ilka, Fri 16:00–01:00' })).toHaveCount(0);
  });

  await test.step('a day away is one day of the plan without them', async () => {
    await page.getByRole('button', { name: 'Add change or day off' }).click();
    await page.getByRole('combobox', { name: 'Who' }).click();
    await page.getByRole('option', { name: 'Ossian' }).click();
    await typeDate(page, 'Day', '2026-11-27');
    await page.getByRole('dialog').getByLabel('Note').fill('Wedding');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(
      page.getByRole('button', { name: /Fri 27 Nov Ossian: away Wedding/ }),
    ).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('and some hours away are the rest of the day’s shift', async () => {
    await page.getByRole('button', { name: 'Add change or day off' }).click();
    const dialog = page.getByRole('dialog');
    await typeDate(page, 'Day', '2026-11-28');
    await page.getByRole('combobox', { name: 'That day they are' }).click();
    await page.getByRole('option', { name: 'away for some hours' }).click();
    await dialog.getByLabel('From').fill('15:00');
    await dialog.getByLabel('To').fill('17:00');
    await expect(dialog.getByText('The rest of that day’s shifts stays.')).toBeVisible();
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(
      page.getByRole('button', { name: /Sat 28 Nov .*: away 15:00–17:00/ }),
    ).toBeVisible();
  });

  await test.step('who did what is told', async () => {
    await page.reload();
    await expect(page.getByText(/Maro: changed the crew\s+shift-exceptions/)).toHaveCount(2);
  });

  await test.step('a dough hand sees the week and changes nothing in it', async () => {
    const hand = await signedInPage(browser, await sessionOf(house, 'Tilde'));
    await hand.goto(at('crew'));
    await expect(hand.getByText('16:00–00:00').first()).toBeVisible();
    await expect(hand.getByRole('button', { name: 'Add crew member' })).toHaveCount(0);
    await expect(hand.getByText('Who did what')).toHaveCount(0);
    await hand.context().close();
  });
  expect(said.filter((line) => !line.includes('400'))).toEqual([]);
});

test('a house that nobody looks after takes its first account, and lets its owner in', async ({
  page,
  context,
  house,
  at,
}) => {
  await disown(house, 'K7QM2XHD9RTE');
  await context.clearCookies();
  await page.goto(at('crew'));
  await expect(page.getByRole('heading', { name: 'Create the owner account' })).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.type('wrong code');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Odile');
  await page.keyboard.press('Tab');
  await page.keyboard.type('od');
  await page.keyboard.press('Tab');
  await page.keyboard.type('short');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('10 characters');
  await page.getByLabel('Password').fill('tray by the window');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('set-up code');
  await page.getByLabel('Set-up code').fill('k7qm-2xhd-9rte');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Odile is here. Sign out' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Odile Manager/ })).toBeVisible();
});

test('what one device writes the others show within a second or two', async ({
  page,
  browser,
  session,
  at,
}) => {
  const other = await signedInPage(browser, session);
  await Promise.all([page.goto(at('crew')), other.goto(at('crew'))]);
  await expect(other.getByRole('button', { name: /^Ossian, Tue/ })).toBeVisible();
  await page.getByRole('button', { name: /^Ossian, Tue/ }).click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(other.getByRole('button', { name: /^Ossian, Tue/ })).toHaveCount(0, {
    timeout: 10_000,
  });
  await page.keyboard.press('Control+z');
  await expect(other.getByRole('button', { name: /^Ossian, Tue/ })).toBeVisible({
    timeout: 10_000,
  });
  await other.context().close();
});

test('somebody sees what is theirs now and next, and marks it as done with one press', async ({
  page,
  at,
}) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await page.goto(at('crew/shift'));
  await expect(page.getByRole('heading', { name: 'Maro’s shift' })).toBeVisible();
  const presses = page.getByRole('button', { name: 'Done', exact: true });
  await expect(presses.first()).toBeVisible();
  await expectAccessible(page);
  const size = await presses.first().boundingBox();
  expect(size?.height ?? 0).toBeGreaterThanOrEqual(48);
  const done = page.getByRole('listitem').filter({ hasText: /^15:40/ });
  await expect(done).toHaveCount(0);
  await presses.first().click();
  await expect(done).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(done).toHaveCount(0);
});

test('one’s steps are followed by a calendar, until the link is removed', async ({
  page,
  at,
  request,
}) => {
  await page.goto(at('crew/shift'));
  await page.getByRole('button', { name: 'Calendar link…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Your steps in your own calendar' });
  await dialog.getByRole('button', { name: 'Make one with everybody’s' }).click();
  await expect(dialog.getByText('Everybody’s steps')).toBeVisible();
  const address = await dialog.getByRole('status').locator('code').innerText();
  await expectAccessible(page);
  const feed = await request.get(address);
  expect(feed.headers()['content-type']).toContain('text/calendar');
  expect(await feed.text()).toContain('BEGIN:VCALENDAR');
  await dialog.getByRole('button', { name: 'Remove' }).click();
  await expect(dialog.getByText('Everybody’s steps')).toHaveCount(0);
  expect((await request.get(address)).status()).toBe(404);
});
