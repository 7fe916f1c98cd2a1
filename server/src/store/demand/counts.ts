import type { ProductCount, UsualCount } from '@calm/contract';
import { and, eq } from 'drizzle-orm';
import { datesIn } from '../../database/dates';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** Which count: one product at one service on one date. */
export interface CountKey {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
}

/** The usual counts of all services of the week. */
export function readUsual({ tx, houseId }: Scope) {
  return tx.select().from(t.usualCounts).where(eq(t.usualCounts.houseId, houseId));
}

/** Sets the usual counts of a service of the week; products that are not named keep none. */
export async function writeUsual(
  { tx, houseId }: Scope,
  patternId: string,
  counts: readonly UsualCount[],
): Promise<void> {
  const ofPattern = and(eq(t.usualCounts.houseId, houseId), eq(t.usualCounts.patternId, patternId));
  await tx.delete(t.usualCounts).where(ofPattern);
  const some = counts.filter(({ count }) => count > 0);
  if (some.length === 0) return;
  await tx
    .insert(t.usualCounts)
    .values(some.map(({ productId, count }) => ({ houseId, patternId, productId, count })));
}

/** What was chosen on the dates from `from` up to, not including, `before`. */
export function readChosen({ tx, houseId }: Scope, from: string, before: string) {
  return tx
    .select()
    .from(t.chosenCounts)
    .where(and(eq(t.chosenCounts.houseId, houseId), datesIn(t.chosenCounts.date, from, before)));
}

/** Takes away what was ever chosen for a service. */
export async function deleteChosen({ tx, houseId }: Scope, patternId: string): Promise<void> {
  await tx
    .delete(t.chosenCounts)
    .where(and(eq(t.chosenCounts.houseId, houseId), eq(t.chosenCounts.patternId, patternId)));
}

/** One count as a service shows it. */
export async function readCount(scope: Scope, key: CountKey): Promise<ProductCount> {
  const { tx, houseId } = scope;
  const [usualRow] = await tx
    .select({ count: t.usualCounts.count })
    .from(t.usualCounts)
    .where(
      and(
        eq(t.usualCounts.houseId, houseId),
        eq(t.usualCounts.patternId, key.patternId),
        eq(t.usualCounts.productId, key.productId),
      ),
    );
  const [chosen] = await tx.select().from(t.chosenCounts).where(isCount(houseId, key));
  return productCount(key.productId, usualRow?.count ?? 0, chosen);
}

/** Joins a usual count with what was chosen over it. */
export function productCount(
  productId: string,
  usual: number,
  chosen: { count: number | null; version: number } | undefined,
): ProductCount {
  return {
    productId,
    usual,
    count: chosen?.count ?? usual,
    origin: chosen?.count == null ? 'usual' : 'chosen',
    version: chosen?.version ?? 0,
  };
}

/**
 * Writes a count if nobody has since the version that was read.
 *
 * @returns false when somebody has
 */
export async function writeCount(
  { tx, houseId }: Scope,
  key: CountKey,
  count: number | null,
  version: number,
): Promise<boolean> {
  if (version === 0) {
    try {
      await tx.insert(t.chosenCounts).values({ houseId, ...key, count });
      return true;
    } catch (error) {
      if (isDuplicate(error)) return false;
      throw error;
    }
  }
  const [result] = await tx
    .update(t.chosenCounts)
    .set({ count, version: version + 1 })
    .where(and(isCount(houseId, key), eq(t.chosenCounts.version, version)));
  return result.affectedRows === 1;
}

function isCount(houseId: string, { date, patternId, productId }: CountKey) {
  return and(
    eq(t.chosenCounts.houseId, houseId),
    eq(t.chosenCounts.date, date),
    eq(t.chosenCounts.patternId, patternId),
    eq(t.chosenCounts.productId, productId),
  );
}
