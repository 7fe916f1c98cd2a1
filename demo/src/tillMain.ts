import { paths } from '@calm/contract';
import { setTimeout as wait } from 'node:timers/promises';
import { comeIn } from './comeIn';
import { tillRound, type TillLine, type TillMemory } from './till';

/*
 * npm run till -- [address] [house]: posts sales to a running house every twenty seconds until Ctrl-C,
 * by the house's own clock. A house that does not answer is tried again; nothing is lost meanwhile.
 */
const [address = 'http://127.0.0.1:4180', house = 'lantern-yard'] = process.argv.slice(2);
const EVERY_MS = 20_000;

const read = async <T>(res: Response): Promise<T> => {
  if (!res.ok) throw new Error(`${res.status} ${await res.text()}`);
  return (await res.json()) as T;
};
/** The oven lead's till: it comes in when it is first asked, and again when its session is over. */
let cookie = '';
const line: TillLine = {
  get: async (path) => read(await fetch(address + path, { headers: { cookie } })),
  post: async (path, body) =>
    read(
      await fetch(address + path, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie },
        body: JSON.stringify(body),
      }),
    ),
};

const stopping = new AbortController();
for (const name of ['SIGINT', 'SIGTERM'] as const) process.once(name, () => stopping.abort());
const memory: TillMemory = { acknowledged: new Set(), round: 0 };
process.stdout.write(`The till posts to ${address} until Ctrl-C.\n`);
while (!stopping.signal.aborted) {
  try {
    if (cookie === '') cookie = await comeIn(address, house, 'Wren');
    const clock = await line.get<{ now: string }>(paths.clock());
    const added = await tillRound(line, house, Date.parse(clock.now), memory);
    if (added > 0) process.stdout.write(`${clock.now.slice(11, 16)} UTC: ${added} sales.\n`);
  } catch (error) {
    cookie = '';
    process.stderr.write(`Not posted, tried again soon: ${(error as Error).message}\n`);
  }
  await wait(EVERY_MS, null, { signal: stopping.signal }).catch(() => null);
}
