import { paths, type MachineIssued, type MachineStart } from '@calm/contract';
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

/** A line over which somebody looks after a house. */
export interface ManagingLine extends ChangingLine {
  remove<T>(path: string): Promise<T>;
}

async function read<T>(res: Response): Promise<T> {
  if (!res.ok) throw new Error(`${res.status} ${await res.text()}`);
  return (await res.json()) as T;
}

/** A line in somebody's name: it comes in when it is first used, and again when its session is over. */
export function lineTo(address: string, house: string, name: string): ManagingLine {
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
    remove: async (path) => read(await asked(path, { method: 'DELETE' })),
  };
}

/** A line of a machine, with its own token. */
function machineLine(address: string, token: string): Pick<Line, 'post'> {
  const headers = { 'content-type': 'application/json', authorization: `Bearer ${token}` };
  return {
    post: async (path, body) =>
      read(await fetch(address + path, { method: 'POST', headers, body: JSON.stringify(body) })),
  };
}

/**
 * Lets a stand-in machine in, over the line of a manager.
 *
 * @returns its own line, and how to shut it out again
 */
export async function letIn(
  address: string,
  house: string,
  manager: Pick<ManagingLine, 'post' | 'remove'>,
  start: MachineStart,
): Promise<{ readonly line: Pick<Line, 'post'>; readonly leave: () => Promise<unknown> }> {
  const { machine, token } = await manager.post<MachineIssued>(paths.issueMachine(house), start);
  return {
    line: machineLine(address, token),
    leave: () => manager.remove(paths.revokeMachine(house, machine.id)),
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
