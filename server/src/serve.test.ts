import { paths, type Service } from '@calm/contract';
import { loadLanternYard } from '@calm/demo';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { get } from 'node:https';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { generate } from 'selfsigned';
import { sql } from 'drizzle-orm';
import { adminMain } from './admin';
import type { Queries } from './database/database';
import { inTransaction } from './database/transaction';
import { lockInstallation } from './store/access/installation';
import { freshDatabase, HOUSE, NOW, signedIn, TODAY } from './test-support/testHouse';
import { unreliableDatabase } from './test-support/unreliableDatabase';

const root = fileURLToPath(new URL('../..', import.meta.url));
let database: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => {
  database = await freshDatabase();
  await loadLanternYard(database.db, { now: new Date(NOW), weeks: 1 });
});
afterAll(() => database.drop());

/** A server process of its own, as `npm run demo` starts it. */
async function startProcess(port: number, env: Record<string, string> = {}) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: root,
    env: {
      ...process.env,
      NODE_OPTIONS: '',
      DATABASE_URL: database.url,
      LOG_LEVEL: 'silent',
      PORT: String(port),
      CALM_NOW: NOW,
      ...env,
    },
  });
  let output = '';
  child.stdout.on('data', (chunk) => (output += chunk));
  child.stderr.on('data', (chunk) => (output += chunk));
  const ended = new Promise<number | null>((resolve) => child.once('close', resolve));
  await Promise.race([ended, untilOutput(child, () => output.includes('listens on'))]);
  return { child, ended, output: () => output };
}

function untilOutput(child: ChildProcess, isThere: () => boolean): Promise<void> {
  return new Promise((resolve) => {
    child.stdout?.on('data', () => isThere() && resolve());
  });
}

