import { sql } from 'drizzle-orm';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';

/** There is one row: this server's. */
const ROW = 1;

/**
 * Lets one begin the first house at a time: the others wait here, and find it begun. What is read after it is what
 * they left.
 *
 * @returns the hash of the code with which the first house begins; null when none was printed
 */
export async function lockInstallation(tx: Queries): Promise<string | null> {
  await tx
    .insert(t.installation)
    .values({ id: ROW, changes: 1 })
    .onDuplicateKeyUpdate({ set: { changes: sql`${t.installation.changes} + 1` } });
  const [row] = await tx.select().from(t.installation);
  return row?.setupHash ?? null;
}

/** The code with which the first house begins; null is used up. The one before it is good no longer. */
export async function writeInstallationCode(tx: Queries, setupHash: string | null): Promise<void> {
  await tx.update(t.installation).set({ setupHash });
}

/** Whether any house is here. */
export async function hasHouse(tx: Queries): Promise<boolean> {
  const rows = await tx.select({ id: t.houses.id }).from(t.houses).limit(1);
  return rows.length > 0;
}
