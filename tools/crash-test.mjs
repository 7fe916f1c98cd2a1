import { readFileSync, rmSync } from 'node:fs';
import { crash } from './crash/crash.mjs';
import { kill, ready, startServer } from './crash/serverProcess.mjs';
import { installDatabase, startDatabase } from './database.mjs';
import { installPackages } from './install.mjs';
import { bin, freePort, ROOT, run } from './processes.mjs';
import { Plain, runTool } from './say.mjs';

/*
 * npm run crash-test -- [how many]: kills one of two servers or the database at random moments while clients write
 * everything that the application writes, starts it again, and counts: what was acknowledged has to be there, once.
 */

const HOUSE = 'lantern-yard';
const PROCESSES = 2;

await runTool(async () => {
  const kills = Number(process.argv[2] ?? 100);
  await installPackages();
  await installDatabase();
  const folder = `${ROOT}/.data/kills`;
  rmSync(folder, { recursive: true, force: true });
  let database = await startDatabase('kills');
  const prepared = await run(bin('tsx'), ['demo/src/prepare.ts'], {
    env: { ...process.env, DATABASE_URL: database.url, DATABASE_APP_URL: database.appUrl },
    quiet: true,
  });
  if (prepared.code !== 0) throw new Plain(prepared.output);
  /** @type {{ address: string, env: Record<string, string | undefined>, pid: number }[]} */
  const servers = [];
  for (let i = 0; i < PROCESSES; i += 1) {
    const port = (await freePort()) ?? 0;
    const env = {
      ...process.env,
      DATABASE_URL: database.appUrl,
      PORT: String(port),
      LOG_LEVEL: 'silent',
    };
    const address = `http://127.0.0.1:${port}`;
    servers.push({ address, env, pid: await startServer(env, address) });
  }
  const { createConnection } = await import('mysql2/promise');
  try {
    await crash({
      addresses: servers.map(({ address }) => address),
      kills,
      kill: async () => {
        const server = servers[Math.floor(Math.random() * PROCESSES)];
        if (server && Math.random() < 0.6) {
          await kill(server.pid);
          server.pid = await startServer(server.env, server.address);
          return 'a server';
        }
        await kill(Number(readFileSync(`${folder}/data/s.pid`, 'utf8')));
        database = await startDatabase('kills');
        for (const { address } of servers) await ready(address);
        return 'the database';
      },
      query: async (sql, values = []) => {
        const connection = await createConnection(database.url);
        const [rows] = await connection.query(sql, values);
        await connection.end();
        return /** @type {Record<string, unknown>[]} */ (rows);
      },
      verify: async () => {
        const admin = ['server/src/adminMain.ts', 'verify-audit', HOUSE];
        const env = { ...process.env, DATABASE_URL: database.url };
        const { code, output } = await run(bin('tsx'), admin, { env, quiet: true });
        if (code !== 0) throw new Plain(output);
        return output.trim();
      },
    });
  } finally {
    for (const { pid } of servers) await kill(pid);
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
