import { demandsOf } from './demands';
import type { PlannedLot, WeekCost, WeekPlan, WeekProblem } from './problem';

/** Lots as a plan: by when they begin, with what they cost together, points, and what they leave open. */
export function planOfLots(problem: WeekProblem, unsorted: readonly PlannedLot[]): WeekPlan {
  const beginOf = ({ steps }: PlannedLot) => steps[0]?.startMin ?? 0;
  const lots = [...unsorted].sort((a, b) => beginOf(a) - beginOf(b));
  const sum = (key: keyof WeekCost) => lots.reduce((all, { cost }) => all + cost[key], 0);
  const done = new Set(
    lots.flatMap(({ doughId, serviceIds }) => serviceIds.map((id) => `${doughId}/${id}`)),
  );
  return {
    lots,
    open: demandsOf(problem).filter(
      ({ doughId, serviceId }) => !done.has(`${doughId}/${serviceId}`),
    ),
    cost: {
      quality: sum('quality'),
      unsocial: sum('unsocial'),
      mix: sum('mix'),
      change: sum('change'),
    },
  };
}
