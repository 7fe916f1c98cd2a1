import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';
import { OTHER_PORT, portFault } from '../server/src/ports.mjs';
import { Plain } from './say.mjs';

/** The project's root folder, without a slash at its end. */
export const ROOT = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');

/**
 * Runs a command to its end.
 *
 * @param {string} command
 * @param {string[]} args
 * @param {{ env?: Record<string, string>, quiet?: boolean, cwd?: string }} [options] quiet keeps the
 *   output back and returns it
 * @returns {Promise<{ code: number, output: string }>} code 127 when there is no such command
 */
export function run(command, args, { env = {}, quiet = false, cwd = ROOT } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    });
    let output = '';
    child.stdout?.on('data', (chunk) => (output += chunk));
    child.stderr?.on('data', (chunk) => (output += chunk));
    child.on('error', () => resolve({ code: 127, output }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** A command that npm packages brought. @param {string} name */
export const bin = (name) => `${ROOT}/node_modules/.bin/${name}`;

/**
 * Asks a process to stop and waits for it.
 *
 * @param {number} pid
 * @param {number} withinMs after which it is killed
 */
export async function stopPid(pid, withinMs = 15_000) {
  const until = Date.now() + withinMs;
  signal(pid, 'SIGTERM');
  while (isAlive(pid)) {
    if (Date.now() > until) signal(pid, 'SIGKILL');
    await sleep(50);
  }
}

/** @param {number} pid @param {NodeJS.Signals} name */
function signal(pid, name) {
  try {
    process.kill(pid, name);
  } catch {
    // It is gone already, which is what was wanted.
  }
}

/** @param {number} pid */
export function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** @param {number} ms */
export const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * A loopback port nobody listens on.
 *
 * @param {number} [wanted] 0 for any
 * @returns {Promise<number | null>} null when the wanted one is taken
 */
export function freePort(wanted = 0) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(null));
    probe.listen(wanted, '127.0.0.1', () => {
      const address = probe.address();
      const port = typeof address === 'object' && address ? address.port : null;
      probe.close(() => resolve(port));
    });
  });
}

/**
 * The port that PORT asks for, free and one that browsers open. @param {string} command that is begun with it
 * @returns {Promise<number>}
 */
export async function wantedPort(command) {
  const text = process.env['PORT'] ?? '4180';
  const fault = portFault(text);
  if (fault) throw new Plain(fault);
  const port = Number(text);
  if ((await freePort(port)) !== null) return port;
  throw new Plain(
    `Port ${port} is already in use. Stop what uses it, or choose another: PORT=${OTHER_PORT} ${command}`,
  );
}
