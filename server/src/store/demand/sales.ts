import type { ImportedSale, Sale, SoldBalls } from '@calm/contract';
import { and, asc, between, eq, isNotNull, sql } from 'drizzle-orm';
import { datesIn } from '../../database/dates';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** Which sale: one product at one service on one date. */
export interface SaleKey {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
}

const saleOf = ({ houseId: _, ...sale }: typeof t.sales.$inferSelect): Sale => sale;

/** What was sold on the dates from `from` up to, not including, `before`; in time's order. */
export async function readSales(
  { tx, houseId }: Scope,
  from: string,
  before: string,
): Promise<Sale[]> {
  const rows = await tx
    .select()
    .from(t.sales)
    .where(and(eq(t.sales.houseId, houseId), datesIn(t.sales.date, from, before)))
    .orderBy(asc(t.sales.date));
  return rows.map(saleOf);
}

/** One sale, or null. */
export async function findSale({ tx, houseId }: Scope, key: SaleKey): Promise<Sale | null> {
  const [row] = await tx.select().from(t.sales).where(isSale(houseId, key));
  return row ? saleOf(row) : null;
}

/**
 * Writes a sale if nobody has since the version that was read; null takes it out.
 *
 * @returns false when somebody has
 */
export async function writeSale(
  { tx, houseId }: Scope,
  key: SaleKey,
  sale: SoldBalls | null,
  read: number,
): Promise<boolean> {
  const isRead = and(isSale(houseId, key), eq(t.sales.version, read));
  if (sale === null) {
    const [gone] = await tx.delete(t.sales).where(isRead);
    return gone.affectedRows === 1 || read === 0;
  }
  if (read > 0) {
    const [result] = await tx
      .update(t.sales)
      .set({ ...sale, version: read + 1 })
      .where(isRead);
    return result.affectedRows === 1;
  }
  try {
    await tx.insert(t.sales).values({ houseId, ...key, ...sale });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

/** Writes sales over whatever is there; what a file does not tell stays as it was. */
export async function putSales(
  { tx, houseId }: Scope,
  sales: readonly ImportedSale[],
): Promise<void> {
  await inBatches(sales, (batch) =>
    tx
      .insert(t.sales)
      .values(
        batch.map(({ date, patternId, productId, sold, soldOutMin, leftBalls }) => ({
          houseId,
          date,
          patternId,
          productId,
          sold,
          soldOutMin: soldOutMin ?? null,
          leftBalls: leftBalls ?? null,
        })),
      )
      .onDuplicateKeyUpdate({
        set: {
          sold: sql`values(sold)`,
          soldOutMin: sql`coalesce(values(sold_out_min), sold_out_min)`,
          leftBalls: sql`coalesce(values(left_balls), left_balls)`,
          version: sql`version + 1`,
        },
      }),
  );
  const quarters = sales.flatMap(({ date, patternId, productId, quarters: each = [] }) =>
    each.map(([quarter, sold]) => ({ houseId, date, patternId, productId, quarter, sold })),
  );
  await inBatches(quarters, (batch) =>
    tx
      .insert(t.quarterSales)
      .values(batch)
      .onDuplicateKeyUpdate({ set: { sold: sql`values(sold)` } }),
  );
}

/** Adds balls to a service's sales, total and quarter hour; never below none. */
export async function addToSales(
  { tx, houseId }: Scope,
  key: SaleKey,
  quarter: number,
  balls: number,
): Promise<void> {
  const first = Math.max(0, balls);
  await tx
    .insert(t.sales)
    .values({ houseId, ...key, sold: first })
    .onDuplicateKeyUpdate({
      set: { sold: sql`greatest(0, sold + ${balls})`, version: sql`version + 1` },
    });
  await tx
    .insert(t.quarterSales)
    .values({ houseId, ...key, quarter, sold: first })
    .onDuplicateKeyUpdate({ set: { sold: sql`greatest(0, sold + ${balls})` } });
}

/** Notes a till's sale; false when its number was posted before. */
export async function noteTillSale(
  { tx, houseId }: Scope,
  sale: Omit<typeof t.tillSales.$inferInsert, 'houseId'>,
): Promise<boolean> {
  const [result] = await tx
    .insert(t.tillSales)
    .ignore()
    .values({ houseId, ...sale });
  return result.affectedRows === 1;
}

export async function isTillSaleKnown({ tx, houseId }: Scope, number: string): Promise<boolean> {
  const rows = await tx
    .select({ number: t.tillSales.number })
    .from(t.tillSales)
    .where(and(eq(t.tillSales.houseId, houseId), eq(t.tillSales.number, number)));
  return rows.length > 0;
}

/**
 * Balls of a product that a house's tills have posted between two moments, both included; nobody else posts there
 * until the transaction is over, so that nothing is taken back twice.
 */
export async function sumTillSales(
  { tx, houseId }: Scope,
  productId: string,
  { from, until }: { readonly from: Date; readonly until: Date },
): Promise<number> {
  const [row] = await tx
    .select({ balls: sql<number>`coalesce(sum(${t.tillSales.balls}), 0)`.mapWith(Number) })
    .from(t.tillSales)
    .where(
      and(
        eq(t.tillSales.houseId, houseId),
        eq(t.tillSales.productId, productId),
        between(t.tillSales.at, from, until),
      ),
    )
    .for('update');
  return row?.balls ?? 0;
}

/** What went by quarter hour on the dates from `from` to `to`, both included, over all days. */
export function readQuarters({ tx, houseId }: Scope, from: string, before: string) {
  return tx
    .select({
      patternId: t.quarterSales.patternId,
      productId: t.quarterSales.productId,
      quarter: t.quarterSales.quarter,
      sold: sql<number>`cast(sum(${t.quarterSales.sold}) as signed)`.mapWith(Number),
    })
    .from(t.quarterSales)
    .where(and(eq(t.quarterSales.houseId, houseId), datesIn(t.quarterSales.date, from, before)))
    .groupBy(t.quarterSales.patternId, t.quarterSales.productId, t.quarterSales.quarter);
}

/** Evenings that ran out and whose balls are known by quarters, with what went by then. */
export function readRanOut({ tx, houseId }: Scope, from: string, before: string) {
  return tx
    .select({
      patternId: t.sales.patternId,
      productId: t.sales.productId,
      soldOutMin: t.sales.soldOutMin,
      sold: sql<number>`cast(sum(${t.quarterSales.sold}) as signed)`.mapWith(Number),
    })
    .from(t.sales)
    .innerJoin(
      t.quarterSales,
      and(
        eq(t.quarterSales.houseId, t.sales.houseId),
        eq(t.quarterSales.date, t.sales.date),
        eq(t.quarterSales.patternId, t.sales.patternId),
        eq(t.quarterSales.productId, t.sales.productId),
      ),
    )
    .where(
      and(
        eq(t.sales.houseId, houseId),
        datesIn(t.sales.date, from, before),
        isNotNull(t.sales.soldOutMin),
      ),
    )
    .groupBy(t.sales.date, t.sales.patternId, t.sales.productId, t.sales.soldOutMin);
}

const ROWS_PER_INSERT = 1000;

async function inBatches<Row>(rows: readonly Row[], insert: (batch: Row[]) => Promise<unknown>) {
  for (let i = 0; i < rows.length; i += ROWS_PER_INSERT) {
    await insert(rows.slice(i, i + ROWS_PER_INSERT));
  }
}

function isSale(houseId: string, { date, patternId, productId }: SaleKey) {
  return and(
    eq(t.sales.houseId, houseId),
    eq(t.sales.date, date),
    eq(t.sales.patternId, patternId),
    eq(t.sales.productId, productId),
  );
}
