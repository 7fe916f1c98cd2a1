import { paths, type Lot, type LotRecord } from '@calm/contract';
import { currentRecords } from '@calm/domain';
import { arrived, expect, expectAccessible, test } from './house';

test('a pre-ferment is weighed on its own sheet, stands, is looked at; a weak pack of yeast moves the window', async ({
  page,
  house,
  at,
  request,
}) => {
  const server = process.env['E2E_URL'] ?? '';
  const slab = async () => {
    const all = await request.get(`${server}${paths.lots(house, { from: '2026-11-27', days: 1 })}`);
    const lot = ((await all.json()) as Lot[]).find(({ code }) => code.startsWith('SL-'));
    if (!lot) throw new Error('the slab of the day has begun');
    return lot;
  };
  await test.step('the lot is begun, and its sheet leads to what is mixed ahead', async () => {
    await page.goto(at('mix/2026-11-27/slab'));
    await page.getByRole('button', { name: 'Start this lot' }).click();
    await page.getByRole('link', { name: 'Weigh and stir it' }).click();
    await arrived(page);
    await expect(page.getByText(/Planned: it stands in Bench/)).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('every weight is typed; too much water is kept as it was', async () => {
    const typed = page.getByRole('textbox', { name: /Or type what another scale shows/ });
    const wanted = page.locator('[class*=wanted]');
    const waterG = Number((await wanted.textContent())?.replace(/[^\d.]/g, ''));
    await typed.fill(String(waterG + 300));
    await typed.press('Enter');
    for (let i = 1; i < 4; i += 1) {
      await expect(page.locator('button[data-done=true]')).toHaveCount(i);
      await typed.fill(((await wanted.textContent()) ?? '').replace(/[^\d.]/g, ''));
      await typed.press('Enter');
    }
    await expect(page.getByText('Everything of this load is weighed.')).toBeVisible();
    await expect.poll(async () => (await slab()).weighed.length).toBe(4);
    expect((await slab()).weighed.every(({ content }) => content.loadNumber === 0)).toBe(true);
  });

  await test.step('it stands, and what is seen of it is kept; the loads’ water follows its temperature', async () => {
    await page.getByRole('checkbox', { name: 'Water and yeast' }).check();
    await page.getByRole('button', { name: 'It stands from now' }).click();
    await expect(page.getByText(/It has stood since/)).toBeVisible();
    await page.getByRole('button', { name: 'Domed or just fallen' }).click();
    await expect(page.getByText('It can go in now.')).toBeVisible();
    const temperature = page.getByRole('textbox', { name: /^Pre-ferment/ });
    await temperature.fill('17');
    await temperature.press('Enter');
    await expect.poll(async () => (await slab()).loads[0]?.prefermentTempC).toBe(17);
    const { id, marks } = await slab();
    expect(marks.map(({ stepKey }) => stepKey)).toContain('ahead-water-yeast');
    const records = await request.get(`${server}${paths.lotRecords(house, id)}`);
    const seen = currentRecords((await records.json()) as LotRecord[], 'preferment');
    expect(seen.map(({ content }) => content)).toMatchObject([{ found: 'ripe', tempC: 17 }]);
  });

  await test.step('a proof test that barely foams: more of it is asked for, and the window comes later', async () => {
    await page.getByRole('link', { name: 'Back to the sheet' }).click();
    await page.getByText('Pack of yeast').click();
    await page.getByRole('button', { name: 'A few bubbles' }).click();
    await expect(page.getByText(/About 50\s% as strong as new/)).toBeVisible();
    await expect.poll(async () => (await slab()).yeastPack?.content.proof).toBe('bubbles');
    await expect(page.getByText(/later than planned|will not open well/).first()).toBeVisible();
    await expectAccessible(page);
  });
});

test('before doors: each oven is lit in time, one is baked, and how it came out is put down with the oven’s heat', async ({
  page,
  house,
  at,
  request,
}) => {
  await page.goto(at('tonight'));
  await arrived(page);
  const doors = page.getByRole('region', { name: 'Before doors' });
  await doors.getByRole('checkbox', { name: /Light Stone oven/ }).check();
  await doors.getByRole('checkbox', { name: 'Bake one' }).check();
  await doors.getByRole('link', { name: 'Put down how it came out' }).click();
  const how = page.getByRole('region', { name: 'How did it bake?' });
  await how.getByRole('button', { name: 'pale' }).click();
  const oven = page.getByRole('textbox', { name: /^Oven/ });
  await oven.fill('410');
  await oven.press('Enter');
  const baked = page.getByRole('textbox', { name: /^Baked for/ });
  await baked.fill('1.5');
  await baked.press('Enter');
  await expect(page.getByText(/Oven 410\s°C\. Baked for 1\.5\smin/).first()).toBeVisible();
  await page.goto(at('tonight'));
  await expect(doors.getByRole('checkbox', { name: /Light Stone oven/ })).toBeChecked();
  await expect(doors.getByRole('checkbox', { name: /Light Deck oven/ })).not.toBeChecked();
  await expectAccessible(page);
  const audit = await request.get(
    `${process.env['E2E_URL']}${paths.lots(house, { from: '2026-11-25', days: 1 })}`,
  );
  const keys = ((await audit.json()) as Lot[]).flatMap(({ marks }) =>
    marks.map(({ stepKey }) => stepKey),
  );
  expect(keys.filter((key) => key.startsWith('test-bake-'))).toHaveLength(1);
});
