import { paths, type DisplayPreferences, type Role } from '@calm/contract';
import { openDatabase, schema } from '@calm/server';
import type { Page } from '@playwright/test';
import { and, eq } from 'drizzle-orm';
import { violationsOn } from './axe';
import { arrived, expect, sessionOf, stoodStill, test, watchConsole } from './house';
import { sideways, unseenFocus, wrongNames, wrongTargets, wrongTexts } from './rulers';

/*
 * Every page, for everybody: each in two of sixteen ways to come to it, so that each role meets each size of
 * screen, in light and dark, in four languages of which one is written from the right. With EVERY_HAND=1
 * to 15 it is two other ways: after all sixteen turns each page was met in each role, at each size, light and dark.
 */
const TURN = Number(process.env['EVERY_HAND'] ?? 0);

const PAGES = [
  'tonight',
  'tonight/what-now',
  'tonight/guests',
  'tonight/flour',
  'tonight/oven',
  'tonight/scale',
  'demand',
  'demand/shopping',
  'demand/services',
  'demand/history',
  'formulas',
  'formulas/yard-dough',
  'formulas/yard-dough/method',
  'formulas/yard-dough/make',
  'formulas/routes',
  'formulas/routes/new',
  'formulas/pantry',
  'formulas/yard-round/what-if',
  'plan',
  'plan/paper',
  'plan/rehearsal',
  'mix',
  'mix/2026-11-27/yard-round',
  'mix/2026-11-27/yard-round/weigh',
  'mix/2026-11-25/yard-round/ball',
  'mix/2026-11-27/yard-round/paper',
  'mix/2026-11-26/slab/ahead',
  'walk-in',
  'walk-in/air',
  'walk-in/load-in',
  'walk-in/what-if',
  'walk-in/record',
  'walk-in/places',
  'crew',
  'crew/shift',
  'crew/handover',
  'crew/practice',
  'crew/practice/reading',
  'crew/practice/drills/dividing',
  'crew/practice/evenings',
  'crew/practice/evenings/heatwave',
  'crew/practice/weeks/quiet-then-busy',
  'log',
  'log/consistency',
  'house',
  'house/learned',
  'nowhere',
] as const;

const SIZES = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 768, height: 1024 },
  { width: 390, height: 844 },
] as const;
const LANGUAGES = ['en', 'ar', 'it', 'es'] as const;
const WHO: Readonly<Record<Role, string>> = {
  manager: 'Maro',
  hand: 'Tilde',
  oven: 'Bashir',
  viewer: 'Wren',
};
const ROLES = Object.keys(WHO) as Role[];

/** All WCAG rules up to 2.2 AA, and what practice has found beyond them. */
const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** Dialogs of one page that are looked at each time. */
const MOST_DIALOGS = 6;

interface Way {
  readonly role: Role;
  readonly size: (typeof SIZES)[number];
  readonly theme: 'light' | 'dark';
  readonly language: (typeof LANGUAGES)[number];
  readonly pages: readonly string[];
}

/** A role at each size, with every eighth page; which eighth is different each time, so that all have their turns. */
const waysOf = (role: Role, r: number): Way[] =>
  SIZES.map((size, s) => ({
    role,
    size,
    theme: (r + Math.floor(s / 2) + Math.floor(TURN / 8)) % 2 === 0 ? 'light' : 'dark',
    language: LANGUAGES[(r + s + TURN) % LANGUAGES.length] ?? 'en',
    pages: PAGES.filter((_page, i) => isTurn(i, r, s)),
  }));

/** Whether a page has its turn for a role at a size. */
const isTurn = (page: number, role: number, size: number): boolean =>
  (page + 3 * role + size + TURN) % 8 === 0;

/** Whether this is the first of the ways in which somebody comes to a page: some things are looked at once. */
function isFirstWay(path: string, role: number, size: (typeof SIZES)[number]): boolean {
  const page = (PAGES as readonly string[]).indexOf(path);
  const ways = ROLES.flatMap((_role, r) => SIZES.map((_size, s) => ({ r, s })));
  const first = ways.find(({ r, s }) => isTurn(page, r, s));
  return first?.r === role && SIZES[first.s] === size;
}

test.describe.configure({ mode: 'parallel' });
for (const [r, role] of ROLES.entries()) {
  test(`every page is as it should be for: ${role}`, async ({ page, at, house, context }) => {
    test.setTimeout(600_000);
    const said = watchConsole(page);
    await become(house, role);
    await context.clearCookies();
    await context.addCookies([await sessionOf(house, WHO[role])]);
    for (const { size, theme, language, pages } of waysOf(role, r)) {
      await page.setViewportSize(size);
      await page.emulateMedia({ colorScheme: theme });
      const address = `${process.env['E2E_URL']}${paths.changePreferences(house)}`;
      await context.request.put(address, { data: preferencesIn(language) });
      for (const path of pages) {
        await page.goto(at(path));
        await arrived(page);
        const what = `${path}, ${size.width} px, ${theme}, ${language}`;
        await test.step(what, async () => {
          await expectForEverybody(page, what, leastTarget(path, size.width));
          await expectDialogs(page, what, leastTarget(path, size.width));
          if (isFirstWay(path, r, size)) await expectAnyScreen(page, what, size);
        });
      }
    }
    // A page that is not there, and what a role may not read, are told so on purpose.
    expect(said.filter((line) => !/40[34]/.test(line))).toEqual([]);
  });
}