/** Until somebody else's statement waits in the database. */
async function untilWaiting(tx: Queries, statement: string): Promise<void> {
  const like = `${statement}%`;
  for (let waiting = 0; waiting === 0;) {
    const [[row]] = (await tx.execute(
      sql`select count(*) as waiting from information_schema.processlist where info like ${like}`,
    )) as unknown as [[{ waiting: number }]];
    waiting = Number(row.waiting);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

async function anyPort(): Promise<number> {
  const probe = createServer();
  await new Promise<void>((resolve) => probe.listen(0, '127.0.0.1', resolve));
  const { port } = probe.address() as { port: number };
  await new Promise((resolve) => probe.close(resolve));
  return port;
}

describe('a server process', () => {
  it('loses no acknowledged change when it is killed right after', async () => {
    const port = await anyPort();
    const url = (path: string) => `http://127.0.0.1:${port}${path}`;
    // Whoever is signed in stays signed in, however often the server is killed.
    const cookie = await signedIn(database.db, HOUSE);
    for (let round = 0; round < 3; round += 1) {
      const server = await startProcess(port);
      const services = (await (
        await fetch(url(paths.services(HOUSE, { from: TODAY, days: 1 })), { headers: { cookie } })
      ).json()) as Service[];
      const service = services[0] as Service;
      const count = service.counts[0];
      const answer = await fetch(
        url(paths.changeCount(HOUSE, TODAY, service.patternId, count?.productId ?? '')),
        {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json', cookie },
          body: JSON.stringify({ count: 301 + round, version: count?.version }),
        },
      );
      expect(answer.status).toBe(200);
      server.child.kill('SIGKILL');
      await server.ended;
    }
    const again = await startProcess(port);
    const services = (await (
      await fetch(url(paths.services(HOUSE, { from: TODAY, days: 1 })), { headers: { cookie } })
    ).json()) as Service[];
    expect(services[0]?.counts[0]).toMatchObject({ count: 303, version: 3 });
    again.child.kill('SIGTERM');
    expect(await again.ended).toBe(0);
  });

  it('says in a sentence why it cannot start', async () => {
    const port = await anyPort();
    const first = await startProcess(port);
    const second = await startProcess(port);
    expect(await second.ended).toBe(1);
    expect(second.output()).toMatch(/^Port \d+ is already in use\. Stop what uses it/);
    expect(second.output()).not.toContain('    at ');
    first.child.kill('SIGTERM');
    await first.ended;

    const refused = await startProcess(port, { DATABASE_URL: 'mysql://a:b@127.0.0.1:1/none' });
    expect(await refused.ended).toBe(1);
    expect(refused.output()).toMatch(/^Cannot reach the database at 127\.0\.0\.1:1\/none\./);

    const other = database.url.replace(/\/[^/]+$/, '/mysql');
    const elsewhere = await startProcess(port, { DATABASE_URL: other });
    expect(await elsewhere.ended).toBe(1);
    expect(elsewhere.output()).toMatch(/^(Cannot use the|The) database at [^\n]+\/mysql[^\n]+\n$/);
    await expect(
      adminMain(['migrate'], { DATABASE_URL: 'mysql://a:b@127.0.0.1:1/x' }),
    ).rejects.toThrow(/^Cannot reach the database/);
  });

  it('is ready only once it has begun, and says so when its database goes before that', async () => {
    const between = await unreliableDatabase(database.url);
    const port = await anyPort();
    const ready = `http://127.0.0.1:${port}/readyz`;
    let starting: ReturnType<typeof startProcess> | undefined;
    // What every server writes as it starts has to wait for this.
    await inTransaction(database.db, async (tx) => {
      await lockInstallation(tx);
      starting = startProcess(port, { DATABASE_URL: between.url });
      await untilWaiting(tx, 'insert into `installation`');
      expect((await fetch(ready)).status).toBe(503);
      await between.close();
    });
    const server = await starting;
    expect(await server?.ended).toBe(1);
    expect(server?.output()).toMatch(/^Cannot reach the database at 127\.0\.0\.1:\d+/);
    expect(server?.output()).not.toContain('    at ');
  });

  it('counts what it does on a port of its own, by routes and not by addresses', async () => {
    const [port, metricsPort] = [await anyPort(), await anyPort()];
    const env = { CALM_METRICS_PORT: String(metricsPort) };
    const server = await startProcess(port, env);
    const cookie = await signedIn(database.db, HOUSE);
    await fetch(`http://127.0.0.1:${port}${paths.book(HOUSE)}`, { headers: { cookie } });
    await fetch(`http://127.0.0.1:${port}${paths.book(HOUSE)}`);
    await fetch(`http://127.0.0.1:${port}${paths.book('nobody-s')}`);
    const res = await fetch(`http://127.0.0.1:${metricsPort}/metrics`);
    expect(res.headers.get('content-type')).toMatch(/^text\/plain; version=0\.0\.4/);
    const text = await res.text();
    const count = 'calm_http_request_seconds_count{method="GET",route="/api/v1/houses/:house/book"';
    const lines = new Set(text.split('\n'));
    const wanted = [
      `${count},status="200"} 1`,
      `${count},status="401"} 1`,
      'calm_database_ready 1',
      'calm_live_lines 0',
    ];
    expect(wanted.filter((line) => !lines.has(line))).toEqual([]);
    expect(text).not.toMatch(/lantern-yard|nobody-s/);
    expect((await fetch(`http://127.0.0.1:${port}/metrics`)).status).toBe(404);
    const other = await startProcess(await anyPort(), env);
    expect(await other.ended).toBe(1);
    expect(other.output()).toContain(`Port ${metricsPort} is already in use.`);
    server.child.kill('SIGTERM');
    expect(await server.ended).toBe(0);
  });

  it('answers in time and ends when it is told to, while its database answers nothing', async () => {
    const between = await unreliableDatabase(database.url);
    const port = await anyPort();
    const server = await startProcess(port, { DATABASE_URL: between.url });
    const asked = async (path: string) => {
      const began = Date.now();
      const res = await fetch(`http://127.0.0.1:${port}${path}`);
      const ms = Date.now() - began;
      return { status: res.status, ms, ...((await res.json()) as { detail?: string }) };
    };
    expect(await asked('/readyz')).toMatchObject({ status: 200 });
    between.be('frozen');
    const ready = await asked('/readyz');
    expect(ready.status).toBe(503);
    expect(ready.detail).toContain('does not answer within a second');
    expect(ready.ms).toBeLessThan(3000);
    const busy = await asked(paths.book(HOUSE));
    expect(busy.status).toBe(503);
    const began = Date.now();
    server.child.kill('SIGTERM');
    await server.ended;
    expect(Date.now() - began).toBeLessThan(15_000);
    await between.close();
  }, 60_000);

  it('speaks TLS by itself with a certificate', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'calm-tls-'));
    const made = await generate([{ name: 'commonName', value: '127.0.0.1' }]);
    const [cert, key] = [join(folder, 'cert.pem'), join(folder, 'key.pem')];
    writeFileSync(cert, made.cert);
    writeFileSync(key, made.private);
    const port = await anyPort();
    const server = await startProcess(port, { CALM_TLS_CERT: cert, CALM_TLS_KEY: key });
    expect(server.output()).toContain(`https://127.0.0.1:${port}`);
    const hsts = await new Promise((resolve, reject) => {
      const ask = { port, host: '127.0.0.1', path: '/healthz', ca: made.cert };
      // The name in the certificate is no host's: this is about who speaks, not who it is.
      const options = { ...ask, checkServerIdentity: () => undefined };
      get(options, (res) => resolve(res.headers['strict-transport-security'])).on('error', reject);
    });
    expect(hsts).toBe('max-age=31536000');
    server.child.kill('SIGTERM');
    await server.ended;
    const lacking = await startProcess(port, { CALM_TLS_CERT: `${cert}.gone`, CALM_TLS_KEY: key });
    expect(await lacking.ended).toBe(1);
    expect(lacking.output()).toContain('Cannot read the certificate');
    rmSync(folder, { recursive: true });
  }, 60_000);
});
