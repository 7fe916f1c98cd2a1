import { gzipSync } from 'node:zlib';
import { runTool, say } from './say.mjs';
import { CHROMIUM, serveHouse } from './servedHouse.mjs';

/** npm run bench: what is measured rather than tested. */
await runTool(async () => {
  const house = await serveHouse('bench');
  try {
    await firstLoad(house.url);
  } finally {
    await house.stop();
  }
});

/** JavaScript that the first load of Tonight fetches, gzipped. @param {string} url */
async function firstLoad(url) {
  const LIMIT_KB = 300;
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage();
  /** @type {Promise<number>[]} */
  const sizes = [];
  page.on('response', (response) => {
    if (response.request().resourceType() !== 'script') return;
    sizes.push(response.body().then((body) => gzipSync(body).length));
  });
  await page.goto(`${url}/lantern-yard/tonight`);
  await page.waitForLoadState('networkidle');
  const bytes = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
  await browser.close();
  const kb = bytes / 1000;
  say(
    `First load of Tonight: ${kb.toFixed(1)} kB of JavaScript gzipped in ${sizes.length} files (limit ${LIMIT_KB} kB: ${kb < LIMIT_KB ? 'met' : 'MISSED'})`,
  );
}
