import { CHROMIUM } from './chromium.mjs';
import { ROOT } from './processes.mjs';
import { runTool, say } from './say.mjs';
import { serveHouse } from './servedHouse.mjs';

/*
 * npm run screenshots [name …]: one picture per main view into docs/screenshots/, or of those that are named, from
 * the demo house with the clock fixed.
 */

const DESK = { width: 1280, height: 800 };
const TABLET = { width: 1024, height: 768 };
const UPRIGHT = { width: 768, height: 1024 };
const PHONE = { width: 390, height: 844 };

/** @typedef {import('@playwright/test').Page} Page */

/** A formula with something changed that is worth a second look. @param {Page} page */
async function saltier(page) {
  const salt = page.getByRole('textbox', { name: 'Salt (%)' });
  await salt.fill('1.8');
  await salt.press('Enter');
  await page.getByText('Save as version 2').waitFor();
}

/** The festival's dinner, with what stands behind its number. @param {Page} page */
async function festival(page) {
  await page
    .getByText(/expect \d/)
    .first()
    .waitFor();
  await page.getByRole('textbox', { name: 'Yard Round, Dinner Sat 28 Nov' }).focus();
  await page.getByRole('button', { name: /^Why this/ }).click();
}

/** Half of the flour on the scale. @param {Page} page */
async function pouring(page) {
  await page.getByRole('button', { name: 'Hold to pour' }).hover();
  await page.mouse.down();
  await page.waitForTimeout(1500);
  await page.mouse.up();
  await page.waitForTimeout(1200);
}

/** A lot of the log, opened. @param {Page} page */
async function firstLot(page) {
  await page.getByRole('link', { name: 'YR-1112-A' }).click();
  await page.getByRole('img', { name: /thick as it rose/ }).waitFor();
}

/** The week as it was published, with doses and rooms. @param {Page} page */
async function published(page) {
  await page.getByText(/^Everything fits/).waitFor();
  await page.waitForTimeout(2500);
}

/** A bead pushed into the evening: what does not fit, and what mends it. @param {Page} page */
async function clashing(page) {
  await published(page);
  const bead = page.getByRole('button', { name: /^Yard dough for Sat 28 Nov: Divide and ball/ });
  await bead.focus();
  for (let i = 0; i < 7; i += 1) await page.keyboard.press('Shift+PageDown');
  await page.getByRole('region', { name: 'What does not fit' }).waitFor();
  await page.waitForTimeout(2500);
}

/** Trays in hand. @param {Page} page */
async function inHand(page) {
  await page
    .getByRole('button', { name: /^YR-1124-A Yard Round/ })
    .first()
    .click();
  await page.getByRole('region', { name: 'Picked up' }).waitFor();
}

/** Ten hours without power. @param {Page} page */
async function withPowerCut(page) {
  const hours = page.getByRole('textbox', { name: 'For' });
  await hours.fill('10');
  await hours.press('Enter');
  await page
    .getByText(/earlier/)
    .first()
    .waitFor();
  // What is drawn while it is calculated again is the answer to the question before.
  await page.waitForTimeout(300);
  await page.locator('main [aria-busy=true]').waitFor({ state: 'detached' });
}

/** A route as it is edited. @param {Page} page */
async function firstRoute(page) {
  await page.getByRole('link', { name: 'Two nights cold' }).click();
  await page.getByTestId('reading').waitFor();
}

/** A dough that was read, with what the coach says. @param {Page} page */
async function readDough(page) {
  await page.getByRole('button', { name: 'Right', exact: true }).click();
  await page.getByRole('button', { name: '2 h' }).click();
  await page.getByRole('button', { name: 'Say so' }).click();
  const coach = page.getByRole('status').filter({ hasText: 'Your answer' });
  await coach.evaluate((element) => element.scrollIntoView({ block: 'end' }));
}

/** @type {{ name: string, path: string, size: { width: number, height: number }, theme?: 'dark', language?: string, act?: (page: Page) => Promise<void> }[]} */
const VIEWS = [
  { name: 'tonight', path: 'tonight', size: DESK },
  { name: 'demand', path: 'demand?days=7', size: DESK, act: festival },
  { name: 'formulas', path: 'formulas', size: DESK },
  { name: 'formula', path: 'formulas/slab-dough', size: DESK, act: saltier },
  { name: 'route', path: 'formulas/routes', size: DESK, act: firstRoute },
  { name: 'what-if', path: 'formulas/yard-round/what-if', size: DESK },
  { name: 'my-shift-tablet', path: 'crew/shift', size: TABLET },
  { name: 'plan', path: 'plan', size: DESK, act: clashing },
  { name: 'batch-sheet', path: 'mix/2026-11-27/yard-round', size: DESK },
  {
    name: 'weigh-off-dark-tablet',
    path: 'mix/2026-11-27/yard-round/weigh?load=1',
    size: UPRIGHT,
    theme: 'dark',
    act: pouring,
  },
  { name: 'house', path: 'house', size: DESK },
  { name: 'paper', path: 'mix/2026-11-28/slab/paper', size: DESK },
  { name: 'walk-in', path: 'walk-in', size: DESK, act: inHand },
  {
    name: 'cold-what-if-dark',
    path: 'walk-in/what-if',
    size: DESK,
    theme: 'dark',
    act: withPowerCut,
  },
  { name: 'crew', path: 'crew', size: DESK },
  { name: 'consistency', path: 'log/consistency', size: DESK },
  { name: 'lot', path: 'log?text=YR-1112', size: DESK, act: firstLot },
  { name: 'practice-phone', path: 'crew/practice/reading', size: PHONE, act: readDough },
  // Last: it stays so for whoever is signed in.
  { name: 'tonight-right-to-left', path: 'tonight', size: DESK, language: 'ar' },
];

/** Until what is calculated beside the page has come too: it says the same for a second. @param {Page} page */
async function settled(page) {
  const words = () => page.locator('main').innerText();
  for (let before = ''; before !== (await words());) {
    before = await words();
    await page.waitForTimeout(1000);
  }
}

/** Views that were named; all of them when none was. @param {{ name: string }} view */
const isWanted = ({ name }) => process.argv.length < 3 || process.argv.includes(name, 2);

await runTool(async () => {
  const house = await serveHouse('screenshots');
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(CHROMIUM);
  try {
    for (const { name, path, size, theme, language, act } of VIEWS.filter(isWanted)) {
      const context = await browser.newContext({
        viewport: size,
        colorScheme: theme ?? 'light',
      });
      await context.addCookies([house.cookie]);
      if (language) {
        const rest = { mass: 'metric', temp: 'celsius', clock: '24h', decimal: 'language' };
        await context.request.put(`${house.url}/api/v1/houses/lantern-yard/session/preferences`, {
          data: { language, ...rest },
        });
      }
      const page = await context.newPage();
      // What is drawn by chance is the same each time, and no two draws alike: answers of workers go by them.
      await page.addInitScript(
        'let drawn = 31; Math.random = () => (drawn = (drawn * 16807) % 2147483647) / 2147483647',
      );
      await page.goto(`${house.url}/lantern-yard/${path}`);
      await page.waitForLoadState('networkidle');
      await page.evaluate('document.fonts.ready');
      await act?.(page);
      await settled(page);
      await page.screenshot({ path: `${ROOT}/docs/screenshots/${name}.png` });
      await context.close();
      say(`docs/screenshots/${name}.png`);
    }
  } finally {
    await browser.close();
    await house.stop();
  }
});
