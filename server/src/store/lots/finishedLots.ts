import type { Lot } from '@calm/contract';
import type { PlannedStage } from '@calm/core';
import { and, between, desc, eq, isNotNull } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { withParts } from './lots';

/** A lot whose service is over, as it was planned; null for lots from before plans were kept. */
export interface FinishedLot {
  readonly lot: Lot;
  readonly planned: readonly PlannedStage[] | null;
}

/** The newest lots whose service was over between two moments, newest first. */
export async function readFinishedLots(
  scope: Scope,
  from: Date,
  until: Date,
  most: number,
): Promise<FinishedLot[]> {
  const { tx, houseId } = scope;
  const rows = await tx
    .select()
    .from(t.lots)
    .where(
      and(
        eq(t.lots.houseId, houseId),
        isNotNull(t.lots.activeKey),
        between(t.lots.closeAt, from, until),
      ),
    )
    .orderBy(desc(t.lots.closeAt), desc(t.lots.id))
    .limit(most);
  const lots = await withParts(scope, rows);
  return lots.map((lot, i) => ({ lot, planned: rows[i]?.planned ?? null }));
}
