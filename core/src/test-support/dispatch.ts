import { openLedger } from '../schedule/search/ledger';
import { modeOf, servicesOfDough, type Mode } from '../schedule/search/lotVariants';
import { lotOf, place, type Placed } from '../schedule/search/placing';
import { planOfLots } from '../schedule/problem/planOfLots';
import type { WeekPlan, WeekProblem } from '../schedule/problem/problem';
import { startCostsOf, termsOf } from '../schedule/search/costTables';
import type { Terms } from '../schedule/search/costToGo';

const DAY_MIN = 1440;

/**
 * The plainest way to plan a week, for comparison: each dough of each day by itself, one after another in
 * the order of their doors, each begun as late as people and places allow. Nothing is improved afterwards.
 */
export function dispatchWeek(problem: WeekProblem): WeekPlan {
  const ledger = openLedger(problem);
  const costs = startCostsOf(problem, ledger.span);
  const modes = problem.doughs
    .flatMap((dough) => {
      const byDay = new Map<number, ReturnType<typeof servicesOfDough>>();
      for (const service of servicesOfDough(problem, dough)) {
        const day = Math.floor(service.startMin / DAY_MIN);
        byDay.set(day, [...(byDay.get(day) ?? []), service]);
      }
      return [...byDay.values()].map((run) =>
        dough.mixers.flatMap((mixer): Mode[] => {
          const mode = modeOf(problem, dough, run, mixer);
          return mode ? [mode] : [];
        }),
      );
    })
    .filter((each) => each.length > 0)
    .sort((a, b) => doorsOf(problem, a) - doorsOf(problem, b));
  const placed: Placed[] = [];
  for (const choices of modes) {
    const open = termsOf(problem, ledger, costs);
    for (const mode of choices) {
      const lot = place(problem, ledger, costs, mode, latest(open));
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

const doorsOf = ({ services }: WeekProblem, [mode]: readonly Mode[]): number =>
  services.find(({ id }) => id === mode?.serviceIds[0])?.startMin ?? 0;

/** Later is better, and nothing else counts. */
const latest = (terms: Terms): Terms => ({
  ...terms,
  quality: 0,
  workAt: (work, block, mode) =>
    terms
      .workAt(work, block, mode)
      .map((cost, start) => (cost === Infinity ? Infinity : terms.length - start)),
});
