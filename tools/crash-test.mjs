import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync, rmSync } from 'node:fs';
import { comeIn } from '../demo/src/comeIn';
import { installDatabase, startDatabase } from './database.mjs';
import { installPackages } from './install.mjs';
import { bin, freePort, isAlive, ROOT, run, sleep } from './processes.mjs';
import { Plain, runTool, say } from './say.mjs';

/*
 * npm run crash-test -- [how many]: kills the server or the database at random moments while four clients record
 * actions, starts it again, and counts: every action that was acknowledged has to be there, once.
 */

const CLIENTS = 4;
const HOUSE = 'lantern-yard';
/** Between two kills, ms. */
const LEAST_MS = 150;
const MOST_MS = 900;
const READY_WITHIN_MS = 30_000;

await runTool(async () => {
  const wanted = Number(process.argv[2] ?? 100);
  await installPackages();
  await installDatabase();
  const folder = `${ROOT}/.data/kills`;
  rmSync(folder, { recursive: true, force: true });
  let database = await startDatabase('kills');
  const port = (await freePort()) ?? 0;
  const address = `http://127.0.0.1:${port}`;
  const env = {
    ...process.env,
    DATABASE_URL: database.url,
    PORT: String(port),
    LOG_LEVEL: 'silent',
  };
  const prepared = await run(bin('tsx'), ['demo/src/prepare.ts'], { env, quiet: true });
  if (prepared.code !== 0) throw new Plain(prepared.output);
  let server = await startServer(env, address);
  const cookie = await comeIn(address, HOUSE);

  const tally = { sent: 0, again: 0, killed: { server: 0, database: 0 } };
  const acknowledged = /** @type {string[]} */ ([]);
  let isOver = false;
  /** @param {number} client */
  const record = async (client) => {
    for (let i = 0; !isOver; i += 1) {
      const name = `kill ${client} ${i}`;
      const key = randomUUID();
      while (!(await send(address, cookie, key, name))) {
        if (isOver) return;
        tally.again += 1;
        await sleep(40);
      }
      tally.sent += 1;
      acknowledged.push(name);
      await sleep(10);
    }
  };
  const clients = Array.from({ length: CLIENTS }, (_x, i) => record(i));

  for (let i = 0; i < wanted; i += 1) {
    await sleep(LEAST_MS + Math.random() * (MOST_MS - LEAST_MS));
    if (Math.random() < 0.6) {
      await kill(server);
      server = await startServer(env, address);
      tally.killed.server += 1;
    } else {
      await kill(Number(readFileSync(`${folder}/data/s.pid`, 'utf8')));
      database = await startDatabase('kills');
      await ready(address);
      tally.killed.database += 1;
    }
    if ((i + 1) % 10 === 0) say(`${i + 1} kills, ${acknowledged.length} actions acknowledged.`);
  }
  isOver = true;
  await Promise.all(clients);

  const { createConnection } = await import('mysql2/promise');
  const connection = await createConnection(database.url);
  const [rows] = await connection.query(
    "select name, count(*) as times from events where name like 'kill %' group by name",
  );
  await connection.end();
  const found = new Map(
    /** @type {{ name: string, times: number }[]} */ (rows).map(({ name, times }) => [name, times]),
  );
  const lost = acknowledged.filter((name) => !found.has(name));
  const twice = [...found].filter(([, times]) => times > 1);
  await kill(server);
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
  const { killed } = tally;
  say(
    `${killed.server + killed.database} kills (${killed.server} of the server, ${killed.database} of the database), ${CLIENTS} clients: ${acknowledged.length} actions acknowledged, ${tally.again} tries sent again; ${lost.length} lost, ${twice.length} there twice.`,
  );
  if (lost.length > 0 || twice.length > 0)
    throw new Plain('Something that was acknowledged is not there once.');
});

/**
 * Sends one action under its key.
 *
 * @param {string} address @param {string} cookie @param {string} key @param {string} name
 * @returns {Promise<boolean>} whether the house has acknowledged it
 */
async function send(address, cookie, key, name) {
  const body = { date: '2030-01-01', patternId: null, name, expectedPercent: 100, note: '' };
  try {
    const answer = await fetch(`${address}/api/v1/houses/${HOUSE}/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'idempotency-key': key, cookie },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(5000),
    });
    if (answer.status >= 400 && answer.status < 500) throw new Plain(await answer.text());
    await answer.text();
    return answer.status === 201;
  } catch (error) {
    if (error instanceof Plain) throw error;
    return false;
  }
}

/** @param {Record<string, string | undefined>} env @param {string} address @returns {Promise<number>} its pid */
async function startServer(env, address) {
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
async function ready(address) {
  const until = Date.now() + READY_WITHIN_MS;
  while (Date.now() < until) {
    const isReady = await fetch(`${address}/readyz`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (isReady) return;
    await sleep(50);
  }
  throw new Plain('The server is not ready again.');
}

/** @param {number} pid */
async function kill(pid) {
  process.kill(pid, 'SIGKILL');
  while (isAlive(pid)) await sleep(10);
}
