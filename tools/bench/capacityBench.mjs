import { setTimeout as wait } from 'node:timers/promises';
import { Agent, request } from 'node:http';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { comeIn } from '../../demo/src/comeIn';
import { loadLanternYard } from '../../demo/src/load';
import { openDatabase } from '../../server/src/database/database';

/** Clients at once, and what the slowest request in a hundred may take with so many, ms. */
const CLIENTS = /** @type {const} */ ([
  [20, 50],
  [100, 400],
]);
const SECONDS = 10;
const WARM_UP = 2500;
const OFFERED_A_SECOND = 310;
const LEAST_A_SECOND = 300;
/** One request in so many writes. */
const WRITES = 10;
/** Of these writes. */
const NOTES_IN = 2;
/** Ticks of a process' CPU in a second, as Linux counts them. */
const TICKS = 100;

/** Houses beside the one that is measured, and weeks of history of one that is old. */
const HOUSES = 100;
const FOUR_YEARS = 208;
/** Nothing that is asked may cost this many times as much for it. */
const MOST_TIMES = 1.3;

/**
 * Mixed requests of many clients of one house: what a shift board asks again and again, and one write in ten (a
 * word about a lot, a handover). How many a second one process answers, and how long they take.
 *
 * @param {string} url @param {number} pid of the server @param {(text: string) => void} say
 */
export async function capacity(url, pid, say) {
  say(`Mixed requests of one house, one in ten a write, ${SECONDS} s each:`);
  await mixedRequests(url, 'lantern-yard', pid, say);
}

/**
 * The same among a hundred houses, and of a house with four years behind it: what is kept must not make what is asked
 * dearer.
 *
 * @param {string} url @param {number} pid of the server @param {string} databaseUrl @param {string} now
 * @param {(text: string) => void} say @returns whether it did not
 */
export async function grown(url, pid, databaseUrl, now, say) {
  say('Ten weeks of history, alone on its server:');
  const alone = await mixedRequests(url, 'lantern-yard', pid, say);
  const { db, pool } = openDatabase(databaseUrl);
  const began = performance.now();
  const at = { now: new Date(now) };
  for (let i = 1; i < HOUSES; i += 1)
    await loadLanternYard(db, { ...at, slug: `yard-${i}`, weeks: 2, readingDays: 2 });
  // What many readings cost is measured with a million of them, under `cold`.
  const { lots } = await loadLanternYard(db, {
    ...at,
    slug: 'four-years',
    weeks: FOUR_YEARS,
    readingDays: 70,
  });
  await pool.end();
  const tookS = (performance.now() - began) / 1000;
  say(
    `${HOUSES} houses more, one with four years behind it (${lots} lots), in ${tookS.toFixed(0)} s.`,
  );
  say(`Ten weeks of history, among ${HOUSES} houses:`);
  const among = await mixedRequests(url, 'lantern-yard', pid, say);
  say('Four years of history, among them:');
  const old = await mixedRequests(url, 'four-years', pid, say);
  const times = [among, old].map((cpuMs) => cpuMs / alone);
  const isMet = times.every((each) => each <= MOST_TIMES);
  say(
    `  CPU of a request against alone (≤ ${MOST_TIMES} times): ${times.map((each) => each.toFixed(2)).join(' and ')} times (${isMet ? 'met' : 'MISSED'})`,
  );
  return isMet;
}

/**
 * @param {string} url @param {string} slug @param {number} pid @param {(text: string) => void} say
 * @returns CPU of one request where the fewest ask, ms
 */
