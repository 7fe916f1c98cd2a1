import { setTimeout as wait } from 'node:timers/promises';
import { comeIn } from './comeIn';

/** How a program that stands in for a device reaches a house. */
export interface Line {
  get<T>(path: string): Promise<T>;
  post<T>(path: string, body: unknown): Promise<T>;
}

/** A line over which what is there is changed, too. */
export interface ChangingLine extends Line {
  put<T>(path: string, body: unknown): Promise<T>;
}

async function read<T>(res: Response): Promise<T> {
  if (!res.ok) throw new Error(`${res.status} ${await res.text()}`);
  return (await res.json()) as T;
}

/** A line in somebody's name: it comes in when it is first used, and again when its session is over. */
export function lineTo(address: string, house: string, name: string): ChangingLine {
  let cookie = '';
  const asked = async (path: string, init: RequestInit) => {
    if (cookie === '') cookie = await comeIn(address, house, name);
    const headers = { 'content-type': 'application/json', cookie };
    const res = await fetch(address + path, { ...init, headers });
    if (res.status === 401) cookie = '';
    return res;
  };
  return {
    get: async (path) => read(await asked(path, {})),
    post: async (path, body) =>
      read(await asked(path, { method: 'POST', body: JSON.stringify(body) })),
    put: async (path, body) =>
      read(await asked(path, { method: 'PUT', body: JSON.stringify(body) })),
  };
}

/** Does something again and again until Ctrl-C; what fails is said, and tried again. */
export async function untilStopped(everyMs: number, round: () => Promise<void>): Promise<void> {
  const stopping = new AbortController();
  for (const name of ['SIGINT', 'SIGTERM'] as const) process.once(name, () => stopping.abort());
  while (!stopping.signal.aborted) {
    try {
      await round();
    } catch (error) {
      process.stderr.write(`Not posted, tried again soon: ${(error as Error).message}\n`);
    }
    await wait(everyMs, null, { signal: stopping.signal }).catch(() => null);
  }
}
