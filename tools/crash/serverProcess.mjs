import { spawn } from 'node:child_process';
import { closeSync, mkdirSync, openSync } from 'node:fs';
import { dirname } from 'node:path';
import { isAlive, ROOT, sleep } from '../processes.mjs';
import { Plain } from '../say.mjs';

const READY_WITHIN_MS = 60_000;
/** What server processes say of why they ended. */
const SERVER_LOG = `${ROOT}/.data/crash-servers.log`;

/**
 * A server process, ready. @param {Record<string, string | undefined>} env @param {string} address
 * @returns {Promise<number>} its pid
 */
export async function startServer(env, address) {
  mkdirSync(dirname(SERVER_LOG), { recursive: true });
  const log = openSync(SERVER_LOG, 'a');
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: ROOT,
    env: /** @type {NodeJS.ProcessEnv} */ (env),
    stdio: ['ignore', 'ignore', log],
  });
  closeSync(log);
  if (child.pid === undefined) throw new Plain('The server could not be started.');
  await ready(address);
  return child.pid;
}

/** @param {string} address */
export async function ready(address) {
  const until = Date.now() + READY_WITHIN_MS;
  while (Date.now() < until) {
    const isReady = await fetch(`${address}/readyz`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (isReady) return;
    await sleep(50);
  }
  throw new Plain(`${address} is not ready again; see ${SERVER_LOG}.`);
}

/** Ends a process at once, as a cut of the power would. @param {number} pid */
export async function kill(pid) {
  if (isAlive(pid)) process.kill(pid, 'SIGKILL');
  while (isAlive(pid)) await sleep(5);
}
