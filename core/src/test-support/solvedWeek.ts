import { optimizeWeek } from '../schedule/search/optimizeWeek';
import type { PlannedLot, WeekProblem } from '../schedule/problem/problem';
import { madeUpWeek } from './weeks';

/** A made-up week of three days that can be planned. */
export const problem: WeekProblem = madeUpWeek(11, {
  days: 3,
  doughs: 2,
  people: 4,
  services: 2,
  balls: 60,
});

/** The lots of a plan that leaves nothing open. */
export function solved(week: WeekProblem): readonly PlannedLot[] {
  const search = optimizeWeek(week);
  let { plan, open } = search.next().value;
  for (let i = 0; i < 20 && open > 0; i += 1) ({ plan, open } = search.next().value);
  if (open > 0) throw new Error('the made-up week can be planned');
  return plan.lots;
}
