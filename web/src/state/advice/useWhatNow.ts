import type { Product } from '@calm/contract';
import type { BoardLot, WaitingLot } from '@calm/domain';
import { useMemo } from 'react';
import { useForecastQuery } from '../api/api';
import type { Board } from '../board/useBoard';
import { useCold } from '../board/useCold';
import { useAreLotRecordsComing, useLotRecords } from '../outbox/useRecords';
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
 * What can be done with a lot, by the engine in its worker. It is asked once all is there that moves the answer.
 *
 * @param product whose balls of it are asked about; those that it is named after when absent
 * @returns the question with its answer: null until it is there, or, once it is known, where the lot is not mixed yet
 */
export function useWhatNow(board: Board, lot: BoardLot, product: Product = lot.product) {
  const { house } = board;
  const lotId = lot.lot?.id ?? null;
  const atMs = useAskedMs();
  const records = useLotRecords(house, lotId);
  const areRecordsComing = useAreLotRecordsComing(house, lotId);
  const { cold, error } = useCold(house);
  const forecast = useForecastQuery({ house, from: lot.date, days: 1 });
  const usage = forecast.data?.usage;
  const isKnown = (cold !== null || Boolean(error)) && !areRecordsComing && !forecast.isLoading;
  const question = useMemo(
    () =>
      isKnown
        ? waitingLot(board, lot, product, { cold, records, atMs, ...(usage && { usage }) })
        : null,
    [lot, product, records, board, cold, isKnown, usage, atMs],
  );
  const latest = useLatest(ask, question);
  return { isKnown, question, latest };
}
