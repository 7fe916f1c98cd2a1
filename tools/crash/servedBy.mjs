import { createConnection } from 'mysql2/promise';
import { bin, freePort, run } from '../processes.mjs';
import { Plain } from '../say.mjs';
import { startServer } from './serverProcess.mjs';

/** @typedef {{ address: string, env: Record<string, string | undefined>, pid: number }} Served */

/** Migrates, and loads the demo house. @param {string} url makes tables @param {string} appUrl serves */
export async function prepare(url, appUrl) {
  const env = { ...process.env, DATABASE_URL: url, DATABASE_APP_URL: appUrl };
  const { code, output } = await run(bin('tsx'), ['demo/src/prepare.ts'], { env, quiet: true });
  if (code !== 0) throw new Plain(output);
}

/** A server for each address of a database, on a port of its own. @param {readonly string[]} databaseUrls */
export async function startServers(databaseUrls) {
  /** @type {Served[]} */
  const servers = [];
  for (const DATABASE_URL of databaseUrls) {
    const port = (await freePort()) ?? 0;
    const env = { ...process.env, DATABASE_URL, PORT: String(port), LOG_LEVEL: 'silent' };
    const address = `http://127.0.0.1:${port}`;
    servers.push({ address, env, pid: await startServer(env, address) });
  }
  return servers;
}

/** Asks a database on a connection of its own. @param {() => string} url @param {string[]} settings */
export const queryOn =
  (url, ...settings) =>
  async (/** @type {string} */ sql, /** @type {unknown[]} */ values = []) => {
    const connection = await createConnection(url());
    for (const setting of settings) await connection.query(setting);
    const [rows] = await connection.query(sql, values);
    await connection.end();
    return /** @type {Record<string, unknown>[]} */ (rows);
  };

/** What the command line says of the chain of who did what. @param {string} url @param {string} house */
export async function verifyAudit(url, house) {
  const admin = ['server/src/adminMain.ts', 'verify-audit', house];
  const env = { ...process.env, DATABASE_URL: url };
  const { code, output } = await run(bin('tsx'), admin, { env, quiet: true });
  if (code !== 0) throw new Plain(output);
  return output.trim();
}
