import { readFileSync, rmSync } from 'node:fs';
import { crash } from './crash/crash.mjs';
import { prepare, queryOn, startServers, verifyAudit } from './crash/servedBy.mjs';
import { kill, ready, startServer } from './crash/serverProcess.mjs';
import { installDatabase, startDatabase } from './database.mjs';
import { installPackages } from './install.mjs';
import { ROOT } from './processes.mjs';
import { runTool } from './say.mjs';

/*
 * npm run crash-test -- [how many]: kills one of two servers or the database at random moments while clients write
 * everything that the application writes, starts it again, and counts: what was acknowledged has to be there, once.
 */

const HOUSE = 'lantern-yard';

await runTool(async () => {
  const kills = Number(process.argv[2] ?? 100);
  await installPackages();
  await installDatabase();
  const folder = `${ROOT}/.data/kills`;
  rmSync(folder, { recursive: true, force: true });
  let database = await startDatabase('kills');
  await prepare(database.url, database.appUrl);
  const servers = await startServers([database.appUrl, database.appUrl]);
  try {
    await crash({
      addresses: servers.map(({ address }) => address),
      kills,
      kill: async () => {
        const server = servers[Math.floor(Math.random() * servers.length)];
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
      query: queryOn(() => database.url),
      verify: () => verifyAudit(database.url, HOUSE),
    });
  } finally {
    for (const { pid } of servers) await kill(pid);
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
