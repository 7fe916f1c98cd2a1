import type { LotRecord, Product } from '@calm/contract';
import type { BoardLot, WaitingLot } from '@calm/domain';
import { useMemo } from 'react';
import { useForecastQuery } from '../api/api';
import type { Board } from '../board/useBoard';
import { useCold } from '../board/useCold';
import { useCursor } from '../time/useCursor';
import { engine } from '../../workers/engine/engine';
import type { WhatNowAnswer } from '../../workers/engine/engineAnswers';
import { useLatest } from '../../workers/useLatest';
import { waitingLot } from './waitingLot';

const ask = (lot: WaitingLot): Promise<WhatNowAnswer> => engine().whatNow(lot);
/** Steps of the present at which it is asked again, ms. */
const EVERY_MS = 5 * 60_000;

/** The present, in steps at which what can be done is asked again, ms. */
export function useAskedMs(): number {
  const { nowMs } = useCursor();
  return Math.floor(nowMs / EVERY_MS) * EVERY_MS;
}

/**
 * What can be done with a lot, by the engine in its worker.
 *
 * @param product whose balls of it are asked about; those that it is named after when absent
 * @returns the question with its answer; null until it is there, or where the lot is not mixed yet
 */
export function useWhatNow(
  board: Board,
  lot: BoardLot,
  records: readonly LotRecord[],
  product: Product = lot.product,
) {
  const atMs = useAskedMs();
  const { cold, error } = useCold(board.house);
  const { data: forecast } = useForecastQuery({ house: board.house, from: lot.date, days: 1 });
  const usage = forecast?.usage;
  const isColdKnown = cold !== null || Boolean(error);
  const question = useMemo(
    () =>
      isColdKnown
        ? waitingLot(board, lot, product, { cold, records, atMs, ...(usage && { usage }) })
        : null,
    [lot, product, records, board, cold, isColdKnown, usage, atMs],
  );
  const latest = useLatest(ask, question);
  return { question, latest };
}
