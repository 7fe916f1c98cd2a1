import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
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
  const { code, output } = await run('npm', ['run', '--silent', 'build', '--workspace', 'web'], {
    quiet: true,
    env: { NODE_OPTIONS: '' },
  });
  if (code !== 0) throw new Plain(`The web application could not be built:\n${output}`);
  writeFileSync(STAMP, '');
}

/** Where the compiled server lies: it is JavaScript, and needs no loader. */
export const SERVER_DIST = `${ROOT}/server/dist`;
const SERVER_STAMP = `${SERVER_DIST}/.built`;
const SERVER_SOURCES = [
  'server/src',
  'core/src',
  'contract/src',
  'domain/src',
  'package-lock.json',
];

/** Compiles the server, unless nothing has changed since the last time. */
export async function buildServer() {
  const newestMs = Math.max(...SERVER_SOURCES.map((path) => newestIn(`${ROOT}/${path}`)));
  if (existsSync(SERVER_STAMP) && statSync(SERVER_STAMP).mtimeMs > newestMs) return;
  say('Building the server …');
  const { build } = await import('esbuild');
  const src = `${ROOT}/server/src`;
  await build({
    entryPoints: {
      main: `${src}/main.ts`,
      admin: `${src}/adminMain.ts`,
      calculations: `${src}/workers/calculations.ts`,
    },
    outdir: SERVER_DIST,
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    sourcemap: true,
    // The house's own workspaces are part of it; what is installed stays where it is.
    external: installedPackages(),
    logLevel: 'error',
  });
  writeFileSync(SERVER_STAMP, '');
}

/** What the server and the workspaces under it have installed. */
function installedPackages() {
  const names = ['server', 'domain', 'contract', 'core'].flatMap((workspace) => {
    const text = readFileSync(`${ROOT}/${workspace}/package.json`, 'utf8');
    return Object.keys(JSON.parse(text).dependencies ?? {});
  });
  return names.filter((name) => !name.startsWith('@calm/'));
}

/** @param {string} path @returns {number} ms */
function newestIn(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path)
    .filter((name) => name !== 'dist' && name !== 'node_modules')
    .reduce((newest, name) => Math.max(newest, newestIn(`${path}/${name}`)), 0);
}
