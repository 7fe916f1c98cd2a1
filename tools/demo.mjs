import { spawn } from 'node:child_process';
import { buildWeb, WEB_DIST } from './build.mjs';
import { installDatabase, startDatabase } from './database.mjs';
import { checkNode, installPackages } from './install.mjs';
import { bin, ROOT, run, wantedPort } from './processes.mjs';
import { Plain, runTool, say } from './say.mjs';

/*
 * npm run demo: installs what is missing, starts a private MariaDB on loopback (or uses
 * DATABASE_URL), builds, migrates, loads Lantern Yard and serves it until Ctrl-C.
 *   npm run demo -- --reset   loads the demo house afresh
 */
await runTool(async () => {
  checkNode();
  const port = await wantedPort('npm run demo');
  await installPackages();
  const ownUrl = process.env['DATABASE_URL'];
  if (!ownUrl) await installDatabase();
  await buildWeb();

  const stopping = new AbortController();
  for (const name of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(name, () => stopping.abort());

  const database = ownUrl ? null : await startDatabase('demo');
  try {
    const NODE_OPTIONS = '';
    const served = ownUrl ?? database?.appUrl ?? '';
    const prepared = await run(bin('tsx'), ['demo/src/prepare.ts', ...process.argv.slice(2)], {
      env: { DATABASE_URL: ownUrl ?? database?.url ?? '', DATABASE_APP_URL: served, NODE_OPTIONS },
    });
    if (prepared.code !== 0) {
      throw new Plain('See the line above; then try "npm run demo" again.');
    }
    if (!stopping.signal.aborted)
      await serveUntilStopped({ DATABASE_URL: served, NODE_OPTIONS }, port, stopping.signal);
  } finally {
    await database?.stop();
  }
  say('Stopped.');
});

/** @param {Record<string, string>} env @param {number} port @param {AbortSignal} stopping */
function serveUntilStopped(env, port, stopping) {
  return /** @type {Promise<void>} */ (
    new Promise((resolve, reject) => {
      const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
        cwd: ROOT,
        detached: true,
        stdio: ['ignore', 'inherit', 'inherit'],
        env: {
          LOG_LEVEL: 'warn',
          ...process.env,
          ...env,
          PORT: String(port),
          CALM_WEB_DIR: WEB_DIST,
        },
      });
      const probes = startProbes(port);
      stopping.addEventListener('abort', () => server.kill('SIGTERM'));
      server.on('close', (code) => {
        probes.kill('SIGTERM');
        if (code === 0 || stopping.aborted) resolve();
        else reject(new Plain('The server has ended.'));
      });
    })
  );
}

/**
 * The demo house's probes: they stand in for loggers, and post like them.
 *
 * @param {number} port
 */
function startProbes(port) {
  return spawn(bin('tsx'), ['demo/src/probesMain.ts', `http://127.0.0.1:${port}`], {
    cwd: ROOT,
    detached: true,
    stdio: ['ignore', 'ignore', 'ignore'],
    env: { ...process.env, NODE_OPTIONS: '' },
  });
}
