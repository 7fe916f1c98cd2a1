import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { ROOT, run } from './processes.mjs';
import { Plain, say } from './say.mjs';

const STAMP = `${ROOT}/node_modules/.calm-installed`;
const LEAST_NODE = [20, 19];

/** Refuses a Node that is too old, in words. */
export function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  const [needMajor = 0, needMinor = 0] = LEAST_NODE;
  if (major < needMajor || (major === needMajor && minor < needMinor)) {
    throw new Plain(
      `Calm Tray needs Node ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}. Install a newer Node and try again.`,
    );
  }
}

/** Installs the npm packages of the lock file, unless they are there. */
export async function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(`${ROOT}/package-lock.json`))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  say('Installing npm packages …');
  const ci = ['ci', '--no-audit', '--no-fund', '--loglevel=error'];
  const { code, output } = await run('npm', ci, { quiet: true });
  if (code !== 0) {
    const firstLines = output.trim().split('\n').slice(0, 6).join('\n');
    throw new Plain(
      `npm could not install the packages. Check the network, then try again.\n${firstLines}`,
    );
  }
  writeFileSync(STAMP, lock);
}

/** Where a Debian command lives, or null. @param {string} name */
export function findCommand(name) {
  const folders = [...(process.env['PATH'] ?? '').split(':'), '/usr/sbin', '/usr/bin', '/sbin'];
  return folders.map((folder) => `${folder}/${name}`).find(existsSync) ?? null;
}

/**
 * Installs Debian packages whose command is missing.
 *
 * @param {{ command: string, debianPackage: string, otherwise: string }[]} wanted `otherwise` says
 *   what to do where this machine lets us install nothing
 */
export async function installDebian(wanted) {
  const missing = wanted.filter(({ command }) => findCommand(command) === null);
  if (missing.length === 0) return;
  const names = missing.map((m) => m.debianPackage);
  const help = missing.map((m) => m.otherwise).join(' ');
  if (findCommand('apt-get') === null) {
    throw new Plain(`${names.join(' and ')} missing, and there is no apt-get here. ${help}`);
  }
  const isRoot = process.getuid?.() === 0;
  const canSudo = !isRoot && (await run('sudo', ['-n', 'true'], { quiet: true })).code === 0;
  if (!isRoot && !canSudo) {
    throw new Plain(
      `${names.join(' and ')} missing, and no right to install. Run "sudo apt-get install ${names.join(' ')}" once. ${help}`,
    );
  }
  say(`Installing ${names.join(', ')} …`);
  /** @param {string[]} args */
  const apt = (...args) => {
    const full = ['env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args];
    return run(isRoot ? 'env' : 'sudo', isRoot ? full.slice(1) : full, { quiet: true });
  };
  await apt('update', '-q');
  const { code, output } = await apt('install', '-y', '-q', '--no-install-recommends', ...names);
  if (code !== 0) {
    const lastLines = output.trim().split('\n').slice(-3).join('\n');
    throw new Plain(`apt-get could not install ${names.join(' and ')}:\n${lastLines}\n${help}`);
  }
}
