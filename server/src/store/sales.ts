import type { Sale } from '@calm/contract';
import { and, asc, eq, gte, lt } from 'drizzle-orm';
import * as t from './schema';
import type { Scope } from './scope';

/** What was sold on the dates from `from` up to, not including, `before`; in time's order. */
export async function readSales(
  { tx, houseId }: Scope,
  from: string,
  before: string,
): Promise<Sale[]> {
  const rows = await tx
    .select()
    .from(t.sales)
    .where(and(eq(t.sales.houseId, houseId), gte(t.sales.date, from), lt(t.sales.date, before)))
    .orderBy(asc(t.sales.date));
  return rows.map(({ houseId: _h, version: _v, ...sale }) => sale);
}
