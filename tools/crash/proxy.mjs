import { createServer } from 'node:http';
import { createProxyServer } from 'http-proxy-3';
import { freePort } from '../processes.mjs';

/** A server that failed is passed over for so long, ms. */
const REST_MS = 500;

/**
 * A small proxy before several servers: one after the other is asked, and one that fails is left alone for a while.
 *
 * @param {readonly string[]} targets
 */
export async function startProxy(targets) {
  const proxy = createProxyServer({});
  const failedAtMs = new Map();
  let turn = 0;
  const server = createServer((req, res) => {
    turn += 1;
    const rested = targets.filter((each) => Date.now() - (failedAtMs.get(each) ?? 0) > REST_MS);
    const all = rested.length > 0 ? rested : targets;
    const target = all[turn % all.length] ?? '';
    proxy.web(req, res, { target }, () => {
      failedAtMs.set(target, Date.now());
      if (!res.headersSent) res.writeHead(502, { 'content-type': 'text/html' });
      res.end('<h1>502 Bad Gateway</h1>');
    });
  });
  const port = (await freePort()) ?? 0;
  await new Promise((resolve) => server.listen(port, '127.0.0.1', () => resolve(null)));
  return {
    url: `http://127.0.0.1:${port}`,
    stop: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}
