import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { buildWeb, WEB_DIST } from './build.mjs';
import { installDatabase, startDatabase } from './database.mjs';
import { checkNode, installDebian, installPackages } from './install.mjs';
import { bin, ROOT, run } from './processes.mjs';
import { runTool, say } from './say.mjs';

/*
 * npm test: installs what is missing, then lint, layers, unused code, types, Jest (core, contract, command line, and the
 * server against a real MariaDB), Playwright in headless Chromium. Ends with "N passed, N failed".
 *   npm test -- jest e2e      runs only these steps
 *   npm test -- e2e whatIf    … and of Jest's or Playwright's files those whose name has it
 */

const RESULTS = `${ROOT}/.data/results`;
/** @typedef {{ passed: number, failed: number }} Tally */

const STEPS = ['lint', 'layers', 'types', 'jest', 'e2e'];
const words = process.argv.slice(2).filter((arg) => !arg.startsWith('-'));
const only = words.filter((word) => STEPS.includes(word));
const files = words.filter((word) => !STEPS.includes(word));
/** @param {string} step */
const isWanted = (step) => only.length === 0 || only.includes(step);

await runTool(async () => {
  checkNode();
  await installPackages();
  if (!process.env['DATABASE_URL']) await installDatabase();
  await installDebian([
    {
      command: 'chromium',
      debianPackage: 'chromium',
      otherwise: 'The browser tests need Chromium at /usr/bin/chromium.',
    },
  ]);

  /** @type {Tally[]} */
  const tallies = [];
  mkdirSync(RESULTS, { recursive: true });
  const checks = [];
  if (isWanted('lint')) checks.push(check('Lint', 'npm', ['run', '--silent', 'lint']));
  if (isWanted('layers')) {
    checks.push(check('Layers', 'npm', ['run', '--silent', 'layers']));
    checks.push(check('Unused code', 'npm', ['run', '--silent', 'unused']));
  }
  if (isWanted('types')) checks.push(check('Types', 'npm', ['run', '--silent', 'types']));
  tallies.push(...(await Promise.all(checks)));
  if (isWanted('jest') || isWanted('e2e')) {
    const database = process.env['DATABASE_URL']
      ? null
      : await startDatabase(`test-${process.pid}`, { isThrowaway: true });
    try {
      const env = {
        DATABASE_URL: process.env['DATABASE_URL'] ?? database?.url ?? '',
        DATABASE_APP_URL: database?.appUrl ?? '',
      };
      if (isWanted('jest')) tallies.push(await jest(env));
      if (isWanted('e2e')) tallies.push(await playwright(env));
    } finally {
      await database?.stop();
    }
  }
  const passed = tallies.reduce((sum, tally) => sum + tally.passed, 0);
  const failed = tallies.reduce((sum, tally) => sum + tally.failed, 0);
  say(`\n${passed} passed, ${failed} failed`);
  process.exitCode = failed > 0 || passed === 0 ? 1 : 0;
});

/** @param {string} title @param {string} command @param {string[]} args @returns {Promise<Tally>} */
async function check(title, command, args) {
  const { code, output } = await run(command, args, { quiet: true, env: { NODE_OPTIONS: '' } });
  say(`${title}: ${code === 0 ? 'clean' : `\n${output}`}`);
  return code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
}

/** @param {Record<string, string>} env @returns {Promise<Tally>} */
async function jest(env) {
  const outputFile = `${RESULTS}/jest.json`;
  rmSync(outputFile, { force: true });
  await run(
    bin('jest'),
    ['--json', `--outputFile=${outputFile}`, '--silent', '--testLocationInResults=false', ...files],
    {
      env: { ...env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
      quiet: true,
    },
  ).then(({ output }) => say(withoutJson(output)));
  if (!existsSync(outputFile)) return { passed: 0, failed: 1 };
  const result = JSON.parse(readFileSync(outputFile, 'utf8'));
  return {
    passed: result.numPassedTests,
    failed: result.numFailedTests + result.numRuntimeErrorTestSuites,
  };
}

/** Jest prints its JSON beside the report. @param {string} output */
function withoutJson(output) {
  return output
    .split('\n')
    .filter((line) => !line.startsWith('{"num') && !line.startsWith('npm warn'))
    .join('\n')
    .trim();
}

/** @param {Record<string, string>} env @returns {Promise<Tally>} */
async function playwright(env) {
  await buildWeb();
  const outputFile = `${RESULTS}/playwright.json`;
  rmSync(outputFile, { force: true });
  await run(bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts', ...files], {
    env: {
      ...env,
      CALM_WEB_DIR: WEB_DIST,
      PLAYWRIGHT_JSON_OUTPUT_NAME: outputFile,
      NODE_OPTIONS: '',
    },
  });
  if (!existsSync(outputFile)) return { passed: 0, failed: 1 };
  const { stats, errors } = JSON.parse(readFileSync(outputFile, 'utf8'));
  return {
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected + (errors?.length ?? 0),
  };
}
