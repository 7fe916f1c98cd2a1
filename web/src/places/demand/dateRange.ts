import { addDays, mondayAfter } from '../../state/time/localDate';

/** Which days are looked at. */
export type DateRange = (typeof STRETCHES)[number];
export const STRETCHES = ['last-days', 'two-days', 'week', 'next-week'] as const;

export const DAYS: Readonly<Record<DateRange, number>> = {
  'last-days': 7,
  'two-days': 2,
  week: 7,
  'next-week': 7,
};

/** The board begins this many days before the date it is laid around. */
const BOARD_BEFORE = 2;

/** As the address says it: `days=last`, `2`, `7` or `next`. */
const TEXTS: Readonly<Record<DateRange, string>> = {
  'last-days': 'last',
  'two-days': '2',
  week: '7',
  'next-week': 'next',
};

/** A stretch as the address says it; two days when it says nothing. */
export const intervalOf = (text: string | null): DateRange =>
  STRETCHES.find((dateRange) => TEXTS[dateRange] === text) ?? 'two-days';

/** A stretch for the address. */
export const dateRangeText = (dateRange: DateRange): string => TEXTS[dateRange];

/** First day of a stretch. */
export function startOf(dateRange: DateRange, today: string): string {
  if (dateRange === 'next-week') return mondayAfter(today);
  return dateRange === 'last-days' ? addDays(today, -7) : today;
}

/** Where the board is laid so that it holds the stretch; undefined leaves it at the cursor. */
export const boardAround = (dateRange: DateRange, from: string): string | undefined =>
  dateRange === 'next-week' || dateRange === 'last-days' ? addDays(from, BOARD_BEFORE) : undefined;
