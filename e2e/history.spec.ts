import { readFileSync, writeFileSync } from 'node:fs';
import { expect, expectAccessible, test, watchConsole } from './house';

/** A till's table as they come: semicolons, days first, articles of all kinds, lines that are nothing. */
const MESSY = [
  '\ufeffReceipt;Sold on;Ordered at;Article;Qty;Total',
  '1;01.07.2026;19:25;YARD ROUND, large;2;25,00',
  '2;01.07.2026;19:56;Lemonade;4;12,00',
  '3;02.07.2026;12:40;Slab;1;18,50',
  '3;02.07.2026;12:40;Slab;1;18,50',
  '4;02.07.2026;20:10;yard round;3;37,50',
  '5;13.07.2026;19:00;Slab;2;37,00',
  '6;31.06.2026;19:20;Slab;2;37,00',
  '7;02.07.2026;04:10;Slab;2;37,00',
  '8;02.07.2026;19:30;Slab;two;37,00',
  '',
  'Sum;;;;;241,50',
].join('\r\n');

const csv = (name: string, text: string) => ({
  name,
  mimeType: 'text/csv',
  buffer: Buffer.from(text, 'utf8'),
});

test('a messy table is matched, tried, brought in once, and known when it comes again', async ({
  page,
  at,
}) => {
  const said = watchConsole(page);
  await page.goto(at('demand/history'));
  const file = page.locator('input[type="file"]');

  await test.step('its columns are found, and one can be matched otherwise', async () => {
    await file.setInputFiles(csv('till.csv', MESSY));
    await expect(page.getByText('till.csv has 11 lines. What is in each column?')).toBeVisible();
    await expect(page.getByRole('combobox', { name: 'Date', exact: true })).toHaveText('Sold on');
    await expect(page.getByRole('combobox', { name: 'Dates are written' })).toHaveText(
      'day, month, year',
    );
    await expect(page.getByRole('combobox', { name: 'Lemonade is' })).toHaveText('left out');
    await expect(page.getByRole('combobox', { name: 'YARD ROUND, large is' })).toHaveText(
      'Yard Round',
    );
    await expectAccessible(page);
    await page.getByRole('combobox', { name: 'yard round is', exact: true }).click();
    await page.getByRole('option', { name: 'Sprout' }).click();
  });

  await test.step('what would change is told, with every line that cannot be read', async () => {
    await page.getByRole('button', { name: 'See what would change' }).click();
    await expect(
      page.getByText('till.csv: 3 services and products from 1 Jul 2026 to 2 Jul 2026.'),
    ).toBeVisible();
    await expect(page.getByText('3 are new')).toBeVisible();
    await expect(page.getByText('1 line repeats another')).toBeVisible();
    await expect(page.getByText('1 line is of a product that is left out')).toBeVisible();
    await expect(page.getByText('5 lines cannot be read, and are left out')).toBeVisible();
    for (const line of [
      /^Line 7 There is no such service then: “13\.07\.2026”/,
      /^Line 8 “31\.06\.2026” is not a date or time\./,
      /^Line 9 There is no such service then/,
      /^Line 10 “two” is not a whole number of balls\./,
    ]) {
      await expect(page.getByRole('listitem').filter({ hasText: line })).toBeVisible();
    }
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Import all 3' }).click();
    await expect(page.getByText('Imported 3 from till.csv.')).toBeVisible();
  });

  await test.step('the same file again changes nothing, and is matched as last time', async () => {
    await file.setInputFiles(csv('till.csv', MESSY));
    await expect(page.getByText('Matched like last time.')).toBeVisible();
    await expect(page.getByRole('combobox', { name: 'yard round is', exact: true })).toHaveText(
      'Sprout',
    );
    await page.getByRole('button', { name: 'See what would change' }).click();
    await expect(page.getByText('3 are known already')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Nothing new' })).toBeDisabled();
  });

  await test.step('another number is kept or replaced as one chooses', async () => {
    await page.getByRole('button', { name: 'Cancel' }).click();
    await file.setInputFiles(csv('till.csv', MESSY.replace('large;2;', 'large;5;')));
    await page.getByRole('button', { name: 'See what would change' }).click();
    await expect(page.getByText('1 has another number here')).toBeVisible();
    await page.getByRole('radio', { name: 'take the file’s' }).check();
    await page.getByRole('button', { name: 'Import' }).click();
    await expect(page.getByText('Imported 1 from till.csv.')).toBeVisible();
  });

  await test.step('the history goes out as a table, with what came in', async () => {
    const coming = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Export sales (CSV)' }).click();
    const text = readFileSync(await (await coming).path(), 'utf8');
    const [head] = text.split('\r\n');
    expect(head).toBe('date,service,product,sold,booked,left,sold out,event,forecast');
    expect(text).toContain('2026-07-01,Dinner,Yard Round,5,0,');
    expect(text).toContain('2026-07-02,Lunch,Slab,1,0,');
  });

  await test.step('what has no table says so', async () => {
    await file.setInputFiles(csv('empty.csv', 'nothing'));
    await expect(page.getByText(/empty\.csv has no table/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Choose a file' })).toBeVisible();
  });
  expect(said).toEqual([]);
});

test('200,000 lines come in without the page standing still', async ({ page, at }, info) => {
  test.slow();
  await page.goto(at('demand/history'));
  const lines = ['number,date,time,product,balls'];
  for (let i = 0; lines.length <= 200_000; i += 1) {
    const day = new Date(Date.UTC(2025, 0, 1 + (i % 600))).toISOString().slice(0, 10);
    lines.push(`${i},${day},${18 + (i % 4)}:${10 + (i % 50)},${i % 3 ? 'Yard Round' : 'Slab'},1`);
  }
  await page.evaluate(() => {
    const stops = { longest: 0 };
    let last = performance.now();
    const tick = (now: number) => {
      stops.longest = Math.max(stops.longest, now - last);
      last = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    Object.assign(window, { stops });
  });
  const years = info.outputPath('years.csv');
  writeFileSync(years, lines.join('\n'));
  await page.locator('input[type="file"]').setInputFiles(years);
  await page.getByRole('button', { name: 'See what would change' }).click();
  await expect(page.getByText(/years\.csv: 515 services and products/)).toBeVisible({
    timeout: 60_000,
  });
  await page.getByRole('button', { name: /^Import all 515/ }).click();
  await expect(page.getByText('Imported 515 from years.csv.')).toBeVisible({ timeout: 60_000 });
  const longest = await page.evaluate(
    () => (window as unknown as { stops: { longest: number } }).stops.longest,
  );
  // A page that read the file itself would stand still for seconds.
  expect(longest).toBeLessThan(1000);
});
