import {
  airOfPlaces,
  lotsPutFirst,
  racksAt,
  type ColdQuestion,
  type Racks,
  type ShownStack,
} from '@calm/domain';
import type { ColdBoard, ColdLot } from '@calm/contract';
import { useMemo } from 'react';
import { addDays, dateAt } from '../../state/time/localDate';
import { useBoard, useHouse, type Board } from '../../state/board/useBoard';
import { useCold } from '../../state/board/useCold';
import { useCursor } from '../../state/time/useCursor';
import { useRecords } from '../../state/outbox/useRecords';

/** Services whose dough may be in the cold: two days back, a week on, as the board. */
const DAYS_BEFORE = 2;
const DAYS = 9;

/** Everything the walk-in's pages need. */
export interface WalkInNow {
  readonly board: Board;
  readonly cold: ColdBoard;
  readonly racks: Racks;
  readonly first: ReadonlySet<string>;
  /** Everything known of the cold, for whoever computes with it. */
  readonly question: ColdQuestion;
  /** What the cold means for the balls of a stack; null while nobody knows. */
  readonly coldOf: (shown: ShownStack) => ColdLot | null;
}

/** The cold with its racks at the time cursor. */
export function useWalkIn(): {
  readonly now: WalkInNow | null;
  readonly error: unknown;
  readonly retry: () => void;
} {
  const { board, error, retry } = useBoard();
  const { atMs, nowMs } = useCursor();
  const house = useHouse();
  const timeZone = board?.book.house.timeZone ?? 'UTC';
  const records = useRecords(house, addDays(dateAt(atMs, timeZone), -DAYS_BEFORE), DAYS);
  const { cold, error: coldError, retry: coldRetry } = useCold(house);
  const racks = useMemo(
    () => board && racksAt(board.lots, board.book, records, atMs, nowMs),
    [board, records, atMs, nowMs],
  );
  const first = useMemo(() => lotsPutFirst(records), [records]);
  const now = useMemo((): WalkInNow | null => {
    if (!board || !cold || !racks) return null;
    const { book, services, lots } = board;
    const question: ColdQuestion = {
      book,
      services,
      lots,
      records,
      air: airOfPlaces(book.places, cold.probes, cold.air, cold.notes),
      nowS: Math.floor(Date.parse(cold.at) / 1000),
    };
    return { board, cold, racks, first, question, coldOf: (shown) => coldOf(cold, shown) };
  }, [board, cold, racks, first, records]);
  return {
    now,
    error: error ?? (cold ? null : coldError),
    retry: () => {
      retry();
      coldRetry();
    },
  };
}

function coldOf({ lots }: ColdBoard, { stack, lot }: ShownStack): ColdLot | null {
  const key = lot.lot?.id ?? `${lot.code}/${lot.date}`;
  const own = lots.filter((each) => each.key === key && each.productId === stack.productId);
  return own.find(({ zone }) => zone === stack.spot.zone) ?? own[0] ?? null;
}
