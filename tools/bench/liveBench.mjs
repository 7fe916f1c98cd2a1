import { comeIn } from '../../demo/src/comeIn';
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';

const DEVICES = 50;
const SECONDS = 20;
/** Each device writes this often, ms. */
const EVERY_MS = 1000;
const LIMIT_MS = 1000;

/**
 * Fifty devices, each signed in by itself, follow a house and write in it: how long after a write was acknowledged each of them heard
 * of it, and whether all heard of all.
 *
 * @param {string} url @param {(text: string) => void} say
 */
export async function live(url, say) {
  const devices = /** @type {{ cookie: string }[]} */ ([]);
  for (let i = 0; i < DEVICES; i += 1) devices.push({ cookie: await comeIn(url, 'lantern-yard') });
  const house = `${url}/api/v1/houses/lantern-yard`;
  const leaving = new AbortController();
  /** When each device heard of each record, by the record's id. @type {Map<string, number>[]} */
  const heard = [];
  const lines = await Promise.all(
    devices.map(async (headers, i) => {
      const times = new Map();
      heard[i] = times;
      const answer = await fetch(`${house}/live`, { headers, signal: leaving.signal });
      if (answer.status !== 200) throw new Error(await answer.text());
      // In an object: what it follows is not to be waited for yet.
      return { heardAll: follow(answer, times) };
    }),
  );
  /** When each write was acknowledged. @type {Map<string, number>} */
  const written = new Map();
  const until = Date.now() + SECONDS * 1000;
  await Promise.all(
    devices.map(async (headers, i) => {
      const id = await makeEvent(house, headers, i);
      await wait((i * EVERY_MS) / DEVICES);
      for (let version = 1; Date.now() < until; version += 1) {
        const began = performance.now();
        const answer = await fetch(`${house}/events/${id}`, {
          method: 'PUT',
          headers: { ...headers, 'content-type': 'application/json' },
          body: JSON.stringify({ version, content: contentOf(i, version) }),
        });
        if (answer.status !== 200) throw new Error(await answer.text());
        await answer.text();
        written.set(`${id}/${version}`, performance.now());
        await wait(Math.max(0, EVERY_MS - (performance.now() - began)));
      }
    }),
  );
  await wait(1500);
  leaving.abort();
  await Promise.all(lines.map(({ heardAll }) => heardAll));
  const delays = /** @type {number[]} */ ([]);
  let lost = 0;
  for (const [write, at] of written) {
    for (const times of heard) {
      const when = times.get(write);
      if (when === undefined) lost += 1;
      else delays.push(Math.max(0, when - at));
    }
  }
  delays.sort((a, b) => a - b);
  const p = (/** @type {number} */ share) => delays[Math.floor(share * (delays.length - 1))] ?? NaN;
  const isMet = lost === 0 && p(0.99) < LIMIT_MS;
  say(
    `Live: ${DEVICES} devices, ${written.size} writes in ${SECONDS} s: heard after ${p(0.5).toFixed(0)} ms (median), ${p(0.99).toFixed(0)} ms (99 in 100), ${p(1).toFixed(0)} ms (longest) from the acknowledgement; ${lost} of ${delays.length + lost} not heard (limit ${LIMIT_MS} ms and none lost: ${isMet ? 'met' : 'MISSED'})`,
  );
}

/** @param {number} device @param {number} version */
const contentOf = (device, version) => ({
  date: '2030-01-01',
  patternId: null,
  name: `device ${device}, ${version}`,
  expectedPercent: 100,
  note: randomUUID(),
});

/** @param {string} house @param {Record<string, string>} headers @param {number} device */
async function makeEvent(house, headers, device) {
  const answer = await fetch(`${house}/events`, {
    method: 'POST',
    headers: { ...headers, 'content-type': 'application/json' },
    body: JSON.stringify(contentOf(device, 0)),
  });
  return (await answer.json()).id;
}

/**
 * Reads a line to its end; the nth time a record is heard of is its nth write after it was made.
 *
 * @param {Response} answer @param {Map<string, number>} times
 */
async function follow(answer, times) {
  const counts = /** @type {Map<string, number>} */ (new Map());
  const seen = new Set();
  const decoder = new TextDecoder();
  let text = '';
  try {
    for await (const chunk of /** @type {AsyncIterable<Uint8Array>} */ (
      /** @type {unknown} */ (answer.body)
    )) {
      text += decoder.decode(chunk, { stream: true });
      const events = text.split('\n\n');
      text = events.pop() ?? '';
      for (const event of events) {
        const data = /^data: (.*)$/m.exec(event)?.[1];
        if (!data) continue;
        const { id, path } = JSON.parse(data);
        const record = /^\/events\/(.+)$/.exec(path)?.[1];
        if (!record || seen.has(id)) continue;
        seen.add(id);
        const count = (counts.get(record) ?? 0) + 1;
        counts.set(record, count);
        times.set(`${record}/${count}`, performance.now());
      }
    }
  } catch {
    // The line was left.
  }
}
