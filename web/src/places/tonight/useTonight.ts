import type { Service } from '@calm/contract';
import type { BoardLot } from '@calm/domain';
import { useMemo } from 'react';
import { useForecastQuery } from '../../state/api/api';
import { addDays } from '../../state/time/localDate';
import type { Board } from '../../state/board/useBoard';
import { useCursor } from '../../state/time/useCursor';
import { useAreRecordsComing, useRecords } from '../../state/outbox/useRecords';
import { UNKNOWN, useLotWindows, type LotBalls } from '../../state/board/useLotWindows';
import { decidedPullOf } from './decidedPull';
import { decisionsOf, type Decision, type LotTonight } from './decisions';
import { serviceBalls, type ServiceBalls } from './serviceBalls';

/** An evening as its oven lead needs it. */
export interface TonightNow {
  /** Every product the service wants, whatever is to be done next first. */
  readonly balls: readonly { readonly lot: BoardLot; readonly balls: ServiceBalls }[];
  readonly decisions: readonly Decision[];
  /** When a lot's balls open well, by its lead product. */
  readonly windowsOf: (lot: BoardLot) => LotTonight['windows'] | undefined;
}

const NONE: readonly never[] = [];

/** When something is to be done for a product, minutes from doors: dough that nobody has mixed comes first. */
const nextActMin = ({ unmade, waves }: ServiceBalls): number =>
  unmade > 0 ? -Infinity : (waves[0]?.pullMin ?? Infinity);

/**
 * How the balls of a service stand, and what has to be decided. Null until what was pulled and what is expected
 * are known: a tray must not be asked for that somebody has pulled already.
 */
export function useTonight(
  board: Board,
  service: Service,
  lots: readonly BoardLot[],
  others: readonly BoardLot[],
): TonightNow | null {
  const { atMs, nowMs } = useCursor();
  const { house, book } = board;
  const forecast = useForecastQuery({ house, from: service.date, days: 1 });
  const answer = forecast.data;
  const recordDays = [house, addDays(service.date, -2), 5] as const;
  const records = useRecords(...recordDays);
  const isComing = useAreRecordsComing(...recordDays) || forecast.isLoading;
  const asked = useMemo(
    () =>
      [...lots, ...others].flatMap((lot): LotBalls[] =>
        lot.items.flatMap(({ productId }) => {
          const product = book.products.find(({ id }) => id === productId);
          return product ? [{ lot, product }] : [];
        }),
      ),
    [lots, others, book],
  );
  const windows = useLotWindows(board, asked, records);
  const now = useMemo((): TonightNow => {
    const known = { usage: answer?.usage ?? NONE, forecasts: answer?.forecasts ?? NONE };
    const tonight = [...lots, ...others].map((lot): LotTonight => {
      const mine = asked.flatMap((each, i) => (each.lot === lot ? [i] : []));
      const [lead] = mine;
      const isFor = lots.includes(lot);
      return {
        lot,
        windows: windows[lead ?? -1] ?? UNKNOWN,
        balls: mine.flatMap((i): ServiceBalls[] => {
          const product = asked[i]?.product;
          const count = service.counts.find(({ productId }) => productId === product?.id)?.count;
          const { now: window, isKnown } = windows[i] ?? UNKNOWN;
          // Without its window nobody can say when to pull it, nor how likely there is enough.
          if (!isFor || !product || !count || !isKnown) return [];
          const decidedPull = decidedPullOf(lot, product, service, board.services, records);
          const all = { ...known, records, window, decidedPull };
          return [serviceBalls(lot, product, service, all, atMs)];
        }),
      };
    });
    return {
      balls: tonight
        .flatMap(({ lot, balls }) => balls.map((each) => ({ lot, balls: each })))
        .sort((a, b) => nextActMin(a.balls) - nextActMin(b.balls)),
      decisions: decisionsOf(board, tonight, atMs, nowMs),
      windowsOf: (lot) => tonight.find((each) => each.lot === lot)?.windows,
    };
  }, [board, service, lots, others, asked, windows, answer, records, atMs, nowMs]);
  return isComing ? null : now;
}
