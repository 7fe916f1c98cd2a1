import type { LoadRecord, Lot, LotItem } from '@calm/contract';
import { and, asc, desc, eq, gte, inArray, isNotNull, or } from 'drizzle-orm';
import { PART_OF_LOT, partOfLot } from '@calm/domain';
import { markOf } from './marks';
import { readRecordsOf } from './records';
import { datesIn } from '../../database/dates';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** Active lots for services on the dates from `from` up to, not including, `before`, by date and code. */
export async function readLots(scope: Scope, from: string, before: string): Promise<Lot[]> {
  const { tx, houseId } = scope;
  const rows = await tx
    .select()
    .from(t.lots)
    .where(
      and(
        eq(t.lots.houseId, houseId),
        isNotNull(t.lots.activeKey),
        datesIn(t.lots.serviceDate, from, before),
      ),
    )
    .orderBy(asc(t.lots.serviceDate), asc(t.lots.code));
  return withParts(scope, rows);
}

/** One active lot, or null. */
export async function findLot(scope: Scope, lotId: string): Promise<Lot | null> {
  const { tx, houseId } = scope;
  const rows = await tx
    .select()
    .from(t.lots)
    .where(and(eq(t.lots.houseId, houseId), eq(t.lots.id, lotId), isNotNull(t.lots.activeKey)));
  const [lot] = await withParts(scope, rows);
  return lot ?? null;
}

/** The lot under way for a dough on a date, or null. */
export async function findActiveLot(scope: Scope, activeKey: string): Promise<Lot | null> {
  const { tx, houseId } = scope;
  const rows = await tx
    .select()
    .from(t.lots)
    .where(and(eq(t.lots.houseId, houseId), eq(t.lots.activeKey, activeKey)));
  const [lot] = await withParts(scope, rows);
  return lot ?? null;
}

/** The key that keeps one dough from being started twice for one date. */
export function activeKeyOf(formulaId: string, routeId: string, date: string): string {
  return `${formulaId}/${routeId}/${date}`;
}

export type LotRow = typeof t.lots.$inferSelect;

/** Lots with what belongs to them, in the order of their rows. */
export async function withParts(scope: Scope, rows: LotRow[]): Promise<Lot[]> {
  const { tx, houseId } = scope;
  const ids = rows.map((row) => row.id);
  if (ids.length === 0) return [];
  const [items, loads, marks, records] = await Promise.all([
    tx
      .select()
      .from(t.lotItems)
      .where(and(eq(t.lotItems.houseId, houseId), inArray(t.lotItems.lotId, ids)))
      .orderBy(asc(t.lotItems.position)),
    tx
      .select()
      .from(t.loads)
      .where(and(eq(t.loads.houseId, houseId), inArray(t.loads.lotId, ids)))
      .orderBy(asc(t.loads.number)),
    tx
      .select()
      .from(t.marks)
      .where(and(eq(t.marks.houseId, houseId), inArray(t.marks.lotId, ids))),
    readRecordsOf(scope, ids, PART_OF_LOT),
  ]);
  const [itemsOf, loadsOf, marksOf] = [groupByLot(items), groupByLot(loads), groupByLot(marks)];
  const recordsOf = groupByLot(records);
  return rows.map((row) => ({
    id: row.id,
    code: row.code,
    serviceDate: row.serviceDate,
    version: row.version,
    startedAt: row.startedAt.toISOString(),
    doorsAt: row.doorsAt.toISOString(),
    closeAt: row.closeAt.toISOString(),
    note: row.note,
    leftG: row.leftG,
    trimG: row.trimG,
    recipe: row.recipe,
    items: (itemsOf.get(row.id) ?? []).map(itemOf),
    loads: (loadsOf.get(row.id) ?? []).map(loadOf),
    marks: (marksOf.get(row.id) ?? []).map(markOf),
    ...partOfLot(recordsOf.get(row.id) ?? []),
  }));
}

function groupByLot<Row extends { lotId: string }>(list: Row[]): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of list) {
    const group = groups.get(row.lotId);
    if (group) group.push(row);
    else groups.set(row.lotId, [row]);
  }
  return groups;
}

const itemOf = (row: typeof t.lotItems.$inferSelect): LotItem => ({
  productId: row.productId,
  name: row.name,
  count: row.count,
  ballWeightG: row.ballWeightG,
  trimPercent: row.trimPercent,
});

