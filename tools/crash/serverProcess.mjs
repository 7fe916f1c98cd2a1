import { spawn } from 'node:child_process';
import { isAlive, ROOT, sleep } from '../processes.mjs';
import { Plain } from '../say.mjs';

const READY_WITHIN_MS = 60_000;

/**
 * A server process, ready. @param {Record<string, string | undefined>} env @param {string} address
 * @returns {Promise<number>} its pid
 */
export async function startServer(env, address) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: ROOT,
    env: /** @type {NodeJS.ProcessEnv} */ (env),
    stdio: 'ignore',
  });
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
  throw new Plain(`${address} is not ready again.`);
}

/** Ends a process at once, as a cut of the power would. @param {number} pid */
export async function kill(pid) {
  process.kill(pid, 'SIGKILL');
  while (isAlive(pid)) await sleep(5);
}
