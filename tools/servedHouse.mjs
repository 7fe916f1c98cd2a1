import { spawn } from 'node:child_process';
import { comeIn } from '../demo/src/comeIn';
import { buildWeb, WEB_DIST } from './build.mjs';
import { installDatabase, startDatabase } from './database.mjs';
import { installDebian, installPackages } from './install.mjs';
import { bin, freePort, ROOT, run, stopPid } from './processes.mjs';
import { Plain } from './say.mjs';

/** A Wednesday, 15:40 at Lantern Yard: lunch is over, dinner is in two hours. */
export const FIXED_NOW = '2026-11-25T14:40:00.000Z';

/**
 * The demo house on a throwaway database, with the clock fixed, served as `npm run demo` serves it:
 * for pictures and measurements.
 *
 * @param {string} name of its folder under .data/
 * @param {{ now?: string, speed?: number }} clock where it begins, and how fast it goes on
 * @returns {Promise<{ url: string, pid: number, databaseUrl: string, cookie: { name: string, value: string, url: string }, stop: () => Promise<void> }>}
 *   the cookie is its manager's
 */
export async function serveHouse(name, { now = FIXED_NOW, speed = 0 } = {}) {
  await installPackages();
  await installDatabase();
  await installDebian([
    { command: 'chromium', debianPackage: 'chromium', otherwise: 'Chromium is needed for this.' },
  ]);
  await buildWeb();
  const database = await startDatabase(name, { isThrowaway: true });
  const port = (await freePort()) ?? 0;
  const env = {
    ...process.env,
    DATABASE_URL: database.appUrl,
    CALM_NOW: now,
    CALM_SPEED: String(speed),
    CALM_WEB_DIR: WEB_DIST,
    LOG_LEVEL: 'warn',
    PORT: String(port),
  };
  const prepared = await run(bin('tsx'), ['demo/src/prepare.ts'], {
    env: { ...env, DATABASE_URL: database.url, DATABASE_APP_URL: database.appUrl },
    quiet: true,
  });
  if (prepared.code !== 0) {
    await database.stop();
    throw new Plain(prepared.output);
  }
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve) => server.stdout?.once('data', resolve));
  const url = `http://127.0.0.1:${port}`;
  const [key = '', value = ''] = (await comeIn(url, 'lantern-yard')).split('=');
  return {
    url,
    pid: server.pid ?? 0,
    databaseUrl: database.url,
    cookie: { name: key, value, url },
    stop: async () => {
      if (server.pid) await stopPid(server.pid);
      await database.stop();
    },
  };
}
