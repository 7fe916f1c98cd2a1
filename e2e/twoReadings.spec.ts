import { paths, type HouseBook, type HouseCalendar } from '@calm/contract';
import { loadLanternYard } from '@calm/demo';
import { openDatabase } from '@calm/server';
import type { APIRequestContext, Browser } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect, sessionOf, test } from './house';
import { NOW } from './server';

/** One way to read and type: by the words of its language, and the same day's work in its numbers. */
interface Reading {
  readonly words: 'en' | 'it';
  /** Choices of the dialog: the key of the field, and the key of what is chosen. */
  readonly choices: readonly (readonly [string, string])[];
  readonly doughTemp: readonly [field: string, typed: string];
  readonly water: string;
  readonly ballWeight: readonly [field: string, typed: string];
  readonly opens: string;
}

const ITALIAN: Reading = {
  words: 'it',
  choices: [['language', 'it']],
  doughTemp: ['Impasto all’uscita dall’impastatrice (°C)', '25'],
  water: '62,5',
  ballWeight: ['Peso del panetto (g)', '280'],
  opens: '18:15',
};
const AMERICAN: Reading = {
  words: 'en',
  choices: [
    ['language', 'en-US'],
    ['mass', 'us'],
    ['temp', 'fahrenheit'],
    ['clock', '12h'],
  ],
  doughTemp: ['Dough off the mixer (°F)', '77'],
  water: '62.5',
  ballWeight: ['Ball weight (oz)', '9.877'],
  opens: '6:15 PM',
};

/** Sentences of a language by their keys. */
function wordsOf(language: Reading['words']) {
  const areas = ['shell', 'work', 'formulas', 'demand'].map(
    (area) =>
      JSON.parse(
        readFileSync(new URL(`../web/src/words/${language}/${area}.json`, import.meta.url), 'utf8'),
      ) as object,
  );
  const all: unknown = Object.assign({}, ...areas);
  return (key: string): string =>
    String(
      key.split('.').reduce<unknown>((at, part) => (at as Record<string, unknown>)[part], all),
    );
}

/** A day's changes, typed by somebody who reads so; answers with what the house keeps then. */
async function work(browser: Browser, reading: Reading) {
  const house = `reads-${randomUUID().slice(0, 8)}`;
  const { db, pool } = openDatabase(process.env['E2E_DATABASE_URL'] ?? '');
  await loadLanternYard(db, { slug: house, now: new Date(NOW), weeks: 2 });
  await pool.end();
  const context = await browser.newContext({ locale: 'en-GB' });
  await context.addCookies([await sessionOf(house)]);
  const page = await context.newPage();
  const at = (path: string) => `${process.env['E2E_URL']}/${house}/${path}`;
  const [english, say] = [wordsOf('en'), wordsOf(reading.words)];

  await page.goto(at('formulas/yard-dough'));
  await page.getByRole('button', { name: english('shell.reading') }).click();
  for (const [of, value] of reading.choices) {
    // The dialog itself goes over to the language.
    const field = of === 'language' ? english : say;
    await page.getByRole('combobox', { name: field(`reading.title.${of}`) }).click();
    const option = say(`reading.value.${value}`).replace(/: \{\{.*/, '');
    await page.getByRole('option', { name: option, exact: !option.startsWith('12') }).click();
  }
  await page.getByRole('button', { name: say('shell.close') }).click();

  const write = async (name: string, text: string) => {
    const cell = page.getByRole('textbox', { name, exact: true });
    await cell.fill(text);
    await cell.press('Enter');
  };
  await write(reading.doughTemp[0], reading.doughTemp[1]);
  await write(`${say('ingredient.water')} (%)`, reading.water);
  await page
    .getByRole('button', { name: new RegExp(say('formulas.page.save').split(' {{')[0] ?? '') })
    .click();
  await page.getByRole('button', { name: 'Yard Round' }).click();
  await write(reading.ballWeight[0], reading.ballWeight[1]);
  await page.getByRole('button', { name: say('record.keep'), exact: true }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.goto(at('demand/services'));
  await page
    .getByRole('button', { name: /^Dinner/ })
    .first()
    .click();
  await page
    .getByRole('textbox', { name: say('hours.from') })
    .first()
    .fill(reading.opens);
  await page.getByRole('button', { name: say('record.keep'), exact: true }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  const kept = await keptBy(context.request, house);
  await context.close();
  return kept;
}

async function keptBy(request: APIRequestContext, house: string) {
  const read = async <Answer>(path: string) =>
    (await (await request.get(`${process.env['E2E_URL']}${path}`)).json()) as Answer;
  const { formulas, products } = await read<HouseBook>(paths.book(house));
  const { patterns } = await read<HouseCalendar>(paths.calendar(house));
  const yard = formulas.find(({ code }) => code === 'YR');
  return {
    doughTempC: yard?.doughTempC,
    waterPercent: yard?.formula.waterPercent,
    ballWeightG: products.find(({ slug }) => slug === 'yard-round')?.ballWeightG,
    starts: patterns.filter(({ name }) => name === 'Dinner').map(({ startMin }) => startMin),
  };
}

test('a day typed in Italian and one in American English are the same day to the house', async ({
  browser,
}) => {
  const italian = await work(browser, ITALIAN);
  expect(italian).toMatchObject({ doughTempC: 25, waterPercent: 62.5, ballWeightG: 280 });
  expect(italian.starts).toContain(18 * 60 + 15);
  expect(await work(browser, AMERICAN)).toEqual(italian);
});
