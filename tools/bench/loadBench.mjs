import { gzipSync } from 'node:zlib';

/** Pages that somebody opens first, one for each place. */
const PLACES = [
  'tonight',
  'demand',
  'demand/history',
  'formulas',
  'formulas/yard-dough',
  'formulas/yard-round/what-if',
  'plan',
  'mix',
  'mix/2026-11-27/yard-round',
  'walk-in',
  'walk-in/air',
  'crew',
  'log',
];

/**
 * What each place loads, and when its frame, its title and then all of it stand there: cold with nothing kept, warm on the
 * second visit.
 *
 * @param {() => Promise<import('@playwright/test').Page>} desk @param {string} url
 * @param {(text: string) => void} say
 */
export async function firstLoad(desk, url, say) {
  const [FIRST_KB, MORE_KB, COLD_MS, WARM_MS] = [200, 120, 1000, 400];
  /** @param {boolean} isMet */
  const verdict = (isMet) => (isMet ? 'met' : 'MISSED');
  let tonight = new Set();
  say(
    `Loads: Tonight ≤ ${FIRST_KB} kB of JavaScript gzipped, every other place ≤ ${MORE_KB} kB more; title after ≤ ${COLD_MS} ms cold, ≤ ${WARM_MS} ms warm:`,
  );
  for (const path of PLACES) {
    const page = await desk();
    /** @type {Map<string, Promise<number>>} */
    const scripts = new Map();
    /** @param {import('@playwright/test').Response} response */
    const weigh = (response) => {
      if (response.request().resourceType() !== 'script') return;
      const file = new URL(response.url()).pathname;
      scripts.set(
        file,
        response.body().then((body) => gzipSync(body).length),
      );
    };
    const open = async () => {
      await page.goto(`${url}/lantern-yard/${path}`, { waitUntil: 'commit' });
      await page.getByRole('heading', { level: 1 }).waitFor();
      const title = await page.evaluate(() => performance.now());
      await page.locator('main [aria-busy=true]').waitFor({ state: 'detached' });
      return page.evaluate(
        (title) => ({
          frame: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN,
          title,
          whole: performance.now(),
        }),
        title,
      );
    };
    page.on('response', weigh);
    const cold = await open();
    await page.waitForLoadState('networkidle');
    page.off('response', weigh);
    const counted = [...scripts].filter(([file]) => path === 'tonight' || !tonight.has(file));
    const sizes = await Promise.all(counted.map(([, size]) => size));
    const kb = sizes.reduce((sum, size) => sum + size, 0) / 1000;
    if (path === 'tonight') tonight = new Set(scripts.keys());
    const warm = await open();
    await page.context().close();
    const most = path === 'tonight' ? FIRST_KB : MORE_KB;
    say(
      `  ${path}: ${kb.toFixed(1)} kB (${verdict(kb <= most)}); frame after ${cold.frame.toFixed(0)} and ${warm.frame.toFixed(0)} ms; title after ${cold.title.toFixed(0)} ms cold (${verdict(cold.title <= COLD_MS)}), ${warm.title.toFixed(0)} ms warm (${verdict(warm.title <= WARM_MS)}); all of it after ${cold.whole.toFixed(0)} and ${warm.whole.toFixed(0)} ms`,
    );
  }
}
