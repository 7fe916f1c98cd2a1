import { refOf, type Conflict, type PlannedLot, type PlannedStep, type StepRef } from '@calm/core';
import type { PlanContent } from '@calm/contract';
import { isPinned } from '../editing/usePlanEditing';

/** A step's name within its lot. */
export const stepName = ({ stage, serviceId }: Pick<PlannedStep, 'stage' | 'serviceId'>): string =>
  `${stage}/${serviceId ?? ''}`;

/** Steps of one lot, by `stepName`. */
export type StepNames = ReadonlySet<string>;

/** How a lot's steps are marked in the picture. */
export interface StepMarks {
  readonly clashing: StepNames;
  readonly pinned: StepNames;
  /** Name of the step that is picked; null when it is none of this lot. */
  readonly picked: string | null;
}

export const NO_STEPS: StepNames = new Set();

/** Which steps of which lots stand in conflicts, by lot. */
export function clashingSteps(conflicts: readonly Conflict[]): ReadonlyMap<string, StepNames> {
  const byLot = new Map<string, Set<string>>();
  const mark = (ref: StepRef | null) => {
    if (!ref) return;
    byLot.set(ref.lotId, (byLot.get(ref.lotId) ?? new Set()).add(stepName(ref)));
  };
  for (const conflict of conflicts) {
    if ('step' in conflict) mark(conflict.step);
    if ('other' in conflict) mark(conflict.other);
    if (conflict.kind === 'bench-full') conflict.steps.forEach(mark);
  }
  return byLot;
}

/** Which steps of which lots are held where they are, by lot. */
export function pinnedSteps(
  lots: readonly PlannedLot[],
  content: PlanContent,
): ReadonlyMap<string, StepNames> {
  return new Map(
    lots.map((lot) => [
      lot.id,
      new Set(lot.steps.filter((step) => isPinned(content, refOf(lot, step))).map(stepName)),
    ]),
  );
}
