import { ok } from '@calm/core';
import type { Scope } from '../database/scope';
import { claimKey, keepAnswer, type WriteKey } from '../store/access/answers';
import { badInput, type Result } from './result';

export type { WriteKey };

/**
 * Does a write once, however often it is sent: the second time its first answer is given again. What was
 * refused was not done, and may be tried again under the same key.
 *
 * @param key the name its device gave the write; null does it each time
 */
export async function onlyOnce<T>(
  scope: Scope,
  key: WriteKey | null,
  now: Date,
  write: () => Promise<Result<T>>,
): Promise<Result<Once<T>>> {
  if (!key) return first(await write());
  const claim = await claimKey(scope, key, now);
  if (claim.kind === 'other') {
    return badInput('', 'key.taken', 'This key was given to another write.');
  }
  if (claim.kind === 'done') return ok({ value: claim.value as T, isAgain: true });
  const result = await write();
  if (result.ok) await keepAnswer(scope, key, result.value);
  return first(result);
}

/** What a write came to. */
interface Once<T> {
  readonly value: T;
  /** Whether it was done before, and its answer is given again. */
  readonly isAgain: boolean;
}

const first = <T>(result: Result<T>): Result<Once<T>> =>
  result.ok ? ok({ value: result.value, isAgain: false }) : result;
