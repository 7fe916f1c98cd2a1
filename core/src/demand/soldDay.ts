import { DAY_MS } from '../units/time';

/** What one service sold of one product on one day. */
export interface SoldDay {
  /** Local date, `YYYY-MM-DD`. */
  readonly date: string;
  /** Balls sold. */
  readonly sold: number;
  /** Whether balls ran out before the service ended: more would have been sold. */
  readonly isSoldOut?: boolean;
  /** Share of an evening's balls that have usually gone by when these ran out, 0–1; absent where nobody knows when. */
  readonly goneShare?: number;
  /** Name of what was on, where something was. */
  readonly event?: string;
}

/** 1 January 1970 was a Thursday. */
const THURSDAY = 3;

/** Days since 1970 of a local date. */
export const dayNumber = (date: string): number =>
  Math.round(Date.parse(`${date}T00:00:00Z`) / DAY_MS);

/** 0 = Monday … 6 = Sunday. */
export const weekdayIndex = (date: string): number => (dayNumber(date) + THURSDAY) % 7;

/** The Monday of a date's week, in days since 1970. */
export const mondayOf = (date: string): number => dayNumber(date) - weekdayIndex(date);
