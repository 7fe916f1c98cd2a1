import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { chromium } from '@playwright/test';
import { benchEngine } from './bench/engineBench';
import { capacity, grown } from './bench/capacityBench.mjs';
import { live } from './bench/liveBench.mjs';
import { cold } from './bench/coldBench.mjs';
import { decide } from './bench/decideBench.mjs';
import { rehearse } from './bench/rehearseBench.mjs';
import { firstLoad } from './bench/loadBench.mjs';
import { log } from './bench/logBench.mjs';
import { benchLearning } from './bench/learnBench';
import { benchWeeks } from './bench/weekBench';
import { WORKER_FILE } from './bench/vite.config.mjs';
import { CHROMIUM } from './chromium.mjs';
import { freePort, ROOT, run } from './processes.mjs';
import { Plain, runTool, say } from './say.mjs';
import { FIXED_NOW, serveHouse } from './servedHouse.mjs';

/** Runs of the coupled week; one lot is run twenty times as often. */
const RUNS = 60;
const WORKER_CONFIG = `${ROOT}/tools/bench/vite.config.mjs`;

const PARTS = [
  'weeks',
  'learn',
  'capacity',
  'grown',
  'live',
  'cold',
  'log',
  'decide',
  'rehearse',
  'load',
  'lever',
  'bead',
  'book',
  'engine',
];
const named = process.argv.slice(2);
/** Parts that were named; all of them when none was. @param {string} part */
const isWanted = (part) => named.length === 0 || named.includes(part);

/** npm run bench [part …]: what is measured rather than tested. */
await runTool(async () => {
  const unknown = named.filter((part) => !PARTS.includes(part));
  if (unknown.length > 0) {
    throw new Plain(`There is no part "${unknown.join('", "')}". Parts: ${PARTS.join(', ')}.`);
  }
  if (isWanted('weeks')) weeks();
  if (isWanted('learn')) learn();
  if (named.length > 0 && named.every((part) => part === 'weeks' || part === 'learn')) return;
  const house = await serveHouse('bench');
  const browser = await chromium.launch(CHROMIUM);
  /** A desk at which the manager is signed in. */
  const desk = async () => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addCookies([house.cookie]);
    return context.newPage();
  };
  try {
    const { url, databaseUrl, cookie } = house;
    if (isWanted('capacity')) await capacity(url, house.pid, say);
    if (isWanted('grown') && !(await grown(url, house.pid, databaseUrl, FIXED_NOW, say)))
      throw new Plain('Missed: a request costs more where more is kept.');
    if (isWanted('live')) await live(url, say);
    if (isWanted('cold')) await cold(desk, databaseUrl, url, cookie, say);
    if (isWanted('log')) await log(databaseUrl, url, cookie, say);
    if (isWanted('decide') && !(await decide(desk, url, say)))
      throw new Plain('Missed: a decision is planned too late.');
    if (isWanted('rehearse') && !(await rehearse(desk, url, say)))
      throw new Plain('Missed: a rehearsal takes too long.');
    if (isWanted('load')) await firstLoad(desk, url, say);
    if (isWanted('lever')) await drag(desk, url);
    if (isWanted('bead')) await dragBead(desk, url);
    if (isWanted('book')) await bigBook(desk, url, cookie);
    if (isWanted('engine')) {
      engine('Node', benchEngine(RUNS));
      engine('a worker in Chromium', await engineInWorker(browser));
    }
  } finally {
    await browser.close();
    await house.stop();
  }
});

/** What the record teaches, on made-up houses and lots whose truth is known. @throws Plain over budget */
function learn() {
  say('Learning: 20 houses of 12 lots, 500 lots with two marks and a look:');
  const missed = benchLearning().filter(({ name, value, least, most }) => {
    const isMet = value >= (least ?? -Infinity) && value <= (most ?? Infinity);
    const bounds = [least !== undefined && `≥ ${least}`, most !== undefined && `≤ ${most}`];
    const wanted = bounds.filter(Boolean).join(', ');
    say(
      `  ${name}: ${value.toFixed(value >= 10 ? 0 : 2)} (${wanted}: ${isMet ? 'met' : 'MISSED'})`,
    );
    return !isMet;
  });
  if (missed.length > 0) throw new Plain(`Missed: ${missed.map(({ name }) => name).join('; ')}.`);
}

