import { eq, inArray } from 'drizzle-orm';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';
import { OF_A_HOUSE, OF_A_PROBE } from './houseTables';

/** Takes a house and everything of it out. The account that serves may not: the record of who did what goes with it. */
export async function removeHouse(tx: Queries, houseId: string): Promise<void> {
  const probes = await tx
    .select({ no: t.probes.no })
    .from(t.probes)
    .where(eq(t.probes.houseId, houseId));
  const numbers = probes.map(({ no }) => no);
  for (const table of OF_A_PROBE)
    if (numbers.length > 0) await tx.delete(table).where(inArray(table.probeNo, numbers));
  for (const table of OF_A_HOUSE.toReversed())
    await tx.delete(table).where(eq(table.houseId, houseId));
  await tx.delete(t.houses).where(eq(t.houses.id, houseId));
}
