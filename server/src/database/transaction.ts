import { setTimeout as wait } from 'node:timers/promises';
import type { Database, Queries } from './database';

/**
 * Errors after which the same work may simply be tried again: deadlock (1213), lock wait timeout
 * (1205), snapshot conflict (1020), a cluster node that is not ready (1047).
 */
const TRY_AGAIN = new Set([1213, 1205, 1020, 1047]);
const MOST_TRIES = 5;

/**
 * Runs work in a transaction (read committed, so that a refused write can be answered with what
 * refused it) and, when the database aborts it, runs it again from the start, at most five
 * times. The work must therefore do nothing but queries.
 *
 * @throws whatever the work throws, and the database's error after the last try
 */
export async function inTransaction<T>(
  db: Database,
  work: (tx: Queries) => Promise<T>,
): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await db.transaction(work, { isolationLevel: 'read committed' });
    } catch (error) {
      if (attempt >= MOST_TRIES || !TRY_AGAIN.has(errorNumber(error))) throw error;
      await wait(attempt * 10 + Math.random() * 20);
    }
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