/** Ten made-up weeks: cost, proven bound and time, beside the plainest way to plan them. */
function weeks() {
  const MOST_MS = 10_000;
  const FIRST_MS = 200;
  const MOST_GAP = 2;
  say('Weeks planned in Node, at most 10 s each (first plan < 200 ms, then gap ≤ 2 %):');
  for (const week of benchWeeks(MOST_MS)) {
    const { lots, people, firstMs, endMs, points, bound, gapPercent, plainMs } = week;
    const isMet = (firstMs ?? Infinity) < FIRST_MS && (gapPercent ?? Infinity) <= MOST_GAP;
    const plain = week.plainOpen > 0 ? `, ${week.plainOpen} services left open` : '';
    say(
      `  ${lots} lots, ${people} people: first ${firstMs?.toFixed(0) ?? 'none'} ms; ${points.toFixed(1)} points, bound ${bound.toFixed(1)}, gap ${gapPercent?.toFixed(2) ?? '–'} % after ${(endMs / 1000).toFixed(1)} s (${isMet ? 'met' : 'MISSED'}); plain ${week.plainPoints.toFixed(1)} points${plain}, ${plainMs.toFixed(0)} ms`,
    );
  }
}

/** @typedef {import('@playwright/test').Browser} Browser */
/** @typedef {import('@playwright/test').Page} Page */
/** @typedef {() => Promise<Page>} Desk */
/** @typedef {import('./bench/engineBench').EngineTiming} EngineTiming */

/**
 * The longest frame while a lever of What if is dragged up and down: every frame draws the dough's
 * whole way again.
 *
 * @param {Desk} desk @param {string} url
 */
async function drag(desk, url) {
  const page = await desk();
  await page.goto(`${url}/lantern-yard/formulas/yard-round/what-if`);
  const lever = page.getByRole('slider', { name: 'Cold, air' });
  await lever.waitFor();
  const box = await lever
    .locator('xpath=ancestor::*[contains(@class,"MuiSlider-root")]')
    .boundingBox();
  if (!box) throw new Plain('What if has no lever to drag.');
  const y = box.y + box.height / 2;
  const pull = async (times = 1) => {
    await page.mouse.move(box.x + box.width * 0.2, y);
    await page.mouse.down();
    for (let i = 0; i < times; i += 1) {
      await page.mouse.move(box.x + box.width * 0.8, y, { steps: 60 });
      await page.mouse.move(box.x + box.width * 0.2, y, { steps: 60 });
    }
    await page.mouse.up();
  };
  await pull();
  await watchFrames(page);
  await pull(4);
  await printFrames(page, 'Dragging a lever of What if');
  await page.close();
}

/**
 * The longest frame while a bead of the plan is dragged to and fro: ribbons, windows, strips and clashes
 * follow it.
 *
 * @param {Desk} desk @param {string} url
 */
async function dragBead(desk, url) {
  const page = await desk();
  await page.goto(`${url}/lantern-yard/plan`);
  await page.getByText(/^Everything fits/).waitFor();
  const bead = page.getByRole('button', { name: /^Yard dough for Sat 28 Nov: Divide and ball/ });
  const pull = async (times = 1) => {
    await bead.waitFor();
    const box = await bead.boundingBox();
    if (!box) throw new Plain('Plan has no bead to drag.');
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 0; i < times; i += 1) {
      await page.mouse.move(x + 90, y, { steps: 60 });
      await page.mouse.move(x, y, { steps: 60 });
    }
    await page.mouse.up();
    // The rooms follow once the hand is off.
    await page.waitForTimeout(2500);
  };
  await pull();
  await watchFrames(page);
  await pull(4);
  await printFrames(page, 'Dragging a bead of the plan');
  await page.close();
}

