import { randomUUID } from 'node:crypto';
import { comeIn } from '../../demo/src/comeIn';
import { sleep } from '../processes.mjs';
import { Plain, say } from '../say.mjs';
import { writeKinds } from './writeKinds.mjs';

/** @typedef {import('./writeKinds.mjs').Query} Query */
/** @typedef {import('./writeKinds.mjs').Write} Write */

const CLIENTS = 8;
const HOUSE = 'lantern-yard';
/** Between two kills, ms. */
const LEAST_MS = 150;
const MOST_MS = 900;
/** Longest that a write is tried again after the last kill, ms. */
const LAST_TRIES_MS = 60_000;

/**
 * Clients write everything that the application writes, each write under a key of its own and again until it is
 * acknowledged, while something is killed at random moments; then everything is counted.
 *
 * @param {{ addresses: readonly string[], kills: number, kill: () => Promise<string>, query: Query,
 *   verify: () => Promise<string> }} options
 *   `kill` ends something, starts it again and says what it was; `verify` says how the chain of who did what is
 */
export async function crash({ addresses, kills, kill, query, verify }) {
  const [first = ''] = addresses;
  const cookie = await comeIn(first, HOUSE);
  const ask = async (
    /** @type {string} */ method,
    /** @type {string} */ path,
    /** @type {object | null} */ body,
  ) => {
    const answer = await fetch(`${first}/api/v1/houses/${HOUSE}/${path}`, {
      method,
      headers: { cookie, ...(body && { 'content-type': 'application/json' }) },
      ...(body && { body: JSON.stringify(body) }),
    });
    if (!answer.ok) throw new Plain(`${path}: ${answer.status} ${await answer.text()}`);
    return answer.json();
  };
  const kinds = await writeKinds((path) => ask('GET', path, null), ask, CLIENTS);
  const linesBefore = await linesOf(query, kinds);
  const tally = Object.fromEntries(
    Object.keys(kinds).map((kind) => [kind, { acknowledged: new Set(), again: 0 }]),
  );
  const keys = /** @type {string[]} */ ([]);
  let isOver = false;
  let giveUpMs = Infinity;
  const work = async (/** @type {number} */ client) => {
    for (let i = 0; !isOver; i += 1) {
      for (const [name, kind] of Object.entries(kinds)) {
        const own = tally[name];
        const next = kind.next(client, i);
        if (!next || !own) continue;
        const key = randomUUID();
        for (let tries = 0; ; tries += 1) {
          const address = addresses[(client + tries) % addresses.length] ?? first;
          if (await send(address, cookie, key, next.write, next.accepted)) break;
          if (Date.now() > giveUpMs) return;
          own.again += 1;
          await sleep(40);
        }
        own.acknowledged.add(next.name);
        if (!next.write.token) keys.push(key);
      }
      await sleep(5);
    }
  };
  const clients = Array.from({ length: CLIENTS }, (_x, client) => work(client));
  const working = Promise.all(clients);
  const killed = /** @type {Record<string, number>} */ ({});
  try {
    for (let i = 0; i < kills; i += 1) {
      await Promise.race([sleep(LEAST_MS + Math.random() * (MOST_MS - LEAST_MS)), working]);
      const what = await kill();
      killed[what] = (killed[what] ?? 0) + 1;
      if ((i + 1) % 10 === 0) say(`${i + 1} kills.`);
    }
    giveUpMs = Date.now() + LAST_TRIES_MS;
  } catch (error) {
    giveUpMs = 0;
    throw error;
  } finally {
    isOver = true;
  }
  await working;

  const bad = [];
  for (const [name, kind] of Object.entries(kinds)) {
    const { acknowledged = new Set(), again = 0 } = tally[name] ?? {};
    const found = await kind.found(query);
    const lost = [...acknowledged].filter((each) => !found.has(each));
    const twice = [...found].filter(([, times]) => times > 1);
    say(
      `  ${name}: ${acknowledged.size} acknowledged, ${again} tries again; ${lost.length} lost, ${twice.length} there twice.`,
    );
    if (lost.length > 0 || twice.length > 0)
      bad.push(`${name}: ${[...lost, ...twice].slice(0, 3)}`);
  }
  const linesAfter = await linesOf(query, kinds);
  for (const [name, lines] of linesAfter) {
    const added = lines - (linesBefore.get(name) ?? 0);
    const least = tally[name]?.acknowledged.size ?? 0;
    // What was done and could not be acknowledged any more, at the end, has its line too.
    if (added < least || added > least + CLIENTS) bad.push(`${name}: ${added} lines of ${least}`);
  }
  const answers = await query('select `key` from answers');
  const kept = new Set(answers.map(({ key }) => String(key)));
  const unkept = keys.filter((key) => !kept.has(key));
  if (unkept.length > 0) bad.push(`${unkept.length} answers are not kept`);
  say(`  who did what: a line for each; ${await verify()}`);
  const told = Object.entries(killed).map(([what, times]) => `${times} of ${what}`);
  say(`${kills} kills (${told.join(', ')}), ${CLIENTS} clients, ${keys.length} answers kept.`);
  if (bad.length > 0) throw new Plain(`Not everything is there once:\n${bad.join('\n')}`);
}

/** Lines of who did what of each kind. @param {Query} query @param {Record<string, { lines: string | null }>} kinds */
async function linesOf(query, kinds) {
  const counted = new Map();
  for (const [name, { lines }] of Object.entries(kinds)) {
    if (lines === null) continue;
    const [row] = await query(`select count(*) times from audit where ${lines}`);
    counted.set(name, Number(row?.['times'] ?? 0));
  }
  return counted;
}

/**
 * @param {string} address @param {string} cookie @param {string} key @param {Write} write
 * @param {readonly number[]} accepted
 * @returns {Promise<boolean>} whether the house has acknowledged it
 */
async function send(address, cookie, key, { method, path, body, token }, accepted) {
  try {
    const answer = await fetch(`${address}/api/v1/houses/${HOUSE}/${path}`, {
      method,
      headers: {
        'content-type': 'application/json',
        'idempotency-key': key,
        ...(token ? { authorization: `Bearer ${token}` } : { cookie }),
      },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(8000),
    });
    const text = await answer.text();
    if (answer.status >= 400 && answer.status < 500)
      throw new Plain(`${method} ${path}: ${answer.status} ${text}`);
    return accepted.includes(answer.status);
  } catch (error) {
    if (error instanceof Plain) throw error;
    return false;
  }
}
