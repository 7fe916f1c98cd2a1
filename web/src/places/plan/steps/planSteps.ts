import type { PlannedLot, PlannedStep } from '@calm/core';
import { dateAt } from '../../../state/time/localDate';

/** One piece of work on the plan. */
export interface PlanStep {
  readonly key: string;
  readonly lot: PlannedLot;
  readonly step: PlannedStep;
}

/** All work that ends after a moment and starts before another, in time's order; minutes since 1970. */
export function planSteps(
  lots: readonly PlannedLot[],
  fromMin: number,
  untilMin: number,
): PlanStep[] {
  return lots
    .flatMap((lot) =>
      lot.steps
        .filter(({ startMin, endMin }) => endMin > fromMin && startMin < untilMin)
        .map((step) => ({
          key: `${lot.id}/${step.stage}/${step.serviceId ?? ''}`,
          lot,
          step,
        })),
    )
    .sort((a, b) => a.step.startMin - b.step.startMin);
}

/** The steps of each local day, in order. */
export function byDay(steps: readonly PlanStep[], timeZone: string): [string, PlanStep[]][] {
  const days = new Map<string, PlanStep[]>();
  for (const each of steps) {
    const date = dateAt(each.step.startMin * 60_000, timeZone);
    days.set(date, [...(days.get(date) ?? []), each]);
  }
  return [...days];
}
