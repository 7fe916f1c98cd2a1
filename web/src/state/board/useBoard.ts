import { NO_PLAN, type HouseBook, type Service, type Shift } from '@calm/contract';
import { boardLots, type BoardLot } from '@calm/domain';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import {
  useBookQuery,
  useLotsQuery,
  usePlanQuery,
  useServicesQuery,
  useShiftsQuery,
} from '../api/api';
import { addDays, dateAt } from '../time/localDate';
import { lotsWithOutboxItems } from '../outbox/outboxLots';
import { useCursor } from '../time/useCursor';
import { useWaiting } from '../outbox/useOutboxItems';

/** Everything the board needs, once it is there. */
export interface Board {
  readonly house: string;
  readonly book: HouseBook;
  readonly services: readonly Service[];
  readonly shifts: readonly Shift[];
  readonly lots: readonly BoardLot[];
  /** False while the days asked for are on their way and those before are still shown. */
  readonly isCurrent: boolean;
}

/** Days before the cursor's date that the board reaches. */
const DAYS_BEFORE = 2;
/** Days of the board altogether. */
const BOARD_DAYS = 9;
/** Other devices' changes come live; in case a line was cut unnoticed, it is looked again this often, ms. */
const LOOK_EVERY_MS = 60_000;

/** The house that the address names. */
export function useHouse(): string {
  return useParams()['house'] ?? '';
}

/**
 * The lots around the time cursor, following other devices.
 *
 * @param around local date to lay the board around; the cursor's when absent
 */
export function useBoard(around?: string): {
  board: Board | null;
  error: unknown;
  retry: () => void;
} {
  const house = useHouse();
  const { atMs } = useCursor();
  const book = useBookQuery(house);
  const timeZone = book.data?.house.timeZone;
  const from = addDays(around ?? dateAt(atMs, timeZone ?? 'UTC'), -DAYS_BEFORE);
  const dateRange = { house, from, days: BOARD_DAYS };
  const options = { skip: !timeZone, pollingInterval: LOOK_EVERY_MS };
  const services = useServicesQuery(dateRange, options);
  const shifts = useShiftsQuery(dateRange, { skip: !timeZone });
  const lots = useLotsQuery(dateRange, options);
  const plan = usePlanQuery(house, { pollingInterval: LOOK_EVERY_MS });
  // Without its plan a house still works: counted back from doors.
  const content = plan.data?.content ?? (plan.isLoading ? null : NO_PLAN);

  const waiting = useWaiting(house);
  const isCurrent = services.currentData !== undefined && lots.currentData !== undefined;

  const board = useMemo(() => {
    if (!book.data || !services.data || !shifts.data || !lots.data || !content) return null;
    return {
      house,
      book: book.data,
      services: services.data,
      shifts: shifts.data,
      lots: boardLots(book.data, services.data, lotsWithOutboxItems(lots.data, waiting), content),
      isCurrent,
    };
  }, [house, book.data, services.data, shifts.data, lots.data, content, waiting, isCurrent]);

  const failed = [book, services, shifts, lots].filter((query) => query.isError && !query.data);
  return {
    board,
    error: failed[0]?.error ?? null,
    retry: () => failed.forEach((query) => void query.refetch()),
  };
}
