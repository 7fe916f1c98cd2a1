import type { LotHeld } from '@calm/contract';
import { HOUR_MS, timeAbove, type Course, type IngredientLimit } from '@calm/core';

/** How a dough on its way stands against each limit of what is in it, the one that is over first. */
export const heldOf = (
  limits: readonly IngredientLimit[],
  course: Course,
  mixedMs: number,
  nowMs: number,
): LotHeld[] =>
  limits
    .map((limit): LotHeld => {
      const { minutes, overHour } = timeAbove(course, limit, (nowMs - mixedMs) / HOUR_MS);
      return { ...limit, minutes, overMs: overHour === null ? null : mixedMs + overHour * HOUR_MS };
    })
    .sort((a, b) => (a.overMs ?? Infinity) - (b.overMs ?? Infinity));
