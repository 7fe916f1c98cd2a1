import { addDays, mondayAfter } from '../../state/localDate';

/** Which days are looked at. */
export type Stretch = 'two-days' | 'week' | 'next-week';

export const DAYS: Readonly<Record<Stretch, number>> = { 'two-days': 2, week: 7, 'next-week': 7 };

/** The board begins this many days before the date it is laid around. */
const BOARD_BEFORE = 2;

/** As the address says it: `days=2`, `7` or `next`. */
export function stretchOf(text: string | null): Stretch {
  if (text === '7') return 'week';
  return text === 'next' ? 'next-week' : 'two-days';
}

/** A stretch for the address. */
export const stretchText = (stretch: Stretch): string =>
  ({ 'two-days': '2', week: '7', 'next-week': 'next' })[stretch];

/** First day of a stretch. */
export const startOf = (stretch: Stretch, today: string): string =>
  stretch === 'next-week' ? mondayAfter(today) : today;

/** Where the board is laid so that it holds the stretch; undefined leaves it at the cursor. */
export const boardAround = (stretch: Stretch, from: string): string | undefined =>
  stretch === 'next-week' ? addDays(from, BOARD_BEFORE) : undefined;
