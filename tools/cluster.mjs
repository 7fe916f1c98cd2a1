import { randomUUID } from 'node:crypto';
import { comeIn } from '../demo/src/comeIn';
import { crash } from './crash/crash.mjs';
import { startCluster } from './crash/galera.mjs';
import { startProxy } from './crash/proxy.mjs';
import { prepare, queryOn, startServers, verifyAudit } from './crash/servedBy.mjs';
import { kill, ready, startServer } from './crash/serverProcess.mjs';
import { installDatabase } from './database.mjs';
import { installDebian, installPackages } from './install.mjs';
import { Plain, runTool, say } from './say.mjs';

/*
 * npm run cluster -- [how many]: three nodes of a database, two servers that begin with different ones, a proxy before
 * them. What is written on one is heard on the other; then nodes, and now and then a server, are killed while clients
 * write, and what was acknowledged has to be there, once, on every node.
 */

const HOUSE = 'lantern-yard';
const NODES = 3;
/** One kill in so many is of a server. */
const SERVER_IN = 6;
const HEARD_WITHIN_MS = 5000;

await runTool(async () => {
  const kills = Number(process.argv[2] ?? 30);
  await installPackages();
  await installDatabase();
  await installDebian([
    // It has no command of its own: what is looked for is its library.
    {
      command: '../lib/libgalera_smm.so',
      debianPackage: 'galera-4',
      otherwise: 'A cluster needs galera-4.',
    },
    { command: 'rsync', debianPackage: 'rsync', otherwise: 'Nodes are filled by rsync.' },
    { command: 'lsof', debianPackage: 'lsof', otherwise: 'Nodes are filled by rsync with lsof.' },
  ]);
  const cluster = await startCluster(NODES);
  say(`${NODES} nodes are one cluster.`);
  /** What is to be ended, the last first. */
  const begun = /** @type {(() => Promise<unknown>)[]} */ ([cluster.stop]);
  try {
    await prepare(cluster.url, cluster.appUrl);
    const servers = await startServers([cluster.appUrlFrom(0), cluster.appUrlFrom(1)]);
    begun.push(() => Promise.all(servers.map(({ pid }) => kill(pid))));
    const addresses = servers.map(({ address }) => address);
    const proxy = await startProxy(addresses);
    begun.push(proxy.stop);
    await heardAcross(addresses);
    let turn = 0;
    await crash({
      addresses: [proxy.url],
      kills,
      kill: async () => {
        turn += 1;
        const server = servers[turn % servers.length];
        if (server && turn % SERVER_IN === 0) {
          await kill(server.pid);
          server.pid = await startServer(server.env, server.address);
          return 'a server';
        }
        await cluster.killNode(Math.floor(Math.random() * NODES));
        for (const { address } of servers) await ready(address);
        return 'a node';
      },
      // The last node, once what is written has gone round.
      query: queryOn(() => cluster.urls.at(-1) ?? '', 'set session wsrep_sync_wait = 1'),
      verify: async () => {
        const said = new Set();
        for (const url of cluster.urls) said.add(await verifyAudit(url, HOUSE));
        if (said.size > 1) throw new Plain(`Nodes differ:\n${[...said].join('\n')}`);
        return `the same on ${NODES} nodes: ${[...said][0]}`;
      },
    });
  } finally {
    for (const end of begun.reverse()) await end();
  }
});

/** What is written through one server is heard on the live line of the other, and read there at once. */
async function heardAcross(/** @type {readonly string[]} */ [one = '', other = '']) {
  const cookie = await comeIn(one, HOUSE);
  const leaving = new AbortController();
  const line = await fetch(`${other}/api/v1/houses/${HOUSE}/live`, {
    headers: { cookie },
    signal: leaving.signal,
  });
  const house = (/** @type {string} */ address) => `${address}/api/v1/houses/${HOUSE}`;
  const body = {
    date: '2030-01-02',
    patternId: null,
    name: 'Heard across',
    expectedPercent: 100,
    note: '',
  };
  const written = await fetch(`${house(one)}/events`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json', 'idempotency-key': randomUUID() },
    body: JSON.stringify(body),
  });
  const { id } = await written.json();
  const began = performance.now();
  const read = await fetch(`${house(other)}/events/${id}`, {
    method: 'DELETE',
    headers: { cookie },
  });
  if (read.status !== 200)
    throw new Plain(`What one server wrote the other has not: ${read.status}`);
  const late = setTimeout(() => leaving.abort(), HEARD_WITHIN_MS);
  let heard = '';
  try {
    for await (const part of /** @type {AsyncIterable<Uint8Array>} */ (line.body)) {
      heard += Buffer.from(part).toString();
      if (heard.includes('"/events"')) break;
    }
  } catch {
    throw new Plain('What one server wrote was not heard on the other.');
  } finally {
    clearTimeout(late);
    leaving.abort();
  }
  say(
    `Written through one server: there on the other at once, heard after ${(performance.now() - began).toFixed(0)} ms.`,
  );
}
