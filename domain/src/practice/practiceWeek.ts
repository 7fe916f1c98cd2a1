import type { HouseBook, PracticeWeek, Situation } from '@calm/contract';
import { hoursOf, keptOvernight, type Decision } from '@calm/core';
import { practiceEvening, type PracticeEvening } from './practiceEvening';

/** A week as it is run so far. */
export interface WeekSoFar {
  /** What was decided on each evening that is over. */
  readonly decisions: readonly (readonly Decision[])[];
  /** Trays that were made for each evening, dough by dough; as planned where nothing was said. */
  readonly made: readonly (readonly (number | null)[])[];
}

const DAY_H = 24;
/** Dough that is mixed so much earlier in the day than its evening begins still counts as of that day, h. */
const SAME_DAY_H = 8;

/** How many evenings ahead each dough is made, by its own hours; the evening before at the latest. */
export const eveningsAhead = ({ believed }: PracticeEvening): number[] =>
  believed.doughs.map(({ route }) => Math.max(1, Math.ceil((hoursOf(route) - SAME_DAY_H) / DAY_H)));

/**
 * The evening of a week that comes next, or is under way: what was made for it, and what is left in the cold of those
 * before.
 *
 * @param soFar of the evenings before it
 * @returns null where the house has no dough whose balls are opened, or the week is over
 */
export function nextEveningOf(
  book: HouseBook,
  { evenings }: PracticeWeek,
  { decisions, made }: WeekSoFar,
): PracticeEvening | null {
  const at = (i: number, kept: Parameters<typeof withStock>[3]) => {
    const situation = evenings[i];
    return situation ? withStock(book, situation, made[i] ?? [], kept) : null;
  };
  let evening = at(0, []);
  decisions.forEach((each, i) => {
    evening = evening && at(i + 1, keptOvernight(evening.really, evening.believed, each));
  });
  return evening;
}

const withStock = (
  book: HouseBook,
  situation: Situation,
  made: readonly (number | null)[],
  kept: ReturnType<typeof keptOvernight>,
) =>
  practiceEvening(book, situation, {
    made: situation.trays.map((planned, i) => made[i] ?? planned),
    kept,
  });
