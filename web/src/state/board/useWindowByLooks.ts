import type { HouseBook, LotRecord, NarrowDocument } from '@calm/contract';
import { HOUR_MS, type WindowOdds } from '@calm/core';
import { asDecided, doughInProgress, observedOfLot, type BoardLot } from '@calm/domain';
import { useMemo } from 'react';
import type { FirstOpen, SeenWindow } from '../../parts/measures/WindowByLooks';
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
  const dough = useMemo(() => {
    const way = lot && doughInProgress(lot, lot.product, prefermentC, atMs);
    return way && asDecided(way, records);
  }, [lot, records, prefermentC, atMs]);
  const observed = useMemo(() => dough && observedOfLot(dough, records), [dough, records]);
  const answer = useLatest(narrowed, observed)?.answer;
  const mixedMs = dough?.mixedMs;
  return useMemo(() => {
    if (mixedMs === undefined || !observed || !answer?.ok) return null;
    const { before, after, yeastFactor, placeC, doubted } = answer.value;
    const firstOf = (odds: WindowOdds | null): FirstOpen | null => {
      if (!odds) return null;
      const at = (hour: number) => mixedMs + hour * HOUR_MS;
      const { p10, p50, p90 } = odds.first;
      return { likelyMs: at(p50), fromMs: at(p10), untilMs: at(p90) };
    };
    const narrower = firstOf(after);
    return narrower && { before: firstOf(before), after: narrower, yeastFactor, placeC, doubted };
  }, [mixedMs, observed, answer]);
}
