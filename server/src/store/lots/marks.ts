import { emptyMark } from '@calm/domain';
import type { Mark } from '@calm/contract';
import { and, eq } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** Writes how a step stands, if nobody has since the version read; false when somebody has. */
export async function writeMark(
  { tx, houseId }: Scope,
  lotId: string,
  { version, startedAt, doneAt, ...mark }: Mark,
): Promise<boolean> {
  const row = { ...mark, startedAt: dateOf(startedAt), doneAt: dateOf(doneAt), version };
  if (version === 1) {
    try {
      await tx.insert(t.marks).values({ houseId, lotId, ...row });
      return true;
    } catch (error) {
      if (isDuplicate(error)) return false;
      throw error;
    }
  }
  const [result] = await tx
    .update(t.marks)
    .set(row)
    .where(
      and(
        eq(t.marks.houseId, houseId),
        eq(t.marks.lotId, lotId),
        eq(t.marks.loadNumber, mark.loadNumber),
        eq(t.marks.stepKey, mark.stepKey),
        eq(t.marks.version, version - 1),
      ),
    );
  return result.affectedRows === 1;
}

const dateOf = (iso: string | null) => (iso === null ? null : new Date(iso));

/** A mark as its row has it. */
export const markOf = (row: typeof t.marks.$inferSelect): Mark => ({
  loadNumber: row.loadNumber,
  stepKey: row.stepKey,
  startedAt: row.startedAt?.toISOString() ?? null,
  doneAt: row.doneAt?.toISOString() ?? null,
  skippedWhy: row.skippedWhy,
  extraMin: row.extraMin,
  personId: row.personId,
  version: row.version,
});

/** One mark, as never touched when there is none. */
export async function readMark(
  { tx, houseId }: Scope,
  lotId: string,
  loadNumber: number,
  stepKey: string,
): Promise<Mark> {
  const [row] = await tx
    .select()
    .from(t.marks)
    .where(
      and(
        eq(t.marks.houseId, houseId),
        eq(t.marks.lotId, lotId),
        eq(t.marks.loadNumber, loadNumber),
        eq(t.marks.stepKey, stepKey),
      ),
    );
  return row ? markOf(row) : emptyMark(loadNumber, stepKey);
}
