import { CHROMIUM } from './chromium.mjs';
import { ROOT } from './processes.mjs';
import { runTool, say } from './say.mjs';
import { serveHouse } from './servedHouse.mjs';

/*
 * npm run screenshots: one picture per main view into docs/screenshots/, from the demo house with
 * the clock fixed.
 */

const DESK = { width: 1280, height: 800 };
const TABLET = { width: 1024, height: 768 };
const PHONE = { width: 390, height: 844 };

/** @type {{ name: string, path: string, size: { width: number, height: number }, theme?: 'dark' }[]} */
const VIEWS = [
  { name: 'tonight', path: 'tonight', size: DESK },
  { name: 'demand', path: 'demand', size: DESK },
  { name: 'plan', path: 'plan', size: DESK },
  { name: 'plan-four-days', path: 'plan?hours=96&at=2026-11-28T12:00:00.000Z', size: DESK },
  { name: 'mix', path: 'mix', size: DESK },
  { name: 'batch-sheet', path: 'mix/2026-11-27/yard-round', size: DESK },
  { name: 'batch-sheet-dark-tablet', path: 'mix/2026-11-28/slab', size: TABLET, theme: 'dark' },
  { name: 'tonight-phone', path: 'tonight', size: PHONE },
];

await runTool(async () => {
  const house = await serveHouse('screenshots');
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(CHROMIUM);
  try {
    for (const { name, path, size, theme } of VIEWS) {
      const page = await browser.newPage({ viewport: size, colorScheme: theme ?? 'light' });
      await page.goto(`${house.url}/lantern-yard/${path}`);
      await page.waitForLoadState('networkidle');
      await page.evaluate('document.fonts.ready');
      await page.screenshot({ path: `${ROOT}/docs/screenshots/${name}.png` });
      await page.close();
      say(`docs/screenshots/${name}.png`);
    }
  } finally {
    await browser.close();
    await house.stop();
  }
});
