import { addDays, mondayAfter } from '../../state/time/localDate';

/** Which days are looked at. */
export type Stretch = (typeof STRETCHES)[number];
export const STRETCHES = ['last-days', 'two-days', 'week', 'next-week'] as const;

export const DAYS: Readonly<Record<Stretch, number>> = {
  'last-days': 7,
  'two-days': 2,
  week: 7,
  'next-week': 7,
};

/** The board begins this many days before the date it is laid around. */
const BOARD_BEFORE = 2;

/** As the address says it: `days=last`, `2`, `7` or `next`. */
const TEXTS: Readonly<Record<Stretch, string>> = {
  'last-days': 'last',
  'two-days': '2',
  week: '7',
  'next-week': 'next',
};

/** A stretch as the address says it; two days when it says nothing. */
export const stretchOf = (text: string | null): Stretch =>
  STRETCHES.find((stretch) => TEXTS[stretch] === text) ?? 'two-days';

/** A stretch for the address. */
export const stretchText = (stretch: Stretch): string => TEXTS[stretch];

/** First day of a stretch. */
export function startOf(stretch: Stretch, today: string): string {
  if (stretch === 'next-week') return mondayAfter(today);
  return stretch === 'last-days' ? addDays(today, -7) : today;
}

/** Where the board is laid so that it holds the stretch; undefined leaves it at the cursor. */
export const boardAround = (stretch: Stretch, from: string): string | undefined =>
  stretch === 'next-week' || stretch === 'last-days' ? addDays(from, BOARD_BEFORE) : undefined;
