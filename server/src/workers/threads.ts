import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { CALCULATIONS } from '../resources';
import type * as calculations from './calculations';

type Name = keyof typeof calculations;

/** A thread more than the one that stays ends when it has nothing to do for so long, ms. */
const IDLE_MS = 60_000;

let threads: Piscina | null = null;
const pool = (): Piscina =>
  (threads ??= new Piscina({
    filename: CALCULATIONS.href,
    execArgv: [],
    minThreads: 1,
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: IDLE_MS,
  }));

/** Calculates something on another thread: meanwhile this one answers others. */
export const onThread = <N extends Name>(
  name: N,
  input: Parameters<(typeof calculations)[N]>[0],
): Promise<ReturnType<(typeof calculations)[N]>> => pool().run(input, { name });

/** Has a thread ready with its code before anybody waits for it. */
export const readyThreads = (): Promise<unknown> =>
  onThread('fitSeries', { days: [], expected: {} });

/** Ends the threads; what is asked for later starts them again. */
export async function stopThreads(): Promise<void> {
  await threads?.destroy();
  threads = null;
}
