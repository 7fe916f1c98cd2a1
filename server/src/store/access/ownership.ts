import { eq, isNull, or, sql } from 'drizzle-orm';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** Whether a house has, or ever had, an owner; and with which code the first one begins. */
export interface Ownership {
  readonly isOwned: boolean;
  readonly setupHash: string | null;
}

const UNKNOWN: Ownership = { isOwned: false, setupHash: null };

/**
 * Lets one change of who looks after a house go at a time: the others wait here, and on another node of a
 * cluster they meet in this row and are tried again. What is read after it is what they left.
 */
export async function lockAccess({ tx, houseId }: Scope): Promise<void> {
  await tx
    .insert(t.houseAccess)
    .values({ houseId, changes: 1 })
    .onDuplicateKeyUpdate({ set: { changes: sql`${t.houseAccess.changes} + 1` } });
}

/** Whether the house has its owner. */
export async function readOwnership({ tx, houseId }: Scope): Promise<Ownership> {
  const [row] = await tx.select().from(t.houseAccess).where(eq(t.houseAccess.houseId, houseId));
  return row ? { isOwned: row.ownedAt !== null, setupHash: row.setupHash } : UNKNOWN;
}

/** The house has its owner from now on, and its code is used up. */
export async function writeOwned({ tx, houseId }: Scope, ownedAt: Date): Promise<void> {
  await tx
    .update(t.houseAccess)
    .set({ ownedAt, setupHash: null })
    .where(eq(t.houseAccess.houseId, houseId));
}

/** The code with which the first owner begins; the one before it no longer does. */
export async function writeSetupHash({ tx, houseId }: Scope, setupHash: string): Promise<void> {
  await tx.update(t.houseAccess).set({ setupHash }).where(eq(t.houseAccess.houseId, houseId));
}

/** Houses that never had an owner. */
export const readUnownedHouses = (
  tx: Queries,
): Promise<{ readonly houseId: string; readonly slug: string }[]> =>
  tx
    .select({ houseId: t.houses.id, slug: t.houses.slug })
    .from(t.houses)
    .leftJoin(t.houseAccess, eq(t.houseAccess.houseId, t.houses.id))
    .where(or(isNull(t.houseAccess.houseId), isNull(t.houseAccess.ownedAt)));
