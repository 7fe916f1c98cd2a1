import { useMemo } from 'react';
import type { Board } from '../../../state/board/useBoard';
import { useCold } from '../../../state/board/useCold';
import { useRecords } from '../../../state/outbox/useRecords';
import { addDays } from '../../../state/time/localDate';
import { engine } from '../../../workers/engine/engine';
import type { EngineInWorker, WhatNowAnswer } from '../../../workers/engine/engineAnswers';
import { useLatest } from '../../../workers/useLatest';
import { useAskedMs } from '../../../state/advice/useWhatNow';
import { guestWays, type Guests, type GuestWays } from './guestWays';

/** What the engine says of each way, in order, and of dough that is begun now. */
export interface GuestAnswers {
  readonly ways: readonly WhatNowAnswer[];
  readonly dose: ReturnType<EngineInWorker['dose']> | null;
}

const ask = async ({ ways, sameDay }: GuestWays): Promise<GuestAnswers> => ({
  ways: await Promise.all(ways.map(({ waiting }) => engine().whatNow(waiting))),
  dose: sameDay && (await engine().dose(sameDay.document)),
});

/** Days of records around a service: its own lot's, and those of the lots after it. */
const DAYS = { before: 3, all: 9 };

/**
 * What can be done about more guests, or fewer, by the engine in its worker.
 *
 * @returns the question with its answer; null until it is there
 */
export function useGuests(board: Board, guests: Guests | null) {
  const atMs = useAskedMs();
  const { cold, error } = useCold(board.house);
  const from = addDays(
    guests?.service.date ?? board.services[0]?.date ?? '2000-01-01',
    -DAYS.before,
  );
  const records = useRecords(board.house, from, DAYS.all);
  const isColdKnown = cold !== null || Boolean(error);
  const question = useMemo(
    () =>
      guests && guests.more !== 0 && isColdKnown
        ? guestWays(board, guests, { cold, records, atMs })
        : null,
    [board, guests, cold, records, isColdKnown, atMs],
  );
  return useLatest(ask, question);
}
