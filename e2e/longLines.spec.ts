import { cp, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from '@playwright/test';
import { createProxyServer } from 'http-proxy-3';
import { arrived, expect, expectAccessible, keptActs, sessionOf, tablet, test } from './house';
import { builtWeb, NOW, startServer } from './server';

/*
 * What happens on the long way between a tablet and the house: the house is updated meanwhile, a proxy between them
 * fails, the tablet lies in a drawer for weeks.
 */

test.use({ viewport: { width: 1024, height: 768 } });

/**
 * The built pages as another build of them: every script has another name, as what it asks for has. A script that
 * kept its name would be taken from what the device has of the build before, and would bring that build's own.
 */
async function anotherBuild(): Promise<string> {
  const dir = await mkdtemp(join(tmpdir(), 'calm-web-'));
  await cp(builtWeb(), dir, { recursive: true });
  const assets = join(dir, 'assets');
  const built = await readdir(assets);
  const scripts = new Set(built.filter((name) => name.endsWith('.js')));
  const next = (name: string) => name.replace(/\.js$/, '-next.js');
  const rename = (text: string) =>
    text.replace(/[\w.-]+\.js/g, (name) => (scripts.has(name) ? next(name) : name));
  for (const name of built) {
    const path = join(assets, name);
    if (scripts.has(name))
      await writeFile(join(assets, next(name)), rename(await readFile(path, 'utf8')));
    // What was made small once is of the build before.
    if (scripts.has(name) || /\.(br|gz)$/.test(name)) await rm(path);
  }
  for (const name of ['index.html', 'offline.js']) {
    const path = join(dir, name);
    await writeFile(path, rename(await readFile(path, 'utf8')));
  }
  return dir;
}

/** A tablet on which something was done after its house went away. */
async function cutOff(browser: Browser, house: string) {
  const databaseUrl = process.env['E2E_DATABASE_URL'] ?? '';
  const before = await startServer(databaseUrl, NOW);
  const { context, page } = await tablet(browser, house, `${before.url}/${house}/crew/shift`);
  await before.stop();
  await page.getByRole('button', { name: 'Start' }).first().click();
  await expect(page.getByText(/1 change is saved on this device/)).toBeVisible();
  return { databaseUrl, before, context, page };
}

test('the house is updated during a shift: what was done meanwhile arrives, and one press has the new pages', async ({
  browser,
  house,
}) => {
  const { databaseUrl, before, context, page } = await cutOff(browser, house);

  const webDir = await anotherBuild();
  const port = Number(new URL(before.url).port);
  const after = await startServer(databaseUrl, NOW, 0, { port, webDir });
  await expect(page.getByText(/saved on this device/)).toHaveCount(0, { timeout: 30_000 });
  await expect(async () => expect(await keptActs(page)).toBe(0)).toPass();
  const notice = page.getByRole('status').filter({ hasText: 'A new version of Calm Tray' });
  await expect(notice).toBeVisible();
  await expectAccessible(page);
  await notice.getByRole('button', { name: 'Load it' }).click();
  await arrived(page);
  await expect(page.locator('script[src*="-next.js"]')).toHaveCount(1);
  await expect(page.getByText(/started 15:40/).first()).toBeVisible();
  await expect(notice).toHaveCount(0);
  await context.close();
  await after.stop();
  await rm(webDir, { recursive: true });
});

/**
 * A proxy before a server. Its live line can be made to fail as proxies fail, with a page of its own; what is asked of
 * the lots can be made to wait.
 */
async function flakyProxy(target: string) {
  const proxy = createProxyServer({ target });
  proxy.on('error', (_error, _req, res) => res.destroy());
  const state = { fails: false, failures: 0, lotsWaitMs: 0 };
  const server: Server = createServer((req, res) => {
    const isLive = req.url?.endsWith('/live') === true;
    const waitMs = /\/lots\?/.test(req.url ?? '') ? state.lotsWaitMs : 0;
    if (!isLive || !state.fails) return void setTimeout(() => proxy.web(req, res), waitMs);
    state.failures += 1;
    res.writeHead(502, { 'content-type': 'text/html' }).end('<h1>502 Bad Gateway</h1>');
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  return {
    url: `http://127.0.0.1:${port}`,
    state,
    cutAll: () => server.closeAllConnections(),
    stop: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}

test('a proxy answers for the live line with a page of its own: the line comes back by itself', async ({
  browser,
  house,
}) => {
  const databaseUrl = process.env['E2E_DATABASE_URL'] ?? '';
  const server = await startServer(databaseUrl, NOW);
  const proxy = await flakyProxy(server.url);
  const { context, page } = await tablet(browser, house, `${proxy.url}/${house}/crew/shift`);
  proxy.state.fails = true;
  proxy.cutAll();
  await expect(async () => expect(proxy.state.failures).toBeGreaterThan(1)).toPass({
    timeout: 30_000,
  });
  proxy.state.fails = false;
  await expect(page.getByText(/^No connection/)).toHaveCount(0, { timeout: 30_000 });

  // What is done elsewhere is seen here, without anything being pressed.
  const elsewhere = await browser.newContext();
  await elsewhere.addCookies([await sessionOf(house)]);
  const desk = await elsewhere.newPage();
  await desk.goto(`${server.url}/${house}/crew/shift`);
  await desk.getByRole('button', { name: 'Start' }).first().click();
  await expect(page.getByText(/started 15:40/).first()).toBeVisible({ timeout: 30_000 });
  await elsewhere.close();
  await context.close();
  await proxy.stop();
  await server.stop();
});

test('a house that answers late is waited for behind what the device had kept, and then seen', async ({
  browser,
  house,
}) => {
  const server = await startServer(process.env['E2E_DATABASE_URL'] ?? '', NOW);
  const proxy = await flakyProxy(server.url);
  const { context, page } = await tablet(browser, house, `${proxy.url}/${house}/crew/shift`);
  await page.goto('about:blank');

  const elsewhere = await browser.newContext();
  await elsewhere.addCookies([await sessionOf(house)]);
  const desk = await elsewhere.newPage();
  await desk.goto(`${server.url}/${house}/crew/shift`);
  await desk.getByRole('button', { name: 'Start' }).first().click();
  await expect(desk.getByText(/started 15:40/).first()).toBeVisible();
  await expect(async () => expect(await keptActs(desk)).toBe(0)).toPass();
  proxy.state.lotsWaitMs = 7000;
  await page.goto(`${proxy.url}/${house}/crew/shift`);
  await expect(page.getByRole('button', { name: 'Start' }).first()).toBeVisible();
  await expect(page.getByText(/started 15:40/)).toHaveCount(0);
  proxy.state.lotsWaitMs = 0;
  await expect(page.getByText(/started 15:40/).first()).toBeVisible({ timeout: 30_000 });
  await elsewhere.close();
  await context.close();
  await proxy.stop();
  await server.stop();
});

test('a tablet that lay in a drawer for three weeks gives what was done on it, once somebody says it is theirs', async ({
  browser,
  house,
}) => {
  const { databaseUrl, before, context, page } = await cutOff(browser, house);
  await page.close();

  const port = Number(new URL(before.url).port);
  const after = await startServer(databaseUrl, '2026-12-16T14:40:00.000Z', 0, { port });
  const back = await context.newPage();
  await back.goto(`${before.url}/${house}/crew/shift`);
  // Nobody is signed in after so long; what was done waits for whoever did it.
  await back.getByRole('button', { name: 'Maro' }).click();
  await back.getByLabel('Password').fill('ostrel harbour');
  await back.keyboard.press('Enter');
  const asked = back.getByRole('alert').filter({ hasText: 'was not sent before you signed out' });
  await expect(asked).toBeVisible({ timeout: 30_000 });
  expect(await keptActs(back)).toBe(1);
  await asked.getByRole('button', { name: 'These are mine: send' }).click();
  await expect(async () => expect(await keptActs(back)).toBe(0)).toPass();
  await expect(back.getByText(/was not taken/)).toHaveCount(0);
  await context.close();
  await after.stop();
});
