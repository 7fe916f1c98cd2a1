import { bookFileOf } from '@calm/domain/files';
import { exampleBook } from '@calm/demo';
import { readFileSync } from 'node:fs';
import { expect, expectAccessible, test } from './house';

const header = 'code,name,part,kind,ingredient,value,form';
const rows = (...lines: string[]) => ({
  name: 'harbour.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from([header, ...lines].join('\n')),
});
const harbour = (salt: string) => [
  'HB,Harbour dough,dough,temperature,,24,',
  'HB,Harbour dough,dough,flour,strong white,100,',
  'HB,Harbour dough,dough,water,,63,',
  `HB,Harbour dough,dough,salt,,${salt},`,
  'HB,Harbour dough,dough,yeast,,0.4,fresh',
];

/** The demo house's book as a file, without a formula: they would be as they are. */
function exampleFile() {
  const { routes = [] } = bookFileOf(exampleBook());
  return { formulas: [], routes };
}

test('the book goes out as a file and comes back; a file is shown before it changes anything', async ({
  page,
  at,
}) => {
  await page.goto(at('formulas'));
  const file = page.getByLabel('Recipe file');

  await test.step('taken out as JSON and brought in again it changes nothing', async () => {
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Export JSON' }).click();
    const path = await (await coming).path();
    const book = JSON.parse(readFileSync(path, 'utf8')) as { formulas: { code: string }[] };
    expect(book.formulas.map(({ code }) => code).sort()).toEqual(['CR', 'SL', 'YR']);
    await file.setInputFiles({
      name: 'book.json',
      mimeType: 'application/json',
      buffer: readFileSync(path),
    });
    const dialog = page.getByRole('dialog', { name: 'What book.json would change' });
    await expect(dialog.getByText('unchanged')).toHaveCount(6);
    await expect(dialog.getByRole('button', { name: 'Nothing to change' })).toBeDisabled();
    await page.keyboard.press('Escape');
  });

  await test.step('a route that is changed or new comes in with its formulas, and back', async () => {
    const { formulas, routes } = exampleFile();
    const [first] = routes;
    const warmer = first?.stages.map((stage) =>
      stage.kind === 'rest' && stage.key === 'cold' ? { ...stage, airTempC: 6 } : stage,
    );
    const text = JSON.stringify({
      format: 'calm-tray-formulas',
      version: 1,
      formulas,
      routes: [{ name: first?.name, stages: warmer }],
    });
    const bring = () =>
      file.setInputFiles({
        name: 'warmer.json',
        mimeType: 'application/json',
        buffer: Buffer.from(text),
      });
    await bring();
    const dialog = page.getByRole('dialog', { name: 'What warmer.json would change' });
    await expect(dialog.getByText(`Route: ${first?.name}`)).toBeVisible();
    await dialog.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(page.getByText('Imported 1 from warmer.json.')).toBeVisible();
    await expect(page.getByText(/Cold 42\sh at 6\.0\s°C/).first()).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(page.getByText(/Cold 42\sh at 3\.5\s°C/).first()).toBeVisible();
  });

  await test.step('a table with three faults is refused whole, each with its line', async () => {
    const [temperature = '', flour = '', , salt = '', yeast = ''] = harbour('250');
    const bad = [temperature, flour, 'HB,Harbour dough,dough,water,,wet,', salt, yeast];
    await file.setInputFiles(rows(...bad.slice(0, 4), 'HB,Harbour dough,dough,yeast,,0.4,wild'));
    const dialog = page.getByRole('dialog', { name: 'harbour.csv cannot be imported' });
    await expect(dialog.getByText('3 things to fix in it')).toBeVisible();
    await expect(dialog.getByText('Line 4:')).toBeVisible();
    await expect(dialog.getByText('Line 5:')).toBeVisible();
    await expect(dialog.getByText('Line 6:')).toBeVisible();
    await expectAccessible(page);
    await dialog.getByRole('button', { name: 'Close' }).click();
    await expect(page.getByRole('link', { name: 'Harbour dough' })).toHaveCount(0);
  });

  await test.step('mended, it comes into the book; a second time it becomes the next version', async () => {
    await file.setInputFiles(rows(...harbour('2.5')));
    const dialog = page.getByRole('dialog', { name: 'What harbour.csv would change' });
    await expect(dialog.getByText('new', { exact: true })).toBeVisible();
    await dialog.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(page.getByRole('link', { name: 'Harbour dough' })).toBeVisible();
    // Taken back, it is offered no more; brought in once more, it is again.
    await page.keyboard.press('Control+z');
    await expect(page.getByText('Retired formulas: 1')).toBeVisible();
    await file.setInputFiles(rows(...harbour('2.5')));
    await dialog.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(page.getByRole('link', { name: 'Harbour dough' })).toBeVisible();
    await file.setInputFiles(rows(...harbour('2.8')));
    await expect(dialog.getByText('becomes version 3')).toBeVisible();
    await dialog.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(
      page.getByText(/Version 3: strong white, 63\s% water, 2\.8\s% salt/),
    ).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(
      page.getByText(/Version 4: strong white, 63\s% water, 2\.5\s% salt/),
    ).toBeVisible();
  });
});
