import type { Situation } from './situation';

/** Evenings to be practised one after the other: what is left in the cold of one is there on the next. */
export interface PracticeWeek {
  /** Of the application's own: under which its words are. Of a house: its own. */
  readonly name: string;
  /** What a house calls it; the application's own are called in each language. */
  readonly title?: string;
  readonly evenings: readonly Situation[];
}

/** Evenings of a week, fewest and most. */
export const EVENINGS_OF_WEEK = { least: 2, most: 7 } as const;
