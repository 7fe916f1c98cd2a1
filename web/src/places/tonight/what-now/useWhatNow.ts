import type { ColdBoard, LotRecord } from '@calm/contract';
import {
  airOfPlaces,
  asDecided,
  doughInProgress,
  keptCold,
  nextDoors,
  type BoardLot,
  type DoughInProgress,
  type WaitingLot,
} from '@calm/domain';
import { useMemo } from 'react';
import type { Board } from '../../../state/board/useBoard';
import { useCold } from '../../../state/board/useCold';
import { useCursor } from '../../../state/time/useCursor';
import { engine } from '../../../workers/engine/engine';
import type { WhatNowAnswer } from '../../../workers/engine/engineAnswers';
import { useLatest } from '../../../workers/useLatest';
import { servicesFor, spotsOf } from './spots';

const ask = (lot: WaitingLot): Promise<WhatNowAnswer> => engine().whatNow(lot);
/** Steps of the present at which it is asked again, ms. */
const EVERY_MS = 5 * 60_000;

/**
 * What can be done with a lot, by the engine in its worker.
 *
 * @returns the question with its answer; null until it is there, or where the lot is not mixed yet
 */
export function useWhatNow(board: Board, lot: BoardLot, records: readonly LotRecord[]) {
  const { nowMs } = useCursor();
  const atMs = Math.floor(nowMs / EVERY_MS) * EVERY_MS;
  const { cold, error } = useCold(board.house);
  const isColdKnown = cold !== null || Boolean(error);
  const { book, services } = board;
  const prefermentC = book.house.settings.usualTempsC.preferment;
  const question = useMemo((): WaitingLot | null => {
    const going = doughInProgress(lot, lot.product, prefermentC, atMs);
    if (!isColdKnown || !going || going.mixedMs > atMs) return null;
    const air = cold ? airOfPlaces(book.places, cold.probes, cold.air, cold.notes) : [];
    const kept = stillCold(going, lot, board, cold, atMs);
    const wanting = servicesFor(services, lot, records, atMs);
    return {
      way: asDecided(kept ?? going, records),
      records,
      places: book.places,
      air,
      nowMs: atMs,
      // What stands in the cold is pulled for one service; for the later ones it stays there.
      services: kept ? wanting.slice(0, 1) : wanting,
      spots: spotsOf(book, air, lot, atMs),
    };
  }, [lot, records, board, book, services, cold, isColdKnown, prefermentC, atMs]);
  const latest = useLatest(ask, question);
  return { question, latest };
}

/** The way of a lot's trays that stand in the cold, though others of it have been pulled; null of one that has none. */
function stillCold(
  way: DoughInProgress,
  lot: BoardLot,
  { book: { places }, services }: Board,
  cold: ColdBoard | null,
  nowMs: number,
): DoughInProgress | null {
  const isStanding = cold?.lots.some(
    ({ key, productId, zone }) =>
      key === lot.lot?.id && productId === lot.product.id && zone !== null,
  );
  if (!isStanding) return null;
  const inCold = way.places.map(
    (name) => places.find((place) => place.name === name && place.room !== null) ?? null,
  );
  const doors = nextDoors(lot, services, nowMs);
  const stages = keptCold(way.document.stages, inCold, way.mixedMs, nowMs, doors);
  return stages ? { ...way, document: { ...way.document, stages } } : way;
}
