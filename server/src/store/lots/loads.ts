import type { LoadRecord } from '@calm/contract';
import { and, desc, eq, isNotNull } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** Changes a load if its version still is what was read; false when it is not. */
export async function updateLoad(
  { tx, houseId }: Scope,
  lotId: string,
  number: number,
  version: number,
  change: Omit<LoadRecord, 'number' | 'version' | 'frictionC'>,
): Promise<boolean> {
  const [result] = await tx
    .update(t.loads)
    .set({ ...change, version: version + 1 })
    .where(
      and(
        eq(t.loads.houseId, houseId),
        eq(t.loads.lotId, lotId),
        eq(t.loads.number, number),
        eq(t.loads.version, version),
      ),
    );
  return result.affectedRows === 1;
}

/** Loads looked at when a mixer's heating is learned, newest first. */
const LOADS_TO_LEARN_FROM = 400;

/** The newest loads with a dough temperature, with the mixer and formula they belong to. */
export function readLoggedLoads({ tx, houseId }: Scope) {
  return tx
    .select({
      mixerId: t.lots.mixerId,
      formulaId: t.lots.formulaId,
      roomTempC: t.loads.roomTempC,
      flourTempC: t.loads.flourTempC,
      prefermentTempC: t.loads.prefermentTempC,
      waterTempC: t.loads.waterTempC,
      doughOutC: t.loads.doughOutC,
      startedAt: t.lots.startedAt,
    })
    .from(t.loads)
    .innerJoin(t.lots, and(eq(t.lots.houseId, t.loads.houseId), eq(t.lots.id, t.loads.lotId)))
    .where(
      and(eq(t.loads.houseId, houseId), isNotNull(t.loads.doughOutC), isNotNull(t.lots.activeKey)),
    )
    .orderBy(desc(t.lots.startedAt))
    .limit(LOADS_TO_LEARN_FROM);
}

/** Whether a lot has a load of this number. */
export async function hasLoad(
  { tx, houseId }: Scope,
  lotId: string,
  number: number,
): Promise<boolean> {
  const rows = await tx
    .select({ number: t.loads.number })
    .from(t.loads)
    .where(and(eq(t.loads.houseId, houseId), eq(t.loads.lotId, lotId), eq(t.loads.number, number)));
  return rows.length > 0;
}
