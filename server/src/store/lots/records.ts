import type { LotRecord, RecordKind } from '@calm/contract';
import { and, asc, between, eq, inArray, isNotNull, notInArray } from 'drizzle-orm';
import { datesIn, instantOrNull } from '../../database/dates';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** What is read only with its own lot: there is much of it. */
const OF_ONE_LOT = ['weighed', 'piece'] as const;

const recordOf = (row: typeof t.lotRecords.$inferSelect): LotRecord => ({
  id: row.id,
  lotId: row.lotId,
  at: row.at.toISOString(),
  receivedAt: row.receivedAt?.toISOString() ?? null,
  personId: row.personId,
  correctsId: row.correctsId,
  content: row.content,
});

/** Everything on record of one lot, oldest first. */
export async function readLotRecords({ tx, houseId }: Scope, lotId: string): Promise<LotRecord[]> {
  const rows = await tx
    .select()
    .from(t.lotRecords)
    .where(and(eq(t.lotRecords.houseId, houseId), eq(t.lotRecords.lotId, lotId)))
    .orderBy(asc(t.lotRecords.at), asc(t.lotRecords.id));
  return rows.map(recordOf);
}

/** What is on record of the active lots for the dates from `from` up to, not including, `before`, without single weights. */
export async function readRecords(
  { tx, houseId }: Scope,
  from: string,
  before: string,
): Promise<LotRecord[]> {
  const rows = await tx
    .select({ record: t.lotRecords })
    .from(t.lotRecords)
    .innerJoin(
      t.lots,
      and(eq(t.lots.houseId, t.lotRecords.houseId), eq(t.lots.id, t.lotRecords.lotId)),
    )
    .where(
      and(
        eq(t.lotRecords.houseId, houseId),
        isNotNull(t.lots.activeKey),
        datesIn(t.lots.serviceDate, from, before),
        notInArray(t.lotRecords.kind, [...OF_ONE_LOT]),
      ),
    )
    .orderBy(asc(t.lotRecords.at), asc(t.lotRecords.id));
  return rows.map(({ record }) => recordOf(record));
}

/** What is on record of some lots, of some kinds. */
export async function readRecordsOf(
  { tx, houseId }: Scope,
  lotIds: readonly string[],
  kinds: readonly RecordKind[],
): Promise<LotRecord[]> {
  const rows = await tx
    .select()
    .from(t.lotRecords)
    .where(
      and(
        eq(t.lotRecords.houseId, houseId),
        inArray(t.lotRecords.lotId, [...lotIds]),
        inArray(t.lotRecords.kind, [...kinds]),
      ),
    )
    .orderBy(asc(t.lotRecords.at), asc(t.lotRecords.id));
  return rows.map(recordOf);
}

/** Adds a record; false when there is one of its name. */
export async function insertRecord({ tx, houseId }: Scope, record: LotRecord): Promise<boolean> {
  const { content } = record;
  try {
    await tx.insert(t.lotRecords).values({
      ...record,
      houseId,
      at: new Date(record.at),
      receivedAt: instantOrNull(record.receivedAt),
      kind: content.kind,
      found: 'found' in content ? content.found : null,
    });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

/** What is on record of a kind between two moments, of any lot, oldest first. */
export async function readRecordsSince(
  { tx, houseId }: Scope,
  kind: RecordKind,
  from: Date,
  to: Date,
): Promise<LotRecord[]> {
  const rows = await tx
    .select()
    .from(t.lotRecords)
    .where(
      and(
        eq(t.lotRecords.houseId, houseId),
        eq(t.lotRecords.kind, kind),
        between(t.lotRecords.at, from, to),
      ),
    )
    .orderBy(asc(t.lotRecords.at), asc(t.lotRecords.id));
  return rows.map(recordOf);
}
