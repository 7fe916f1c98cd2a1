import { and, eq, lt } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** A write as its device names it: the same key is the same write. */
export interface WriteKey {
  readonly key: string;
  /** Method and address: a key is good for one write only, */
  readonly what: string;
  /** of one person and one body: SHA-256 of both, hexadecimal. */
  readonly of: string;
}

/** What a key stands for already: nothing yet, another write, or this one with its answer. */
export type Claim =
  | { readonly kind: 'new' }
  | { readonly kind: 'other' }
  | { readonly kind: 'done'; readonly value: unknown };

/**
 * Takes a key for this transaction. Whoever sends the same key meanwhile waits until it ends: if it was
 * taken back they are the first, otherwise they read its answer.
 */
export async function claimKey(
  { tx, houseId }: Scope,
  { key, what, of }: WriteKey,
  now: Date,
): Promise<Claim> {
  try {
    await tx
      .insert(t.answers)
      .values({ houseId, key, what: `${of} ${what}`, at: now, value: null });
    return { kind: 'new' };
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
  const [row] = await tx
    .select()
    .from(t.answers)
    .where(and(eq(t.answers.houseId, houseId), eq(t.answers.key, key)));
  // Keys from before a version that knew `of` stand for their address alone.
  const isSame = row?.what === `${of} ${what}` || row?.what === what;
  return isSame ? { kind: 'done', value: row.value } : { kind: 'other' };
}

/** Keeps the answer of a write under its key. */
export async function keepAnswer(
  { tx, houseId }: Scope,
  { key }: WriteKey,
  value: unknown,
): Promise<void> {
  await tx
    .update(t.answers)
    .set({ value })
    .where(and(eq(t.answers.houseId, houseId), eq(t.answers.key, key)));
}

/** Forgets the answers of a house from before a moment: no device comes back after so long. */
export async function forgetAnswers({ tx, houseId }: Scope, before: Date): Promise<void> {
  await tx.delete(t.answers).where(and(eq(t.answers.houseId, houseId), lt(t.answers.at, before)));
}