/** Notes the length of every frame from here on. @param {Page} page */
async function watchFrames(page) {
  await page.evaluate(() => {
    const frames = /** @type {number[]} */ ([]);
    let last = performance.now();
    const next = (/** @type {number} */ now) => {
      frames.push(now - last);
      last = now;
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
    Object.assign(window, { frames });
  });
}

/** @param {Page} page @param {string} what */
async function printFrames(page, what) {
  const LIMIT_MS = 50;
  const frames = /** @type {number[]} */ (await page.evaluate('window.frames'));
  const sorted = frames.slice(1).sort((a, b) => a - b);
  const at = (/** @type {number} */ share) =>
    sorted[Math.floor(share * (sorted.length - 1))] ?? NaN;
  say(
    `${what}: ${sorted.length} frames, median ${at(0.5).toFixed(1)} ms, 99 in 100 under ${at(0.99).toFixed(1)} ms, longest ${at(1).toFixed(1)} ms (limit ${LIMIT_MS} ms: ${at(1) <= LIMIT_MS ? 'met' : 'MISSED'})`,
  );
}

/**
 * A book of 500 formulas: opened from another place, and looked through letter by letter.
 *
 * @param {Desk} desk @param {string} url @param {{ name: string, value: string }} cookie
 */
async function bigBook(desk, url, { name, value }) {
  const house = `${url}/api/v1/houses/lantern-yard`;
  const cookie = `${name}=${value}`;
  const book = await (await fetch(`${house}/book`, { headers: { cookie } })).json();
  const { name: _n, formula, doughTempC, method, mixerId } = book.formulas[0];
  for (let i = 0; i < 500; i += 1) {
    const letters = [26 * 26, 26, 1].map((unit) =>
      String.fromCharCode(65 + (Math.floor(i / unit) % 26)),
    );
    const content = { name: `Trial dough ${i}`, formula, doughTempC, method, mixerId };
    const body = JSON.stringify({ code: `Z${letters.join('')}`, note: '', content });
    const made = await fetch(`${house}/formulas`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body,
    });
    if (made.status !== 201) throw new Plain(`Formula ${i} was not made: ${await made.text()}`);
  }
  const page = await desk();
  await page.goto(`${url}/lantern-yard/formulas`);
  await page.getByRole('link', { name: 'Trial dough 0', exact: true }).waitFor();
  await page.goto(`${url}/lantern-yard/demand`);
  await page.waitForLoadState('networkidle');
  await watchFrames(page);
  await page.getByRole('link', { name: /^Formulas/ }).click();
  await page.getByRole('link', { name: 'Trial dough 0', exact: true }).waitFor();
  const sought = page.getByRole('textbox', { name: 'Find a formula or product' });
  await sought.pressSequentially('trial dough 49', { delay: 60 });
  await page.getByRole('link', { name: 'Trial dough 499' }).waitFor();
  for (let i = 0; i < 14; i += 1) await sought.press('Backspace', { delay: 60 });
  await printFrames(page, 'Opening and looking through a book of 500 formulas');
  await page.close();
}

/** @param {string} where @param {EngineTiming[]} timings */
function engine(where, timings) {
  for (const { what, limitMs, engineMs, flatMs, ratio } of timings) {
    const verdict = engineMs.median < limitMs ? 'met' : 'MISSED';
    say(
      `${what}, in ${where}: median ${engineMs.median.toFixed(2)} ms, fastest ${engineMs.fastest.toFixed(2)} ms (limit ${limitMs} ms: ${verdict}); by hand on typed arrays ${flatMs.median.toFixed(2)} and ${flatMs.fastest.toFixed(2)} ms; ratio ${ratio.toFixed(2)}`,
    );
  }
}

/** The same measurement inside a worker of a real browser. @param {Browser} browser @returns {Promise<EngineTiming[]>} */
async function engineInWorker(browser) {
  const vite = ['exec', '--workspace', 'web', '--', 'vite', 'build', '--config', WORKER_CONFIG];
  const built = await run('npm', vite, { quiet: true, env: { NODE_OPTIONS: '' } });
  if (built.code !== 0) throw new Plain(`The worker could not be built:\n${built.output}`);
  const script = readFileSync(WORKER_FILE);
  const server = createServer((request, response) => {
    const isScript = request.url === '/worker.js';
    response.setHeader('content-type', isScript ? 'text/javascript' : 'text/html');
    response.end(isScript ? script : '<!doctype html><title>bench</title>');
  });
  const port = (await freePort()) ?? 0;
  await new Promise((resolve) => server.listen(port, '127.0.0.1', () => resolve(null)));
  try {
    const page = await browser.newPage();
    await page.goto(`http://127.0.0.1:${port}/`);
    return await page.evaluate(
      (runs) =>
        new Promise((resolve, reject) => {
          const worker = new Worker('/worker.js', { type: 'module' });
          worker.onmessage = ({ data }) => resolve(data);
          worker.onerror = ({ message }) => reject(new Error(message));
          worker.postMessage(runs);
        }),
      RUNS,
    );
  } finally {
    server.close();
  }
}
