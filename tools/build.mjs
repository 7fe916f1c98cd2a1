import { existsSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { ROOT, run } from './processes.mjs';
import { Plain, say } from './say.mjs';

/** Where the built web application lies. */
export const WEB_DIST = `${ROOT}/web/dist`;
const STAMP = `${WEB_DIST}/.built`;
const SOURCES = ['web', 'core/src', 'contract/src', 'domain/src', 'package-lock.json'];

/** Builds the web application, unless nothing has changed since the last time. */
export async function buildWeb() {
  const newestMs = Math.max(...SOURCES.map((path) => newestIn(`${ROOT}/${path}`)));
  if (existsSync(STAMP) && statSync(STAMP).mtimeMs > newestMs) return;
  say('Building the web application …');
  const { code, output } = await run('npm', ['run', '--silent', 'build'], {
    quiet: true,
    env: { NODE_OPTIONS: '' },
  });
  if (code !== 0) throw new Plain(`The web application could not be built:\n${output}`);
  writeFileSync(STAMP, '');
}

/** @param {string} path @returns {number} ms */
function newestIn(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path)
    .filter((name) => name !== 'dist' && name !== 'node_modules')
    .reduce((newest, name) => Math.max(newest, newestIn(`${path}/${name}`)), 0);
}
