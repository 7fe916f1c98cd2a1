import { spawn } from 'node:child_process';
import { buildServer, buildWeb, SERVER_DIST, WEB_DIST } from './build.mjs';
import { installDatabase, startDatabase } from './database.mjs';
import { checkNode, installPackages } from './install.mjs';
import { ROOT, run, wantedPort } from './processes.mjs';
import { Plain, runTool, say } from './say.mjs';

/*
 * npm start: a house of one's own. Installs what is missing, starts its database on loopback (or uses DATABASE_URL),
 * builds pages and server, brings the tables up to date and serves until Ctrl-C. The first start prints the set-up code.
 */
await runTool(async () => {
  checkNode();
  loadConfigFile();
  const port = await wantedPort('npm start');
  await installPackages();
  const { DATABASE_URL: ownUrl, DATABASE_APP_URL: ownAppUrl } = process.env;
  if (!ownUrl) await installDatabase();
  await buildWeb();
  await buildServer();

  const stopping = new AbortController();
  for (const name of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(name, () => stopping.abort());
  const database = ownUrl ? null : await startDatabase('house');
  try {
    const url = ownUrl ?? database?.url ?? '';
    const appUrl = (ownUrl ? ownAppUrl : database?.appUrl) ?? url;
    const migrated = await run(process.execPath, [`${SERVER_DIST}/admin.js`, 'migrate'], {
      env: { DATABASE_URL: url, DATABASE_APP_URL: appUrl, NODE_OPTIONS: '' },
    });
    if (migrated.code !== 0) throw new Plain('See the line above; then try "npm start" again.');
    if (!stopping.signal.aborted) await serve(appUrl, port, stopping.signal);
  } finally {
    await database?.stop();
  }
  say('Stopped.');
});

/** @param {string} databaseUrl @param {number} port @param {AbortSignal} stopping @returns {Promise<void>} */
function serve(databaseUrl, port, stopping) {
  return new Promise((resolve, reject) => {
    const server = spawn(process.execPath, ['--enable-source-maps', `${SERVER_DIST}/main.js`], {
      cwd: ROOT,
      detached: true,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: {
        NODE_ENV: 'production',
        LOG_LEVEL: 'warn',
        CALM_WEB_DIR: WEB_DIST,
        ...process.env,
        DATABASE_URL: databaseUrl,
        PORT: String(port),
      },
    });
    stopping.addEventListener('abort', () => server.kill('SIGTERM'));
    server.on('close', (code) => {
      if (code === 0 || stopping.aborted) resolve();
      else reject(new Plain('The server has ended.'));
    });
  });
}

/** What the file of CALM_CONFIG says counts here, too; what the environment says counts more. */
function loadConfigFile() {
  const file = process.env['CALM_CONFIG'];
  if (!file) return;
  try {
    process.loadEnvFile(file);
  } catch (error) {
    const { code } = /** @type {NodeJS.ErrnoException} */ (error);
    throw new Plain(`CALM_CONFIG: ${file} cannot be read (${code}).`);
  }
}
