import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { CHROMIUM } from './chromium.mjs';
import { ROOT } from './processes.mjs';

/*
 * npm run icons: draws web/public/icon.svg as the pictures that home screens ask for. A maskable one is cut to a
 * circle by some of them: what counts stays in its middle.
 */

const PUBLIC = `${ROOT}/web/public`;
const GROUND = '#1e5852';
/** @type {readonly { name: string, size: number, share: number }[]} */
const ICONS = [
  { name: 'icon-192', size: 192, share: 1 },
  { name: 'icon-512', size: 512, share: 1 },
  { name: 'icon-maskable-512', size: 512, share: 0.72 },
  { name: 'icon-apple-180', size: 180, share: 0.8 },
];

const svg = readFileSync(`${PUBLIC}/icon.svg`).toString('base64');
const browser = await chromium.launch(CHROMIUM);
for (const { name, size, share } of ICONS) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  const isWhole = share === 1;
  await page.setContent(
    `<body style="margin:0;height:100vh;display:grid;place-items:center;background:${isWhole ? 'none' : GROUND}">
      <img alt="" style="width:${size * share}px" src="data:image/svg+xml;base64,${svg}">`,
  );
  await page.locator('img').evaluate((img) => /** @type {HTMLImageElement} */ (img).decode());
  await page.screenshot({ path: `${PUBLIC}/${name}.png`, omitBackground: isWhole });
  await page.close();
}
await browser.close();
