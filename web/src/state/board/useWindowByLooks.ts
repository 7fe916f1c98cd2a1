import type { HouseBook, LotRecord, NarrowDocument } from '@calm/contract';
import { HOUR_MS } from '@calm/core';
import { doughInProgress, observedOfLot, type BoardLot } from '@calm/domain';
import { useMemo } from 'react';
import type { SeenWindow } from '../../parts/lots/WindowByLooks';
import { engine } from '../../workers/engine/engine';
import type { NarrowAnswer } from '../../workers/engine/engineAnswers';
import { useLatest } from '../../workers/useLatest';
import { useCursor } from '../time/useCursor';

const narrowed = (observed: NarrowDocument): Promise<NarrowAnswer> => engine().narrow(observed);
/** Steps of the present at which what is still to come is calculated again, ms. */
const EVERY_MS = 5 * 60_000;

/**
 * From when a lot opens well by what somebody saw of it, by the engine in its worker.
 *
 * @param lot null where there is none
 * @param records of that lot
 * @returns null until somebody looked, while it is calculated, or where it never opens well
 */
export function useWindowByLooks(
  { house }: HouseBook,
  lot: BoardLot | null,
  records: readonly LotRecord[],
): SeenWindow | null {
  const { nowMs } = useCursor();
  const atMs = Math.floor(nowMs / EVERY_MS) * EVERY_MS;
  const prefermentC = house.settings.usualTempsC.preferment;
  const dough = useMemo(
    () => lot && doughInProgress(lot, lot.product, prefermentC, atMs),
    [lot, prefermentC, atMs],
  );
  const observed = useMemo(() => dough && observedOfLot(dough, records), [dough, records]);
  const answer = useLatest(narrowed, observed)?.answer;
  const first = answer?.ok ? answer.value.after?.first : undefined;
  if (!dough || !observed || !first) return null;
  const at = (hour: number) => dough.mixedMs + hour * HOUR_MS;
  return { likelyMs: at(first.p50), fromMs: at(first.p10), untilMs: at(first.p90) };
}
