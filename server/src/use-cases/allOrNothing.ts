import { fail } from '@calm/core';
import type { Queries } from '../database/database';
import type { Refusal, Result } from './result';

/**
 * Runs work in a transaction so that a refusal takes back whatever came before it.
 *
 * @param transaction runs what it is given in a transaction
 */
export async function allOrNothing<T>(
  transaction: (work: (tx: Queries) => Promise<Result<T>>) => Promise<Result<T>>,
  work: (tx: Queries) => Promise<Result<T>>,
): Promise<Result<T>> {
  try {
    return await transaction(async (tx) => {
      const result = await work(tx);
      if (!result.ok) throw new Refused(result.reasons);
      return result;
    });
  } catch (error) {
    if (error instanceof Refused) return fail(...error.refusals);
    throw error;
  }
}

/** Carries a refusal out of a transaction, so that the database takes back whatever came before it. */
class Refused extends Error {
  constructor(readonly refusals: readonly Refusal[]) {
    super(refusals[0]?.kind);
  }
}
