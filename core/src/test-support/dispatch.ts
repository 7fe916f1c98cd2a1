import { DAY_MIN } from '../units/time';
import { openLedger } from '../schedule/search/ledger';
import { lotVariantOf, servicesOfDough, type LotVariant } from '../schedule/search/lotVariants';
import { lotOf, place, type Placed } from '../schedule/search/placing';
import { planOfLots } from '../schedule/problem/planOfLots';
import type { WeekPlan, WeekProblem } from '../schedule/problem/problem';
import { startCostsOf, costTablesOf } from '../schedule/search/costTables';
import type { CostTables } from '../schedule/search/costToGo';

/**
 * The plainest way to plan a week, for comparison: each dough of each day by itself, one after another in
 * the order of their doors, each begun as late as people and places allow. Nothing is improved afterwards.
 */
export function dispatchWeek(problem: WeekProblem): WeekPlan {
  const ledger = openLedger(problem);
  const costs = startCostsOf(problem, ledger.span);
  const variants = problem.doughs
    .flatMap((dough) => {
      const byDay = new Map<number, ReturnType<typeof servicesOfDough>>();
      for (const service of servicesOfDough(problem, dough)) {
        const day = Math.floor(service.startMin / DAY_MIN);
        byDay.set(day, [...(byDay.get(day) ?? []), service]);
      }
      return [...byDay.values()].map((run) =>
        dough.mixers.flatMap((mixer): LotVariant[] => {
          const variant = lotVariantOf(problem, dough, run, mixer);
          return variant ? [variant] : [];
        }),
      );
    })
    .filter((each) => each.length > 0)
    .sort((a, b) => doorsOf(problem, a) - doorsOf(problem, b));
  const placed: Placed[] = [];
  for (const choices of variants) {
    const open = costTablesOf(problem, ledger, costs);
    for (const variant of choices) {
      const lot = place(problem, ledger, costs, variant, latest(open));
      if (!lot) continue;
      placed.push(lot);
      break;
    }
  }
  return planOfLots(
    problem,
    placed.map((lot) => lotOf(lot, ledger)),
  );
}

const doorsOf = ({ services }: WeekProblem, [variant]: readonly LotVariant[]): number =>
  services.find(({ id }) => id === variant?.serviceIds[0])?.startMin ?? 0;

/** Later is better, and nothing else counts. */
const latest = (costTables: CostTables): CostTables => ({
  ...costTables,
  quality: 0,
  workAt: (work, block, variant) =>
    costTables
      .workAt(work, block, variant)
      .map((cost, start) => (cost === Infinity ? Infinity : costTables.length - start)),
});