const loadOf = ({ houseId: _h, lotId: _l, ...load }: typeof t.loads.$inferSelect): LoadRecord =>
  load;

/**
 * Codes that a dough's lots carry already which were begun since a moment, withdrawn ones too. Whoever begins another
 * lot of the dough waits: no two are called alike.
 */
export async function takenCodes(
  { tx, houseId }: Scope,
  formulaId: string,
  since: Date,
): Promise<ReadonlySet<string>> {
  await tx
    .select({ id: t.formulas.id })
    .from(t.formulas)
    .where(and(eq(t.formulas.houseId, houseId), eq(t.formulas.id, formulaId)))
    .for('update');
  const rows = await tx
    .select({ code: t.lots.code })
    .from(t.lots)
    .where(
      and(
        eq(t.lots.houseId, houseId),
        eq(t.lots.formulaId, formulaId),
        gte(t.lots.startedAt, since),
      ),
    );
  return new Set(rows.map(({ code }) => code));
}

/** A lot to be written, with its parts. */
export interface NewLot {
  readonly lot: Omit<typeof t.lots.$inferInsert, 'houseId'>;
  readonly items: readonly LotItem[];
  readonly loads: readonly Omit<LoadRecord, 'version'>[];
}

/** Writes a new lot; false when its dough got under way for that date in the meantime. */
export async function insertLot(
  { tx, houseId }: Scope,
  { lot, items, loads }: NewLot,
): Promise<boolean> {
  try {
    await tx.insert(t.lots).values({ houseId, ...lot });
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
  await tx
    .insert(t.lotItems)
    .values(items.map((item, position) => ({ houseId, lotId: lot.id, position, ...item })));
  await tx.insert(t.loads).values(loads.map((load) => ({ houseId, lotId: lot.id, ...load })));
  return true;
}

/** Changes a lot's own columns if its version still is what was read; false when it is not. */
export async function updateLot(
  { tx, houseId }: Scope,
  lotId: string,
  version: number,
  change: Partial<Pick<LotRow, 'note' | 'activeKey' | 'leftG' | 'trimG'>>,
): Promise<boolean> {
  const [result] = await tx
    .update(t.lots)
    .set({ ...change, version: version + 1 })
    .where(and(eq(t.lots.houseId, houseId), eq(t.lots.id, lotId), eq(t.lots.version, version)));
  return result.affectedRows === 1;
}

/** A lot's row, withdrawn or not, or null. */
export async function findLotRow({ tx, houseId }: Scope, lotId: string): Promise<LotRow | null> {
  const [row] = await tx
    .select()
    .from(t.lots)
    .where(and(eq(t.lots.houseId, houseId), eq(t.lots.id, lotId)));
  return row ?? null;
}

/** The newest lot of a code: codes name a day, and come round every year. */
export async function findNewestLotRow(
  { tx, houseId }: Scope,
  code: string,
): Promise<LotRow | null> {
  const [row] = await tx
    .select()
    .from(t.lots)
    .where(and(eq(t.lots.houseId, houseId), eq(t.lots.code, code)))
    .orderBy(desc(t.lots.serviceDate))
    .limit(1);
  return row ?? null;
}

/** The newest lots that were weighed after balling. */
export async function readWeighedLots({ tx, houseId }: Scope, most: number) {
  return tx
    .select()
    .from(t.lots)
    .where(
      and(
        eq(t.lots.houseId, houseId),
        isNotNull(t.lots.activeKey),
        or(isNotNull(t.lots.leftG), isNotNull(t.lots.trimG)),
      ),
    )
    .orderBy(desc(t.lots.serviceDate))
    .limit(most);
}

/** What lots were made into, by lot. */
export async function readItems(
  { tx, houseId }: Scope,
  lotIds: readonly string[],
): Promise<Map<string, LotItem[]>> {
  if (lotIds.length === 0) return new Map();
  const rows = await tx
    .select()
    .from(t.lotItems)
    .where(and(eq(t.lotItems.houseId, houseId), inArray(t.lotItems.lotId, [...lotIds])))
    .orderBy(asc(t.lotItems.position));
  return new Map([...groupByLot(rows)].map(([id, items]) => [id, items.map(itemOf)]));
}