async function mixedRequests(url, slug, pid, say) {
  const cookie = await comeIn(url, slug);
  const house = `${url}/api/v1/houses/${slug}`;
  const agent = new Agent({ keepAlive: true, maxSockets: 200 });
  const send = sender(agent, cookie);
  // Words are said of the lots of a month: what boards show does not grow with the bench.
  const lots = JSON.parse((await send(`${house}/lots?from=2026-10-26&days=31`)).body);
  const days = 'from=2026-11-25&days=3';
  const reads = [
    'session',
    'book',
    `services?${days}`,
    `lots?${days}`,
    `records?${days}`,
    `shifts?${days}`,
    'plan',
    'handovers',
    'cold',
    `forecast?${days}`,
    'mixers/frictions',
    'calendar',
  ].map((path) => `${house}/${path}`);
  let turn = 0;
  const ask = () => {
    turn += 1;
    const lot = lots[turn % lots.length];
    if (turn % WRITES > 0) return send(/** @type {string} */ (reads[turn % reads.length]));
    const id = randomUUID();
    if (turn % (WRITES * NOTES_IN) === 0)
      return send(`${house}/handovers`, 'POST', { lines: [], note: `Note ${turn}` });
    return send(`${house}/lots/${lot.id}/records`, 'POST', {
      id,
      content: { kind: 'said', note: `Note ${turn}` },
    });
  };
  for (let i = 0; i < WARM_UP; i += 1) await ask();
  const cpu = /** @type {number[]} */ ([]);
  for (const [clients, limitMs] of CLIENTS) {
    const times = /** @type {number[]} */ ([]);
    let bad = 0;
    const [began, beganCpu] = [performance.now(), cpuS(pid)];
    const until = began + SECONDS * 1000;
    // Together they ask so often; whoever is answered late asks again at once.
    const everyMs = (clients * 1000) / OFFERED_A_SECOND;
    await Promise.all(
      Array.from({ length: clients }, async (_x, i) => {
        for (let at = began + (i * everyMs) / clients; at < until; at += everyMs) {
          await wait(Math.max(0, at - performance.now()));
          const sent = performance.now();
          const { status } = await ask();
          if (status >= 400) bad += 1;
          times.push(performance.now() - sent);
        }
      }),
    );
    const tookS = (performance.now() - began) / 1000;
    times.sort((a, b) => a - b);
    const at = (/** @type {number} */ share) => times[Math.floor(times.length * share)] ?? 0;
    const perS = times.length / tookS;
    const cpuMs = ((cpuS(pid) - beganCpu) * 1000) / times.length;
    cpu.push(cpuMs);
    const isMet = bad === 0 && at(0.99) <= limitMs && perS >= LEAST_A_SECOND;
    say(
      `  ${clients} at once: ${perS.toFixed(0)} a second, ${cpuMs.toFixed(1)} ms of CPU each; median ${at(0.5).toFixed(1)}, 99 % ${at(0.99).toFixed(0)} ms (≤ ${limitMs} at ≥ ${LEAST_A_SECOND} a second); ${bad} not answered well (${isMet ? 'met' : 'MISSED'})`,
    );
  }
  agent.destroy();
  return cpu[0] ?? Infinity;
}

/** @param {Agent} agent @param {string} cookie */
function sender(agent, cookie) {
  /** @returns {Promise<{ status: number, body: string }>} */
  return (
    /** @type {string} */ address,
    method = 'GET',
    /** @type {object | null} */ body = null,
  ) =>
    new Promise((resolve, reject) => {
      const headers = {
        cookie,
        'accept-encoding': 'identity',
        ...(body && { 'content-type': 'application/json' }),
      };
      const asking = request(address, { agent, method, headers }, (answer) => {
        const parts = /** @type {Buffer[]} */ ([]);
        answer.on('data', (part) => parts.push(part));
        answer.on('end', () =>
          resolve({ status: answer.statusCode ?? 0, body: Buffer.concat(parts).toString() }),
        );
        answer.on('error', reject);
      });
      asking.on('error', reject);
      asking.end(body ? JSON.stringify(body) : undefined);
    });
}

/** CPU that a process has used, s. @param {number} pid */
function cpuS(pid) {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? [];
  return (Number(fields[11]) + Number(fields[12])) / TICKS;
}