const preferencesIn = (language: DisplayPreferences['language']): DisplayPreferences => ({
  language,
  mass: 'metric',
  temp: 'celsius',
  clock: language === 'ar' ? '12h' : '24h',
  decimal: 'language',
  week: language === 'ar' ? 'saturday' : 'monday',
});

/** Gives somebody of the house a role. */
async function become(house: string, role: Role): Promise<void> {
  const { db, pool } = openDatabase(process.env['E2E_DATABASE_URL'] ?? '');
  const { people, houses } = schema;
  const [own] = await db.select({ id: houses.id }).from(houses).where(eq(houses.slug, house));
  await db
    .update(people)
    .set({ role })
    .where(and(eq(people.houseId, own?.id ?? ''), eq(people.name, WHO[role])));
  await pool.end();
}

/** Where hands with flour on them work. */
const AT_WORK = /^(tonight|mix|walk-in|crew\/(shift|handover))/;

/** The least that a hand has to hit there, px. */
const leastTarget = (path: string, width: number): number =>
  AT_WORK.test(path) && width <= 1100 ? 48 : 32;

/** What axe and a ruler find on the page as it stands, or in the dialog over it. */
async function expectInOrder(page: Page, what: string, least: number): Promise<void> {
  await stoodStill(page);
  const violations = await violationsOn(page, RULES);
  const told = violations.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 160)}`));
  expect.soft(told, what).toEqual([]);
  const { small, keys } = await page.evaluate(wrongTexts);
  const { narrow, covering } = await page.evaluate(wrongTargets, least);
  const { crossing, beyond } = await page.evaluate(wrongNames);
  const over = await page.evaluate(sideways);
  expect.soft(over, `${what} goes sideways`).toBeLessThanOrEqual(0);
  expect.soft(small, `${what} has letters under 14 px`).toEqual([]);
  expect.soft(crossing, `${what} has pages whose names cross others`).toEqual([]);
  expect.soft(beyond, `${what} is open, and its name is out of sight`).toEqual([]);
  expect.soft(covering, `${what} has things to hit that cover one another`).toEqual([]);
  expect.soft(keys, `${what} shows keys of the catalogue`).toEqual([]);
  expect.soft(narrow, `${what} has something under ${least} px to hit`).toEqual([]);
}

async function expectForEverybody(page: Page, path: string, least: number): Promise<void> {
  await expectInOrder(page, path, least);
  for (let i = 0; i < 3; i += 1) {
    await page.keyboard.press('Tab');
    const unseen = await page.evaluate(unseenFocus);
    expect.soft(unseen, `${path}: where the keyboard is can be seen`).toBe('');
  }
}

/** Every kind of dialog that the page opens. */
async function expectDialogs(page: Page, what: string, least: number): Promise<void> {
  const openers = page.locator(':is(main, nav) [aria-haspopup=dialog]:enabled:visible');
  const words = await openers.evaluateAll((all) => all.map((each) => each.textContent));
  const kinds = words
    .map((each, i) => ({ each, i }))
    .filter(({ each, i }) => words.indexOf(each) === i);
  const some = what.startsWith('tonight') ? kinds : kinds.filter(({ each }) => each !== '');
  for (const { each, i } of some.slice(0, MOST_DIALOGS)) {
    await openers.nth(i).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog, `${what}: ${each}`).toBeVisible();
    // It is looked at when it has come up whole.
    await expect(dialog.locator('xpath=..')).toHaveCSS('opacity', '1');
    await expectInOrder(page, `${what}: ${each}`, least);
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveCount(0);
    await expect.soft(openers.nth(i), `${what}: ${each} has the keyboard again`).toBeFocused();
  }
}

/** The page when its tablet is turned and turned back, magnified four times, and in the system's own colours. */
async function expectAnyScreen(
  page: Page,
  what: string,
  size: { readonly width: number; readonly height: number },
): Promise<void> {
  const turned = { width: size.height, height: size.width };
  const magnified = { width: 320, height: 256 };
  for (const each of [turned, size, magnified, size]) {
    await page.setViewportSize(each);
    await expect.soft
      .poll(() => page.evaluate(sideways), {
        message: `${what}, then ${each.width} px, goes sideways`,
        timeout: 3000,
      })
      .toBeLessThanOrEqual(0);
  }
  await page.emulateMedia({ forcedColors: 'active' });
  await page.keyboard.press('Tab');
  const unseen = await page.evaluate(unseenFocus);
  expect.soft(unseen, `${what}: where the keyboard is, in forced colours`).toBe('');
  await page.emulateMedia({ forcedColors: 'none' });
}
