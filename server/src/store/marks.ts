import type { Mark } from '@calm/contract';
import { and, eq } from 'drizzle-orm';
import * as t from './schema';
import type { Scope } from './scope';
import { isDuplicate } from './transaction';

/** Ticks a step, or un-ticks it, if nobody has since the version read; false when somebody has. */
export async function writeMark(
  { tx, houseId }: Scope,
  lotId: string,
  mark: { loadNumber: number; stepKey: string; doneAt: Date | null; version: number },
): Promise<boolean> {
  const { loadNumber, stepKey, doneAt, version } = mark;
  if (version === 0) {
    try {
      await tx.insert(t.marks).values({ houseId, lotId, loadNumber, stepKey, doneAt });
      return true;
    } catch (error) {
      if (isDuplicate(error)) return false;
      throw error;
    }
  }
  const [result] = await tx
    .update(t.marks)
    .set({ doneAt, version: version + 1 })
    .where(
      and(
        eq(t.marks.houseId, houseId),
        eq(t.marks.lotId, lotId),
        eq(t.marks.loadNumber, loadNumber),
        eq(t.marks.stepKey, stepKey),
        eq(t.marks.version, version),
      ),
    );
  return result.affectedRows === 1;
}

/** One mark, as never ticked when there is none. */
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
  const doneAt = row?.doneAt?.toISOString() ?? null;
  return { loadNumber, stepKey, doneAt, version: row?.version ?? 0 };
}
