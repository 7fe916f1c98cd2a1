import { setTimeout as wait } from 'node:timers/promises';
import type { PoolConnection } from 'mysql2/promise';
import { onConnection, type Database, type Queries } from './database';

/**
 * Errors after which the same work may simply be tried again: deadlock (1213), lock wait timeout
 * (1205), snapshot conflict (1020), a cluster node that is not ready (1047).
 */
const TRY_AGAIN = new Set([1213, 1205, 1020, 1047]);
const MOST_TRIES = 5;
/** A lock that was waited for in vain: whoever holds it is slow, and more waiting would take every connection. */
const LOCKED = 1205;
const MOST_LOCK_WAITS = 2;

/** Longest wait for a free connection, and for a whole transaction on it, ms. */
interface Patience {
  readonly connectionMs: number;
  readonly workMs: number;
}
const PATIENCE: Patience = { connectionMs: 5000, workMs: 60_000 };
/** For whoever fills a house before anybody works in it. */
export const UNHURRIED: Patience = { connectionMs: 10_000, workMs: 600_000 };
/** Reading one thing takes no longer. */
const READING: Patience = { connectionMs: 5000, workMs: 10_000 };

/** The database gave no connection, or did not finish, in the time that there is. */
export class DatabaseBusy extends Error {}

/**
 * Runs work in a transaction (read committed, so that a refused write can be answered with what
 * refused it) and, when the database aborts it, runs it again from the start, at most five
 * times. The work must therefore do nothing but queries.
 *
 * @throws whatever the work throws; the database's error after the last try; DatabaseBusy when it takes too long
 */
export async function inTransaction<T>(
  db: Database,
  work: (tx: Queries) => Promise<T>,
  patience = PATIENCE,
): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await once(db, work, patience);
    } catch (error) {
      const number = errorNumber(error);
      if (number === LOCKED && attempt >= MOST_LOCK_WAITS)
        throw new DatabaseBusy('Something else is being written here.', { cause: error });
      if (attempt >= MOST_TRIES || !TRY_AGAIN.has(number)) throw error;
      await wait(attempt * 10 + Math.random() * 20);
    }
  }
}

/**
 * Reads something on a connection of its own, without a transaction, in bounded time.
 *
 * @throws DatabaseBusy when there is no connection, or no answer, in time
 */
export const reading = <T>(
  db: Database,
  work: (tx: Queries) => Promise<T>,
  patience = READING,
): Promise<T> =>
  onOneConnection(db, patience, async (connection, keep) => {
    const result = await work(onConnection(connection));
    keep();
    return result;
  });

/**
 * One try. The connection goes back to the pool only after a transaction that ended as it should: one on which
 * anything of the transaction itself failed is closed, as nobody knows what is left open on it.
 */
const once = <T>(db: Database, work: (tx: Queries) => Promise<T>, patience: Patience): Promise<T> =>
  onOneConnection(db, patience, async (connection, keep) => {
    await connection.query('set transaction isolation level read committed');
    await connection.query('start transaction');
    try {
      const result = await work(onConnection(connection));
      await connection.query('commit');
      keep();
      return result;
    } catch (error) {
      await connection.query('rollback').then(keep, () => undefined);
      throw error;
    }
  });

/**
 * Works on one connection for no longer than there is. It goes back to the pool when the work says by
 * `keep` that it is whole; otherwise it is closed.
 */
async function onOneConnection<T>(
  db: Database,
  { connectionMs, workMs }: Patience,
  work: (connection: PoolConnection, keep: () => void) => Promise<T>,
): Promise<T> {
  const connection = await connectionWithin(db, connectionMs);
  const timer = new AbortController();
  const tooLate = wait(workMs, undefined, { signal: timer.signal }).then(() => {
    throw new DatabaseBusy('The database did not finish in time.');
  });
  let isWhole = false;
  const running = work(connection, () => {
    isWhole = true;
  });
  try {
    return await Promise.race([running, tooLate]);
  } finally {
    timer.abort();
    tooLate.catch(() => undefined);
    running.catch(() => undefined);
    if (isWhole) connection.release();
    else connection.destroy();
  }
}

/** A connection of the pool; one that comes too late goes back unused. */
async function connectionWithin({ $client }: Database, ms: number): Promise<PoolConnection> {
  const coming = $client.getConnection();
  const timer = new AbortController();
  const tooLate = wait(ms, undefined, { signal: timer.signal }).then(() => {
    void coming.then((connection) => connection.release()).catch(() => undefined);
    throw new DatabaseBusy('The database gave no connection in time.');
  });
  try {
    return await Promise.race([coming, tooLate]);
  } finally {
    timer.abort();
    tooLate.catch(() => undefined);
  }
}

/** The database's error number, also when a query layer has wrapped it; 0 when there is none. */
export function errorNumber(error: unknown): number {
  if (typeof error !== 'object' || error === null) return 0;
  const { errno, cause } = error as { errno?: unknown; cause?: unknown };
  return typeof errno === 'number' && errno > 0 ? errno : errorNumber(cause);
}

/** True when a row with the same unique key was there already. */
export const isDuplicate = (error: unknown): boolean => errorNumber(error) === 1062;

/** True when a row could not go because another refers to it. */
export const isInUse = (error: unknown): boolean => errorNumber(error) === 1451;
