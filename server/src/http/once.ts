import type { Request } from 'express';
import { claimKey, keepAnswer, type WriteKey } from '../store/access/answers';
import type { Scope } from '../database/scope';
import { badInput, ok, type Result } from '../use-cases/result';

const KEY = /^[0-9a-f-]{36}$/;

/** The key that a device gave its write, so that it may send it again; null when it gave none. */
export function writeKey(req: Request): WriteKey | null {
  const key = req.get('idempotency-key') ?? '';
  if (req.method === 'GET' || !KEY.test(key)) return null;
  return { key, what: `${req.method} ${req.path}`.slice(0, 300) };
}

/**
 * Does a write once, however often it is sent: the second time its first answer is given again. What was
 * refused was not done, and may be tried again under the same key.
 */
export async function onlyOnce<T>(
  scope: Scope,
  key: WriteKey | null,
  now: Date,
  write: () => Promise<Result<T>>,
): Promise<Result<T>> {
  if (!key) return write();
  const claim = await claimKey(scope, key, now);
  if (claim.kind === 'other') {
    return badInput('', 'key.taken', 'This key was given to another write.');
  }
  if (claim.kind === 'done') return ok(claim.value as T);
  const result = await write();
  if (result.kind === 'done') await keepAnswer(scope, key, result.value);
  return result;
}
