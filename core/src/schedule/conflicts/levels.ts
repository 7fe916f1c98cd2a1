import type { StepRef } from '../edit/editPlan';
import { isAtBench } from '../search/ledger';
import type { PlannedLot, Interval, WeekProblem } from '../problem/problem';
import { refOf } from '../edit/stepRef';

interface Taking<Whose> extends Interval {
  readonly amount: number;
  readonly whose: Whose | null;
}

/** A stretch of time with what is taken in it. */
export interface Level<Whose> extends Interval {
  readonly amount: number;
  readonly whose: readonly Whose[];
}

/** How much is taken over time: stretches one after another, from the first taking to the last. */
export function levelsOf<Whose>(takings: readonly Taking<Whose>[]): Level<Whose>[] {
  const begins = [...takings].sort((a, b) => a.startMin - b.startMin);
  const ends = [...takings].sort((a, b) => a.endMin - b.endMin);
  const moments = [...new Set([...begins.map((t) => t.startMin), ...ends.map((t) => t.endMin)])];
  moments.sort((a, b) => a - b);
  const here = new Set<Taking<Whose>>();
  let [begun, ended, amount] = [0, 0, 0];
  return moments.slice(0, -1).map((startMin, i) => {
    for (; (ends[ended]?.endMin ?? Infinity) <= startMin; ended += 1) {
      const gone = ends[ended] as Taking<Whose>;
      if (here.delete(gone)) amount -= gone.amount;
    }
    for (; (begins[begun]?.startMin ?? Infinity) <= startMin; begun += 1) {
      const come = begins[begun] as Taking<Whose>;
      if (come.endMin <= startMin) continue;
      here.add(come);
      amount += come.amount;
    }
    const whose = [...here].flatMap((each) => (each.whose === null ? [] : [each.whose]));
    return { startMin, endMin: moments[i + 1] as number, amount, whose };
  });
}

/** Stretches that take more than there is room for, drawn together where they touch. */
export function overfull<Whose>(takings: readonly Taking<Whose>[], room: number, nowMin: number) {
  const over: { startMin: number; endMin: number; amount: number; whose: Set<Whose> }[] = [];
  for (const { startMin, endMin, amount, whose } of levelsOf(takings)) {
    if (amount <= room || endMin <= nowMin) continue;
    const last = over.at(-1);
    if (last?.endMin === startMin) {
      last.endMin = endMin;
      last.amount = Math.max(last.amount, amount);
      for (const one of whose) last.whose.add(one);
    } else over.push({ startMin, endMin, amount, whose: new Set(whose) });
  }
  return over;
}

/** What works take of the bench. */
export function benchTakings({ frozenWorks }: WeekProblem, lots: readonly PlannedLot[]) {
  return [
    ...frozenWorks
      .filter(({ bench }) => bench > 0)
      .map(({ startMin, endMin, bench }): Taking<StepRef> => ({
        startMin,
        endMin,
        amount: bench,
        whose: null,
      })),
    ...lots.flatMap((lot) =>
      lot.steps
        .filter(({ key }) => isAtBench(key))
        .map((step): Taking<StepRef> => ({
          startMin: step.startMin,
          endMin: step.endMin,
          amount: Math.max(1, step.personIds.length),
          whose: refOf(lot, step),
        })),
    ),
  ];
}

/** What lots take of a place, by their ids. */
export function placeTakings(
  { frozenRests }: WeekProblem,
  lots: readonly PlannedLot[],
  place: string,
  container: 'trays' | 'tubs',
): Taking<string>[] {
  return [
    ...frozenRests
      .filter((rest) => rest.place === place)
      .map((rest) => ({
        startMin: rest.startMin,
        endMin: rest.endMin,
        amount: rest[container],
        whose: null,
      })),
    ...lots.flatMap(({ id, rests }) =>
      rests
        .filter((rest) => rest.place === place && rest.endMin > rest.startMin)
        .map((rest) => ({
          startMin: rest.startMin,
          endMin: rest.endMin,
          amount: rest[container],
          whose: id,
        })),
    ),
  ].filter(({ amount }) => amount > 0);
}
