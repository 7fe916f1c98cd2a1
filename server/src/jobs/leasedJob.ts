import { randomUUID } from 'node:crypto';
import type { Database } from '../database/database';
import { endLease, holdLease } from '../store/coordination';

/** A job that one of several processes on a database does, again and again. */
export interface LeasedJob {
  /** Names it among all processes. */
  readonly name: string;
  /** So often it is done, ms. */
  readonly everyMs: number;
  /** Whoever does it does so until they have not for so long, s: then another process does. */
  readonly leaseS: number;
  /** So often that is said again, ms; at most a third of the lease. */
  readonly renewedMs: number;
  /** @param isRenewed whether it was just said again whose it is */
  readonly work: (isRenewed: boolean) => Promise<void>;
  readonly onFault: (error: unknown) => void;
}

/**
 * Does a job, one round at a time, as long as it is this process's.
 *
 * @returns how to stop; resolves when nothing runs any more, and gives the job back
 */
export function startLeasedJob(db: Database, job: LeasedJob): () => Promise<void> {
  const { name, everyMs, leaseS, renewedMs, work, onFault } = job;
  const holder = randomUUID();
  let running: Promise<void> | null = null;
  let saidMs = -Infinity;
  let isOurs = false;
  const round = async () => {
    const isRenewed = performance.now() - saidMs >= renewedMs;
    if (isRenewed) {
      isOurs = await holdLease(db, name, holder, leaseS);
      saidMs = performance.now();
    }
    if (isOurs) await work(isRenewed);
  };
  const timer = setInterval(() => {
    running ??= round()
      .catch(onFault)
      .finally(() => {
        running = null;
      });
  }, everyMs).unref();
  return async () => {
    clearInterval(timer);
    await running;
    await endLease(db, name, holder).catch(() => undefined);
  };
}
