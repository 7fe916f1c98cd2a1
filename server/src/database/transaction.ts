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
/** A connection that is gone is replaced once: where there is none to be had, waiting longer helps nobody. */
const MOST_LOST = 2;

/** Longest wait for a free connection, and for a whole transaction on it, ms. */
interface Patience {
  readonly connectionMs: number;
  readonly workMs: number;
}
const PATIENCE: Patience = { connectionMs: 5000, workMs: 60_000 };
/** Reading one thing takes no longer; what a use case reads may. */
const READING: Patience = { connectionMs: 5000, workMs: 10_000 };
/** What a use case reads: an export may take its time. */
export const READING_MUCH = PATIENCE;
/** For whoever fills a house before anybody works in it. */
export const UNHURRIED: Patience = { connectionMs: 10_000, workMs: 600_000 };

/**
 * The connection was lost while the database was told to keep what was written: it may have. Whoever sent it sends it
 * again under its key, and it is done once.
 */
export class CommitInDoubt extends Error {}

/** The database gave no connection, or did not finish, in the time that there is. */
export class DatabaseBusy extends Error {}

/**
 * Runs work in a transaction (read committed, so that a refused write can be answered with what
 * refused it) and, when the database aborts it or goes before it was told to keep it, runs it again from the start,
 * at most five times. The work must therefore do nothing but queries.
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
      const isLost = isConnectionLost(error);
      const most = isLost ? MOST_LOST : MOST_TRIES;
      if (attempt >= most || !(isLost || TRY_AGAIN.has(number))) throw error;
      await wait(attempt * 10 + Math.random() * 20);
    }
  }
}

/**
 * Reads on a connection of its own, without a transaction, in bounded time.
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
      await commit(connection);
      keep();
      return result;
    } catch (error) {
      if (!(error instanceof CommitInDoubt))
        await connection.query('rollback').then(keep, () => undefined);
      throw error;
    }
  });

/** A node of a cluster refuses what another has written meanwhile only here, and for certain. */
async function commit(connection: PoolConnection): Promise<void> {
  try {
    await connection.query('commit');
  } catch (error) {
    throw isConnectionLost(error) ? new CommitInDoubt('', { cause: error }) : error;
  }
}

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
  const late = lateAfter(workMs, 'The database did not finish in time.');
  let isWhole = false;
  const running = work(connection, () => {
    isWhole = true;
  });
  try {
    return await Promise.race([running, late.tooLate]);
  } finally {
    late.forget();
    running.catch(() => undefined);
    if (isWhole) connection.release();
    else connection.destroy();
  }
}

/**
 * A connection of the pool; one that comes too late goes back unused.
 *
 * @param ms longest wait
 * @throws DatabaseBusy when there is none in time
 */
export async function connectionWithin(
  { $client }: Database,
  ms = PATIENCE.connectionMs,
): Promise<PoolConnection> {
  const coming = $client.getConnection();
  const late = lateAfter(ms, 'The database gave no connection in time.');
  try {
    return await Promise.race([coming, late.tooLate]);
  } catch (error) {
    void coming.then((connection) => connection.release()).catch(() => undefined);
    throw error;
  } finally {
    late.forget();
  }
}

/** What is waited for no longer than there is: a promise that fails after so long, unless it is forgotten before. */
function lateAfter(ms: number, why: string) {
  let timer: NodeJS.Timeout | undefined;
  const tooLate = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(() => reject(new DatabaseBusy(why)), ms);
  });
  return { tooLate, forget: () => clearTimeout(timer) };
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

const LOST = new Set([
  'PROTOCOL_CONNECTION_LOST',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
]);

/** True when the connection to the database is gone, or was not to be had. */
export function isConnectionLost(error: unknown): boolean {
  if (typeof error !== 'object' || error === null || error instanceof CommitInDoubt) return false;
  const { code, cause } = error as { code?: unknown; cause?: unknown };
  return LOST.has(String(code)) || isConnectionLost(cause);
}
