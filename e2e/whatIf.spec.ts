import { expect, expectAccessible, test, watchConsole } from './house';

test('a dough is played with: levers, a wanted peak, a way out, and back', async ({ page, at }) => {
  const said = watchConsole(page);
  const window = page.getByTestId('window');
  const reading = page.getByTestId('reading');

  await test.step('Formulas leads to it', async () => {
    await page.goto(at('formulas'));
    await expectAccessible(page);
    await page.getByRole('link', { name: 'What if: Yard Round' }).click();
    await expect(page.getByRole('heading', { name: 'What if: Yard Round' })).toBeVisible();
    await expect(window).toHaveText(/Ready (\d+\sh )?\d+\smin before doors/);
    await expect(reading).toHaveText(/At doors, Thu 12:00:.*Ready.*volume \d\.\d\d×/);
    await expect(page.getByRole('img', { name: /Yard Round from the mixer/ })).toBeVisible();
    await expectAccessible(page);
  });

  const yeast = page.getByRole('slider', { name: 'Fresh yeast' });
  const before = await window.innerText();

  await test.step('pulling a lever changes the window while it is held', async () => {
    const cold = page.getByRole('slider', { name: 'Cold, air' });
    const box = await cold
      .locator('xpath=ancestor::*[contains(@class,"MuiSlider-root")]')
      .boundingBox();
    if (!box) throw new Error('no slider');
    await page.mouse.move(box.x + box.width * 0.13, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.3, box.y + box.height / 2, { steps: 12 });
    await expect(window).not.toHaveText(before);
    await expect(reading).not.toContainText('Ready but');
    await page.mouse.up();
    await expect(page.getByRole('button', { name: 'Reset to house recipe' })).toBeVisible();
  });

  await test.step('it is still there after a reload, and undo takes it back', async () => {
    const pulled = await window.innerText();
    await page.reload();
    await expect(window).toHaveText(pulled);
    await page.getByRole('button', { name: /^Reset to house recipe/ }).click();
    await expect(window).toHaveText(before);
    await page.keyboard.press('Control+z');
    await expect(window).toHaveText(pulled);
    await page.getByRole('button', { name: /^Reset to house recipe/ }).click();
    await expect(window).toHaveText(before);
  });

  await test.step('“put the peak at” solves the dose', async () => {
    await page.getByRole('button', { name: 'A quarter of an hour later' }).click();
    await page.getByRole('button', { name: 'A quarter of an hour later' }).click();
    const wanted = (await page.getByTestId('peak-at').innerText()).split(' ')[1] ?? '';
    await page.getByRole('button', { name: 'Find the dose' }).click();
    await expect(window).toContainText(`best at ${wanted}`);
    await yeast.focus();
    await page.keyboard.press('Control+z');
    await expect(window).toHaveText(before);
  });

  await test.step('a peak before the balls are warm is refused, with a way out that works', async () => {
    const earlier = page.getByRole('button', { name: 'A quarter of an hour earlier' });
    for (let i = 0; i < 12; i += 1) await earlier.click();
    await page.getByRole('button', { name: 'Find the dose' }).click();
    const refusal = page.getByRole('region', { name: 'Peak at' }).getByRole('alert');
    await expect(refusal).toContainText(/No dose peaks at Thu .*opens from 12\.0\s°C/);
    await expectAccessible(page);
    await refusal.getByRole('button', { name: /^Peak at/ }).click();
    await expect(refusal).toHaveCount(0);
    const found = (await page.getByTestId('peak-at').innerText()).split(' ')[1] ?? '';
    await expect(window).toContainText(`best at ${found}`);
  });

  await test.step('the working is shown', async () => {
    await page.getByRole('button', { name: 'Why this? the window' }).click();
    await expect(page.getByText(/2\.6\s% salt leaves 76\s% of the gas/)).toBeVisible();
    await expect(page.getByText(/Cold at 3\.5\s°C: yeast at \d\s% of its pace/)).toBeVisible();
    await expectAccessible(page);
  });
  expect(said).toEqual([]);
});

test('the hour under the pointer is read out, and the end of the way looked at closely', async ({
  page,
  at,
}) => {
  await page.goto(at('formulas/slab/what-if'));
  const reading = page.getByTestId('reading');
  await expect(reading).toContainText('At doors');
  await page.getByRole('button', { name: 'Around doors' }).click();
  const picture = await page.getByRole('img', { name: /Slab from the mixer/ }).boundingBox();
  if (!picture) throw new Error('no picture');
  await page.mouse.move(picture.x + picture.width / 2, picture.y + 40);
  await expect(reading).not.toContainText('At doors');
  await expect(reading).toContainText(/volume \d\.\d\d×/);
  await page.getByText('The same result at another temperature').click();
  const bulk = page.getByRole('row', { name: /^Bulk 2\d/ });
  await expect(bulk.getByRole('cell')).toHaveCount(7);
  await expect(bulk.getByRole('cell').first()).toHaveText(/h/);
});

test('a stage outside the route’s bounds is said, not forbidden; an unknown product is said too', async ({
  page,
  at,
}) => {
  await page.goto(at('formulas/crackle/what-if'));
  const bulk = page.getByRole('slider', { name: 'Bulk, time' });
  await bulk.focus();
  await page.keyboard.press('End');
  await expect(page.getByText(/The route allows 30\smin to 1\sh 30\smin/)).toBeVisible();
  await page.goto(at('formulas/pancake/what-if'));
  await expect(page.getByRole('heading', { name: 'Product not found' })).toBeVisible();
  await expectAccessible(page);
});
